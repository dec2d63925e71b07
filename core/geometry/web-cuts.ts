/** The slits of a piece as cuts: the same list makes the section of any layer and the solid that is exported. mm */
import { boxOf, cut, featureAt, rectangle, type Feature } from './feature'
import { alongBody, type PieceShape, type Section } from './piece'
import { polygonArea } from './polygon'
import { difference } from './polygon-boolean'
import { STEP, webPeriod, type WebPattern } from './web-pattern'
import { hangingSlits, holesOf, laneSlits, type Slit } from './web-slits'

/** As straight as that: corners of a slit off the line by no more. */
const STRAIGHT = 0.02

/** How much closer heights are looked at where a piece is swept hard. */
const FINEST = 4

/** Just off a jump of the section. */
const OFF = 0.002

/** The line that lanes keep to: the main bore, or a share of the chord of a surface, or the middle of a body. */
export function webAnchor(
  piece: Pick<PieceShape, 'features' | 'skinAt' | 'from' | 'to' | 'part'>,
): (u: number) => number {
  const length = piece.to - piece.from
  let main: Feature | null = null,
    most = 0
  for (const feature of piece.features) {
    if (feature.op !== 'cut' || !feature.inside) continue
    const along = Math.min(feature.to, piece.to) - Math.max(feature.from, piece.from)
    const worth = along < 0.5 * length ? 0 : Math.abs(polygonArea(feature.a).area)
    if (worth > most) [main, most] = [feature, worth]
  }
  if (main) {
    const bore = main
    return u => {
      const [x0, , x1] = boxOf(featureAt(bore, u))
      return (x0 + x1) / 2
    }
  }
  const share = alongBody(piece.part) ? 0.5 : 0.3
  const ends = [piece.from + OFF, piece.to - OFF]
  const [a, b] = ends.map(u => {
    const skin = piece.skinAt(u)
    if (!skin) return 0
    const [x0, , x1] = boxOf(skin)
    return x0 + share * (x1 - x0)
  })
  return u => a + ((b - a) * (u - ends[0])) / Math.max(1e-9, ends[1] - ends[0])
}

const NAME = 'Web'

/**
 * The slits of a piece as cuts, in order of their lanes and then of height: the same list makes the section of any
 * layer and the solid that is exported. What stands proud of the piece has none.
 */
export function webCuts(piece: PieceShape, pattern: WebPattern): Feature[] {
  const anchor = webAnchor(piece),
    period = webPeriod(pattern)
  const sections = sectionsAt(piece, levels(piece, period))
  const heights = sections.map(({ u }) => u)
  const cuts: Feature[] = []
  const chain = (slits: ReadonlyArray<Slit | null>, name: string) => {
    const last = heights.length - 1
    for (let i = 0; i < last;) {
      const a = slits[i]
      if (!a || !slits[i + 1]) {
        i++
        continue
      }
      let j = i + 1
      while (j < last && slits[j + 1] && straight(slits, heights, i, j + 1)) j++
      const foot = i === 0 ? piece.from : heights[i],
        top = j === last ? piece.to : heights[j]
      cuts.push(cut(name, foot, top, slitOutline(a, pattern.slitMm), slitOutline(slits[j]!, pattern.slitMm)))
      i = j
    }
  }
  const lanes = new Map<number, Array<Slit | null>>()
  sections.forEach(({ u, section, holes }, i) => {
    for (const { lane, slit } of laneSlits(section, holes, anchor(u), u, pattern)) {
      const row = lanes.get(lane) ?? heights.map(() => null)
      row[i] = slit
      lanes.set(lane, row)
    }
  })
  for (const [lane, row] of [...lanes].sort((a, b) => a[0] - b[0])) chain(row, `${NAME} ${lane}`)
  hangCuts(sections, pattern, chain)
  return cuts
}

interface Level {
  u: number
  section: Section
  holes: Float64Array[]
}

/** Sections at heights, with one more on either side of wherever a hole begins, ends, or runs into another. */
function sectionsAt(piece: PieceShape, heights: readonly number[]): Level[] {
  const at = (u: number): Level => {
    const section = piece.sectionAt(u)
    return { u, section, holes: holesOf(section) }
  }
  const between = (low: Level, high: Level): Level[] => {
    let [a, b] = [low, high]
    if (a.holes.length === b.holes.length) return []
    while (b.u - a.u > 2 * OFF) {
      const middle = at((a.u + b.u) / 2)
      if (middle.holes.length === a.holes.length) a = middle
      else b = middle
    }
    return [a, b].filter(level => level !== low && level !== high)
  }
  const levels = heights.map(at)
  return levels.flatMap((level, i) => (i === 0 ? [level] : [...between(levels[i - 1], level), level]))
}

/** Do the slits between two heights lie on the straight line from the one to the other? */
function straight(
  slits: ReadonlyArray<Slit | null>,
  heights: readonly number[],
  i: number,
  j: number,
): boolean {
  const a = slits[i]!,
    b = slits[j]!
  for (let k = i + 1; k < j; k++) {
    const t = (heights[k] - heights[i]) / (heights[j] - heights[i]),
      own = slits[k]!
    const off = (key: keyof Slit) => Math.abs(own[key] - a[key] - t * (b[key] - a[key]))
    if (Math.max(off('x'), off('open'), off('end')) > STRAIGHT) return false
  }
  return true
}

