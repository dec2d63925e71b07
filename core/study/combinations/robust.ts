/**
 * How sure a design is to meet its targets once flow, foaming, stock, listed masses and the clock have had
 * their say.
 */
import type { Assessment } from '../../assess'
import { chanceWithin, normalCdf } from '../../mass'
import { TIME_SPREAD } from '../../assessment/findings'

export interface Targets {
  massG: number
  massTargetG: number
  massSigmaG: number
  /** Where it balances with payload and without, mm, and the band. */
  cgMm: readonly [number, number]
  foreMm: number
  aftMm: number
  /** By the masses, and by how well the neutral point is known, mm. */
  cgSigmaMm: number
  neutralPointSigmaMm: number
  /** Between mass and balance, −1 to 1. */
  correlation: number
  reserve: number
  /** One standard deviation of the reserve, as a share of it. */
  reserveSpread: number
  hours: number
  hoursTarget: number
}

/** Standard deviations that are looked over, in so many steps. */
const REACH = 5,
  STEPS = 24

/**
 * Chance that weight, balance, strength and hours all meet the brief. A print that comes out heavy is over
 * its weight, shifts the balance and takes from the reserve all at once (it falls as the mass rises), so
 * those three are summed over the spread of mass; what is left of the balance's spread, the strength of the
 * stuff and the clock are independent of it. Normally spread; balance with payload in and out as at the
 * balance bench.
 */
export function chanceOf(t: Targets): number {
  const inTime = t.hours > 0 ? normalCdf((t.hoursTarget - t.hours) / (TIME_SPREAD * t.hours)) : 1
  const own = Math.sqrt(Math.max(0, 1 - t.correlation * t.correlation)) * t.cgSigmaMm,
    sigma = Math.hypot(own, t.neutralPointSigmaMm)
  const rest = (z: number) => {
    const shift = t.correlation * t.cgSigmaMm * z,
      reserve = t.reserve / Math.max(0.1, 1 + (t.massSigmaG / t.massG) * z)
    const holds =
      t.reserveSpread > 0 ? normalCdf((reserve - 1) / (reserve * t.reserveSpread)) : Number(reserve >= 1)
    return holds * chanceWithin(t.cgMm, sigma, t.foreMm - shift, t.aftMm - shift)
  }
  if (!(t.massSigmaG > 0)) return t.massG <= t.massTargetG ? inTime * rest(0) : 0
  const to = Math.min(REACH, (t.massTargetG - t.massG) / t.massSigmaG)
  if (to <= -REACH) return 0
  // Simpson's rule up to where it is too heavy.
  const step = (to + REACH) / STEPS
  let sum = 0
  for (let i = 0; i <= STEPS; i++) {
    const z = -REACH + i * step
    sum += (i === 0 || i === STEPS ? 1 : i % 2 ? 4 : 2) * Math.exp((-z * z) / 2) * rest(z)
  }
  return Math.min(1, (inTime * sum * step) / 3 / Math.sqrt(2 * Math.PI))
}

export const chanceOfAll = ({
  totals,
  flight,
  verdicts,
}: Pick<Assessment, 'totals' | 'flight' | 'verdicts'>): number =>
  chanceOf({
    massG: totals.massG,
    massTargetG: totals.massG + verdicts.weight.margin,
    massSigmaG: totals.massSpreadG,
    cgMm: [totals.cgMm[0], totals.cgEmptyMm[0]],
    foreMm: flight.cgRangeMm[0],
    aftMm: flight.cgRangeMm[1],
    cgSigmaMm: totals.cgSpreadMm,
    neutralPointSigmaMm: flight.neutralPointSigmaMm,
    correlation: totals.massCgCorrelation,
    reserve: verdicts.strength.value,
    reserveSpread: verdicts.strength.spread / Math.max(1e-9, verdicts.strength.value),
    hours: totals.hours,
    hoursTarget: totals.hours + verdicts.hours.margin,
  })
