/** A close box round points in space, however they lie. */
import { convexHull, type Point } from './convex-hull'

/** Turning ends where the box gets smaller by less than this share. */
const WORTH = 1e-4
/** It is turned about each axis by turns, so often at most. */
const ROUNDS = 6

/**
 * Sides of a box that encloses the points, longest first: turned about one axis after another, each time to the least
 * rectangle of the shadow along it, until it gets no smaller. It encloses them always; that no other way of turning
 * gives a smaller one is not promised. `points`: x, y, z one after another; the box is in their unit. All 0 for none.
 */
export function turnedBox(points: Float64Array): [number, number, number] {
  if (points.length === 0) return [0, 0, 0]
  const at = points.slice()
  for (let round = 0; round < ROUNDS; round++) {
    const before = volume(sides(at))
    for (const [a, b] of [
      [1, 2],
      [0, 1],
      [0, 2],
    ] as const)
      turn(at, a, b)
    if (!(volume(sides(at)) < (1 - WORTH) * before)) break
  }
  return sides(at).sort((a, b) => b - a) as [number, number, number]
}

const volume = ([a, b, c]: readonly number[]) => a * b * c

function sides(at: Float64Array): number[] {
  return [0, 1, 2].map(axis => {
    let low = Infinity,
      high = -Infinity
    for (let i = axis; i < at.length; i += 3) {
      low = Math.min(low, at[i])
      high = Math.max(high, at[i])
    }
    return high - low
  })
}

/** Turns the points in the plane of two axes, so that their least rectangle there lies along them. */
function turn(at: Float64Array, a: number, b: number): void {
  const shadow: Point[] = []
  for (let i = 0; i < at.length; i += 3) shadow.push([at[i + a], at[i + b]])
  const hull = convexHull(shadow)
  const [cos, sin] = leastTurn(hull)
  for (let i = 0; i < at.length; i += 3) {
    const [x, y] = [at[i + a], at[i + b]]
    at[i + a] = x * cos + y * sin
    at[i + b] = y * cos - x * sin
  }
}

/** Direction along which the least rectangle round a convex outline lies: along one of its edges. */
function leastTurn(hull: readonly Point[]): [cos: number, sin: number] {
  const count = hull.length,
    xs = Float64Array.from(hull, p => p[0]),
    ys = Float64Array.from(hull, p => p[1])
  let least = Infinity,
    best: [number, number] = [1, 0]
  for (let i = 0; i < count; i++) {
    const j = (i + 1) % count,
      length = Math.hypot(xs[j] - xs[i], ys[j] - ys[i])
    if (length === 0) continue
    const c = (xs[j] - xs[i]) / length,
      s = (ys[j] - ys[i]) / length
    let back = Infinity,
      ahead = -Infinity,
      under = Infinity,
      over = -Infinity
    for (let k = 0; k < count; k++) {
      const along = xs[k] * c + ys[k] * s,
        across = ys[k] * c - xs[k] * s
      if (along < back) back = along
      if (along > ahead) ahead = along
      if (across < under) under = across
      if (across > over) over = across
    }
    const area = (ahead - back) * (over - under)
    if (area < least) {
      least = area
      best = [c, s]
    }
  }
  return best
}