/** A bore wanders at most so far from one height to the next, mm, or by its own width. */
const SWEPT = 4

function nearest<T extends { x: number; y: number }>(
  items: readonly T[],
  x: number,
  y: number,
  within: number,
): T | undefined {
  let best: T | undefined,
    least = within
  for (const item of items) {
    const away = Math.hypot(item.x - x, item.y - y)
    if (away < least) [best, least] = [item, away]
  }
  return best
}

/** Holes followed from height to height by their middles, so that a bore's slits are one from end to end. */
function hangCuts(
  sections: ReadonlyArray<{ section: Section; holes: Float64Array[] }>,
  pattern: WebPattern,
  chain: (slits: ReadonlyArray<Slit | null>, name: string) => void,
): void {
  interface Track {
    x: number
    y: number
    through: Array<Slit | null>
    blind: Array<Slit | null>
    last: number
  }
  const tracks: Track[] = []
  sections.forEach(({ section, holes }, i) => {
    for (const hole of holes) {
      const [x0, y0, x1, y1] = boxOf(hole),
        x = (x0 + x1) / 2,
        y = (y0 + y1) / 2
      let track = nearest(
        tracks.filter(item => item.last === i - 1),
        x,
        y,
        Math.max(SWEPT, x1 - x0),
      )
      if (!track) {
        track = { x, y, through: sections.map(() => null), blind: sections.map(() => null), last: i }
        tracks.push(track)
      }
      Object.assign(track, { x, y, last: i })
      for (const slit of hangingSlits(section, hole, pattern)) {
        if (slit.end > slit.open && slit.open < y - 1e-9) track.through[i] = slit
        else track.blind[i] = slit
      }
    }
  })
  tracks.forEach((track, k) => {
    chain(track.through, `${NAME} under hole ${k}`)
    chain(track.blind, `${NAME} over hole ${k}`)
  })
}

const slitOutline = ({ x, open, end }: Slit, width: number): Float64Array =>
  rectangle(x - width / 2, Math.min(open, end), x + width / 2, Math.max(open, end))

/** Heights at which slits are placed: ends, both sides of every jump, turns of the webs, and steps between. */
function levels(piece: PieceShape, period: number): number[] {
  const places = new Set<number>([piece.from + OFF, piece.to - OFF])
  for (const at of piece.breaks)
    if (at > piece.from + 2 * OFF && at < piece.to - 2 * OFF) {
      places.add(at - OFF)
      places.add(at + OFF)
    }
  for (const at of piece.skinHeights) if (at > piece.from + 2 * OFF && at < piece.to - 2 * OFF) places.add(at)
  if (period > 0 && Number.isFinite(period))
    for (let k = Math.ceil((4 * piece.from) / period - 1); (k * period) / 4 < piece.to; k++) {
      const at = (k * period) / 4
      if (k % 2 !== 0 && at > piece.from + 2 * OFF && at < piece.to - 2 * OFF) places.add(at)
    }
  // Where an edge of the skin moves by more than a step a step, hinge lines and bores move so too: looked at more often.
  const edges = (u: number) => {
    const skin = piece.skinAt(Math.min(u, piece.to - OFF))
    return skin && boxOf(skin)
  }
  const rate = (low: number, high: number): number => {
    const a = edges(low),
      b = edges(high)
    if (!a || !b || high - low < STEP) return 1
    return Math.max(1, Math.abs(a[0] - b[0]) / (high - low), Math.abs(a[2] - b[2]) / (high - low))
  }
  const sorted = [...places].sort((a, b) => a - b)
  return sorted.flatMap((at, i) => {
    const next = sorted[i + 1]
    if (next === undefined) return [at]
    const parts = Math.max(1, Math.ceil(((next - at) * Math.min(FINEST, rate(at, next))) / STEP))
    return Array.from({ length: parts }, (_, k) => at + ((next - at) * k) / parts)
  })
}

const MOST_KEPT = 4

const kept = new WeakMap<PieceShape['sectionAt'], Array<{ key: string; cuts: Feature[] }>>()

/** The slits of a piece, remembered with its shape. */
export function websOf(piece: PieceShape, pattern: WebPattern): Feature[] {
  const key = JSON.stringify(pattern)
  const list = kept.get(piece.sectionAt) ?? []
  const known = list.find(item => item.key === key)
  if (known) return known.cuts
  const cuts = webCuts(piece, pattern)
  kept.set(piece.sectionAt, [...list.slice(1 - MOST_KEPT), { key, cuts }])
  return cuts
}

/** Outlines of the slits at a height. */
export const slitOutlines = (cuts: readonly Feature[], u: number): Float64Array[] =>
  cuts.filter(feature => u > feature.from && u < feature.to).map(feature => featureAt(feature, u))

/** The section as it is printed: with its slits. */
export function webbedSection(piece: PieceShape, cuts: readonly Feature[], u: number): Section {
  const here = slitOutlines(cuts, u)
  return here.length === 0 ? piece.sectionAt(u) : difference(piece.sectionAt(u), here)
}
