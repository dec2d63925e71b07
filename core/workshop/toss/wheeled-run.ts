/** From standing to lift-off on wheels, and what an arm with the motor running ends with. SI */
import type { PitchTables } from '../../assess'
import { gliderOf } from './glider'

export interface Run {
  /** Speed at which it leaves, and how far and long that takes; null where it never gets there. */
  liftOffMs: number
  distanceM: number | null
  seconds: number | null
}

/** Drag of wheels over the load on them: short grass; a hard runway has a third of it. */
export const GRASS = 0.09,
  RUNWAY = 0.03
/** It leaves at this multiple of its stall, rolling with the wing at so much of its greatest lift. */
const LEAVES = 1.2,
  ROLLING_LIFT = 0.45
const STEPS = 200

/** `pull` by speed. Even steps of speed; distance is ∫ v dv/a. */
export function wheeledRun(
  tables: PitchTables,
  pull: (speed: number) => number,
  friction: number,
  wind = 0,
): Run {
  const glider = gliderOf(tables)
  const leaves = LEAVES * tables.stallSpeed
  const alpha = (ROLLING_LIFT * tables.clMax - tables.clZero) / tables.clAlpha
  const weight = tables.mass * tables.gravity
  const gains = (speed: number): number => {
    const { CL, CD } = glider.at(alpha, speed, 0)
    const pressure = (tables.density * speed ** 2 * tables.area) / 2
    const rubs = friction * Math.max(0, weight - pressure * CL)
    return (pull(speed) - pressure * Math.max(0, CD - tables.standingPropeller) - rubs) / tables.mass
  }
  const from = Math.min(leaves, Math.max(0, wind))
  const step = (leaves - from) / STEPS
  let distance = 0,
    seconds = 0
  for (let i = 0; i < STEPS; i++) {
    const speed = from + (i + 0.5) * step
    const a = gains(speed)
    if (a <= 1e-3) return { liftOffMs: leaves, distanceM: null, seconds: null }
    distance += ((speed - wind) * step) / a
    seconds += step / a
  }
  return { liftOffMs: leaves, distanceM: distance, seconds }
}

/** An arm's way, m: over it the motor works too. */
export const ARM_WAY = 1.2

/** What leaves the hand once the thrust has pulled along over the arm's way, m/s. */
export const armEnds = (throwMs: number, thrust: number, mass: number): number =>
  Math.sqrt(throwMs ** 2 + (2 * Math.max(0, thrust) * ARM_WAY) / mass)
