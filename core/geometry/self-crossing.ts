/** Does a closed outline run through itself? */

/**
 * Place of the first crossing of two edges that are not neighbours, in the outline's own coordinates; null
 * where there is none. O(n²).
 */
export function selfCrossing(outline: Float64Array): { x: number; y: number } | null {
  const count = outline.length / 2
  const at = (i: number): [number, number] => [outline[2 * (i % count)], outline[2 * (i % count) + 1]]
  const side = (p: [number, number], q: [number, number], r: [number, number]) =>
    (q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0])
  for (let i = 0; i < count; i++) {
    const a = at(i),
      b = at(i + 1)
    for (let j = i + 2; j < count; j++) {
      if (i === 0 && j === count - 1) continue
      const c = at(j),
        d = at(j + 1)
      if (Math.max(a[0], b[0]) < Math.min(c[0], d[0]) || Math.max(c[0], d[0]) < Math.min(a[0], b[0])) continue
      const s = side(a, b, c),
        t = side(a, b, d),
        u = side(c, d, a),
        v = side(c, d, b)
      if (s * t < 0 && u * v < 0) {
        const share = u / (u - v)
        return { x: a[0] + share * (b[0] - a[0]), y: a[1] + share * (b[1] - a[1]) }
      }
    }
  }
  return null
}
