/** Tabulated loads and the far wake against the sums and the vortices that they stand for. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { circulationOf, solveFlows, velocityOf, type Flow } from './flows'
import { addHorseshoe } from './horseshoe'
import { loadTable } from './load-table'
import { boundLoads, wakeLoads } from './loads'
import { layPanels, type LatticeStation, type LatticeSurface } from './panels'
import { coreSquare } from './vortex-core'
import { stripCirculations, wakeWash } from './wake'

const station = (x: number, y: number, z: number, chord: number): LatticeStation => ({
  x,
  y,
  z,
  chord,
  twist: 0.02,
  slopeAt: (share: number) => 0.08 * (1 - 2 * share),
})
const surfaces: LatticeSurface[] = [
  {
    name: 'wing',
    mirror: true,
    chordwise: 3,
    spanwise: 5,
    spacing: 'cosine',
    stations: [station(0, 0, 0, 1), station(0.3, 3, 0.3, 0.6)],
    controls: [{ id: 'ailerons', from: 1.5, to: 2.9, chordShare: 0.25 }],
  },
  {
    name: 'tail',
    mirror: true,
    chordwise: 2,
    spanwise: 3,
    spacing: 'cosine',
    stations: [station(4, 0.05, 0.4, 0.5), station(4.1, 1.05, 0.6, 0.4)],
    controls: [{ id: 'elevator', from: 0, to: 1, chordShare: 0.4 }],
  },
  {
    name: 'fin',
    mirror: false,
    chordwise: 2,
    spanwise: 3,
    spacing: 'cosine',
    stations: [station(4, 0, 0.1, 0.6), station(4.3, 0, 1, 0.4)],
    controls: [{ id: 'rudder', from: 0, to: 0.9, chordShare: 0.4 }],
  },
]
const panels = layPanels(surfaces)
const flows = solveFlows(panels)
const amount = fc.double({ min: -1, max: 1, noNaN: true })
const flow: fc.Arbitrary<Flow> = fc.record({
  wind: fc.tuple(amount, amount, amount),
  spin: fc.tuple(amount, amount, amount),
  deflections: fc.array(
    fc.record({
      id: fc.constantFrom('ailerons', 'elevator', 'rudder'),
      sense: fc.constantFrom('together' as const, 'opposed' as const),
      angle: amount,
    }),
    { maxLength: 2 },
  ),
})
const about: [number, number, number] = [0.7, 0.1, -0.2]

describe('the table of loads', () => {
  it('gives what summing over the panels gives, for any two states and any point', () => {
    const table = loadTable(flows)
    fc.assert(
      fc.property(flow, flow, (a, b) => {
        const direct = boundLoads(panels, circulationOf(flows, a), velocityOf(b), about),
          tabled = table.bound(a, b, about)
        const wake = wakeLoads(panels, circulationOf(flows, a), circulationOf(flows, b), about),
          tabledWake = table.wake(a, b, about)
        for (let k = 0; k < 3; k++) {
          expect(tabled.force[k]).toBeCloseTo(direct.force[k], 8)
          expect(tabled.moment[k]).toBeCloseTo(direct.moment[k], 8)
          expect(tabledWake.force[k]).toBeCloseTo(wake.force[k], 8)
          expect(tabledWake.moment[k]).toBeCloseTo(wake.moment[k], 8)
        }
      }),
      { numRuns: 40 },
    )
  })
  it('is one table for one lattice', () => expect(loadTable(flows)).toBe(loadTable(flows)))
})

describe('the far wake', () => {
  it("is the horseshoes' own velocity a thousand spans downstream, half of it, across each strip", () => {
    fc.assert(
      fc.property(flow, state => {
        const gamma = circulationOf(flows, state)
        const wash = wakeWash(panels, gamma)
        const total = stripCirculations(panels, gamma)
        const w = new Float64Array(3),
          one = new Float64Array(3)
        /** One horseshoe, spread where the panel that feels it belongs to a surface that is not joined. */
        const put = (to: number, from: number, ...[x, y, z, ...ends]: number[]) => {
          const [ax, ay, az, bx, by, bz, gamma] = ends
          const share = panels.spread[panels.surface[to] * surfaces.length + panels.surface[from]]
          const core = (width: number) => coreSquare(share, width, panels.width[to])
          const [coreA, coreB] = [core(panels.widthA[from]), core(panels.widthB[from])]
          // The port twin runs from the mirrored B to the mirrored A.
          const [first, second] = ay < 0 || by < 0 ? [coreB, coreA] : [coreA, coreB]
          one.fill(0)
          addHorseshoe(one, x, y, z, ax, ay, az, bx, by, bz, 1, first, second, core(panels.width[from]))
          one.forEach((value, axis) => (w[axis] += gamma * value))
        }
        panels.strips.forEach((strip, k) => {
          const i = strip.first
          for (const side of strip.mirrored ? [1, -1] : [1]) {
            w.fill(0)
            const [y, z] = [side * panels.control[3 * i + 1], panels.control[3 * i + 2]]
            panels.strips.forEach((other, j) => {
              const m = 3 * other.first
              const [ay, az, by, bz] = [panels.a[m + 1], panels.a[m + 2], panels.b[m + 1], panels.b[m + 2]]
              const [a, b] = [panels.a[m], panels.b[m]]
              put(i, other.first, 6000, y, z, a, ay, az, b, by, bz, total.starboard[j])
              if (other.mirrored) put(i, other.first, 6000, y, z, b, -by, bz, a, -ay, az, total.port[j])
            })
            const across = w[1] * side * panels.normal[2 * i] + w[2] * panels.normal[2 * i + 1]
            expect((side > 0 ? wash.starboard : wash.port)[k]).toBeCloseTo(-0.5 * across * strip.width, 5)
          }
        })
      }),
      { numRuns: 10 },
    )
  })
  it('induced drag is never negative: whatever the state, the wake carries energy away', () => {
    fc.assert(
      fc.property(flow, state => {
        const gamma = circulationOf(flows, state)
        expect(wakeLoads(panels, gamma, gamma, [0, 0, 0]).force[0]).toBeGreaterThan(-1e-9)
      }),
      { numRuns: 60 },
    )
  })
  it("drag is symmetric: one loading in another's wake drags as the other in its own (Munk's stagger theorem)", () => {
    fc.assert(
      fc.property(flow, flow, (a, b) => {
        const [p, q] = [circulationOf(flows, a), circulationOf(flows, b)]
        const one = wakeLoads(panels, p, q, [0, 0, 0]).force[0],
          other = wakeLoads(panels, q, p, [0, 0, 0]).force[0]
        // Control points off the middle of their strips leave a little.
        expect(Math.abs(one - other)).toBeLessThan(0.04 * (1 + Math.abs(one) + Math.abs(other)))
      }),
      { numRuns: 40 },
    )
  })
})
