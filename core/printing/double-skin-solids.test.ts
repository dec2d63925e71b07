/** A double skin as it is exported: one wall and sparse infill lay what was weighed, whatever program slices it. */
import fc from 'fast-check'
import { expect, it } from 'vitest'
import { sharedAssessor } from '../assess'
import { DEMOS } from '../demo'
import type { ProjectFile, Recipe } from '../document'
import {
  boxOfAll,
  hollowed,
  measureMesh,
  meshOf,
  pieceSolid,
  polygonArea,
  polygonPerimeter,
  type Piece,
} from '../geometry'
import { LIBRARIES, recipeById, type Filament } from '../libraries'
import { surface } from '../testing/arbitraries'
import { testKernel } from '../testing/kernel'
import { DEEP, runs } from '../testing/runs'
import { printPiece } from './print-piece'
import { sliceModel } from './slice-model'

const printer = { ...DEMOS[0].printers[0], plateOverheadMin: 0 }
const inSkins = (demo: ProjectFile, more: Partial<Recipe> = {}): ProjectFile => ({
  ...demo,
  weighIns: [],
  zones: demo.zones.map(zone => {
    const filament = LIBRARIES.filaments.find(item => item.id === zone.filament)
    return { ...zone, recipe: { ...recipeById('double-skin', filament), ...more } }
  }),
})

/** The exported solid, sliced by somebody who knows nothing of a second skin. */
async function sliced(piece: Piece, filament: Filament) {
  const kernel = await testKernel()
  const solid = hollowed(kernel, piece, pieceSolid(kernel, piece))
  const mesh = meshOf(solid)
  solid.delete()
  const full = sliceModel(mesh, { ...piece.zone.recipe, skinGapMm: null }, filament, printer)
  const live = printPiece(piece, filament)
  const walls = (laid: typeof live.lengths) => laid.outerWall + laid.innerWall
  return {
    watertight: measureMesh(mesh).watertight,
    walls: walls(live.lengths) / walls(full.lengths) - 1,
    mass: live.mass / full.mass - 1,
  }
}

it.runIf(DEEP).each(DEMOS)('$name: closed, as much bead and as heavy as weighed', async demo => {
  const airframe = sharedAssessor().airframe(inSkins(demo))
  const own = airframe.pieces.filter(piece => piece.side !== 'port')
  for (const piece of own) {
    const found = await sliced(piece, airframe.filamentOf(piece.zone))
    expect(found.watertight, piece.name).toBe(true)
    expect(Math.abs(found.walls), `${piece.name}: walls`).toBeLessThan(0.02)
    expect(Math.abs(found.mass), `${piece.name}: mass`).toBeLessThan(0.02)
  }
})

it('base and top layers close the cavity, and a solid of any other school stays as it is', async () => {
  const kernel = await testKernel()
  const [piece] = sharedAssessor().airframe(inSkins(DEMOS[0], { baseLayers: 4, topLayers: 4 })).pieces
  const whole = pieceSolid(kernel, piece)
  const volume = whole.volume()
  const hollow = hollowed(kernel, piece, whole)
  const { layerHeightMm, skinGapMm, beadWidthMm } = piece.zone.recipe
  // Pappus: a shell of the skin's and the bores' own thickness, and eight layers filled at both ends.
  const area = (u: number) => piece.sectionAt(u).reduce((sum, loop) => sum + polygonArea(loop).area, 0)
  const shell = (u: number) =>
    piece.sectionAt(u).reduce((sum, loop) => sum + polygonPerimeter(loop), 0) * (skinGapMm! + beadWidthMm)
  const middle = (piece.from + piece.to) / 2
  const reckoned = volume - (piece.to - piece.from - 8 * layerHeightMm) * (area(middle) - shell(middle))
  expect(hollow.volume() / reckoned).toBeGreaterThan(0.9)
  expect(hollow.volume() / reckoned).toBeLessThan(1.1)
  // What is enclosed reaches neither end: cut off at the foot, the section is filled.
  const foot = hollow.slice(2 * layerHeightMm).area()
  expect(foot / area(piece.from + 2 * layerHeightMm)).toBeCloseTo(1, 2)
  expect(hollow.slice(8 * layerHeightMm).area() / foot).toBeLessThan(0.6)
  hollow.delete()
  const [plain] = sharedAssessor().airframe(DEMOS[0]).pieces
  const solid = pieceSolid(kernel, plain)
  expect(hollowed(kernel, plain, solid)).toBe(solid)
  solid.delete()
})

it('random wings with tips, controls and joints', async () => {
  await fc.assert(
    fc.asyncProperty(
      surface('wing-inner', 0.6),
      fc.double({ min: 1.5, max: 5, noNaN: true }),
      fc.double({ min: 0.2, max: 0.8, noNaN: true }),
      async (wing, skinGapMm, share) => {
        const span = wing.panels.reduce((sum, panel) => sum + panel.spanMm, 0)
        const doc: ProjectFile = {
          ...inSkins(DEMOS[0], { skinGapMm }),
          wing,
          spars: [],
          equipment: [],
          cuts: {
            ...DEMOS[0].cuts,
            wing: [{ atMm: share * span, joint: { kind: 'pins', toleranceMm: 0.2 }, piece: 2 }],
          },
        }
        const airframe = sharedAssessor().airframe(doc)
        const pieces = airframe.pieces.filter(
          piece =>
            piece.part === 'wing' &&
            piece.kind === 'fixed' &&
            piece.side !== 'port' &&
            piece.to - piece.from > 30,
        )
        fc.pre(pieces.length > 0)
        const piece = pieces[Math.floor(share * 1000) % pieces.length]
        // Where a section hardly holds a second skin, the live figure lays part of one: up to 6 % heavier than the file.
        const { beadWidthMm } = piece.zone.recipe
        const half = (u: number) => {
          const [, y0, , y1] = boxOfAll(piece.sectionAt(u))
          return (y1 - y0) / 2
        }
        fc.pre(Math.min(half(piece.from + 1), half(piece.to - 1)) > skinGapMm + 3 * beadWidthMm)
        const found = await sliced(piece, airframe.filamentOf(piece.zone))
        expect(found.watertight).toBe(true)
        expect(Math.abs(found.mass), `${piece.name}: mass off by ${found.mass}`).toBeLessThan(0.02)
      },
    ),
    { numRuns: runs(200, 1), endOnFailure: true },
  )
})
