import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { coefficientsAt, derivativesAt, type Reference } from './derivatives'
import { flapTheory } from './flap-weights'
import { circulationOf } from './flows'
import { solveLift } from './lift'
import type { LatticeStation, LatticeSurface } from './panels'

const flat = () => 0
const station = (
  x: number,
  y: number,
  z: number,
  chord: number,
  more: Partial<LatticeStation> = {},
): LatticeStation => ({ x, y, z, chord, twist: 0, slopeAt: flat, ...more })
const surface = (stations: LatticeStation[], more: Partial<LatticeSurface> = {}): LatticeSurface => ({
  name: 'wing',
  mirror: true,
  chordwise: 4,
  spanwise: 12,
  spacing: 'cosine',
  stations,
  ...more,
})
const CG = { x: 0, z: 0 }

/** Elliptic planform with its quarter-chord line straight on the y axis, moments about it. */
function ellipse(aspect: number, dihedral = 0) {
  const span = (aspect * Math.PI) / 4,
    n = 24
  const stations = Array.from({ length: n + 1 }, (_, i) => {
    const angle = (Math.PI * i) / (2 * n)
    const chord = Math.max(1e-4, Math.cos(angle))
    return station(
      -0.25 * chord,
      (span / 2) * Math.sin(angle),
      (span / 2) * Math.sin(angle) * dihedral,
      chord,
    )
  })
  const reference: Reference = { area: (Math.PI / 4) * span, chord: 1, span, x: 0 }
  return { reference, flows: solveLift([surface(stations, { spanwise: 1, chordwise: 4 })], reference).flows }
}

describe('elliptic wing against lifting-line theory (Glauert 1926), nearer as the aspect ratio grows', () => {
  const alpha = 0.05
  it.each([
    [20, 0.04],
    [40, 0.022],
  ])('A = %i: Cl_p, Cl_r, Cn_p and the ratio Cl_β/Cl_p', (A, bound) => {
    const { flows, reference } = ellipse(A)
    const d = derivativesAt(flows, alpha, [], CG, reference)
    const off = (value: number, theory: number) => Math.abs(value / theory - 1)
    expect(off(d.p.Cl, -((Math.PI / 4) * A) / (A + 4))).toBeLessThan(bound)
    // Yaw about the flight path's own axis: half from the faster air, half from the circulation it makes.
    expect(off(d.r.Cl, (d.at.CL / 8) * (1 + (A + 2) / (A + 4)))).toBeLessThan(bound)
    // Roll yaws the nose away from the falling wing: the tilted lift less what the changed downwash takes
    // back.
    expect(off(d.p.Cn, ((-d.at.CL / 8) * (A - 2)) / (A + 4))).toBeLessThan(bound)
    const dihedral = 0.02
    const bent = ellipse(A, dihedral)
    expect(
      off(
        derivativesAt(bent.flows, 0, [], CG, bent.reference).beta.Cl,
        ((16 * dihedral) / (3 * Math.PI)) * derivativesAt(bent.flows, 0, [], CG, bent.reference).p.Cl,
      ),
    ).toBeLessThan(bound)
  })
  it('induced drag at an incidence is CL²/πA; lift and circulation are perpendicular to the wind', () => {
    const { flows, reference } = ellipse(8)
    const at = coefficientsAt(flows, 0.1, [], CG, reference)
    expect((at.CD * Math.PI * 8) / at.CL ** 2).toBeCloseTo(1, 2)
  })
})

