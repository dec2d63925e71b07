/** Findings of one place and one station, each with its figure and its limit. */
import type { Words } from '../../units'
import type { Finding } from '../report'

export const foundAt =
  (where: string, stations: Finding['stations']) =>
  (
    code: string,
    severity: Finding['severity'],
    [value, limit, unit]: readonly [value: number, limit: number, unit: string],
    text: Words,
    remedy: Words,
  ): Finding => ({ code, stations, severity, where, value, limit, unit, text, remedy })
