/**
 * Figures as people read them: in the units and with the decimal sign that the maker chose, with a true minus
 * sign, never `NaN`. Everything that is written on the screen goes through here; files stay metric.
 */
import { useStorage } from '@vueuse/core'
import { format } from 'date-fns'
import { withUnit, type Words } from '../../core/units'
import { decimalSign } from './parse-figure'

export interface Reading {
  units: 'metric' | 'imperial'
  decimal: '.' | ','
}
/** How this maker reads figures; kept in the browser. */
export const reading = useStorage<Reading>(
  'mariposa-reading',
  { units: 'metric', decimal: decimalSign() },
  undefined,
  { mergeDefaults: true },
)

interface Shown {
  unit: string
  /** How many of it one of the metric unit is. */
  by: number
  /** Decimals that show about as fine a step as so many decimals of the metric figure. */
  digits: (metric: number) => number
}
const IMPERIAL: Record<string, Shown> = {
  mm: { unit: 'in', by: 1 / 25.4, digits: d => Math.max(2, d + 1) },
  'mm²': { unit: 'in²', by: 1 / 645.16, digits: d => d + 3 },
  'cm²': { unit: 'in²', by: 1 / 6.4516, digits: d => d + 1 },
  'dm²': { unit: 'in²', by: 15.50003100006, digits: d => Math.max(0, d - 1) },
  g: { unit: 'oz', by: 1 / 28.349523125, digits: d => d + 1 },
  kg: { unit: 'lb', by: 1 / 0.45359237, digits: d => d },
  'g/dm²': { unit: 'oz/ft²', by: 0.32770582, digits: d => d + 1 },
  'g/m': { unit: 'oz/ft', by: 0.010751, digits: d => d + 2 },
}
/** What a metric unit is shown as. */
export const shownAs = (unit: string): Shown =>
  (reading.value.units === 'imperial' ? IMPERIAL[unit] : undefined) ?? { unit, by: 1, digits: d => d }

export function figure(value: number | null | undefined, digits = 0): string {
  if (value === null || value === undefined || !Number.isFinite(value)) return '–'
  const text = value.toFixed(digits)
  const signed = (Number(text) === 0 ? text.replace('-', '') : text).replace('-', '−')
  return reading.value.decimal === ',' ? signed.replace('.', ',') : signed
}
/** With its sign, for differences. */
export const signed = (value: number, digits = 0): string =>
  Number(value.toFixed(digits)) > 0 ? `+${figure(value, digits)}` : figure(value, digits)

/** A figure with its unit, given in metric units and digits: `amount(412.3, 'g', 1)`. */
export function amount(value: number | null | undefined, unit: string, digits = 0): string {
  const { unit: name, by, digits: fine } = shownAs(unit)
  return withUnit(figure(value === null || value === undefined ? value : value * by, fine(digits)), name)
}
/** The figure alone, for where its unit stands apart. */
export const amountOf = (value: number | null | undefined, unit: string, digits = 0): string => {
  const { by, digits: fine } = shownAs(unit)
  return figure(value === null || value === undefined ? value : value * by, fine(digits))
}
export function signedAmount(value: number, unit: string, digits = 0): string {
  const { unit: name, by, digits: fine } = shownAs(unit)
  return withUnit(signed(value * by, fine(digits)), name)
}

export const signedAmountOf = (value: number, unit: string, digits = 0): string => {
  const { by, digits: fine } = shownAs(unit)
  return signed(value * by, fine(digits))
}
/** How a unit is written for this maker. */
export const unitName = (unit: string): string => withUnit('', shownAs(unit).unit).trim()

/** A sentence of the core, its figures as this maker reads them. */
export const worded = (words: Words | null | undefined): string =>
  typeof words === 'string' || !words
    ? (words ?? '')
    : words
        .map(part => {
          if (typeof part === 'string') return part
          const { value, unit, digits } = part
          return amount(value, unit, digits ?? decimalsOf(value))
        })
        .join('')

/** Decimals that a figure is written with, as it is. */
const decimalsOf = (value: number): number => /\.(\d+)$/.exec(String(value))?.[1]?.length ?? 0

/** A chance in percent, not surer than it is. */
export const chance = (value: number): string =>
  value > 0.995 ? 'over 99 %' : value < 0.005 ? 'under 1 %' : `${figure(100 * value)} %`

/** The maker's own day, as YYYY-MM-DD. */
export const today = (): string => format(new Date(), 'yyyy-MM-dd')
