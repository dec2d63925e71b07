import type { TriangleMesh } from './triangle-mesh'
/**
 * Loops of one layer, x and y interleaved: counter-clockwise round plastic, clockwise round holes. `open`
 * counts loops that a gap in the mesh left unclosed.
 */
export interface Contours {
  z: number
  loops: Float64Array[]
  open: number
}

/** `heights` must rise. Works for islands, holes and nested shells. */
export function contoursAt({ positions, triangles }: TriangleMesh, heights: readonly number[]): Contours[] {
  const count = triangles.length / 3
  const neighbours = neighboursOf(triangles, positions.length / 3)
  const { last, byFirst, starts, changes } = layersOf(positions, triangles, heights)
  const active = new Int32Array(count),
    seen = new Int32Array(count).fill(-1)
  let alive = 0
  const layers = heights.map((z): Contours => ({ z, loops: [], open: 0 }))
  for (let k = 0; k < heights.length;) {
    for (let i = starts[k]; i < starts[k + 1]; i++) active[alive++] = byFirst[i]
    // Those that ended below are taken out; the last of the list fills the gap.
    for (let i = 0; i < alive;) {
      if (last[active[i]] < k) active[i] = active[--alive]
      else i++
    }
    let end = k + 1
    while (end < heights.length && !changes[end]) end++
    for (let i = 0; i < alive; i++) {
      if (seen[active[i]] === k) continue
      const length = walk(positions, triangles, neighbours, seen, active[i], heights[k], k)
      loopsThrough(positions, length, layers, k, end)
    }
    k = end
  }
  return layers
}

/**
 * Loops at one height, begun at those of the listed triangles that the plane cuts; the lists hold every one of
 * them.
 */
export function contourThrough(
  { positions, triangles }: TriangleMesh,
  neighbours: Int32Array,
  lists: readonly Int32Array[],
  z: number,
): Float64Array[] {
  const layer: Contours = { z, loops: [], open: 0 }
  const count = triangles.length / 3
  if (visited.length < count) visited = new Int32Array(count).fill(-1)
  // Every call has a stamp of its own, so that nothing need be wiped.
  const own = ++stamps
  for (const list of lists)
    for (const t of list) {
      if (visited[t] === own) continue
      const up = (corner: number) => positions[3 * triangles[3 * t + corner] + 2] >= z
      const a = up(0),
        b = up(1),
        c = up(2)
      if (a === b && b === c) continue
      const length = walk(positions, triangles, neighbours, visited, t, z, own)
      loopsThrough(positions, length, [layer], 0, 1)
    }
  return layer.loops
}
let visited = new Int32Array(0),
  stamps = 0

/** Edges that the walk crossed, as their two ends; whether it came back to where it began. */
let edgeLow: Int32Array = new Int32Array(1024),
  edgeHigh: Int32Array = new Int32Array(1024),
  closed = true

/** Follows the plane from triangle `start` until it comes back, or to a gap; the number of edges crossed. */
function walk(
  positions: Float32Array,
  triangles: Uint32Array,
  neighbours: Int32Array,
  seen: Int32Array,
  start: number,
  z: number,
  stamp: number,
): number {
  let t = start,
    length = 0
  do {
    seen[t] = stamp
    const a = triangles[3 * t],
      b = triangles[3 * t + 1],
      c = triangles[3 * t + 2]
    const upA = positions[3 * a + 2] >= z,
      upB = positions[3 * b + 2] >= z,
      upC = positions[3 * c + 2] >= z
    if (edgeLow.length <= length) {
      edgeLow = longer(edgeLow)
      edgeHigh = longer(edgeHigh)
    }
    // Seen from outside, an outward face's own edge runs down on the left of the cut and up on its right: in
    // by the one, out by the other.
    let out: number
    if (upA && !upB) {
      edgeHigh[length] = a
      edgeLow[length] = b
    } else if (upB && !upC) {
      edgeHigh[length] = b
      edgeLow[length] = c
    } else {
      edgeHigh[length] = c
      edgeLow[length] = a
    }
    length++
    if (!upA && upB) out = 0
    else if (!upB && upC) out = 1
    else out = 2
    t = neighbours[3 * t + out]
  } while (t >= 0 && seen[t] !== stamp)
  closed = t === start
  return length
}

const longer = (list: Int32Array): Int32Array => {
  const more = new Int32Array(2 * list.length)
  more.set(list)
  return more
}

/** Each crossed edge as a point that runs with z: x = x0 + z·xz. */
let x0 = new Float64Array(1024),
  xz = new Float64Array(1024),
  y0 = new Float64Array(1024),
  yz = new Float64Array(1024)

