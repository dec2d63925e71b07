export type Point = readonly [number, number]

/** Fewer points than this are sorted as they are. */
const FEW = 32

/** Convex hull by Andrew's monotone chain. */
export function convexHull(points: readonly Point[]): Point[] {
  const sorted = (points.length > FEW ? outlying(points) : [...points]).sort(
    (a, b) => a[0] - b[0] || a[1] - b[1],
  )
  const half = (list: readonly Point[]) => {
    const chain: Point[] = []
    for (const p of list) {
      while (chain.length > 1) {
        const [a, b] = [chain[chain.length - 2], chain[chain.length - 1]]
        if ((b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0]) > 0) break
        chain.pop()
      }
      chain.push(p)
    }
    chain.pop()
    return chain
  }
  return [...half(sorted), ...half(sorted.reverse())]
}

/** Eight sides, one after another counter-clockwise. */
const WAYS = [
  [1, 0],
  [1, 1],
  [0, 1],
  [-1, 1],
  [-1, 0],
  [-1, -1],
  [0, -1],
  [1, -1],
] as const

/**
 * Points that are not well inside of the outline through the furthest to eight sides (Akl and Toussaint, 1978): those
 * of a hull are all among them, and most of a cloud is not.
 */
function outlying(points: readonly Point[]): Point[] {
  const ring: Point[] = WAYS.map(() => points[0]),
    reach = WAYS.map(() => -Infinity)
  for (const p of points)
    for (let way = 0; way < WAYS.length; way++) {
      const far = p[0] * WAYS[way][0] + p[1] * WAYS[way][1]
      if (far > reach[way]) [reach[way], ring[way]] = [far, p]
    }
  const sides = ring.flatMap(([ax, ay], i) => {
    const [bx, by] = ring[(i + 1) % ring.length]
    return ax === bx && ay === by ? [] : [{ ax, ay, dx: bx - ax, dy: by - ay }]
  })
  return sides.length < 3
    ? [...points]
    : points.filter(([x, y]) => sides.some(({ ax, ay, dx, dy }) => dx * (y - ay) - dy * (x - ax) <= 0))
}
