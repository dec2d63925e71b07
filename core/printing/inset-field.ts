/**
 * What lies a given distance inside a slice, without building the offset curve. For every edge of the outline
 * the depth of the medial axis is found by the shrinking ball: the greatest circle that touches the edge's
 * middle from inside and holds no part of another edge. An offset at d then exists where d is less than that
 * depth, and its length there is the edge's, shortened by d·tan(θ/2) for the turn θ at each of its ends.
 * Exact for convex polygons up to the edge length; proved against circles, wedges, rectangles and true
 * offsets.
 */
import type { ChordFrame } from '../document'
import { areaMoments, type Section } from '../geometry'

export interface InsetField {
  /**
   * Edges: length, middle, what one unit of depth takes from the length, and depth of the medial axis. mm.
   */
  length: Float64Array
  midX: Float64Array
  midY: Float64Array
  shrink: Float64Array
  /** The part of it that is taken at the edge's beginning. */
  startShrink: Float64Array
  depth: Float64Array
  /** Inward normal. */
  normalX: Float64Array
  normalY: Float64Array
  /** First edge of each loop, and one past the last. */
  starts: number[]
  /** Depths beyond this are not known, mm. */
  reach: number
  area: number
  /** Centroid of the area, and its second moments ∫x², ∫y², ∫xy about the origin of the slice, mm⁴. */
  areaX: number
  areaY: number
  areaXX: number
  areaYY: number
  areaXY: number
  /** The chord that the section is of, in a wing or tail; null elsewhere, and where it is not known. */
  frame: ChordFrame | null
}

/**
 * tan(θ/2) grows without bound as an outline turns back on itself; past this the medial axis cuts the offset
 * anyway.
 */
const SHARPEST = 20

/**
 * Finds the field of a section, islands and holes alike: counter-clockwise outside, clockwise inside. Depths
 * beyond `reach`
 * (mm) count as `reach`: a recipe that looks no deeper is served in nearly linear time; without it every edge
 * looks at all.
 */
export function insetField(loops: Section, reach = Infinity, frame: ChordFrame | null = null): InsetField {
  const total = loops.reduce((sum, loop) => sum + loop.length / 2, 0)
  const field: InsetField = {
    length: new Float64Array(total),
    midX: new Float64Array(total),
    midY: new Float64Array(total),
    shrink: new Float64Array(total),
    startShrink: new Float64Array(total),
    depth: new Float64Array(total),
    normalX: new Float64Array(total),
    normalY: new Float64Array(total),
    starts: [0],
    reach,
    area: 0,
    areaX: 0,
    areaY: 0,
    areaXX: 0,
    areaYY: 0,
    areaXY: 0,
    frame,
  }
  const pointX = new Float64Array(total),
    pointY = new Float64Array(total)
  let at = 0
  for (const loop of loops) {
    addLoop(field, loop, at)
    for (let i = 0; i < loop.length / 2; i++) {
      pointX[at + i] = loop[2 * i]
      pointY[at + i] = loop[2 * i + 1]
    }
    at += loop.length / 2
    field.starts.push(at)
  }
  const { area, x, y, xx, yy, xy } = areaMoments(loops)
  Object.assign(field, {
    area,
    areaX: area === 0 ? 0 : x / area,
    areaY: area === 0 ? 0 : y / area,
    areaXX: xx,
    areaYY: yy,
    areaXY: xy,
  })
  findDepths(field, pointX, pointY, reach)
  return field
}

function addLoop(field: InsetField, loop: Float64Array, start: number): void {
  const count = loop.length / 2
  for (let i = 0; i < count; i++) {
    const j = (i + 1) % count
    const ax = loop[2 * i],
      ay = loop[2 * i + 1],
      bx = loop[2 * j],
      by = loop[2 * j + 1]
    const dx = bx - ax,
      dy = by - ay
    const length = Math.sqrt(dx * dx + dy * dy) || 1e-12
    field.length[start + i] = length
    field.midX[start + i] = (ax + bx) / 2
    field.midY[start + i] = (ay + by) / 2
    // Left of the direction of travel is inside, for counter-clockwise outlines and clockwise holes alike.
    field.normalX[start + i] = -dy / length
    field.normalY[start + i] = dx / length
  }
  for (let i = 0; i < count; i++) {
    const j = (i + 1) % count
    // tan(θ/2) = sin θ / (1 + cos θ) for the turn θ from one inward normal to the next.
    const ax = field.normalX[start + i],
      ay = field.normalY[start + i],
      bx = field.normalX[start + j],
      by = field.normalY[start + j]
    const sine = ax * by - ay * bx,
      cosine = ax * bx + ay * by
    const half = Math.max(-SHARPEST, Math.min(SHARPEST, sine / Math.max(1e-9, 1 + cosine)))
    field.shrink[start + i] += half
    field.shrink[start + j] += half
    field.startShrink[start + j] = half
  }
}

/**
 * For each edge's middle p with inward normal n, the least r at which the ball of radius r about p + r·n
 * touches another edge: on its inside, where r = d/(1 − m·n) for its inward normal m and the distance d of p
 * from its line, or at its beginning q, where r = |q − p|²/(2 n·(q − p)).
 */
