import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { shearProperties } from './shear-flow'
import { bendingStiffness, curvatures, type ThinWalled } from './thin-walled-section'

const E = 2e9,
  G = 0.7e9,
  t = 0.0005
const ring = (points: Array<[number, number]>, spars: ThinWalled['spars'] = []): ThinWalled => ({
  x: points.map(p => p[0]),
  y: points.map(p => p[1]),
  walls: points.map((_, i) => ({ a: i, b: (i + 1) % points.length, Et: E * t, Gt: G * t })),
  spars,
})
const circle = (r: number, n = 200): Array<[number, number]> =>
  Array.from({ length: n }, (_, i) => [
    r * Math.cos((2 * Math.PI * i) / n),
    r * Math.sin((2 * Math.PI * i) / n),
  ])

/** Two rectangular cells side by side, b1 and b2 wide, h high; node 1–4 is the web between them. */
const twoCells = (b1: number, b2: number, h: number, tw = t): ThinWalled => {
  const x = [0, b1, b1 + b2, b1 + b2, b1, 0],
    y = [0, 0, 0, h, h, h]
  const wall = (a: number, b: number, thick = t) => ({ a, b, Et: E * thick, Gt: G * thick })
  return {
    x,
    y,
    walls: [wall(0, 1), wall(1, 2), wall(2, 3), wall(3, 4), wall(4, 5), wall(5, 0), wall(1, 4, tw)],
    spars: [],
  }
}

describe('bending', () => {
  it('a thin tube: E·π·r³·t both ways, no product', () => {
    const found = bendingStiffness(ring(circle(0.03)))
    expect(found.EIx / (E * Math.PI * 0.03 ** 3 * t)).toBeCloseTo(1, 3)
    expect(found.EIy / found.EIx).toBeCloseTo(1, 9)
    expect(Math.abs(found.EIxy / found.EIx)).toBeLessThan(1e-9)
  })
  it('an angle of equal legs bends about its principal axes: I_max = t·a³/3, I_min = t·a³/12, at 45°', () => {
    const a = 0.04
    const angle: ThinWalled = {
      x: [0, a, 0],
      y: [0, 0, a],
      walls: [
        { a: 0, b: 1, Et: E * t, Gt: G * t },
        { a: 0, b: 2, Et: E * t, Gt: G * t },
      ],
      spars: [],
    }
    const { EIx, EIxy, x } = bendingStiffness(angle)
    expect(x).toBeCloseTo(a / 4, 9)
    // Leg: t·a³/12 + t·a·(a/2 − a/4)² + t·a·(a/4)² = 5/24 t·a³; product −t·a³/8.
    expect(EIx / (E * t * a ** 3)).toBeCloseTo(5 / 24, 6)
    expect((EIx - EIxy) / (E * t * a ** 3)).toBeCloseTo(1 / 3, 6)
    expect((EIx + EIxy) / (E * t * a ** 3)).toBeCloseTo(1 / 12, 6)
  })
  it('unsymmetric bending gives back the moments it was asked for', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.double({ min: -0.1, max: 0.1, noNaN: true }),
            fc.double({ min: -0.02, max: 0.02, noNaN: true }),
          ),
          { minLength: 5, maxLength: 9 },
        ),
        fc.double({ min: -5, max: 5, noNaN: true }),
        fc.double({ min: -5, max: 5, noNaN: true }),
        (points, mx, my) => {
          const section = ring(points),
            stiff = bendingStiffness(section)
          fc.pre(
            Math.min(stiff.EIx, stiff.EIy) > 1e-3 &&
              stiff.EIx * stiff.EIy - stiff.EIxy ** 2 > 1e-2 * stiff.EIx * stiff.EIy,
          )
          const { alongX, alongY } = curvatures(stiff, mx, my)
          const size = Math.abs(mx) + Math.abs(my) + 1e-9
          expect((alongX * stiff.EIxy + alongY * stiff.EIx - mx) / size).toBeCloseTo(0, 6)
          expect((alongX * stiff.EIy + alongY * stiff.EIxy - my) / size).toBeCloseTo(0, 6)
        },
      ),
    )
  })
})

