/** A wing of the butterfly: a figure, its target, margin and spread, and what it is made of. */
import type { Words } from '../../units'
export type WingName = 'weight' | 'balance' | 'strength' | 'hours'

export interface Contribution {
  name: Words
  value: number
  unit: string
  note?: Words
}

export interface Verdict {
  wing: WingName
  label: string
  value: number
  unit: string
  digits: number
  /** In words with units, such as `≤ 850 g` or `6–14 %`. */
  targetText: Words
  /** Positive when the target is met, in `unit`. */
  margin: number
  /** One standard deviation of `value`. */
  spread: number
  /** 0 hopeless, 1 target just met; how far the wing on screen fills. */
  fill: number
  state: 'good' | 'tight' | 'failing'
  contributions: Contribution[]
  reason: Words
}
