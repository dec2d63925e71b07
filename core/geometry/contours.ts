/**
 * Contours of a closed triangle mesh at many heights. Triangles are sorted by their lowest corner and swept upwards; a
 * triangle that crosses a plane gives one segment between two of its edges. A corner on the plane counts as above it,
 * so every crossing runs through two edges, and neighbours agree on the shared one: closed meshes give closed loops.
 */
import type { TriangleMesh } from './solid'

/** Loops of one layer, x and y interleaved: counter-clockwise round plastic, clockwise round holes. `open` counts loops that a gap in the mesh left unclosed. */
export interface Contours { z: number, loops: Float64Array[], open: number }

/** `heights` must rise. Works for islands, holes and nested shells. */
export function contoursAt({ positions, triangles }: TriangleMesh, heights: readonly number[]): Contours[] {
  const count = triangles.length / 3
  const low = new Float32Array(count), high = new Float32Array(count)
  for (let t = 0; t < count; t++) {
    const a = positions[3 * triangles[3 * t] + 2], b = positions[3 * triangles[3 * t + 1] + 2], c = positions[3 * triangles[3 * t + 2] + 2]
    low[t] = Math.min(a, b, c)
    high[t] = Math.max(a, b, c)
  }
  const order = Uint32Array.from({ length: count }, (_, t) => t).sort((s, t) => low[s] - low[t])
  let active: number[] = []
  let next = 0
  return heights.map((z) => {
    while (next < count && low[order[next]] < z) active.push(order[next++])
    active = active.filter(t => high[t] >= z)
    return chain(positions, triangles, active, z)
  })
}

/** Joins the segments of one plane through the mesh edges that they end on. */
function chain(positions: Float32Array, triangles: Uint32Array, active: readonly number[], z: number): Contours {
  const vertices = positions.length / 3
  /** Edge at which a segment begins → edge at which it ends. Plastic lies to its left. */
  const follow = new Map<number, number>()
  for (const t of active) {
    const corner = [triangles[3 * t], triangles[3 * t + 1], triangles[3 * t + 2]]
    let up = -1, down = -1
    for (let k = 0; k < 3; k++) {
      const a = corner[k], b = corner[(k + 1) % 3]
      const aboveA = positions[3 * a + 2] >= z, aboveB = positions[3 * b + 2] >= z
      if (aboveA === aboveB) continue
      const edge = a < b ? a * vertices + b : b * vertices + a
      if (aboveB) up = edge
      else down = edge
    }
    // Seen from outside, an outward face's own edge runs up on the right and down on the left of the cut.
    if (up >= 0 && down >= 0) follow.set(down, up)
  }
  const point = (edge: number): [number, number] => {
    const a = 3 * Math.floor(edge / vertices), b = 3 * (edge % vertices)
    const t = (z - positions[a + 2]) / (positions[b + 2] - positions[a + 2])
    return [positions[a] + t * (positions[b] - positions[a]), positions[a + 1] + t * (positions[b + 1] - positions[a + 1])]
  }
  const loops: Float64Array[] = []
  let open = 0
  while (follow.size > 0) {
    const first = follow.keys().next().value!
    const points: number[] = []
    let edge: number | undefined = first
    while (edge !== undefined) {
      const to: number | undefined = follow.get(edge)
      if (to === undefined) break
      points.push(...point(edge))
      follow.delete(edge)
      edge = to
    }
    if (edge !== first) open++
    const loop = dropNeedless(points)
    if (loop.length >= 6) loops.push(loop)
  }
  return { z, loops, open }
}

/** A point this near the straight line between its neighbours says nothing, mm: rounding of single precision is of this order. */
const STRAIGHT = 5e-4

/** Points that coincide or lie on a straight run say nothing: facets of a flat face cross the plane many times. */
function dropNeedless(points: readonly number[]): Float64Array {
  const kept: number[] = []
  const count = points.length / 2
  for (let i = 0; i < count; i++) {
    const x = points[2 * i], y = points[2 * i + 1]
    const px = kept.length ? kept[kept.length - 2] : points[2 * (count - 1)], py = kept.length ? kept[kept.length - 1] : points[2 * (count - 1) + 1]
    const j = i + 1 === count ? 0 : i + 1
    const ux = x - px, uy = y - py, vx = points[2 * j] - x, vy = points[2 * j + 1] - y
    if (ux * ux + uy * uy < STRAIGHT * STRAIGHT) continue
    const wx = ux + vx, wy = uy + vy, cross = ux * vy - uy * vx
    // Height over the line from the last kept point to the next one, straight on only.
    if (cross * cross < STRAIGHT * STRAIGHT * (wx * wx + wy * wy) && ux * vx + uy * vy > 0) continue
    kept.push(x, y)
  }
  return Float64Array.from(kept)
}
