/** A picture under a drawn view brought to scale by two points whose distance is known. mm, ° */
import type { Tracing } from '../../document'

export type Spot = readonly [right: number, down: number]

/** Points nearer than this on the drawing tell no scale, mm. */
export const APART_MM = 2

const distance = ([ax, ay]: Spot, [bx, by]: Spot): number => Math.hypot(bx - ax, by - ay)

/**
 * The first point stays where it is; the picture grows about it until both are `trueMm` apart. Null where
 * they are too close together, or what comes out is no size of a picture.
 */
export function scaledByTwo(tracing: Tracing, from: Spot, to: Spot, trueMm: number): Tracing | null {
  const apart = distance(from, to)
  if (apart < APART_MM || !(trueMm > 0)) return null
  const by = trueMm / apart,
    widthMm = tracing.widthMm * by
  if (!(widthMm >= 1 && widthMm <= 50000)) return null
  return {
    ...tracing,
    widthMm,
    rightMm: from[0] + by * (tracing.rightMm - from[0]),
    downMm: from[1] + by * (tracing.downMm - from[1]),
  }
}

/** Turned about the first point until the second lies level with it, or plumb under it, whichever is nearer. */
export function levelledByTwo(tracing: Tracing, from: Spot, to: Spot): Tracing | null {
  if (distance(from, to) < APART_MM) return null
  const angle = (Math.atan2(to[1] - from[1], to[0] - from[0]) * 180) / Math.PI
  const turn = Math.round(angle / 90) * 90 - angle,
    t = (turn * Math.PI) / 180
  const [dx, dy] = [tracing.rightMm - from[0], tracing.downMm - from[1]]
  const turned = tracing.turnDeg + turn
  return {
    ...tracing,
    turnDeg: turned > 180 ? turned - 360 : turned < -180 ? turned + 360 : turned,
    rightMm: from[0] + dx * Math.cos(t) - dy * Math.sin(t),
    downMm: from[1] + dx * Math.sin(t) + dy * Math.cos(t),
  }
}
