/** A wing of the butterfly: a figure, its target, margin and spread, and what it is made of. */
export type WingName = 'weight' | 'balance' | 'strength' | 'hours'

export interface Contribution {
  name: string
  value: number
  unit: string
  note?: string
}

export interface Verdict {
  wing: WingName
  label: string
  value: number
  unit: string
  digits: number
  /** In words with units, such as `≤ 850 g` or `6–14 %`. */
  targetText: string
  /** Positive when the target is met, in `unit`. */
  margin: number
  /** One standard deviation of `value`. */
  spread: number
  /** 0 hopeless, 1 target just met; how far the wing on screen fills. */
  fill: number
  state: 'good' | 'tight' | 'failing'
  contributions: Contribution[]
  reason: string
}
