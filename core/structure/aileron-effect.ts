/**
 * What twist takes of the ailerons: deflected down they lift, and twist the wing nose down, which takes lift. Strip
 * theory about the shear centre, antisymmetric, the wing held at its root. SI.
 */
import { Matrix, solve } from 'ml-matrix'
import { twistFlexibility, type TwistStrip } from './span-twist'

/** Lift by a flap against lift by incidence, and quarter-chord moment per radian (thin-aerofoil theory). */
export interface Flap {
  /** m from the root. */
  from: number
  to: number
  effectiveness: number
  cmPerRad: number
}

/** Share of the rigid wing's rolling moment that is left at a dynamic pressure, Pa; under 0 it rolls the wrong way. */
export function rollLeft(strips: readonly TwistStrip[], flap: Flap, pressure: number): number {
  const n = strips.length
  const covered = strips.map(({ s, width }) =>
    Math.max(0, Math.min(s + width / 2, flap.to) - Math.max(s - width / 2, flap.from)),
  )
  const rigid = strips.reduce(
    (sum, { s, chord, slope }, i) => sum + s * chord * slope * flap.effectiveness * covered[i],
    0,
  )
  if (!(rigid > 0)) return 1
  const flexibility = twistFlexibility(strips)
  // θ = q·F·(c·arm·a·(θ + τ) + c²·cm), τ where the flap is.
  const turns = strips.map(({ chord, arm, slope, width }) => chord * arm * slope * width)
  const given = strips.map(
    ({ chord, arm, slope }, i) =>
      chord * (arm * slope * flap.effectiveness + chord * flap.cmPerRad) * covered[i],
  )
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

/** Steps by which reversal is looked for, and how far, against the first pressure. */
const STEP = 1.25,
  FURTHEST = 60

/**
 * Least dynamic pressure at which the ailerons do nothing, Pa; Infinite where that is past `most` (divergence) or
 * far beyond `first`.
 */
export function reversalPressure(
  strips: readonly TwistStrip[],
  flap: Flap,
  first: number,
  most: number,
): number {
  let low = 0
  for (let q = first; q < Math.min(FURTHEST * first, most); q *= STEP) {
    if (rollLeft(strips, flap, q) <= 0) {
      let high = q
      for (let i = 0; i < 30; i++) {
        const middle = (low + high) / 2
        if (rollLeft(strips, flap, middle) <= 0) high = middle
        else low = middle
      }
      return (low + high) / 2
    }
    low = q
  }
  return Infinity
}
