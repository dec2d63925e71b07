/** Where a section's plastic begins and ends over a place across it, found without looking at every edge. mm */
import type { Section } from './piece'

/** Edges by the strips of x that they reach into: of strip k those from `starts[k]` on. */
interface Strips {
  low: number
  width: number
  starts: Int32Array
  edges: Int32Array
  /** Beginning and end of every edge. */
  x0: Float64Array
  y0: Float64Array
  x1: Float64Array
  y1: Float64Array
}

/** About so many edges begin in a strip. */
const EDGES_A_STRIP = 3,
  MOST_STRIPS = 256

const known = new WeakMap<Section, Strips>()

/** Where plastic lies over x: pairs of lower and upper, from below. The section must not be changed afterwards. */
export function crossings(section: Section, x: number): number[] {
  const strips = known.get(section) ?? stripsOf(section)
  known.set(section, strips)
  const { low, width, starts, edges, x0, y0, x1, y1 } = strips
  const strip = Math.min(starts.length - 2, Math.floor((x - low) / width))
  const ys: number[] = []
  if (!(strip >= 0)) return ys
  for (let k = starts[strip]; k < starts[strip + 1]; k++) {
    const e = edges[k]
    if (x0[e] <= x !== x1[e] <= x) ys.push(y0[e] + ((y1[e] - y0[e]) * (x - x0[e])) / (x1[e] - x0[e]))
  }
  return ys.sort((a, b) => a - b)
}

function stripsOf(section: Section): Strips {
  const total = section.reduce((sum, loop) => sum + loop.length / 2, 0)
  const x0 = new Float64Array(total),
    y0 = new Float64Array(total),
    x1 = new Float64Array(total),
    y1 = new Float64Array(total)
  let at = 0,
    low = Infinity,
    high = -Infinity
  for (const loop of section) {
    const count = loop.length / 2
    for (let i = 0; i < count; i++, at++) {
      const j = i + 1 === count ? 0 : i + 1
      x0[at] = loop[2 * i]
      y0[at] = loop[2 * i + 1]
      x1[at] = loop[2 * j]
      y1[at] = loop[2 * j + 1]
      low = Math.min(low, x0[at])
      high = Math.max(high, x0[at])
    }
  }
  const count = Math.max(1, Math.min(MOST_STRIPS, Math.ceil(total / EDGES_A_STRIP)))
  const width = Math.max((high - low) / count, 1e-9)
  const stripOf = (x: number) => Math.max(0, Math.min(count - 1, Math.floor((x - low) / width)))
  const starts = new Int32Array(count + 1)
  for (let e = 0; e < total; e++)
    for (let k = stripOf(Math.min(x0[e], x1[e])); k <= stripOf(Math.max(x0[e], x1[e])); k++) starts[k + 1]++
  for (let k = 0; k < count; k++) starts[k + 1] += starts[k]
  const edges = new Int32Array(starts[count]),
    next = starts.slice()
  for (let e = 0; e < total; e++)
    for (let k = stripOf(Math.min(x0[e], x1[e])); k <= stripOf(Math.max(x0[e], x1[e])); k++)
      edges[next[k]++] = e
  return { low, width, starts, edges, x0, y0, x1, y1 }
}
