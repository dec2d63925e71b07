import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { meanSlope, nacaMeanLine, shapeOf } from '../geometry'
import { aerofoilOf } from '../document'
import { airAt } from './atmosphere'
import { factorise, solve } from './dense-solve'
import { apparentMass, bodyMoment } from './fuselage'
import type { LatticeStation, LatticeSurface } from './panels'
import type { Reference } from './derivatives'
import { solveLift } from './lift'
import { planform } from './planform'
import { findStall, stallSpeed } from './stall'
import { thinSection } from './thin-section'

const flat = () => 0
const station = (
  x: number,
  y: number,
  chord: number,
  more: Partial<LatticeStation> = {},
): LatticeStation => ({ x, y, z: 0, chord, twist: 0, slopeAt: flat, ...more })
const wing = (stations: LatticeStation[], more: Partial<LatticeSurface> = {}): LatticeSurface => ({
  name: 'wing',
  mirror: true,
  chordwise: 4,
  spanwise: 20,
  spacing: 'uniform',
  stations,
  ...more,
})
const rectangle = (aspect: number, more: Partial<LatticeSurface> = {}) =>
  solveLift([wing([station(0, 0, 1), station(0, aspect / 2, 1)], more)], {
    area: aspect,
    chord: 1,
    span: aspect,
    x: 0,
  })

describe('lattice against theory', () => {
  it('slender wing: CL_α tends to πA/2 (Jones 1946), within 0.5 %', () => {
    for (const aspect of [0.05, 0.1])
      expect(
        rectangle(aspect, { chordwise: 8, spacing: 'cosine' }).clAlpha / ((Math.PI * aspect) / 2),
      ).toBeCloseTo(1, 2)
  })
  it('two-dimensional limit: 2π, neutral point at the quarter chord, within 1 %', () => {
    const two = rectangle(1000, { chordwise: 8, spacing: 'cosine' })
    expect(Math.abs(two.clAlpha / (2 * Math.PI) - 1)).toBeLessThan(0.01)
    expect(two.neutralPointX).toBeCloseTo(0.25, 3)
  })
  it('Helmbold 2πA/(2 + √(4 + A²)) is an upper neighbour for rectangles: lattice 0–8 % below, A from 1 to 10', () => {
    for (const a of [1, 2, 4, 6, 10]) {
      const ratio = rectangle(a).clAlpha / ((2 * Math.PI * a) / (2 + Math.sqrt(4 + a * a)))
      expect(ratio).toBeLessThan(1)
      expect(ratio).toBeGreaterThan(0.92)
    }
  })
  it('elliptic wing: span efficiency 1 within 0.5 %, at three aspect ratios', () => {
    for (const a of [4, 8, 20]) {
      const span = (a * Math.PI) / 4,
        n = 24
      const stations = Array.from({ length: n + 1 }, (_, i) => {
        const angle = (Math.PI * i) / (2 * n)
        const chord = Math.max(1e-4, Math.cos(angle))
        return station(-0.25 * chord, (span / 2) * Math.sin(angle), chord)
      })
      const lift = solveLift([wing(stations, { spanwise: 1 })], {
        area: (Math.PI / 4) * span,
        chord: 1,
        span,
        x: 0,
      })
      expect(Math.abs(lift.spanEfficiency - 1)).toBeLessThan(0.005)
      // Induced drag of an elliptic loading is CL²/πA.
      expect(lift.inducedDragFactor * Math.PI * a).toBeCloseTo(1, 2)
    }
  })
  it('converges: doubling strips from 10 on moves CL_α by under 1 %, span efficiency by under 0.5 %', () => {
    for (const spacing of ['uniform', 'cosine'] as const) {
      const [coarse, fine] = [10, 20].map(spanwise => rectangle(6, { spanwise, spacing }))
      expect(Math.abs(coarse.clAlpha / fine.clAlpha - 1)).toBeLessThan(0.01)
      expect(Math.abs(coarse.spanEfficiency / fine.spanEfficiency - 1)).toBeLessThan(0.005)
    }
  })
  it("a small tail far behind adds V̄·a_t(1 − dε/dα), with dε/dα from the wing's own wake", () => {
    const reference: Reference = { area: 8, chord: 1, span: 8, x: 0.25 }
    const main = wing([station(0, 0, 1), station(0, 4, 1)])
    const small = wing([station(100, 0, 0.02), station(100, 0.05, 0.02)], { name: 'tail', spanwise: 6 })
    const alone = solveLift([main], reference),
      both = solveLift([main, small], reference)
    const tailAlone = solveLift([small], { area: 0.002, chord: 0.02, span: 0.1, x: 100.005 })
    // Far aft the wake is a sheet of straight vortices: w(0) = 2·Σ ΔΓ/(2πy) over the strip edges of one half.
    const gamma = alone.strips.map(strip => (strip.clPerRad * strip.chord) / 2)
    const downwash = gamma.reduce(
      (sum, g, i) => sum + (g - (gamma[i + 1] ?? 0)) / (Math.PI * 0.2 * (i + 1)),
      0,
    )
    const added = (both.clAlpha - alone.clAlpha) * 8
    expect(added / (0.002 * tailAlone.clAlpha * (1 - downwash))).toBeCloseTo(1, 2)
    const volume = (0.002 * 99.755) / 8
    expect((alone.cmAlpha - both.cmAlpha) / (volume * tailAlone.clAlpha * (1 - downwash))).toBeCloseTo(1, 2)
  })
  it('camber and twist: a cambered 2D wing lifts nothing at the zero-lift angle of thin-aerofoil theory; twist adds to incidence', () => {
    const name = aerofoilOf('naca4412')!
    const slopeAt = (x: number) => nacaMeanLine(name, x).slope
    const cambered = solveLift(
      [
        wing([station(0, 0, 1, { slopeAt }), station(0, 400, 1, { slopeAt })], {
          spanwise: 8,
          chordwise: 16,
          spacing: 'cosine',
        }),
      ],
      { area: 800, chord: 1, span: 800, x: 0 },
    )
    expect(cambered.alphaZeroLift / thinSection(slopeAt).alphaZeroLift).toBeCloseTo(1, 1)
    const twist = 0.05
    const twisted = solveLift([wing([station(0, 0, 1, { twist }), station(0, 3, 1, { twist })])], {
      area: 6,
      chord: 1,
      span: 6,
      x: 0,
    })
    expect(twisted.alphaZeroLift).toBeCloseTo(-twist, 10)
  })
  it('has no opinion on units or place: scale, shift and the order of surfaces leave coefficients alone', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 5, noNaN: true }),
        fc.double({ min: -3, max: 3, noNaN: true }),
        fc.double({ min: 0.3, max: 1, noNaN: true }),
        (k, dx, taper) => {
          const make = (scale: number, shift: number) => [
            wing([station(shift, 0, scale), station(shift + 0.2 * scale, 3 * scale, taper * scale)], {
              spanwise: 6,
            }),
            wing(
              [
                station(shift + 4 * scale, 0, 0.5 * scale, { z: 0.3 * scale }),
                station(shift + 4 * scale, scale, 0.4 * scale, { z: 0.3 * scale }),
              ],
              { name: 'tail', spanwise: 4, chordwise: 2 },
            ),
          ]
          const ref = (scale: number, shift: number): Reference => ({
            area: 6 * scale * scale,
            chord: scale,
            span: 6 * scale,
            x: shift,
          })
          const a = solveLift(make(1, 0), ref(1, 0)),
            b = solveLift(make(k, dx).reverse(), ref(k, dx))
          expect(b.clAlpha / a.clAlpha).toBeCloseTo(1, 9)
          expect((b.neutralPointX - dx) / k).toBeCloseTo(a.neutralPointX, 8)
          expect(b.spanEfficiency).toBeCloseTo(a.spanEfficiency, 8)
        },
      ),
      { numRuns: 25 },
    )
  })
  it('half with a mirror equals the whole wing without one', () => {
    const half = rectangle(5, { spanwise: 8 })
    const whole = solveLift(
      [wing([station(0, -2.5, 1), station(0, 2.5, 1)], { mirror: false, spanwise: 16 })],
      { area: 5, chord: 1, span: 5, x: 0 },
    )
    expect(whole.clAlpha).toBeCloseTo(half.clAlpha, 2)
  })
})

