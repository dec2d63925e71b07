import fc from 'fast-check'
import { zipSync, strToU8 } from 'fflate'
import { describe, expect, it } from 'vitest'
import { sharedAssessor } from '../assess'
import { DEMOS } from '../demo'
import { DocumentError, type Printer, type Recipe } from '../document'
import { contoursAt, measureMesh, meshOf, pieceSolid, polygonArea, weld } from '../geometry'
import { LIBRARIES, recipeFor } from '../libraries'
import { testKernel } from '../testing/kernel'
import { cornersOf, revolve } from '../testing/meshes'
import { replayGcode } from './gcode'
import { moveTime, replayMoves } from './motion'
import { readStl } from './read-stl'
import { sliceModel } from './slice-model'
import { writeStl } from './stl'
import { readThreeMf } from './threemf'
import { writeThreeMf } from './write-threemf'
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
const slice = (mesh: ReturnType<typeof revolve>, more: Partial<Recipe>) =>
  sliceModel(mesh, recipe(more), PLA, printer)

const cylinder = revolve([
  [15, 0],
  [15, 40],
])
const cone = revolve([
  [20, 0],
  [4, 60],
])
const sphere = revolve(
  Array.from({ length: 121 }, (_, i): [number, number] => [
    i === 0 || i === 120 ? 0 : 20 * Math.sin((Math.PI * i) / 120),
    -20 * Math.cos((Math.PI * i) / 120),
  ]),
)
// The profile closes on its first ring exactly, and welding joins the two.
const torus = weld(
  cornersOf(
    revolve(
      Array.from({ length: 121 }, (_, i): [number, number] => [
        25 + 6 * Math.cos((2 * Math.PI * (i % 120)) / 120),
        6 * Math.sin((2 * Math.PI * (i % 120)) / 120),
      ]),
      240,
    ),
  ),
)

describe('meshes', () => {
  it('cylinder, cone, sphere, torus: volume and surface in closed form, and closed', () => {
    const cases = [
      [cylinder, Math.PI * 225 * 40, 2 * Math.PI * 15 * 55],
      [cone, (Math.PI * 60 * (400 + 80 + 16)) / 3, Math.PI * (24 * Math.hypot(16, 60) + 400 + 16)],
      [sphere, (4 / 3) * Math.PI * 8000, 4 * Math.PI * 400],
      [torus, 2 * Math.PI ** 2 * 25 * 36, 4 * Math.PI ** 2 * 25 * 6],
    ] as const
    for (const [mesh, volume, surface] of cases) {
      const found = measureMesh(weld(cornersOf(mesh)))
      expect(found.volume / volume).toBeCloseTo(1, 2)
      expect(found.surface / surface).toBeCloseTo(1, 2)
      expect(found.watertight).toBe(true)
    }
  })
  it('a hole is found, and a part far from the origin keeps its volume', () => {
    const corners = cornersOf(cylinder)
    expect(measureMesh(weld(corners.slice(9))).openEdges).toBe(3)
    const far = corners.map((v, i) => v + [5000, -3000, 800][i % 3])
    expect(measureMesh(weld(far)).volume / measureMesh(weld(corners)).volume).toBeCloseTo(1, 3)
  })
})

describe('contours', () => {
  it('close at every height, even through vertices, and run counter-clockwise round plastic', () => {
    for (const mesh of [cylinder, cone, sphere, torus]) {
      const { min, max } = measureMesh(mesh)
      const heights = Array.from({ length: 60 }, (_, k) => min[2] + ((max[2] - min[2]) * k) / 59).slice(1, -1)
      for (const { loops, open } of contoursAt(mesh, heights)) {
        expect(open).toBe(0)
        expect(loops.reduce((sum, loop) => sum + polygonArea(loop).area, 0)).toBeGreaterThan(0)
      }
    }
  })
  it('area at a height in closed form: cone, and a torus with its hole', () => {
    const area = (mesh: typeof cone, z: number) =>
      contoursAt(mesh, [z])[0].loops.reduce((sum, loop) => sum + polygonArea(loop).area, 0)
    expect(area(cone, 30) / (Math.PI * 144)).toBeCloseTo(1, 2)
    expect(area(torus, 0) / (Math.PI * (31 ** 2 - 19 ** 2))).toBeCloseTo(1, 2)
    expect(
      contoursAt(torus, [2])[0]
        .loops.map(loop => Math.sign(polygonArea(loop).area))
        .sort(),
    ).toEqual([-1, 1])
  })
  it('agrees with manifold-3d on a real piece within 0.01 %', async () => {
    const kernel = await testKernel()
    const piece = sharedAssessor().airframe(DEMOS[0]).pieces[0]
    const solid = pieceSolid(kernel, piece)
    const mesh = meshOf(solid)
    for (const z of [3.1, 40.7, 90.2, 131]) {
      const section = solid.slice(z)
      const own = contoursAt(mesh, [z])[0].loops.reduce((sum, loop) => sum + polygonArea(loop).area, 0)
      expect(Math.abs(own / section.area() - 1)).toBeLessThan(1e-4)
      section.delete()
    }
    solid.delete()
  })
})

