import { describe, expect, it } from 'vitest'
import { handling, period, halfTime, type Derivatives } from '../aero'
import {
  runningOut,
  blended,
  edgesFor,
  fly,
  plate,
  simpleGlider,
  squareDrag,
  stallOf,
  type Release,
  type SimpleGlider,
} from './index'

const g = 9.80665
/** A steady model: margin 15 % of the chord, a tail well aft. */
const GLIDER: SimpleGlider = {
  mass: 0.5,
  inertia: 0.02,
  area: 0.2,
  chord: 0.18,
  density: 1.225,
  CL0: 0.3,
  CLalpha: 4.8,
  CD0: 0.03,
  k: 0.05,
  Cm0: 0.04,
  Cmalpha: -0.72,
  CLq: 6,
  Cmq: -14,
}
const RELEASE: Release = {
  speed: 8,
  path: 0,
  attitude: 0,
  height: 2,
  elevator: 0,
  wind: 0,
  gust: null,
  thrust: null,
  seconds: 3,
}
const still = { CL0: 0, CLalpha: 0, Cm0: 0, Cmalpha: 0, CLq: 0, Cmq: 0, k: 0 }

describe('closed forms', () => {
  it('neither lift nor drag: a parabola, and energy is kept over a minute', () => {
    const stone = simpleGlider({ ...GLIDER, ...still, CD0: 0 })
    const { path } = fly(stone, { ...RELEASE, path: 0.6, height: 30_000, seconds: 60 })
    for (const { t, x, z } of path.filter((_, i) => i % 100 === 0)) {
      expect(x).toBeCloseTo(8 * Math.cos(0.6) * t, 6)
      expect(z).toBeCloseTo(30_000 + 8 * Math.sin(0.6) * t - (g / 2) * t * t, 5)
    }
  })
  it('lift without drag takes no energy: within 0.01 % over a minute', () => {
    const glider = simpleGlider({ ...GLIDER, CD0: 0, k: 0, CLq: 0 })
    const { path } = fly(glider, { ...RELEASE, speed: 9, height: 400, seconds: 60 })
    const energy = ({ speed, z }: { speed: number; z: number }) => speed ** 2 / 2 + g * z
    const [first] = path,
      last = path[path.length - 1]
    expect(last.t).toBeCloseTo(60, 6)
    expect(Math.abs(energy(last) / energy(first) - 1)).toBeLessThan(1e-4)
  })
  it('drag alone, straight down: the speed of a fall is V∞·tanh(g·t/V∞)', () => {
    const stone = simpleGlider({ ...GLIDER, ...still, CD0: 0.9 })
    const { path } = fly(stone, {
      ...RELEASE,
      speed: 1e-6,
      path: -Math.PI / 2,
      attitude: -Math.PI / 2,
      height: 500,
      seconds: 6,
    })
    const end = Math.sqrt((2 * GLIDER.mass * g) / (GLIDER.density * GLIDER.area * 0.9))
    for (const { t, speed } of path.filter((_, i) => i % 50 === 25))
      expect(speed).toBeCloseTo(end * Math.tanh((g * t) / end), 4)
  })
  it('a steady glide has the speed and the slope of its lift and drag', () => {
    const glider = simpleGlider(GLIDER)
    const { path } = fly(glider, { ...RELEASE, height: 4000, seconds: 150 })
    const alpha = -GLIDER.Cm0 / GLIDER.Cmalpha
    const CL = GLIDER.CL0 + GLIDER.CLalpha * alpha,
      CD = GLIDER.CD0 + GLIDER.k * CL ** 2
    const last = path[path.length - 1],
      before = path[path.length - 501]
    // The path turns steadily by nothing, so no part of the lift comes of turning.
    expect(last.alpha).toBeCloseTo(alpha, 4)
    expect((last.x - before.x) / (before.z - last.z)).toBeCloseTo(CL / CD, 2)
    const force = Math.hypot(CL, CD)
    expect(last.speed).toBeCloseTo(
      Math.sqrt((2 * GLIDER.mass * g) / (GLIDER.density * GLIDER.area * force)),
      3,
    )
  })
  it('halving the tolerance of the picture changes nothing that is seen: wind moves the ground alone', () => {
    const glider = simpleGlider({ ...GLIDER, CLmax: 1.2 })
    const calm = fly(glider, { ...RELEASE, height: 20, seconds: 4 }),
      windy = fly(glider, { ...RELEASE, speed: 5, wind: 3, height: 20, seconds: 4 })
    calm.path.forEach((point, i) => {
      expect(windy.path[i].x).toBeCloseTo(point.x - 3 * point.t, 4)
      expect(windy.path[i].z).toBeCloseTo(point.z, 4)
    })
  })
  it('thrust that passes under the CG lifts the nose; none that has run out does anything', () => {
    const glider = simpleGlider(GLIDER)
    const thrust = { at: runningOut(2, 20), from: 0, angle: 0, under: 0.03 }
    const up = fly(glider, { ...RELEASE, height: 50, seconds: 0.5, thrust }),
      none = fly(glider, { ...RELEASE, height: 50, seconds: 0.5 }),
      out = fly(glider, { ...RELEASE, height: 50, seconds: 0.5, thrust: { ...thrust, at: runningOut(2, 4) } })
    expect(up.path.at(-1)!.theta).toBeGreaterThan(none.path.at(-1)!.theta + 0.01)
    expect(out.path.at(-1)!.z).toBeCloseTo(none.path.at(-1)!.z, 9)
  })
})

