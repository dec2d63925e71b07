/** Buckling of a thin skin between its supports. SI. */

/** Simply supported long plate in compression: k. */
const PLATE_FACTOR = 4
const POISSON = 0.35
/** Share of the classical cylinder value that thin real shells reach (NASA SP-8007, R/t about 500). */
const SHELL_KNOCKDOWN = 0.3

/**
 * Stress at which the skin wrinkles, Pa: flat plate σ = kπ²E/12(1−ν²)·(t/b)² plus the help of curvature
 * γ·E·t/(R√(3(1−ν²))). `support` b is the distance between webs or walls behind it, `radius` R that of the skin; m.
 */
export function skinBucklingStress(modulus: number, thickness: number, support: number, radius: number): number {
  const flat = ((PLATE_FACTOR * Math.PI ** 2 * modulus) / (12 * (1 - POISSON ** 2))) * (thickness / support) ** 2
  const curved = (SHELL_KNOCKDOWN * modulus * thickness) / (radius * Math.sqrt(3 * (1 - POISSON ** 2)))
  return flat + curved
}
