import fc from 'fast-check'
import { expect, it } from 'vitest'
import type { Tracing } from '../../document'
import { levelledByTwo, scaledByTwo, type Spot } from './tracing'

const PICTURE: Tracing = {
  view: 'plan',
  photo: 'photo-1',
  rightMm: 40,
  downMm: -25,
  widthMm: 800,
  turnDeg: 0,
  strength: 0.5,
}
/** Where a mark of the picture comes to lie, given where it lay: as a picture is drawn, about its middle. */
const carried = (before: Tracing, after: Tracing, [x, y]: Spot): Spot => {
  const by = after.widthMm / before.widthMm,
    t = ((after.turnDeg - before.turnDeg) * Math.PI) / 180
  const [dx, dy] = [by * (x - before.rightMm), by * (y - before.downMm)]
  return [
    after.rightMm + dx * Math.cos(t) - dy * Math.sin(t),
    after.downMm + dx * Math.sin(t) + dy * Math.cos(t),
  ]
}
const spot = fc.tuple(
  fc.double({ min: -500, max: 500, noNaN: true }),
  fc.double({ min: -500, max: 500, noNaN: true }),
)
const turned = fc.double({ min: -170, max: 170, noNaN: true }).map(turnDeg => ({ ...PICTURE, turnDeg }))

it('two marks of the picture come to lie as far apart as they are, the first where it was', () => {
  fc.assert(
    fc.property(turned, spot, spot, fc.double({ min: 5, max: 3000, noNaN: true }), (picture, a, b, mm) => {
      const after = scaledByTwo(picture, a, b, mm)
      fc.pre(after !== null)
      const [first, second] = [carried(picture, after!, a), carried(picture, after!, b)]
      expect(Math.hypot(first[0] - a[0], first[1] - a[1])).toBeLessThan(1e-6)
      expect(Math.hypot(second[0] - first[0], second[1] - first[1])).toBeCloseTo(mm, 6)
    }),
  )
})

it('two marks come level or plumb, whichever is nearer, and keep their distance', () => {
  fc.assert(
    fc.property(turned, spot, spot, (picture, a, b) => {
      const after = levelledByTwo(picture, a, b)
      fc.pre(after !== null)
      const [first, second] = [carried(picture, after!, a), carried(picture, after!, b)]
      expect(Math.hypot(first[0] - a[0], first[1] - a[1])).toBeLessThan(1e-6)
      const [dx, dy] = [second[0] - first[0], second[1] - first[1]]
      expect(Math.min(Math.abs(dx), Math.abs(dy))).toBeLessThan(1e-6)
      expect(Math.hypot(dx, dy)).toBeCloseTo(Math.hypot(b[0] - a[0], b[1] - a[1]), 6)
      // Never over on its side: at most an eighth of a turn.
      const turn = Math.abs(after!.turnDeg - picture.turnDeg)
      expect(Math.min(turn, 360 - turn)).toBeLessThanOrEqual(45 + 1e-9)
    }),
  )
})

it('points on top of each other and sizes that no picture has tell nothing', () => {
  expect(scaledByTwo(PICTURE, [0, 0], [0.5, 0], 100)).toBeNull()
  expect(scaledByTwo(PICTURE, [0, 0], [100, 0], 0)).toBeNull()
  expect(scaledByTwo(PICTURE, [0, 0], [3, 0], 1e6)).toBeNull()
  expect(levelledByTwo(PICTURE, [10, 10], [10, 11])).toBeNull()
})
