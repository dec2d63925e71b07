/**
 * What lies a given distance inside a slice, without building the offset curve. For every edge of the outline the
 * depth of the medial axis is found by the shrinking ball: the greatest circle that touches the edge from inside and
 * holds no other point of the outline, r = |q − p|² / (2 n·(q − p)). An offset at d then exists where d is less than
 * that depth, and its length there is the edge's, shortened by d·tan(θ/2) for the turn θ at each of its ends.
 * Exact for convex polygons up to the edge length; proved against circles, wedges, rectangles and true offsets.
 */
import type { Slice } from '../geometry'

export interface InsetField {
  /** Edges: length, middle, what one unit of depth takes from the length, and depth of the medial axis. mm. */
  length: Float64Array
  midX: Float64Array
  midY: Float64Array
  shrink: Float64Array
  depth: Float64Array
  /** Inward normal. */
  normalX: Float64Array
  normalY: Float64Array
  /** Edges of the outer contour come first; the rest belong to holes. */
  outerCount: number
  area: number
  areaX: number
  areaY: number
}

/** tan(θ/2) grows without bound as an outline turns back on itself; past this the medial axis cuts the offset anyway. */
const SHARPEST = 20

/** Finds the field of a slice, O(n²) in its points. */
export const insetField = (slice: Slice): InsetField => insetFieldOf([slice.outer, ...slice.holes], slice.outer.length / 2)

/** The same for any number of loops, islands and holes alike: counter-clockwise outside, clockwise inside. */
export function insetFieldOf(loops: readonly Float64Array[], outerCount: number): InsetField {
  const total = loops.reduce((sum, loop) => sum + loop.length / 2, 0)
  const field: InsetField = {
    length: new Float64Array(total), midX: new Float64Array(total), midY: new Float64Array(total), shrink: new Float64Array(total), depth: new Float64Array(total),
    normalX: new Float64Array(total), normalY: new Float64Array(total), outerCount, area: 0, areaX: 0, areaY: 0,
  }
  const pointX = new Float64Array(total), pointY = new Float64Array(total)
  let at = 0
  for (const loop of loops) {
    addLoop(field, loop, at)
    for (let i = 0; i < loop.length / 2; i++) {
      pointX[at + i] = loop[2 * i]
      pointY[at + i] = loop[2 * i + 1]
    }
    at += loop.length / 2
  }
  if (field.area !== 0) {
    field.areaX /= field.area
    field.areaY /= field.area
  }
  findDepths(field, pointX, pointY)
  return field
}

function addLoop(field: InsetField, loop: Float64Array, start: number): void {
  const count = loop.length / 2
  const direction = new Float64Array(count)
  for (let i = 0; i < count; i++) {
    const j = (i + 1) % count
    const ax = loop[2 * i], ay = loop[2 * i + 1], bx = loop[2 * j], by = loop[2 * j + 1]
    const dx = bx - ax, dy = by - ay
    const length = Math.hypot(dx, dy) || 1e-12
    field.length[start + i] = length
    field.midX[start + i] = (ax + bx) / 2
    field.midY[start + i] = (ay + by) / 2
    // Left of the direction of travel is inside, for counter-clockwise outlines and clockwise holes alike.
    field.normalX[start + i] = -dy / length
    field.normalY[start + i] = dx / length
    direction[i] = Math.atan2(dy, dx)
    const cross = ax * by - bx * ay
    field.area += cross / 2
    field.areaX += ((ax + bx) * cross) / 6
    field.areaY += ((ay + by) * cross) / 6
  }
  for (let i = 0; i < count; i++) {
    const j = (i + 1) % count
    let turn = direction[j] - direction[i]
    if (turn > Math.PI) turn -= 2 * Math.PI
    if (turn < -Math.PI) turn += 2 * Math.PI
    const half = Math.max(-SHARPEST, Math.min(SHARPEST, Math.tan(turn / 2)))
    field.shrink[start + i] += half
    field.shrink[start + j] += half
  }
}

function findDepths(field: InsetField, pointX: Float64Array, pointY: Float64Array): void {
  const { midX, midY, normalX, normalY, depth } = field
  const count = midX.length
  for (let e = 0; e < count; e++) {
    const px = midX[e], py = midY[e], nx = normalX[e], ny = normalY[e]
    let least = 1e9
    // Two samples an edge: vertices and middles of the others.
    for (let q = 0; q < count; q++) {
      const vx = pointX[q] - px, vy = pointY[q] - py
      const toward = nx * vx + ny * vy
      if (toward > 1e-9) {
        const r = (vx * vx + vy * vy) / (2 * toward)
        if (r < least) least = r
      }
      const mx = midX[q] - px, my = midY[q] - py
      const inward = nx * mx + ny * my
      if (inward > 1e-9) {
        const r = (mx * mx + my * my) / (2 * inward)
        if (r < least) least = r
      }
    }
    depth[e] = least
  }
}

/** Length of edge e carried inward by d, mm; never negative. */
export const insetEdge = (field: InsetField, e: number, d: number): number => Math.max(0, field.length[e] - d * field.shrink[e])

/** Area further than d inside the outline, mm², with its centroid taken as the slice's. */
export function insetArea(field: InsetField, d: number): number {
  let lost = 0
  for (let e = 0; e < field.length.length; e++) {
    const reach = Math.min(d, field.depth[e])
    const most = field.shrink[e] > 0 ? Math.min(reach, field.length[e] / field.shrink[e]) : reach
    lost += field.length[e] * most - (field.shrink[e] * most * most) / 2
  }
  return Math.max(0, field.area - lost)
}
