/**
 * What twist takes of the ailerons: deflected down they lift, and twist the wing nose down, which takes lift. Strip
 * theory about the shear centre, antisymmetric, the wing held at its root. SI.
 */
import { Matrix, solve } from 'ml-matrix'
import { greatestReal, twistFlexibility, type TwistStrip } from './span-twist'

/** Lift by a flap against lift by incidence, and quarter-chord moment per radian (thin-aerofoil theory). */
export interface Flap {
  /** m from the root. */
  from: number
  to: number
  effectiveness: number
  cmPerRad: number
}

/**
 * Of a rigid wing the roll by a radian of flap; of each strip what its own twist and the flap turn it by, per Pa.
 */
function parts(strips: readonly TwistStrip[], flap: Flap) {
  const covered = strips.map(({ s, width }) =>
    Math.max(0, Math.min(s + width / 2, flap.to) - Math.max(s - width / 2, flap.from)),
  )
  return {
    rigid: strips.reduce(
      (sum, { s, chord, slope }, i) => sum + s * chord * slope * flap.effectiveness * covered[i],
      0,
    ),
    turns: strips.map(({ chord, arm, slope, width }) => chord * arm * slope * width),
    given: strips.map(
      ({ chord, arm, slope }, i) =>
        chord * (arm * slope * flap.effectiveness + chord * flap.cmPerRad) * covered[i],
    ),
  }
}

/** Share of the rigid wing's rolling moment that is left at a dynamic pressure, Pa; under 0 it rolls the wrong way. */
export function rollLeft(strips: readonly TwistStrip[], flap: Flap, pressure: number): number {
  const n = strips.length
  const { rigid, turns, given } = parts(strips, flap)
  if (!(rigid > 0)) return 1
  const flexibility = twistFlexibility(strips)
  // θ = q·F·(c·arm·a·(θ + τ) + c²·cm), τ where the flap is.
  const left = Matrix.eye(n, n),
    right = Matrix.zeros(n, 1)
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++) {
      left.set(i, j, left.get(i, j) - pressure * flexibility.get(i, j) * turns[j])
      right.set(i, 0, right.get(i, 0) + pressure * flexibility.get(i, j) * given[j])
    }
  const twist = solve(left, right).to1DArray()
  const lost = strips.reduce(
    (sum, { s, chord, slope, width }, i) => sum + s * chord * slope * twist[i] * width,
    0,
  )
  return 1 + lost / rigid
}

/**
 * Least dynamic pressure at which the ailerons do nothing, Pa; infinite where there is none. The roll that is left,
 * 1 + wᵀ(I − qFD)⁻¹qFg/R, is nil where I − qF(D − g·wᵀ/R) is singular (matrix determinant lemma): an eigenvalue.
 */
export function reversalPressure(strips: readonly TwistStrip[], flap: Flap): number {
  const n = strips.length
  const { rigid, turns, given } = parts(strips, flap)
  if (!(rigid > 0)) return Infinity
  const rolls = strips.map(({ s, chord, slope, width }) => s * chord * slope * width)
  const inner = Matrix.zeros(n, n)
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++) inner.set(i, j, (i === j ? turns[i] : 0) - (given[i] * rolls[j]) / rigid)
  const most = greatestReal(twistFlexibility(strips).mmul(inner))
  return most > 0 ? 1 / most : Infinity
}
