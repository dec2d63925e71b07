/** One thing of a piece in a machine file, wanted against found. */
import { say, type Quantity, type Words } from '../../units'

export type DifferenceCode =
  | 'piece'
  | 'side'
  | 'size'
  | 'layer-height'
  | 'bead-width'
  | 'flow'
  | 'walls'
  | 'base'
  | 'top'
  | 'infill'
  | 'webs'
  | 'spiral'
  | 'travel'
  | 'support'
  | 'brim'
  | 'nozzle'
  | 'company'
  | 'pull'
  | 'mass'

export interface CheckRow {
  code: DifferenceCode
  what: string
  wanted: Words
  found: Words
  /** What the difference will do; nothing where there is none. */
  does: Words | null
}

type Shown = Words | Quantity
const worded = (shown: Shown): Words =>
  typeof shown === 'object' && 'value' in shown ? say`${shown}` : shown

export const checkRow = (
  code: DifferenceCode,
  what: string,
  wanted: Shown,
  found: Shown,
  does: Words | null,
): CheckRow => ({ code, what, wanted: worded(wanted), found: worded(found), does })
