/** An aircraft with a wing of ribs under film, as a whole: what it weighs, bears, wants and how it changes. */
import { describe, expect, it } from 'vitest'
import { coveredStretches, sharedAssessor } from '../assess'
import type { ProjectFile } from '../document'
import { LIBRARIES, recipeById, USUAL_RIBS } from '../libraries'
import { outlineAt, polygonArea, polygonPerimeter } from '../geometry'
import { changed } from '../testing/changed'
import { edgeSpar, ribbed } from '../testing/ribbed'
import { DEEP } from '../testing/runs'
import { sweep, sweptPaths } from '../testing/sweeps'
import { filmEdges } from '../workshop/spine'
import { createStudyKernel, readVary, study } from '../study/combinations'
import { compareSchools, proposeAllCuts } from '../workshop/advice'
import { readiness } from '../workshop/readiness'
import { hardwareList, buildOrder } from '../workshop/build'

const assessor = sharedAssessor()
const doc = ribbed()
const whole = assessor.assess(doc)
const codes = (of: ProjectFile) => assessor.assess(of).findings.map(finding => finding.code)

describe('what it weighs', () => {
  it('a rib weighs its section by its thickness, laid solid', () => {
    // Ordinary filament, so that no foam comes into it; beads side by side fill a section but for its corners.
    const plain = ribbed(draft => {
      for (const zone of draft.zones)
        if (zone.ribs) Object.assign(zone, { filament: 'pla', recipe: { ...recipeById('beads', pla) } })
    })
    const { pieces } = assessor.airframe(plain)
    const rows = new Map(assessor.assess(plain).pieces.map(row => [row.id, row]))
    const ribs = pieces.filter(piece => piece.ribOf !== null && piece.side === 'starboard')
    expect(ribs.length).toBeGreaterThan(10)
    for (const rib of ribs.slice(0, -1)) {
      const area = rib
        .sectionAt((rib.from + rib.to) / 2)
        .reduce((sum, loop) => sum + polygonArea(loop).area, 0)
      // Layers are whole: the last of them ends above the drawn thickness or at it.
      const layers = rows.get(rib.id)!.layers * rib.zone.recipe.layerHeightMm
      expect(Math.abs(layers - USUAL_RIBS.thicknessMm)).toBeLessThan(rib.zone.recipe.layerHeightMm)
      const solid = area * USUAL_RIBS.thicknessMm * pla.density * 1e-6
      const share = rows.get(rib.id)!.predictedG / solid
      expect(share, rib.id).toBeGreaterThan(0.85)
      expect(share, rib.id).toBeLessThan(1.06)
    }
  })
  it('film is the girth along the span on both sides, with eight hundredths for laps', () => {
    // The inner panel alone: even chord, no control.
    const inner = changed(doc, draft => {
      draft.wing.controls = []
      draft.wing.panels = [
        {
          ...draft.wing.panels[0],
          tipChordMm: draft.wing.rootChordMm,
          sweepMm: 0,
          tipTwistDeg: 0,
          tipAerofoil: draft.wing.rootAerofoil,
        },
      ]
      draft.spars = draft.spars.filter(spar => spar.surface !== 'wing')
    })
    const { wing } = assessor.airframe(inner)
    const girth = polygonPerimeter(outlineAt(wing, 50)) * 1e-3
    const [film] = LIBRARIES.films
    const wanted = girth * wing.span * 1e-3 * 1.08 * film.arealMass * 1000
    const rows = assessor.assess(inner).ledger.filter(row => row.group === 'film')
    expect(rows).toHaveLength(2)
    for (const row of rows) {
      expect(row.massG / wanted).toBeCloseTo(1, 3)
      expect(Math.abs(row.yMm)).toBeCloseTo(wing.span / 2, 0)
    }
    expect(rows[0].yMm).toBeCloseTo(-rows[1].yMm, 9)
  })
  it('film ends before a control, which is printed whole', () => {
    const bare = changed(doc, draft => {
      draft.wing.controls = []
    })
    const areaOf = (of: ProjectFile) =>
      coveredStretches(assessor.airframe(of)).reduce((sum, item) => sum + item.area, 0)
    const { wing } = assessor.airframe(doc)
    const [aileron] = doc.wing.controls
    // Both faces behind the hinge line, both sides; the chord there is the wing's own at the middle of it.
    const s = ((aileron.fromShare + aileron.toShare) / 2) * wing.span
    const outline = outlineAt(wing, s)
    const chord =
      Math.max(...outline.filter((_, i) => i % 2 === 0)) - Math.min(...outline.filter((_, i) => i % 2 === 0))
    const length = (aileron.toShare - aileron.fromShare) * wing.span
    const lost = 2 * 2 * length * aileron.chordShare * chord * 1e-6
    expect((areaOf(bare) - areaOf(doc)) / lost).toBeCloseTo(1, 1)
    const moving = assessor
      .airframe(doc)
      .pieces.filter(piece => piece.kind === 'moving' && piece.part === 'wing')
    expect(moving.length).toBeGreaterThan(0)
    for (const piece of moving)
      expect(piece.zone.recipe.school).toBe(doc.zones.find(zone => zone.id === piece.zone.id)!.recipe.school)
  })
  it('is lighter than the same wing as a shell, and no piece of it is lost on the way', () => {
    const shell = changed(doc, draft => {
      for (const zone of draft.zones) zone.ribs = null
    })
    expect(whole.totals.massG).toBeLessThan(assessor.assess(shell).totals.massG)
    const sum = whole.ledger.reduce((all, row) => all + row.massG, 0)
    expect(sum).toBeCloseTo(whole.totals.massG, 6)
  })
})

