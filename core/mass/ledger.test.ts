import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { NO_INERTIA } from './inertia-figures'
import { boxInertia, inertiaAbout, rodInertia, sumInertia } from './inertia'
import { type MassEntry } from './mass-entry'
import { ballastFor, massSpread, placeForBalance, sumMass } from './ledger'
import { random } from '../testing/random'

const entry = (mass: number, x: number, sigma = 0, common: string | null = null): MassEntry => ({
  id: `${x}`,
  name: '',
  group: 'equipment',
  mass,
  x,
  y: 0,
  z: 0,
  sigma,
  common,
  source: 'listed',
  drops: false,
  own: NO_INERTIA,
})
const entries = fc
  .array(
    fc.tuple(fc.double({ min: 0.001, max: 2, noNaN: true }), fc.double({ min: -1, max: 1, noNaN: true })),
    { minLength: 2, maxLength: 20 },
  )
  .map(list => list.map(([m, x]) => entry(m, x)))

it('two masses balance at the inverse of their ratio', () => {
  const { mass, x } = sumMass([entry(0.3, 0), entry(0.1, 0.4)])
  expect(mass).toBeCloseTo(0.4, 12)
  expect(x).toBeCloseTo(0.1, 12)
})
it('moving a mass moves the centre by exactly its moment', () => {
  fc.assert(
    fc.property(entries, fc.double({ min: -0.5, max: 0.5, noNaN: true }), (list, d) => {
      const before = sumMass(list)
      const after = sumMass([{ ...list[0], x: list[0].x + d }, ...list.slice(1)])
      expect(after.x - before.x).toBeCloseTo((list[0].mass * d) / before.mass, 12)
    }),
  )
})
it('remedies promise what they deliver: a moved mass and ballast both land on the target', () => {
  fc.assert(
    fc.property(entries, fc.double({ min: -0.2, max: 0.2, noNaN: true }), (list, target) => {
      const sum = sumMass(list)
      const moved = placeForBalance(sum, list[0], target)
      expect(sumMass([{ ...list[0], x: moved }, ...list.slice(1)]).x).toBeCloseTo(target, 9)
      const ballast = ballastFor(sum, 2, target)
      if (sum.x < target) expect(sumMass([...list, entry(ballast!, 2)]).x).toBeCloseTo(target, 9)
      else expect(ballast).toBeNull()
    }),
  )
})
it('spread: independent masses add in squares, those of one filament before they are squared', () => {
  expect(massSpread([entry(1, 0, 0.03), entry(1, 1, 0.04)]).mass).toBeCloseTo(0.05, 12)
  expect(massSpread([entry(1, 0, 0.03, 'foam'), entry(1, 1, 0.04, 'foam')]).mass).toBeCloseTo(0.07, 12)
})
it('linear spread of the centre agrees with 20 000 samples within 3 %', () => {
  const list = [
    entry(0.3, 0.05, 0.01),
    entry(0.12, 0.1, 0.004),
    entry(0.2, 0.3, 0.01, 'foam'),
    entry(0.05, 0.8, 0.0025, 'foam'),
  ]
  const { normal } = random(12345)
  let sum = 0,
    square = 0
  const n = 20_000
  for (let i = 0; i < n; i++) {
    const foam = normal()
    const { x } = sumMass(list.map(e => ({ ...e, mass: e.mass + e.sigma * (e.common ? foam : normal()) })))
    sum += x
    square += x * x
  }
  const sampled = Math.sqrt(square / n - (sum / n) ** 2)
  expect(massSpread(list).x / sampled).toBeGreaterThan(0.97)
  expect(massSpread(list).x / sampled).toBeLessThan(1.03)
})
it('inertia: a box cut in eight has the inertia of the whole; a rod is a thin box; a product appears only off the axes', () => {
  const part = (x: number, y: number, z: number): MassEntry => ({
    ...entry(0.1, x),
    y,
    z,
    own: boxInertia(0.1, 0.2, 0.1, 0.05),
  })
  const eight = [-1, 1].flatMap(i =>
    [-1, 1].flatMap(j => [-1, 1].map(k => part(0.1 * i, 0.05 * j, 0.025 * k))),
  )
  const whole = boxInertia(0.8, 0.4, 0.2, 0.1),
    sum = sumInertia(eight, { x: 0, y: 0, z: 0 })
  for (const axis of ['xx', 'yy', 'zz', 'xz'] as const) expect(sum[axis]).toBeCloseTo(whole[axis], 12)
  expect(rodInertia(0.3, 0, 1.2, 0).xx).toBeCloseTo((0.3 * 1.44) / 12, 12)
  expect(sumInertia([part(0.3, 0, 0.1), part(-0.3, 0, -0.1)], { x: 0, y: 0, z: 0 }).xz).toBeCloseTo(
    0.1 * 0.03 * 2,
    12,
  )
})
it('inertia about another point grows by the whole mass at that distance', () => {
  fc.assert(
    fc.property(entries, fc.double({ min: -1, max: 1, noNaN: true }), (list, d) => {
      const { mass, x, y, z } = sumMass(list)
      expect(sumInertia(list, { x: x + d, y, z }).zz).toBeCloseTo(
        sumInertia(list, { x, y, z }).zz + mass * d * d,
        9,
      )
    }),
  )
})

