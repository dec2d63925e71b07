/** Mass, centre, inertia, overhang and brim of sliced solids against closed forms. */
import { describe, expect, it } from 'vitest'
import { DEMOS } from '../demo'
import type { Printer, Recipe } from '../document'
import { weld } from '../geometry'
import { LIBRARIES, recipeFor } from '../libraries'
import { cornersOf, revolve } from '../testing/meshes'
import { testKernel } from '../testing/kernel'
import { meshOf } from '../geometry'
import { sliceModel } from './slice-model'
import { runs } from '../testing/runs'

const PLA = LIBRARIES.filaments[0]
const printer: Printer = { ...DEMOS[0].printers[0], plateOverheadMin: 0, layerMinS: 0 }
const recipe = (more: Partial<Recipe>): Recipe => ({
  ...recipeFor(
    LIBRARIES.schools.find(s => s.id === 'beads')!,
    PLA,
  ),
  walls: 1,
  beadForm: 'rectangular',
  ...more,
})
const w = 0.45

describe('centre and inertia of the beads, within 1 %', () => {
  it('a cylinder in one wall is a thin tube: m·r² about its axis, m(r²/2 + h²/12) across it', () => {
    const { mass, centre, inertia } = sliceModel(
      revolve(
        [
          [15, 0],
          [15, 40],
        ],
        240,
      ),
      recipe({}),
      PLA,
      printer,
    )
    const r = (15 - w / 2) / 1000,
      h = 0.04
    expect(inertia.zz / (mass * r * r)).toBeCloseTo(1, 2)
    expect(inertia.xx / (mass * ((r * r) / 2 + (h * h) / 12))).toBeCloseTo(1, 2)
    expect(Math.hypot(centre[0], centre[1])).toBeLessThan(0.01)
    expect(centre[2]).toBeCloseTo(20, 2)
  })
  it('a cylinder filled through: a tube of wall round a disc of infill', () => {
    const { mass, inertia } = sliceModel(
      revolve(
        [
          [15, 0],
          [15, 40],
        ],
        240,
      ),
      recipe({ infillShare: 1 }),
      PLA,
      printer,
    )
    // The wall is a tube of 2π(r − w/2), the rest a disc of radius r − w with π(r − w)²/w of bead.
    const tube = 2 * Math.PI * (15 - w / 2),
      disc = (Math.PI * (15 - w) ** 2) / w
    const expected = (tube * (15 - w / 2) ** 2 + (disc * (15 - w) ** 2) / 2) / (tube + disc) / 1e6
    expect(Math.abs(inertia.zz / (mass * expected) - 1)).toBeLessThan(0.01)
  })
  it('a box with two holes off its middle: wall lengths, area and centre in closed form', async () => {
    const kernel = await testKernel()
    const box = kernel.Manifold.cube([80, 40, 20]),
      hole = kernel.Manifold.cylinder(30, 6, 6, 240)
    const solid = box.subtract(hole.translate([20, 20, -5])).subtract(hole.translate([40, 20, -5]))
    for (const layerHeightMm of [0.2, 0.3]) {
      const sliced = sliceModel(meshOf(solid), recipe({ layerHeightMm, infillShare: 0.3 }), PLA, printer)
      const layers = 20 / layerHeightMm
      const wall = 2 * (80 + 40 - 2 * w) + 2 * (2 * Math.PI * (6 + w / 2))
      expect(Math.abs(sliced.lengths.outerWall / (wall * layers) - 1)).toBeLessThan(0.005)
      const inside = (80 - 2 * w) * (40 - 2 * w) - 2 * Math.PI * (6 + w) ** 2
      expect(Math.abs(sliced.lengths.infill / ((0.3 * inside * layers) / w) - 1)).toBeLessThan(0.005)
      expect(
        Math.abs(sliced.extrudedMm3 / ((wall + (0.3 * inside) / w) * layers * (w * layerHeightMm)) - 1),
      ).toBeLessThan(0.005)
      // Walls: the box's at its middle, 40, the holes' at 20 and 40; infill: the area less both holes.
      const around = 2 * Math.PI * (6 + w / 2),
        outer = wall - 2 * around,
        f = 0.3 / w
      const area = 80 * 40,
        holeArea = Math.PI * 36
      const fillX = (area * 40 - holeArea * 60) / (area - 2 * holeArea)
      const expected = (outer * 40 + around * 60 + f * inside * fillX) / (outer + 2 * around + f * inside)
      expect(Math.abs(sliced.centre[0] / expected - 1)).toBeLessThan(0.01)
    }
  })
  it('a torus weighs the same and turns the same however it is turned on the bed about the build axis', () => {
    const ring = weld(
      cornersOf(
        revolve(
          Array.from({ length: 61 }, (_, i): [number, number] => [
            25 + 6 * Math.cos((2 * Math.PI * (i % 60)) / 60),
            6 * Math.sin((2 * Math.PI * (i % 60)) / 60),
          ]),
          120,
        ),
      ),
    )
    const a = sliceModel(ring, recipe({}), PLA, printer)
    expect(a.inertia.xx / a.inertia.yy).toBeCloseTo(1, 3)
    expect(Math.abs(a.inertia.xy) / a.inertia.xx).toBeLessThan(1e-3)
  })
})

