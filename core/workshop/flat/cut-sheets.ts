/** Wings and tails of sheet foam as they are cut: flat ones by their plan, folded ones unrolled. mm */
import { filmEnd, type Airframe } from '../../assess'
import { controlsOf } from '../../document'
import { hingedControls, isSheet, placesWithin, type Piece, type SurfaceLoft } from '../../geometry'

/** A little before and after a place where what is cut changes at once. */
const BESIDE = 0.05
/** Notches mark the ends of the line that a sheet is folded along: half as wide as deep. */
const NOTCH = 3

export interface CutSheet {
  piece: Piece
  loop: Float64Array
}

/** One a pair: port is its mirror image. */
export const cutSheets = (airframe: Airframe, loft: SurfaceLoft): CutSheet[] =>
  airframe.pieces
    .filter(piece => piece.part === loft.name && piece.side !== 'port' && isSheet(piece))
    .flatMap(piece => {
      const rows = rowsOf(airframe, loft, piece)
      if (rows.length < 2) return []
      const outline = piece.zone.sheet!.make === 'flat' ? flatOutline(rows) : foldedOutline(rows)
      return [{ piece, loop: Float64Array.from(outline.flat()) }]
    })

/** At a place along the span: where its nose is, and how far it goes aft from there on either face. */
interface Row {
  nose: number
  /** Along the sheet, dihedral and all. */
  along: number
  upper: number
  lower: number
  /** In plan. */
  rear: number
}

function rowsOf({ doc }: Airframe, loft: SurfaceLoft, piece: Piece): Row[] {
  const hinged = piece.kind === 'moving' ? [] : hingedControls(loft, controlsOf(doc, loft.name))
  const ends = hinged.flatMap(item => [item.from, item.to].flatMap(at => [at - BESIDE, at + BESIDE]))
  const stations = loft.stations.map(station => station.s)
  const places = [
    piece.from,
    ...placesWithin([...stations, ...ends, ...piece.breaks], piece.from, piece.to),
    piece.to,
  ].sort((a, b) => a - b)
  const rows: Row[] = []
  let before: { s: number; n: number } | null = null,
    along = 0
  for (const s of places) {
    const outline = piece.skinAt(Math.min(piece.to - 1e-6, Math.max(piece.from + 1e-6, s)))
    if (!outline) continue
    const row = measured(outline, filmEnd(hinged, s))
    along += before ? Math.hypot(s - before.s, row.n - before.n) : 0
    before = { s, n: row.n }
    rows.push({ ...row, along })
  }
  return rows
}

/** Of an outline that begins at the upper rear and goes round the nose; what lies behind `end` is left out. */
function measured(outline: Float64Array, end: number): Omit<Row, 'along'> & { n: number } {
  const count = outline.length / 2
  let first = 0
  for (let i = 1; i < count; i++) if (outline[2 * i] < outline[2 * first]) first = i
  const way = (step: 1 | -1): number => {
    let length = 0
    const last = step > 0 ? count - 1 : 0
    for (let i = first; i !== last; i += step) {
      const [x0, n0, x1, n1] = [
        outline[2 * i],
        outline[2 * i + 1],
        outline[2 * (i + step)],
        outline[2 * (i + step) + 1],
      ]
      const share = x1 <= end || x1 <= x0 ? 1 : Math.max(0, (end - x0) / (x1 - x0))
      length += share * Math.hypot(x1 - x0, n1 - n0)
      if (share < 1) break
    }
    return length
  }
  const rear = Math.min(end, Math.max(outline[0], outline[2 * (count - 1)]))
  return { nose: outline[2 * first], n: outline[2 * first + 1], upper: way(-1), lower: way(1), rear }
}

type Point = [x: number, y: number]

const flatOutline = (rows: readonly Row[]): Point[] => [
  ...rows.map(({ rear, along }): Point => [rear, along]),
  ...rows.map(({ nose, along }): Point => [nose, along]).reverse(),
]

/** The lower face is turned over about the line from nose to nose; notches stand at its ends. */
function foldedOutline(rows: readonly Row[]): Point[] {
  const [foot, head] = [rows[0], rows.at(-1)!]
  const length = Math.hypot(head.nose - foot.nose, head.along - foot.along) || 1
  const [dx, dy] = [(head.nose - foot.nose) / length, (head.along - foot.along) / length]
  const turned = ([x, y]: Point): Point => {
    const t = (x - foot.nose) * dx + (y - foot.along) * dy
    return [2 * (foot.nose + t * dx) - x, 2 * (foot.along + t * dy) - y]
  }
  const notch = ({ nose, along }: Row, way: 1 | -1): Point[] => [
    [nose - (way * NOTCH) / 2, along],
    [nose + way * NOTCH * dx, along + way * NOTCH * dy],
    [nose + (way * NOTCH) / 2, along],
  ]
  const lower = rows.map(({ nose, lower: own, along }) => turned([nose + own, along]))
  return [
    ...notch(foot, 1),
    ...rows.map(({ nose, upper, along }): Point => [nose + upper, along]),
    ...notch(head, -1),
    ...lower.reverse(),
  ]
}
