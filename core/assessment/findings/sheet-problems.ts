/** What sheets of foam cannot do: lie flat in a part of a surface, be folded thicker than it is, make a body. */
import {
  isSheet,
  planAt,
  gapAt,
  outlineAt,
  shareInBody,
  slotRoot,
  zoneOr,
  type SurfaceLoft,
} from '../../geometry'
import { flatThicknesses, wantSlots, type Airframe } from '../resolve'
import type { Finding } from '../report'
import { SURFACE_NAMES, surfaceOf } from '../../document'
import { q, say } from '../../units'
import { foundAt } from './found-at'

export const sheetProblems = (airframe: Airframe): Finding[] => [
  ...flatInPart(airframe),
  ...thickProblems(airframe),
  ...bodyProblems(airframe),
  ...slotProblems(airframe),
]

const surfacesOf = ({ doc, surfaces }: Airframe) =>
  SURFACE_NAMES.flatMap(name => {
    const loft = surfaces[name],
      surface = surfaceOf(doc, name)
    return loft && surface ? [{ loft, surface }] : []
  })

const flatInPart = (airframe: Airframe): Finding[] =>
  surfacesOf(airframe).flatMap(({ loft, surface }): Finding[] => {
    const flat = surface.panels.filter(({ zone }) => zoneOr(airframe.doc.zones, zone).sheet?.make === 'flat')
    if (flat.length === 0 || flatThicknesses(surface, airframe.doc.zones)) return []
    return [
      {
        code: 'sheet-flat-in-part',
        stations: ['skin', 'shape'],
        severity: 'warn',
        where: loft.label,
        value: flat.length,
        limit: surface.panels.length,
        unit: 'panels',
        text: say`${loft.label}: ${flat.length} of ${surface.panels.length} panels are of flat sheet; where another way of building meets it, the section is flown and weighed as it is drawn`,
        remedy: 'Skin: the whole surface flat, or the sheet folded',
      },
    ]
  })

/** Where the chord is looked at: there a section is about thickest. */
const THICKEST = 0.3
const heightAt = (loft: SurfaceLoft, s: number): number => {
  const { lead, chord } = planAt(loft, s)
  const gap = gapAt(outlineAt(loft, s), lead + THICKEST * chord)
  return gap ? gap.upper - gap.lower : 0
}

/** Once a surface: folded round the nose, two sheets lie on each other there. */
const thickProblems = (airframe: Airframe): Finding[] =>
  surfacesOf(airframe).flatMap(({ loft }): Finding[] => {
    const own = airframe.pieces.filter(
      piece =>
        piece.part === loft.name &&
        piece.kind === 'fixed' &&
        piece.side !== 'port' &&
        isSheet(piece) &&
        piece.zone.sheet!.make === 'folded',
    )
    const worst = own
      .map(piece => ({
        piece,
        room: heightAt(loft, (piece.from + piece.to) / 2) - 2 * piece.zone.sheet!.thicknessMm,
      }))
      .reduce<{ piece: (typeof own)[number]; room: number } | null>(
        (a, b) => (a && a.room <= b.room ? a : b),
        null,
      )
    if (!worst || worst.room >= 0) return []
    const { piece, room } = worst
    return [
      {
        code: 'sheet-thick',
        stations: ['skin'],
        severity: 'warn',
        where: piece.name,
        value: piece.zone.sheet!.thicknessMm,
        limit: piece.zone.sheet!.thicknessMm + room / 2,
        unit: 'mm',
        text: say`${piece.name} is ${q(2 * piece.zone.sheet!.thicknessMm + room, 'mm', 1)} thick, and two sheets of ${q(piece.zone.sheet!.thicknessMm, 'mm', 1)} are thicker: nothing can be folded there; it is reckoned as solid foam of the drawn section`,
        remedy: 'Skin: a thinner sheet, or one that lies flat; Shape: a thicker section',
      },
    ]
  })

function bodyProblems({ doc }: Airframe): Finding[] {
  const inBodies = new Set(
    [...(doc.body?.stations ?? []), ...doc.pods.flatMap(pod => pod.body.stations)].map(item => item.zone),
  )
  return doc.zones.flatMap((zone): Finding[] =>
    zone.sheet && inBodies.has(zone.id)
      ? [
          {
            code: 'sheet-in-body',
            stations: ['skin'],
            severity: 'note',
            where: zone.name,
            value: 1,
            limit: 0,
            unit: 'bodies',
            text: say`${zone.name} is cut from sheet, and a body lies in it: bodies are printed, by the recipe of their zone`,
            remedy: 'Shape: a zone of its own for the body',
          },
        ]
      : [],
  )
}

/** Tails that were asked for in slots of the body and cannot be. */
function slotProblems({ doc, surfaces, slots, body }: Airframe): Finding[] {
  if (!doc.tail.slots) return []
  const told = foundAt('Tail in slots', ['shape'])
  const wanted = wantSlots(doc, surfaces)
  if (wanted.length === 0)
    return [
      told(
        'slot-not-sheet',
        'note',
        [0, 1, 'flat sheets'],
        'The tail is asked for in slots of the body, and none of it is of flat sheet: it is glued or screwed on',
        'Skin: the tail cut flat from sheet; Shape: or no slots',
      ),
    ]
  return wanted
    .filter(loft => !slots[loft.name])
    .map(loft => {
      const share = body ? shareInBody(slotRoot(loft), body) : 0
      return told(
        'slot-not-made',
        'warn',
        [100 * share, 50, '%'],
        say`${loft.label}: ${q(100 * share, '%', 0)} of its root lie in the body, too little for a slot that holds it; it is glued on`,
        'Shape: its root into the body, or a body that reaches under it',
      )
    })
}