describe('tails far away against the textbook', () => {
  const reference: Reference = { area: 8, chord: 1, span: 8, x: 0.25 }
  it('pitch damping of a lone tail: Cm_q = −2·V̄·a·l/c̄, CL_q = 2·V̄·a', () => {
    const tail = surface([station(20, 0, 0, 0.2), station(20, 0.5, 0, 0.2)], {
      controls: [{ id: 'elevator', from: 0, to: 0.5, chordShare: 1 }],
    })
    const own: Reference = { area: 0.2, chord: 0.2, span: 1, x: 20.05 }
    const slope = solveLift([tail], own).clAlpha
    const { flows } = solveLift([tail], reference)
    const d = derivativesAt(flows, 0, [], { x: 0.25, z: 0 }, reference)
    // Turning is felt at the three-quarter chord, 19.9 m aft of the point; its lift acts at the quarter, 19.8
    // m.
    const felt = (0.2 * 19.9) / 8
    expect(d.q.CL / (2 * felt * slope)).toBeCloseTo(1, 3)
    expect(d.q.Cm / (-2 * felt * slope * 19.8)).toBeCloseTo(1, 3)
    // An all-moving tail's own deflection is incidence.
    expect(d.controls.find(c => c.sense === 'together')!.CL).toBeCloseTo((0.2 * slope) / 8, 9)
  })
  it('weathercock of a lone fin: Cn_β = a·S·l/(S_ref·b), its rudder yaws to starboard, yawing is damped', () => {
    const fin = surface([station(20, 0, 0, 0.2), station(20, 0, 0.6, 0.2)], {
      mirror: false,
      controls: [{ id: 'rudder', from: 0, to: 0.6, chordShare: 0.4 }],
    })
    const own: Reference = { area: 0.12, chord: 0.2, span: 0.6, x: 20 }
    const lone = solveLift(
      [{ ...fin, controls: [], stations: [station(20, 0, 0, 0.2), station(20, 0.6, 0, 0.2)] }],
      own,
    )
    const d = derivativesAt(solveLift([fin], reference).flows, 0, [], { x: 0.25, z: 0 }, reference)
    expect(d.beta.Cn / ((lone.clAlpha * 0.12 * (lone.neutralPointX - 0.25)) / (8 * 8))).toBeCloseTo(1, 3)
    expect(d.controls[0].Cn).toBeGreaterThan(0)
    expect(d.r.Cn).toBeLessThan(0)
    expect(d.beta.CY).toBeLessThan(0)
    // Above the CG, the fin rolls it away from the wind too.
    expect(d.beta.Cl).toBeLessThan(0)
  })
  it('a V-tail of 45°: side force against lift is the K of Purser & Campbell (NACA TR 823), about 0.7 at this aspect ratio', () => {
    const s = Math.SQRT1_2
    const tail = surface([station(5, 0.001, 0, 0.2), station(5, 0.001 + 0.6 * s, 0.6 * s, 0.2)])
    const d = derivativesAt(solveLift([tail], reference).flows, 0, [], { x: 0.25, z: 0 }, reference)
    expect(-d.beta.CY / d.alpha.CL).toBeGreaterThan(0.6)
    expect(-d.beta.CY / d.alpha.CL).toBeLessThan(0.8)
  })
})

it('flaps in two dimensions: lift and moment of thin-aerofoil theory for any hinge, with four panels', () => {
  for (const chordShare of [0.15, 0.25, 0.33, 0.5]) {
    const wing = surface([station(0, 0, 0, 1), station(0, 400, 0, 1)], {
      controls: [{ id: 'flap', from: 0, to: 400, chordShare }],
    })
    const reference: Reference = { area: 800, chord: 1, span: 800, x: 0.25 }
    const d = derivativesAt(solveLift([wing], reference).flows, 0, [], { x: 0.25, z: 0 }, reference)
    const theory = flapTheory(chordShare)
    const together = d.controls.find(c => c.sense === 'together')!
    expect(together.CL / (2 * Math.PI * theory.effectiveness)).toBeCloseTo(1, 1)
    expect(Math.abs(together.CL / d.alpha.CL / theory.effectiveness - 1)).toBeLessThan(0.005)
    expect(Math.abs(together.Cm / theory.cmPerRad - 1)).toBeLessThan(0.02)
  }
  // Glauert's own figures: a quarter-chord flap has 0.609 of the incidence's effect; a half-chord one 0.818.
  expect(flapTheory(0.25).effectiveness).toBeCloseTo(0.609, 3)
  expect(flapTheory(0.5).effectiveness).toBeCloseTo(0.818, 3)
})

const double = (min: number, max: number) => fc.double({ min, max, noNaN: true })
const random = fc.record({
  taper: double(0.3, 1),
  sweep: double(-0.3, 0.8),
  dihedral: double(-0.1, 0.3),
  twist: double(-0.1, 0.1),
  arm: double(2, 8),
  tail: double(0.2, 0.8),
  cant: double(0, 1),
  canard: fc.boolean(),
  alpha: double(-0.1, 0.2),
})
function build({
  taper,
  sweep,
  dihedral,
  twist,
  arm,
  tail,
  cant,
  canard,
}: typeof random extends fc.Arbitrary<infer T> ? T : never): LatticeSurface[] {
  const slopeAt = (x: number) => 0.1 * (1 - 2 * x)
  const x = canard ? -arm : arm
  return [
    surface([station(0, 0, 0, 1, { slopeAt }), station(sweep, 3, 3 * dihedral, taper, { twist, slopeAt })], {
      spanwise: 5,
      controls: [{ id: 'ailerons', from: 1.5, to: 2.8, chordShare: 0.25 }],
    }),
    surface(
      [station(x, 0.05, 0.4, tail), station(x + 0.1, 0.05 + Math.cos(cant), 0.4 + Math.sin(cant), tail)],
      {
        name: 'tail',
        spanwise: 3,
        chordwise: 2,
        controls: [{ id: 'elevator', from: 0, to: 1, chordShare: 0.4 }],
      },
    ),
    surface([station(arm, 0, 0.1, 0.5), station(arm + 0.2, 0, 0.9, 0.3)], {
      name: 'fin',
      mirror: false,
      spanwise: 3,
      chordwise: 2,
      controls: [{ id: 'rudder', from: 0, to: 0.8, chordShare: 0.4 }],
    }),
  ]
}
const reference: Reference = { area: 5, chord: 0.9, span: 6, x: 0.3 }