/** The walked loop at every plane from `from` to before `to`. */
function loopsThrough(
  positions: Float32Array,
  length: number,
  layers: Contours[],
  from: number,
  to: number,
): void {
  if (x0.length < length) [x0, xz, y0, yz] = [x0, xz, y0, yz].map(() => new Float64Array(2 * length))
  for (let i = 0; i < length; i++) {
    const p = 3 * edgeLow[i],
      q = 3 * edgeHigh[i]
    const rise = positions[q + 2] - positions[p + 2]
    xz[i] = (positions[q] - positions[p]) / rise
    yz[i] = (positions[q + 1] - positions[p + 1]) / rise
    x0[i] = positions[p] - positions[p + 2] * xz[i]
    y0[i] = positions[p + 1] - positions[p + 2] * yz[i]
  }
  if (needed.length < length) needed = new Uint8Array(2 * length)
  needed.fill(0, 0, length)
  markNeeded(length, layers[from].z)
  if (to - from > 1) markNeeded(length, layers[to - 1].z)
  let count = 0
  // What is needed is moved up, so that the planes run through it in a row.
  for (let i = 0; i < length; i++) {
    if (!needed[i]) continue
    x0[count] = x0[i]
    xz[count] = xz[i]
    y0[count] = y0[i]
    yz[count] = yz[i]
    count++
  }
  // One block for all the planes: many small arrays would cost more than what is in them.
  const block = new Float64Array(count < 3 ? 0 : 2 * count * (to - from))
  for (let k = from, at = 0; k < to; k++) {
    const layer = layers[k],
      z = layer.z
    if (!closed) layer.open++
    if (count < 3) continue
    const begin = at
    for (let i = 0; i < count; i++) {
      block[at] = x0[i] + z * xz[i]
      block[at + 1] = y0[i] + z * yz[i]
      at += 2
    }
    layer.loops.push(block.subarray(begin, at))
  }
}

/**
 * A point this near the straight line between its neighbours says nothing, mm: rounding of single precision
 * is of this order.
 */
const STRAIGHT = 5e-4
let needed = new Uint8Array(1024)

/**
 * Marks the points of a loop that do not coincide with the one before or lie on a straight run at this
 * height: facets of a flat face cross the plane many times.
 */
function markNeeded(length: number, z: number): void {
  let px = x0[length - 1] + z * xz[length - 1],
    py = y0[length - 1] + z * yz[length - 1]
  let x = x0[0] + z * xz[0],
    y = y0[0] + z * yz[0]
  for (let i = 0; i < length; i++) {
    const j = i + 1 === length ? 0 : i + 1
    const nx = x0[j] + z * xz[j],
      ny = y0[j] + z * yz[j]
    const ux = x - px,
      uy = y - py,
      vx = nx - x,
      vy = ny - y
    const wx = ux + vx,
      wy = uy + vy,
      cross = ux * vy - uy * vx
    // Height over the line from the last kept point to the next one, straight on only.
    const needless =
      ux * ux + uy * uy < STRAIGHT * STRAIGHT ||
      (cross * cross < STRAIGHT * STRAIGHT * (wx * wx + wy * wy) && ux * vx + uy * vy > 0)
    if (!needless) {
      needed[i] = 1
      px = x
      py = y
    }
    x = nx
    y = ny
  }
}

/**
 * The triangle across each of the edges ab, bc, ca; −1 where there is none. A table of edges by open
 * addressing.
 */
export function neighboursOf(triangles: Uint32Array, vertices: number): Int32Array {
  const across = new Int32Array(triangles.length).fill(-1)
  let size = 1024
  while (size < 3 * triangles.length) size *= 2
  // Edge slots waiting for their opposite; 0 is free, a used-up slot stays taken so that later ones are still
  // found.
  const keys = new Float64Array(size),
    slots = new Int32Array(size)
  for (let t = 0; t < triangles.length; t += 3) {
    for (let e = 0; e < 3; e++) {
      const from = triangles[t + e],
        to = triangles[t + (e === 2 ? 0 : e + 1)]
      const low = from < to ? from : to,
        high = from < to ? to : from
      const key = low * vertices + high + 1
      let at = (Math.imul(low, 0x9e3779b1) ^ Math.imul(high, 0x85ebca6b)) & (size - 1)
      for (; ; at = (at + 1) & (size - 1)) {
        if (keys[at] === 0) {
          keys[at] = key
          slots[at] = t + e
          break
        }
        if (keys[at] !== key || slots[at] < 0) continue
        const other = slots[at]
        // Neighbours run along their shared edge in opposite ways.
        if (triangles[other] !== to) continue
        slots[at] = -1
        across[t + e] = (other - (other % 3)) / 3
        across[other] = t / 3
        break
      }
    }
  }
  return across
}

/**
 * First and last plane that cuts each triangle (none where first > last), and the triangles in the order of
 * their first.
 */
function layersOf(positions: Float32Array, triangles: Uint32Array, heights: readonly number[]) {
  const count = triangles.length / 3
  const first = new Int32Array(count),
    last = new Int32Array(count),
    starts = new Int32Array(heights.length + 2)
  /** How many heights lie at or below z. */
  const below = (z: number): number => {
    let low = 0,
      high = heights.length
    while (low < high) {
      const middle = (low + high) >> 1
      if (heights[middle] <= z) low = middle + 1
      else high = middle
    }
    return low
  }
  for (let t = 0; t < count; t++) {
    const a = positions[3 * triangles[3 * t] + 2],
      b = positions[3 * triangles[3 * t + 1] + 2],
      c = positions[3 * triangles[3 * t + 2] + 2]
    first[t] = below(Math.min(a, b, c))
    last[t] = below(Math.max(a, b, c)) - 1
    if (first[t] <= last[t]) starts[first[t] + 1]++
  }
  for (let k = 0; k <= heights.length; k++) starts[k + 1] += starts[k]
  const byFirst = new Int32Array(starts[heights.length]),
    next = starts.slice()
  for (let t = 0; t < count; t++) if (first[t] <= last[t]) byFirst[next[first[t]]++] = t
  // Planes at which the set of triangles is another than at the plane below.
  const changes = new Uint8Array(heights.length + 1)
  for (let t = 0; t < count; t++) if (first[t] <= last[t]) changes[first[t]] = changes[last[t] + 1] = 1
  return { last, byFirst, starts, changes }
}
