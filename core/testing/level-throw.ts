import type { Throw } from '../workshop/toss'

/** From a shoulder, level, at 8 m/s, in still air, without power and with everything in line. */
export const LEVEL_THROW: Throw = {
  speedMs: 8,
  pathDeg: 0,
  heightM: 1.8,
  elevatorDeg: 0,
  tailDeg: 0,
  windMs: 0,
  gustMs: 0,
  throttlePct: 0,
  powerAfterS: 0,
}