describe('small disturbances', () => {
  const state = (CL: number) => {
    const zero = { CL: 0, CD: 0, CY: 0, Cl: 0, Cm: 0, Cn: 0 }
    const d: Derivatives = {
      at: { ...zero, CL },
      alpha: { ...zero, CL: GLIDER.CLalpha, Cm: GLIDER.Cmalpha },
      beta: zero,
      p: { ...zero, Cl: -0.5 },
      q: { ...zero, CL: GLIDER.CLq, Cm: GLIDER.Cmq },
      r: { ...zero, Cn: -0.1 },
      controls: [],
    }
    return d
  }
  it('swing as the phugoid of the modes does', () => {
    // Little drag, so that level flight and a shallow glide are the same.
    const thin = { ...GLIDER, CD0: 0.004, k: 0.01 }
    const alpha = -thin.Cm0 / thin.Cmalpha
    const CL = thin.CL0 + thin.CLalpha * alpha,
      CD = thin.CD0 + thin.k * CL ** 2
    const speed = Math.sqrt((2 * thin.mass * g) / (thin.density * thin.area * Math.hypot(CL, CD)))
    const slope = -Math.atan2(CD, CL)
    const modes = handling(state(CL), {
      mass: thin.mass,
      speed,
      density: thin.density,
      gravity: g,
      reference: { area: thin.area, chord: thin.chord, span: thin.area / thin.chord, x: 0 },
      inertia: { xx: 0.02, yy: thin.inertia, zz: 0.04, xz: 0 },
      CD,
      CDalpha: 2 * thin.k * CL * thin.CLalpha,
    })
    const { path } = fly(simpleGlider(thin), {
      ...RELEASE,
      speed: 1.02 * speed,
      path: slope,
      attitude: slope + alpha,
      height: 4000,
      seconds: 40,
    })
    // Crossings of the steady speed, upward: one swing apart.
    const crossings = path.slice(1).flatMap((point, i) => {
      const before = path[i]
      return before.speed < speed && point.speed >= speed
        ? [before.t + (0.02 * (speed - before.speed)) / (point.speed - before.speed)]
        : []
    })
    const swing = (crossings[4] - crossings[1]) / 3
    expect(Math.abs(swing / period(modes.phugoid[0]) - 1)).toBeLessThan(0.02)
  })
  it('nod as the short period does', () => {
    const alpha = -GLIDER.Cm0 / GLIDER.Cmalpha
    const CL = GLIDER.CL0 + GLIDER.CLalpha * alpha
    // Light about its pitch axis and little damped: the two swings lie far apart.
    const quick = { ...GLIDER, inertia: 0.002, Cmq: -1, CLq: 0 }
    const CD = quick.CD0 + quick.k * CL ** 2
    const speed = Math.sqrt((2 * quick.mass * g) / (quick.density * quick.area * Math.hypot(CL, CD)))
    const slope = -Math.atan2(CD, CL)
    const modes = handling(
      { ...state(CL), q: { CL: 0, CD: 0, CY: 0, Cl: 0, Cm: quick.Cmq, Cn: 0 } },
      {
        mass: quick.mass,
        speed,
        density: quick.density,
        gravity: g,
        reference: { area: quick.area, chord: quick.chord, span: 1.1, x: 0 },
        inertia: { xx: 0.02, yy: quick.inertia, zz: 0.04, xz: 0 },
        CD,
        CDalpha: 2 * quick.k * CL * quick.CLalpha,
      },
    )
    const [mode] = modes.shortPeriod
    const { path } = fly(simpleGlider(quick), {
      ...RELEASE,
      speed,
      path: slope,
      attitude: slope + alpha + 0.005,
      height: 500,
      seconds: 1.2,
    })
    const base = fly(simpleGlider(quick), {
      ...RELEASE,
      speed,
      path: slope,
      attitude: slope + alpha,
      height: 500,
      seconds: 1.2,
    })
    const nod = path.map((point, i) => ({ t: point.t, a: point.alpha - base.path[i].alpha }))
    const crossings = nod
      .slice(1)
      .flatMap((point, i) =>
        nod[i].a * point.a < 0 ? [nod[i].t + (0.02 * nod[i].a) / (nod[i].a - point.a)] : [],
      )
    expect(crossings.length).toBeGreaterThanOrEqual(3)
    expect(Math.abs((crossings[2] - crossings[0]) / period(mode) - 1)).toBeLessThan(0.02)
    expect(halfTime(mode)).toBeGreaterThan(0)
  })
  it('tail-heavy grows, nose-heavy does not', () => {
    const nods = (margin: number) => {
      const own = {
        ...GLIDER,
        Cmalpha: -margin * GLIDER.CLalpha,
        Cm0: 0.055 * margin * GLIDER.CLalpha,
        Cmq: -6,
      }
      const { path } = fly(simpleGlider({ ...own, CLmax: 1.2 }), {
        ...RELEASE,
        speed: 8,
        height: 300,
        attitude: 0.08,
        seconds: 6,
      })
      return Math.max(...path.slice(100).map(point => Math.abs(point.alpha - 0.055)))
    }
    expect(nods(-0.05)).toBeGreaterThan(0.15)
    expect(nods(0.15)).toBeLessThan(0.1)
    expect(nods(0.3)).toBeLessThan(0.1)
  })
})

