/** What the chances say: go on, print the rest otherwise, or stop. */

/** How it would stand, forecast. */
export interface Outlook {
  massG: number
  massSigmaG: number
  chanceWeight: number
  cgMm: number
  chanceBalance: number
  reserve: number
  /** Of what is not printed yet. */
  hoursLeft: number
}

/** `even`: the better half of chances, no more; `balance`: the weight will do, and what
 * misses is mended by what slides, not by what is printed; `stop`: not even everything together makes it likely. */
export type GoOnVerdict = 'not-begun' | 'done' | 'go-on' | 'even' | 'change' | 'balance' | 'stop'

/** A chance that one can rely on, and one that is more likely than not. */
export const LIKELY = 0.84,
  EVEN = 0.5
/** Of both targets, the worse. */
export const both = (outlook: Outlook): number => Math.min(outlook.chanceWeight, outlook.chanceBalance)

/** `offers`: those that hold, best first. */
export function verdictOf(
  now: Outlook,
  begun: number,
  offers: ReadonlyArray<Outlook & { id: string }>,
): { verdict: GoOnVerdict; take: string | null } {
  if (begun === 0) return { verdict: 'not-begun', take: null }
  if (both(now) >= LIKELY) return { verdict: 'go-on', take: null }
  const first = offers.find(offer => both(offer) > both(now))
  if (first && both(first) >= EVEN) return { verdict: 'change', take: first.id }
  if (both(now) >= EVEN) return { verdict: 'even', take: null }
  if (now.chanceWeight >= EVEN) return { verdict: 'balance', take: null }
  return { verdict: 'stop', take: null }
}
