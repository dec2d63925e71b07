/** The body's unstable moment by strips (Munk 1924, Multhopp 1942). */

/**
 * Change of Cm_α per radian: (k₂ − k₁)·π/(2·S·c̄)·∫w²·(1 + dε/dα) dx. `widthAt` in m; S m², c̄ m. Upwash
 * ahead of the wing and downwash behind it are taken as unity and as `behind` from the trailing edge to the
 * end. k₂ − k₁ by Munk for the body's fineness.
 */
export function bodyMoment(
  widthAt: (x: number) => number,
  from: number,
  to: number,
  wingRear: number,
  behind: number,
  area: number,
  chord: number,
): number {
  const steps = 80
  const h = (to - from) / steps
  let sum = 0,
    widest = 0
  for (let i = 0; i < steps; i++) {
    const begins = from + i * h
    const width = widthAt(begins + h / 2)
    widest = Math.max(widest, width)
    // A strip that the wing's rear end divides counts as either by its share.
    const before = Math.min(1, Math.max(0, (wingRear - begins) / h))
    sum += width ** 2 * (before + (1 - before) * behind) * h
  }
  return (apparentMass((to - from) / Math.max(1e-6, widest)) * Math.PI * sum) / (2 * area * chord)
}

/** k₂ − k₁ against fineness ratio, a fit to Munk's ellipsoid values (0.77 at 4, 0.86 at 6, 0.94 at 10). */
export const apparentMass = (fineness: number): number =>
  Math.max(0, 1 - 2.0 / Math.max(1, fineness) ** 1.55 - 0.0012 * fineness)
