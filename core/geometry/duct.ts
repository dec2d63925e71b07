/**
 * A way for air through a body, in mm: a tube in the middle, or one to each side that may run together. What is cut out
 * of the body and what is put round it are prisms between the same places, so that sections and solids are the same.
 */
import type { Duct } from '../document'
import { bodyOutline, bodySkinAt, type BodyLoft } from './body-loft'
import { cut, fill, type Feature } from './feature'
import { monotoneCubic } from './monotone-cubic'
import { stepped } from './places-along'
import { insetVertices, polygonArea } from './polygon'
import { difference, intersection, union } from './polygon-boolean'

/** Spacing at which the smooth curves between stations are followed, mm. */
const STEP = 8
/** Nearer to the middle than this the two sides are one tube, mm. */
const ONE = 1e-3

export interface DuctLoft {
  from: number
  to: number
  breaks: readonly number[]
  /** Stations and places between them: between two of these the walls run straight. */
  grid: readonly number[]
  at(x: number): { y: number; z: number; width: number; height: number }
  /** Free outlines at x, counter-clockwise: one, or starboard and port; none before the intake or past the outlet. */
  outlinesAt(x: number): Float64Array[]
  /** Free area at x, mm²; what both sides share counts once. */
  areaAt(x: number): number
}

export function loftDuct(stations: Duct['stations']): DuctLoft {
  const xs = stations.map(station => station.xMm)
  const along = (pick: (station: Duct['stations'][number]) => number) => monotoneCubic(xs, stations.map(pick))
  const [y, z, width, height, squareness] = [
    along(s => s.yMm),
    along(s => s.zMm),
    along(s => s.widthMm),
    along(s => s.heightMm),
    along(s => s.squareness),
  ]
  const grid = stepped(xs, STEP)
  const kept = new Map<number, Float64Array>()
  // Round its own middle; where that stands is added at the end.
  const atGrid = (i: number) => {
    const x = grid[i]
    const known =
      kept.get(i) ?? bodyOutline({ width: width(x), height: height(x), z: z(x), squareness: squareness(x) })
    kept.set(i, known)
    return known
  }
  const slab = (x: number) => {
    let i = 0
    while (i < grid.length - 2 && x > grid[i + 1]) i++
    return { i, t: Math.min(1, Math.max(0, (x - grid[i]) / (grid[i + 1] - grid[i]))) }
  }
  const outlinesAt = (x: number): Float64Array[] => {
    if (x < xs[0] - 1e-9 || x > xs[xs.length - 1] + 1e-9) return []
    const { i, t } = slab(x)
    const a = atGrid(i),
      b = atGrid(i + 1)
    const middle = a.map((value, k) => value + (b[k] - value) * t)
    const aside = y(grid[i]) + (y(grid[i + 1]) - y(grid[i])) * t
    return aside < ONE
      ? [middle]
      : [aside, -aside].map(by => middle.map((v, k) => (k % 2 === 0 ? v + by : v)))
  }
  return {
    from: xs[0],
    to: xs[xs.length - 1],
    breaks: xs,
    grid,
    at: x => ({ y: y(x), z: z(x), width: width(x), height: height(x) }),
    outlinesAt,
    areaAt: x => {
      const outlines = outlinesAt(x)
      return areaOf(outlines.length > 1 ? union(outlines, []) : outlines)
    },
  }
}

const areaOf = (loops: readonly Float64Array[]): number =>
  loops.reduce((sum, loop) => sum + polygonArea(loop).area, 0)

/** How much of the way lies outside of the body at x, 0 to 1; all of it before the body and behind. */
export function shareOutside(duct: DuctLoft, body: BodyLoft, x: number): number {
  if (x <= body.from || x >= body.to) return 1
  return areaOf(difference(duct.outlinesAt(x), [bodySkinAt(body, x)])) / Math.max(1e-9, duct.areaAt(x))
}

/** How much of the way at x an outline of something takes, 0 to 1; none where there is no way. */
export function shareTaken(duct: DuctLoft, outline: Float64Array, x: number): number {
  const outlines = duct.outlinesAt(x)
  return outlines.length === 0
    ? 0
    : areaOf(intersection(outlines, [outline])) / Math.max(1e-9, duct.areaAt(x))
}

/**
 * Walls `wall` thick round a duct, put into the piece of a body between `from` and `to`, and the way that is cut through
 * whatever stands in it there, lips and bosses with it.
 */
export function ductFeatures(duct: DuctLoft, from: number, to: number, wall: number): Feature[] {
  const slabs = duct.grid.slice(1).flatMap((end, i) => {
    const start = duct.grid[i]
    // As prisms between the same outlines on either side; where both meet they are drawn twice, which is once.
    const sides = Math.max(duct.outlinesAt(start).length, duct.outlinesAt(end).length)
    const at = (x: number, side: number) => {
      const outlines = duct.outlinesAt(x)
      return outlines[Math.min(side, outlines.length - 1)]
    }
    return Array.from({ length: sides }, (_, side) => ({
      start,
      end,
      a: at(start, side),
      b: at(end, side),
    }))
  })
  const walls = slabs
    .filter(({ start, end }) => end > from && start < to)
    .map(({ start, end, a, b }): Feature => {
      const [u, v] = [Math.max(start, from), Math.min(end, to)]
      const at = (x: number) => a.map((value, k) => value + ((b[k] - value) * (x - start)) / (end - start))
      return fill('Wall of the duct', u, v, insetVertices(at(u), -wall), insetVertices(at(v), -wall))
    })
  return [...walls, ...slabs.map(({ start, end, a, b }) => cut('Duct', start, end, a, b))]
}
