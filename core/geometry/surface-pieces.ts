/**
 * A wing, tailplane or fin cut into printed pieces: fixed parts with bores, bays and joints, and the moving
 * parts. mm
 */
import type { Cut, Equipment } from '../document'
import { BAY_CLEARANCE, bayFeature, boreFeatures, RUN_COVER, runFeatures, webFeatures } from './bores'
import {
  controlOutline,
  gapFeatures,
  hingedControl,
  slotFeatures,
  type CutControl,
  type HingedControl,
} from './control-surface'
import { sectionAt, type Feature } from './feature'
import { surfaceJoint, type JointPlan } from './joints'
import { placesWithin, stepped } from './places-along'
import { featureBreaks, type PieceShape } from './piece'
import { pieceNumber, usableCuts, widestZone, zonesBetween } from './pieces'
import type { SparLine } from './spar-line'
import { outlineAt, placePoint, toSurface, type SurfaceLoft } from './surface-loft'

/** The moving part's skin bends a little along the span; this keeps its facets within 0.02 mm of it. */
const MOVING_STEP = 30
/** Where a servo's lead leaves for the root: this share of the chord ahead of its bay's rear end. */
const RUN_BEHIND_NOSE = 0.18

/** What of a part in a surface decides its pocket. */
export type Pocketed = Pick<Equipment, 'name' | 'xMm' | 'yMm' | 'zMm' | 'sizeMm' | 'pocket'>

export interface SurfaceParts {
  loft: SurfaceLoft
  cuts: readonly Cut[]
  lines: readonly SparLine[]
  controls: readonly CutControl[]
  /** Equipment with a pocket in this surface. */
  pockets: readonly Pocketed[]
  /** Tallest bed, mm: moving parts longer than it are divided evenly. */
  bedHeight: number
}

/** Skin left over a bay, mm: less, and the bay is not cut. */
const BAY_ROOF = 0.8

/**
 * `missing`: the bay would break out through the upper skin and is not cut; `outside`: it lies beyond the
 * surface. mm
 */
export interface BayReport {
  name: string
  s: number
  x0: number
  x1: number
  top: number
  room: number
  wanted: number
  missing: boolean
  outside: boolean
  leastRun: number | null
  runWanted: number
  runMissing: boolean
}

/** Bays of servos and the runs of their leads, with what is left over them. */
export function bays({ loft, pockets }: Pick<SurfaceParts, 'loft' | 'pockets'>): {
  features: Feature[]
  reports: BayReport[]
} {
  const features: Feature[] = [],
    reports: BayReport[] = []
  for (const item of pockets) {
    const place = toSurface(loft, item.xMm, Math.abs(item.yMm), item.zMm)
    const [length, width, height] = item.sizeMm
    const { feature, room } = bayFeature(loft, {
      name: item.name,
      from: place.s - width / 2,
      to: place.s + width / 2,
      x: place.x,
      length,
      top: place.n + height / 2,
    })
    const half = width / 2 + BAY_CLEARANCE
    const outside = place.s + half < 0 || place.s - half > loft.span
    const missing = outside || room < BAY_ROOF
    if (!missing) features.push(feature)
    let leastRun: number | null = null,
      runMissing = false
    if (item.pocket!.cableMm > 0 && !missing) {
      const run = runFeatures(loft, {
        name: `${item.name}, lead`,
        to: place.s,
        share: RUN_BEHIND_NOSE,
        diameter: item.pocket!.cableMm,
      })
      leastRun = run.least
      runMissing = run.features.length === 0
      features.push(...run.features)
    }
    reports.push({
      name: item.name,
      s: place.s,
      x0: place.x - length / 2,
      x1: place.x + length / 2,
      top: place.n + height / 2,
      room,
      wanted: BAY_ROOF,
      missing,
      outside,
      leastRun,
      runWanted: item.pocket!.cableMm + 2 * RUN_COVER,
      runMissing,
    })
  }
  return { features, reports }
}

export const hingedControls = <C extends CutControl>(
  loft: SurfaceLoft,
  controls: readonly C[],
): HingedControl<C>[] => controls.map(control => hingedControl(loft, control)).filter(item => item !== null)

export function cutSurface(parts: SurfaceParts): PieceShape[] {
  const { loft, lines } = parts
  const cuts = usableCuts(parts.cuts, 0, loft.span)
  const hinged = hingedControls(loft, parts.controls)
  const features = [
    ...lines.flatMap(line => boreFeatures(loft, line)),
    ...webFeatures(lines),
    ...bays(parts).features,
    ...hinged.flatMap(item => gapFeatures(loft, item)),
  ]
  const joints = cuts.map(cut => surfaceJoint(loft, cut, features))
  const stations = loft.stations.map(station => station.s)
  const sides = loft.mirror ? (['starboard', 'port'] as const) : (['centre'] as const)
  const edges = [0, ...cuts.map(cut => cut.atMm), loft.span]
  const fixed = edges.slice(0, -1).flatMap((from, i) => {
    const to = edges[i + 1],
      number = pieceNumber(cuts, i)
    const foot: JointPlan | null = joints[i - 1] ?? null,
      head: JointPlan | null = joints[i] ?? null
    const own = [...features, ...(foot?.above ?? []), ...(head?.below ?? [])].filter(
      feature => feature.to > from + 1e-6 && feature.from < to - 1e-6,
    )
    const shared = {
      part: loft.name,
      kind: 'fixed' as const,
      from,
      to,
      proud: 0,
      zoneId: widestZone(from, to, stations, loft.zones),
      zonesInside: zonesBetween(from, to, stations, loft.zones),
      shapedBy: [],
      breaks: placesWithin([...stations, ...featureBreaks(own)], from, to),
      corners: [from, ...placesWithin(stations, from, to), to],
      skinHeights: skinHeights(loft, from, to),
      skinAt: (s: number) => outlineAt(loft, s),
      features: own,
      sectionAt: (s: number) => sectionAt(outlineAt(loft, s), own, s),
      joints: { foot: foot?.joint ?? null, head: head?.joint ?? null },
      hardwareG: head?.hardwareG ?? 0,
      missing: head?.missing ? [head.missing] : [],
      mesh: null,
    }
    return sides.map((side): PieceShape => ({
      ...shared,
      ...naming(loft, side, `${number}`, `${number}`, `${number}`),
      side,
      place: placed(loft, side),
    }))
  })
  return [...fixed, ...hinged.flatMap(item => movingPieces(parts, item, sides))]
}

