import { describe, expect, it } from 'vitest'
import { type WingName, sharedAssessor } from '../assess'
import { DEMOS } from '../demo'
import type { ProjectFile } from '../document'
import { changed } from '../testing/changed'
import { wingsAhead, type Known } from './ahead'
import { runs } from '../testing/runs'

const [thistledown] = DEMOS
const wingsOf = (weight: number): Known['wings'] => ({ weight, balance: 0, strength: 0, hours: 0 })
const at = (mm: number, weight: number): Known => ({
  doc: changed(thistledown, doc => {
    doc.wing.panels[1].spanMm = mm
  }),
  wings: wingsOf(weight),
})

describe('wings ahead of their answer', () => {
  it('follow a straight line exactly, back as well as forth, and say that nothing is uncertain', () => {
    const known = [at(300, 600), at(310, 605), at(320, 610)]
    for (const mm of [325, 335, 316])
      expect(wingsAhead(known, at(mm, 0).doc)!.weight).toEqual({
        value: expect.closeTo(600 + (mm - 300) / 2, 9) as number,
        error: expect.closeTo(0, 9) as number,
      })
  })
  it('miss a parabola by no more than they say, from three states', () => {
    const of = (mm: number) => 600 + (mm - 300) ** 2 / 50
    const known = [300, 310, 316].map(mm => at(mm, of(mm)))
    for (const mm of [318, 322, 330, 312]) {
      const { value, error } = wingsAhead(known, at(mm, 0).doc)!.weight
      expect(Math.abs(value - of(mm)), `${mm}`).toBeLessThanOrEqual(error)
      // And by no more than is needed: the parabola's own bend, doubled.
      expect(error).toBeLessThan(6 * Math.abs(value - of(mm)) + 1)
    }
  })
  it('with two states alone may be wrong by as much as they moved, and more', () => {
    const { value, error } = wingsAhead([at(300, 600), at(310, 604)], at(315, 0).doc)!.weight
    expect(value).toBeCloseTo(602 + 4, 9)
    expect(error).toBeGreaterThanOrEqual(2)
  })
  it('in two directions, such as a tip out and back, follow a plane exactly', () => {
    const of = (mm: number, sweep: number): Known => ({
      doc: changed(at(mm, 0).doc, doc => {
        doc.wing.panels[1].sweepMm = sweep
      }),
      wings: wingsOf(600 + mm / 2 - 2 * sweep),
    })
    const known = [of(300, 20), of(306, 21), of(311, 24)]
    for (const [mm, sweep] of [
      [314, 24.5],
      [318, 26],
      [309, 25],
    ]) {
      const { value, error } = wingsAhead(known, of(mm, sweep).doc)!.weight
      expect(value).toBeCloseTo(600 + mm / 2 - 2 * sweep, 9)
      // Nobody knows how it bends there: said to be uncertain all the same.
      expect(error).toBeGreaterThan(0)
    }
  })
  it('are not told where the way turns, something else changes, it goes too far, or one state is known', () => {
    const known = [at(300, 600), at(310, 604)]
    const turned = changed(at(310, 0).doc, doc => {
      doc.wing.panels[1].sweepMm += 5
    })
    const third = [...known, { ...known[1], doc: turned }]
    expect(
      wingsAhead(
        third,
        changed(turned, doc => void (doc.wing.xMm += 4)),
      ),
    ).toBeNull()
    const more = changed(at(315, 0).doc, doc => {
      doc.cuts.wing.pop()
    })
    for (const doc of [turned, more, at(460, 0).doc]) expect(wingsAhead(known, doc)).toBeNull()
    expect(wingsAhead(known.slice(1), at(315, 0).doc)).toBeNull()
    expect(wingsAhead([known[0], known[0]], at(315, 0).doc)).toBeNull()
  })
  it('on the demo: along its handles the exact answer lies where it was said to, count by count apart', () => {
    const assessor = sharedAssessor()
    const drags: Array<[string, number[], (doc: ProjectFile, to: number) => void]> = [
      ['span', [320, 321.5, 323, 325, 326.5, 329], (doc, to) => void (doc.wing.panels[1].spanMm = to)],
      ['battery', [100, 103, 107, 109, 114, 118], (doc, to) => void (doc.equipment[3].xMm = to)],
      ['tail', [620, 624, 627, 632, 636, 641], (doc, to) => void (doc.tail.horizontal!.xMm = to)],
    ]
    let asked = 0,
      held = 0
    for (const [name, places, move] of drags.slice(0, runs(3, 2))) {
      const states = places.map((to): Known => {
        const doc = changed(thistledown, draft => move(draft, to))
        const { verdicts } = assessor.assess(doc)
        const wings = Object.fromEntries(
          Object.entries(verdicts).map(([wing, { value }]) => [wing, value]),
        ) as Known['wings']
        return { doc, wings }
      })
      for (let i = 3; i < states.length; i++) {
        const said = wingsAhead(states.slice(0, i), states[i].doc)!
        expect(said, name).not.toBeNull()
        for (const wing of Object.keys(said) as WingName[]) {
          asked++
          // What is shown has so many digits.
          const digit = { weight: 0.5, balance: 0.05, strength: 0.005, hours: 0.05 }[wing]
          if (Math.abs(said[wing].value - states[i].wings[wing]) <= said[wing].error + digit) held++
        }
      }
    }
    expect(held / asked).toBeGreaterThan(0.9)
  })
})
