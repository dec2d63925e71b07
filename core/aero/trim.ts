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
  const deflections = (): Deflection[] =>
    control ? [...fixed, { id: control, sense: 'together', angle: deflection }] : [...fixed]
  const figures = (incidence: number): Coefficients => {
    const found = coefficientsAt(flows, incidence, deflections(), point, reference)
    return { ...found, Cm: found.Cm + bodyMoment * incidence }
  }
  const h = 1e-3
  let at = figures(alpha)
  for (let round = 0; round < 8; round++) {
    if (round > 0) at = figures(alpha)
    const missing = lift - at.CL
    if (Math.abs(missing) + (control ? Math.abs(at.Cm) : 0) < 1e-9)
      return { alpha, deflection, at, found: true }
    const next = figures(alpha + h)
    const liftSlope = (next.CL - at.CL) / h,
      momentSlope = (next.Cm - at.Cm) / h
    if (!control) {
      alpha += missing / liftSlope
      continue
    }
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
