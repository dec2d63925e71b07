export type Point = readonly [number, number]

/** Convex hull by Andrew's monotone chain. */
export function convexHull(points: readonly Point[]): Point[] {
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1])
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
