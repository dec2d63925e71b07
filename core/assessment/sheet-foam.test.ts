/** Wings and tails of sheet foam, as a whole: what they weigh, bear and want, and that no printer is asked for them. */
import { describe, expect, it } from 'vitest'
import { sharedAssessor } from '../assess'
import { readProject, type ProjectFile, type Sheet, type Surface } from '../document'
import { outlineAt, planAt, polygonArea, polygonPerimeter } from '../geometry'
import { insetField, insetLoops } from '../printing/inset-field'
import { changed } from '../testing/changed'
import { runs } from '../testing/runs'
import { sheeted } from '../testing/sheeted'
import { sweep, sweptPaths } from '../testing/sweeps'
import { createStudyKernel, readVary, study } from '../study/combinations'
import { compareSchools, proposeAllCuts } from '../workshop/advice'
import { buildOrder } from '../workshop/build'
import { flatParts } from '../workshop/flat'
import { planRoom } from '../workshop/print-room'
import { LIBRARIES } from '../libraries'

const assessor = sharedAssessor()
const doc = sheeted()
const whole = assessor.assess(doc)
const [xps] = LIBRARIES.foams
const codes = (of: ProjectFile) => assessor.assess(of).findings.map(finding => finding.code)

/** A wing of one panel of even chord, without control or spar. */
const slab = (sheet: Partial<Sheet>, more: Partial<Surface> = {}): ProjectFile =>
  sheeted(draft => {
    const [panel] = draft.wing.panels
    draft.wing = {
      ...draft.wing,
      rootChordMm: 200,
      rootAerofoil: 'naca4415',
      controls: [],
      incidenceDeg: 0,
      panels: [
        { ...panel, spanMm: 400, tipChordMm: 200, sweepMm: 0, tipTwistDeg: 0, tipAerofoil: 'naca4415' },
      ],
      ...more,
    }
    draft.spars = draft.spars.filter(spar => spar.surface !== 'wing')
    draft.equipment = draft.equipment.filter(item => item.pocket?.surface !== 'wing')
    const own = draft.zones.find(zone => zone.id === panel.zone)!
    own.sheet = { foam: 'sheet-xps', make: 'folded', thicknessMm: 3, ...sheet }
  })
const wingG = (of: ProjectFile) =>
  assessor
    .assess(of)
    .pieces.filter(piece => piece.part === 'wing' && piece.side === 'starboard')
    .reduce((sum, piece) => sum + piece.predictedG, 0)

describe('what it weighs', () => {
  it('folded: the strip along its outline, P·t − π·t², by the span and the density', () => {
    for (const thicknessMm of [1, 2, 3]) {
      const of = slab({ thicknessMm }),
        { wing } = assessor.airframe(of)
      // Steiner's formula for the strip within a convex curve; what runs together behind is in it once, not twice.
      const strip = polygonPerimeter(outlineAt(wing, 100)) * thicknessMm - Math.PI * thicknessMm ** 2
      const share = wingG(of) / (strip * wing.span * xps.density * 1e-6)
      expect(share, `${thicknessMm} mm`).toBeGreaterThan(0.955)
      expect(share, `${thicknessMm} mm`).toBeLessThan(1.005)
    }
  })
  it('flat: its plan by its thickness, but for a rounded nose and a bevelled rear', () => {
    for (const t of [3, 6]) {
      const of = slab({ make: 'flat', thicknessMm: t })
      // A half ellipse as long as the sheet is thick ahead; four thicknesses down to a third behind.
      const area = 200 * t - (1 - Math.PI / 4) * t * t - (4 * t * t) / 3
      const wanted = area * assessor.airframe(of).wing.span * xps.density * 1e-6
      expect(wingG(of) / wanted).toBeCloseTo(1, 2)
    }
  })
  it('each foam by its density, the balance with it, and nothing of it counts as printed', () => {
    const by = (foam: string) => wingG(slab({ foam }))
    for (const foam of LIBRARIES.foams)
      expect(by(foam.id) / by('sheet-xps')).toBeCloseTo(foam.density / xps.density, 6)
    const printed = whole.pieces.filter(piece => !piece.sheet)
    expect(whole.totals.printedG).toBeCloseTo(
      printed.reduce((sum, piece) => sum + piece.massG, 0),
      9,
    )
    expect(whole.ledger.reduce((sum, row) => sum + row.massG, 0)).toBeCloseTo(whole.totals.massG, 6)
    // It is cut, not printed: the maker's spread of a sheet's density, not of a printer's flow.
    const row = whole.ledger.find(item => item.id === 'wing-1-starboard')!
    expect(row.sigmaG / row.massG).toBeCloseTo(xps.densityRange, 9)
  })
})

