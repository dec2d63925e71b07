/** The ribs of a surface between two cuts, as pieces. mm */
import { END_GAP, HINGE_SLOTS, type HingedControl } from './control-surface'
import { sectionAt, type Feature } from './feature'
import type { JointPlan } from './joints'
import { featureBreaks, type PieceShape } from './piece'
import { placesWithin } from './places-along'
import { ribHoles, ribPlaces, type RibMark, type RibShape } from './ribs'
import type { SparLine } from './spar-line'
import { outlineAt, type SurfaceLoft } from './surface-loft'
import { naming, placed, skinHeights, type Sides } from './surface-piece-kit'

/**
 * Where something ends that a rib must hold, first what would be missed most: breaks of the plan, controls, bays, spars;
 * and a rib behind every hinge that is pushed into a slot.
 */
export function ribMarks(
  loft: SurfaceLoft,
  lines: readonly SparLine[],
  hinged: readonly HingedControl[],
  bays: ReadonlyArray<{ from: number; to: number }>,
): RibMark[] {
  const ended = (from: number, to: number): RibMark[] => [
    { at: from, side: -1 },
    { at: to, side: 1 },
  ]
  return [
    ...loft.ends.map((end): RibMark => ({ at: end.s, side: 0 })),
    ...hinged.flatMap(item => ended(item.from - END_GAP, item.to + END_GAP)),
    ...bays.flatMap(bay => ended(bay.from, bay.to)),
    ...lines.flatMap((line): RibMark[] => [
      { at: line.from, side: 1 },
      { at: line.to, side: -1 },
    ]),
    ...hinged
      .filter(item => HINGE_SLOTS[item.control.hinge.kind])
      .flatMap(item => item.hinges.map((at): RibMark => ({ at, side: 0 }))),
  ]
}

/** One zone's part of what stands between two cuts: ribs, or a shell. */
interface Part {
  from: number
  to: number
  ribs: RibShape | null
}

/** What stands between two cuts, from the root outward: shells, and frames of ribs of one zone or of several. */
export type Stretch = { from: number; to: number } & (
  { frame: null } | { frame: ReadonlyArray<Part & { ribs: RibShape }> }
)

/** Zones shorter than this are part of what stands before them, mm. */
const SHORTEST = 1

/** Where ribs meet a shell they are two things, cut there or not. */
export function stretchesOf(
  loft: SurfaceLoft,
  ribs: readonly RibShape[],
  from: number,
  to: number,
): Stretch[] {
  const stations = loft.stations.map(station => station.s)
  const parts: Part[] = []
  loft.zones.forEach((zone, i) => {
    const a = Math.max(from, stations[i]),
      b = Math.min(to, stations[i + 1]),
      own = ribs.find(item => item.zone === zone) ?? null,
      last = parts.at(-1)
    if (b <= a) return
    if (last && (last.ribs === own || b - a < SHORTEST)) last.to = b
    else parts.push({ from: last?.to ?? from, to: b, ribs: own })
  })
  parts.at(-1)!.to = to
  return parts.reduce<Stretch[]>((all, part) => {
    const last = all.at(-1)
    const { ribs: own } = part
    if (own && last?.frame)
      all[all.length - 1] = { ...last, to: part.to, frame: [...last.frame, { ...part, ribs: own }] }
    else all.push({ from: part.from, to: part.to, frame: own && [{ ...part, ribs: own }] })
    return all
  }, [])
}

/** `name`: what the stretch is known by after its surface. */
export interface Framed {
  name: string
  frame: ReadonlyArray<Part & { ribs: RibShape }>
  foot: JointPlan | null
  head: JointPlan | null
}

/** The ribs of a frame: plates across the span, on their spars. */
export function ribPieces(
  loft: SurfaceLoft,
  { name, frame, foot, head }: Framed,
  features: readonly Feature[],
  marks: readonly RibMark[],
  sides: Sides,
): PieceShape[] {
  const stations = loft.stations.map(station => station.s)
  // The last rib of one zone is the first of the next.
  const all = frame.flatMap(({ from, to, ribs }, i) =>
    ribPlaces(from, to, ribs, marks).flatMap((at, k) => (i > 0 && k === 0 ? [] : [{ at, ribs }])),
  )
  return all.flatMap(({ at: from, ribs }, k) => {
    const to = Math.min(loft.span, from + ribs.thicknessMm)
    const cutOut = features.filter(feature => feature.to > from + 1e-6 && feature.from < to - 1e-6)
    const own = [...cutOut, ...ribHoles(loft, from, to, ribs, cutOut)]
    const last = k === all.length - 1
    const shared = {
      part: loft.name,
      kind: 'fixed' as const,
      from,
      to,
      proud: 0,
      zoneId: ribs.zone,
      zonesInside: [ribs.zone],
      shapedBy: [],
      breaks: placesWithin([...stations, ...featureBreaks(own)], from, to),
      corners: [from, to],
      skinHeights: skinHeights(loft, from, to),
      skinAt: (s: number) => outlineAt(loft, s),
      chordAt: () => null,
      features: own,
      sectionAt: (s: number) => sectionAt(outlineAt(loft, s), own, s),
      joints: { foot: k === 0 ? (foot?.joint ?? null) : null, head: last ? (head?.joint ?? null) : null },
      hardwareG: 0,
      missing: last && head?.missing ? [head.missing] : [],
      mesh: null,
    }
    return sides.map((side): PieceShape => ({
      ...shared,
      ...naming(loft, side, `${name}-rib-${k + 1}`, `${name}, rib ${k + 1}`, `${name}r${k + 1}`),
      ribOf: naming(loft, side, name, name, name).id,
      side,
      place: placed(loft, side),
    }))
  })
}
