/** A piece of metres, seen and timed in few places, weighs and takes what its parts do, each seen closely. */
import { expect, it } from 'vitest'
import { sharedAssessor } from '../assess'
import { DEMOS } from '../demo'
import type { ProjectFile } from '../document'
import { changed } from '../testing/changed'
import { printPiece } from './print-piece'
import { samplePiece } from './sample-sections'

/** A half wing of 2 m, tapered and swept, in parts of a quarter of a metre or in one. */
const wing = (recipe: Partial<ProjectFile['zones'][number]['recipe']>, parts: number) =>
  changed(DEMOS[0], doc => {
    doc.spars = []
    doc.wing.controls = []
    doc.wing.panels.forEach((panel, i) => Object.assign(panel, { spanMm: 1000, tipChordMm: 150 - 80 * i }))
    doc.cuts.wing = Array.from({ length: parts - 1 }, (_, i) => ({
      atMm: (2000 * (i + 1)) / parts,
      joint: { kind: 'butt', toleranceMm: 0 },
      piece: i + 2,
    }))
    for (const zone of doc.zones)
      Object.assign(zone.recipe, { baseLayers: 0, topLayers: 0, brimMm: 0, spiral: false, ...recipe })
  })

it.each([
  ['walls and infill', { lattice: null, walls: 2, infillShare: 0.1 }],
  ['a double skin', { lattice: null, walls: 1, infillShare: 0.2, skinGapMm: 3 }],
  ['webs', { lattice: { pitchMm: 20, slitMm: 0.1, overlapMm: 0.1, leanDeg: 45 }, walls: 1, infillShare: 0 }],
] as const)('%s', (_, recipe) => {
  const [printer] = DEMOS[0].printers
  const of = (parts: number) => {
    const airframe = sharedAssessor().airframe(wing(recipe, parts))
    const pieces = airframe.pieces.filter(piece => piece.part === 'wing' && piece.side === 'starboard')
    const prints = pieces.map(piece => printPiece(piece, airframe.filamentOf(piece.zone)))
    return {
      looks: pieces.reduce((sum, piece) => sum + samplePiece(piece).samples.length, 0),
      mass: prints.reduce((sum, print) => sum + print.mass, 0),
      seconds: prints.reduce((sum, print) => sum + print.seconds({ ...printer, layerMinS: 0 }), 0),
      // Laid as fast as it may be, thin places last as long as the printer's least time.
      least: prints.reduce((sum, print) => sum + print.seconds({ ...printer, layerMinS: 20 }), 0),
    }
  }
  const [whole, cut] = [of(1), of(8)]
  expect(whole.looks).toBeLessThan(0.75 * cut.looks)
  expect(Math.abs(whole.mass / cut.mass - 1)).toBeLessThan(0.001)
  expect(Math.abs(whole.seconds / cut.seconds - 1)).toBeLessThan(0.005)
  expect(Math.abs(whole.least / cut.least - 1)).toBeLessThan(0.005)
  expect(whole.least).toBeGreaterThan(1.01 * whole.seconds)
})
