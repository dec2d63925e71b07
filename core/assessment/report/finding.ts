/** What is wrong or odd with a design: never without a figure. */
import type { Words } from '../../units'
/** Stations of the flight path at which findings are shown. */
export type Station = 'brief' | 'shape' | 'skin' | 'spine' | 'split' | 'print' | 'weigh' | 'balance' | 'power'

export interface Finding {
  code: string
  /** Where on the flight path it can be mended. */
  stations: readonly Station[]
  /** Says again what a verdict says of its target, so it stops nothing by itself. */
  target?: boolean
  severity: 'stop' | 'warn' | 'note'
  where: Words
  value: number
  limit: number
  unit: string
  text: Words
  remedy: Words
}
