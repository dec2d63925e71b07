/** How fast it flies level at full throttle, and how fast it gains height. SI */
import { rootBetween } from '../../power'
import { radToDeg } from '../../units'

export interface Reach {
  /** Null where it cannot stay level at all. */
  levelMax: number | null
  climb: { ms: number; atMs: number; deg: number } | null
}

/** Speeds that are looked at before the best is closed in on. */
const SCAN = 20

/** `pull` and `drag` by speed. Climb is sought from a tenth above the stall upward; straight up at the most. */
export function reachOf(
  pull: (speed: number) => number,
  drag: (speed: number) => number,
  stall: number,
  weight: number,
): Reach {
  const excess = (speed: number) => pull(speed) - drag(speed)
  const rising = (speed: number) => speed * Math.min(1, excess(speed) / weight)
  const slowest = 1.1 * stall
  // Thrust runs out somewhere: there drag is more.
  let far = 2 * stall
  while (excess(far) > 0 && far < 400) far *= 1.4
  const step = (far - slowest) / SCAN
  let best = slowest
  for (let i = 0; i <= SCAN; i++) if (rising(slowest + i * step) > rising(best)) best = slowest + i * step
  // Between its neighbours the best lies on a smooth top.
  let low = Math.max(slowest, best - step),
    high = best + step
  for (let i = 0; i < 18; i++) {
    const a = low + (high - low) / 3,
      b = high - (high - low) / 3
    if (rising(a) < rising(b)) low = a
    else high = b
  }
  best = (low + high) / 2
  if (excess(best) <= 0) return { levelMax: null, climb: null }
  const share = Math.min(1, excess(best) / weight)
  return {
    levelMax: rootBetween(excess, best, far, 1e-6),
    climb: { ms: best * share, atMs: best, deg: radToDeg(Math.asin(share)) },
  }
}
