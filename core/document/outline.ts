/** What makes a list of points no outline that air can flow round. */

/** How far a side may run back on itself, and how far apart its ends may stand, shares of the chord. */
const BACK = 0.02,
  OPEN = 0.1
/** The thinnest section that is reckoned with, share of the chord; the designations begin there too. */
export const LEAST_THICKNESS = 0.01

export interface OutlineFault {
  /** Of the point at fault. */
  at: number
  reason: string
}

/**
 * `points` from the trailing edge over the top and the nose and back, shares of the chord. Null where they are
 * an outline: its ends meet, each side goes one way along the chord, and the upper lies above the lower.
 */
export function outlineFault(points: ReadonlyArray<readonly [number, number]>): OutlineFault | null {
  let nose = 0
  points.forEach(([x], i) => {
    if (x < points[nose][0]) nose = i
  })
  const last = points.length - 1
  if (nose < 2 || nose > last - 2)
    return {
      at: nose,
      reason:
        'the outline does not run round the nose; start at the trailing edge, or give both sides from the nose',
    }
  const [x0, y0] = points[0],
    [x1, y1] = points[last]
  const chord = Math.max(x0, x1) - points[nose][0]
  if (chord < 0.05) return { at: nose, reason: 'the outline has next to no chord' }
  if (Math.abs(x1 - x0) > OPEN * chord || Math.abs(y1 - y0) > OPEN * chord)
    return {
      at: last,
      reason: 'the outline does not close: its two ends lie far apart; the file may have been cut off',
    }
  let reach = points[0][0]
  for (let i = 1; i <= last; i++) {
    const x = points[i][0]
    const forward = i <= nose ? reach - x : x - reach
    if (forward < -BACK * chord)
      return { at: i, reason: 'the outline runs back on itself; every side is given once' }
    reach = i === nose ? points[nose][0] : i <= nose ? Math.min(reach, x) : Math.max(reach, x)
  }
  const upper = points.slice(0, nose + 1).reverse(),
    lower = points.slice(nose)
  let thickest = 0
  for (let i = 1; i < upper.length; i++) {
    const thickness = upper[i][1] - heightAt(lower, upper[i][0])
    if (thickness < -BACK * chord)
      return { at: nose - i, reason: 'the outline crosses itself: its top lies under its bottom here' }
    thickest = Math.max(thickest, thickness)
  }
  for (let i = 1; i < lower.length; i++)
    if (heightAt(upper, lower[i][0]) - lower[i][1] < -BACK * chord)
      return { at: nose + i, reason: 'the outline crosses itself: its bottom lies above its top here' }
  if (thickest < LEAST_THICKNESS * chord)
    return { at: nose, reason: `the section is thinner than ${100 * LEAST_THICKNESS} % of its chord` }
  return null
}

/** `side` runs from the nose back. */
function heightAt(side: ReadonlyArray<readonly [number, number]>, x: number): number {
  // Between the two points that enclose x; sides may have steps back within the tolerance.
  let low = 0,
    high = side.length - 1
  while (high - low > 1) {
    const middle = (low + high) >> 1
    if (side[middle][0] <= x) low = middle
    else high = middle
  }
  const [xa, ya] = side[low],
    [xb, yb] = side[high]
  return xb === xa ? yb : ya + (yb - ya) * Math.min(1, Math.max(0, (x - xa) / (xb - xa)))
}