const pla = LIBRARIES.filaments.find(item => item.id === 'pla')!

describe('what is said of it', () => {
  it('nothing stops its build', () => {
    expect(whole.findings.filter(finding => finding.severity === 'stop')).toEqual([])
    expect(whole.findings.map(finding => finding.code)).not.toContain('ribs-no-edge')
  })
  it('edges that are missing, ahead and behind, also before a control', () => {
    const without = (...ids: string[]) =>
      assessor
        .assess(changed(doc, draft => (draft.spars = draft.spars.filter(spar => !ids.includes(spar.id)))))
        .findings.filter(finding => finding.code === 'ribs-no-edge')
        .reduce<Record<string, number>>((sum, { where, value }) => {
          const edge = JSON.stringify(where).match(/leading|trailing/)![0]
          return { ...sum, [edge]: (sum[edge] ?? 0) + value }
        }, {})
    const { span } = assessor.airframe(doc).wing
    expect(without('leading-edge')).toEqual({ leading: span })
    const [aileron] = doc.wing.controls
    const along = (aileron.toShare - aileron.fromShare) * span
    // Looked for at 24 places of either panel.
    expect(Math.abs(without('hinge-edge').trailing - along)).toBeLessThan(span / 24)
    expect(Math.abs(without('trailing-edge').trailing - (span - along))).toBeLessThan(span / 24)
  })
  it('ribs further apart than half of the chord, an iron hotter than the plastic, a film nobody has', () => {
    const far = ribbed(() => {}, { ...USUAL_RIBS, pitchMm: 120 })
    expect(codes(far)).toContain('ribs-far')
    expect(codes(doc)).not.toContain('ribs-far')
    // Both panels have the same film on the same plastic: told once.
    expect(codes(doc).filter(code => code === 'film-hot')).toHaveLength(1)
    expect(codes(ribbed(() => {}, { ...USUAL_RIBS, film: 'film-hall' }))).not.toContain('film-hot')
    // Foaming filament lays one rib a plate; ordinary lays a bed full.
    expect(codes(doc)).toContain('ribs-alone')
    expect(codes(ribbed(draft => draft.zones.forEach(zone => (zone.filament = 'pla'))))).not.toContain(
      'ribs-alone',
    )
    expect(codes(ribbed(() => {}, { ...USUAL_RIBS, film: 'none' }))).toContain('unknown-material')
  })
  it('a body in a zone of ribs stays a shell, and it is said', () => {
    const body = changed(doc, draft => {
      draft.zones.find(zone => zone.id === draft.body!.stations[0].zone)!.ribs = USUAL_RIBS
    })
    expect(codes(body)).toContain('ribs-in-body')
    expect(assessor.assess(body).totals.massG).toBeCloseTo(whole.totals.massG, 9)
  })
})

it('a bare wing in four cuts and two zones is told once an edge', () => {
  const many = changed(doc, draft => {
    draft.spars = draft.spars.filter(spar => !spar.id.endsWith('-edge'))
    draft.cuts.wing = [150, 300, 450].map((atMm, i) => ({
      piece: i + 2,
      atMm,
      joint: { kind: 'butt', toleranceMm: 0.1 },
    }))
  })
  const { findings } = assessor.assess(many)
  const edges = findings.filter(finding => finding.code === 'ribs-no-edge')
  expect(edges).toHaveLength(2)
  const { span } = assessor.airframe(many).wing
  for (const { value } of edges) expect(value).toBeCloseTo(span, 6)
})