describe('random aircraft', () => {
  it('symmetry: no lateral load in straight flight, sideslip is antisymmetric, and even and odd flows do not mix', () => {
    fc.assert(
      fc.property(random, shape => {
        const d = derivativesAt(solveLift(build(shape), reference).flows, shape.alpha, [], CG, reference)
        for (const key of ['CY', 'Cl', 'Cn'] as const)
          expect(Math.abs(d.at[key]) + Math.abs(d.alpha[key]) + Math.abs(d.q[key])).toBeLessThan(1e-9)
        for (const key of ['CL', 'Cm'] as const)
          expect(Math.abs(d.beta[key]) + Math.abs(d.p[key]) + Math.abs(d.r[key])).toBeLessThan(1e-9)
      }),
      { numRuns: 25 },
    )
  })
  it('the two systems of a symmetric aircraft give what one system of every panel gives', () => {
    fc.assert(
      fc.property(random, shape => {
        const apart = derivativesAt(solveLift(build(shape), reference).flows, shape.alpha, [], CG, reference)
        // A speck far away and off the plane makes every port half a surface of its own.
        const speck = surface([station(50, 50, 50, 1e-5), station(50, 50 + 1e-5, 50, 1e-5)], {
          name: 'speck',
          mirror: false,
          spanwise: 1,
          chordwise: 1,
        })
        const whole = derivativesAt(
          solveLift([...build(shape), speck], reference).flows,
          shape.alpha,
          [],
          CG,
          reference,
        )
        for (const motion of ['alpha', 'beta', 'p', 'q', 'r'] as const)
          for (const key of ['CL', 'CY', 'Cl', 'Cm', 'Cn'] as const)
            expect(Math.abs(whole[motion][key] - apart[motion][key])).toBeLessThan(
              1e-5 * (1 + Math.abs(apart[motion][key])),
            )
      }),
      { numRuns: 10 },
    )
  })
  it('superposition: flows add, and derivatives are what small differences give', () => {
    fc.assert(
      fc.property(random, double(-0.05, 0.05), (shape, angle) => {
        const { flows } = solveLift(build(shape), reference)
        const one = { wind: [1, 0, shape.alpha] as const, spin: [0, 0, 0] as const },
          two = {
            wind: [0, 0.1, 0] as const,
            spin: [0.01, 0.02, 0.03] as const,
            deflections: [{ id: 'elevator', sense: 'together' as const, angle }],
          }
        const sum = circulationOf(flows, {
          wind: [1, 0.1, shape.alpha],
          spin: two.spin,
          deflections: two.deflections,
        })
        const a = circulationOf(flows, one),
          b = circulationOf(flows, two)
        sum.starboard.forEach((value, i) => expect(value).toBeCloseTo(a.starboard[i] + b.starboard[i], 10))
        const h = 1e-4
        const d = derivativesAt(flows, shape.alpha, two.deflections, CG, reference)
        const [up, down] = [h, -h].map(step =>
          coefficientsAt(flows, shape.alpha + step, two.deflections, CG, reference),
        )
        // The lift axis turns with the wind; induced drag along it is of second order.
        expect((up.CL - down.CL) / (2 * h)).toBeCloseTo(d.alpha.CL - d.at.CD, 4)
        expect((up.Cm - down.Cm) / (2 * h)).toBeCloseTo(d.alpha.Cm, 4)
      }),
      { numRuns: 20 },
    )
  })
  it('scale and place leave derivatives about the same point of the aircraft alone', () => {
    fc.assert(
      fc.property(random, double(0.1, 6), double(-4, 4), (shape, k, shift) => {
        const moved = build(shape).map(s => ({
          ...s,
          stations: s.stations.map(p => ({
            ...p,
            x: k * p.x + shift,
            y: k * p.y,
            z: k * p.z,
            chord: k * p.chord,
          })),
          controls: s.controls?.map(c => ({ ...c, from: k * c.from, to: k * c.to })),
        }))
        const own: Reference = { area: 5 * k * k, chord: 0.9 * k, span: 6 * k, x: 0.3 * k + shift }
        const a = derivativesAt(
            solveLift(build(shape), reference).flows,
            shape.alpha,
            [],
            { x: 0.2, z: 0.1 },
            reference,
          ),
          b = derivativesAt(
            solveLift(moved, own).flows,
            shape.alpha,
            [],
            { x: 0.2 * k + shift, z: 0.1 * k },
            own,
          )
        for (const motion of ['alpha', 'beta', 'p', 'q', 'r'] as const)
          for (const key of ['CL', 'CY', 'Cl', 'Cm', 'Cn'] as const)
            expect(b[motion][key]).toBeCloseTo(a[motion][key], 6)
        a.controls.forEach((control, i) => expect(b.controls[i].Cm).toBeCloseTo(control.Cm, 6))
      }),
      { numRuns: 20 },
    )
  })
})
