/**
 * Hinges, rods and servos at top speed, and starting rates from what the aircraft does with full throw. SI
 * inside.
 */
import {
  hingeCoefficients,
  servoAngle,
  servoTorque,
  stripCirculations,
  circulationOf,
  type Derivatives,
} from '../aero'
import type { Control, SurfaceName } from '../document'
import { planAt, throwMm, type SurfaceLoft } from '../geometry'
import { degToRad, GRAVITY, radToDeg } from '../units'
import type { Airframe } from './airframe'
import { airOf, type SolvedFlight } from './flight-of'
import type { ControlReport, HandlingReport, RateReport } from './flight-types'
import { controlId, surfaceOf, type ControlRoles } from './lattice-of'

/**
 * A servo that is asked for more than this share of its torque slows down, warms up and drains the battery.
 */
export const SERVO_SHARE = 0.6

export function controlReports(
  airframe: Airframe,
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
  airframe: Airframe,
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
    trouble: !rod
      ? 'no rod set: give it an arm and a horn'
      : angleDeg === null
        ? `an arm of ${rod.arm} mm cannot turn a horn of ${rod.horn} mm that far: a longer arm or a shorter horn`
        : !has
          ? 'no servo named with its torque'
          : angleDeg > has.travelDeg
            ? `the servo would turn ${angleDeg.toFixed(0)}°; it has ${has.travelDeg}°: a longer arm or a shorter horn`
            : needsNcm! > SERVO_SHARE * has.torqueNcm
              ? `at ${airframe.doc.brief.topSpeedMs} m/s it asks for ${((100 * needsNcm!) / has.torqueNcm).toFixed(0)} % of the servo's torque (over ${100 * SERVO_SHARE} %): a longer horn, less throw, or a stronger servo`
              : '',
  }
}

