/**
 * Tailplane, fin, V-tail and winglets themselves, hard over at the speed of manoeuvres: what holds them along their span. SI
 * inside.
 */
import { surfaceOf, type Control, type Zone } from '../../document'
import {
  ALL_MOVING,
  panelAt,
  planAt,
  usableCuts,
  zoneOr,
  type SparLine,
  type SurfaceLoft,
} from '../../geometry'
import { flapTheory } from '../../aero'
import { memoise } from '../../memo'
import {
  decide,
  MODE_GIVES,
  shearAndMoment,
  stationModes,
  stationSection,
  type Meeting,
  type Modes,
  type StationBuild,
  type StationLoad,
  type StationSection,
} from '../../structure'
import { mmToM, q, say } from '../../units'
import { airOf } from '../flight'
import type { PlaceReport } from '../report'
import type { Designed } from '../resolve'
import { TAIL_CL } from './body-cases'
import { createBuilds } from './station-builds'

export const TAILS = ['horizontal', 'vertical', 'winglet'] as const
export type TailName = (typeof TAILS)[number]

/** Evenly spaced stations; joints, breaks, spar and control ends are added. Further out nothing acts. */
const STATIONS = 8,
  OUTER_LIMIT = 0.9
/** Pieces of the load along the span. */
const STRIPS = 60
/** Where lift acts that a whole surface makes, share of the chord. */
const QUARTER = 0.25

/** Lift along one half of it, or all of a single one, N/m by m from its root, and where along the chord, m. */
export interface TailLift {
  along: ReadonlyArray<{ s: number; value: number }>
  turning: ReadonlyArray<{ s: number; value: number }>
  /** N */
  force: number
}

/**
 * Hard over, a surface lifts its greatest coefficient, spread as the mean of its chord and an ellipse (Schrenk, NACA TM
 * 948). A control's lift acts where thin-aerofoil theory has it, behind the quarter chord.
 */
export function tailLift(loft: SurfaceLoft, controls: readonly Control[], pressure: number): TailLift {
  const span = mmToM(loft.span),
    chordAt = (s: number) => mmToM(planAt(loft, Math.min(loft.span, 1000 * s)).chord)
  const places = Array.from({ length: STRIPS + 1 }, (_, i) => (span * i) / STRIPS)
  const area = places
    .slice(1)
    .reduce((sum, s, i) => sum + ((chordAt(places[i]) + chordAt(s)) / 2) * (s - places[i]), 0)
  const shape = places.map(s => {
    const ellipse = ((4 * area) / (Math.PI * span)) * Math.sqrt(Math.max(0, 1 - (s / span) ** 2))
    return { s, value: (chordAt(s) + ellipse) / 2 }
  })
  // Straight between places it holds a little less than the curve: what it must add up to is known.
  const drawn = shape
    .slice(1)
    .reduce((sum, { s, value }, i) => sum + ((shape[i].value + value) / 2) * (s - shape[i].s), 0)
  const force = pressure * TAIL_CL * area
  const along = shape.map(({ s, value }) => ({ s, value: (value * force) / drawn }))
  return {
    force,
    along,
    turning: along.map(({ s, value }) => {
      const { lead, chord } = planAt(loft, Math.min(loft.span, 1000 * s))
      return { s, value: -value * mmToM(lead + chord * pressedAt(controls)) }
    }),
  }
}

/** Share of the chord at which a surface lifts with its rearmost control hard over. */
function pressedAt(controls: readonly Control[]): number {
  const shares = controls.map(({ chordShare }) => chordShare).filter(share => share < ALL_MOVING)
  return Math.max(
    QUARTER,
    ...shares.map(share => {
      const { effectiveness, cmPerRad } = flapTheory(share)
      return QUARTER - cmPerRad / (2 * Math.PI * effectiveness)
    }),
  )
}

interface TailStation {
  section: StationSection
  zone: Zone
  build: StationBuild
  load: Omit<StationLoad, 'lag'>
}

/** Where a tail surface bears least. */
export interface TailHeld {
  loft: SurfaceLoft
  /** mm from the root. */
  atMm: number
  modes: Modes
  zone: Zone
  /** N, on one half of a mirrored surface. */
  force: number
  /** Factor of safety that the modes are held against. */
  safety: number
}

