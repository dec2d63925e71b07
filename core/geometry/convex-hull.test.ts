import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { convexHull, type Point } from './convex-hull'

const place = fc.integer({ min: -40, max: 40 })
/** More than are sorted as they are; on a coarse grid, so that many are equal or in line. */
const cloud = fc.array(fc.tuple(place, place), { minLength: 33, maxLength: 300 })

const side = (a: Point, b: Point, p: Point) => (b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0])

describe('convex hull', () => {
  it('has every point of a cloud on its left, and turns left at each of its own', () => {
    fc.assert(
      fc.property(cloud, points => {
        const hull = convexHull(points)
        if (hull.length < 3) return
        hull.forEach((a, i) => {
          const b = hull[(i + 1) % hull.length],
            c = hull[(i + 2) % hull.length]
          expect(side(a, b, c)).toBeGreaterThan(0)
          expect(points.every(p => side(a, b, p) >= 0)).toBe(true)
        })
      }),
    )
  })

  it('of points in a line is its two ends', () => {
    const line = Array.from({ length: 60 }, (_, i): Point => [(i * 37) % 60, 2 * ((i * 37) % 60)])
    expect(convexHull(line)).toEqual([
      [0, 0],
      [59, 118],
    ])
  })

  it('of a full disc of points is its rim', () => {
    const rim = Array.from({ length: 24 }, (_, k): Point => [
      Math.cos((k * Math.PI) / 12),
      Math.sin((k * Math.PI) / 12),
    ])
    const within = rim.flatMap(([x, y]) => [0.2, 0.5, 0.8, 0.95].map((r): Point => [r * x, r * y]))
    expect(new Set(convexHull([...within, ...rim]))).toEqual(new Set(rim))
  })
})
