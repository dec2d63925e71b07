import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Coefficients, Derivatives, Reference } from './derivatives'
import {
  damping,
  halfTime,
  handling,
  lateralMatrix,
  longitudinalMatrix,
  period,
  type FlightState,
} from './handling'
import { hingeCoefficients, servoAngle, servoTorque } from './hinge-moment'
import { solveLift } from './lift'
import type { LatticeStation, LatticeSurface } from './panels'
import { trimAt } from './trim'

const none: Coefficients = { CL: 0, CD: 0, CY: 0, Cl: 0, Cm: 0, Cn: 0 }
const derivatives = (
  more: Partial<Record<'at' | 'alpha' | 'beta' | 'p' | 'q' | 'r', Partial<Coefficients>>>,
): Derivatives => ({
  at: { ...none, ...more.at },
  alpha: { ...none, ...more.alpha },
  beta: { ...none, ...more.beta },
  p: { ...none, ...more.p },
  q: { ...none, ...more.q },
  r: { ...none, ...more.r },
  controls: [],
})
const reference: Reference = { area: 0.2, chord: 0.17, span: 1.2, x: 0 }
const mass = 0.7,
  density = 1.2,
  gravity = 9.80665,
  speed = 12
const CL = (2 * mass * gravity) / (density * speed ** 2 * reference.area)
const state: FlightState = {
  mass,
  speed,
  density,
  gravity,
  reference,
  inertia: { xx: 0.02, yy: 0.03, zz: 0.045, xz: 0 },
  CD: 0.05,
  CDalpha: 0.3,
}
const tame = derivatives({
  at: { CL },
  alpha: { CL: 5, Cm: -0.8 },
  q: { CL: 6, Cm: -10 },
  beta: { CY: -0.4, Cl: -0.08, Cn: 0.06 },
  p: { Cl: -0.45, Cn: -0.04 },
  r: { CY: 0.15, Cl: 0.14, Cn: -0.08 },
})

describe('modes', () => {
  it('e^(growth·t) is half, or twice, after ln 2 over it; what neither grows nor swings does so never', () => {
    const mode = (growth: number, frequency: number) => ({ growth, frequency })
    for (const growth of [-0.4, 0.4]) {
      const after = Math.exp(growth * halfTime(mode(growth, 0)))
      expect(after).toBeCloseTo(growth < 0 ? 0.5 : 2, 12)
    }
    expect(halfTime(mode(0, 2))).toBe(Infinity)
    expect(Math.cos(2.5 * period(mode(-0.1, 2.5)))).toBeCloseTo(1, 12)
    expect(period(mode(-0.1, 0))).toBe(Infinity)
  })
  it('a very stiff aircraft swings as Lanchester has it: period π√2·V/g, damping CD/(√2·CL)', () => {
    const stiff = derivatives({ at: { CL }, alpha: { CL: 5, Cm: -60 }, q: { CL: 0, Cm: -40 } })
    const { phugoid } = handling(stiff, { ...state, CDalpha: 0 })
    expect(phugoid).toHaveLength(1)
    expect(Math.abs(period(phugoid[0]) / ((Math.PI * Math.SQRT2 * speed) / gravity) - 1)).toBeLessThan(0.03)
    expect(Math.abs(damping(phugoid[0]) / (state.CD / (Math.SQRT2 * CL)) - 1)).toBeLessThan(0.1)
  })
  it('short period: the two-state approximation (Etkin & Reid 6.3) within 3 %', () => {
    const [mode] = handling(tame, state).shortPeriod
    const a = longitudinalMatrix(tame, state)
    const sum = a[1][1] + a[2][2],
      product = a[1][1] * a[2][2] - a[1][2] * a[2][1]
    expect(Math.abs(Math.hypot(mode.growth, mode.frequency) / Math.sqrt(product) - 1)).toBeLessThan(0.03)
    expect(Math.abs(mode.growth / (sum / 2) - 1)).toBeLessThan(0.03)
  })
  it('roll dies at q·S·b²·Cl_p/(2·V·I_xx) when nothing else moves; one degree of freedom in yaw swings at √(q·S·b·Cn_β/I_zz)', () => {
    const q = (density * speed ** 2) / 2
    const rollOnly = handling(
      derivatives({ p: { Cl: -0.45 }, beta: { Cn: 0.06, CY: -1e-6 }, r: { Cn: -0.02 } }),
      state,
    )
    expect(rollOnly.roll.growth).toBeCloseTo((-0.45 * q * 0.2 * 1.2 ** 2) / (2 * speed * 0.02), 6)
    expect(rollOnly.dutchRoll[0].frequency).toBeCloseTo(Math.sqrt((q * 0.2 * 1.2 * 0.06) / 0.045), 1)
  })
  it('the spiral grows where Cl_β·Cn_r < Cl_r·Cn_β, and more dihedral mends it', () => {
    const withDihedral = (Cl: number) =>
      handling({ ...tame, beta: { ...tame.beta, Cl } }, state).spiral.growth
    const limit = (0.14 * 0.06) / 0.08
    expect(withDihedral(-limit * 1.1)).toBeLessThan(0)
    expect(withDihedral(-limit * 0.9)).toBeGreaterThan(0)
  })
  it('all modes together have the trace of the system, for random aircraft', () => {
    const value = (min: number, max: number) => fc.double({ min, max, noNaN: true })
    fc.assert(
      fc.property(
        value(3, 6),
        value(-3, 0.5),
        value(-20, -1),
        value(-0.3, 0),
        value(-0.05, 0.15),
        value(0.2, 1.2),
        value(-0.01, 0.01),
        (slope, stiff, damp, dihedral, weathercock, heavy, xz) => {
          const d = derivatives({
            ...tame,
            alpha: { CL: slope, Cm: stiff },
            q: { CL: 6, Cm: damp },
            beta: { CY: -0.4, Cl: dihedral, Cn: weathercock },
          })
          const own = { ...state, mass: heavy, inertia: { ...state.inertia, xz } }
          const { phugoid, shortPeriod, roll, spiral, dutchRoll } = handling(d, own)
          const trace = (matrix: number[][]) => matrix.reduce((sum, row, i) => sum + row[i], 0)
          const sum = (modes: Array<{ growth: number; frequency: number }>) =>
            modes.reduce((total, mode) => total + mode.growth * (mode.frequency > 0 ? 2 : 1), 0)
          expect(sum([...phugoid, ...shortPeriod])).toBeCloseTo(trace(longitudinalMatrix(d, own)), 6)
          expect(sum([...new Set([roll, spiral, ...dutchRoll])])).toBeCloseTo(trace(lateralMatrix(d, own)), 6)
        },
      ),
      { numRuns: 60 },
    )
  })
})

