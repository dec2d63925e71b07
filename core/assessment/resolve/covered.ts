/** What of an aircraft is covered with film: how much of it, and where. SI but for lofts, in mm. */
import { controlsOf, type Zone } from '../../document'
import {
  hingedControls,
  outlineAt,
  placePoint,
  placesWithin,
  stepped,
  type SurfaceLoft,
} from '../../geometry'
import type { Film } from '../../libraries'
import { memoise } from '../../memo'
import { mm2ToM2, mmToM } from '../../units'
import type { Designed } from './designed'
import { filmEnd } from './held-edges'

/** Laps round edges and where sheets meet, as a share of what is covered. */
export const LAPS = 0.08
/** A sheet is counted in strips of this width along the span, mm. */
const STRIP = 40

/** The film of one side between two cuts, in one zone. */
export interface Covered {
  /** As its ribs say. */
  stretch: string
  zone: string
  name: string
  film: Film
  /** Both faces, without laps, m². */
  area: number
  strips: ReadonlyArray<{ area: number; x: number; y: number; z: number }>
  loft: SurfaceLoft
  side: 1 | -1
  /** Along the span, mm. */
  from: number
  to: number
  /** Where what it covers changes suddenly, a little before and after. */
  breaks: readonly number[]
  /** Where it ends at s: at the trailing edge, or before a control; x in the surface's plane. */
  endsAt(s: number): number
}

/** Length of an outline before x = `to`, and the middle of it, mm. */
function before(outline: Float64Array, to: number): { length: number; x: number; n: number } {
  const count = outline.length / 2
  let length = 0,
    x = 0,
    n = 0
  for (let i = 0; i < count; i++) {
    const j = (i + 1) % count
    let [x0, n0, x1, n1] = [outline[2 * i], outline[2 * i + 1], outline[2 * j], outline[2 * j + 1]]
    if (x0 >= to && x1 >= to) continue
    if (x0 > to !== x1 > to) {
      const t = (to - x0) / (x1 - x0),
        cross = n0 + (n1 - n0) * t
      if (x0 > to) [x0, n0] = [to, cross]
      else [x1, n1] = [to, cross]
    }
    const part = Math.hypot(x1 - x0, n1 - n0)
    length += part
    x += (part * (x0 + x1)) / 2
    n += (part * (n0 + n1)) / 2
  }
  return length > 0 ? { length, x: x / length, n: n / length } : { length: 0, x: to, n: 0 }
}

interface Strip {
  area: number
  x: number
  n: number
  s: number
}

/** What lies ahead of the controls' gaps is covered; controls are printed whole. */
const stripsOf = memoise(
  (loft: SurfaceLoft, from: number, to: number, controls: Parameters<typeof hingedControls>[1]): Strip[] => {
    const hinged = hingedControls(loft, controls)
    const ends = hinged.flatMap(item => [item.from, item.to])
    const edges = stepped(
      [from, ...placesWithin([...loft.stations.map(station => station.s), ...ends], from, to), to],
      STRIP,
    )
    return edges.slice(1).map((next, i) => {
      const s = (edges[i] + next) / 2
      const { length, x, n } = before(outlineAt(loft, s), filmEnd(hinged, s))
      return { area: mm2ToM2(length * (next - edges[i])), x, n, s }
    })
  },
  64,
)

interface Run {
  zone: Zone
  loft: SurfaceLoft
  side: 1 | -1
  from: number
  to: number
  name: string
  stretch: string
}

/** Ribs that follow one another in one zone; the film of the next zone begins where that of the last one ends. */
function runsOf({ pieces, surfaces }: Designed): Run[] {
  const runs: Run[] = []
  const lastOf = new Map<string, Run>()
  for (const piece of pieces) {
    if (piece.ribOf === null) continue
    const last = lastOf.get(piece.ribOf)
    if (last?.zone.id === piece.zone.id) {
      last.to = piece.to
      continue
    }
    const run: Run = {
      zone: piece.zone,
      loft: surfaces[piece.part as SurfaceLoft['name']]!,
      side: piece.side === 'port' ? -1 : 1,
      from: last?.to ?? piece.from,
      to: piece.to,
      name: piece.name.replace(/, rib \d+/, ''),
      stretch: piece.ribOf,
    }
    runs.push(run)
    lastOf.set(piece.ribOf, run)
  }
  return runs
}

/** What is covered, side by side, from the root outward. */
export const coveredStretches = (airframe: Designed): Covered[] =>
  runsOf(airframe).map(({ stretch, zone, loft, side, from, to, name }) => {
    const { doc, coveringOf } = airframe
    const controls = controlsOf(doc, loft.name)
    const hinged = hingedControls(loft, controls)
    const strips = stripsOf(loft, from, to, controls).map(({ area, x, n, s }) => {
      const [px, py, pz] = placePoint(loft, x, n, s, side).map(mmToM)
      return { area, x: px, y: py, z: pz }
    })
    return {
      stretch,
      zone: zone.id,
      name: `${name}, ${zone.name}`,
      film: coveringOf(zone)!.film,
      area: strips.reduce((sum, strip) => sum + strip.area, 0),
      strips,
      loft,
      side,
      from,
      to,
      breaks: hinged.flatMap(item => [item.from, item.to].flatMap(at => [at - 0.05, at + 0.05])),
      endsAt: s => filmEnd(hinged, s),
    }
  })

/** Points of an outline that are left out of a ring, but one in so many. */
const EVERY = 3

/** Closed sections of the film in aircraft axes, mm, from its foot to its head: enough to draw it. */
export function filmRings({ loft, side, from, to, breaks, endsAt }: Covered): number[][] {
  const places = placesWithin([...loft.stations.map(station => station.s), ...breaks], from, to)
  return [from, ...places, to].map(s => {
    const outline = outlineAt(loft, s),
      last = endsAt(s)
    const ring: number[] = []
    for (let i = 0; i < outline.length; i += 2 * EVERY)
      ring.push(...placePoint(loft, Math.min(last, outline[i]), outline[i + 1], s, side))
    return ring
  })
}
