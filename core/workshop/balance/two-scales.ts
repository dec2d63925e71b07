/** Mass and balance point from two scales under two supports: the moments of both readings. */
import type { Measured } from '../../document'

export interface ScaleReading {
  massG: number
  cgMm: number
  /** One standard deviation, mm: scales and where they touch. */ sigmaMm: number
}

/**
 * A kitchen scale's scatter (g) and how well a support's place is known (mm), one standard deviation each.
 */
export const SCALE_SIGMA_G = 1,
  PLACE_SIGMA_MM = 0.5

/** Level and at rest. Null when the readings weigh nothing or the supports coincide, with the reason. */
export function fromTwoScales({
  foreMm,
  foreG,
  aftMm,
  aftG,
}: NonNullable<Measured['scales']>): ScaleReading | { fault: string } {
  const massG = foreG + aftG
  if (massG <= 0) return { fault: 'both scales read nothing' }
  if (Math.abs(aftMm - foreMm) < 20)
    return { fault: 'the supports must stand at least 20 mm apart: the further, the better' }
  const cgMm = (foreG * foreMm + aftG * aftMm) / massG
  // ∂x/∂F = (x_f − x)/M, ∂x/∂A = (x_a − x)/M; ∂x/∂x_f = F/M, ∂x/∂x_a = A/M.
  const sigmaMm = Math.hypot(
    (SCALE_SIGMA_G * (foreMm - cgMm)) / massG,
    (SCALE_SIGMA_G * (aftMm - cgMm)) / massG,
    (PLACE_SIGMA_MM * foreG) / massG,
    (PLACE_SIGMA_MM * aftG) / massG,
  )
  return { massG, cgMm, sigmaMm }
}
