/** Surfaces that meet, nearly meet, and pass each other. */
import { describe, expect, it } from 'vitest'
import { derivativesAt, type Reference } from './derivatives'
import { addHorseshoe } from './horseshoe'
import { joinSurfaces } from './junctions'
import { solveLift } from './lift'
import type { LatticeStation, LatticeSurface } from './panels'
import { runs } from '../testing/runs'

const reference: Reference = { area: 0.2, chord: 0.2, span: 1, x: 0.05 }
const station = (x: number, y: number, z: number, chord: number): LatticeStation => ({
  x,
  y,
  z,
  chord,
  twist: 0,
  slopeAt: () => 0,
})
const surface = (
  name: string,
  stations: LatticeStation[],
  spanwise: number,
  more: Partial<LatticeSurface> = {},
): LatticeSurface => ({ name, mirror: true, chordwise: 3, spanwise, spacing: 'cosine', stations, ...more })
const wing = surface('wing', [station(0, 0, 0, 0.2), station(0, 0.5, 0, 0.2)], 16, { chordwise: 4 })
const tail = (half: number, z: number, x = 0.7) =>
  surface('horizontal', [station(x, 0, z, 0.12), station(x, half, z, 0.1)], 8)
const twinFin = (y: number, z: number) =>
  surface('vertical', [station(0.05, y, z, 0.12), station(0.09, y, z + 0.1, 0.08)], 6)
const fin = (foot: number, head: number) =>
  surface('vertical', [station(0.68, 0, foot, 0.14), station(0.72, 0, head, 0.1)], 6, { mirror: false })

/** Neutral point in mean chords, lift slope, Cl_β and Cn_β; with `finer` times the strips. */
function figures(list: LatticeSurface[], finer = 1) {
  const lift = solveLift(
    list.map(item => ({ ...item, spanwise: item.spanwise * finer })),
    reference,
  )
  const { beta } = derivativesAt(lift.flows, 0.06, [], { x: 0.05, z: 0 }, reference)
  return {
    np: lift.neutralPointX / 0.2,
    slope: lift.clAlpha,
    e: lift.spanEfficiency,
    Cl: beta.Cl,
    Cn: beta.Cn,
  }
}
/** Neutral point within 1 % of the chord, Cl_β and Cn_β within 5 % (or 0.001) of four times the strips. */
function convergedAt(list: LatticeSurface[]) {
  const [live, fine] = [figures(list), figures(list, 4)]
  expect(Math.abs(live.np - fine.np)).toBeLessThan(0.01)
  for (const name of ['Cl', 'Cn'] as const)
    expect(Math.abs(live[name] - fine[name])).toBeLessThan(Math.max(0.001, 0.05 * Math.abs(fine[name])))
}
/** No step of a sweep is more than so many times the median step. */
function steadyAlong(values: number[], most: number) {
  const steps = values.slice(1).map((value, i) => Math.abs(value - values[i]))
  const median = steps.toSorted((a, b) => a - b)[Math.floor(steps.length / 2)]
  expect(Math.max(...steps)).toBeLessThan(most * median)
}
const sweep = (from: number, to: number, n: number) =>
  Array.from({ length: n + 1 }, (_, i) => from + ((to - from) * i) / n)

describe('a spread vortex', () => {
  it('is nothing on its own line, and far off what the thin one is, within (δ/d)⁴/2', () => {
    const at = (x: number, y: number, z: number, core: number) => {
      const w = new Float64Array(3)
      addHorseshoe(w, x, y, z, 0, -0.02, 0, 0.01, 0.02, 0, 1, core, core, core)
      return w
    }
    const core = 0.01 ** 2
    for (const d of [0.05, 0.1, 0.3]) {
      const [thin, spread] = [at(0.4, 0.02, d, 0), at(0.4, 0.02, d, core)]
      const size = Math.hypot(...thin)
      const off = Math.hypot(...thin.map((value, k) => value - spread[k]))
      // Two legs that nearly cancel: each is off by (δ/d)⁴/2 of its own, Γ/2πd.
      expect(off).toBeLessThan(((0.01 / d) ** 4 / 2) * (2 / (2 * Math.PI * d)))
      expect(off).toBeLessThan(0.02 * size)
    }
    // On the starboard leg only the port one, 0.04 m away, and the bound one far ahead are left.
    const on = at(2, 0.02, 0, core)
    expect(on[2]).toBeCloseTo(-2 / (4 * Math.PI * 0.04), 1)
    expect(on.every(Number.isFinite)).toBe(true)
  })
})

