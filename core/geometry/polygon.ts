/** Figures of closed polygons given as interleaved x, y. */

/** Signed area (counter-clockwise positive) and its centroid. */
export function polygonArea(points: Float64Array): { area: number; x: number; y: number } {
  let area = 0,
    x = 0,
    y = 0
  const count = points.length / 2
  for (let i = 0; i < count; i++) {
    const j = (i + 1) % count
    const cross = points[2 * i] * points[2 * j + 1] - points[2 * j] * points[2 * i + 1]
    area += cross / 2
    x += ((points[2 * i] + points[2 * j]) * cross) / 6
    y += ((points[2 * i + 1] + points[2 * j + 1]) * cross) / 6
  }
  return area === 0 ? { area: 0, x: points[0] ?? 0, y: points[1] ?? 0 } : { area, x: x / area, y: y / area }
}

/** Area of loops (holes clockwise) and its moments about the origin: ∫x, ∫y, ∫x², ∫y², ∫xy. */
export function areaMoments(loops: readonly Float64Array[]): {
  area: number
  x: number
  y: number
  xx: number
  yy: number
  xy: number
} {
  const sum = { area: 0, x: 0, y: 0, xx: 0, yy: 0, xy: 0 }
  for (const loop of loops) {
    for (let i = 0, j = loop.length - 2; i < loop.length; j = i, i += 2) {
      const ax = loop[j],
        ay = loop[j + 1],
        bx = loop[i],
        by = loop[i + 1],
        cross = ax * by - bx * ay
      sum.area += cross / 2
      sum.x += ((ax + bx) * cross) / 6
      sum.y += ((ay + by) * cross) / 6
      sum.xx += ((ax * ax + ax * bx + bx * bx) * cross) / 12
      sum.yy += ((ay * ay + ay * by + by * by) * cross) / 12
      sum.xy += ((2 * ax * ay + ax * by + bx * ay + 2 * bx * by) * cross) / 24
    }
  }
  return sum
}

export function polygonPerimeter(points: Float64Array): number {
  let length = 0
  const count = points.length / 2
  for (let i = 0; i < count; i++) {
    const j = (i + 1) % count
    length += Math.hypot(points[2 * j] - points[2 * i], points[2 * j + 1] - points[2 * i + 1])
  }
  return length
}

/** Width and depth of the box round the points, turned by `angle` (rad). */
export function turnedExtent(points: Float64Array, angle: number): [number, number] {
  const cos = Math.cos(angle),
    sin = Math.sin(angle)
  let minX = Infinity,
    maxX = -Infinity,
    minY = Infinity,
    maxY = -Infinity
  for (let i = 0; i < points.length; i += 2) {
    const x = points[i] * cos - points[i + 1] * sin,
      y = points[i] * sin + points[i + 1] * cos
    minX = Math.min(minX, x)
    maxX = Math.max(maxX, x)
    minY = Math.min(minY, y)
    maxY = Math.max(maxY, y)
  }
  return [maxX - minX, maxY - minY]
}

/** A circle as a polygon of the same area, clockwise when it is a hole. */
export function circle(x: number, y: number, radius: number, clockwise: boolean, count = 24): Float64Array {
  const points = new Float64Array(2 * count)
  const equalArea = radius * Math.sqrt((2 * Math.PI) / (count * Math.sin((2 * Math.PI) / count)))
  for (let i = 0; i < count; i++) {
    const angle = ((clockwise ? -1 : 1) * 2 * Math.PI * i) / count
    points[2 * i] = x + equalArea * Math.cos(angle)
    points[2 * i + 1] = y + equalArea * Math.sin(angle)
  }
  return points
}

/**
 * Outline carried inwards by `by` (mm), vertex by vertex along the bisectors: for smooth convex outlines,
 * whose point count it keeps.
 */
export function insetVertices(points: Float64Array, by: number): Float64Array {
  const count = points.length / 2
  const result = new Float64Array(points.length)
  const normal = (i: number): [number, number] => {
    const j = (i + 1) % count
    const dx = points[2 * j] - points[2 * i],
      dy = points[2 * j + 1] - points[2 * i + 1],
      length = Math.hypot(dx, dy) || 1
    return [-dy / length, dx / length]
  }
  for (let i = 0; i < count; i++) {
    const [ax, ay] = normal((i + count - 1) % count),
      [bx, by1] = normal(i)
    // The bisector's length is 1/cos of half the turn, held to 2 where the outline turns sharply.
    const scale = 1 / Math.max(0.5, 1 + ax * bx + ay * by1)
    result[2 * i] = points[2 * i] + by * (ax + bx) * scale
    result[2 * i + 1] = points[2 * i + 1] + by * (ay + by1) * scale
  }
  return result
}

/** Is a point inside of a loop? Even and odd; on its edge either. */
export function holdsPoint(loop: Float64Array, x: number, y: number): boolean {
  const count = loop.length / 2
  let inside = false
  for (let i = 0, j = count - 1; i < count; j = i++) {
    const [xi, yi, xj, yj] = [loop[2 * i], loop[2 * i + 1], loop[2 * j], loop[2 * j + 1]]
    if (yi > y !== yj > y && x < ((xj - xi) * (y - yi)) / (yj - yi) + xi) inside = !inside
  }
  return inside
}
