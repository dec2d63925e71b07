/** Shear and bending along a half span from lift and the wing's own mass. SI. */

export interface SpanPoint {
  s: number
  value: number
}

/** Piecewise-linear value at s; held at the ends. */
export function lineAt(points: readonly SpanPoint[], s: number): number {
  if (s <= points[0].s) return points[0].value
  for (let i = 1; i < points.length; i++) {
    if (s <= points[i].s) {
      const a = points[i - 1],
        b = points[i]
      return a.value + ((b.value - a.value) * (s - a.s)) / (b.s - a.s || 1)
    }
  }
  return points[points.length - 1].value
}

/**
 * Shear (N) and moment (N·m) at each of `places`, from a net load per length (N/m, up positive) given
 * piecewise linearly from root to tip, and point loads. Closed form within each piece.
 */
export function shearAndMoment(
  net: readonly SpanPoint[],
  points: ReadonlyArray<{ s: number; force: number }>,
  places: readonly number[],
): Array<{ s: number; shear: number; moment: number }> {
  return places.map(s => {
    let shear = 0,
      moment = 0
    for (let i = 0; i + 1 < net.length; i++) {
      const a = Math.max(s, net[i].s),
        b = net[i + 1].s
      if (b <= a) continue
      const slope = (net[i + 1].value - net[i].value) / (net[i + 1].s - net[i].s)
      const qa = net[i].value + slope * (a - net[i].s),
        d = b - a
      const part = qa * d + (slope * d * d) / 2
      shear += part
      moment += part * (a - s) + (qa * d * d) / 2 + (slope * d ** 3) / 3
    }
    for (const point of points) {
      if (point.s < s) continue
      shear += point.force
      moment += point.force * (point.s - s)
    }
    return { s, shear, moment }
  })
}
