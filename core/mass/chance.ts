/** Chances of a normally spread figure. */

/** Standard normal distribution function (Abramowitz & Stegun 7.1.26, within 1.5·10⁻⁷). */
export function normalCdf(z: number): number {
  const t = 1 / (1 + 0.3275911 * (Math.abs(z) / Math.SQRT2))
  const tail =
    t *
    (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429)))) *
    Math.exp((-z * z) / 2)
  return z >= 0 ? 1 - tail / 2 : tail / 2
}

/**
 * Chance that every one of `places`, which err together by one standard deviation `sigma`, lies between `low`
 * and `high`.
 */
export function chanceWithin(places: readonly number[], sigma: number, low: number, high: number): number {
  const least = Math.min(...places),
    most = Math.max(...places)
  // All hold while the common error lies between low − least and high − most.
  const from = low - least,
    to = high - most
  if (to <= from) return 0
  if (sigma <= 0) return from <= 0 && to >= 0 ? 1 : 0
  return normalCdf(to / sigma) - normalCdf(from / sigma)
}