describe('past the stall', () => {
  const plates = {
    square: squareDrag(6),
    parts: [{ share: 1, arm: 0.3 }],
    stall: stallOf(1.2, -0.8, 0.3, 4.8),
  }
  const attached = (alpha: number) => ({ CL: 0.3 + 4.8 * alpha, CD: 0.05, Cm: -0.7 * alpha, induced: 0.01 })
  const edges = edgesFor(alpha => attached(alpha).CL, plates, 1.2, -0.8)
  it('lift reaches the greatest that was given and no more; it falls without a step', () => {
    let most = 0,
      last = blended(-1, attached(-1), plates, edges)
    for (let alpha = -1; alpha <= 1; alpha += 0.0005) {
      const now = blended(alpha, attached(alpha), plates, edges)
      most = Math.max(most, now.CL)
      for (const key of ['CL', 'CD', 'Cm'] as const)
        expect(Math.abs(now[key] - last[key]), `${key} at ${alpha}`).toBeLessThan(0.02)
      last = now
    }
    expect(most).toBeCloseTo(1.2, 2)
  })
  it('lift goes on from the stall, and runs out towards the plate’s own', () => {
    const { up } = plates.stall
    // Four fifths of the greatest, and never more anywhere.
    expect(plate(up.alpha, plates).CL).toBeCloseTo(0.8 * 1.2, 9)
    // Half of it is left by some 25°, as finite wings keep it.
    expect(plate(0.44, plates).CL).toBeGreaterThan(0.6)
    expect(plate(1.4, plates).CL).toBeLessThan(0.3)
  })
  it('a plate square to the flow drags as Hoerner says, and lifts nothing', () => {
    const flat = plate(Math.PI / 2, plates)
    expect(flat.CD).toBeCloseTo(1.11 + 0.018 * 6, 9)
    expect(flat.CL).toBeCloseTo(0, 9)
  })
  it('thrown too steeply it stalls, drops its nose and costs more height than a level throw', () => {
    const glider = simpleGlider({ ...GLIDER, CLmax: 1.1 })
    const steep = fly(glider, { ...RELEASE, speed: 7, path: 0.9, attitude: 0.95, height: 1.6, seconds: 8 }),
      level = fly(glider, { ...RELEASE, speed: 8, height: 1.6, seconds: 8 })
    expect(Math.max(...steep.path.map(point => point.alpha))).toBeGreaterThan(0.25)
    expect(steep.path.at(-1)!.x).toBeLessThan(level.path.at(-1)!.x)
  })
  it('whatever is asked, figures stay finite and the work bounded', () => {
    for (const Cmalpha of [-8, 0, 5])
      for (const speed of [0, 3, 60]) {
        const { path } = fly(simpleGlider({ ...GLIDER, Cmalpha, inertia: 1e-4, CLmax: 1 }), {
          ...RELEASE,
          speed,
          seconds: 5,
          gust: { peak: 8, from: 0.2, seconds: 0.5 },
        })
        expect(path.every(point => Object.values(point).every(Number.isFinite))).toBe(true)
      }
  })
})
