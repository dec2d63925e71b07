/**
 * A number as people type it: a comma or a point before the decimals, either between thousands, a true minus.
 * What could be read two ways, `1,250`, is read as thousands only where groups of three say so and the maker's
 * own way of writing agrees; NaN otherwise, so that nobody's 1 250 g becomes 1.25 g.
 */
const GROUPED = /^[+-]?\d{1,3}([ '’\u00a0\u202f]\d{3})+(?:[.,]\d+)?$/

/** The sign before decimals where this maker lives. */
export const decimalSign = (locale?: string): '.' | ',' =>
  new Intl.NumberFormat(locale).formatToParts(1.5).find(part => part.type === 'decimal')?.value === ','
    ? ','
    : '.'

export function parseFigure(typed: string, decimal: '.' | ',' = decimalSign()): number {
  const text = typed.trim().replace('−', '-')
  if (text === '') return Number.NaN
  if (GROUPED.test(text)) return parseFigure(text.replace(/[ '’\u00a0\u202f]/g, ''), decimal)
  const points = [...text.matchAll(/[.,]/g)].map(match => match[0]!)
  if (points.length === 0) return Number(text)
  const last = points.at(-1)!
  const other = last === ',' ? '.' : ','
  if (points.length > 1) {
    // Several signs: all but the last are between thousands, and must stand so.
    const mixed = points.slice(0, -1).every(sign => sign === other)
    const thousands = points.every(sign => sign === last) && /^[+-]?\d{1,3}([.,]\d{3})+$/.test(text)
    if (thousands) return Number(text.replaceAll(last, ''))
    const [whole, part] = text.split(last) as [string, string]
    if (!mixed || !/^[+-]?\d{1,3}([.,]\d{3})+$/.test(whole)) return Number.NaN
    return Number(`${whole.replaceAll(other, '')}.${part}`)
  }
  // One sign with three digits behind it, `1,250`: decimals only where that is the maker's own sign.
  if (/^[+-]?[1-9]\d{0,2}[.,]\d{3}$/.test(text) && last !== decimal)
    return last === ',' ? Number(text.replace(',', '')) : Number.NaN
  return Number(text.replace(',', '.'))
}
