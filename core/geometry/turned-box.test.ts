import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { runs } from '../testing/runs'
import { packBoxes, type Sides } from './pack-boxes'
import { turnedBox } from './turned-box'

/** Corners and edge middles of a cuboid, turned about x, then z, then y. */
function cuboid([a, b, c]: Sides, [rx, rz, ry]: Sides): Float64Array {
  const points: number[] = []
  for (const i of [-1, 0, 1])
    for (const j of [-1, 0, 1])
      for (const k of [-1, 0, 1]) {
        let [x, y, z] = [(i * a) / 2, (j * b) / 2, (k * c) / 2]
        ;[y, z] = [y * Math.cos(rx) - z * Math.sin(rx), y * Math.sin(rx) + z * Math.cos(rx)]
        ;[x, y] = [x * Math.cos(rz) - y * Math.sin(rz), x * Math.sin(rz) + y * Math.cos(rz)]
        ;[x, z] = [x * Math.cos(ry) - z * Math.sin(ry), x * Math.sin(ry) + z * Math.cos(ry)]
        points.push(x + 40, y - 7, z + 3)
      }
  return Float64Array.from(points)
}
const side = fc.double({ min: 20, max: 1500, noNaN: true })

describe('a close box', () => {
  it('of a wing half with dihedral, or swept, is its own: the sides of a cuboid turned about one axis', () => {
    for (const [rx, rz, ry] of [
      [0.1, 0, 0],
      [0, 0.35, 0],
      [0, 0, -0.05],
    ])
      turnedBox(cuboid([180, 620, 22], [rx, rz, ry])).forEach((found, i) =>
        expect(found).toBeCloseTo([620, 180, 22][i], 6),
      )
  })
  it('encloses whatever it is given, and stays close to a cuboid that lies askew', () => {
    const angle = fc.double({ min: -0.3, max: 0.3, noNaN: true })
    fc.assert(
      fc.property(side, side, side, angle, angle, angle, (a, b, c, rx, rz, ry) => {
        const [l, w, h] = [a, b, c].sort((p, r) => r - p)
        const found = turnedBox(cuboid([a, b, c], [rx, rz, ry]))
        // Nothing is smaller than the thing itself.
        expect(found[0] * found[1] * found[2]).toBeGreaterThan((1 - 1e-9) * l * w * h)
        expect(found[2]).toBeGreaterThan(h - 1e-6)
        expect(found[0]).toBeLessThan(1.001 * Math.hypot(l, w, h))
        expect(found[0] * found[1] * found[2]).toBeLessThan(1.3 * l * w * h)
      }),
      { numRuns: runs(2000, 200) },
    )
  })
  it('of nothing is nothing', () => expect(turnedBox(new Float64Array(0))).toEqual([0, 0, 0]))
})

describe('boxes in a box', () => {
  const apart = (a: { at: Sides; size: Sides }, b: typeof a) =>
    [0, 1, 2].some(i => a.at[i] + a.size[i] <= b.at[i] + 1e-5 || b.at[i] + b.size[i] <= a.at[i] + 1e-5)

  it('cut from one by saw cuts, they go back into it, none over another, each with its own sides', () => {
    // A cut across the longest side, again and again: what comes out fills the box to the last corner.
    const cuts = fc.array(fc.double({ min: 0.25, max: 0.75, noNaN: true }), { minLength: 1, maxLength: 3 })
    fc.assert(
      fc.property(side, side, side, cuts, (a, b, c, shares) => {
        const parts: Array<[number, number, number]> = [[a, b, c]]
        for (const share of shares) {
          parts.sort((p, r) => r[0] * r[1] * r[2] - p[0] * p[1] * p[2])
          const [whole] = parts.splice(0, 1)
          const axis = whole.indexOf(Math.max(...whole))
          const [near, far] = [[...whole], [...whole]] as typeof parts
          near[axis] = share * whole[axis]
          far[axis] = whole[axis] - near[axis]
          parts.push(near, far)
        }
        const laid = packBoxes(parts, [a, b, c])
        expect(laid).not.toBeNull()
        laid!.forEach((box, i) => {
          expect([...box.size].sort((p, r) => p - r)).toEqual([...parts[i]].sort((p, r) => p - r))
          box.at.forEach((at, k) => expect(at + box.size[k]).toBeLessThanOrEqual([a, b, c][k] + 1e-5))
          laid!.slice(i + 1).forEach(other => expect(apart(box, other)).toBe(true))
        })
      }),
      { numRuns: runs(1000, 60) },
    )
  })
  it('that are too long, or too many, are refused; what lies on its edge is found', () => {
    expect(packBoxes([[101, 5, 5]], [100, 50, 50])).toBeNull()
    expect(
      packBoxes(
        [
          [60, 60, 60],
          [60, 60, 60],
        ],
        [100, 100, 100],
      ),
    ).toBeNull()
    expect(
      packBoxes(
        [
          [10, 90, 40],
          [90, 10, 40],
        ],
        [20, 40, 90],
      ),
    ).not.toBeNull()
    expect(packBoxes([], [1, 1, 1])).toEqual([])
  })
  it('ends in bounded work where there is no way, however many there are', () => {
    // Of 51 mm each way in 100 mm no two are over or beside each other: 12 go in along 620 mm.
    const many = Array.from({ length: 13 }, (_, i): Sides => [51 + i / 1000, 51, 51])
    expect(packBoxes(many, [660, 100, 100])).toBeNull()
    expect(packBoxes(many.slice(0, 12), [660, 100, 100])).not.toBeNull()
  })
})
