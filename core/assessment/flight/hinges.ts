/**
 * Hinges, rods and servos at top speed, and starting rates from what the aircraft does with full throw. SI
 * inside.
 */
import { hingeCoefficients, servoAngle, servoTorque, stripCirculations, circulationOf } from '../../aero'
import { surfaceOf, type Control, type SurfaceName } from '../../document'
import { planAt, throwMm, type SurfaceLoft } from '../../geometry'
import { degToRad, radToDeg, q, say, type Words } from '../../units'
import { airOf, type SolvedFlight } from './solved-lift'
import { controlId } from './airframe-lattice'
import type { Designed } from '../resolve'
import type { ControlReport } from '../report'

/**
 * A servo that is asked for more than this share of its torque slows down, warms up and drains the battery.
 */
export const SERVO_SHARE = 0.6

export function controlReports(
  airframe: Designed,
  flight: SolvedFlight,
  cruiseAlpha: number,
): ControlReport[] {
  return (Object.values(airframe.surfaces) as SurfaceLoft[]).flatMap(loft =>
    surfaceOf(airframe.doc, loft.name)!.controls.map((control, index) =>
      reportOf(airframe, flight, loft, control, index, cruiseAlpha),
    ),
  )
}

function reportOf(
  airframe: Designed,
  flight: SolvedFlight,
  loft: SurfaceLoft,
  control: Control,
  index: number,
  alpha: number,
): ControlReport {
  const atMm = control.fromShare * loft.span
  const hingeChordMm = planAt(loft, atMm).chord * control.chordShare
  const servo = control.linkage?.servo
    ? airframe.doc.equipment.find(item => item.id === control.linkage!.servo)
    : undefined
  const greatest = degToRad(Math.max(control.throwUpDeg, control.throwDownDeg))
  // A pair of servos takes a half each; one servo in the middle moves both.
  const sides = loft.mirror && !servo?.pair ? 2 : 1
  const hinge = sides * hingeMoment(airframe, flight, loft.name, control, index, alpha, greatest)
  const rod = control.linkage ? { arm: control.linkage.armMm, horn: control.linkage.hornMm } : null
  const angle = rod ? servoAngle(rod, greatest) : null
  // The torque is greatest at full throw: the moment grows faster than the rod's leverage falls.
  const needs = rod ? servoTorque(rod, hinge, greatest) : null
  const has = servo?.servo ?? null
  const angleDeg = angle === null ? null : radToDeg(angle),
    needsNcm = needs === null ? null : 100 * needs
  const trouble = (): Words => {
    if (!rod) return 'no rod set: give it an arm and a horn'
    if (angleDeg === null)
      return say`an arm of ${q(rod.arm, 'mm')} cannot turn a horn of ${q(rod.horn, 'mm')} that far: a longer arm or a shorter horn`
    if (!has) return 'no servo named with its torque'
    if (angleDeg > has.travelDeg)
      return say`the servo would turn ${q(angleDeg, '°', 0)}; it has ${q(has.travelDeg, '°')}: a longer arm or a shorter horn`
    if (needsNcm! > SERVO_SHARE * has.torqueNcm)
      return say`at ${q(airframe.doc.brief.topSpeedMs, 'm/s')} it asks for ${q((100 * needsNcm!) / has.torqueNcm, '%', 0)} of the servo's torque (over ${q(100 * SERVO_SHARE, '%')}): a longer horn, less throw, or a stronger servo`
    return ''
  }
  return {
    id: controlId(loft.name, index),
    name: control.name,
    surface: loft.name,
    index,
    kind: control.kind,
    hingeChordMm,
    atMm,
    upMm: throwMm(hingeChordMm, control.throwUpDeg),
    downMm: throwMm(hingeChordMm, control.throwDownDeg),
    upDeg: control.throwUpDeg,
    downDeg: control.throwDownDeg,
    hingeNcm: 100 * hinge,
    servoName: servo?.name ?? null,
    servoAngleDeg: angleDeg,
    servoNeedsNcm: needsNcm,
    servoHasNcm: has?.torqueNcm ?? null,
    servoTravelDeg: has?.travelDeg ?? null,
    trouble: trouble(),
  }
}

/** One side's moment about the hinge at top speed, N·m: strip by strip from local lift and deflection. */
function hingeMoment(
  airframe: Designed,
  flight: SolvedFlight,
  surface: SurfaceName,
  control: Control,
  index: number,
  alpha: number,
  deflection: number,
): number {
  const { density } = airOf(airframe.doc)
  const pressure = (density * airframe.doc.brief.topSpeedMs ** 2) / 2
  const { flows } = flight.lift
  const { panels } = flows.lattice
  const id = controlId(surface, index)
  const weights = panels.controls.get(id)
  if (!weights) return 0
  const gamma = stripCirculations(
    panels,
    circulationOf(flows, { wind: [1, 0, alpha], spin: [0, 0, 0] }),
  ).starboard
  if (control.chordShare > 0.999)
    return pivotMoment(airframe, surface, id, flight, gamma, pressure, deflection)
  const { perAlpha, perDeflection } = hingeCoefficients(control.chordShare)
  const span = airframe.surfaces[surface]!.span / 1000
  return panels.strips.reduce((sum, strip, k) => {
    if (strip.surface !== surface) return sum
    const covered = Math.max(
      0,
      Math.min(strip.span + strip.width / 2, control.toShare * span) -
        Math.max(strip.span - strip.width / 2, control.fromShare * span),
    )
    const incidence = (2 * gamma[k]) / strip.chord / (2 * Math.PI)
    return (
      sum +
      pressure *
        Math.abs(perAlpha * Math.abs(incidence) + perDeflection * deflection) *
        (control.chordShare * strip.chord) ** 2 *
        covered
    )
  }, 0)
}

/**
 * A pivot is never quite at the aerodynamic centre: this much of the chord at least is counted between them.
 */
const PIVOT_OFF = 0.05

/**
 * An all-moving surface turns about its spar in one piece, or the quarter chord without one; its lift acts at
 * the quarter.
 */
function pivotMoment(
  airframe: Designed,
  surface: SurfaceName,
  id: string,
  flight: SolvedFlight,
  gamma: Float64Array,
  pressure: number,
  deflection: number,
): number {
  const { flows } = flight.lift
  const turned = flows.control(id, 'together')
  if (!turned) return 0
  const own = stripCirculations(flows.lattice.panels, turned).starboard
  const pivot = airframe.doc.spars.find(spar => spar.surface === surface && spar.through)?.rootShare ?? 0.25
  const arm = Math.max(PIVOT_OFF, Math.abs(pivot - 0.25))
  return flows.lattice.panels.strips.reduce(
    (sum, strip, k) =>
      strip.surface !== surface
        ? sum
        : sum +
          pressure *
            2 *
            (Math.abs(gamma[k]) + Math.abs(own[k] * deflection)) *
            arm *
            strip.chord *
            strip.width,
    0,
  )
}

/**
 * A fin in the middle turns as one; twin fins are mirror images, so both to starboard is one against the
 * other.
 */
export const finSense = (airframe: Designed): 'together' | 'opposed' =>
  airframe.surfaces.vertical?.mirror ? 'opposed' : 'together'

/** Exponential e of y = (1 − e)·x + e·x³ under which a quarter of the stick does `share` of full. */
export function expoFor(share: number): number {
  const e = (0.25 - share) / (0.25 - 0.25 ** 3)
  return Math.round(20 * Math.min(0.7, Math.max(0, e))) / 20
}