describe('what is made for it', () => {
  it('edges are laid where there are none, covered by every rib that they reach, and then nothing lacks', () => {
    const bare = changed(doc, draft => {
      draft.spars = draft.spars.filter(spar => !spar.id.endsWith('-edge'))
    })
    expect(codes(bare)).toContain('ribs-no-edge')
    const laid = filmEdges(assessor.airframe(bare), LIBRARIES)
    // Straight from one break of the plan to the next: two panels, and the aileron hangs on both.
    expect(laid.map(spar => spar.name.replace(/,.*/, ''))).toEqual([
      'Leading edge',
      'Trailing edge',
      'Leading edge',
      'Trailing edge',
      'Before Ailerons',
    ])
    const with_ = changed(bare, draft => {
      draft.spars.push(...structuredClone(laid))
    })
    const { findings, spars } = assessor.assess(with_)
    for (const spar of laid) expect(spars.find(item => item.id === spar.id)!.worstMm).toBeGreaterThan(0.5)
    const left = findings.filter(finding => finding.code === 'ribs-no-edge')
    for (const finding of left) expect(finding.value).toBeLessThan(60)
    expect(filmEdges(assessor.airframe(with_), LIBRARIES)).toEqual([])
  })
  it('no trailing edge where a control takes all of a panel, but one before it; none beside one that lies there', () => {
    const edgesOf = (change: (draft: ProjectFile) => void) =>
      filmEdges(assessor.airframe(ribbed(change)), LIBRARIES).map(spar => [
        spar.name.replace(/,.*/, ''),
        Math.round(spar.fromMm),
      ])
    const bare = (draft: ProjectFile) => {
      draft.spars = draft.spars.filter(spar => !spar.id.endsWith('-edge'))
      draft.wing.controls[0].fromShare = draft.wing.panels[0].spanMm / 600
      draft.wing.controls[0].toShare = 1
    }
    const outer = doc.wing.panels[0].spanMm
    const laid = edgesOf(bare)
    expect(laid.filter(([name]) => name === 'Trailing edge')).toEqual([['Trailing edge', 0]])
    expect(laid.filter(([name]) => name === 'Leading edge')).toEqual([
      ['Leading edge', 0],
      ['Leading edge', outer],
    ])
    expect(laid.filter(([name]) => String(name).startsWith('Before'))).toHaveLength(1)
    // One that lies there over the inner panel alone.
    const inner = edgesOf(draft => {
      bare(draft)
      draft.spars.push(edgeSpar('nose', 'rod-3', 0.05, outer))
    })
    expect(inner.filter(([name]) => name === 'Leading edge')).toEqual([['Leading edge', outer]])
  })
  it('the ribs of a half are threaded at once, in their order, each fixed to the next', () => {
    const { steps } = buildOrder(assessor.airframe(doc))
    for (const side of ['starboard', 'port']) {
      const ids = assessor
        .airframe(doc)
        .pieces.filter(piece => piece.ribOf !== null && piece.side === side)
        .map(piece => piece.id)
      const [thread, ...others] = steps.filter(
        step => step.kind === 'join' && step.touches.some(id => ids.includes(id)),
      )
      expect(others).toEqual([])
      expect(thread.touches).toEqual(ids)
      expect(thread.joins).toEqual(ids.slice(1).map((id, i) => [ids[i], id]))
      // It comes in from its own side.
      expect(Math.sign(thread.from[1])).toBe(side === 'port' ? -1 : 1)
      const cover = steps.find(step => step.id === `cover.wing.${side}`)!
      expect(cover.touches).toEqual(ids)
      expect(steps.indexOf(cover)).toBeGreaterThan(steps.indexOf(thread))
    }
  })
  it('film stands in the list of what to have, by area and mass, once a kind', () => {
    const rows = hardwareList(assessor.airframe(doc), whole, buildOrder(assessor.airframe(doc)))
    const [film] = LIBRARIES.films
    const row = rows.filter(item => item.name === film.name)
    expect(row).toHaveLength(1)
    const ledger = whole.ledger
      .filter(item => item.group === 'film')
      .reduce((sum, item) => sum + item.massG, 0)
    expect(row[0].grams).toBeCloseTo(ledger, 6)
  })
  it('the iron is warned of where film is ironed, solvent where it is stuck', () => {
    const caution = (film: string) =>
      buildOrder(assessor.airframe(ribbed(() => {}, { ...USUAL_RIBS, film })))
        .steps.filter(step => step.id.startsWith('cover.'))
        .map(step => JSON.stringify(step.cautions))
    expect(caution('film-iron')).toHaveLength(2)
    for (const text of caution('film-iron')) expect(text).toMatch(/iron/)
    for (const text of caution('tissue-dope')) expect(text).toMatch(/solvent/)
  })
  it('schools side by side have ribs for a wing that has none, and shells for one that has', () => {
    const [thistledown] = [changed(doc, draft => draft.zones.forEach(zone => (zone.ribs = null)))]
    const zone = doc.wing.panels[0].zone
    const rows = (of: ProjectFile) =>
      compareSchools(assessor, LIBRARIES, of, zone, 'pla').map(row => row.school)
    expect(rows(thistledown)).toContain('ribs')
    const own = rows(doc)
    expect(own[0]).toBe('ribs')
    expect(own.slice(1)).not.toContain('ribs')
    expect(compareSchools(assessor, LIBRARIES, doc, zone, 'pla').at(-1)!.zone.ribs).toBeNull()
  })
})