describe('hinge moments', () => {
  it('an all-moving plate about its nose: −π/2 a radian, of incidence or of deflection', () => {
    const { perAlpha, perDeflection } = hingeCoefficients(1)
    expect(perAlpha).toBeCloseTo(-Math.PI / 2, 3)
    expect(perDeflection).toBeCloseTo(-Math.PI / 2, 3)
  })
  it('incidence: the integral 4∫√((1−x)/x)(x−x_h)dx in closed form, at three hinges', () => {
    for (const e of [0.2, 0.35, 0.6]) {
      const hinge = Math.acos(2 * e - 1)
      // ∫ cot(θ/2)(x − x_h)(sin θ/2)dθ with cot(θ/2) sin θ = 1 + cos θ: elementary terms.
      const part = (t: number) =>
        ((2 * e - 1) / 4) * (t + Math.sin(t)) - (Math.sin(t) + t / 2 + Math.sin(2 * t) / 4) / 4
      expect(hingeCoefficients(e).perAlpha).toBeCloseTo((-4 * (part(Math.PI) - part(hinge))) / e ** 2, 3)
    }
  })
  it("deflection: always heavier than incidence for a narrow flap; nearly −0.9 a radian at a fifth of the chord (Glauert's curve)", () => {
    const { perAlpha, perDeflection } = hingeCoefficients(0.2)
    expect(perDeflection).toBeLessThan(perAlpha)
    expect(perDeflection).toBeGreaterThan(-1)
    expect(perDeflection).toBeLessThan(-0.8)
  })
  it('rods: equal arms follow one to one; work in is work out at any angle; out of reach is said', () => {
    expect(servoAngle({ arm: 10, horn: 10 }, 0.4)).toBeCloseTo(0.4, 12)
    expect(servoAngle({ arm: 8, horn: 16 }, 0.6)).toBeNull()
    fc.assert(
      fc.property(
        fc.double({ min: 6, max: 20, noNaN: true }),
        fc.double({ min: 6, max: 20, noNaN: true }),
        fc.double({ min: 0.02, max: 0.25, noNaN: true }),
        (arm, horn, deflection) => {
          const h = 1e-6
          const rate =
            (servoAngle({ arm, horn }, deflection + h)! - servoAngle({ arm, horn }, deflection - h)!) /
            (2 * h)
          expect(servoTorque({ arm, horn }, 3, deflection)! * rate).toBeCloseTo(3, 6)
        },
      ),
    )
  })
})

describe('trim', () => {
  const station = (
    x: number,
    y: number,
    chord: number,
    more: Partial<LatticeStation> = {},
  ): LatticeStation => ({ x, y, z: 0, chord, twist: 0, slopeAt: () => 0, ...more })
  const surface = (
    name: string,
    stations: LatticeStation[],
    more: Partial<LatticeSurface> = {},
  ): LatticeSurface => ({
    name,
    mirror: true,
    chordwise: 4,
    spanwise: 8,
    spacing: 'cosine',
    stations,
    ...more,
  })
  const own: Reference = { area: 6, chord: 1, span: 6, x: 0.25 }
  const lift = solveLift(
    [
      surface('wing', [station(0, 0, 1), station(0, 3, 1)]),
      surface('tail', [station(4, 0, 0.5), station(4, 1, 0.5)], {
        controls: [{ id: 'elevator', from: 0, to: 1, chordShare: 0.4 }],
      }),
    ],
    own,
  )
  it('makes the lift asked for and no moment, with the elevator', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 1, noNaN: true }),
        fc.double({ min: 0.1, max: 0.7, noNaN: true }),
        (wanted, x) => {
          const trim = trimAt(lift.flows, wanted, 'elevator', { x, z: 0 }, own, 0.1)
          expect(trim.found).toBe(true)
          expect(trim.at.CL).toBeCloseTo(wanted, 6)
          expect(trim.at.Cm).toBeCloseTo(0, 6)
        },
      ),
      { numRuns: 30 },
    )
  })
  it('at the neutral point speed needs no elevator; further forward it needs more up, in proportion (linear theory)', () => {
    const elevator = (x: number, wanted: number) =>
      trimAt(lift.flows, wanted, 'elevator', { x, z: 0 }, own, 0).deflection
    const np = lift.neutralPointX
    expect(Math.abs(elevator(np, 0.8) - elevator(np, 0.3))).toBeLessThan(0.01)
    expect(elevator(np - 0.2, 0.6)).toBeLessThan(elevator(np - 0.1, 0.6))
    expect(
      (elevator(np - 0.2, 0.6) - elevator(np, 0.6)) / (elevator(np - 0.1, 0.6) - elevator(np, 0.6)),
    ).toBeCloseTo(2, 1)
  })
})