/** One side's moment about the hinge at top speed, N·m: strip by strip from local lift and deflection. */
function hingeMoment(
  airframe: Airframe,
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
  airframe: Airframe,
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
 * What full low and full high rate should do at cruise, and a quarter of the stick at most: roll in °/s, pull
 * in g above one, sideslip in °.
 */
const WANTED = {
  roll: { low: 90, high: 200, quarter: 25 },
  pitch: { low: 0.8, high: 3, quarter: 0.25 },
  yaw: { low: 10, high: 20, quarter: 3 },
} as const
/** Full elevator on high rate stays under this share of the brief's load factor. */
const PULL_SHARE = 0.8

export function rateReports(
  airframe: Airframe,
  flight: SolvedFlight,
  roles: ControlRoles,
  derivatives: Derivatives,
  handling: HandlingReport,
  cl: number,
  clMax: number,
): RateReport[] {
  const { doc } = airframe
  const { speedMs } = handling
  const effect = (id: string, sense: 'together' | 'opposed') =>
    derivatives.controls.find(control => control.id === id && control.sense === sense)
  const controlOf = (id: string): Control =>
    surfaceOf(doc, id.split(':')[0] as SurfaceName)!.controls[Number(id.split(':')[1])]
  const reports: RateReport[] = []
  const add = (
    axis: RateReport['axis'],
    id: string,
    fullDeg: number,
    response: number,
    unit: string,
    high: number,
    timeS: number | null,
    what: (value: number) => string,
  ) => {
    if (!(response > 0) || !Number.isFinite(response)) return
    const highShare = Math.min(1, high / response),
      lowShare = Math.min(highShare, WANTED[axis].low / response)
    const expo = expoFor(WANTED[axis].quarter / (highShare * response))
    reports.push({
      axis,
      control: controlOf(id).name,
      response,
      unit,
      fullDeg,
      highShare,
      lowShare,
      expo,
      lowResponse: lowShare * response,
      highResponse: highShare * response,
      timeS,
      words: what(response),
    })
  }
  const roll = roles.roll ? effect(roles.roll, 'opposed') : undefined
  if (roles.roll && roll && derivatives.p.Cl < 0) {
    const control = controlOf(roles.roll)
    const full = (control.throwUpDeg + control.throwDownDeg) / 2
    const rate = radToDeg(
      ((-roll.Cl * degToRad(full)) / derivatives.p.Cl) * ((2 * speedMs) / flight.reference.span),
    )
    const mode = handling.modes.find(item => item.id === 'roll')!
    add('roll', roles.roll, full, rate, '°/s', WANTED.roll.high, mode.halfS / Math.LN2, value =>
      value < WANTED.roll.low
        ? 'slow in roll: more throw or wider ailerons'
        : `full throw rolls it ${value.toFixed(0)}°/s at ${speedMs.toFixed(0)} m/s`,
    )
  }
  const pitch = roles.pitch ? effect(roles.pitch, 'together') : undefined
  if (roles.pitch && pitch) {
    const control = controlOf(roles.pitch)
    const pull = pullOf(flight, derivatives, pitch, degToRad(control.throwUpDeg), cl, speedMs)
    const most = Math.min(WANTED.pitch.high, doc.brief.loadFactor * PULL_SHARE - 1, clMax / cl - 1)
    add(
      'pitch',
      roles.pitch,
      control.throwUpDeg,
      pull - 1,
      'g above 1',
      Math.max(WANTED.pitch.low, most),
      null,
      value =>
        `full up would pull ${(value + 1).toFixed(1)} g at ${speedMs.toFixed(0)} m/s${value + 1 > clMax / cl ? `: it stalls at ${(clMax / cl).toFixed(1)} g first` : ''}`,
    )
  }
  const yaw = roles.yaw
    ? effect(roles.yaw, roles.yaw.startsWith('vertical') ? finSense(airframe) : 'opposed')
    : undefined
  if (roles.yaw && yaw && derivatives.beta.Cn > 0) {
    const control = controlOf(roles.yaw)
    const slip = radToDeg((Math.abs(yaw.Cn) * degToRad(control.throwUpDeg)) / derivatives.beta.Cn)
    add(
      'yaw',
      roles.yaw,
      control.throwUpDeg,
      slip,
      '° of sideslip',
      WANTED.yaw.high,
      null,
      value => `full rudder holds ${value.toFixed(0)}° of sideslip`,
    )
  }
  return reports
}

/**
 * Steady pull-up with a step of elevator: lift and moment balance with pitch rate q = (n − 1)g/V. Solved for
 * n from
 * ΔCL = CL_α·Δα + CL_q·q̂ + CL_δ·δ = (n − 1)·CL and the same for Cm = 0.
 */
function pullOf(
  flight: SolvedFlight,
  d: Derivatives,
  control: { CL: number; Cm: number },
  angle: number,
  cl: number,
  speed: number,
): number {
  // q̂ = (n − 1)·g·c̄/2V² per (n − 1).
  const rate = (GRAVITY * flight.reference.chord) / (2 * speed ** 2)
  // Unknowns Δα and m = n − 1: CLα·Δα + (CLq·rate − CL)·m = CLδ·δ ; Cmα·Δα + Cmq·rate·m = Cmδ·δ, with δ
  // upward.
  const a = d.alpha.CL,
    b = d.q.CL * rate - cl,
    c = d.alpha.Cm,
    e = d.q.Cm * rate
  const right = [control.CL * angle, control.Cm * angle]
  const determinant = a * e - b * c
  return 1 + (a * right[1] - c * right[0]) / determinant
}

/**
 * A fin in the middle turns as one; twin fins are mirror images, so both to starboard is one against the
 * other.
 */
const finSense = (airframe: Airframe): 'together' | 'opposed' =>
  airframe.surfaces.vertical?.mirror ? 'opposed' : 'together'

/** Exponential e of y = (1 − e)·x + e·x³ under which a quarter of the stick does `share` of full. */
function expoFor(share: number): number {
  const e = (0.25 - share) / (0.25 - 0.25 ** 3)
  return Math.round(20 * Math.min(0.7, Math.max(0, e))) / 20
}