it('LU solves what it factorised, with pivoting', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: -5, max: 5, noNaN: true }), { minLength: 25, maxLength: 25 }),
      fc.array(fc.double({ min: -5, max: 5, noNaN: true }), { minLength: 5, maxLength: 5 }),
      (a, x) => {
        // A strong anti-diagonal forces row swaps and keeps the matrix regular.
        const matrix = Float64Array.from(a, (v, i) => v / 5 + (i % 5 === 4 - Math.floor(i / 5) ? 10 : 0))
        const b = Float64Array.from({ length: 5 }, (_, i) =>
          x.reduce((sum, v, j) => sum + matrix[i * 5 + j] * v, 0),
        )
        const found = solve(factorise(matrix.slice(), 5), b)
        x.forEach((v, i) => expect(found[i]).toBeCloseTo(v, 9))
      },
    ),
  )
})

describe('thin sections', () => {
  it('naca2412: zero-lift −2.08°, cm −0.053; naca4412: −4.15°, −0.106 (Abbott & von Doenhoff, theory)', () => {
    for (const [label, angle, cm] of [
      ['naca2412', -2.08, -0.053],
      ['naca4412', -4.15, -0.106],
    ] as const) {
      const name = aerofoilOf(label)!
      const thin = thinSection(x => nacaMeanLine(name, x).slope)
      expect((thin.alphaZeroLift * 180) / Math.PI).toBeCloseTo(angle, 1)
      expect(thin.cmQuarter).toBeCloseTo(cm, 3)
    }
  })
  it('a parabolic mean line of height h: α₀ = −2h, cm = −πh, in closed form', () => {
    const h = 0.03
    const thin = thinSection(x => 4 * h * (1 - 2 * x))
    expect(thin.alphaZeroLift).toBeCloseTo(-2 * h, 6)
    expect(thin.cmQuarter).toBeCloseTo(-Math.PI * h, 6)
  })
  it('the reflexed 231 line has next to no moment, the plain 230 a little (TR 537)', () => {
    expect(thinSection(x => nacaMeanLine(aerofoilOf('naca23112')!, x).slope).cmQuarter).toBeGreaterThan(
      -0.003,
    )
    expect(thinSection(x => nacaMeanLine(aerofoilOf('naca23012')!, x).slope).cmQuarter).toBeCloseTo(-0.013, 2)
  })
  it('slopes read back from a sampled outline give the same zero-lift angle within 2 %', () => {
    const shape = shapeOf('naca4412', [])
    expect(
      thinSection(x => meanSlope(shape, x)).alphaZeroLift /
        thinSection(x => nacaMeanLine(aerofoilOf('naca4412')!, x).slope).alphaZeroLift,
    ).toBeCloseTo(1, 1)
  })
})