describe('torsion', () => {
  it('a closed tube: G·2π·r³·t and a flow of 1/2A', () => {
    const { GJ, torque } = shearProperties(ring(circle(0.03)))
    expect(GJ / (G * 2 * Math.PI * 0.03 ** 3 * t)).toBeCloseTo(1, 3)
    for (const q of torque) expect(q * 2 * Math.PI * 0.03 ** 2).toBeCloseTo(1, 3)
  })
  it('two unequal cells, by hand', () => {
    // Cell 1 (40 × 20 mm) and 2 (20 × 20 mm), web twice as thick. With δ = l/Gt in units of 1/(G·t·100):
    // outer walls 10 and 6, web 1.
    // (11)q1 − (1)q2 = 2·A1·k, −q1 + 7·q2 = 2·A2·k with A1 = 8e-4, A2 = 4e-4, k = G·t/0.01.
    const b = 0.02,
      section = twoCells(2 * b, b, b, 2 * t)
    const k = (G * t) / 0.01,
      [A1, A2] = [8e-4, 4e-4]
    const det = 11 * 7 - 1,
      outer1 = 10,
      outer2 = 6
    expect(outer1 / 2 + outer2 / 2).toBe(8)
    const q1 = ((7 * 2 * A1 + 2 * A2) * k) / det,
      q2 = ((11 * 2 * A2 + 2 * A1) * k) / det
    const { GJ, torque } = shearProperties(section)
    expect(GJ / (2 * A1 * q1 + 2 * A2 * q2)).toBeCloseTo(1, 9)
    expect((torque[0] * GJ) / q1).toBeCloseTo(1, 9)
    expect((torque[1] * GJ) / q2).toBeCloseTo(1, 9)
    expect((torque[6] * GJ) / (q1 - q2)).toBeCloseTo(1, 9)
  })
  it('a web in the plane of symmetry carries no torque and changes nothing', () => {
    const { GJ, torque } = shearProperties(twoCells(0.03, 0.03, 0.02))
    const box = ring([
      [0, 0],
      [0.06, 0],
      [0.06, 0.02],
      [0, 0.02],
    ])
    expect(Math.abs(torque[6])).toBeLessThan(1e-9 * Math.abs(torque[0]))
    expect(GJ / shearProperties(box).GJ).toBeCloseTo(1, 9)
    // Bredt: 4A²/∮ds/Gt.
    expect(GJ / ((4 * 0.0012 ** 2 * G * t) / 0.16)).toBeCloseTo(1, 9)
  })
  it("an open section has the spars' own stiffness alone", () => {
    const open: ThinWalled = {
      ...ring(
        [
          [0, 0],
          [0.05, 0],
          [0.05, 0.02],
          [0, 0.02],
        ],
        [{ node: 1, EA: 1, EIx: 0, EIy: 0, GJ: 0.3 }],
      ),
    }
    expect(shearProperties({ ...open, walls: open.walls.slice(0, 3) }).GJ).toBe(0.3)
  })
})

describe('shear', () => {
  it('a channel: the shear centre lies 3b²/(h + 6b) behind its web (Megson)', () => {
    const b = 0.03,
      h = 0.04
    const wall = (a: number, c: number) => ({ a, b: c, Et: E * t, Gt: G * t })
    const { centre } = shearProperties({
      x: [b, 0, 0, b],
      y: [0, 0, h, h],
      walls: [wall(0, 1), wall(1, 2), wall(2, 3)],
      spars: [],
    })
    expect(-centre.x / ((3 * b * b) / (h + 6 * b))).toBeCloseTo(1, 6)
    expect(centre.y).toBeCloseTo(h / 2, 9)
  })
  it('a thin tube under a shear: flow V·sin φ/(π·r), nothing top and bottom', () => {
    const { up, centre } = shearProperties(ring(circle(0.03)))
    expect(Math.max(...up) * Math.PI * 0.03).toBeCloseTo(1, 3)
    expect(Math.hypot(centre.x, centre.y)).toBeLessThan(1e-9)
  })
  it('flows add up to the force, whatever the section; the shear centre moves with the section', () => {
    const place = fc.double({ min: 0.6, max: 1.4, noNaN: true })
    fc.assert(
      fc.property(
        fc.array(place, { minLength: 12, maxLength: 12 }),
        fc.double({ min: -0.05, max: 0.05, noNaN: true }),
        fc.integer({ min: 2, max: 5 }),
        (radii, shift, k) => {
          const points = radii.map((r, i): [number, number] => [
            0.06 * r * Math.cos((2 * Math.PI * i) / 12),
            0.015 * r * Math.sin((2 * Math.PI * i) / 12),
          ])
          const make = (dx: number): ThinWalled => {
            const base = ring(
              points.map(([x, y]) => [x + dx, y]),
              [{ node: 3, EA: 3e4, EIx: 0.2, EIy: 0.1, GJ: 0.5 }],
            )
            return { ...base, walls: [...base.walls, { a: k, b: 12 - k, Et: 0, Gt: G * t }] }
          }
          const section = make(0),
            { up, aft, torque, centre, GJ, bending } = shearProperties(section)
          // What the spar's own stiffness takes of a shear, it does not leave to the walls.
          const own = (vx: number, vy: number) => ({
            y: curvatures(bending, vy, vx).alongY * 0.2,
            x: curvatures(bending, vy, vx).alongX * 0.1,
          })
          const total = (flow: Float64Array, axis: 'x' | 'y') =>
            section.walls.reduce(
              (sum, { a, b }, w) => sum + flow[w] * (section[axis][b] - section[axis][a]),
              0,
            )
          expect(total(up, 'y') + own(0, 1).y).toBeCloseTo(1, 6)
          expect(total(up, 'x') + own(0, 1).x).toBeCloseTo(0, 6)
          expect(total(aft, 'x') + own(1, 0).x).toBeCloseTo(1, 6)
          expect(total(torque, 'y')).toBeCloseTo(0, 6)
          expect(GJ).toBeGreaterThan(0)
          expect(shearProperties(make(shift)).centre.x - centre.x).toBeCloseTo(shift, 6)
        },
      ),
      { numRuns: 60 },
    )
  })
})