describe('slicing against closed forms, within 0.5 %, at two layer heights', () => {
  for (const layerHeightMm of [0.2, 0.3]) {
    const w = 0.45
    const bead = w * layerHeightMm
    it(`layers of ${layerHeightMm} mm`, () => {
      // Cylinder, two walls: (2π(r − w/2) + 2π(r − 3w/2)) a layer.
      const two = slice(cylinder, { layerHeightMm, walls: 2 })
      const layers = Math.round(40 / layerHeightMm)
      expect(two.lengths.outerWall / (2 * Math.PI * (15 - w / 2) * layers)).toBeCloseTo(1, 2)
      expect(
        Math.abs(two.extrudedMm3 / (2 * Math.PI * (30 - 2 * w) * (40 / layerHeightMm) * bead) - 1),
      ).toBeLessThan(0.005)
      // Cone: mean radius 12; the wall's middle lies w/2 inside.
      expect(
        Math.abs(
          slice(cone, { layerHeightMm }).lengths.outerWall /
            (2 * Math.PI * (12 - w / 2) * (60 / layerHeightMm)) -
            1,
        ),
      ).toBeLessThan(0.005)
      // Torus: both outlines, 2π(R + ρ − w/2) + 2π(R − ρ + w/2) = 4πR at every height, until it is too thin
      // for two.
      const tall = slice(torus, { layerHeightMm })
      expect(Math.abs(tall.lengths.outerWall / (4 * Math.PI * 25 * (12 / layerHeightMm)) - 1)).toBeLessThan(
        0.01,
      )
      // Infill of the cylinder: f·π(r − w)²/w.
      expect(
        Math.abs(
          slice(cylinder, { layerHeightMm, infillShare: 0.2 }).lengths.infill /
            ((0.2 * Math.PI * (15 - w) ** 2 * (40 / layerHeightMm)) / w) -
            1,
        ),
      ).toBeLessThan(0.005)
      // Base and top: three and two layers of the inside, solid.
      expect(
        Math.abs(
          slice(cylinder, { layerHeightMm, baseLayers: 3, topLayers: 2 }).lengths.solid /
            ((5 * Math.PI * (15 - w) ** 2) / w) -
            1,
        ),
      ).toBeLessThan(0.005)
    })
  }
  it("a cone's open ring is laid solid: what lies inside the wall and the layer above leaves uncovered", () => {
    // Each layer is 0.9 mm smaller in radius than the one below: with one top layer the ring from r − 0.9 to
    // r − 0.45 is open.
    const { lengths } = slice(
      revolve([
        [20, 0],
        [2, 6],
      ]),
      { layerHeightMm: 0.3, topLayers: 1 },
    )
    const steps = 20,
      dr = 18 / steps
    let expected = 0
    for (let k = 0; k < steps; k++) {
      const r = 20 - (k + 0.5) * dr
      expected += (Math.PI * ((r - 0.45) ** 2 - (k === steps - 1 ? 0 : (r - dr) ** 2))) / 0.45
    }
    expect(Math.abs(lengths.solid / expected - 1)).toBeLessThan(0.03)
  })
  it('centre of the beads lies at the centre of the wall: a cone, by its rings', () => {
    // Wall length runs with (r − w/2): z̄ = ∫z(r(z) − w/2)dz / ∫(r − w/2)dz, r from 20 to 4 over 60.
    const a = 20 - 0.225,
      slope = 16 / 60
    const expected = (a * 1800 - slope * (60 ** 3 / 3)) / (a * 60 - slope * 1800)
    const { centre } = slice(cone, {})
    expect(centre[2] / expected).toBeCloseTo(1, 2)
    expect(Math.hypot(centre[0], centre[1])).toBeLessThan(0.01)
  })
  it('turning a model about the build axis changes nothing', () => {
    const turned = { ...cone, positions: cone.positions.slice() }
    for (let i = 0; i < turned.positions.length; i += 3) {
      const [x, y] = [turned.positions[i], turned.positions[i + 1]]
      turned.positions[i] = x * Math.cos(0.7) - y * Math.sin(0.7) + 40
      turned.positions[i + 1] = x * Math.sin(0.7) + y * Math.cos(0.7) - 15
    }
    const [a, b] = [
      slice(cone, { infillShare: 0.1, topLayers: 2 }),
      slice(turned, { infillShare: 0.1, topLayers: 2 }),
    ]
    expect(Math.abs(b.mass / a.mass - 1)).toBeLessThan(0.003)
  })
})

