/**
 * What is cut out of a piece or put into it: prisms along its axis whose outline runs straight from one end
 * to the other. The same list makes the sections that are weighed and the solid that is exported, so the two
 * cannot differ.
 */
import { polygonArea } from './polygon'
import { difference, intersection, union, type Loops } from './polygon-boolean'

export interface Feature {
  name: string
  /**
   * `cut` takes away, `fill` puts plastic back inside the skin, `add` puts plastic anywhere. Carried out in
   * the order of the list.
   */
  op: 'cut' | 'fill' | 'add'
  /** Along the piece's axis, mm. */
  from: number
  to: number
  /** Outlines at both ends, the same number of points, counter-clockwise. */
  a: Float64Array
  b: Float64Array
  /** A cut that lies wholly inside the skin, so that it is a hole without any boolean. */
  inside: boolean
  /**
   * A cut of everything behind a line x = const (its outline reaches past the section on all other sides).
   */
  behind: boolean
}

export const cut = (
  name: string,
  from: number,
  to: number,
  a: Float64Array,
  b: Float64Array,
  inside = false,
): Feature => ({ name, op: 'cut', from, to, a, b, inside, behind: false })

/** Everything behind x is cut away: at both ends a rectangle from x to `far` and 2 m up and down. */
export const cutBehind = (
  name: string,
  from: number,
  to: number,
  xA: number,
  xB: number,
  farA: number,
  farB: number,
): Feature => ({
  name,
  op: 'cut',
  from,
  to,
  a: rectangle(xA, -2000, farA, 2000),
  b: rectangle(xB, -2000, farB, 2000),
  inside: false,
  behind: true,
})

export const fill = (name: string, from: number, to: number, a: Float64Array, b = a): Feature => ({
  name,
  op: 'fill',
  from,
  to,
  a,
  b,
  inside: false,
  behind: false,
})
export const add = (name: string, from: number, to: number, a: Float64Array, b = a): Feature => ({
  name,
  op: 'add',
  from,
  to,
  a,
  b,
  inside: false,
  behind: false,
})

/** Outline of a feature at u, straight between its ends; beyond them too. */
export function featureAt({ from, to, a, b }: Feature, u: number): Float64Array {
  const t = (u - from) / (to - from)
  const outline = new Float64Array(a.length)
  for (let i = 0; i < a.length; i++) outline[i] = a[i] + (b[i] - a[i]) * t
  return outline
}

export const reversed = (loop: Float64Array): Float64Array => {
  const count = loop.length / 2
  const result = new Float64Array(loop.length)
  for (let i = 0, from = 2 * (count - 1); i < 2 * count; i += 2, from -= 2) {
    result[i] = loop[from]
    result[i + 1] = loop[from + 1]
  }
  return result
}
export const counterClockwise = (loop: Float64Array): Float64Array =>
  polygonArea(loop).area < 0 ? reversed(loop) : loop

/** Corners of an upright rectangle, counter-clockwise. */
export const rectangle = (x0: number, y0: number, x1: number, y1: number): Float64Array =>
  Float64Array.of(x0, y0, x1, y0, x1, y1, x0, y1)

/**
 * The section at u: the skin's outline (counter-clockwise) with the features that lie there; `skin` null
 * where only what is added stands.
 */
export function sectionAt(
  skin: Float64Array | null,
  features: readonly Feature[],
  u: number,
): Float64Array[] {
  const here: Array<{ feature: Feature; loop: Float64Array }> = []
  let start = skin,
    onlyCuts = true
  for (const feature of features)
    if (u > feature.from && u < feature.to) {
      const loop = featureAt(feature, u)
      // The commonest cut of all needs no boolean: an aerofoil loses what lies behind its hinge line.
      if (feature.behind && start && onlyCuts) start = inFrontOf(start, loop[0])
      else here.push({ feature, loop })
      onlyCuts &&= feature.op === 'cut'
    }
  if (start && onlyCuts) return withCuts(start, skin!, here)
  let loops: Float64Array[] = start ? [start] : []
  // Cuts that follow each other are taken together: one boolean instead of several.
  for (let i = 0; i < here.length;) {
    const { op } = here[i].feature
    const same: Float64Array[] = []
    while (i < here.length && here[i].feature.op === op) same.push(here[i++].loop)
    if (op === 'cut') loops = difference(loops, same)
    else loops = union(loops, op === 'fill' && skin ? intersection(same, [skin]) : same)
  }
  return loops
}

