/** How sure a design is to meet its targets once flow, filament, stock, listed masses and the clock have had their say. */
import type { Assessment } from '../assess'
import { normalCdf } from '../mass'

/**
 * Chance that weight, balance, strength and hours all meet the brief: each figure normally spread about what is computed, by the spread
 * that its wing shows; balance with payload in and out as at the balance bench. Taken as independent, which a heavy print that makes
 * weight and balance miss together is not: the true chance of all is rather higher.
 */
export function chanceOfAll({ verdicts, flight }: Pick<Assessment, 'verdicts' | 'flight'>): number {
  const meets = (['weight', 'strength', 'hours'] as const).map(wing => (verdicts[wing].spread > 0 ? normalCdf(verdicts[wing].margin / verdicts[wing].spread) : Number(verdicts[wing].margin >= 0)))
  return meets.reduce((product, chance) => product * chance, flight.balanceChance)
}
