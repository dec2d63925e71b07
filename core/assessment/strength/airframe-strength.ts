/**
 * What the airframe bears, everywhere and in every way. Sections are kept while shape, recipes, spars and
 * cuts stay.
 */
import { flapTheory } from '../../aero'
import type { MassEntry } from '../../mass'
import { sumMass } from '../../mass'
import {
  MODE_GIVES,
  decide,
  type Flap,
  PLENTY,
  sinkSpeed,
  stationModes,
  stiffnessUnder,
  tipStrike,
  type Modes,
  type SpanPoint,
  type StationSection,
  type StationStrength,
  type StrengthMode,
} from '../../structure'
import { GRAVITY, gToKg, mmToM, mToMm, q, say } from '../../units'
import { boltPlaces, seatPlaces } from './wing-hold'
import { bodyPlaces } from './body-beam'
import { bodyForces, contactLength } from './body-cases'
import { boomOf } from './tail-boom'
import { wingCases, type WingCase } from './wing-cases'
import { gearOf } from './landing-gear'
import { measuredStiffness, proofOf, type ProofGround } from './ground-proofs'
import { twistOf, type SpanStiffness } from './half-wing-twist'
import { createWingBearing } from './wing-bearing'
import { loadAt, wingLoads, type Flying } from './wing-loads'
import type { Designed } from '../resolve'
import { airOf, type Flown } from '../flight'
import type { LoadsReport, CaseReport, PlaceReport, StrengthFigures } from '../report'

export interface StrengthStage {
  (
    airframe: Designed,
    flown: Flown,
    entries: readonly MassEntry[],
    mass: number,
    loads: LoadsReport,
  ): StrengthFigures
}

/** `stations` evenly spaced along the half span. */
export function createStrength(stations?: number): StrengthStage {
  const bearing = createWingBearing(stations)
  return (airframe, flown, entries, mass, loads) => {
    const { wing, doc } = airframe
    const { sections, zones, zoneAt, builds, places } = bearing(airframe)
    const along = wingLoads(airframe, flown.solved, flown.wingModels, entries, mass, flown.alphaStall, places)
    const cg = sumMass(entries).x
    const gear = gearOf(airframe, mass, mToMm(cg))
    const cases = wingCases(airframe, loads, gear.report, mass, flown.stall.speedMs)
    // The moment along the span is drawn under the greatest load factor.
    const most = cases.reduce((a, b) => (b.flying.lift > a.flying.lift ? b : a)).flying
    const held = (load: (i: number) => ReturnType<typeof loadAt>) =>
      sections.map((section, i) =>
        stationModes(section, builds[i], zones[i].recipe, load(i), doc.brief.safetyFactor),
      )
    const byCase = cases.map(item => held(i => loadAt(along, i, item.flying, builds[i].shear.centre.x)))
    const stationRows = sections.map((section, i): StationStrength => {
      const { shear, moment, torque } = loadAt(along, i, most, builds[i].shear.centre.x)
      const found = byCase.map(rows => decide(rows[i])),
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
        modes: leastOf(byCase.map(rows => rows[i])),
      }
    })
    const EI: SpanPoint[] = places.map((s, i) => ({ s, value: builds[i].shear.bending.EIx })),
      GJ: SpanPoint[] = places.map((s, i) => ({ s, value: builds[i].shear.GJ }))
    const ground: ProofGround = {
      airframe,
      places,
      sections,
      builds,
      zoneAt,
      EI,
      GJ,
      flightMoment: places.map((_, i) => along.lift.moment[i] - along.weight.moment[i]),
      // Nothing at all falls on nothing: a gram at least.
      fall: (massG, heightMm) => gearOf(airframe, gToKg(Math.max(1, massG)), mToMm(cg), heightMm),
    }
    const proofs = doc.proofs.map(proof => proofOf(ground, proof))
    const measured = measuredStiffness(proofs)
    const stiffness = sections.map((section, i) => ({
      s: places[i],
      EI: EI[i].value,
      GJ: GJ[i].value,
      centre: builds[i].shear.centre.x,
      quarter: mmToM(section.quarter.x),
      chord: section.chord,
    }))
    // Skin that has buckled is softer: the load in question decides by how much. The factor of safety is left out.
    const softer = (load: Flying) =>
      stiffness.map((station, i) => {
        const left = stiffnessUnder(sections[i], builds[i], loadAt(along, i, load, builds[i].shear.centre.x))
        return { ...station, EI: station.EI * left.bending, GJ: station.GJ * left.torsion }
      })
    const pull = flyingIn(cases, 'pull')
    const pulled = softer(pull),
      bent = most === pull ? pulled : softer(most)
    const twist = twistOf(
      softer(LEVEL),
      { pulled, most: bent },
      along,
      flown.solved,
      mmToM(wing.span),
      airOf(doc).density,
      measured,
      {
        pull,
        most,
        dive: flyingIn(cases, 'dive'),
      },
      aileronsOf(airframe),
    )
    const n = loads.governing.n
    const boom = boomOf(airframe, flown.solved, entries, gear.report, n)
    const sides = wing.mirror ? 2 : 1
    const hold = {
      lift: sides * n * (along.lift.shear[0] - along.weight.shear[0]),
      x: -along.lift.turning[0] / Math.max(1e-9, along.lift.shear[0]),
      pressed: gear.report.on === 'net' ? 0 : sides * gear.report.factor * along.weight.shear[0],
    }
    const forces = {
      ...bodyForces(airframe, flown.solved, airframe.body ? contactLength(airframe.body, gear.report) : 0),
      n,
      least: Math.min(0, ...loads.corners.map(corner => corner.n)),
      factor: gear.report.on === 'net' ? 0 : gear.report.factor,
    }
    const others: PlaceReport[] = [
      ...boom.places,
      ...bodyPlaces(airframe, entries, cg, forces),
      ...boltPlaces(airframe, hold),
      ...seatPlaces(airframe, hold),
      ...gear.places,
    ]
    const tip = tipCase(
      airframe,
      flown.handling.inertia.rollKgM2,
      mass,
      EI,
      measured.bending,
      loadFor => held(loadFor),
      sections,
    )
    const caseRows: CaseReport[] = [...cases.map((item, k) => caseOf(item, byCase[k], sections, true)), tip]
    const weakest = stationRows.reduce((a, b) => (b.reserve < a.reserve ? b : a))
    const place = others.reduce<PlaceReport | null>((a, b) => (a && a.reserve <= b.reserve ? a : b), null)
    const wingFirst = !place || weakest.reserve <= place.reserve
    return {
      ...(wingFirst
        ? {
            reserve: weakest.reserve,
            mode: weakest.mode,
            gives: MODE_GIVES[weakest.mode],
            part: 'wing' as const,
            atMm: weakest.s,
            where: say`${q(weakest.s, 'mm', 0)} from the root`,
            case: weakest.case,
          }
        : {
            reserve: place.reserve,
            mode: place.mode,
            gives: place.gives,
            part: place.part,
            atMm: place.xMm,
            where: say`${place.label}, ${q(place.xMm, 'mm', 0)} aft of the nose`,
            case: place.case,
          }),
      wing: { reserve: weakest.reserve, mode: weakest.mode, atMm: weakest.s, case: weakest.case },
      temperatureC: airframe.warm.temperatureC,
      stations: stationRows,
      buckling: bucklingOf(stationRows, stiffness, bent),
      lift: along.along.map(({ s, value }) => ({ s: mToMm(s), perLength: n * value })),
      cases: caseRows,
      places: others.sort((a, b) => a.reserve - b.reserve),
      twist,
      boom: boom.report,
      gear: gear.report,
      proofs,
      measured,
    }
  }
}

