/** Which way a piece of the project lies in a file: turned, moved, or in a mirror. mm */
import { polygonArea, type Section } from '../../geometry'
import type { LayerShape } from './figures'

export interface Fit {
  /** Root of the mean square distance of the laid hull from the wanted one, mm. */
  off: number
  mirrored: boolean
  /** From the file's axes to the section's own. */
  toSection(x: number, y: number): [number, number]
}

interface Moments {
  x: number
  y: number
  /** Direction of the longer axis, rad. */
  turn: number
}

function momentsOf(hull: Float64Array): Moments {
  const { area, x, y } = polygonArea(hull)
  let xx = 0,
    yy = 0,
    xy = 0
  for (let i = 0, j = hull.length - 2; i < hull.length; j = i, i += 2) {
    const ax = hull[j] - x,
      ay = hull[j + 1] - y,
      bx = hull[i] - x,
      by = hull[i + 1] - y,
      cross = ax * by - bx * ay
    xx += ((ax * ax + ax * bx + bx * bx) * cross) / 12
    yy += ((ay * ay + ay * by + by * by) * cross) / 12
    xy += ((2 * ax * ay + ax * by + bx * ay + 2 * bx * by) * cross) / 24
  }
  const way = Math.sign(area) || 1
  return { x, y, turn: 0.5 * Math.atan2(2 * xy * way, (xx - yy) * way) }
}

/** Points of a hull at even distances. */
function even(hull: Float64Array, count: number): Array<[number, number]> {
  const edges: number[] = []
  let whole = 0
  for (let i = 0; i < hull.length; i += 2) {
    const j = (i + 2) % hull.length
    const length = Math.hypot(hull[j] - hull[i], hull[j + 1] - hull[i + 1])
    edges.push(length)
    whole += length
  }
  const points: Array<[number, number]> = []
  let at = 0,
    i = 0
  for (let k = 0; k < count; k++) {
    const wanted = (k * whole) / count
    while (i < edges.length - 1 && at + edges[i] < wanted) at += edges[i++]
    const t = edges[i] > 0 ? (wanted - at) / edges[i] : 0
    const a = 2 * i,
      b = (2 * i + 2) % hull.length
    points.push([hull[a] + t * (hull[b] - hull[a]), hull[a + 1] + t * (hull[b + 1] - hull[a + 1])])
  }
  return points
}

/** Distance from the outline of a hull, mm. */
function away(hull: Float64Array, x: number, y: number): number {
  let best = Infinity
  for (let i = 0; i < hull.length; i += 2) {
    const j = (i + 2) % hull.length
    const dx = hull[j] - hull[i],
      dy = hull[j + 1] - hull[i + 1],
      length = dx * dx + dy * dy
    const t =
      length > 0 ? Math.min(1, Math.max(0, ((x - hull[i]) * dx + (y - hull[i + 1]) * dy) / length)) : 0
    best = Math.min(best, Math.hypot(hull[i] + t * dx - x, hull[i + 1] + t * dy - y))
  }
  return best
}

const LOOKS = 72

/** Fits what is laid on the hull of a wanted section, which lies half a bead further out. */
export function fit(shape: LayerShape, wanted: Float64Array): Fit | null {
  if (shape.hull.length < 6 || wanted.length < 6) return null
  const own = momentsOf(shape.hull),
    other = momentsOf(wanted)
  const points = even(shape.hull, LOOKS)
  let best: Fit | null = null
  for (const mirrored of [false, true])
    for (const half of [0, Math.PI]) {
      // In a mirror the longer axis runs the other way round.
      const turn = other.turn + half - (mirrored ? -own.turn : own.turn)
      const cos = Math.cos(turn),
        sin = Math.sin(turn)
      const toSection = (x: number, y: number): [number, number] => {
        const dx = x - own.x,
          dy = mirrored ? own.y - y : y - own.y
        return [other.x + dx * cos - dy * sin, other.y + dx * sin + dy * cos]
      }
      const distances = points.map(([x, y]) => away(wanted, ...toSection(x, y)))
      const mean = distances.reduce((sum, value) => sum + value, 0) / distances.length
      const off = Math.sqrt(distances.reduce((sum, value) => sum + (value - mean) ** 2, 0) / distances.length)
      if (!best || off < best.off - 1e-9) best = { off, mirrored, toSection }
    }
  return best
}

/** Distance of a place from the nearest edge of a section, and whether it lies within its plastic. */
export function depthIn(section: Section, x: number, y: number): { depth: number; inside: boolean } {
  let depth = Infinity,
    inside = false
  for (const loop of section)
    for (let i = 0, j = loop.length - 2; i < loop.length; j = i, i += 2) {
      const ax = loop[j],
        ay = loop[j + 1],
        bx = loop[i],
        by = loop[i + 1]
      const dx = bx - ax,
        dy = by - ay,
        length = dx * dx + dy * dy
      const t = length > 0 ? Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / length)) : 0
      const far = Math.hypot(ax + t * dx - x, ay + t * dy - y)
      if (far < depth) depth = far
      if (ay > y !== by > y && x < ax + ((y - ay) * dx) / dy) inside = !inside
    }
  return { depth, inside }
}
