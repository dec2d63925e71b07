import { beforeAll, describe, expect, it } from 'vitest'
import { solveSection } from '../aero'
import { sectionOutline } from '../geometry'
import { bladeSection, keptByRotation, type BladeSection } from './blade-section'
import { bladesOf, type Blades } from './blade'
import { idealThrust, solvePropeller } from './propeller'
import { propellerMap } from './propeller-map'

const AIR = { density: 1.225, viscosity: 1.46e-5 }
const REVS = (rpm: number) => (rpm * 2 * Math.PI) / 60
let section: BladeSection
beforeAll(() => {
  const outline = sectionOutline('naca4410', [], 120)
  section = bladeSection(solveSection(outline), outline.gap)
})

/** Lifts 2π a radian, drags nothing: what closed forms suppose. */
const frictionless: BladeSection = {
  clAlpha: 2 * Math.PI,
  alphaZeroLift: 0,
  at: (alpha, _, into) => {
    into.cl = 2 * Math.PI * Math.sin(alpha)
    into.cd = 0
  },
}

/**
 * Betz: the wake of the best propeller moves back like a rigid screw of speed w. Many blades, so that no tip
 * loss is left.
 */
function screwBlades(omega: number, speed: number, w: number, radius: number, count: number): Blades {
  const root = 0.02 * radius
  const stations = Array.from({ length: 120 }, (_, i) => {
    const r = root + ((radius - root) * i) / 119
    // Far wake: v = w cos²φ, round = w cosφ sinφ; half of each at the disc.
    const phi = Math.atan((speed + w / 2) / (omega * r))
    const along = (w / 2) * Math.cos(phi) ** 2,
      round = (w / 2) * Math.cos(phi) * Math.sin(phi)
    const W = Math.hypot(speed + along, omega * r - round)
    const inflow = Math.atan2(speed + along, omega * r - round)
    // Circulation of all blades together: 4π r times what goes round at the disc.
    const circulation = (4 * Math.PI * r * round) / count
    const cl = 0.5
    return { r, chord: (2 * circulation) / (W * cl), twist: inflow + Math.asin(cl / (2 * Math.PI)) }
  })
  return { count, radius, root, stations }
}