/** The wing's first ailerons or elevons. */
function aileronsOf({ doc, wing }: Designed): Flap | null {
  const control = doc.wing.controls.find(item => item.kind === 'aileron' || item.kind === 'elevon')
  if (!control || control.toShare <= control.fromShare) return null
  const span = mmToM(wing.span)
  return {
    from: control.fromShare * span,
    to: control.toShare * span,
    ...flapTheory(control.chordShare),
  }
}

/** Level flight: divergence and flutter begin from it. */
const LEVEL: Flying = { lift: 1, weight: 1, pressure: 0, forward: 0 }

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

function caseOf(
  { id, label, words }: Pick<CaseReport, 'id' | 'label' | 'words'>,
  rows: readonly Modes[],
  sections: readonly StationSection[],
  counts: boolean,
): CaseReport {
  const found = rows.map(decide),
    least = found.reduce((best, row, i) => (row.reserve < found[best].reserve ? i : best), 0)
  return {
    id,
    label,
    words,
    reserve: found[least].reserve,
    mode: found[least].mode,
    atMm: sections[least].s,
    counts,
  }
}

/**
 * A wingtip that strikes first, at the sink speed of the brief's drop: how the wing fares, which no wing of
 * this kind is sized for.
 */
function tipCase(
  airframe: Designed,
  rollInertia: number,
  mass: number,
  EI: readonly SpanPoint[],
  bending: number,
  held: (load: (i: number) => { shear: number; moment: number; torque: number; lag: number }) => Modes[],
  sections: readonly StationSection[],
): CaseReport {
  const span = mmToM(airframe.wing.span),
    speed = sinkSpeed(mmToM(airframe.doc.brief.dropMm), GRAVITY)
  // Unit force at the tip: δ = ∫(L − s)²/EI ds.
  let give = 0
  for (let i = 1; i < EI.length; i++) {
    const a = EI[i - 1],
      b = EI[i],
      bend = (p: SpanPoint) => (span - p.s) ** 2 / Math.max(1e-6, p.value * bending)
    give += ((bend(a) + bend(b)) / 2) * (b.s - a.s)
  }
  const { force, tipMass } = tipStrike(
    speed,
    1 / Math.max(1e-12, give),
    mass,
    Math.max(1e-9, rollInertia),
    span,
  )
  const rows = held(i => ({ shear: force, moment: force * (span - mmToM(sections[i].s)), torque: 0, lag: 0 }))
  return caseOf(
    {
      id: 'tip',
      label: 'tip strikes first',
      words: say`${q(force, 'N', 0)} at the tip, ${q(1000 * tipMass, 'g', 0)} felt there, at ${q(speed, 'm/s', 2)}`,
    },
    rows,
    sections,
    false,
  )
}
