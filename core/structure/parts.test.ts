import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Leg } from '../document'
import { LIBRARIES } from '../libraries'
import { endForce, socketForce } from './bearing'
import { boomModes, boomStiffness, tailWhip } from './boom'
import { drop, forceAt, together, workTo, type ForceLine } from './drop'
import { springBears, springIndex, springMass, springRate, springTravel } from './coil-spring'
import { legBears, legForce, mountBears, springOf } from './gear-leg'
import { WIRE_LEG } from '../testing/wire-leg'
import { throwAcceleration, tipStrike } from './ground-loads'
import { combinedBuckling, sandwichThickness, shearBucklingStress, wrinklingStress } from './skin-buckling'
import { flatteningMoment, shearPeak } from './spar-modes'

const g = 9.80665
const stock = (id: string) => LIBRARIES.stock.find(item => item.id === id)!

describe('drop', () => {
  const spring = (k: number): ForceLine => [
    { travel: 0, force: 0 },
    { travel: 0.01, force: 0.01 * k },
  ]
  it('a spring: δ = (mg/k)·(1 + √(1 + 2hk/mg)), set down from no height twice the weight', () => {
    const k = 800,
      m = 1.2,
      h = 0.3
    expect(drop(spring(k), m, h, g).travel).toBeCloseTo(
      ((m * g) / k) * (1 + Math.sqrt(1 + (2 * h * k) / (m * g))),
      9,
    )
    expect(drop(spring(k), m, 0, g).factor).toBeCloseTo(2, 9)
  })
  it('the energy closes, whatever the legs: what fell is what was taken up', () => {
    const step = fc.tuple(
      fc.double({ min: 0.001, max: 0.05, noNaN: true }),
      fc.double({ min: 0, max: 80, noNaN: true }),
    )
    fc.assert(
      fc.property(
        fc.array(step, { minLength: 1, maxLength: 5 }),
        fc.double({ min: 0.1, max: 5, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (steps, mass, height) => {
          let travel = 0,
            force = 0
          const line = [
            { travel, force },
            ...steps.map(([dx, df]) => ({ travel: (travel += dx), force: (force += df) })),
          ]
          fc.pre(force > 2 * mass * g && line[line.length - 1].force > line[line.length - 2].force)
          const { fall, work } = drop(line, mass, height, g)
          expect(work / fall).toBeCloseTo(1, 6)
        },
      ),
    )
  })
  it('two legs take the load together, and harder the second one', () => {
    const both = together([
      spring(500),
      [
        { travel: 0, force: 0 },
        { travel: 0.02, force: 4 },
        { travel: 0.03, force: 40 },
      ],
    ])
    expect(forceAt(both, 0.01)).toBeCloseTo(5 + 2, 9)
    expect(forceAt(both, 0.025)).toBeCloseTo(12.5 + 22, 9)
    expect(workTo(both, 0.02)).toBeCloseTo(0.5 * 500 * 0.02 ** 2 + 0.5 * 4 * 0.02, 9)
  })
})

describe('legs', () => {
  const leg: Leg = {
    id: 'main',
    name: 'Main',
    kind: 'wire',
    xMm: 0,
    yMm: 20,
    zMm: 0,
    dropMm: 80,
    splayMm: 60,
    thicknessMm: 3,
    widthMm: 3,
    zone: 'z',
    springNmm: 1,
    travelMm: 10,
    coil: null,
    wheelMm: 50,
    tyreMm: 0,
    wheelG: 8,
    printedWheel: null,
    pair: true,
    mount: { lengthMm: 30, widthMm: 4, depthMm: 4 },
  }
  const printed = { modulus: 2e9, strength: 40e6 }
  it('a wire at an angle is a cantilever of its length: k = 3EI/(b²·L)', () => {
    const I = (Math.PI / 64) * 0.003 ** 4,
      k = (3 * 200e9 * I) / (0.06 ** 2 * 0.1)
    expect(forceAt(legForce(leg, printed, 5), 0.004)).toBeCloseTo(0.004 * k, 6)
    // A tyre that goes flat at five times its weight gives in series.
    const soft = forceAt(legForce({ ...leg, tyreMm: 10 }, printed, 5), 0.004)
    expect(soft).toBeCloseTo(0.004 / (1 / k + 0.01 / 25), 6)
  })
  it('bears σ·W over the lever, wire of 3 mm by hand; a mount twice as long bears more, deeper plastic too', () => {
    // Lever √(60² + (0.3·80)²) = 64.62 mm.
    expect(legBears(leg, printed)).toBeCloseTo((1200e6 * (Math.PI / 32) * 0.003 ** 3) / 0.06462, 0)
    const plastic = { compression: 40e6, shear: 15e6 },
      mount = mountBears(leg, plastic)
    expect(mount.bearing).toBeCloseTo(40e6 / (1 / (0.03 * 0.004) + (6 * 0.064622) / (0.004 * 0.0009)), 1)
    expect(mountBears({ ...leg, mount: { ...leg.mount, lengthMm: 60 } }, plastic).bearing).toBeGreaterThan(
      3 * mount.bearing,
    )
    expect(
      mountBears({ ...leg, mount: { ...leg.mount, depthMm: 8 } }, plastic).around / mount.around,
    ).toBeCloseTo(2, 9)
  })
  it('a sprung leg follows its spring to the stop and then is hard', () => {
    const sprung: Leg = { ...leg, kind: 'sprung', springNmm: 2, travelMm: 12 }
    const line = legForce(sprung, printed, 5)
    expect(forceAt(line, 0.006)).toBeCloseTo(12, 9)
    expect(forceAt(line, 0.012)).toBeCloseTo(24, 9)
    expect(forceAt(line, 0.014)).toBeGreaterThan(200)
  })
})

describe('coil springs', () => {
  it('by the book: music wire of 0.037 in, 7/16 in over all, 10.5 turns give 4.13 lbf/in and yield at 6.46 lbf', () => {
    // Shigley, example 10-1, which takes 81.7 GPa and Bergsträsser's factor.
    const inch = 0.0254,
      pound = 4.44822
    const coil = { wire: 0.037 * inch, coil: (7 / 16 - 0.037) * inch, turns: 10.5, free: 0.04 }
    expect(springRate(coil) / ((4.13 * pound) / inch)).toBeCloseTo(80 / 81.7, 2)
    expect(Math.abs(springBears(coil) / (6.46 * pound) - 1)).toBeLessThan(0.02)
    expect(springIndex(coil)).toBeCloseTo(10.8, 1)
  })
  it('halves its rate with twice the turns; sixteen times it with twice the wire, an eighth with twice the coil', () => {
    const own = { wire: 1e-3, coil: 12e-3, turns: 6, free: 40e-3 }
    const against = (more: Partial<typeof own>) => springRate({ ...own, ...more }) / springRate(own)
    expect(against({ turns: 12 })).toBeCloseTo(0.5, 9)
    expect(against({ wire: 2e-3 })).toBeCloseTo(16, 9)
    expect(against({ coil: 24e-3 })).toBeCloseTo(1 / 8, 9)
    // Eight wires of 1 mm are solid at 8 mm.
    expect(springTravel(own)).toBeCloseTo(32e-3, 12)
    expect(springTravel({ ...own, free: 5e-3 })).toBe(0)
    // Eight turns of π·12 mm of wire, 0.785 mm² of steel.
    expect(springMass(own)).toBeCloseTo(7850 * 8 * Math.PI * 12e-3 * (Math.PI / 4) * 1e-6, 9)
  })
  it('stops a leg where it is solid, or where the leg stops, which comes first', () => {
    const coil = { wireMm: 1, coilMm: 12, turns: 6, freeMm: 20 }
    const leg = { ...WIRE_LEG, kind: 'sprung' as const, travelMm: 50, coil }
    expect(springOf(leg).travel).toBeCloseTo(0.012, 9)
    expect(springOf({ ...leg, travelMm: 7 }).travel).toBeCloseTo(0.007, 9)
    // 80 GPa · 1⁴ / (8 · 12³ · 6) = 0.965 N/mm
    expect(springOf(leg).rate).toBeCloseTo(964.5, 1)
    expect(springOf({ ...leg, coil: null }).rate).toBeCloseTo(1000 * WIRE_LEG.springNmm, 9)
  })
})

describe('boom', () => {
  it('whip: period of a mass on a cantilever; twice the braking when it lasts, π·t/T·2 of it when it is short', () => {
    const stiff = boomStiffness(stock('tube-10x8'), 0.5)
    const { force, factor, periodS } = tailWhip({ ...stiff, mass: 0 }, 0.5, 0.06, 50, 1)
    expect(periodS).toBeCloseTo(2 * Math.PI * Math.sqrt((0.06 * 0.125) / (3 * stiff.EI)), 9)
    expect(factor).toBe(2)
    expect(force).toBeCloseTo(2 * 0.06 * 50, 9)
    expect(tailWhip({ ...stiff, mass: 0 }, 0.5, 0.06, 50, periodS / 600).factor).toBeCloseTo(
      (2 * Math.PI) / 600,
      5,
    )
  })
  it('a solid rod under torque alone: 16T/πd³; under moment alone 32M/πd³', () => {
    const rod = stock('rod-5'),
      d = 0.005
    expect(boomModes(rod, 0, 0, 0.4).shear).toBeCloseTo(
      rod.shearStrength / ((16 * 0.4) / (Math.PI * d ** 3)),
      6,
    )
    expect(boomModes(rod, 3, 0, 0).bending).toBeCloseTo(rod.strength / ((32 * 3) / (Math.PI * d ** 3)), 6)
  })
})

describe('bores and tubes', () => {
  it('the pressure in a socket balances the couple and the shear at its mouth', () => {
    const [M, V, L] = [2.4, 18, 0.09],
      w0 = socketForce(M, V, L),
      slope = (w0 + (2 * V) / L + (6 * M) / (L * L)) / L
    let force = 0,
      moment = 0
    const n = 20000
    for (let i = 0; i < n; i++) {
      const x = ((i + 0.5) * L) / n,
        w = w0 - slope * x
      force += (w * L) / n
      moment += (w * x * L) / n
    }
    expect(force).toBeCloseTo(V, 4)
    expect(-moment).toBeCloseTo(M, 4)
    expect(endForce(1, 2, 0.008)).toBeCloseTo(6 / 0.064 ** 2, 6)
  })
  it("flattening: Brazier's moment of an isotropic tube, 0.987·E·r·t² at ν = 0 nearly; none for rods", () => {
    const alike = { ...stock('tube-16x14'), hoopModulus: stock('tube-16x14').modulus }
    const r = 0.0075,
      t = 0.001
    expect(flatteningMoment(alike) / ((0.987 * alike.modulus * r * t * t) / Math.sqrt(0.91))).toBeCloseTo(
      1,
      2,
    )
    expect(flatteningMoment(stock('rod-4'))).toBe(Infinity)
  })
  it('shear peaks at 4/3 in a rod and nears 2 in a thin tube', () => {
    expect(shearPeak(stock('rod-4'))).toBeCloseTo(4 / 3, 9)
    expect(shearPeak({ ...stock('tube-16x14'), boreMm: 15.98 })).toBeCloseTo(2, 3)
  })
})

describe('skins', () => {
  it('two faces apart bend like t·gap²/2; wrinkles by Hoff and Mautner', () => {
    const equal = sandwichThickness(0.0004, 0.003)
    expect(equal ** 3 / 12).toBeCloseTo((0.0004 * 0.003 ** 2) / 2, 15)
    expect(wrinklingStress(1e9, 0.1)).toBeCloseTo(0.5 * Math.cbrt(1e9 * 1e8 * (1e8 / 5.4)), 3)
  })
  it('compression with shear: alone each as it is, together less, on the parabola', () => {
    expect(combinedBuckling(0.5, 0)).toBeCloseTo(2, 6)
    expect(combinedBuckling(0, 0.25)).toBeCloseTo(4, 6)
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 5, noNaN: true }),
        fc.double({ min: 0.01, max: 5, noNaN: true }),
        (c, s) => {
          const factor = combinedBuckling(c, s)
          expect(factor * c + (factor * s) ** 2).toBeCloseTo(1, 6)
          expect(factor).toBeLessThan(Math.min(1 / c, 1 / s) + 1e-9)
        },
      ),
    )
    expect(
      shearBucklingStress(2e9, 0.001, 0.05) / ((5.35 * Math.PI ** 2 * 2e9 * 0.0004) / (12 * (1 - 0.35 ** 2))),
    ).toBeCloseTo(1, 9)
  })
})

it('a throw over 1.1 m to 8 m/s takes 29 m/s²; a heavy aircraft is felt at its tip as I/y²', () => {
  expect(throwAcceleration(8)).toBeCloseTo(64 / 2.2, 9)
  const { force, tipMass } = tipStrike(1, 400, 1e6, 0.02, 0.6)
  expect(tipMass).toBeCloseTo(0.02 / 0.36, 5)
  // Energy: ½mv² = F²/2k.
  expect(force ** 2 / 400).toBeCloseTo(tipMass, 6)
})