describe('a junction', () => {
  it('a fin that stands on a tip is what a wing is that is folded up there', () => {
    // As high as half of the wing: strips of one width meet at the corner.
    const folded = surface(
      'wing',
      [station(0, 0, 0, 0.2), station(0, 0.5, 0, 0.2), station(0.05, 0.5, 0.5, 0.12)],
      12,
      { spacing: 'uniform' },
    )
    const standing = [
      surface('wing', folded.stations.slice(0, 2) as LatticeStation[], 12, { spacing: 'uniform' }),
      surface('vertical', [station(0, 0.5, 0, 0.2), station(0.05, 0.5, 0.5, 0.12)], 12, {
        spacing: 'uniform',
      }),
    ]
    const [one, two] = [figures([folded]), figures(standing)]
    for (const name of ['np', 'slope', 'e', 'Cl', 'Cn'] as const)
      expect(Math.abs(two[name] / one[name] - 1)).toBeLessThan(0.0001)
  })
  it('a tail that crosses a fin gives both an edge there; one that only passes by leaves both alone', () => {
    const crossed = joinSurfaces([wing, tail(0.2, 0.05), fin(0, 0.15)]).surfaces
    expect(crossed.map(item => item.stations.length)).toEqual([2, 2, 3])
    expect(crossed[2].stations[1].z).toBeCloseTo(0.05, 12)
    const passed = joinSurfaces([wing, tail(0.2, 0.05), fin(0.08, 0.2)])
    expect(passed.surfaces.map(item => item.stations.length)).toEqual([2, 2, 2])
    expect([...passed.spread]).toEqual([0, 1, 1, 1, 0, 1, 1, 1, 0])
  })
  it('what stands ahead of a surface, in line with it, does not meet it', () => {
    const ahead = surface('vertical', [station(-0.4, 0, 0, 0.1), station(-0.4, 0, 0.2, 0.1)], 6, {
      mirror: false,
    })
    expect(joinSurfaces([wing, ahead]).surfaces.map(item => item.stations.length)).toEqual([2, 2])
  })
  it('two equal surfaces in one place are laid to finite panels', () => {
    const twice = joinSurfaces([wing, { ...wing, name: 'horizontal' }])
    for (const item of twice.surfaces)
      for (const { y, z } of item.stations) expect(Number.isFinite(y + z)).toBe(true)
  })
})

describe('tails, canards and fins in fine steps', () => {
  it('a canard ahead of the wing, whatever its span: smooth, and where four times the strips put it', () => {
    const places = sweep(0.1, 0.2, 40)
    steadyAlong(
      places.map(half => figures([wing, tail(half, 0, -0.3)]).np),
      3,
    )
    for (const half of [0.145, 0.14, 0.16, 0.165].slice(0, runs(4, 1)))
      convergedAt([wing, tail(half, 0, -0.3)])
  })
  it('a tail at every height on its fin, up to a T and over it', () => {
    const places = sweep(0, 0.2, 40)
    const all = places.map(z => figures([wing, tail(0.2, z), fin(0, 0.15)]))
    steadyAlong(
      all.map(item => item.np),
      4,
    )
    // Never the wrong sign, and on the fin's head the tail holds the fin's circulation: the most there is.
    for (const item of all) expect(item.Cn).toBeGreaterThan(0.1)
    const on = places.findIndex(z => Math.abs(z - 0.15) < 1e-9)
    expect(all[on].Cn).toBeGreaterThan(1.4 * all[places.findIndex(z => Math.abs(z - 0.08) < 1e-9)].Cn)
    for (const z of [0.1495, 0.05, 0, 0.1, 0.15, 0.1505, 0.19].slice(0, runs(7, 2)))
      convergedAt([wing, tail(0.2, z), fin(0, 0.15)])
  })
  it('a twin fin moved past the tip of its wing, and lifted off it', () => {
    const across = sweep(0.44, 0.51, 70).map(y => figures([wing, twinFin(y, 0)]))
    for (const name of ['np', 'slope', 'e', 'Cl'] as const)
      steadyAlong(
        across.map(item => item[name]),
        4,
      )
    for (const y of [0.46, 0.5, 0.3, 0.495].slice(0, runs(4, 2))) convergedAt([wing, twinFin(y, 0)])
    // Further off it stands beside the wing, through a gap that grows: steep, but in steps.
    const off = sweep(0.5, 0.56, 60).map(y => figures([wing, twinFin(y, 0)]).slope)
    for (let i = 1; i < off.length; i++) expect(Math.abs(off[i] - off[i - 1])).toBeLessThan(0.06 * off[i])
    for (const z of [0.004, 0, 0.03].slice(0, runs(3, 1))) convergedAt([wing, twinFin(0.5, z)])
  })
})

it('a tip that grows past its fin: a bay of strips begins at nothing, and moves nothing', () => {
  const halves = sweep(0.505, 0.53, 50)
  const grown = (half: number) => [
    surface('wing', [station(0, 0, 0, 0.2), station(0, 0.25, 0, 0.2), station(0, half, 0, 0.2)], 8, {
      chordwise: 4,
      spacing: 'uniform',
    }),
    twinFin(0.5, 0),
  ]
  // Within 8 % of the chord its end is where the fin stands; from there on strips lie beyond it.
  steadyAlong(
    halves.map(half => figures(grown(half)).slope),
    4,
  )
})
