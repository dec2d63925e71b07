/**
 * Flat parts at full size, to be cut from plywood, card or foam board instead of printed: sections with their bores,
 * plates behind motors, tongues of joints, and the jigs. mm
 */
import { bodiesOf, type Airframe, type Assessment } from '../../assess'
import {
  boreAt,
  boxOfAll,
  difference,
  outlineAt,
  platePlan,
  TONGUE,
  tongueWidth,
  type SurfaceLoft,
} from '../../geometry'
import { jigs, motorHoles } from '../build'
import { cutSheets } from './cut-sheets'

export interface FlatPart {
  id: string
  /** Written on it. */
  mark: string
  name: string
  count: number
  /** What it is reckoned for; null where any stiff sheet will do. */
  thicknessMm: number | null
  /** Edges counter-clockwise, holes clockwise; lowest corner at the origin. */
  loops: Float64Array[]
  widthMm: number
  heightMm: number
  note: string
}

type Draft = Omit<FlatPart, 'mark' | 'widthMm' | 'heightMm'>

export function flatParts(airframe: Airframe, assessment: Pick<Assessment, 'drawing'>): FlatPart[] {
  const lettered = (letter: string, list: readonly Draft[]) =>
    list.map((part, i) => atOrigin({ ...part, mark: `${letter}${i + 1}` }))
  return [
    ...lettered('R', sections(airframe)),
    ...lettered('S', sheets(airframe)),
    ...lettered('P', motorPlates(airframe)),
    ...lettered('T', tongues(airframe)),
    ...jigs(airframe, assessment).map(({ id, mark, name, count, thicknessMm, loops, note }) =>
      atOrigin({ id, mark, name, count, thicknessMm, loops, note }),
    ),
  ]
}

function atOrigin(part: Omit<FlatPart, 'widthMm' | 'heightMm'>): FlatPart {
  const [x0, y0, x1, y1] = boxOfAll(part.loops)
  return {
    ...part,
    loops: part.loops.map(loop => loop.map((value, i) => value - (i % 2 === 0 ? x0 : y0))),
    widthMm: x1 - x0,
    heightMm: y1 - y0,
  }
}

/** Ribs as they are printed, holes and all: of plywood or balsa as well. */
const ribs = (loft: SurfaceLoft, pieces: Airframe['pieces']): Draft[] =>
  pieces
    .filter(piece => piece.part === loft.name && piece.ribOf !== null && piece.side !== 'port')
    .map(piece => ({
      id: `rib-${piece.id}`,
      name: piece.name.replace(' starboard', ''),
      count: loft.mirror ? 2 : 1,
      thicknessMm: piece.zone.ribs!.thicknessMm,
      loops: piece.sectionAt((piece.from + piece.to) / 2),
      note: 'instead of printing it; in other sheet than plastic weigh it, and tell the ledger',
    }))

const sheets = (airframe: Airframe): Draft[] =>
  Object.values(airframe.surfaces).flatMap(loft =>
    cutSheets(airframe, loft).map(({ piece, loop }): Draft => {
      const { thicknessMm, make } = piece.zone.sheet!
      return {
        id: `sheet-${piece.id}`,
        name: piece.name.replace(' starboard', ''),
        count: loft.mirror ? 2 : 1,
        thicknessMm,
        loops: [loop],
        note:
          make === 'flat'
            ? 'edges rounded ahead and bevelled behind; one of a pair turned over'
            : 'folded from notch to notch, round the nose; its outer face is drawn: cut one of paper first. One of a pair turned over',
      }
    }),
  )

/** Root, every cut, every change of panel, tip: skin as drawn, bores of the spars as printed; or every rib. */
const sections = ({ surfaces, spars, doc, pieces }: Airframe): Draft[] =>
  Object.values(surfaces).flatMap(loft => {
    const own = ribs(loft, pieces)
    if (own.length) return own
    const places = [...doc.cuts[loft.name].map(cut => cut.atMm), ...loft.ends.map(end => end.s)]
    return [...new Set(places)]
      .filter(at => at >= 0 && at <= loft.span)
      .sort((a, b) => a - b)
      .map((at): Draft => {
        const outline = outlineAt(loft, at)
        const bores = (spars[loft.name] ?? []).flatMap(line => boreAt(loft, line, at, outline) ?? [])
        return {
          id: `section-${loft.name}-${at.toFixed(1)}`,
          name: `${loft.label}, ${at === 0 ? 'root' : `${at.toFixed(0)} mm out`}`,
          count: loft.mirror ? 2 : 1,
          thicknessMm: null,
          loops: bores.length ? difference([outline], bores) : [outline],
          note: 'a rib, a former to sand foam by, or a check of what was printed',
        }
      })
  })

/** Inside the shell, against the printed firewall, with the same holes. */
const motorPlates = (airframe: Airframe): Draft[] =>
  bodiesOf(airframe).flatMap(({ body, loft, main, name, pieces, ys }): Draft[] => {
    const wall = body.firewall
    if (!wall) return []
    const recipe = airframe.doc.zones.find(zone => zone.id === body.stations[0].zone)!.recipe
    const plate = platePlan(loft, loft.from + wall.thicknessMm, recipe)
    if (!plate) return []
    const { z } = loft.at(loft.from)
    const holes = motorHoles(wall).map(loop => loop.map((value, i) => value + (i % 2 === 0 ? 0 : z)))
    return [
      {
        id: `plate-${pieces.slice(0, -1)}`,
        name: main ? 'Plate behind the motor' : `Plate behind the motor, ${name}`,
        count: ys.length,
        thicknessMm: 2,
        loops: holes.length ? difference([plate], holes) : [plate],
        note: 'plywood, glued against the firewall from inside: bolts do not pull through it when it is warm',
      },
    ]
  })

/** By width, since only that differs. */
function tongues({ pieces }: Airframe): Draft[] {
  const byWidth = new Map<string, { width: number; count: number }>()
  for (const piece of pieces) {
    if (piece.joints.head?.kind !== 'tongue' || piece.hardwareG === 0) continue
    const width = tongueWidth(piece.hardwareG)
    const own = byWidth.get(width.toFixed(1))
    byWidth.set(width.toFixed(1), { width, count: (own?.count ?? 0) + 1 })
  }
  return [...byWidth].map(([text, { width, count }]) => ({
    id: `tongue-${text}`,
    name: `Tongue, ${text} mm wide`,
    count,
    thicknessMm: TONGUE.thickness,
    loops: [Float64Array.of(0, 0, width, 0, width, TONGUE.length, 0, TONGUE.length)],
    note: 'half its length in either piece',
  }))
}