describe('STL and 3MF', () => {
  it('round-trip to the same volume, binary, ASCII and 3MF', () => {
    const volume = measureMesh(cone).volume
    expect(measureMesh(weld(readStl(writeStl(cone, 'cone')))).volume / volume).toBeCloseTo(1, 6)
    const corners = cornersOf(cone)
    let text = 'solid cone\n'
    for (let t = 0; t < corners.length; t += 9)
      text += `facet normal 0 0 0\nouter loop\n${[0, 3, 6].map(k => `vertex ${corners[t + k]} ${corners[t + k + 1]} ${corners[t + k + 2]}`).join('\n')}\nendloop\nendfacet\n`
    expect(
      measureMesh(weld(readStl(new TextEncoder().encode(`${text}endsolid cone`)))).volume / volume,
    ).toBeCloseTo(1, 6)
    const file = writeThreeMf([
      { name: 'A & "B"', mesh: cone, place: [30, 40] },
      { name: 'second', mesh: cylinder, place: [80, 40] },
    ])
    const objects = readThreeMf(file)
    expect(measureMesh(weld(objects[0].corners)).volume / volume).toBeCloseTo(1, 6)
    expect(measureMesh(weld(objects[1].corners)).min[0]).toBeCloseTo(65, 4)
  })
  it('components, transforms and units: two halves of a model in inches', () => {
    const xml =
      '<model unit="inch"><resources><object id="1"><mesh><vertices><vertex x="0" y="0" z="0"/><vertex x="1" y="0" z="0"/><vertex x="0" y="1" z="0"/><vertex x="0" y="0" z="1"/></vertices><triangles><triangle v1="0" v2="2" v3="1"/><triangle v1="0" v2="1" v3="3"/><triangle v1="0" v2="3" v3="2"/><triangle v1="1" v2="2" v3="3"/></triangles></mesh></object><object id="2"><components><component objectid="1"/><component objectid="1" transform="2 0 0 0 2 0 0 0 2 10 0 0"/></components></object></resources><build><item objectid="2"/></build></model>'
    const [{ corners }] = readThreeMf(zipSync({ '3D/3dmodel.model': strToU8(xml) }))
    // A tetrahedron of 1/6 cubic inch, and one of twice the size.
    expect(measureMesh(weld(corners)).volume / ((25.4 ** 3 * 9) / 6)).toBeCloseTo(1, 5)
    expect(() =>
      readThreeMf(
        zipSync({
          '3D/3dmodel.model': strToU8(xml.replace('<component objectid="1"/>', '<component objectid="2"/>')),
        }),
      ),
    ).toThrow(/built of itself/)
  })
})

