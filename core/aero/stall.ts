/** Where the wing stalls first: incidence is raised until one strip reaches its section's limit. */
import type { StripLift } from './lift'

export interface Stall {
  /** Of the whole aircraft at that incidence, on the reference area. */
  clMax: number
  /** rad */
  alpha: number
  /** Strip that reaches its limit first: place along the span, m, and its share of the half span. */
  span: number
  spanShare: number
}

/** `limitOf` gives the section limit of a strip. Lift is linear up to there (no gradual separation). */
export function findStall(strips: readonly StripLift[], limitOf: (strip: StripLift) => number, clAt: (alpha: number) => number): Stall {
  let alpha = Infinity, span = 0
  for (const strip of strips) {
    // The last strip at a tip carries next to nothing per radian and never stalls first.
    if (strip.clPerRad <= 0.1) continue
    const own = (limitOf(strip) - strip.clZero) / strip.clPerRad
    if (own < alpha) {
      alpha = own
      span = strip.span
    }
  }
  const last = strips.at(-1)!
  return { clMax: clAt(alpha), alpha, span, spanShare: span / (last.span + last.width / 2) }
}

/** Slowest level speed at load factor n, m/s: √(2 n W / (ρ S CL_max)); W in N, S in m². */
export const stallSpeed = (weight: number, density: number, area: number, clMax: number, loadFactor = 1): number =>
  Math.sqrt((2 * loadFactor * weight) / (density * area * clMax))