describe('on the way to the field', () => {
  it('film is looked over every day, and after a landing where it is what gives first', () => {
    const asked = (of: ProjectFile) => readiness(of, assessor.assess(of)).items.map(item => item.id)
    expect(asked(doc)).toContain('film')
    expect(asked(changed(doc, draft => draft.zones.forEach(zone => (zone.ribs = null))))).not.toContain(
      'film',
    )
  })
  it('only what is a shell is cut for the bed', () => {
    expect(proposeAllCuts(assessor.airframe(doc)).wing).toEqual([])
    const outer = changed(doc, draft => {
      draft.zones.find(zone => zone.id === draft.wing.panels[1].zone)!.ribs = null
    })
    const [inner] = doc.wing.panels
    const cuts = proposeAllCuts(assessor.airframe(outer)).wing.map(cut => cut.atMm)
    expect(cuts[0]).toBe(inner.spanMm)
    // The rest of the half wing is longer than the bed is high.
    expect(cuts.length).toBeGreaterThan(1)
  })
  it('where ribs meet a shell without a cut they are two things, and all of the span is made', () => {
    const outer = changed(doc, draft => {
      draft.zones.find(zone => zone.id === draft.wing.panels[1].zone)!.ribs = null
    })
    const { pieces, wing } = assessor.airframe(outer)
    const fixed = pieces.filter(
      piece => piece.part === 'wing' && piece.kind === 'fixed' && piece.side === 'starboard',
    )
    const [edge] = [outer.wing.panels[0].spanMm]
    const shells = fixed.filter(piece => piece.ribOf === null)
    expect(shells.map(piece => [piece.from, piece.to])).toEqual([[edge, wing.span]])
    expect(Math.max(...fixed.filter(piece => piece.ribOf !== null).map(piece => piece.to))).toBeCloseTo(
      edge,
      9,
    )
    expect(new Set(fixed.map(piece => piece.id)).size).toBe(fixed.length)
    expect(coveredStretches(assessor.airframe(outer)).every(item => item.to <= edge + 1e-9)).toBe(true)
  })
  it.runIf(DEEP)('a study of it tells what an assessment of each of its points does', async () => {
    const vary = readVary({
      zones: { 'wing-inner': [{}, { filament: 'pla' }] },
      spars: { 'main-spar': ['tube-8x6', 'tube-10x8'] },
    })
    const { checked } = await study(createStudyKernel(), doc, vary, () => true)
    expect(checked.points).toBeGreaterThan(0)
    expect(checked.worst).toBeLessThan(1e-3)
  })
})

describe('how it changes', () => {
  it('more of what bears is never weaker: thicker ribs, closer ones, a stiffer film, a longer spar', () => {
    const reserve = (ribs: Partial<typeof USUAL_RIBS>) =>
      assessor.assess(ribbed(() => {}, { ...USUAL_RIBS, ...ribs })).strength.wing.reserve
    const never = (values: readonly number[]) =>
      values.slice(1).forEach((value, i) => expect(value).toBeGreaterThan(values[i] - 0.02))
    never((DEEP ? [0.8, 1.2, 1.6, 2.4, 3.2] : [0.8, 1.6, 3.2]).map(thicknessMm => reserve({ thicknessMm })))
    const twist = (film: string) =>
      assessor.assess(ribbed(() => {}, { ...USUAL_RIBS, film })).strength.twist.flutterMs!
    // By modulus times thickness: 57.6, 89.6 and 7 kN/m.
    expect(twist('film-iron')).toBeGreaterThan(twist('film-iron-light'))
    expect(twist('film-iron-light')).toBeGreaterThan(twist('film-hall'))
  })
  it.runIf(DEEP)(
    'no figure of its wing makes a verdict jump but where a rib, a hole or an edge comes or goes',
    () => {
      const paths = sweptPaths(doc).filter(path =>
        /\.ribs\.|^spars\.|^wing\.(xMm|rootChordMm|panels\.0\.spanMm)$/.test(path),
      )
      const found = paths
        .flatMap(path => sweep(next => assessor.assess(next), doc, path, 100))
        .filter(jump => !/pitchMm|rimMm/.test(jump.path))
      expect(found.map(({ path, wing, from, to, at }) => `${path} at ${at}: ${wing} ${from} ${to}`)).toEqual(
        [],
      )
    },
    1_800_000,
  )
})