describe('G-code', () => {
  const quick = { ...printer, accelMmS2: 1000, cornerMmS: 0 }
  it('moves of known length and time', () => {
    // 100 mm at 50 mm/s from rest to rest at 1000 mm/s²: 0.1 + 97.5/50 s.
    const out = replayGcode('G21\nG90\nM83\nG1 X100 F3000 E4 ; a comment with X999 E99\n', quick)
    expect(out.seconds).toBeCloseTo(2.05, 9)
    expect(out.filamentMm).toBeCloseTo(4, 12)
    expect(out.extrudedMm3).toBeCloseTo((4 * Math.PI * 1.75 ** 2) / 4, 9)
    expect(out.bbox).toEqual({ min: [0, 0, 0], max: [100, 0, 0] })
    expect(out.layers).toBe(1)
  })
  it('relative and absolute, inches, renamed places, retraction counted once, dwell', () => {
    const text =
      'G20\nG91\nG1 X1 E0.1 F100\nG21\nG90\nM82\nG92 E0\nG1 E-2 F1800\nG0 X50 F6000\nG1 E0 F1800\nG1 X60 E1 F1200\nG4 P500\n'
    const out = replayGcode(text, quick)
    expect(out.filamentMm).toBeCloseTo(2.54 + 1, 9)
    expect(out.bbox!.max[0]).toBeCloseTo(60, 9)
    expect(replayGcode(text.replace('G4 P500', ''), quick).seconds).toBeCloseTo(out.seconds - 0.5, 9)
  })
  it('arcs: a quarter by centre and by radius, a full turn, a helix', () => {
    const long = (code: string) =>
      replayGcode(`M83\nG1 X10 Y0 F600\nG92 X10 Y0\n${code}\n`, { ...quick, accelMmS2: 1e9, cornerMmS: 1e6 })
        .seconds *
        10 -
      10
    expect(long('G3 X0 Y10 I-10 J0 E1')).toBeCloseTo((Math.PI / 2) * 10, 1)
    expect(long('G3 X0 Y10 R10 E1')).toBeCloseTo((Math.PI / 2) * 10, 1)
    expect(long('G2 X0 Y10 R-10 E1')).toBeCloseTo(1.5 * Math.PI * 10, 1)
    expect(long('G3 X10 Y0 I-10 J0 E1')).toBeCloseTo(2 * Math.PI * 10, 1)
    expect(long('G3 X10 Y0 Z8 I-10 J0 E1')).toBeCloseTo(Math.hypot(2 * Math.PI * 10, 8), 1)
    expect(() => replayGcode('G1 X1 F100\nG2 X5 Y5', quick)).toThrow(/line 2: an arc needs/)
    expect(() => replayGcode('just words\n', quick)).toThrow(/no moves/)
  })
  it('a straight line in pieces takes as long as in one; a corner costs; more acceleration is never slower', () => {
    const list = (n: number) => ({
      length: Array<number>(n).fill(100 / n),
      speed: Array<number>(n).fill(60),
      dx: Array<number>(n).fill(1),
      dy: Array<number>(n).fill(0),
      dz: Array<number>(n).fill(0),
    })
    expect(replayMoves(list(50), 1500, 8)).toBeCloseTo(replayMoves(list(1), 1500, 8), 9)
    const corner = { length: [50, 50], speed: [60, 60], dx: [1, 0], dy: [0, 1], dz: [0, 0] }
    // At a right angle the vector changes by √2·v: v = corner/√2.
    const v = 8 / Math.SQRT2
    expect(replayMoves(corner, 1500, 8)).toBeCloseTo(
      moveTime(50, 0, v, 60, 1500) + moveTime(50, v, 0, 60, 1500),
      9,
    )
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.double({ min: 0.05, max: 40, noNaN: true }),
            fc.double({ min: 0, max: 6.28, noNaN: true }),
          ),
          { minLength: 1, maxLength: 40 },
        ),
        rows => {
          const moves = {
            length: rows.map(r => r[0]),
            speed: rows.map(() => 80),
            dx: rows.map(r => Math.cos(r[1])),
            dy: rows.map(r => Math.sin(r[1])),
            dz: rows.map(() => 0),
          }
          const slow = replayMoves(moves, 1000, 8),
            fast = replayMoves(moves, 3000, 8)
          expect(fast).toBeLessThanOrEqual(slow + 1e-9)
          expect(slow).toBeGreaterThanOrEqual(rows.reduce((sum, r) => sum + r[0], 0) / 80 - 1e-9)
        },
      ),
    )
  })
  it('any text: figures, or a reason', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.oneof(
            fc.string({ maxLength: 30 }),
            fc.constantFrom('G1 X10 E1', 'G2 X1 Y1 I3', 'G28', 'G92', 'M82', 'G91', 'G1 Z1e9', 'N5 G1 X3*44'),
          ),
          { maxLength: 12 },
        ),
        lines => {
          try {
            expect(Number.isFinite(replayGcode(lines.join('\n'), quick).seconds)).toBe(true)
          } catch (fault) {
            expect(fault).toBeInstanceOf(DocumentError)
          }
        },
      ),
      { numRuns: runs(1000, 200) },
    )
  })
})
