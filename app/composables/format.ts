import { format } from 'date-fns'

/** Figures as people read them: fixed digits, a true minus sign, never `NaN`. */
export function figure(value: number | null | undefined, digits = 0): string {
  if (value === null || value === undefined || !Number.isFinite(value)) return '–'
  const text = value.toFixed(digits)
  return (Number(text) === 0 ? text.replace('-', '') : text).replace('-', '−')
}
/** With its sign, for differences. */
export const signed = (value: number, digits = 0): string =>
  Number(value.toFixed(digits)) > 0 ? `+${figure(value, digits)}` : figure(value, digits)
/** The maker's own day, as YYYY-MM-DD. */
export const today = (): string => format(new Date(), 'yyyy-MM-dd')
