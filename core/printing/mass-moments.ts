/**
 * Mass, centre and inertia gathered bead by bead in a piece's own frame, and carried into the aircraft's.
 * Lengths mm.
 */
import type { Moments } from './lay'

/** Lengths of bead (mm) with their first and second moments in the frame (a, b, u) of a piece. */
export interface BeadSums {
  length: number
  a: number
  b: number
  u: number
  aa: number
  bb: number
  uu: number
  ab: number
  au: number
  bu: number
}

export const noBeads = (): BeadSums => ({
  length: 0,
  a: 0,
  b: 0,
  u: 0,
  aa: 0,
  bb: 0,
  uu: 0,
  ab: 0,
  au: 0,
  bu: 0,
})

/**
 * Adds `length` of bead spread evenly over `height` about u, whose moments in the plane are `sum` (totals for
 * that length).
 */
export function addBeads(to: BeadSums, u: number, height: number, length: number, sum: Moments): void {
  to.length += length
  to.a += sum.x
  to.b += sum.y
  to.u += length * u
  to.aa += sum.xx
  to.bb += sum.yy
  to.ab += sum.xy
  to.uu += length * (u * u + (height * height) / 12)
  to.au += sum.x * u
  to.bu += sum.y * u
}

export interface MassFigures {
  /** Middle in the aircraft's axes, mm. */
  centre: [number, number, number]
  /**
   * Moments of inertia about axes through the middle, parallel to the aircraft's, for a mass of 1: mm². xx is
   * ∫y²+z².
   */
  inertia: { xx: number; yy: number; zz: number; xy: number; xz: number; yz: number }
}

/** `place` is affine. Falls back to the frame's origin where nothing is laid. */
export function massFigures(
  sums: BeadSums,
  place: (a: number, b: number, u: number) => [number, number, number],
): MassFigures {
  const n = sums.length
  if (n <= 0) return { centre: place(0, 0, 0), inertia: { xx: 0, yy: 0, zz: 0, xy: 0, xz: 0, yz: 0 } }
  const mean = [sums.a / n, sums.b / n, sums.u / n]
  const spread = [
    [sums.aa / n - mean[0] ** 2, sums.ab / n - mean[0] * mean[1], sums.au / n - mean[0] * mean[2]],
    [sums.ab / n - mean[0] * mean[1], sums.bb / n - mean[1] ** 2, sums.bu / n - mean[1] * mean[2]],
    [sums.au / n - mean[0] * mean[2], sums.bu / n - mean[1] * mean[2], sums.uu / n - mean[2] ** 2],
  ]
  const origin = place(0, 0, 0)
  const axes = [place(1, 0, 0), place(0, 1, 0), place(0, 0, 1)].map(p => p.map((v, i) => v - origin[i]))
  // Second moments turn as M·S·Mᵀ.
  const turned = (i: number, j: number): number =>
    axes.reduce((sum, p, k) => sum + axes.reduce((part, q, l) => part + p[i] * spread[k][l] * q[j], 0), 0)
  const [x, y, z, xy, xz, yz] = [
    turned(0, 0),
    turned(1, 1),
    turned(2, 2),
    turned(0, 1),
    turned(0, 2),
    turned(1, 2),
  ]
  return {
    centre: place(mean[0], mean[1], mean[2]),
    inertia: { xx: y + z, yy: x + z, zz: x + y, xy, xz, yz },
  }
}
