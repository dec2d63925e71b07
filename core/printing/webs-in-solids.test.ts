/** What is weighed is what is exported: solids with the slits of their webs, sliced anew, layer by layer. */
import fc from 'fast-check'
import { STLLoader } from 'three/addons/loaders/STLLoader.js'
import { describe, expect, it } from 'vitest'
import { sharedAssessor } from '../assess'
import { DEMOS } from '../demo'
import type { ProjectFile } from '../document'
import { contoursAt, measureMesh, meshOf, pieceSolid, polygonArea, type Piece } from '../geometry'
import type { Filament } from '../libraries'
import { LIBRARIES, recipeById } from '../libraries'
import { surface } from '../testing/arbitraries'
import { testKernel } from '../testing/kernel'
import { runs } from '../testing/runs'
import { printPiece } from './print-piece'
import { sliceModel } from './slice-model'
import { writeStl } from './stl'

const printer = { ...DEMOS[0].printers[0], plateOverheadMin: 0 }

/** Stretches of plastic that a layer has even without webs: a bay or a hinge slot may cut a section in two. */
const islands = (piece: Piece, z: number): number =>
  piece.sectionAt(piece.from + z).filter(loop => polygonArea(loop).area > 0).length

async function exported(piece: Piece, filament: Filament) {
  const solid = pieceSolid(await testKernel(), piece)
  const mesh = meshOf(solid)
  solid.delete()
  const { recipe } = piece.zone
  const figures = measureMesh(mesh)
  const layers = Math.round((figures.max[2] - figures.min[2]) / recipe.layerHeightMm)
  const heights = Array.from(
    { length: layers },
    (_, k) => figures.min[2] + ((k + 0.5) * (figures.max[2] - figures.min[2])) / layers,
  )
  const contours = contoursAt(mesh, heights)
  // A layer in the very plane of a jump is neither the one section nor the other.
  const plain = heights.map(z => piece.breaks.every(at => Math.abs(at - piece.from - z) > 0.01))
  const several = contours.filter(({ loops }, k) => plain[k] && loops.length !== islands(piece, heights[k]))
  // A slicing program that is told: one bead, a spiral, and nothing else.
  const full = sliceModel(mesh, recipe, filament, printer)
  const live = printPiece(piece, filament)
  const laid = (lengths: typeof live.lengths) => lengths.outerWall + lengths.innerWall + lengths.lattice
  return {
    mesh,
    figures,
    several: several.length,
    layers,
    length: laid(live.lengths) / laid(full.lengths) - 1,
    mass: live.mass / full.mass - 1,
  }
}

describe('webs in the exported solid', () => {
  for (const demo of DEMOS.slice(runs(0, 1)))
    it(`${demo.name}: every piece with webs is closed, one loop a layer, as long and as heavy as weighed`, async () => {
      const airframe = sharedAssessor().airframe(demo)
      for (const piece of airframe.pieces.filter(p => p.zone.recipe.lattice && p.side !== 'port')) {
        const { figures, several, length, mass, mesh } = await exported(
          piece,
          airframe.filamentOf(piece.zone),
        )
        expect(figures.watertight, piece.name).toBe(true)
        expect(several, `${piece.name}: layers of more than one loop`).toBe(0)
        expect(Math.abs(length), `${piece.name}: ${length}`).toBeLessThan(0.02)
        expect(Math.abs(mass), `${piece.name}: ${mass}`).toBeLessThan(0.02)
        // A reader that is not ours finds as many triangles in the file.
        const bytes = writeStl(mesh, piece.name)
        const read = new STLLoader().parse(bytes.slice().buffer)
        expect(read.getAttribute('position').count / 3).toBe(mesh.triangles.length / 3)
      }
    })

  it('random wings with spars, tips, controls and joints', async () => {
    const webs = fc.record({
      pitchMm: fc.integer({ min: 12, max: 70 }),
      slitMm: fc.constantFrom(0.02, 0.04, 0.1),
      overlapMm: fc.constantFrom(0.05, 0.15, 0.3),
      leanDeg: fc.integer({ min: 0, max: 50 }),
    })
    await fc.assert(
      fc.asyncProperty(
        surface('wing-inner', 0.6),
        webs,
        fc.double({ min: 0.2, max: 0.8, noNaN: true }),
        fc.constantFrom(0.4, 0.45, 0.6),
        async (wing, lattice, share, beadWidthMm) => {
          const foam = LIBRARIES.filaments.find(item => item.expansion)!
          const recipe = { ...recipeById('spiral-lattice', foam), lattice, beadWidthMm }
          const span = wing.panels.reduce((sum, panel) => sum + panel.spanMm, 0)
          const doc: ProjectFile = {
            ...DEMOS[0],
            wing,
            // Bores that cross each other are a fault of the design; one spar crosses pins and leads enough.
            spars: DEMOS[0].spars.slice(0, 1),
            weighIns: [],
            cuts: {
              ...DEMOS[0].cuts,
              wing: [{ atMm: share * span, joint: { kind: 'pins', toleranceMm: 0.2 }, piece: 2 }],
            },
            zones: DEMOS[0].zones.map(zone =>
              zone.id === 'wing-inner' ? { ...zone, filament: foam.id, recipe } : zone,
            ),
          }
          const airframe = sharedAssessor().airframe(doc)
          const pieces = airframe.pieces.filter(
            p => p.part === 'wing' && p.kind === 'fixed' && p.side !== 'port' && p.to - p.from > 30,
          )
          fc.pre(pieces.length > 0)
          const piece = pieces[Math.floor(share * 1000) % pieces.length]
          const found = await exported(piece, airframe.filamentOf(piece.zone))
          expect(found.figures.watertight).toBe(true)
          // A hinge line that is swept hard may overtake a web between two heights: a layer or two of some hundred.
          expect(found.several / found.layers).toBeLessThan(0.015)
          expect(Math.abs(found.length)).toBeLessThan(0.02)
          expect(Math.abs(found.mass)).toBeLessThan(0.02)
        },
      ),
      { numRuns: runs(200, 2), endOnFailure: true },
    )
  })
})
