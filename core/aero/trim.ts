/** Steady flight: the incidence and the control that make lift what it must be and pitching moment nil. */
import {
  coefficientsAt,
  controlEffect,
  type Coefficients,
  type Deflection,
  type MomentPoint,
  type Reference,
} from './derivatives'
import type { SolvedFlows } from './flows'

export interface Trim {
  /** Incidence of the aircraft's x axis and deflection, rad. */
  alpha: number
  deflection: number
  at: Coefficients
  /** Whether the iteration came to rest. */
  found: boolean
}

/**
 * Newton's method on incidence and one symmetric control. `bodyMoment` is the body's Cm per radian. With no
 * control, incidence alone makes the lift, and the moment that is left stands in `at.Cm`. Small angles;
 * beyond the stall the figures mean nothing, which callers check.
 */
export function trimAt(
  flows: SolvedFlows,
  lift: number,
  control: string | null,
  point: MomentPoint,
  reference: Reference,
  bodyMoment: number,
  fixed: readonly Deflection[] = [],
): Trim {
  let alpha = 0,
    deflection = 0
  let at = coefficientsAt(flows, 0, fixed, point, reference)
  const h = 1e-3
  for (let round = 0; round < 8; round++) {
    const deflections: Deflection[] = control
      ? [...fixed, { id: control, sense: 'together', angle: deflection }]
      : [...fixed]
    at = coefficientsAt(flows, alpha, deflections, point, reference)
    at = { ...at, Cm: at.Cm + bodyMoment * alpha }
    const next = coefficientsAt(flows, alpha + h, deflections, point, reference)
    const liftSlope = (next.CL - at.CL) / h,
      momentSlope = (next.Cm + bodyMoment * (alpha + h) - at.Cm) / h
    const missing = lift - at.CL
    if (!control) {
      if (Math.abs(missing) < 1e-9) return { alpha, deflection: 0, at, found: true }
      alpha += missing / liftSlope
      continue
    }
    if (Math.abs(missing) + Math.abs(at.Cm) < 1e-9) return { alpha, deflection, at, found: true }
    const effect = controlEffect(flows, alpha, { id: control, sense: 'together' }, point, reference)
    const determinant = liftSlope * effect.Cm - momentSlope * effect.CL
    if (Math.abs(determinant) < 1e-9) break
    alpha += (missing * effect.Cm + at.Cm * effect.CL) / determinant
    deflection += (-at.Cm * liftSlope - momentSlope * missing) / determinant
    alpha = Math.max(-0.6, Math.min(0.6, alpha))
    deflection = Math.max(-1.2, Math.min(1.2, deflection))
  }
  return { alpha, deflection, at, found: !control }
}
