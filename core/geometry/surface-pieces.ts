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
import { flatMeeting, surfaceJoint, type JointPlan } from './joints'
import { placesWithin, stepped } from './places-along'
import { featureBreaks, type PieceShape } from './piece'
import { ribMarks, ribPieces, stretchesOf, type Stretch } from './rib-pieces'
import type { RibShape } from './ribs'
import { pieceNumber, usableCuts, widestZone, zonesBetween } from './pieces'
import type { SparLine } from './spar-line'
import { chordFrameAt, outlineAt, toSurface, type SurfaceLoft } from './surface-loft'
import { naming, placed, skinHeights, type Sides } from './surface-piece-kit'

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
  /** Zones that are cut from sheet. */
  sheets: readonly SheetShape[]
}

/** What of a sheet shapes what is cut from it: whose it is. */
export interface SheetShape {
  sheetOf: string
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

/** What stands between two cuts, as it is named and joined. */
interface Laid {
  name: string
  stretch: Stretch
  foot: JointPlan | null
  head: JointPlan | null
}

/** Every stretch of a surface; where ribs meet a shell without a cut they are glued, face to face. */
function laidStretches(
  loft: SurfaceLoft,
  cuts: readonly Cut[],
  ribs: readonly RibShape[],
  isSheet: (from: number, to: number) => boolean,
  features: readonly Feature[],
): Laid[] {
  const edges = [0, ...cuts.map(cut => cut.atMm), loft.span]
  const between = edges.slice(0, -1).map((from, i) => stretchesOf(loft, ribs, from, edges[i + 1]))
  const meetFlat = (...two: Stretch[]) => two.some(({ from, to, frame }) => frame || isSheet(from, to))
  const joints = cuts.map((cut, i) =>
    meetFlat(between[i].at(-1)!, between[i + 1][0]) ? flatMeeting(cut) : surfaceJoint(loft, cut, features),
  )
  return between.flatMap((own, i) => {
    const number = pieceNumber(cuts, i)
    const glued = (at: number) =>
      flatMeeting({ atMm: at, piece: number, joint: { kind: 'butt', toleranceMm: 0 } })
    return own.map((stretch, k): Laid => ({
      name: k === 0 ? `${number}` : `${number}.${k + 1}`,
      stretch,
      foot: k > 0 ? glued(stretch.from) : (joints[i - 1] ?? null),
      head: k < own.length - 1 ? glued(stretch.to) : (joints[i] ?? null),
    }))
  })
}

export function cutSurface(parts: SurfaceParts): PieceShape[] {
  const { loft, lines } = parts
  const cuts = usableCuts(parts.cuts, 0, loft.span)
  const hinged = hingedControls(loft, parts.controls)
  const pocketed = bays(parts)
  const bored = lines.flatMap(line => boreFeatures(loft, line)),
    others = [...pocketed.features, ...hinged.flatMap(item => gapFeatures(loft, item))]
  const features = [...bored, ...webFeatures(lines), ...others]
  const stations = loft.stations.map(station => station.s)
  const sides: Sides = loft.mirror ? ['starboard', 'port'] : ['centre']
  const marks = ribMarks(
    loft,
    lines,
    hinged,
    pocketed.reports.filter(bay => !bay.missing),
  )
  const zoneOf = (from: number, to: number) => widestZone(from, to, stations, loft.zones)
  const fromSheet = (from: number, to: number) => parts.sheets.some(item => item.sheetOf === zoneOf(from, to))
  const laid = laidStretches(loft, cuts, parts.ribs, fromSheet, features)
  const fixed = laid.flatMap(({ name, stretch, foot, head }) => {
    const { from, to, frame } = stretch
    if (frame) return ribPieces(loft, { name, frame, foot, head }, [...bored, ...others], marks, sides)
    // Spars and leads lie between the sheets, or in a groove: no ring of plastic runs round them.
    const inside = fromSheet(from, to) ? others.filter(feature => !feature.inside) : features
    const own = [...inside, ...(foot?.above ?? []), ...(head?.below ?? [])].filter(
      feature => feature.to > from + 1e-6 && feature.from < to - 1e-6,
    )
    const shared = {
      part: loft.name,
      kind: 'fixed' as const,
      ribOf: null,
      from,
      to,
      proud: 0,
      zoneId: zoneOf(from, to),
      zonesInside: zonesBetween(from, to, stations, loft.zones),
      shapedBy: [],
      breaks: placesWithin([...stations, ...featureBreaks(own)], from, to),
      corners: [from, ...placesWithin(stations, from, to), to],
      skinHeights: skinHeights(loft, from, to),
      skinAt: (s: number) => outlineAt(loft, s),
      chordAt: (s: number) => chordFrameAt(loft, s),
      features: own,
      sectionAt: (s: number) => sectionAt(outlineAt(loft, s), own, s),
      joints: { foot: foot?.joint ?? null, head: head?.joint ?? null },
      hardwareG: head?.hardwareG ?? 0,
      missing: head?.missing ? [head.missing] : [],
      mesh: null,
    }
    return sides.map((side): PieceShape => ({
      ...shared,
      ...naming(loft, side, name, name, name),
      side,
      place: placed(loft, side),
    }))
  })
  return [...fixed, ...hinged.flatMap(item => movingPieces(parts, item, sides))]
}

/**
 * Pieces of one control surface, even in length and no taller than the tallest bed; no division runs through
 * a hinge.
 */
function movingPieces({ loft, bedHeight }: SurfaceParts, hinged: HingedControl, sides: Sides): PieceShape[] {
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
      chordAt: (s: number) => chordFrameAt(loft, s),
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
