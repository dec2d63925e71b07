/**
 * A wing, tailplane or fin cut into printed pieces: fixed parts with bores, bays and joints, and the moving
 * parts. mm
 */
import type { Cut, Equipment } from '../document'
import { BAY_CLEARANCE, bayFeature, boreFeatures, RUN_COVER, runFeatures, webFeatures } from './bores'
import {
  controlOutline,
  END_GAP,
  gapFeatures,
  HINGE_SLOTS,
  hingedControl,
  slotFeatures,
  type CutControl,
  type HingedControl,
} from './control-surface'
import { sectionAt, type Feature } from './feature'
import { flatMeeting, surfaceJoint, type JointPlan } from './joints'
import { placesWithin, stepped } from './places-along'
import { featureBreaks, type PieceShape } from './piece'
import { ribHoles, ribPlaces, type RibMark, type RibShape } from './ribs'
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
  /** Zones that are built of ribs. */
  ribs: readonly RibShape[]
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
  /** What of the span it takes. */
  from: number
  to: number
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
      from: place.s - half,
      to: place.s + half,
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
  const pocketed = bays(parts)
  const bored = lines.flatMap(line => boreFeatures(loft, line)),
    others = [...pocketed.features, ...hinged.flatMap(item => gapFeatures(loft, item))]
  const features = [...bored, ...webFeatures(lines), ...others]
  const stations = loft.stations.map(station => station.s)
  const sides = loft.mirror ? (['starboard', 'port'] as const) : (['centre'] as const)
  const edges = [0, ...cuts.map(cut => cut.atMm), loft.span]
  const ribbed = edges.slice(0, -1).map((from, i) => {
    const zone = widestZone(from, edges[i + 1], stations, loft.zones)
    return parts.ribs.find(item => item.zone === zone)
  })
  const joints = cuts.map((cut, i) =>
    ribbed[i] || ribbed[i + 1] ? flatMeeting(cut) : surfaceJoint(loft, cut, features),
  )
  const marks = ribMarks(parts, hinged, pocketed.reports)
  const fixed = edges.slice(0, -1).flatMap((from, i) => {
    const to = edges[i + 1],
      number = pieceNumber(cuts, i)
    const foot: JointPlan | null = joints[i - 1] ?? null,
      head: JointPlan | null = joints[i] ?? null
    const ribs = ribbed[i]
    if (ribs)
      return ribPieces(loft, { from, to, number, foot, head }, ribs, [...bored, ...others], marks, sides)
    const own = [...features, ...(foot?.above ?? []), ...(head?.below ?? [])].filter(
      feature => feature.to > from + 1e-6 && feature.from < to - 1e-6,
    )
    const shared = {
      part: loft.name,
      kind: 'fixed' as const,
      ribOf: null,
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
 * Where something ends that a rib must hold, first what would be missed most: breaks of the plan, controls, bays, spars;
 * and a rib behind every hinge that is pushed into a slot.
 */
function ribMarks(
  { loft, lines }: Pick<SurfaceParts, 'loft' | 'lines'>,
  hinged: readonly HingedControl[],
  reports: readonly BayReport[],
): RibMark[] {
  const ended = (from: number, to: number): RibMark[] => [
    { at: from, side: -1 },
    { at: to, side: 1 },
  ]
  return [
    ...loft.ends.map((end): RibMark => ({ at: end.s, side: 0 })),
    ...hinged.flatMap(item => ended(item.from - END_GAP, item.to + END_GAP)),
    ...reports.filter(bay => !bay.missing).flatMap(bay => ended(bay.from, bay.to)),
    ...lines.flatMap((line): RibMark[] => [
      { at: line.from, side: 1 },
      { at: line.to, side: -1 },
    ]),
    ...hinged
      .filter(item => HINGE_SLOTS[item.control.hinge.kind])
      .flatMap(item => item.hinges.map((at): RibMark => ({ at, side: 0 }))),
  ]
}

/** The ribs of a stretch from one cut to the next: plates across the span, on their spars. */
function ribPieces(
  loft: SurfaceLoft,
  at: { from: number; to: number; number: number; foot: JointPlan | null; head: JointPlan | null },
  ribs: RibShape,
  features: readonly Feature[],
  marks: readonly RibMark[],
  sides: ReadonlyArray<PieceShape['side']>,
): PieceShape[] {
  const stations = loft.stations.map(station => station.s)
  const feet = ribPlaces(at.from, at.to, ribs, marks)
  return feet.flatMap((from, k) => {
    const to = Math.min(loft.span, from + ribs.thicknessMm)
    const cutOut = features.filter(feature => feature.to > from + 1e-6 && feature.from < to - 1e-6)
    const own = [...cutOut, ...ribHoles(loft, from, to, ribs, cutOut)]
    const shared = {
      part: loft.name,
      kind: 'fixed' as const,
      from,
      to,
      proud: 0,
      zoneId: ribs.zone,
      // Of the stretch, told once.
      zonesInside: k === 0 ? zonesBetween(at.from, at.to, stations, loft.zones) : [ribs.zone],
      shapedBy: [],
      breaks: placesWithin([...stations, ...featureBreaks(own)], from, to),
      corners: [from, to],
      skinHeights: skinHeights(loft, from, to),
      skinAt: (s: number) => outlineAt(loft, s),
      features: own,
      sectionAt: (s: number) => sectionAt(outlineAt(loft, s), own, s),
      joints: {
        foot: k === 0 ? (at.foot?.joint ?? null) : null,
        head: k === feet.length - 1 ? (at.head?.joint ?? null) : null,
      },
      hardwareG: 0,
      missing: k === feet.length - 1 && at.head?.missing ? [at.head.missing] : [],
      mesh: null,
    }
    return sides.map((side): PieceShape => ({
      ...shared,
      ...naming(
        loft,
        side,
        `${at.number}-rib-${k + 1}`,
        `${at.number}, rib ${k + 1}`,
        `${at.number}r${k + 1}`,
      ),
      ribOf: `${loft.name}-${at.number}${side === 'centre' ? '' : `-${side}`}`,
      side,
      place: placed(loft, side),
    }))
  })
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
      ribOf: null,
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