/** `start`: what of the skin stands before a hinge line. */
function withCuts(
  start: Float64Array,
  skin: Float64Array,
  here: ReadonlyArray<{ feature: Feature; loop: Float64Array }>,
): Float64Array[] {
  const edge = start === skin ? Infinity : greatestX(start)
  const boxed = here.map(({ feature, loop }) => {
    const box = boxOf(loop)
    return { loop, box, hole: feature.inside && box[2] < edge }
  })
  // A hole that no notch reaches is one as it is; the skin's many points go through no boolean for its sake.
  const notches = boxed.filter(item => !item.hole)
  const holes = boxed.filter(item => item.hole && notches.every(notch => !meet(item.box, notch.box)))
  const others = boxed.filter(item => !holes.includes(item)).map(item => item.loop)
  const crossed = holes.filter(a => holes.some(b => a !== b && meet(a.box, b.box)))
  return [
    ...(others.length > 0 ? difference([start], others) : [start]),
    ...holes.flatMap(item => (crossed.includes(item) ? [] : [reversed(item.loop)])),
    ...(crossed.length > 0
      ? union(
          crossed.map(item => item.loop),
          [],
        ).map(reversed)
      : []),
  ]
}

const meet = (p: Box, q: Box): boolean => !(p[0] > q[2] || q[0] > p[2] || p[1] > q[3] || q[1] > p[3])

const greatestX = (loop: Float64Array): number =>
  loop.reduce((most, value, i) => (i % 2 === 0 && value > most ? value : most), -Infinity)

/**
 * The part of a loop with x < at, for loops that cross that line no more than twice; the loop itself where it
 * does not.
 */
function inFrontOf(loop: Float64Array, at: number): Float64Array {
  const points: number[] = []
  const count = loop.length / 2
  for (let i = 0; i < count; i++) {
    const j = i + 1 === count ? 0 : i + 1
    const x0 = loop[2 * i],
      y0 = loop[2 * i + 1],
      x1 = loop[2 * j],
      y1 = loop[2 * j + 1]
    if (x0 < at) points.push(x0, y0)
    if (x0 < at !== x1 < at) points.push(at, y0 + ((y1 - y0) * (at - x0)) / (x1 - x0))
  }
  return points.length === loop.length && points[0] === loop[0] ? loop : Float64Array.from(points)
}

type Box = [x0: number, y0: number, x1: number, y1: number]

/** Of all loops together; turned inside out where there are none. */
export const boxOfAll = (loops: Loops): Box =>
  loops
    .map(boxOf)
    .reduce(
      (all, box) => [
        Math.min(all[0], box[0]),
        Math.min(all[1], box[1]),
        Math.max(all[2], box[2]),
        Math.max(all[3], box[3]),
      ],
      [Infinity, Infinity, -Infinity, -Infinity],
    )

/** Least and greatest x and y: x0, y0, x1, y1. */
export function boxOf(loop: Float64Array): Box {
  let x0 = Infinity,
    y0 = Infinity,
    x1 = -Infinity,
    y1 = -Infinity
  for (let i = 0; i < loop.length; i += 2) {
    const x = loop[i],
      y = loop[i + 1]
    if (x < x0) x0 = x
    if (x > x1) x1 = x
    if (y < y0) y0 = y
    if (y > y1) y1 = y
  }
  return [x0, y0, x1, y1]
}
