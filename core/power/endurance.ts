/** How long a charge lasts: a flight in parts, stepped through the charge. SI */
import { usableCharge, type Battery } from './battery'

/** What a part of a flight draws at a share of charge that is left, A, and how warm it makes the pack, W. */
export type Draw = (left: number) => { current: number; heat: number }

export interface Part {
  seconds: number
  draw: Draw
}

export interface Spent {
  /** Of each part, until the charge was out. */
  parts: Array<{ seconds: number; left: number; charge: number }>
  left: number
  heat: number
}

/** Largest step: two hundredths of the charge, or 10 s where that is longer. */
const STEP = 0.02
/** Longest that a flight is followed, s. */
export const LONGEST = 6 * 3600

/** Parts one after the other from a share of charge, down to `floor`; midpoint rule in time. */
export function spend(battery: Battery, parts: readonly Part[], from = 1, floor = 0): Spent {
  const charge = usableCharge(battery)
  let left = from,
    heat = 0
  const told: Spent['parts'] = []
  for (const { seconds, draw } of parts) {
    let t = 0
    const before = left
    while (t < seconds - 1e-9 && left > floor + 1e-12) {
      const now = draw(left)
      const dt = Math.min(seconds - t, Math.max(10, (STEP * charge) / Math.max(1e-6, now.current)))
      const middle = draw(Math.max(0, left - (now.current * dt) / (2 * charge)))
      const used = (middle.current * dt) / charge
      // The last step ends where the charge does.
      const share = used > left - floor ? (left - floor) / used : 1
      t += dt * share
      left = share < 1 ? floor : left - used
      heat += middle.heat * dt * share
    }
    told.push({ seconds: t, left, charge: (before - left) * charge })
  }
  return { parts: told, left, heat }
}

/** How long these parts can be repeated in proportion after `first` until `reserve` is left, s in all. */
export function lasts(
  battery: Battery,
  first: readonly Part[],
  repeated: readonly Part[],
  reserve: number,
): number {
  const begun = spend(battery, first, 1, reserve)
  const own = begun.parts.reduce((sum, part) => sum + part.seconds, 0)
  const whole = repeated.reduce((sum, part) => sum + part.seconds, 0)
  if (whole <= 0) return own
  // The mix as one draw: how often it is flown changes little within a round.
  const mixed: Draw = left => {
    let current = 0,
      heat = 0
    for (const { seconds, draw } of repeated) {
      const now = draw(left)
      current += (now.current * seconds) / whole
      heat += (now.heat * seconds) / whole
    }
    return { current, heat }
  }
  const rest = spend(battery, [{ seconds: LONGEST, draw: mixed }], begun.left, reserve)
  return own + rest.parts[0].seconds
}