/**
 * Between sections that are turned against each other or shaped differently the skin is not made of flat
 * facets: it is lofted in short steps there, so that triangles follow it. Elsewhere the stations do.
 */
const TWISTED_STEP = 18
function skinHeights(loft: SurfaceLoft, from: number, to: number): number[] {
  const { stations } = loft
  return [
    from,
    ...placesWithin(
      stations.flatMap((station, i) => {
        const next = stations[i + 1]
        if (!next) return [station.s]
        const bent = station.shape !== next.shape || Math.abs(station.twist - next.twist) > 1e-4
        return bent ? stepped([station.s, next.s], TWISTED_STEP).slice(0, -1) : [station.s]
      }),
      from,
      to,
    ),
    to,
  ]
}

const LETTERS: Record<SurfaceLoft['name'], string> = { wing: 'W', horizontal: 'T', vertical: 'F' }
const placed = (loft: SurfaceLoft, side: PieceShape['side']) => (x: number, n: number, s: number) =>
  placePoint(loft, x, n, s, side === 'port' ? -1 : 1)
function naming(loft: SurfaceLoft, side: PieceShape['side'], id: string, name: string, mark: string) {
  const tail = side === 'centre' ? ['', '', ''] : [`-${side}`, ` ${side}`, side === 'starboard' ? '·S' : '·P']
  return {
    id: `${loft.name}-${id}${tail[0]}`,
    name: `${loft.label} ${name}${tail[1]}`,
    mark: `${LETTERS[loft.name]}${mark}${tail[2]}`,
  }
}

/**
 * Pieces of one control surface, even in length and no taller than the tallest bed; no division runs through
 * a hinge.
 */
function movingPieces(
  { loft, bedHeight }: SurfaceParts,
  hinged: HingedControl,
  sides: ReadonlyArray<PieceShape['side']>,
): PieceShape[] {
  const { control, from: first, to: last } = hinged
  const count = Math.max(1, Math.ceil((last - first) / Math.max(20, bedHeight) - 1e-9))
  const edges = Array.from({ length: count + 1 }, (_, i) => first + ((last - first) * i) / count).map(
    (at, i) => (i === 0 || i === count ? at : clearOfHinges(at, hinged)),
  )
  const slots = slotFeatures(loft, hinged, 1)
  const stations = loft.stations.map(station => station.s)
  return edges.slice(0, -1).flatMap((from, i) => {
    const to = edges[i + 1]
    const own = slots.filter(feature => feature.to > from + 1e-6 && feature.from < to - 1e-6)
    const skinAt = (s: number) => controlOutline(loft, hinged, s)
    const inner = placesWithin(stations, from, to)
    const butt = { kind: 'butt' as const, toleranceMm: 0 }
    const shared = {
      part: loft.name,
      kind: 'moving' as const,
      from,
      to,
      proud: 0,
      zoneId: widestZone(from, to, stations, loft.zones),
      zonesInside: zonesBetween(from, to, stations, loft.zones),
      shapedBy: [],
      breaks: placesWithin([...inner, ...featureBreaks(own)], from, to),
      corners: [from, ...inner, to],
      skinHeights: stepped([from, ...inner, to], MOVING_STEP),
      skinAt,
      features: own,
      sectionAt: (s: number) => sectionAt(skinAt(s), own, s),
      joints: { foot: i > 0 ? butt : null, head: i < count - 1 ? butt : null },
      hardwareG: 0,
      missing: [],
      mesh: null,
    }
    const part = count > 1 ? `-${i + 1}` : '',
      words = `${control.name.toLowerCase()}${count > 1 ? ` ${i + 1}` : ''}`
    return sides.map((side): PieceShape => ({
      ...shared,
      ...naming(loft, side, `moving-${control.piece}${part}`, words, `M${control.piece}${part}`),
      side,
      place: placed(loft, side),
    }))
  })
}

/** Nearest place that keeps 12 mm from every hinge. */
export function clearOfHinges(at: number, { hinges }: Pick<HingedControl, 'hinges'>, room = 12): number {
  const free = (s: number) => hinges.every(hinge => Math.abs(hinge - s) >= room - 1e-9)
  for (let step = 0; step <= 60; step++) {
    for (const s of [at - step, at + step]) if (free(s)) return s
  }
  return at
}