describe('thin places', () => {
  it('a wedge from 4 mm to nothing: two beads where two fit, one between, within 0.5 %', async () => {
    const kernel = await testKernel()
    const wedge = kernel.Manifold.extrude(
      [
        [
          [0, -2],
          [100, 0],
          [0, 2],
        ],
      ],
      30,
    )
    for (const layerHeightMm of [0.2, 0.3]) {
      const { lengths } = sliceModel(meshOf(wedge), recipe({ layerHeightMm, beadWidthMm: 0.8 }), PLA, printer)
      // A bead may be squeezed by 4 %: two from 4 mm to 1.536, one from there to 0.4 mm; the base closes it.
      const two = 100 * (1 - 1.536 / 4),
        one = 100 * ((1.536 - 0.4) / 4)
      expect(
        Math.abs(lengths.outerWall / ((2 * two + one + 4 - 0.8) * (30 / layerHeightMm)) - 1),
      ).toBeLessThan(0.005)
    }
  })
  it('a sphere and a torus, layer by layer at their own midplanes, within 0.5 % at two layer heights', () => {
    const sphere = revolve(
      Array.from({ length: 241 }, (_, i): [number, number] => [
        i === 0 || i === 240 ? 0 : 20 * Math.sin((Math.PI * i) / 240),
        -20 * Math.cos((Math.PI * i) / 240),
      ]),
      360,
    )
    const torus = weld(
      cornersOf(
        revolve(
          Array.from({ length: 241 }, (_, i): [number, number] => [
            25 + 6 * Math.cos((2 * Math.PI * (i % 240)) / 240),
            6 * Math.sin((2 * Math.PI * (i % 240)) / 240),
          ]),
          360,
        ),
      ),
    )
    for (const layerHeightMm of [0.3, 0.2].slice(0, runs(2, 1))) {
      const over = (height: number, length: (z: number) => number) => {
        const layers = Math.round(height / layerHeightMm),
          step = height / layers
        return (
          Array.from({ length: layers }, (_, k) => length(-height / 2 + (k + 0.5) * step)).reduce(
            (a, b) => a + b,
            0,
          ) *
          (step / layerHeightMm)
        )
      }
      const ball = over(40, z => 2 * Math.PI * (Math.sqrt(400 - z * z) - w / 2))
      expect(
        Math.abs(sliceModel(sphere, recipe({ layerHeightMm }), PLA, printer).lengths.outerWall / ball - 1),
      ).toBeLessThan(0.005)
      // Both outlines of the ring, 4πR, until it is too thin for two beads squeezed by 4 %; then one along
      // its middle.
      const ring = over(12, z =>
        2 * Math.sqrt(36 - z * z) >= 2 * w * 0.96 ? 4 * Math.PI * 25 : 2 * Math.PI * 25,
      )
      expect(
        Math.abs(sliceModel(torus, recipe({ layerHeightMm }), PLA, printer).lengths.outerWall / ring - 1),
      ).toBeLessThan(0.005)
    }
  })
})

describe('what lies over nothing', () => {
  it('a cone that opens at 60° from the vertical leans by tan 60° − 1 beyond 45° a layer; at 40° it hangs nowhere', () => {
    // Radius grows by tan(angle) a millimetre: 10 to 10 + 10·tan.
    const open = (degrees: number) =>
      sliceModel(
        revolve(
          [
            [10, 0],
            [10 + 10 * Math.tan((degrees * Math.PI) / 180), 10],
          ],
          240,
        ),
        recipe({ layerHeightMm: 0.2 }),
        PLA,
        printer,
      ).overhangMm2
    expect(open(40)).toBeLessThan(1)
    const slope = Math.tan(Math.PI / 3),
      top = 10 + 10 * slope
    // Each layer lays a ring (slope − 1)·h wide over nothing: ∫2πr(slope − 1)dz.
    const expected = 2 * Math.PI * (slope - 1) * ((10 + top) / 2) * 10
    expect(Math.abs(open(60) / expected - 1)).toBeLessThan(0.06)
  })
  it('a box over a tunnel 20 mm wide: its roof, bridged across', async () => {
    const kernel = await testKernel()
    const solid = kernel.Manifold.cube([60, 40, 30]).subtract(
      kernel.Manifold.cube([20, 60, 10]).translate([20, -10, 0]),
    )
    const { overhangMm2, bridgeMm } = sliceModel(meshOf(solid), recipe({ layerHeightMm: 0.25 }), PLA, printer)
    // 20 × 40 less the 45° that each side carries for one layer.
    expect(Math.abs(overhangMm2 / (20 * 40) - 1)).toBeLessThan(0.04)
    expect(bridgeMm).toBeGreaterThan(19)
  })
  it('a brim of 4 mm round a cylinder: eight loops of 0.45 mm, each 2π·w longer than the one inside it', () => {
    const { lengths, filamentMm3, extrudedMm3 } = sliceModel(
      revolve(
        [
          [15, 0],
          [15, 10],
        ],
        360,
      ),
      recipe({ brimMm: 4 }),
      PLA,
      printer,
    )
    const expected = Array.from({ length: 8 }, (_, i) => 2 * Math.PI * (15 + (i + 0.5) * w)).reduce(
      (a, b) => a + b,
      0,
    )
    expect(lengths.brim / expected).toBeCloseTo(1, 3)
    // It is torn off: filament, but not mass.
    expect(filamentMm3 - extrudedMm3).toBeCloseTo(lengths.brim * (w * 0.25), 3)
  })
})
