/** Starting rates and exponential from what the aircraft does with full throw. SI inside. */
import { surfaceOf, type Control, type SurfaceName } from '../../document'
import type { Derivatives } from '../../aero'
import { radToDeg, degToRad, GRAVITY, q, say, type Words } from '../../units'
import type { ControlRoles } from './airframe-lattice'
import { expoFor, finSense } from './hinges'
import type { SolvedFlight } from './solved-lift'
import type { HandlingReport, RateReport } from '../report'
import type { Designed } from '../resolve'

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
  airframe: Designed,
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
    what: (value: number) => Words,
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
        : say`full throw rolls it ${q(value, '°/s', 0)} at ${q(speedMs, 'm/s', 0)}`,
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
        say`full up would pull ${q(value + 1, 'gₙ', 1)} at ${q(speedMs, 'm/s', 0)}${value + 1 > clMax / cl ? say`: it stalls at ${q(clMax / cl, 'gₙ', 1)} first` : ''}`,
    )
  }
  const rudder = fullRudder(airframe, roles, derivatives)
  if (roles.yaw && rudder > 0 && derivatives.beta.Cn > 0) {
    const control = controlOf(roles.yaw)
    const slip = radToDeg(rudder / derivatives.beta.Cn)
    add(
      'yaw',
      roles.yaw,
      control.throwUpDeg,
      slip,
      '° of sideslip',
      WANTED.yaw.high,
      null,
      value => say`full rudder holds ${q(value, '°', 0)} of sideslip`,
    )
  }
  return reports
}

/** Yawing moment coefficient of full rudder; 0 without one. */
export function fullRudder(airframe: Designed, { yaw }: ControlRoles, derivatives: Derivatives): number {
  if (!yaw) return 0
  const sense = yaw.startsWith('vertical') ? finSense(airframe) : 'opposed'
  const effect = derivatives.controls.find(control => control.id === yaw && control.sense === sense)
  const [surface, index] = yaw.split(':')
  const control = surfaceOf(airframe.doc, surface as SurfaceName)!.controls[Number(index)]
  return effect ? Math.abs(effect.Cn) * degToRad(control.throwUpDeg) : 0
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
