/** Which way a piece of the project lies in a file: turned, moved, or in a mirror. mm */
import { areaMoments, type Section } from '../../geometry'
import { toStretch } from './stretch'

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
  const { area, x: ax, y: ay, xx, yy, xy } = areaMoments([hull])
  const x = ax / area,
    y = ay / area
  return { x, y, turn: 0.5 * Math.atan2(2 * (xy / area - x * y), xx / area - x * x - (yy / area - y * y)) }
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

const LOOKS = 72

/** Fits the hull of what is laid on that of a wanted section, which lies half a bead further out. */
export function fit(laid: Float64Array, wanted: Float64Array): Fit | null {
  if (laid.length < 6 || wanted.length < 6) return null
  const own = momentsOf(laid),
    other = momentsOf(wanted)
  const points = even(laid, LOOKS)
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
      const distances = points.map(([x, y]) => depthIn([wanted], ...toSection(x, y)).depth)
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
      const far = toStretch(x, y, ax, ay, bx, by)
      if (far < depth) depth = far
      if (ay > y !== by > y && x < ax + ((y - ay) * (bx - ax)) / (by - ay)) inside = !inside
    }
  return { depth, inside }
}
