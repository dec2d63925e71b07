import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { reversalPressure, rollLeft, type Flap } from './aileron-effect'
import {
  divergencePressure,
  flutterSpeed,
  lowestFrequencies,
  twistUnder,
  type FlutterStrip,
} from './span-twist'

const L = 0.8,
  c = 0.2,
  GJ = 6,
  EI = 30,
  m = 0.4
const uniform = (n: number, more: Partial<FlutterStrip> = {}): FlutterStrip[] =>
  Array.from({ length: n }, (_, i) => ({
    s: ((i + 0.5) * L) / n,
    width: L / n,
    chord: c,
    GJ,
    EI,
    arm: 0.03,
    slope: 5.5,
    mass: m,
    inertia: 1.2e-3,
    behind: 0.01,
    ...more,
  }))

describe('twist', () => {
  it('a torque at the tip turns it by T·L/GJ, one spread evenly by t·L²/2GJ', () => {
    const tip = Array.from({ length: 40 }, (_, i) => (i === 39 ? 0.5 : 0))
    // The last strip takes its torque evenly over its own width.
    expect(twistUnder(uniform(40), tip).tip).toBeCloseTo((0.5 * (L - L / 80)) / GJ, 9)
    expect(twistUnder(uniform(40), Array(40).fill(2 * (L / 40))).tip).toBeCloseTo((2 * L * L) / (2 * GJ), 9)
  })
  it('superposes and turns the way it is pushed', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: 12, maxLength: 12 }),
        fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: 12, maxLength: 12 }),
        (a, b) => {
          const strips = uniform(12),
            sum = twistUnder(
              strips,
              a.map((v, i) => v + b[i]),
            ).tip
          expect(sum).toBeCloseTo(twistUnder(strips, a).tip + twistUnder(strips, b).tip, 9)
        },
      ),
    )
  })
})

describe('divergence', () => {
  const exact = ((Math.PI / 2) ** 2 * GJ) / (0.03 * c * 5.5 * L * L)
  it('a uniform wing: q_D = (π/2)²·GJ/(e·c·a·L²) within 1 %, nearer with more strips (Bisplinghoff)', () => {
    const off = [6, 12, 24].map(n => Math.abs(divergencePressure(uniform(n)) / exact - 1))
    expect(off[2]).toBeLessThan(0.01)
    expect(off[1]).toBeLessThan(off[0])
    expect(off[2]).toBeLessThan(off[1])
  })
  it('never, where lift acts behind the shear centre; later, the stiffer or the nearer', () => {
    expect(divergencePressure(uniform(16, { arm: -0.02 }))).toBe(Infinity)
    expect(divergencePressure(uniform(16, { GJ: 2 * GJ })) / divergencePressure(uniform(16))).toBeCloseTo(
      2,
      6,
    )
    expect(divergencePressure(uniform(16, { arm: 0.015 })) / divergencePressure(uniform(16))).toBeCloseTo(
      2,
      6,
    )
  })
})

describe('frequencies', () => {
  it('a uniform cantilever: 3.516·√(EI/mL⁴) in bending, (π/2L)·√(GJ/I) in twist', () => {
    const { bending, twist } = lowestFrequencies(uniform(48))
    expect(bending / (3.516 * Math.sqrt(EI / (m * L ** 4)))).toBeCloseTo(1, 2)
    expect(twist / ((Math.PI / (2 * L)) * Math.sqrt(GJ / 1.2e-3))).toBeCloseTo(1, 3)
  })
  it('Theodorsen–Garrick by hand, bending at 0.6 of the twisting: b·ω_α·√(μr²/(1 + 2(a + x)))·0.8', () => {
    const strips = uniform(24, { EI: 0.3 })
    const { twist } = lowestFrequencies(strips)
    const b = 0.1,
      mu = m / (Math.PI * 1.2 * b * b),
      r2 = 1.2e-3 / (m * b * b)
    // Shear centre at 25 % + 30 mm of 200: 0.2 half chords ahead of the middle; centre of mass 0.1 behind it:
    // 1 + 2·(−0.2 + 0.1) = 0.8.
    expect(flutterSpeed(strips, 1.2)).toBeCloseTo(
      b * twist * Math.sqrt((mu * r2) / 0.8) * Math.sqrt(1 - 0.6 ** 2),
      6,
    )
    expect(flutterSpeed(uniform(24, { EI: 0.3, behind: 0.03 }), 1.2)).toBeLessThan(flutterSpeed(strips, 1.2))
    expect(flutterSpeed(uniform(24, { EI: 0.3, behind: -0.06 }), 1.2)).toBe(Infinity)
  })
  it('a stiffer wing, in bending or in twist, never flutters sooner; along the span nothing jumps', () => {
    const part = (end: number) =>
      flutterSpeed(
        uniform(24).map(strip => {
          const inside = Math.min(1, Math.max(0, (end - (strip.s - strip.width / 2)) / strip.width))
          return { ...strip, EI: EI * (0.3 + 0.7 * inside), GJ: GJ * (0.5 + 0.5 * inside) }
        }),
        1.2,
      )
    const row = Array.from({ length: 101 }, (_, i) => part((L * i) / 100))
    for (let i = 1; i < row.length; i++) {
      expect(row[i]).toBeGreaterThanOrEqual(row[i - 1] - 1e-9)
      expect(row[i]).toBeLessThan(1.012 * row[i - 1])
    }
  })
})

describe('ailerons on a wing that twists', () => {
  const whole: Flap = { from: 0, to: L, effectiveness: 0.6, cmPerRad: -0.55 }
  it('reverse at 12/5 · τ·GJ/(|cm|·c²L²) where the lift acts on the shear centre', () => {
    const q = reversalPressure(uniform(48, { arm: 0 }), whole)
    expect(q / ((2.4 * 0.6 * GJ * 5.5) / (0.55 * c * c * L * L * 5.5))).toBeCloseTo(1, 2)
  })
  it('lose their effect straight with the pressure then, and nothing at rest', () => {
    const strips = uniform(24, { arm: 0 })
    const q = reversalPressure(strips, whole)
    expect(rollLeft(strips, whole, 0)).toBe(1)
    expect(rollLeft(strips, whole, q / 4)).toBeCloseTo(0.75, 4)
    // Whatever the arm, at reversal nothing is left.
    const swept = uniform(24, { arm: 0.05 })
    expect(rollLeft(swept, whole, reversalPressure(swept, whole))).toBeCloseTo(0, 6)
  })
  it('keep more on a stiffer wing, and where the lift acts ahead of the shear centre', () => {
    const at = (more: Partial<FlutterStrip>, flap = whole) => rollLeft(uniform(24, more), flap, 200)
    expect(at({ GJ: 2 * GJ })).toBeGreaterThan(at({}))
    expect(at({ arm: 0.05 })).toBeGreaterThan(at({ arm: 0 }))
  })
})
