/** What else the load went through that broke a part: its neighbours, what runs through it, and the weakest places. */
import type { Assessment } from '../../assess'
import type { ProjectFile } from '../../document'
import { q, say, type Words } from '../../units'
import { inspectionList } from '../readiness'
import { boughtParts } from './bought'

export interface LookAlso {
  where: Words
  why: Words
}

/** Pieces whose ends meet, mm. */
const MEET = 1
const WEAKEST = 4

export function lookAlso(doc: ProjectFile, assessment: Assessment, piece: string, atMm: number): LookAlso[] {
  const own = assessment.pieces.find(item => item.id === piece)
  const looks: LookAlso[] = []
  if (own) {
    for (const other of assessment.pieces)
      if (
        other.id !== own.id &&
        other.part === own.part &&
        other.side === own.side &&
        (Math.abs(other.toMm - own.fromMm) < MEET || Math.abs(other.fromMm - own.toMm) < MEET)
      )
        looks.push({ where: other.name, why: 'joined to it: flex the joint, look for a line' })
    for (const other of assessment.pieces)
      if (
        other.part === own.part &&
        other.side !== own.side &&
        other.side !== 'centre' &&
        Math.abs(other.fromMm - own.fromMm) < MEET &&
        other.kind === own.kind
      )
        looks.push({ where: other.name, why: 'the other side took the same landing' })
    for (const spar of assessment.spars)
      if (spar.surface === own.part && spar.fromMm <= own.toMm && spar.toMm >= own.fromMm)
        looks.push({
          where: say`${spar.name}, ${q(atMm, 'mm', 0)} from the root`,
          why: 'runs through it: sight along it, listen while bending',
        })
  } else {
    const bought = boughtParts(doc, assessment).find(item => item.id === piece)
    const spar = assessment.spars.find(item => item.id === piece)
    for (const other of assessment.pieces)
      if (spar && bought && other.part === spar.surface && other.fromMm <= atMm && other.toMm >= atMm)
        looks.push({
          where: other.name,
          why: 'the broken spar lies in it: press the skin, look for white lines',
        })
    if (piece === 'boom')
      looks.push({ where: 'Tail mount and the socket in the body', why: 'the boom was torn at both ends' })
  }
  for (const item of inspectionList(assessment).slice(0, WEAKEST))
    looks.push({ where: item.where, why: say`bears least there: ${item.look}` })
  return looks
}
