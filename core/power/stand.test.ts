import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bladesOf } from './blade'
import { bladeCentre, unbalance } from './blade-balance'
import { fitStand, NOISE, PRIOR, SHARES, standing, type Reading, type Share } from './stand-fit'
import { runs } from '../testing/runs'
import { random } from '../testing/random'

const stood = {
  motor: { kv: 104.7, resistance: 0.09, noLoad: 0.6 },
  controller: 0.006,
  turned: (omega: number) => ({ thrust: 9e-6 * omega ** 2, torque: 1.3e-7 * omega ** 2 }),
}
const THROTTLES = [0.3, 0.45, 0.6, 0.75, 0.9, 1]
function simulated(shares: Record<Share, number>, noise: () => number): Reading[] {
  return THROTTLES.map(throttle => {
    const volts = 11.8 - 1.2 * throttle
    const model = standing(stood, shares, throttle, volts)
    const read = (channel: keyof typeof NOISE) =>
      model[channel] + noise() * Math.hypot(NOISE[channel].share * model[channel], NOISE[channel].floor)
    return { throttle, volts, current: read('current'), omega: read('omega'), thrust: read('thrust') }
  })
}
const same = Object.fromEntries(SHARES.map(name => [name, 1])) as Record<Share, number>

describe('a thrust stand', () => {
  it('reads without noise what is found again, each share by itself', () => {
    const truth = { kv: 1.05, resistance: 1.3, noLoad: 0.8, thrust: 0.93, torque: 1.1 }
    const { shares, misfit } = fitStand(
      stood,
      simulated(truth, () => 0),
    )
    // What readings say loudly is found closely; what they hardly say stays within the spread that is stated.
    expect(shares.kv.value).toBeCloseTo(1.05, 2)
    expect(shares.thrust.value).toBeCloseTo(0.93, 2)
    for (const name of SHARES)
      expect(Math.abs(shares[name].value - truth[name])).toBeLessThan(0.6 * shares[name].sigma + 0.002)
    expect(misfit).toBeLessThan(0.05)
  })

  it('recovers what it is within the spread it states: 68 % inside one sigma', () => {
    const rounds = runs(500, 120)
    let inside = 0,
      all = 0
    const { normal } = random(12345)
    for (let i = 0; i < rounds; i++) {
      const truth = Object.fromEntries(
        SHARES.map(name => [name, Math.exp(PRIOR[name] * normal())]),
      ) as Record<Share, number>
      const { shares } = fitStand(stood, simulated(truth, normal))
      for (const name of SHARES) {
        all++
        if (Math.abs(Math.log(shares[name].value / truth[name])) < shares[name].sigma / shares[name].value)
          inside++
      }
    }
    // Of 600 draws two standard deviations of the count are 3.8 points; of 2500, 1.9.
    expect(Math.abs((100 * inside) / all - 68.3)).toBeLessThan(4)
  })

  it('a reading that is wrong stands out, and the others are not', () => {
    const readings = simulated(same, () => 0)
    readings[3] = { ...readings[3], thrust: readings[3].thrust! * 1.25 }
    const { off } = fitStand(stood, readings)
    expect(Math.abs(off[3].thrust!)).toBeGreaterThan(6)
    off.forEach((item, i) => i !== 3 && expect(Math.abs(item.thrust!)).toBeLessThan(4))
  })

  it('two readings without revolutions narrow what they can, and the rest stays as it was', () => {
    const readings = simulated({ ...same, thrust: 0.9 }, () => 0)
      .slice(4)
      .map(reading => ({ ...reading, omega: null }))
    const { shares } = fitStand(stood, readings)
    expect(shares.thrust.value).toBeLessThan(0.96)
    expect(shares.noLoad.sigma).toBeGreaterThan(0.9 * PRIOR.noLoad)
  })

  it('any readings at all give finite shares', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            throttle: fc.double({ min: 0.01, max: 1, noNaN: true }),
            volts: fc.double({ min: 0.5, max: 80, noNaN: true }),
            current: fc.double({ min: 0, max: 600, noNaN: true }),
            omega: fc.option(fc.double({ min: 0, max: 10000, noNaN: true })),
            thrust: fc.option(fc.double({ min: -5, max: 1000, noNaN: true })),
          }),
          { minLength: 1, maxLength: 12 },
        ),
        readings => {
          const { shares, misfit } = fitStand(stood, readings)
          for (const name of SHARES)
            expect(Number.isFinite(shares[name].value + shares[name].sigma)).toBe(true)
          expect(Number.isFinite(misfit)).toBe(true)
        },
      ),
      { numRuns: runs(500, 60) },
    )
  })
})

describe('blades against each other', () => {
  const blades = bladesOf({ diameter: 0.25, pitch: 0.12, count: 2, law: 'medium' })
  it('a tenth of a gram at 100 mm and 8 000 rev/min pulls with 7 N', () => {
    const omega = (8000 * 2 * Math.PI) / 60
    const { moment, force } = unbalance(blades, [0.0031, 0.003], omega)
    // m r ω²: 0.0001 · 0.1 · 837.8² = 7.02 N, here at the blade's own centre.
    expect((force / moment) * 1e-4 * 0.1).toBeCloseTo(7.02, 2)
    expect(moment).toBeCloseTo(1e-4 * bladeCentre(blades), 12)
  })
  it('what is taken off balances it, with two blades and with three', () => {
    for (const masses of [
      [0.0032, 0.003],
      [0.0032, 0.003, 0.0035],
    ]) {
      const { trim, at } = unbalance(blades, masses, 800)
      const left = masses.map((mass, i) => mass - (trim[i] * at) / bladeCentre(blades))
      expect(unbalance(blades, left, 800).force).toBeLessThan(1e-9)
    }
    const even = unbalance(blades, [0.003, 0.003, 0.003], 800)
    expect(even.force).toBeLessThan(1e-9)
  })
  it('lies between four and six tenths of the radius', () => {
    expect(bladeCentre(blades) / blades.radius).toBeGreaterThan(0.38)
    expect(bladeCentre(blades) / blades.radius).toBeLessThan(0.6)
  })
})
