/**
 * Figures as people write them: sums and products, brackets, units behind figures, and chains of units that add up
 * (`60.5 in`, `12.4*4/3`, `2 lb 3 oz`, `1 h 20 min`). A figure without a unit is in the unit of its field as
 * it is shown.
 */
import { parseFigure } from './parse-figure'

/** Units by what they measure; each in the metric unit that fields of the kind are held in. */
const KINDS: Record<string, Record<string, number>> = {
  mm: {
    mm: 1,
    cm: 10,
    m: 1000,
    in: 25.4,
    '"': 25.4,
    '″': 25.4,
    inch: 25.4,
    inches: 25.4,
    ft: 304.8,
    "'": 304.8,
    '′': 304.8,
  },
  g: { g: 1, kg: 1000, mg: 0.001, oz: 28.349523125, lb: 453.59237, lbs: 453.59237 },
  s: { s: 1, sec: 1, min: 60, h: 3600 },
  'm/s': {
    'm/s': 1,
    'km/h': 1 / 3.6,
    kmh: 1 / 3.6,
    mph: 0.44704,
    kt: 1852 / 3600,
    kn: 1852 / 3600,
    'ft/s': 0.3048,
  },
  '°': { '°': 1, deg: 1, rad: 180 / Math.PI },
  N: { N: 1, gf: 0.00980665, kgf: 9.80665, lbf: 4.4482216152605, ozf: 0.27801385095378125 },
  mAh: { mAh: 1, Ah: 1000 },
  A: { A: 1, mA: 0.001 },
  V: { V: 1, mV: 0.001 },
  Ω: { Ω: 1, mΩ: 0.001, ohm: 1, mohm: 0.001 },
  hPa: { hPa: 1, mbar: 1, kPa: 10, Pa: 0.01, inHg: 33.8638866667 },
}
/** Fields that are held in another unit of a kind. */
const HELD: Record<string, [kind: string, by: number]> = {
  m: ['mm', 1000],
  cm: ['mm', 10],
  kg: ['g', 1000],
  min: ['s', 60],
  h: ['s', 3600],
  mΩ: ['Ω', 0.001],
  'km/h': ['m/s', 1 / 3.6],
}
for (const kind of Object.keys(KINDS)) HELD[kind] = [kind, 1]

type Token = { figure: number } | { unit: string } | { sign: string }

const FIGURE =
  /^\d+(?:[.,]\d+)?e[+-]?\d+|^\d{1,3}(?:[ \u00a0\u202f]\d{3})+(?!\d)(?:[.,]\d+)?|^[\d][\d.,’]*|^[.,]\d+/i
const SIGN = /^[-+*/×÷−()]/
const WORD = /^(?:[a-zA-Zµ]+(?:\/[a-zA-Z]+)?|Ω|m?Ω|°|%|["″'′])/

/** Signs as printers set them. */
const PLAIN: Record<string, string> = { '−': '-', '×': '*', '÷': '/' }

function tokens(text: string, decimal: '.' | ','): Token[] | null {
  const found: Token[] = []
  let rest = text.trim()
  while (rest) {
    const figure = FIGURE.exec(rest)?.[0]
    const sign = SIGN.exec(rest)?.[0]
    const word = WORD.exec(rest)?.[0]
    if (figure !== undefined) {
      const value = parseFigure(figure, decimal)
      if (!Number.isFinite(value)) return null
      found.push({ figure: value })
    } else if (sign !== undefined) found.push({ sign: PLAIN[sign] ?? sign })
    else if (word !== undefined) found.push({ unit: word })
    else return null
    rest = rest.slice((figure ?? sign ?? word)!.length).trimStart()
  }
  return found
}

/** A figure, and whether a unit is in it already: two lengths are not multiplied into one. */
interface Amount {
  value: number
  measured: boolean
}

class Reader {
  private at = 0
  constructor(
    private readonly list: readonly Token[],
    private readonly units: Readonly<Record<string, number>>,
    /** What a bare figure is in. */
    private readonly bare: number,
  ) {}

  read(): number {
    const own = this.sum()
    if (!own || this.at < this.list.length) return Number.NaN
    return own.measured ? own.value : own.value * this.bare
  }
  private sign(...signs: string[]): string | null {
    const token = this.list[this.at]
    if (token && 'sign' in token && signs.includes(token.sign)) {
      this.at++
      return token.sign
    }
    return null
  }
  private sum(): Amount | null {
    let left = this.product()
    for (let sign = this.sign('+', '-'); left && sign; sign = this.sign('+', '-')) {
      const right = this.product()
      if (!right) return null
      left = this.added(left, right, sign === '+' ? 1 : -1)
    }
    return left
  }
  /** `5 + 2 in`: the bare one is in the field's unit. */
  private added(a: Amount, b: Amount, by: number): Amount {
    if (a.measured === b.measured) return { value: a.value + by * b.value, measured: a.measured }
    const held = (own: Amount) => (own.measured ? own.value : own.value * this.bare)
    return { value: held(a) + by * held(b), measured: true }
  }
  private product(): Amount | null {
    let left = this.chain()
    for (let sign = this.sign('*', '/'); left && sign; sign = this.sign('*', '/')) {
      const right = this.chain()
      if (!right || (left.measured && right.measured) || (sign === '/' && right.measured)) return null
      left = {
        value: sign === '*' ? left.value * right.value : left.value / right.value,
        measured: left.measured || right.measured,
      }
    }
    return left
  }
  /** `2 lb 3 oz`. */
  private chain(): Amount | null {
    let own = this.single()
    while (own?.measured) {
      const next = this.list[this.at]
      if (!next || !('figure' in next)) break
      const more = this.single()
      if (!more?.measured) return null
      own = { value: own.value + Math.sign(own.value || 1) * more.value, measured: true }
    }
    return own
  }
  private single(): Amount | null {
    if (this.sign('-')) {
      const own = this.single()
      return own && { ...own, value: -own.value }
    }
    if (this.sign('+')) return this.single()
    let own: Amount | null = null
    if (this.sign('(')) {
      own = this.sum()
      if (!own || !this.sign(')')) return null
    } else {
      const token = this.list[this.at]
      if (!token || !('figure' in token)) return null
      this.at++
      own = { value: token.figure, measured: false }
    }
    const unit = this.list[this.at]
    if (!unit || !('unit' in unit)) return own
    this.at++
    const by = this.units[unit.unit]
    if (by === undefined || own.measured) return null
    return { value: own.value * by, measured: true }
  }
}

/**
 * In `unit`, the metric unit that the field is held in; NaN where it says nothing, or something of another kind.
 * `shown`: how many of the unit that is shown one of `unit` is.
 */
export function parseQuantity(typed: string, unit: string, shown: number, decimal: '.' | ','): number {
  const list = tokens(typed, decimal)
  if (!list || list.length === 0) return Number.NaN
  const [kind, by] = HELD[unit] ?? [null, 1]
  const units = kind === null ? { [unit]: 1 } : KINDS[kind]!
  const value = new Reader(list, units, by / shown).read() / by
  return Number.isFinite(value) ? value : Number.NaN
}
