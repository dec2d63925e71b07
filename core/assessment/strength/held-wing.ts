/**
 * A wing under every load case: what holds it at each station, and how it bends and twists as a whole. Known again
 * for as long as nothing that acts on it changes: a mass that is moved in the body does not. SI inside.
 */
import type { Zone } from '../../document'
import { memoise, steadied } from '../../memo'
import {
  decide,
  PLENTY,
  stationModes,
  stiffnessUnder,
  type Flap,
  type Modes,
  type SpanPoint,
  type StationBuild,
  type StationLoad,
  type StationSection,
  type StationStrength,
  type StrengthMode,
} from '../../structure'
import { mmToM } from '../../units'
import type { SolvedFlight } from '../flight'
import type { CaseReport, StrengthFigures, TwistReport } from '../report'
import { twistOf, type SpanStiffness } from './half-wing-twist'
import { tipCase } from './tip-strike'
import type { WingBearing, WingSurface } from './wing-bearing'
import type { WingCase } from './wing-cases'
import { loadAt, type Flying, type WingLoads } from './wing-loads'

export interface HeldWing {
  /** Modes by case and station. */
  byCase: readonly Modes[][]
  rows: readonly StationStrength[]
  buckling: StrengthFigures['buckling']
  EI: readonly SpanPoint[]
  GJ: readonly SpanPoint[]
  /** Modes by station under any other load. */
  under(load: (i: number) => StationLoad): Modes[]
  /** As `tipCase`, on this wing. */
  tip(spanM: number, dropMm: number, rollInertia: number, mass: number, bending: number): CaseReport
  /** How it twists, with what tests have measured of its stiffness put in. */
  twist(
    flight: SolvedFlight,
    spanM: number,
    density: number,
    bending: number,
    twist: number,
    ailerons: Flap | null,
  ): TwistReport
}

/** Level flight: divergence and flutter begin from it. */
const LEVEL: Flying = { lift: 1, weight: 1, pressure: 0, forward: 0 }

export function createHeldWing(): (
  bearing: WingBearing,
  along: WingLoads,
  cases: readonly WingCase[],
  safetyFactor: number,
) => HeldWing {
  const sameBuilds = steadied<readonly StationBuild[]>(),
    sameZones = steadied<readonly Zone[]>(),
    sameLoads = steadied<WingLoads>(),
    sameCases = steadied<readonly WingCase[]>()
  const held = memoise(heldWing, 4)
  return ({ loft, sections, builds, zones }, along, cases, safetyFactor) =>
    held(
      loft.name as WingSurface,
      sections,
      sameBuilds(builds),
      sameZones(zones),
      sameLoads(along),
      sameCases(cases),
      safetyFactor,
    )
}

function heldWing(
  surface: WingSurface,
  sections: readonly StationSection[],
  builds: readonly StationBuild[],
  zones: readonly Zone[],
  along: WingLoads,
  cases: readonly WingCase[],
  safetyFactor: number,
): HeldWing {
  const { places } = along
  // The moment along the span is drawn under the greatest load factor.
  const most = cases.reduce((a, b) => (b.flying.lift > a.flying.lift ? b : a)).flying
  const under: HeldWing['under'] = load =>
    sections.map((section, i) => stationModes(section, builds[i], zones[i].recipe, load(i), safetyFactor))
  const acts = (load: Flying) => (i: number) => loadAt(along, i, load, builds[i].shear.centre.x)
  const byCase = cases.map(item => under(acts(item.flying)))
  const rows = sections.map((section, i): StationStrength => {
    const { shear, moment, torque } = acts(most)(i)
    const found = byCase.map(modes => decide(modes[i])),
      least = found.reduce((best, row, k) => (row.reserve < found[best].reserve ? k : best), 0)
    return {
      s: section.s,
      shear,
      moment,
      torque,
      EI: builds[i].shear.bending.EIx,
      GJ: builds[i].shear.GJ,
      ...found[least],
      case: cases[least].label,
      modes: leastOf(byCase.map(modes => modes[i])),
    }
  })
  const stiffness = sections.map((section, i): SpanStiffness => ({
    s: places[i],
    EI: builds[i].shear.bending.EIx,
    GJ: builds[i].shear.GJ,
    centre: builds[i].shear.centre.x,
    quarter: mmToM(section.quarter.x),
    chord: section.chord,
  }))
  // Skin that has buckled is softer: the load in question decides by how much. The factor of safety is left out.
  const softer = (load: Flying) =>
    stiffness.map((station, i) => {
      const left = stiffnessUnder(sections[i], builds[i], acts(load)(i))
      return { ...station, EI: station.EI * left.bending, GJ: station.GJ * left.torsion }
    })
  const pull = flyingIn(cases, 'pull'),
    dive = flyingIn(cases, 'dive')
  const pulled = softer(pull),
    bent = most === pull ? pulled : softer(most),
    level = softer(LEVEL)
  const EI = places.map((s, i) => ({ s, value: builds[i].shear.bending.EIx }))
  const sameFlap = steadied<Flap | null>()
  const twist = memoise(
    (
      flight: SolvedFlight,
      span: number,
      density: number,
      bending: number,
      turning: number,
      flap: Flap | null,
    ) =>
      twistOf(
        surface,
        level,
        { pulled, most: bent },
        along,
        flight,
        span,
        density,
        { bending, twist: turning },
        { pull, most, dive },
        flap,
      ),
  )
  return {
    byCase,
    rows,
    buckling: bucklingOf(rows, stiffness, bent),
    EI,
    GJ: places.map((s, i) => ({ s, value: builds[i].shear.GJ })),
    under,
    tip: memoise((spanM, dropMm, rollInertia, mass, bending) =>
      tipCase({ spanM, dropMm, rollInertia, mass, bending }, EI, under, sections),
    ),
    twist: (flight, span, density, bending, turning, flap) =>
      twist(flight, span, density, bending, turning, sameFlap(flap)),
  }
}

/**
 * Where the skin first shows buckles, as a multiple of the greatest loads, and what that costs of stiffness under
 * them.
 */
function bucklingOf(
  rows: readonly StationStrength[],
  stiff: readonly SpanStiffness[],
  soft: readonly SpanStiffness[],
): StrengthFigures['buckling'] {
  const first = rows.reduce((a, b) =>
    (b.modes['skin buckling'] ?? PLENTY) < (a.modes['skin buckling'] ?? PLENTY) ? b : a,
  )
  const left = (pick: (station: SpanStiffness) => number) =>
    Math.min(1, ...soft.map((station, i) => pick(station) / Math.max(1e-12, pick(stiff[i]))))
  return {
    reserve: first.modes['skin buckling'] ?? PLENTY,
    atMm: first.s,
    bendingLeft: left(station => station.EI),
    torsionLeft: left(station => station.GJ),
  }
}

/** Of a corner that every envelope has. */
const flyingIn = (cases: readonly WingCase[], id: 'pull' | 'dive') =>
  cases.find(item => item.id === id)!.flying

function leastOf(rows: readonly Modes[]): Modes {
  const least: Modes = {}
  for (const modes of rows)
    for (const [mode, reserve] of Object.entries(modes) as Array<[StrengthMode, number]>)
      least[mode] = Math.min(least[mode] ?? PLENTY, reserve)
  return least
}
