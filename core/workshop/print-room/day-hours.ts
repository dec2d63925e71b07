/** Hours of the day in which something may be done, and the next time at which it may. Hours after a midnight. */
import type { DayHours } from '../../document'

const DAY = 24
/** Nobody plans further ahead than this, days. */
const HORIZON = 60

export const always = ({ fromH, toH }: DayHours): boolean =>
  fromH === toH || (fromH === 0 && toH === DAY) || (fromH === DAY && toH === 0)

/** The stretches of a day's window that touch [t, …): beginnings and ends, rising. */
function* stretches({ fromH, toH }: DayHours, t: number): Generator<[number, number]> {
  const length = (((toH - fromH) % DAY) + DAY) % DAY
  for (let day = Math.floor(t / DAY) - 1; day < t / DAY + HORIZON; day++) {
    const from = day * DAY + fromH
    if (from + length > t) yield [from, from + length]
  }
}

/** Is hour t within the window? */
export function within(window: DayHours, t: number): boolean {
  if (always(window)) return true
  for (const [from] of stretches(window, t)) return from <= t
  return false
}

/**
 * The earliest time from t at which somebody is there and `hours` of running fit into one stretch; null where none is
 * that long.
 */
export function nextStart(t: number, hours: number, runs: DayHours, tended: DayHours): number | null {
  const starts = always(tended) ? [[t, Infinity] as const] : stretches(tended, t)
  for (const [from, to] of starts) {
    const earliest = Math.max(t, from)
    if (always(runs)) return earliest
    for (const [runFrom, runTo] of stretches(runs, earliest)) {
      const at = Math.max(earliest, runFrom)
      if (at >= to) break
      if (at + hours <= runTo + 1e-9) return at
    }
    if (always(tended)) return null
  }
  return null
}