describe('what it bears', () => {
  it('a flat sheet bends as no more than the plate that it is: E·b·t³/12, and three quarters of it at least', () => {
    for (const t of [3, 6]) {
      const { strength } = assessor.assess(slab({ make: 'flat', thicknessMm: t }))
      const plate = (xps.modulus * 0.2 * (t * 1e-3) ** 3) / 12
      const { EI, GJ } = strength.stations[3]
      expect(EI / plate).toBeGreaterThan(0.6)
      expect(EI / plate).toBeLessThan(1)
      // Saint-Venant's G·b·t³/3.
      const twisted = ((xps.modulus / 2.7) * 0.2 * (t * 1e-3) ** 3) / 3
      expect(GJ / twisted).toBeGreaterThan(0.5)
      expect(GJ / twisted).toBeLessThan(1)
    }
  })
  it('a folded one as the ring between its outline and what it leaves hollow, and no more', () => {
    const of = slab({ thicknessMm: 3 }),
      outline = outlineAt(assessor.airframe(of).wing, 100)
    /** ∫y² about the middle of a polygon, mm⁴. */
    const moments = (loop: Float64Array) => {
      let area = 0,
        first = 0,
        second = 0
      for (let i = 0, n = loop.length / 2; i < n; i++) {
        const [x0, y0, x1, y1] = [
          loop[2 * i],
          loop[2 * i + 1],
          loop[(2 * i + 2) % (2 * n)],
          loop[(2 * i + 3) % (2 * n)],
        ]
        const cross = x0 * y1 - x1 * y0
        area += cross / 2
        first += (cross * (y0 + y1)) / 6
        second += (cross * (y0 * y0 + y0 * y1 + y1 * y1)) / 12
      }
      return { area, first, second }
    }
    const rings = [outline, ...insetLoops(insetField([outline], 10), 3)].map(moments)
    const ring = {
      area: rings[0].area - rings[1].area,
      first: rings[0].first - rings[1].first,
      second: rings[0].second - rings[1].second,
    }
    const exact = xps.modulus * (ring.second - ring.first ** 2 / ring.area) * 1e-12
    const { EI } = assessor.assess(of).strength.stations[3]
    expect(EI / exact).toBeGreaterThan(0.85)
    expect(EI / exact).toBeLessThan(1.03)
  })
  it('a thicker sheet is never weaker or lighter, and a stronger spar carries more', () => {
    const reserve = (thicknessMm: number) => assessor.assess(slab({ thicknessMm })).strength.wing.reserve
    const row = [2, 2.5, 3, 4, 5].map(reserve)
    for (let i = 1; i < row.length; i++) expect(row[i]).toBeGreaterThan(row[i - 1])
    const bare = sheeted(draft => {
      draft.spars = draft.spars.filter(spar => spar.surface !== 'wing')
    })
    expect(assessor.assess(bare).strength.wing.reserve).toBeLessThan(0.5 * whole.strength.wing.reserve)
    expect(assessor.assess(bare).strength.wing.mode).toMatch(/^(foam torn|skin)/)
  })
  it('no figure of it makes a verdict jump', () => {
    const paths = sweptPaths(doc).filter(path => path.includes('.sheet.'))
    expect(paths.length).toBeGreaterThan(1)
    const found = paths
      .slice(0, runs(paths.length, 1))
      .flatMap(path => sweep(next => assessor.assess(next), doc, path, runs(100, 10)))
    expect(found.map(({ path, wing, from, to, at }) => `${path} at ${at}: ${wing} ${from} ${to}`)).toEqual([])
  })
})

