/**
 * Thin-aerofoil theory (Glauert 1926): zero-lift angle and moment of a mean line, from
 * α₀ = −(1/π)∫(dy/dx)(cos θ − 1)dθ and cm_¼ = (π/4)(A₂ − A₁), with x = (1 − cos θ)/2. Lift slope 2π.
 */

/**
 * `slopeAt(x)` is dy/dx of the mean line. Angles rad. Valid for thin sections at small incidence, inviscid.
 */
export function thinSection(
  slopeAt: (x: number) => number,
  steps = 400,
): { alphaZeroLift: number; cmQuarter: number; clAlpha: number } {
  let zero = 0,
    a1 = 0,
    a2 = 0
  for (let i = 0; i < steps; i++) {
    const theta = (Math.PI * (i + 0.5)) / steps
    const slope = slopeAt((1 - Math.cos(theta)) / 2)
    zero += slope * (Math.cos(theta) - 1)
    a1 += slope * Math.cos(theta)
    a2 += slope * Math.cos(2 * theta)
  }
  const h = Math.PI / steps
  // A_n = (2/π)∫ slope·cos nθ dθ;  cm_¼ = (π/4)(A₂ − A₁).
  return { alphaZeroLift: -(zero * h) / Math.PI, cmQuarter: ((a2 - a1) * h) / 2, clAlpha: 2 * Math.PI }
}
