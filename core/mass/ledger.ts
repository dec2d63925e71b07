/** The mass ledger: every piece, spar, component and share, with where it is and how well it is known. SI. */

import type { MassEntry } from './mass-entry'

export interface MassSum {
  mass: number
  x: number
  y: number
  z: number
}

/** Total mass (kg) and its centre (m): Σm and Σmr/Σm. An empty ledger weighs nothing, at the datum. */
export function sumMass(entries: readonly MassEntry[]): MassSum {
  let mass = 0,
    x = 0,
    y = 0,
    z = 0
  for (const entry of entries) {
    mass += entry.mass
    x += entry.mass * entry.x
    y += entry.mass * entry.y
    z += entry.mass * entry.z
  }
  return mass > 0 ? { mass, x: x / mass, y: y / mass, z: z / mass } : { mass: 0, x: 0, y: 0, z: 0 }
}

/**
 * One standard deviation of total mass (kg) and of the centre's x (m), to first order: ∂x_cg/∂m_i = (x_i −
 * x_cg)/M, and how both hang together, −1 to 1. Entries with the same `common` add before they are squared;
 * the rest are independent.
 */
export function massSpread(entries: readonly MassEntry[]): { mass: number; x: number; correlation: number } {
  const sum = sumMass(entries)
  if (sum.mass === 0) return { mass: 0, x: 0, correlation: 0 }
  const together = new Map<string, { mass: number; moment: number }>()
  let massVariance = 0,
    xVariance = 0,
    shared = 0
  for (const entry of entries) {
    const moment = (entry.sigma * (entry.x - sum.x)) / sum.mass
    if (entry.common === null) {
      massVariance += entry.sigma ** 2
      xVariance += moment ** 2
      shared += entry.sigma * moment
    } else {
      const group = together.get(entry.common) ?? { mass: 0, moment: 0 }
      together.set(entry.common, { mass: group.mass + entry.sigma, moment: group.moment + moment })
    }
  }
  for (const group of together.values()) {
    massVariance += group.mass ** 2
    xVariance += group.moment ** 2
    shared += group.mass * group.moment
  }
  const mass = Math.sqrt(massVariance),
    x = Math.sqrt(xVariance)
  return { mass, x, correlation: mass > 0 && x > 0 ? Math.max(-1, Math.min(1, shared / (mass * x))) : 0 }
}

/**
 * Where an entry would have to stand for the whole to balance at `target` (m); the moment is moved exactly.
 */
export const placeForBalance = (sum: MassSum, entry: MassEntry, target: number): number =>
  entry.x + ((target - sum.x) * sum.mass) / entry.mass

/** Ballast at `at` (m) that brings the centre to `target` (m), kg; null when that side cannot help. */
export function ballastFor(sum: MassSum, at: number, target: number): number | null {
  const mass = (sum.mass * (sum.x - target)) / (target - at)
  return Number.isFinite(mass) && mass > 0 ? mass : null
}
