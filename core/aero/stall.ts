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
  /**
   * Degrees of incidence left in the outer 30 % of the span when the wing inside it stalls; negative when the
   * tip goes first. rad
   */
  tipMargin: number
}

/** Strips beyond this share of the half span are the tip. */
export const TIP_FROM = 0.7
/** The last strip at a tip carries next to nothing per radian and never stalls first. */
export const CARRIES = 0.1

/** A wing none of whose strips reaches its limit before this is past what linear lift can say, rad. */
const STEEPEST = 0.8

/** `limitOf` gives the section limit of a strip. Lift is linear up to there (no gradual separation). */
export function findStall(
  strips: readonly StripLift[],
  limitOf: (strip: StripLift) => number,
  clAt: (alpha: number) => number,
): Stall {
  const last = strips[strips.length - 1]
  const tip = last.span + last.width / 2
  let alpha = STEEPEST,
    span = 0,
    inner = Infinity,
    outer = Infinity
  for (const strip of strips) {
    if (strip.clPerRad <= CARRIES) continue
    const own = (limitOf(strip) - strip.clZero) / strip.clPerRad
    if (strip.span > TIP_FROM * tip) outer = Math.min(outer, own)
    else inner = Math.min(inner, own)
    if (own < alpha) [alpha, span] = [own, strip.span]
  }
  return {
    clMax: clAt(alpha),
    alpha,
    span,
    spanShare: span / tip,
    tipMargin: Number.isFinite(outer) && Number.isFinite(inner) ? outer - inner : 0,
  }
}

/** Slowest level speed at load factor n, m/s: √(2 n W / (ρ S CL_max)); W in N, S in m². */
export const stallSpeed = (
  weight: number,
  density: number,
  area: number,
  clMax: number,
  loadFactor = 1,
): number => Math.sqrt((2 * loadFactor * weight) / (density * area * clMax))
