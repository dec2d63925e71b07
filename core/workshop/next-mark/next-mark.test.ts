import { twoWings } from '../../testing/two-wings'
import { describe, expect, it } from 'vitest'
import { sharedAssessor } from '../../assess'
import { apply, stops } from '../../change'
import { DEMOS } from '../../demo'
import { checkProject, type Damage, type ProjectFile } from '../../document'
import { written } from '../../units'
import { actsFor, suggestions, takeMark, tryActs } from './index'

const assessor = sharedAssessor()
const [thistledown, plover] = DEMOS

describe('wishes tried on the design', () => {
  it('every act of both demos has one name, is admissible, and says what it does', () => {
    for (const demo of DEMOS) {
      const acts = actsFor(demo)
      expect(new Set(acts.map(act => act.id)).size).toBe(acts.length)
      for (const act of acts) {
        expect(() => checkProject(apply(demo, act.change)), act.id).not.toThrow()
        expect(written(act.title).length).toBeGreaterThan(5)
      }
    }
    expect(actsFor(plover).some(act => act.id.startsWith('boom'))).toBe(false)
  })
  it('a stiffer boom: what it costs elsewhere is an aircraft that balances as before', () => {
    const before = assessor.assess(thistledown)
    const tried = tryActs(assessor, thistledown, ['boom.larger'])
    expect(Math.abs(tried.marginPct)).toBeLessThan(0.35)
    expect(tried.rebalanced.length).toBeGreaterThan(0)
    const after = assessor.assess(apply(thistledown, tried.change))
    expect(after.totals.massG - before.totals.massG).toBeCloseTo(tried.massG, 9)
    expect(after.strength.reserve - before.strength.reserve).toBeCloseTo(tried.reserve, 9)
    expect(stops(after) - stops(before)).toBe(tried.stops)
    expect(tried.massG).toBeGreaterThan(0)
  })
  it('several together are what one after the other is, and hours anew are those of the pieces named', () => {
    const ids = ['dihedral.more', 'fin.larger']
    const both = tryActs(assessor, thistledown, ids)
    let doc: ProjectFile = thistledown
    for (const id of ids) doc = apply(doc, actsFor(doc).find(act => act.id === id)!.change)
    const raw = assessor.assess(doc)
    const after = assessor.assess(apply(thistledown, both.change))
    // The battery alone may stand elsewhere.
    expect(after.totals.massG).toBeCloseTo(raw.totals.massG, 6)
    const hours = after.pieces
      .filter(piece => both.anew.includes(piece.id))
      .reduce((sum, piece) => sum + piece.hours, 0)
    expect(both.hoursAnew).toBeCloseTo(hours, 9)
    expect(both.carried + both.anew.length).toBe(after.pieces.length)
    // The wing changed at its roots, the fin in its size, the body not.
    expect(both.anew.some(id => id.startsWith('body'))).toBe(both.rebalanced.length > 1)
  })
  it('a battery moved on purpose is not moved back; what is gone is said', () => {
    expect(tryActs(assessor, thistledown, ['pack.fore'])).toMatchObject({ rebalanced: [], anew: [] })
    expect(tryActs(assessor, thistledown, ['pack.fore']).marginPct).toBeGreaterThan(0)
    const odd = tryActs(assessor, plover, ['boom.larger'])
    expect(written(odd.refused[0])).toMatch(/nothing that this design has/)
    expect(odd.change).toEqual({})
  })
  it('more dihedral, or washout, goes to both of two wings: struts stand between them', () => {
    const biplane = twoWings({ upMm: 150 })
    for (const id of ['dihedral.more', 'washout.more']) {
      const { wing, second } = actsFor(biplane).find(act => act.id === id)!.change
      expect(wing!.panels).not.toEqual(biplane.wing.panels)
      expect(second!.panels).toEqual(wing!.panels)
    }
  })
  it('nothing wished changes nothing', () => {
    expect(tryActs(assessor, thistledown, [])).toMatchObject({ change: {}, massG: 0, hours: 0, anew: [] })
  })
  it('what is printed anew is weighed and built anew, the rest carries over', () => {
    const tried = tryActs(assessor, thistledown, ['fin.larger'])
    const fin = tried.anew.find(id => id.startsWith('vertical'))!
    const weigh = (piece: string) => ({ piece, massG: 10, predictedG: 10, date: '2026-10-01', note: '' })
    const doc: ProjectFile = { ...thistledown, weighIns: [weigh(fin), weigh('body-1')] }
    const next = checkProject(apply(doc, takeMark(doc, tried, ['wish-1'], [])))
    expect(next.weighIns.map(item => item.piece)).toEqual(tried.anew.includes('body-1') ? [] : ['body-1'])
    expect(next.wishes.find(wish => wish.id === 'wish-1')!.state).toBe('taken')
    expect(next.flights).toEqual(doc.flights)
  })
})

describe('what log, damage and findings suggest', () => {
  const now = assessor.assess(thistledown)
  it('words of the flights, and what broke twice at one place', () => {
    const damage = (id: string, atMm: number): Damage => ({
      id,
      date: '2026-11-08',
      piece: 'wing-2-port',
      atMm,
      how: 'crack',
      flight: null,
      way: 'glue',
      state: 'mended',
      jointMm: null,
      massG: 1,
      placeMm: [0, 0, 0],
      hours: 0,
      printG: 0,
      cost: 0,
      wasG: null,
      note: '',
    })
    const doc = { ...thistledown, damages: [damage('a', 300), damage('b', 310)] }
    const found = suggestions(doc, now, null)
    expect(found[0]).toMatchObject({ from: 'flight', act: null })
    const again = found.find(item => item.from === 'damage')!
    expect(written(again.text)).toMatch(/wing-2-port broke 2 times at 305 mm/)
    expect(actsFor(doc).some(act => act.id === again.act)).toBe(true)
    expect(
      suggestions({ ...doc, damages: [damage('a', 300)] }, now, null).some(item => item.from === 'damage'),
    ).toBe(false)
  })
})
