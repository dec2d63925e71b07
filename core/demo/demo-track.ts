/** A made-up recording of the kind that a small logger writes: launched, climbed, cruised, glided, landed. */
import type { Track } from '../document'

/** s, share of throttle. */
const LEGS: ReadonlyArray<[number, number]> = [
  [0, 1],
  [40, 1],
  [44, 0.45],
  [296, 0.45],
  [302, 0],
]
const STEP = 2,
  LONG = 390

const throttleAt = (t: number): number => {
  const i = LEGS.findIndex(([at]) => at > t)
  if (i < 0) return 0
  if (i === 0) return LEGS[0][1]
  const [[a, x], [b, y]] = [LEGS[i - 1], LEGS[i]]
  return x + ((y - x) * (t - a)) / (b - a)
}

export function demoTrack(flight: string, source: string): Track {
  const track: Track = {
    flight,
    source,
    stepS: STEP,
    speedMs: [],
    air: true,
    heightM: [],
    eastM: [],
    northM: [],
    amps: [],
    volts: [],
  }
  let height = 1.5,
    used = 0
  const round = (value: number, digits: number) => Number(value.toFixed(digits))
  for (let t = 0; t < LONG; t += STEP) {
    const throttle = throttleAt(t)
    // Small swells instead of chance: the demo is the same every time.
    const swell = Math.sin(t / 11) + 0.6 * Math.sin(t / 4.3)
    const speed = height > 0.5 ? Math.min(t * 3 + 8, 12.6 + 1.9 * throttle + 0.35 * swell) : 0
    const sink = 1.19 - 4.1 * Math.max(0, throttle - 0.16)
    const next = throttle > 0.42 && throttle < 0.5 ? height + 0.15 * swell : height - sink * STEP
    const amps = throttle < 0.02 ? 0.1 : 0.2 + 13.4 * throttle ** 2.1
    used += (amps * STEP) / 3.6
    track.speedMs.push(round(speed, 1))
    track.heightM.push(round(height, 1))
    track.eastM.push(round(70 * Math.sin(t / 19), 0))
    track.northM.push(round(110 * Math.sin(t / 31), 0))
    track.amps.push(round(amps, 1))
    track.volts.push(round(12.5 - (1.5 * used) / 1300 - 0.06 * amps, 2))
    height = Math.max(0, next)
  }
  return track
}
