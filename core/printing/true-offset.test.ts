/** The shrinking-ball inset against real offset curves, and the sampled estimate against every layer, on shapes nobody chose. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { createAssessor } from '../assess'
import { DEMOS } from '../demo'
import type { Printer } from '../document'
import { loftSurface, meshOf, outlineAt, pieceSolid } from '../geometry'
import { surface } from '../testing/arbitraries'
import { testKernel } from '../testing/kernel'
import { insetArea, insetField } from './inset-field'
import { wallBeads } from './lay'
import { printPiece } from './print-piece'
import { sliceModel } from './slice-model'

const pairs = (outline: Float64Array): Array<[number, number]> => Array.from({ length: outline.length / 2 }, (_, i) => [outline[2 * i], outline[2 * i + 1]])
const perimeter = (polygons: ReadonlyArray<ReadonlyArray<readonly number[]>>): number =>
  polygons.reduce((sum, p) => sum + p.reduce((s, a, i) => s + Math.hypot(a[0] - p[(i + 1) % p.length][0], a[1] - p[(i + 1) % p.length][1]), 0), 0)

describe('against offset curves of manifold-3d (Clipper2)', () => {
  it('area left inside depth d of random wing sections, within 1 % of the section', async () => {
    const kernel = await testKernel()
    fc.assert(fc.property(surface('a'), fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: 0.2, max: 2.5, noNaN: true }), (s, t, d) => {
      const loft = loftSurface('wing', 'Wing', s, [], 0.9)
      const outline = outlineAt(loft, t * loft.span)
      const field = insetField({ outer: outline, holes: [] })
      const section = new kernel.CrossSection([pairs(outline)])
      const inner = section.offset(-d, 'Miter', 4)
      expect(Math.abs(insetArea(field, d) - inner.area()) / field.area).toBeLessThan(0.01)
      inner.delete()
      section.delete()
    }), { numRuns: 60 })
  })
  it('one wall of a wing section is as long as its offset at half a bead, where a bead fits on each side', async () => {
    const kernel = await testKernel()
    const w = 0.45
    for (const aerofoil of ['naca0009', 'naca4412', 'naca23112']) {
      // A trailing edge of three beads, so that every place takes the whole bead.
      const wing = { ...DEMOS[0].wing, rootAerofoil: aerofoil, panels: DEMOS[0].wing.panels.map(panel => ({ ...panel, tipAerofoil: aerofoil })) }
      const outline = outlineAt(loftSurface('wing', 'Wing', wing, [], 3 * w), 100)
      const section = new kernel.CrossSection([pairs(outline)])
      const wall = section.offset(-w / 2, 'Miter', 4)
      const own = wallBeads(insetField({ outer: outline, holes: [] }), 1, w).outer
      expect(Math.abs(own / perimeter(wall.toPolygons()) - 1), aerofoil).toBeLessThan(0.005)
      wall.delete()
      section.delete()
    }
  })
})

it('live mass of random wings against every layer of their solids, within 1 %', async () => {
  const kernel = await testKernel()
  const printer: Printer = { ...DEMOS[0].printers[0], plateOverheadMin: 0 }
  await fc.assert(fc.asyncProperty(surface('wing-inner'), fc.constantFrom('beads', 'spiral-lattice'), async (wing, school) => {
    const zone = DEMOS[0].zones[2]
    const recipe = { ...zone.recipe, layerHeightMm: 0.3, beadWidthMm: 0.45, ...(school === 'beads' ? { walls: 2, lattice: null, spiral: false } : {}) }
    const doc = { ...DEMOS[0], wing, spars: [], weighIns: [], cuts: { ...DEMOS[0].cuts, wing: [] }, zones: DEMOS[0].zones.map(item => (item.id === zone.id ? { ...zone, recipe } : item)) }
    const airframe = createAssessor().airframe(doc)
    const piece = airframe.pieces.find(item => item.part === 'wing')!
    const filament = airframe.filamentOf(piece.zone)
    const solid = pieceSolid(kernel, piece)
    const full = sliceModel(meshOf(solid), piece.zone.recipe, filament, printer).mass
    solid.delete()
    expect(Math.abs(printPiece(piece, filament).mass / full - 1)).toBeLessThan(0.01)
  }), { numRuns: 12, endOnFailure: true })
})
