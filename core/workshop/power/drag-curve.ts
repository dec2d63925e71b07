/** Drag of level flight in trim over speed, tabulated once: what a drive is held against, also at other weights. SI */
import type { PitchTables } from '../../assess'
import type { Glider } from '../../toss'
import { levelAt } from './level-flight'

export interface DragCurve {
  /** Of the aircraft as it is. */
  at(speed: number): number
  /** Of the same aircraft with another weight: at the same lift coefficient drag goes with the weight. */
  heavier(share: number): (speed: number) => number
}

const POINTS = 30
/** Speeds of the table, as multiples of the stall's. */
const FROM = 0.95,
  TO = 8

export function dragCurve(glider: Glider, tables: PitchTables): DragCurve {
  const stall = Math.max(0.5, tables.stallSpeed)
  const first = Math.log(FROM * stall),
    step = (Math.log(TO * stall) - first) / (POINTS - 1)
  const logs = Array.from({ length: POINTS }, (_, i) =>
    Math.log(levelAt(glider, tables, Math.exp(first + i * step)).drag),
  )
  const at = (speed: number): number => {
    const place = (Math.log(Math.max(1e-3, speed)) - first) / step
    // Under the stall nothing flies level; beyond the table drag goes with the square of the speed.
    if (place >= POINTS - 1) return Math.exp(logs[POINTS - 1]) * (speed / (TO * stall)) ** 2
    const held = Math.max(0, place)
    const i = Math.min(POINTS - 2, Math.floor(held)),
      t = held - i
    const b = logs[i],
      c = logs[i + 1],
      a = i > 0 ? logs[i - 1] : 2 * b - c,
      d = i < POINTS - 2 ? logs[i + 2] : 2 * c - b
    return Math.exp(b + (t / 2) * (c - a + t * (2 * a - 5 * b + 4 * c - d + t * (3 * (b - c) + d - a))))
  }
  return { at, heavier: share => speed => share * at(speed / Math.sqrt(share)) }
}
