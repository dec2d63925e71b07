/**
 * What the airframe bears, everywhere and in every way. Sections are kept while shape, recipes, spars and
 * cuts stay.
 */
import { flapTheory } from '../../aero'
import { controlsOf } from '../../document'
import { planAt } from '../../geometry'
import type { MassEntry } from '../../mass'
import { sumMass } from '../../mass'
import { MODE_GIVES, type Flap, type StationStrength } from '../../structure'
import { gToKg, mmToM, mToMm, q, say } from '../../units'
import { boltPlaces, seatPlaces } from './wing-hold'
import { bodyPlaces } from './body-beam'
import { bodyForces, contactLength } from './body-cases'
import { boomOf, borneBehind } from './tail-boom'
import { createTailSurfaces, tailPlaces } from './tail-surfaces'
import { wingCases } from './wing-cases'
import { gearOf } from './landing-gear'
import { measuredStiffness, proofOf, type ProofGround } from './ground-proofs'
import { memoise } from '../../memo'
import { caseOf } from './case-report'
import { braced, strutPlaces } from './bracing'
import { createHeldWing } from './held-wing'
import { createWingBearing, type WingBearing, type WingSurface } from './wing-bearing'
import { liftLoads, weightLoads, type WingLoads } from './wing-loads'
import { rootHeld, type Designed } from '../resolve'
import { airOf, type Flown } from '../flight'
import type { LoadsReport, CaseReport, PlaceReport, StrengthFigures, TwistReport } from '../report'

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
  const bearing = createWingBearing(stations),
    held = createHeldWing(),
    secondHeld = createHeldWing(),
    lifts = memoise(liftLoads, 8),
    tails = createTailSurfaces()
  return (airframe, flown, entries, mass, loads) => {
    const { wing, doc } = airframe
    const wingBears = bearing(airframe)
    const { sections, zoneAt, builds, places } = wingBears
    const loadsOn = ({ loft, places: own }: WingBearing): WingLoads => ({
      places: own,
      ...lifts(loft, flown.solved, flown.models[loft.name]!, mass, flown.alphaStall, own),
      ...weightLoads(airframe, loft, entries, own),
    })
    const secondLoft = airframe.surfaces.second,
      secondBears = secondLoft && bearing(airframe, 'second')
    const {
      along: [along, secondAlong],
      pulls,
    } = braced(
      airframe.struts,
      [wingBears, ...(secondBears ? [secondBears] : [])].map(bears => ({ bears, along: loadsOn(bears) })),
      w => w === 0 || rootHeld(secondLoft!, airframe.body, airframe.boom),
    )
    const cg = sumMass(entries).x
    const gear = gearOf(airframe, mass, mToMm(cg))
    const cases = wingCases(airframe, loads, gear.report, mass, flown.stall.speedMs)
    const wingHeld = held(wingBears, along, cases, doc.brief.safetyFactor)
    const { byCase, rows: stationRows, EI, GJ } = wingHeld
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
    const firstTwist = wingHeld.twist(
      flown.solved,
      mmToM(wing.span),
      airOf(doc).density,
      measured.bending,
      measured.twist,
      aileronsOf(airframe, 'wing'),
    )
    const second = secondBears && secondWing(secondBears)
    const twist = second && slower(second.twist, firstTwist) ? second.twist : firstTwist
    function secondWing(bears: WingBearing) {
      const against = wingCases(airframe, loads, gear.report, mass, flown.stall.speedMs, 'second')
      const { rows, twist: twisted } = secondHeld(bears, secondAlong, against, doc.brief.safetyFactor)
      return {
        places: [secondPlace(bears, rows, loads.governing.n * loadsOn(bears).lift.shear[0])],
        twist: twisted(
          flown.solved,
          mmToM(bears.loft.span),
          airOf(doc).density,
          1,
          1,
          aileronsOf(airframe, 'second'),
        ),
      }
    }
    const n = loads.governing.n
    const boom = boomOf(
      airframe,
      flown.solved,
      entries,
      gear.report,
      n,
      borneBehind(airframe, flown.solved, flown.alphaStall),
      mass,
    )
    const sides = wing.mirror ? 2 : 1
    const hold = {
      lift: sides * n * (along.lift.shear[0] - along.weight.shear[0]),
      moment: -sides * n * (along.lift.turning[0] - along.weight.turning[0]),
      pressed: gear.report.on === 'net' ? 0 : sides * gear.report.factor * along.weight.shear[0],
    }
    const forces = {
      ...bodyForces(
        airframe,
        flown.solved,
        airframe.body ? contactLength(airframe.body, gear.report) : 0,
        flown.alphaStall,
      ),
      n,
      least: Math.min(0, ...loads.corners.map(corner => corner.n)),
      factor: gear.report.on === 'net' ? 0 : gear.report.factor,
    }
    const others: PlaceReport[] = [
      ...boom.places,
      ...bodyPlaces(airframe, entries, cg, forces),
      ...boltPlaces(airframe, hold),
      ...seatPlaces(airframe, hold),
      ...tailPlaces(tails(airframe)),
      ...(second?.places ?? []),
      ...strutPlaces(airframe, pulls, cases),
      ...gear.places,
    ]
    const tip = wingHeld.tip(
      mmToM(wing.span),
      doc.brief.dropMm,
      flown.handling.inertia.rollKgM2,
      mass,
      measured.bending,
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
      buckling: wingHeld.buckling,
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

/** Must it be flown slower than the other? */
const slower = (one: TwistReport, other: TwistReport): boolean =>
  (one.cautionMs ?? Infinity) < (other.cautionMs ?? Infinity)

/** Where a second wing bears least. */
function secondPlace(
  { loft, zoneAt }: WingBearing,
  rows: readonly StationStrength[],
  force: number,
): PlaceReport {
  const least = rows.reduce((a, b) => (b.reserve < a.reserve ? b : a)),
    { lead, chord } = planAt(loft, least.s)
  return {
    id: 'second-wing',
    part: 'second',
    label: loft.label,
    xMm: lead + chord / 2,
    mode: least.mode,
    gives: MODE_GIVES[least.mode],
    case: least.case,
    reserve: Math.min(1e4, least.reserve),
    words: say`${q(force, 'N', 1)} on ${loft.mirror ? 'each half' : 'it'} in the pull-up; gives ${q(least.s, 'mm', 0)} from its root`,
    remedy: 'a larger spar, or another bead in this zone',
    subject: zoneAt(least.s).id,
  }
}

/** A wing's first ailerons or elevons. */
function aileronsOf({ doc, surfaces }: Designed, name: WingSurface): Flap | null {
  const control = controlsOf(doc, name).find(item => item.kind === 'aileron' || item.kind === 'elevon')
  if (!control || control.toShare <= control.fromShare) return null
  const span = mmToM(surfaces[name]!.span)
  return {
    from: control.fromShare * span,
    to: control.toShare * span,
    ...flapTheory(control.chordShare),
  }
}
