/** Wheels printed and bought again: what they weigh, give and ask of the maker. */
import { describe, expect, it } from 'vitest'
import { sharedAssessor } from '../assess'
import { DEMOS } from '../demo'
import { checkProject, type ProjectFile } from '../document'
import { LIBRARIES } from '../libraries'
import { changed } from '../testing/changed'
import { runs } from '../testing/runs'
import { WIRE_LEG } from '../testing/wire-leg'
import { buildOrder } from '../workshop/build'
import { wheelMade, withWheel, type WheelMade } from './printed-wheel'

const assessor = sharedAssessor()
const [thistledown] = DEMOS
const bought = changed(thistledown, draft => {
  draft.gear = [{ ...WIRE_LEG }]
  draft.brief.landing = 'wheels'
})
const made = (how: WheelMade, doc: ProjectFile = bought): ProjectFile =>
  checkProject({ ...doc, ...withWheel(doc, 'main', how) })
const wheels = (doc: ProjectFile) => assessor.assess(doc).pieces.filter(piece => piece.kind === 'wheel')

describe('a wheel', () => {
  it('printed brings zones for rim and tyre, bought again takes them away', () => {
    const tyred = made('tyred')
    expect(wheelMade(tyred.gear[0])).toBe('tyred')
    expect(tyred.zones.map(zone => zone.id)).toEqual([
      ...bought.zones.map(zone => zone.id),
      'wheels',
      'tyres',
    ])
    expect(LIBRARIES.filaments.find(item => item.id === tyred.zones.at(-1)!.filament)!.family).toBe(
      'flexible',
    )
    expect(made('whole', tyred).zones.map(zone => zone.id)).not.toContain('tyres')
    expect(made('bought', tyred).zones).toEqual(bought.zones)
    // Full of zones already, it is of the leg's own.
    const full = changed(bought, draft => {
      while (draft.zones.length < 16)
        draft.zones.push({ ...draft.zones[0], id: `more-${draft.zones.length}`, name: 'More' })
    })
    expect(made('tyred', full).gear[0].printedWheel).toMatchObject({ zone: 'body', tyre: 'body' })
  })
  it('weighs what its pieces weigh, on its axle, on either side', () => {
    const tyred = made('tyred')
    // Glue and finish go by the share of what is printed.
    const grams = (doc: ProjectFile) =>
      assessor
        .assess(doc)
        .ledger.filter(row => ['printed', 'equipment'].includes(row.group))
        .reduce((sum, row) => sum + row.massG, 0)
    const pieces = wheels(tyred)
    expect(pieces.map(piece => piece.id)).toEqual([
      'gear-main-rim-starboard',
      'gear-main-rim-port',
      'gear-main-tyre-starboard',
      'gear-main-tyre-port',
    ])
    const printed = pieces.reduce((sum, piece) => sum + piece.predictedG, 0)
    // Two wheels of 9 g became two axles of 2 g and what is printed.
    expect(grams(tyred) - grams(bought)).toBeCloseTo(printed - 2 * (9 - 2), 6)
    for (const piece of pieces) {
      const [x, y, z] = piece.centreMm
      expect(x).toBeCloseTo(WIRE_LEG.xMm, 3)
      expect(Math.abs(y)).toBeCloseTo(WIRE_LEG.yMm + WIRE_LEG.splayMm, 0)
      expect(z).toBeCloseTo(WIRE_LEG.zMm - WIRE_LEG.dropMm, 3)
    }
  })
  it('filled to the last is as heavy as its volume of plastic', () => {
    const solid = changed(made('whole'), draft => {
      const zone = draft.zones.find(item => item.id === 'wheels')!
      zone.recipe.infillShare = 1
      zone.recipe.walls = 4
    })
    const wheel = solid.gear[0].printedWheel!
    const radius = WIRE_LEG.wheelMm / 2,
      bore = wheel.axleMm / 2 + 0.15
    const mm3 = Math.PI * (radius ** 2 - bore ** 2) * wheel.widthMm - 2 * 0.5 * 2 * Math.PI * (radius - 1 / 3)
    const density = LIBRARIES.filaments.find(
      item => item.id === solid.zones.find(zone => zone.id === 'wheels')!.filament,
    )!.density
    expect(wheels(solid)[0].predictedG / (mm3 * 1e-6 * density)).toBeGreaterThan(0.97)
    expect(wheels(solid)[0].predictedG / (mm3 * 1e-6 * density)).toBeLessThan(1.03)
  })
  it('gives half of its printed tyre at most, and nothing without one: it lands harder, smoothly', () => {
    const factor = (doc: ProjectFile) => assessor.assess(doc).strength.gear.factor
    const thick = (mm: number) =>
      changed(made('tyred'), draft => {
        draft.gear[0].printedWheel!.thickMm = mm
      })
    expect(factor(made('whole'))).toBeGreaterThan(factor(thick(3)))
    expect(factor(thick(3))).toBeGreaterThan(factor(thick(8)))
    // From twice what the maker says that it gives, the thickness says nothing any more: as a bought one as heavy.
    const heavier = assessor.assess(thick(16)).totals.massG - assessor.assess(bought).totals.massG
    const alike = changed(bought, draft => {
      draft.gear[0].wheelG += heavier / 2
    })
    expect(factor(thick(16))).toBeCloseTo(factor(alike), 6)
    const count = runs(21, 3)
    const steps = Array.from({ length: count }, (_, i) => factor(thick(12 + (4 * i) / (count - 1))))
    for (let i = 1; i < steps.length; i++) {
      expect(steps[i]).toBeLessThanOrEqual(steps[i - 1] + 1e-9)
      expect(steps[i - 1] - steps[i]).toBeLessThan((1 / (count - 1)) * steps[0])
    }
  })
  it('of two legs of which one is named as the other begins goes with its own', () => {
    const two = changed(made('tyred'), draft => {
      draft.gear.push({ ...draft.gear[0], id: 'main-rim', name: 'Rear leg', xMm: 400 })
    })
    const touched = (id: string) =>
      buildOrder(assessor.airframe(two))
        .steps.find(item => item.id === id)!
        .touches.map(String)
    expect(touched('gear.main')).not.toContain('gear-main-rim-rim-port')
    expect(touched('gear.main-rim')).toEqual(expect.arrayContaining(['gear-main-rim-rim-port']))
    expect(touched('gear.main-rim')).not.toContain('gear-main-rim-port')
  })
  it('is put together with its leg, and its collars are on the list of what to have', () => {
    const order = buildOrder(assessor.airframe(made('tyred')))
    const step = order.steps.find(item => item.id === 'gear.main')!
    expect(step.touches).toEqual(expect.arrayContaining(wheels(made('tyred')).map(piece => piece.id)))
    expect(step.how.join(' ')).toContain('Stretch the tyre')
    expect(order.steps.filter(item => item.touches.includes('gear-main-rim-port'))).toHaveLength(1)
  })
  it('without a rim between axle and tyre is none, and of a hard filament it is told', () => {
    const told = (doc: ProjectFile) =>
      assessor.assess(doc).findings.filter(finding => finding.code.startsWith('wheel-'))
    expect(told(made('tyred'))).toEqual([])
    const thin = changed(made('tyred'), draft => {
      draft.gear[0].printedWheel!.thickMm = 23
    })
    expect(told(thin)).toMatchObject([{ code: 'wheel-rim', severity: 'stop', limit: 1.5 }])
    expect(told(thin)[0].value).toBeCloseTo(25 - 23 - 3 / 2 - 0.15, 9)
    expect(wheels(thin)).toEqual([])
    const hard = changed(made('tyred'), draft => {
      draft.zones.at(-1)!.filament = 'pla-tough'
    })
    expect(told(hard)).toMatchObject([{ code: 'wheel-hard-tyre', severity: 'warn' }])
  })
})