describe('the ledger in all three directions', () => {
  const at = (mass: number, x: number, y: number, z: number): MassEntry => ({ ...entry(mass, x), y, z })
  it('one kilogram against three lies at three quarters of the way, in y and z as in x', () => {
    expect(sumMass([at(1, 0, 0, 0), at(3, 4, 8, -12)])).toEqual({ mass: 4, x: 3, y: 6, z: -9 })
    expect(sumMass([])).toEqual({ mass: 0, x: 0, y: 0, z: 0 })
    expect(massSpread([])).toEqual({ mass: 0, x: 0, correlation: 0 })
  })
  it('mass and place err alike where only what lies aft errs, against each other where only what lies ahead does', () => {
    const pair = (fore: number, aft: number) => [
      { ...at(1, -1, 0, 0), sigma: fore },
      { ...at(1, 1, 0, 0), sigma: aft },
    ]
    expect(massSpread(pair(0, 0.1)).correlation).toBeCloseTo(1, 12)
    expect(massSpread(pair(0.1, 0)).correlation).toBeCloseTo(-1, 12)
    // Both alike and on their own: σ_m = 0.1·√2, σ_x = 0.05·√2, and what they share cancels.
    expect(massSpread(pair(0.1, 0.1))).toEqual({
      mass: expect.closeTo(Math.SQRT2 / 10, 12),
      x: expect.closeTo(Math.SQRT2 / 20, 12),
      correlation: expect.closeTo(0, 12),
    })
    // 0.1 ahead and 0.2 aft: covariance 0.1·(−0.05) + 0.2·0.1 = 0.015 over √0.05·√0.0125.
    expect(massSpread(pair(0.1, 0.2)).correlation).toBeCloseTo(
      0.015 / (Math.sqrt(0.05) * Math.sqrt(0.0125)),
      12,
    )
    expect(massSpread(pair(0, 0)).correlation).toBe(0)
  })
  it('what errs together adds before it is squared, in mass and in place', () => {
    const both = [
      { ...at(1, -1, 0, 0), sigma: 0.1, common: 'petg' },
      { ...at(1, 1, 0, 0), sigma: 0.2, common: 'petg' },
    ]
    // Mass 0.3; place (0.2 − 0.1)/2 = 0.05; one cause, so wholly alike.
    expect(massSpread(both)).toEqual({
      mass: expect.closeTo(0.3, 12),
      x: expect.closeTo(0.05, 12),
      correlation: expect.closeTo(1, 12),
    })
  })
  it('inertia of a rod and a box off the point: mr² each way, and the product in x and z', () => {
    const rod = rodInertia(0.6, 2, 3, 4)
    // m/12·(b² + c²) about the middle, m/12·ac for the product.
    expect(rod).toEqual({
      xx: expect.closeTo(1.25, 12),
      yy: expect.closeTo(1, 12),
      zz: expect.closeTo(0.65, 12),
      xz: expect.closeTo(0.4, 12),
    })
    expect(boxInertia(1.2, 2, 3, 4)).toEqual({
      xx: expect.closeTo(2.5, 12),
      yy: expect.closeTo(2, 12),
      zz: expect.closeTo(1.3, 12),
      xz: 0,
    })
    expect(
      sumInertia([{ ...at(2, 3, 5, 8), own: { xx: 1, yy: 2, zz: 3, xz: 4 } }], { x: 1, y: 2, z: 4 }),
    ).toEqual({
      xx: 1 + 2 * (9 + 16),
      yy: 2 + 2 * (4 + 16),
      zz: 3 + 2 * (4 + 9),
      xz: 4 + 2 * 2 * 4,
    })
  })
})

it('a pair of pods adds twice their mass at their distance squared to roll, and the same to yaw', () => {
  // Two of 40 g, 0.35 m out and level with the balance: 2 · 0.04 · 0.35² = 9.8 g·m², and their own boxes.
  const own = boxInertia(0.04, 0.06, 0.03, 0.03)
  const pods = [-1, 1].map(side => ({ ...entry(0.04, 0.2), y: 0.35 * side, own }))
  const about = { x: 0.2, y: 0, z: 0 }
  const [port, starboard] = pods.map(pod => inertiaAbout(pod, about))
  expect(port.xx + starboard.xx).toBeCloseTo(0.0098 + 2 * ((0.04 * (0.03 ** 2 + 0.03 ** 2)) / 12), 12)
  expect(port.zz).toBeCloseTo(0.04 * 0.35 ** 2 + (0.04 * (0.06 ** 2 + 0.03 ** 2)) / 12, 12)
  // In line with the balance they slow no pitching but by what they are long themselves.
  expect(port.yy).toBeCloseTo((0.04 * (0.06 ** 2 + 0.03 ** 2)) / 12, 12)
})
