/** Wishes tried on the design: what they bring, and what they cost elsewhere once it balances as before. */
import type { Assessment, Assessor } from '../../assess'
import { admissible, apply, costOf, stops, withItem, type Change } from '../../change'
import type { ProjectFile } from '../../document'
import { q, say, type Words } from '../../units'
import { stretchNose } from '../balance'
import { actsFor, movesBalance } from './acts'

export interface Tried {
  acts: string[]
  /** Why one of them cannot be; the rest was tried without it. */
  refused: Words[]
  /** What was done so that it balances as before. */
  rebalanced: Words[]
  change: Change
  massG: number
  reserve: number
  marginPct: number
  stallMs: number
  hours: number
  cost: number
  /** Findings that stop the build, more than before. */
  stops: number
  /** Pieces that come out otherwise, and those that carry over. */
  anew: string[]
  carried: number
  /** Printers' plates for what is new, one a piece at most. */
  hoursAnew: number
}

/** Nearer to the margin of before than this needs nothing, % of the mean chord. */
const NEAR_PCT = 0.3
/** A piece that differs by less is the same piece. */
const SAME_SHARE = 0.002

export function tryActs(assessor: Assessor, doc: ProjectFile, ids: readonly string[]): Tried {
  const before = assessor.assess(doc)
  const refused: Words[] = []
  let next = doc
  for (const id of ids) {
    const act = actsFor(next).find(item => item.id === id)
    const changed = act && apply(next, act.change)
    if (!act) refused.push(say`"${id}" is nothing that this design has any more`)
    else if (!admissible(changed!)) refused.push(say`${act.title}: past the limits of a project file`)
    else next = changed!
  }
  const rebalanced: Words[] = []
  if (!ids.some(movesBalance)) next = asBefore(assessor, next, before, rebalanced)
  const after = assessor.assess(next)
  const anew = piecesAnew(before, after)
  return {
    acts: [...ids],
    refused,
    rebalanced,
    change: changeBetween(doc, next),
    massG: after.totals.massG - before.totals.massG,
    reserve: after.strength.reserve - before.strength.reserve,
    marginPct: after.flight.staticMarginPct - before.flight.staticMarginPct,
    stallMs: after.flight.stallMs - before.flight.stallMs,
    hours: after.totals.hours - before.totals.hours,
    cost: costOf(after) - costOf(before),
    stops: stops(after) - stops(before),
    anew: anew.map(piece => piece.id),
    carried: after.pieces.length - anew.length,
    hoursAnew: anew.reduce((sum, piece) => sum + piece.hours, 0),
  }
}

export function piecesAnew(before: Assessment, after: Assessment): Assessment['pieces'] {
  const old = new Map(before.pieces.map(piece => [piece.id, piece]))
  return after.pieces.filter(piece => {
    const was = old.get(piece.id)
    return (
      !was ||
      was.filament !== piece.filament ||
      Math.abs(was.predictedG - piece.predictedG) > SAME_SHARE * piece.predictedG ||
      was.boxMm.some((size, i) => Math.abs(size - piece.boxMm[i]) > 0.05)
    )
  })
}

const changeBetween = (doc: ProjectFile, next: ProjectFile): Change =>
  Object.fromEntries(
    (Object.keys(next) as Array<keyof ProjectFile>)
      .filter(key => next[key] !== doc[key])
      .map(key => [key, next[key]]),
  )

/** Battery first, as far as its bay goes; then the nose's length. The margin becomes what it was. */
function asBefore(assessor: Assessor, doc: ProjectFile, before: Assessment, words: Words[]): ProjectFile {
  const wanted = before.flight.staticMarginPct
  const off = (design: ProjectFile) => {
    const { flight, plan, totals } = assessor.assess(design)
    return {
      mm: ((flight.staticMarginPct - wanted) / 100) * plan.macMm,
      totals,
      pct: flight.staticMarginPct - wanted,
    }
  }
  let next = doc
  let now = off(next)
  if (Math.abs(now.pct) < NEAR_PCT) return next
  const pack = doc.equipment.find(item => item.kind === 'battery' && item.bay && item.massG > 0)
  if (pack) {
    const [low, high] = [pack.bay![0] + pack.sizeMm[0] / 2, pack.bay![1] - pack.sizeMm[0] / 2]
    const wish = pack.xMm + (now.mm * now.totals.massG) / pack.massG
    const place = Math.round(2 * Math.min(Math.max(low, high), Math.max(low, wish))) / 2
    if (Math.abs(place - pack.xMm) >= 0.5) {
      const moved = apply(next, withItem(next, pack.id, { xMm: place }))
      if (admissible(moved)) {
        next = moved
        words.push(
          say`${pack.name} ${q(Math.abs(place - pack.xMm), 'mm', 0)} ${place < pack.xMm ? 'forward' : 'aft'}`,
        )
        now = off(next)
      }
    }
  }
  if (Math.abs(now.pct) < NEAR_PCT || !doc.body) return next
  const base = next
  const nose = (by: number) => {
    const change = stretchNose(base, by)
    const moved = change && apply(base, change)
    return moved && admissible(moved) ? moved : null
  }
  // A secant over the length: the balance moves nearly in proportion to it.
  let by = now.mm > 0 ? -10 : 10,
    known = { by: 0, pct: now.pct }
  let best: { by: number; doc: ProjectFile; pct: number } | null = null
  for (let round = 0; round < 4; round++) {
    const tried = nose(by)
    if (!tried) break
    const { pct } = off(tried)
    if (!best || Math.abs(pct) < Math.abs(best.pct)) best = { by, doc: tried, pct }
    if (Math.abs(pct) < NEAR_PCT / 2 || Math.abs(pct - known.pct) < 1e-6) break
    const step = (pct * (by - known.by)) / (pct - known.pct)
    known = { by, pct }
    by = Math.round(Math.min(120, Math.max(-60, by - step)))
    if (by === known.by) break
  }
  if (!best || Math.abs(best.pct) >= Math.abs(now.pct)) return next
  words.push(say`nose ${q(Math.abs(best.by), 'mm', 0)} ${best.by > 0 ? 'longer' : 'shorter'}`)
  return best.doc
}