describe('a flat sheet in the air', () => {
  it('flies as the plate that it is, whatever is drawn: its lift ends where plates are measured to, and it drags more', () => {
    const of = (make: Sheet['make']) => assessor.assess(slab({ make, thicknessMm: 4 })).flight
    // V ∝ √(m/c_Lmax): lighter, but with half of the lift.
    expect(of('flat').stallMs / of('folded').stallMs).toBeGreaterThan(1.15)
    expect(of('flat').stallMs / of('folded').stallMs).toBeLessThan(1.6)
    const { wing } = assessor.airframe(slab({ make: 'flat', thicknessMm: 4 }))
    const loop = outlineAt(wing, 100)
    const heights = loop.filter((_, i) => i % 2 === 1)
    expect(Math.max(...heights) - Math.min(...heights)).toBeCloseTo(4, 3)
    expect(planAt(wing, 100).chord).toBe(200)
  })
})

describe('what is asked of it', () => {
  it('no printer, no plate, no hour: each is cut by hand', () => {
    const sheets = whole.pieces.filter(piece => piece.sheet)
    expect(sheets.length).toBeGreaterThan(8)
    for (const piece of sheets) {
      expect([piece.hours, piece.filamentG, piece.layers, piece.printer, piece.fits]).toEqual([
        0,
        0,
        0,
        null,
        true,
      ])
      expect(piece.cost).toBeGreaterThan(0)
    }
    expect(codes(doc)).not.toContain('no-bed')
    const own = new Set(sheets.map(piece => piece.id))
    const fresh: ProjectFile = { ...doc, plates: [], accepted: [] }
    const { plates } = planRoom(fresh, assessor.airframe(fresh), assessor.assess(fresh), '2026-11-02T08:00')
    expect(plates.flatMap(plate => plate.pieces).filter(item => own.has(item.piece))).toEqual([])
    // A sheet knows no bed: no cut is proposed for it.
    const cuts = proposeAllCuts(assessor.airframe(doc))
    expect([cuts.wing, cuts.horizontal, cuts.vertical]).toEqual([[], [], []])
  })
  it('outlines at full size: the plan of a flat one; a folded one as wide as its section goes round', () => {
    const parts = flatParts(assessor.airframe(doc), whole)
    const tail = parts.find(part => part.id === 'sheet-horizontal-1-starboard')!,
      { horizontal } = assessor.airframe(doc).surfaces
    expect(tail.thicknessMm).toBe(5)
    expect(tail.heightMm).toBeCloseTo(horizontal!.span, 0)
    const of = slab({ thicknessMm: 3 }),
      { wing } = assessor.airframe(of)
    const [wide] = flatParts(assessor.airframe(of), assessor.assess(of)).filter(part =>
      part.id.startsWith('sheet-wing'),
    )
    expect(wide.count).toBe(2)
    const outline = outlineAt(wing, 100),
      last = outline.length - 2
    const girth =
      polygonPerimeter(outline) - Math.hypot(outline[0] - outline[last], outline[1] - outline[last + 1])
    expect(wide.widthMm / girth).toBeCloseTo(1, 3)
    expect(wide.heightMm).toBeCloseTo(400, 1)
    // Two notches of three by three less than the whole.
    expect(polygonArea(wide.loops[0]).area).toBeCloseTo(girth * 400 - 2 * 4.5, -1)
  })
  it('the build cuts, lays the spar, folds, and only then hangs a control or sets the wing', () => {
    const { steps } = buildOrder(assessor.airframe(doc))
    const at = (id: RegExp) => {
      const found = steps.findIndex(step => id.test(step.id))
      expect(found, `${id}`).toBeGreaterThanOrEqual(0)
      return found
    }
    const fold = at(/^fold\.wing\.starboard/)
    for (const first of [/^weigh\.starboard/, /^lead\..*starboard/, /^halves/])
      expect(fold).toBeGreaterThan(at(first))
    // The tube from tip to tip is tried dry and laid where the halves meet, before either is shut.
    expect(steps[at(/^dry\.joiner/)].brings).toContain('main-spar')
    for (const then of [/^hinge\.wing\..*starboard/, /^set-wing/]) expect(fold).toBeLessThan(at(then))
    expect(steps.some(step => step.id.startsWith('fold.horizontal'))).toBe(false)
  })
  it('what it cannot be is said: flat in a part, thicker than its section, a body', () => {
    expect(codes(doc)).not.toContain('sheet-flat-in-part')
    const part = changed(doc, draft => {
      draft.zones.find(zone => zone.id === 'wing-outer')!.sheet!.make = 'flat'
    })
    expect(codes(part)).toContain('sheet-flat-in-part')
    expect(codes(slab({ thicknessMm: 15 }, { rootAerofoil: 'naca4409' }))).toContain('sheet-thick')
    const body = changed(doc, draft => {
      draft.zones.find(zone => zone.id === draft.body!.stations[1].zone)!.sheet = {
        ...doc.zones.find(zone => zone.sheet)!.sheet!,
      }
    })
    expect(codes(body)).toContain('sheet-in-body')
    expect(assessor.assess(body).totals.printedG).toBeCloseTo(whole.totals.printedG, 9)
    const gone = changed(doc, draft => {
      for (const zone of draft.zones) if (zone.sheet) zone.sheet.foam = 'gone'
    })
    expect(assessor.airframe(gone).missing.map(item => item.used)).toContain(xps.name)
  })
  it('schools side by side say what it would be; taken back, the wing is printed as before', () => {
    const shell = sheeted(draft => {
      for (const zone of draft.zones) zone.sheet = null
    })
    const rows = compareSchools(assessor, LIBRARIES, shell, 'wing-inner', 'pla')
    const row = rows.find(item => item.school === 'sheet')!
    const taken = assessor.assess({
      ...shell,
      zones: shell.zones.map(zone => (zone.id === row.zone.id ? row.zone : zone)),
    })
    expect(taken.totals.massG).toBeCloseTo(row.flyingMassG, 9)
    expect(row.hours).toBe(0)
    for (const other of compareSchools(assessor, LIBRARIES, doc, 'wing-inner', 'pla').slice(1))
      expect(other.zone.sheet).toBeNull()
  })
  it('a study of what is printed beside it tells what an assessment does', async () => {
    const vary = readVary({
      zones: { nose: [{}, { filament: 'petg' }] },
      spars: { 'main-spar': ['tube-8x6', 'tube-10x8'] },
    })
    const { checked } = await study(createStudyKernel(), doc, vary, () => true)
    expect(checked.points).toBeGreaterThan(0)
    expect(checked.worst).toBeLessThan(1e-3)
  })
})

it('a project of before knows of no sheet, and one with sheets comes back as it went', () => {
  const old = JSON.parse(JSON.stringify(doc)) as { version: number; zones: Array<{ sheet?: unknown }> }
  old.version = 16
  for (const zone of old.zones) delete zone.sheet
  const read = readProject(JSON.stringify(old))
  expect(read.zones.every(zone => zone.sheet === null)).toBe(true)
  expect({ ...read, zones: [] }).toEqual({ ...doc, zones: [] })
  expect(readProject(JSON.stringify(doc))).toEqual(doc)
})
