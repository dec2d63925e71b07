/** Buckling and wrinkling of thin skins between their supports. SI. */
import { POISSON } from './printed-skin'

/** Simply supported long plate: k in compression and in shear. */
const PLATE_FACTOR = 4,
  SHEAR_PLATE_FACTOR = 5.35
/** Share of the classical cylinder value that thin real shells reach (NASA SP-8007, R/t about 500). */
export const SHELL_KNOCKDOWN = 0.3

const plate = (modulus: number, thickness: number, support: number, factor: number): number =>
  ((factor * Math.PI ** 2 * modulus) / (12 * (1 - POISSON ** 2))) * (thickness / support) ** 2

/**
 * Stress at which the skin buckles, Pa: flat plate σ = kπ²E/12(1−ν²)·(t/b)² plus the help of curvature
 * γ·E·t/(R√(3(1−ν²))). `support` b is the distance between webs or walls behind it, `radius` R that of the
 * skin; m.
 */
export function skinBucklingStress(
  modulus: number,
  thickness: number,
  support: number,
  radius: number,
): number {
  return (
    plate(modulus, thickness, support, PLATE_FACTOR) +
    (SHELL_KNOCKDOWN * modulus * thickness) / (radius * Math.sqrt(3 * (1 - POISSON ** 2)))
  )
}

/** Shear stress at which a long plate between supports buckles, Pa. */
export const shearBucklingStress = (modulus: number, thickness: number, support: number): number =>
  plate(modulus, thickness, support, SHEAR_PLATE_FACTOR)

/**
 * Thickness of one plate that bends as stiffly as two thin skins `gap` between their middles: t³/12 =
 * t_f·gap²/2. m
 */
export const sandwichThickness = (face: number, gap: number): number => Math.cbrt(6 * face * gap ** 2)

/**
 * Short wrinkles of the faces of a double skin on their core: σ = 0.5·(E_f·E_c·G_c)^⅓ (Hoff & Mautner), with
 * a core of sparse infill on edge as stiff as its share: E_c = f·E, G_c = f·E/4(1+ν), lines one of two ways.
 */
export function wrinklingStress(modulus: number, infillShare: number): number {
  const core = modulus * Math.max(0, infillShare)
  return 0.5 * Math.cbrt(modulus * core * (core / (4 * (1 + POISSON))))
}

/**
 * Factor on both stresses at which compression and shear together buckle a plate: R_c·λ + (R_s·λ)² = 1 for R
 * = applied / allowed (Bruhn C5).
 */
export function combinedBuckling(compression: number, shear: number): number {
  const c = Math.max(0, compression),
    s2 = shear * shear
  if (s2 < 1e-12 * c * c) return 1 / Math.max(1e-12, c)
  return (Math.sqrt(c * c + 4 * s2) - c) / (2 * s2)
}
