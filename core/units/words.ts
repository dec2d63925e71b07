/**
 * Sentences with figures in them. A figure in a sentence is a quantity, not text: value, unit and digits
 * travel together, and are written out at the edge in the units and with the decimal sign of whoever reads.
 */

export interface Quantity {
  value: number
  /** As files have it: mm, g, °, m/s, N …; empty for a written number. */
  unit: string
  /** Decimals in that unit; null as it is. */
  digits: number | null
}

/** A sentence, or what is to be read of one: written text, and figures between. Crosses workers as it is. */
export type Words = string | ReadonlyArray<string | Quantity>

export const q = (value: number, unit: string, digits: number | null = null): Quantity => ({
  value,
  unit,
  digits,
})

type Part = Words | Quantity | number

/** Tag of a template: say`${q(12.3, 'mm', 1)} of plastic`. */
export function say(strings: TemplateStringsArray, ...parts: Part[]): Words {
  return join(strings.flatMap((text, i) => (i < parts.length ? [text, parts[i]] : [text])))
}

/** One sentence after another, with the same words between them. */
export const listed = (items: readonly Words[], between: string): Words =>
  join(items.flatMap((item, i) => (i ? [between, item] : [item])))

/** Lengths of the sides of something, mm. */
export const dimensions = (sides: readonly number[], digits: number | null = null): Words =>
  listed(
    sides.map(side => [q(side, 'mm', digits)]),
    ' × ',
  )

function join(parts: readonly Part[]): Words {
  const out: Array<string | Quantity> = []
  const put = (part: string | Quantity) => {
    const last = out.at(-1)
    if (typeof part === 'string' && typeof last === 'string') out[out.length - 1] = last + part
    else if (part !== '') out.push(part)
  }
  for (const part of parts) {
    if (typeof part === 'number') put(String(part))
    else if (typeof part === 'string') put(part)
    else if ('unit' in part) put(part)
    else part.forEach(put)
  }
  return out.every(part => typeof part === 'string') ? out.join('') : out
}

/** Multiples of standard gravity, which are no grams. */
const WRITTEN: Record<string, string> = { gₙ: 'g' }
/** Written without a space before them, as the degree of an angle is, and what of one is meant; not °C. */
const CLOSE = /^(×|°($|\/s| ))/
export const withUnit = (text: string, unit: string): string =>
  unit === '' ? text : `${text}${CLOSE.test(unit) ? '' : ' '}${WRITTEN[unit] ?? unit}`

/** As a sentence is written to files and by the command line: metric, with a point before decimals. */
export const written = (words: Words): string =>
  typeof words === 'string'
    ? words
    : words.map(part => (typeof part === 'string' ? part : plainQuantity(part))).join('')

const plainQuantity = ({ value, unit, digits }: Quantity): string =>
  withUnit(digits === null ? String(value) : value.toFixed(digits), unit)