function findDepths(field: InsetField, pointX: Float64Array, pointY: Float64Array, reach: number): void {
  const { midX, midY, normalX, normalY, length, depth } = field
  const count = midX.length
  const near = reach < Infinity ? new Neighbours(field, pointX, pointY, 2 * reach) : null
  const everyone = near ? null : Int32Array.from({ length: count }, (_, i) => i)
  for (let e = 0; e < count; e++) {
    const px = midX[e],
      py = midY[e],
      nx = normalX[e],
      ny = normalY[e]
    let least = reach < Infinity ? reach : 1e9
    const list = near ? near.list : everyone!
    const from = near ? near.first(px, py) : 0,
      to = near ? near.last(px, py) : count
    for (let k = from; k < to; k++) {
      const q = list[k]
      const vx = pointX[q] - px,
        vy = pointY[q] - py
      // A ball that touches it is no further across than twice its radius: most edges lie beyond.
      const beyond = 2 * least + length[q]
      if (vx * vx + vy * vy > beyond * beyond) continue
      const toward = nx * vx + ny * vy
      if (toward > 1e-9) {
        const r = (vx * vx + vy * vy) / (2 * toward)
        if (r < least) least = r
      }
      const mx = normalX[q],
        my = normalY[q]
      const facing = 1 - mx * nx - my * ny
      // Edges that face the same way cannot be touched from inside before their ends are.
      if (facing < 1e-6) continue
      const r = -(mx * vx + my * vy) / facing
      if (r >= least || r <= 1e-9) continue
      // Where the ball touches, measured along the edge from its beginning; the edge runs along (m_y, −m_x).
      const along = my * (nx * r - vx) - mx * (ny * r - vy)
      if (along >= 0 && along <= length[q]) least = r
    }
    depth[e] = least
  }
}

/**
 * Edges in strips across the longer way, each edge in every strip that it or `around` mm beyond it touches.
 */
class Neighbours {
  readonly list: Int32Array
  private readonly starts: Int32Array
  private readonly low: number
  private readonly width: number
  private readonly byX: boolean
  constructor(field: InsetField, pointX: Float64Array, pointY: Float64Array, around: number) {
    const count = pointX.length
    let x0 = Infinity,
      x1 = -Infinity,
      y0 = Infinity,
      y1 = -Infinity
    for (let i = 0; i < count; i++) {
      x0 = Math.min(x0, pointX[i])
      x1 = Math.max(x1, pointX[i])
      y0 = Math.min(y0, pointY[i])
      y1 = Math.max(y1, pointY[i])
    }
    this.byX = x1 - x0 >= y1 - y0
    this.low = this.byX ? x0 : y0
    const size = Math.max(1e-6, this.byX ? x1 - x0 : y1 - y0)
    const strips = Math.max(1, Math.min(256, Math.floor(size / Math.max(around, size / 256))))
    this.width = size / strips
    const middle = this.byX ? field.midX : field.midY,
      point = this.byX ? pointX : pointY
    const lowest = new Int32Array(count),
      highest = new Int32Array(count)
    this.starts = new Int32Array(strips + 1)
    for (let e = 0; e < count; e++) {
      const half = Math.abs(middle[e] - point[e])
      lowest[e] = this.strip(middle[e] - half - around, strips)
      highest[e] = this.strip(middle[e] + half + around, strips)
      for (let k = lowest[e]; k <= highest[e]; k++) this.starts[k + 1]++
    }
    for (let k = 0; k < strips; k++) this.starts[k + 1] += this.starts[k]
    this.list = new Int32Array(this.starts[strips])
    const next = this.starts.slice()
    for (let e = 0; e < count; e++) for (let k = lowest[e]; k <= highest[e]; k++) this.list[next[k]++] = e
  }
  private strip(place: number, strips = this.starts.length - 1): number {
    return Math.min(strips - 1, Math.max(0, Math.floor((place - this.low) / this.width)))
  }
  first(x: number, y: number): number {
    return this.starts[this.strip(this.byX ? x : y)]
  }
  last(x: number, y: number): number {
    return this.starts[this.strip(this.byX ? x : y) + 1]
  }
}

/** How far the middle of edge e moves along it when it is carried inward by d, mm: its corners take unequally. */
export const insetShift = (field: InsetField, e: number, d: number): number =>
  d * (field.startShrink[e] - field.shrink[e] / 2)

/** Length of edge e carried inward by d, mm; never negative. */
export const insetEdge = (field: InsetField, e: number, d: number): number =>
  Math.max(0, field.length[e] - d * field.shrink[e])

/**
 * Outlines d inside: the offset edges that exist there, joined in their order. Straight joins stand in for
 * what the medial axis swallows. `d` must be within the reach that the field was made for; below zero the
 * outlines lie outside.
 */
export function insetLoops(field: InsetField, d: number): Section {
  const loops: Section = []
  for (let loop = 0; loop + 1 < field.starts.length; loop++) {
    const points: number[] = []
    for (let e = field.starts[loop]; e < field.starts[loop + 1]; e++) {
      const half = insetEdge(field, e, d) / 2
      if (field.depth[e] < d || half <= 0) continue
      const shift = insetShift(field, e, d)
      const x = field.midX[e] + d * field.normalX[e] + shift * field.normalY[e],
        y = field.midY[e] + d * field.normalY[e] - shift * field.normalX[e]
      points.push(
        x - field.normalY[e] * half,
        y + field.normalX[e] * half,
        x + field.normalY[e] * half,
        y - field.normalX[e] * half,
      )
    }
    if (points.length >= 6) loops.push(Float64Array.from(points))
  }
  return loops
}

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