describe('a propeller', () => {
  it.each([0.4, 0.5, 0.6, 0.7, 0.8, 0.9])(
    'of pitch %f diameters pulls at rest, and runs out, as measured two-bladed ones do',
    ratio => {
      const diameter = 0.2286,
        omega = REVS(7000)
      const blades = bladesOf({ diameter, pitch: ratio * diameter, count: 2, law: 'medium' })
      const { ct, cp } = solvePropeller(blades, section, AIR, omega, 0).point
      // Published static tests of two-bladed propellers in this size: C_T 0.09 to 0.11 and C_P 0.035 to 0.05
      // about half a
      // diameter of pitch, C_P growing with pitch.
      expect(ct).toBeGreaterThan(0.085)
      expect(ct).toBeLessThan(0.12)
      expect(cp).toBeGreaterThan(0.026 + 0.01 * ratio)
      expect(cp).toBeLessThan(0.03 + 0.045 * ratio)
      const n = omega / (2 * Math.PI)
      const at = (advance: number) =>
        solvePropeller(blades, section, AIR, omega, advance * n * diameter).point.ct
      expect(at(ratio + 0.05)).toBeGreaterThan(0)
      expect(at(ratio + 0.22)).toBeLessThan(0)
    },
  )

  it('never pulls more than the ideal disc, at rest nor in flight', () => {
    for (const pitch of [0.08, 0.12, 0.2])
      for (const count of [2, 3, 4])
        for (const speed of [0, 3, 8, 15]) {
          const radius = 0.12
          const blades = bladesOf({ diameter: 2 * radius, pitch, count, law: 'broad' })
          const { thrust, torque } = solvePropeller(blades, section, AIR, REVS(8000), speed).point
          if (thrust <= 0) continue
          // Ideal power of a thrust in flight: T (V/2 + √(V²/4 + T/2ρA)).
          const area = Math.PI * radius ** 2
          const ideal = thrust * (speed / 2 + Math.sqrt(speed ** 2 / 4 + thrust / (2 * AIR.density * area)))
          expect(torque * REVS(8000)).toBeGreaterThan(ideal)
          if (speed === 0) expect(thrust).toBeLessThan(idealThrust(torque * REVS(8000), radius, AIR.density))
        }
  })

  it('lightly loaded, without friction and twisted as Betz says, comes within 3 % of the ideal disc', () => {
    const omega = 900,
      speed = 12,
      radius = 0.15
    const blades = screwBlades(omega, speed, 1, radius, 40)
    const { thrust, torque } = solvePropeller(blades, frictionless, AIR, omega, speed, 60).point
    const area = Math.PI * radius ** 2
    const ideal = thrust * (speed / 2 + Math.sqrt(speed ** 2 / 4 + thrust / (2 * AIR.density * area)))
    const share = ideal / (torque * omega)
    expect(share).toBeLessThan(1)
    expect(share).toBeGreaterThan(0.97)
    // And it pulls what its wake was designed for: about 2ρA(V + w/2)(w/2), a little less for what goes round.
    expect(thrust / (2 * AIR.density * area * (speed + 0.5) * 0.5)).toBeGreaterThan(0.9)
    expect(thrust / (2 * AIR.density * area * (speed + 0.5) * 0.5)).toBeLessThan(1)
  })

  it('pulls by momentum what it pulls by blade elements, ring by ring', () => {
    const blades = bladesOf({ diameter: 0.23, pitch: 0.13, count: 2, law: 'medium' })
    for (const speed of [0, 5, 12]) {
      const { rings } = solvePropeller(blades, section, AIR, REVS(7000), speed)
      for (const ring of rings) {
        const through = speed + ring.along
        const axial = 4 * Math.PI * ring.r * AIR.density * ring.loss * through * ring.along * ring.width
        const turning =
          4 * Math.PI * ring.r ** 2 * AIR.density * ring.loss * through * ring.round * ring.width
        expect(ring.thrust).toBeCloseTo(axial, 5)
        expect(ring.torque).toBeCloseTo(turning, 6)
        // Elements: the same from lift and drag at the triangle's own speed.
        const W = Math.hypot(through, REVS(7000) * ring.r - ring.round)
        const head = (AIR.density / 2) * W ** 2 * ring.chord * 2 * ring.width
        const lift = ring.cl * Math.cos(ring.inflow) - ring.cd * Math.sin(ring.inflow)
        expect(ring.thrust).toBeCloseTo(head * lift, 6)
      }
    }
  })

  it('scales: twice the size at half the revolutions pulls four times as much by the same coefficients', () => {
    const thick = { ...AIR, viscosity: 1e-9 }
    const one = bladesOf({ diameter: 0.2, pitch: 0.12, count: 2, law: 'medium' }),
      two = bladesOf({ diameter: 0.4, pitch: 0.24, count: 2, law: 'medium' })
    const a = solvePropeller(one, section, thick, 600, 6).point,
      b = solvePropeller(two, section, thick, 300, 6).point
    expect(b.ct).toBeCloseTo(a.ct, 6)
    expect(b.thrust / a.thrust).toBeCloseTo(4, 4)
  })

  it('changes by no jump with speed, revolutions, pitch or diameter', () => {
    const thrustOf = (diameter: number, pitch: number, rpm: number, speed: number) =>
      solvePropeller(bladesOf({ diameter, pitch, count: 2, law: 'medium' }), section, AIR, REVS(rpm), speed)
        .point.thrust
    const sweeps = [
      (t: number) => thrustOf(0.2, 0.12, 8000, 25 * t),
      (t: number) => thrustOf(0.2, 0.12, 2000 + 10000 * t, 5),
      (t: number) => thrustOf(0.2, 0.05 + 0.2 * t, 8000, 0),
      (t: number) => thrustOf(0.1 + 0.2 * t, 0.12, 8000, 3),
    ]
    for (const sweep of sweeps) {
      const values = Array.from({ length: 161 }, (_, i) => sweep(i / 160))
      const range = Math.max(...values) - Math.min(...values)
      const steps = values.slice(1).map((value, i) => value - values[i])
      const bends = steps.slice(1).map((step, i) => Math.abs(step - steps[i]))
      // A jump would show as a bend of the order of the range; the steepest honest one is a stall's.
      expect(Math.max(...bends) / range).toBeLessThan(0.02)
    }
  })

  it('keeps more lift near its hub, and none of it that was not lost', () => {
    expect(keptByRotation(1, 0.1, frictionless, 0.3)).toBeCloseTo(
      Math.max(1, 1 + 0.27 * (2 * Math.PI * Math.sin(0.1) - 1)),
      9,
    )
    const stalledAt = keptByRotation(0.9, 0.4, frictionless, 0.3)
    expect(stalledAt).toBeCloseTo(0.9 + 0.27 * (2 * Math.PI * Math.sin(0.4) - 0.9), 9)
    expect(keptByRotation(0.9, 0.9, frictionless, 0.3)).toBe(0.9)
  })

  it('as a table says what is solved directly, and stays finite standing still and driven by the air', () => {
    const blades = bladesOf({ diameter: 0.23, pitch: 0.13, count: 2, law: 'medium' })
    const map = propellerMap(blades, section, AIR)
    const most = solvePropeller(blades, section, AIR, REVS(9000), 0).point
    for (const rpm of [3000, 6000, 9000])
      for (const speed of [0, 2, 5, 9, 14]) {
        const direct = solvePropeller(blades, section, AIR, REVS(rpm), speed).point,
          table = map(REVS(rpm), speed)
        expect(Math.abs(table.thrust - direct.thrust)).toBeLessThan(0.012 * most.thrust)
        expect(Math.abs(table.torque - direct.torque)).toBeLessThan(0.012 * most.torque)
      }
    const standing = map(0, 20)
    expect(standing.thrust).toBeLessThan(0)
    // No more than a plate of its area across the wind would drag.
    expect(-standing.thrust).toBeLessThan(0.5 * AIR.density * 400 * 1.3 * 0.23 * 0.02)
    expect(map(0, 0)).toEqual({ thrust: 0, torque: 0 })
  })
})