it('standard atmosphere: table values of ISO 2533 at 0, 1000 and 2000 m', () => {
  for (const [h, t, rho] of [
    [0, 288.15, 1.225],
    [1000, 281.65, 1.1117],
    [2000, 275.15, 1.0066],
  ])
    expect(airAt(h, t).density).toBeCloseTo(rho, 3)
  expect(airAt(0, 288.15).viscosity).toBeCloseTo(1.789e-5, 8)
})

describe('stall', () => {
  const strips = [0.1, 0.3, 0.5].map(span => ({
    surface: 'wing',
    span,
    x: 0,
    y: span,
    z: 0,
    width: 0.2,
    chord: 0.2,
    clPerRad: span === 0.3 ? 6 : 4,
    clZero: 0,
  }))
  it('begins at the strip that meets its limit first', () => {
    const stall = findStall(
      strips,
      () => 1.2,
      alpha => 4.5 * alpha,
    )
    expect(stall.span).toBe(0.3)
    expect(stall.clMax).toBeCloseTo(4.5 * 0.2, 9)
    expect(
      findStall(
        strips,
        strip => (strip.span === 0.5 ? 0.5 : 1.2),
        alpha => 4.5 * alpha,
      ).span,
    ).toBe(0.5)
  })
  it('speed: 1 kg, 0.2 m², CL 1.2 at sea level is 8.17 m/s, and doubles at four g', () => {
    const v = stallSpeed(9.80665, 1.225, 0.2, 1.2)
    expect(v).toBeCloseTo(Math.sqrt((2 * 9.80665) / (1.225 * 0.2 * 1.2)), 9)
    expect(stallSpeed(9.80665, 1.225, 0.2, 1.2, 4)).toBeCloseTo(2 * v, 9)
  })
})

it('planform of a trapezium: mean chord 2/3·c·(1+λ+λ²)/(1+λ), area and place in closed form', () => {
  const { area, mac, macLead, macSpan } = planform([
    { span: 0, lead: 0, chord: 0.3 },
    { span: 1, lead: 0.1, chord: 0.15 },
  ])
  expect(area).toBeCloseTo(0.225, 12)
  expect(mac).toBeCloseTo((2 / 3) * 0.3 * (1.75 / 1.5), 12)
  // Span of the mean chord: b/6·(1+2λ)/(1+λ) of the whole span 2.
  expect(macSpan).toBeCloseTo((2 / 6) * (2 / 1.5), 12)
  expect(macLead).toBeCloseTo(0.1 * macSpan, 12)
})

it('a body counts evenly as before the wing or behind it, wherever its rear end divides it', () => {
  // A tube of one width: k·π·w²/(2·S·c̄)·(before + 0.3·behind), in closed form.
  const at = (rear: number) => bodyMoment(() => 0.1, 0, 1, rear, 0.3, 0.25, 0.2)
  for (let rear = 0; rear <= 1; rear += 0.001)
    expect(at(rear) / at(1)).toBeCloseTo(rear + 0.3 * (1 - rear), 9)
})

it('body moment: a cylinder of constant width under steady flow, in closed form; Munk factors rise with fineness', () => {
  const moment = bodyMoment(() => 0.1, 0, 1, 2, 1, 0.25, 0.2)
  expect(moment).toBeCloseTo((apparentMass(10) * Math.PI * 0.01) / (2 * 0.25 * 0.2), 9)
  // Munk's ellipsoids: 0.77 at fineness 4, 0.86 at 6, 0.94 at 10, within 0.03.
  for (const [f, k] of [
    [4, 0.77],
    [6, 0.86],
    [10, 0.94],
  ])
    expect(Math.abs(apparentMass(f) - k)).toBeLessThan(0.03)
})