export function createTailSurfaces(): (airframe: Designed) => TailHeld[] {
  const buildOf = createBuilds()
  const sectionsOf = memoise(tailSections, 24)
  const liftOf = memoise(tailLift, 24)
  return airframe => {
    const { doc } = airframe
    const pressure = (airOf(doc).density * doc.brief.cruiseMs ** 2) / 2
    return TAILS.flatMap((name): TailHeld[] => {
      const loft = airframe.surfaces[name]
      if (!loft) return []
      const { controls } = surfaceOf(doc, name)!
      const sections = sectionsOf(
        loft,
        airframe.warm.lines(airframe.spars[name] ?? NO_LINES),
        doc.cuts[name],
        controls,
      )
      const lift = liftOf(loft, controls, pressure)
      const places = sections.map(section => mmToM(section.s))
      const acts = shearAndMoment(lift.along, [], places),
        turns = shearAndMoment(lift.turning, [], places)
      const pieces = airframe.pieces.filter(
        piece => piece.part === name && piece.kind === 'fixed' && piece.side !== 'port',
      )
      const stations = sections.map((section, i): TailStation => {
        const zone =
          pieces.find(piece => section.s >= piece.from && section.s <= piece.to)?.zone ??
          zoneOr(doc.zones, loft.zones[panelAt(loft, section.s).index])
        const build = buildOf(section, zone.recipe, airframe.warm.filamentOf(zone), airframe.coveringOf(zone))
        const { shear, moment } = acts[i]
        const torque = turns[i].shear + build.shear.centre.x * shear
        return { section, zone, build, load: { shear, moment, torque } }
      })
      const safety = doc.brief.safetyFactor
      return [{ ...weakest(stations, safety), loft, force: lift.force, safety }]
    })
  }
}

const NO_LINES: readonly SparLine[] = []

/** A tail lifts either way: both count. */
function weakest(
  stations: readonly TailStation[],
  safety: number,
): Pick<TailHeld, 'atMm' | 'modes' | 'zone'> {
  let least = Infinity,
    found: Pick<TailHeld, 'atMm' | 'modes' | 'zone'> | null = null
  for (const { section, zone, build, load } of stations)
    for (const way of [1, -1]) {
      const { shear, moment, torque } = load
      const modes = stationModes(
        section,
        build,
        zone.recipe,
        { shear: way * shear, moment: way * moment, torque: way * torque, lag: 0 },
        safety,
      )
      const { reserve } = decide(modes)
      if (found && reserve >= least) continue
      least = reserve
      found = { atMm: section.s, modes, zone }
    }
  return found!
}

/** Sections along it; where a control is, what lies before its hinge. */
function tailSections(
  loft: SurfaceLoft,
  lines: readonly SparLine[],
  cuts: Designed['doc']['cuts'][TailName],
  controls: readonly Control[],
): StationSection[] {
  const joints = usableCuts(cuts, 0, loft.span)
  const near = (at: number, s: number) => Math.abs(at - s) < 0.5
  const apart = lines.some(line => line.spar.through && line.spar.fixing === 'removable'),
    turns = controls.some(control => control.chordShare >= ALL_MOVING)
  const meeting = (s: number): Meeting => {
    if (s < 0.01) return apart ? 'apart' : turns ? 'none' : 'glued'
    const joint = joints.find(cut => near(cut.atMm, s))
    if (!joint) return 'none'
    return joint.joint.kind === 'plug' ? 'apart' : 'glued'
  }
  const rear = (s: number): number => {
    const share = s / loft.span
    const own = controls.filter(
      ({ fromShare, toShare, chordShare }) =>
        chordShare < ALL_MOVING && share >= fromShare - 1e-9 && share <= toShare + 1e-9,
    )
    if (own.length === 0) return Infinity
    const { lead, chord } = planAt(loft, s)
    return lead + chord * (1 - Math.max(...own.map(control => control.chordShare)))
  }
  const places = new Set(
    Array.from({ length: STATIONS }, (_, i) => (loft.span * OUTER_LIMIT * i) / (STATIONS - 1)),
  )
  for (const at of [
    ...joints.map(cut => cut.atMm),
    ...loft.ends.map(end => end.s),
    ...controls.flatMap(({ fromShare, toShare }) => [fromShare * loft.span, toShare * loft.span]),
    ...lines.flatMap(line => [line.to, line.to + 0.5, line.from, line.from - 0.5, line.from + 0.5]),
  ])
    if (at >= 0 && at <= loft.span * OUTER_LIMIT) places.add(at)
  return [...places].sort((a, b) => a - b).map(s => stationSection(loft, s, lines, meeting(s), rear(s)))
}

/** mm */
const AT_ROOT = 1
/** One place a surface. */
export const tailPlaces = (held: readonly TailHeld[]): PlaceReport[] =>
  held.map(({ loft, atMm, modes, zone, force, safety }): PlaceReport => {
    const { reserve, mode } = decide(modes),
      { lead, chord } = planAt(loft, atMm)
    return {
      id: `tail-${loft.name}`,
      part: loft.name as TailName,
      label: loft.label,
      xMm: lead + chord / 2,
      mode,
      gives: MODE_GIVES[mode],
      case: 'hard over at cruise',
      reserve: Math.min(1e4, reserve),
      words: say`${q(force, 'N', 1)} × ${safety} on ${loft.mirror ? 'each half' : 'it'}; gives ${atMm < AT_ROOT ? 'at its root' : say`${q(atMm, 'mm', 0)} from its root`}`,
      remedy: 'another bead in this zone, or a spar through it',
      subject: zone.id,
    }
  })
