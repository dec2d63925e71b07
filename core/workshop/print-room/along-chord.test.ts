/** A wing that is denser at nose and rear, with a printed spar, as it is written, checked and exported. */
import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import type { ProjectFile, Recipe } from '../../document'
import { chordSolids, meshOf, pieceSolid, together, type Piece } from '../../geometry'
import { measureMesh } from '../../geometry'
import { LIBRARIES, recipeById } from '../../libraries'
import { sliceModel } from '../../printing'
import { assessor, fileOf, SHORT } from '../../testing/machine-files'
import { testKernel } from '../../testing/kernel'
import { written as inWords } from '../../units'
import { exportPieces } from '../export'
import { checkFile } from './check-file'
import { runs } from '../../testing/runs'

const foam = LIBRARIES.filaments.find(item => item.id === SHORT.zones[2].filament)!
const recipe: Recipe = {
  ...recipeById('bead-infill', foam),
  infillShare: 0.05,
  denser: { walls: 2, noseTo: 0.15, rearFrom: 0.6 },
  printedSpar: { atShare: 0.42, widthMm: 6 },
}
const withRecipe = (own: Recipe): ProjectFile => ({
  ...SHORT,
  zones: SHORT.zones.map(zone =>
    zone.id === 'wing-inner' || zone.id === 'wing-outer' ? { ...zone, recipe: own } : zone,
  ),
})
const doc = withRecipe(recipe)
const airframe = assessor.airframe(doc)
const pieceOf = (id: string): Piece => airframe.pieces.find(item => item.id === id)!
const bare = { startText: 'G28', endText: 'M84', plateOverheadMin: 0 }

describe('its machine file', () => {
  for (const id of ['wing-3-port', 'wing-2-starboard'].slice(0, runs(2, 1)))
    it(`${id}, turned on its bed: passes its own check, and weighs what the estimate and its slices do`, async () => {
      const { texts, figures, printer, piece } = fileOf(id, {}, { doc, turnDeg: 77, printer: bare })
      const now = assessor.assess(doc)
      const { pieces } = await checkFile(
        () => texts.map(text => text.replace(/^;.*$/gm, '')),
        airframe,
        now,
        null,
      )
      expect(pieces[0].piece).toBe(id)
      const told = pieces[0].rows.filter(row => row.does)
      expect(
        pieces[0].differs,
        told.map(row => `${row.what} ${inWords(row.wanted)} ${inWords(row.found)}`).join('; '),
      ).toEqual([])
      const report = now.pieces.find(item => item.id === id)!
      expect(Math.abs((1000 * figures.mass) / report.filamentG - 1)).toBeLessThan(0.01)
      const solid = pieceSolid(await testKernel(), piece)
      const full = sliceModel(meshOf(solid), recipe, airframe.filamentOf(piece.zone), printer, undefined, z =>
        piece.chordAt(piece.from + z),
      )
      solid.delete()
      expect(Math.abs(full.seconds / 3600 / report.machineHours - 1)).toBeLessThan(0.03)
    })
  it('sent through without them is known by its mass', async () => {
    const { texts } = fileOf('wing-2-starboard', { denser: null, printedSpar: null }, { doc, printer: bare })
    const { pieces } = await checkFile(() => texts, airframe, assessor.assess(doc), 'wing-2-starboard')
    expect(pieces[0].differs).toContain('mass')
  })
})

describe('what is laid over a piece in any other slicing program', () => {
  const kernel = testKernel()
  /** Volume, mm³, of what a solid covers of its piece. */
  const covered = async (piece: Piece, kind: 'denser' | 'printed-spar') => {
    const { Manifold, Mesh } = await kernel
    const { positions, triangles } = together(
      chordSolids(piece)
        .filter(item => item.kind === kind)
        .map(item => item.mesh),
    )
    const tool = new Manifold(new Mesh({ numProp: 3, vertProperties: positions, triVerts: triangles }))
    const solid = pieceSolid(await kernel, piece)
    const both = solid.intersect(tool)
    const shares = { part: both.volume() / solid.volume(), volume: both.volume() }
    for (const item of [tool, solid, both]) item.delete()
    return shares
  }
  it('lies over the piece as it is exported, on either side, and outside in', async () => {
    for (const id of ['wing-2-starboard', 'wing-2-port']) {
      const piece = pieceOf(id)
      for (const { mesh } of chordSolids(piece)) expect(measureMesh(mesh).volume).toBeGreaterThan(0)
      // NACA 4412 has 17 % of its area before 15 % of the chord and 23 % behind 60 %, by its thickness polynomial.
      const thickness = (x: number) =>
        0.2969 * Math.sqrt(x) - 0.126 * x - 0.3516 * x ** 2 + 0.2843 * x ** 3 - 0.1015 * x ** 4
      const area = (from: number, to: number) =>
        Array.from({ length: 400 }, (_, i) => thickness(from + ((i + 0.5) / 400) * (to - from))).reduce(
          (sum, t) => sum + (t * (to - from)) / 400,
          0,
        )
      const wanted = (area(0, 0.15) + area(0.6, 1)) / area(0, 1)
      const { part } = await covered(piece, 'denser')
      // Bores and the hinge's gap take some of the rest.
      expect(part / wanted).toBeGreaterThan(0.9)
      expect(part / wanted).toBeLessThan(1.1)
      const chord = piece.chordAt((piece.from + piece.to) / 2)!.chord
      const solid = 2 * 5 * 0.12 * chord * thickness(0.42) * 6 * (piece.to - piece.from)
      expect((await covered(piece, 'printed-spar')).volume / solid).toBeCloseTo(1, 1)
    }
  })
  it('goes out beside the piece with its figures in the list; nothing does where nothing is set', async () => {
    const some = { ...airframe, pieces: airframe.pieces.filter(piece => piece.id.startsWith('wing-2')) }
    const reports = assessor.assess(doc).pieces.filter(piece => piece.id.startsWith('wing-2'))
    const files = await exportPieces(await kernel, some, reports, () => {})
    const names = files.map(file => file.name)
    for (const id of ['wing-2-starboard', 'wing-2-port'])
      expect(names).toEqual(
        expect.arrayContaining([`along-chord/${id}-denser.stl`, `along-chord/${id}-printed-spar.stl`]),
      )
    const [row] = Papa.parse<Record<string, string>>(new TextDecoder().decode(files.at(-1)!.bytes), {
      header: true,
    }).data
    const cell = (name: string) => row[name]
    expect([cell('more_walls'), cell('more_walls_to_pct'), cell('more_walls_from_pct')]).toEqual([
      '2',
      '15',
      '60',
    ])
    expect([cell('printed_spar_mm'), cell('printed_spar_at_pct')]).toEqual(['6', '42'])
    expect(chordSolids(assessor.airframe(SHORT).pieces.find(item => item.id === 'wing-2-port')!)).toEqual([])
  })
})
