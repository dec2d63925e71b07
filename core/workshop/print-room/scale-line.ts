/** Lines that a scale sends over a serial port, read by a pattern that the maker sets. */

/** In a pattern: the figure. Everything else must be there as it is; blanks may be more or fewer. */
export const FIGURE = '{g}'
const MOST = 200

/** Grams of a line, or null where it does not fit the pattern: `ST,GS,{g}g` reads `ST,GS,+  22.4 g`. */
export function scaleLine(pattern: string, line: string): number | null {
  const at = pattern.indexOf(FIGURE)
  if (at < 0 || line.length > MOST) return null
  const bare = (text: string) => text.replace(/\s+/g, '')
  const before = bare(pattern.slice(0, at)),
    after = bare(pattern.slice(at + FIGURE.length)),
    text = bare(line)
  if (!text.startsWith(before) || !text.endsWith(after)) return null
  const figure = text.slice(before.length, text.length - after.length)
  if (!/^[+-]?\d{1,7}([.,]\d{1,4})?$/.test(figure)) return null
  return Number(figure.replace(',', '.'))
}

/** Readings within this of each other for so long are one that has settled, g and s. */
const STILL = 0.06,
  FOR = 1.2

/** Says when a stream of readings has come to rest. */
export class Settling {
  private readonly readings: Array<{ at: number; grams: number }> = []

  /** `at` in seconds; the mean of the last readings once they lie still, else null. */
  add(at: number, grams: number): number | null {
    this.readings.push({ at, grams })
    while (this.readings.length > 1 && this.readings[1]!.at <= at - FOR) this.readings.shift()
    if (at - this.readings[0]!.at < FOR) return null
    const values = this.readings.map(item => item.grams)
    if (Math.max(...values) - Math.min(...values) > 2 * STILL) return null
    return values.reduce((sum, value) => sum + value, 0) / values.length
  }
}
