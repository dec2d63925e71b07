/**
 * Twist of a half wing: under torque, to divergence, and a speed of caution for flutter. Strips along the
 * span, SI.
 */
import { EigenvalueDecomposition, Matrix } from 'ml-matrix'

export interface TwistStrip {
  /** Middle and width, m from the root. */
  s: number
  width: number
  chord: number
  /** Torsional stiffness, N·m². */
  GJ: number
  /** From the quarter chord aft to the shear centre, m; negative where it lies ahead. */
  arm: number
  /** Lift slope per radian. */
  slope: number
}

/**
 * Twist at the middle of each strip and at the tip, rad, from the torque (N·m) that acts on each; fixed at
 * the root. Torque is taken even over a strip.
 */
export function twistUnder(
  strips: readonly TwistStrip[],
  torques: readonly number[],
): { at: number[]; tip: number } {
  let beyond = torques.reduce((sum, value) => sum + value, 0),
    angle = 0
  const at = strips.map(({ width, GJ }, i) => {
    const half = width / 2
    // Inside the strip the torque falls evenly from what comes in to what goes out.
    const middle = angle + ((beyond - torques[i] / 4) * half) / GJ
    angle += ((beyond - torques[i] / 2) * width) / GJ
    beyond -= torques[i]
    return middle
  })
  return { at, tip: angle }
}

/** Twist at the middle of each strip (row) by a unit torque on each (column), rad/N·m. */
export function twistFlexibility(strips: readonly TwistStrip[]): Matrix {
  const known = flexibilities.get(strips)
  if (known) return known
  const n = strips.length
  const flexibility = Matrix.zeros(n, n)
  for (let j = 0; j < n; j++) {
    const unit = Array.from({ length: n }, (_, i) => (i === j ? 1 : 0))
    twistUnder(strips, unit).at.forEach((value, i) => flexibility.set(i, j, value))
  }
  flexibilities.set(strips, flexibility)
  return flexibility
}
const flexibilities = new WeakMap<readonly TwistStrip[], Matrix>()

/** The greatest real eigenvalue over nothing, or nothing. */
export function greatestReal(matrix: Matrix): number {
  if (!matrix.to1DArray().every(Number.isFinite)) return 0
  const { realEigenvalues, imaginaryEigenvalues } = new EigenvalueDecomposition(matrix)
  return Math.max(
    0,
    ...realEigenvalues.filter((value, i) => Math.abs(imaginaryEigenvalues[i]) < 1e-6 * Math.abs(value)),
  )
}

/**
 * Dynamic pressure at which the wing twists off by its own lift, Pa: the least q for which θ =
 * q·F·(e·c·a·Δs)·θ has an answer, F the twist at one strip by a unit torque at another (strip theory).
 * Infinite where the lift never acts ahead of the shear centre enough.
 */
export function divergencePressure(strips: readonly TwistStrip[]): number {
  const n = strips.length
  const flexibility = twistFlexibility(strips)
  const lifted = Matrix.zeros(n, n)
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++)
      lifted.set(
        i,
        j,
        flexibility.get(i, j) * strips[j].arm * strips[j].chord * strips[j].slope * strips[j].width,
      )
  const most = greatestReal(lifted)
  return most > 0 ? 1 / most : Infinity
}

export interface FlutterStrip extends TwistStrip {
  EI: number
  /**
   * Mass and moment of inertia about the shear centre per length, kg/m and kg·m; centre of mass aft of the
   * shear centre, m.
   */
  mass: number
  inertia: number
  behind: number
}

/**
 * Lowest frequencies by Rayleigh's quotient, rad/s: bending with the shape of a cantilever under its own
 * weight, twist with a quarter sine.
 */
export function lowestFrequencies(strips: readonly FlutterStrip[]): { bending: number; twist: number } {
  const span = strips.reduce((sum, strip) => sum + strip.width, 0)
  // Curvature under its own weight: moments of the masses beyond, over the stiffness.
  const curvature = strips.map(
    (strip, i) =>
      strips
        .slice(i)
        .reduce((sum, other) => sum + other.mass * other.width * Math.max(0, other.s - strip.s), 0) /
      strip.EI,
  )
  let slope = 0,
    sag = 0,
    strain = 0,
    moving = 0,
    torsion = 0,
    turning = 0
  strips.forEach((strip, i) => {
    const { width } = strip
    const middle = sag + (slope * width) / 2 + (curvature[i] * width * width) / 8
    strain += strip.EI * curvature[i] ** 2 * width
    moving += strip.mass * middle ** 2 * width
    sag += slope * width + (curvature[i] * width * width) / 2
    slope += curvature[i] * width
    const phase = (Math.PI * strip.s) / (2 * span)
    torsion += strip.GJ * ((Math.PI / (2 * span)) * Math.cos(phase)) ** 2 * width
    turning += strip.inertia * Math.sin(phase) ** 2 * width
  })
  return {
    bending: Math.sqrt(strain / Math.max(1e-12, moving)),
    twist: Math.sqrt(torsion / Math.max(1e-12, turning)),
  }
}

/**
 * √(1 − (ω_h/ω_α)²) for a bending frequency of 0.6 of the twisting one: wings of one spar lie between 0.2 and 0.6.
 * Taken as it is, so that a stiffer spar, which brings both together, is never said to be worse.
 */
const COALESCENCE = 0.8

/**
 * Caution speed for flutter of bending with twist, m/s: Theodorsen and Garrick's approximation (NACA TR 685) for a
 * bending frequency under the twisting one, V = b·ω_α·√(μ·r²/(1 + 2(a + x_α)))·√(1 − (ω_h/ω_α)²), with μ = m/πρb².
 * Written for every strip, V² = ω_α²·I/(2πρ·b·(x_cg − x_¼)), and weighed by the twisting mode over all of them.
 * Infinite where the mass lies so far forward that it cannot arise. Uncoupled controls may flutter long before.
 */
export function flutterSpeed(strips: readonly FlutterStrip[], density: number): number {
  const { twist } = lowestFrequencies(strips)
  const span = strips.reduce((sum, strip) => sum + strip.width, 0)
  let turning = 0,
    driven = 0,
    chords = 0
  for (const { s, width, chord, inertia, arm, behind } of strips) {
    const mode = Math.sin((Math.PI * s) / (2 * span)) ** 2 * width
    turning += mode * inertia
    driven += mode * (chord / 2) * (arm + behind)
    chords += mode * (chord / 2) ** 2
  }
  // A mass a hundredth of a half chord behind the quarter is as good as on it.
  if (driven <= 0.01 * chords) return Infinity
  return twist * Math.sqrt(turning / (2 * Math.PI * density * driven)) * COALESCENCE
}
