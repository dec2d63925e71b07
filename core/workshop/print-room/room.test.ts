import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { sharedAssessor } from '../../assess'
import { DEMOS } from '../../demo'
import { checkProject, FAULTS, type ProjectFile } from '../../document'
import { LIBRARIES } from '../../libraries'
import { aircraft } from '../../testing/arbitraries'
import { runs } from '../../testing/runs'
import { nextStart, within } from './day-hours'
import { faultRemedies } from './faults'
import { firstPieceState, isPrinted, releases } from './first-pieces'
import { hoursAfter, momentAt, planRoom } from './plan'
import { scaleLine, Settling } from './scale-line'
import { shelfOf } from './spools'
import { changed as changedBy } from '../../testing/changed'

const [thistledown] = DEMOS
const assessor = sharedAssessor()
const plan = (doc: ProjectFile, now = '2026-11-26T18:30') =>
  planRoom(doc, assessor.airframe(doc), assessor.assess(doc), now)
const changed = (change: (draft: ProjectFile) => void, doc: ProjectFile = thistledown): ProjectFile =>
  changedBy(doc, change)
const always = { fromH: 0, toH: 24 }

describe('hours of the day', () => {
  it('a window may run past midnight; one with equal ends is all day', () => {
    const night = { fromH: 22, toH: 6 }
    for (const t of [22, 23.9, 24, 29.9, 46, -1]) expect(within(night, t), `${t}`).toBe(true)
    for (const t of [6, 12, 21.9, 30]) expect(within(night, t), `${t}`).toBe(false)
    expect(within({ fromH: 8, toH: 8 }, 3)).toBe(true)
  })
  it('begins when somebody is there and all of it fits into one stretch, by hand', () => {
    const day = { fromH: 7, toH: 23 }
    // At half past six in the evening: at once, and at one in the night not before seven.
    expect(nextStart(18.5, 2, always, day)).toBe(18.5)
    expect(nextStart(25, 2, always, day)).toBe(31)
    // A printer that rests from 22 to 6: four hours from seven do, at nine they no longer fit.
    expect(nextStart(17, 4, { fromH: 6, toH: 22 }, day)).toBe(17)
    expect(nextStart(19, 4, { fromH: 6, toH: 22 }, day)).toBe(31)
    // Longer than any stretch: never.
    expect(nextStart(10, 17, { fromH: 6, toH: 22 }, day)).toBeNull()
    // One plate more in the night: begun at ten to eleven, it runs till it is done.
    expect(nextStart(22.8, 9, always, day)).toBe(22.8)
  })
  it('is never before it is asked for, never outside its windows, and never skips an earlier chance', () => {
    const hour = fc.integer({ min: 0, max: 24 })
    fc.assert(
      fc.property(
        hour,
        hour,
        hour,
        hour,
        fc.integer({ min: 0, max: 60 }),
        fc.integer({ min: 1, max: 20 }),
        (a, b, c, d, t, hours) => {
          const runsAt = { fromH: a, toH: b },
            tended = { fromH: c, toH: d }
          const fits = (at: number) => {
            if (!within(tended, at + 1e-6)) return false
            for (let k = 0; k < hours; k++)
              if (!within(runsAt, at + k + 1e-6) || !within(runsAt, at + k + 1 - 1e-6)) return false
            return true
          }
          const found = nextStart(t, hours, runsAt, tended)
          // Whole hours: the first that fits, looked for one by one.
          let first: number | null = null
          for (let at = t; at < t + 24 * 10 && first === null; at++) if (fits(at)) first = at
          expect(found).toBe(first)
        },
      ),
      { numRuns: 300 },
    )
  })
  it('moments and hours are each other’s inverse, over the end of a month', () => {
    expect(hoursAfter('2026-11-30T00:00', '2026-12-01T06:30')).toBe(30.5)
    expect(momentAt('2026-11-30T00:00', 30.5)).toBe('2026-12-01T06:30')
  })
})

describe('the plan of the room', () => {
  it('every piece that is not printed stands on exactly one plate, none twice, whatever the aircraft', () => {
    fc.assert(
      fc.property(aircraft, drawn => {
        const doc = { ...drawn, plates: [], accepted: [] }
        const { pieces } = assessor.assess(doc)
        const { plates } = plan(doc)
        const on = plates.flatMap(plate => plate.pieces.map(item => item.piece))
        expect(new Set(on).size).toBe(on.length)
        expect([...on].sort()).toEqual(
          pieces
            .filter(piece => piece.printer !== null && !isPrinted(doc, piece))
            .map(piece => piece.id)
            .sort(),
        )
        // No two plates of a printer at once, and each begins when somebody is there.
        for (const printer of doc.printers) {
          const own = plates
            .filter(plate => plate.printer === printer.id && plate.begins !== null)
            .sort((a, b) => a.begins! - b.begins!)
          own.forEach((plate, i) => {
            expect(within(printer.tended, plate.begins! + 1e-6)).toBe(true)
            if (i > 0) expect(plate.begins!).toBeGreaterThanOrEqual(own[i - 1].ends! - 1e-9)
          })
        }
      }),
      { numRuns: runs(100, 2) },
    )
  })
  it('what failed waits again, what is done does not, and a redesigned piece is to be printed anew', () => {
    const waiting = (doc: ProjectFile) =>
      plan(doc)
        .plates.filter(plate => plate.state === 'waiting')
        .flatMap(plate => plate.pieces.map(item => item.piece))
    expect(waiting(thistledown)).toContain('wing-3-starboard')
    expect(waiting(thistledown)).not.toContain('wing-1-starboard')
    const heavier = changed(draft => {
      draft.zones.find(zone => zone.id === 'wing-inner')!.recipe.beadWidthMm = 0.6
    })
    expect(waiting(heavier)).toContain('wing-1-starboard')
  })
  it('one piece of what was never accepted goes first, the rest of its kind is held; by hand or by what it weighs it is released', () => {
    const held = (doc: ProjectFile) =>
      releases(doc, assessor.assess(doc)).find(
        item => item.zones.includes('Tail') && item.printer === 'boxed',
      )!
    const before = held(thistledown)
    expect(before.first).not.toBeNull()
    expect(before.held).not.toContain(before.first)
    expect(before.held.length).toBeGreaterThan(1)
    // It stands for the rest: at least 0.4 of the heaviest of its kind.
    const { pieces } = assessor.assess(thistledown)
    const mass = (id: string) => pieces.find(piece => piece.id === id)!.predictedG
    for (const id of before.held) expect(mass(before.first!)).toBeGreaterThanOrEqual(0.4 * mass(id) - 1e-9)
    const released = changed(draft => {
      draft.accepted.push({
        ...draft.accepted[0],
        printer: 'boxed',
        recipe: draft.zones.find(zone => zone.id === 'tail')!.recipe,
        byHand: true,
        note: 'seen before',
      })
    })
    expect(held(released)).toMatchObject({ first: null, held: [] })
    // The wing's recipe was accepted: a brim more, and the other zone of the same recipe, changes nothing.
    const wing = (doc: ProjectFile) =>
      releases(doc, assessor.assess(doc)).find(item => item.zones.includes('Outer wing'))!
    expect(wing(thistledown)).toMatchObject({ first: null, zones: ['Inner wing', 'Outer wing'] })
    // Other webs are another recipe, and want a first piece of their own.
    const rewebbed = changed(draft => {
      draft.zones.find(zone => zone.id === 'wing-outer')!.recipe.lattice!.pitchMm = 50
    })
    expect(wing(rewebbed).first).not.toBeNull()
    const piece = pieces.find(item => item.id === 'wing-1-starboard')!
    expect(firstPieceState(thistledown, piece)).toMatchObject({ checked: true, good: true })
    expect(
      firstPieceState(
        changed(draft => {
          draft.fileChecks[0].verdict = 'sent-back'
        }),
        piece,
      ).good,
    ).toBe(false)
  })
  it('a plate that is moved keeps its hour and its printer; longer than its printer may run it never begins', () => {
    const first = plan(thistledown).plates.find(plate => plate.state === 'waiting' && plate.heldBy === null)!
    const moved = changed(draft => {
      draft.plates.push({
        id: first.id,
        printer: 'boxed',
        pieces: first.pieces,
        state: 'waiting',
        notBefore: '2026-11-28T12:15',
        begun: null,
        ended: null,
        spool: null,
        gramsOff: 0,
        fault: null,
      })
    })
    const found = plan(moved).plates.find(plate => plate.id === first.id)!
    expect(found.printer).toBe('boxed')
    expect(found.begins).toBeGreaterThanOrEqual(60.25)
    const short = changed(draft => {
      for (const printer of draft.printers) printer.runs = { fromH: 8, toH: 9 }
    })
    const never = plan(short)
    expect(never.doneAt).toBeNull()
    expect(
      never.plates
        .filter(plate => plate.state === 'waiting' && plate.hours > 1)
        .every(plate => plate.begins === null),
    ).toBe(true)
  })
  it('without anybody there at night it is done no sooner', () => {
    for (const doc of DEMOS) {
      const { doneAt, doneTendedAt } = plan(doc)
      if (doneTendedAt !== null) expect(doneTendedAt).toBeGreaterThanOrEqual(doneAt! - 1e-9)
    }
  })
})

describe('the shelf', () => {
  it('grams are neither made nor lost: what plates take is what spools lose and what is to buy', () => {
    for (const left of [5, 40, 120, 610]) {
      const doc = changed(draft => {
        draft.spools = [{ ...draft.spools[0], massG: left }, draft.spools[2]]
        for (const printer of draft.printers) printer.spool = null
      })
      const { plates } = plan(doc)
      const shelf = shelfOf(doc, plates, LIBRARIES.filaments)
      const wanted = plates
        .filter(plate => plate.state === 'waiting')
        .reduce((sum, plate) => sum + plate.gramsOff, 0)
      const taken = shelf.spools.reduce(
        (sum, use) => sum + use.leftG - (use.after.at(-1)?.leftG ?? use.leftG),
        0,
      )
      const bought = shelf.buy.reduce((sum, item) => sum + item.grams, 0)
      expect(taken + bought).toBeCloseTo(wanted, 6)
      const foam = shelf.spools[0]
      // It runs dry exactly where the plates before it no longer leave enough.
      if (foam.dryOn) expect(foam.after.find(item => item.plate === foam.dryOn!.plate)!.leftG).toBe(0)
      else expect(bought).toBeCloseTo(0, 6)
    }
  })
  it('what failures wasted is what came off the spools for them, at what the filament costs', () => {
    const { plates } = plan(thistledown)
    const shelf = shelfOf(thistledown, plates, LIBRARIES.filaments)
    expect(shelf.wastedG).toBeCloseTo(9.1, 9)
    // 46 a kilogram.
    expect(shelf.wastedCost).toBeCloseTo(0.0091 * 46, 6)
  })
})

it('every fault has a remedy, and what it changes is still a project', () => {
  for (const zone of thistledown.zones)
    for (const why of FAULTS) {
      const remedies = faultRemedies(thistledown, zone, 'tall', why)
      expect(remedies.length, why).toBeGreaterThan(0)
      for (const { change } of remedies)
        if (change) {
          const next = checkProject(JSON.parse(JSON.stringify({ ...thistledown, ...change })))
          expect(next).not.toEqual(thistledown)
        }
    }
})

describe('what a scale sends', () => {
  it('is read by its pattern, blanks and commas as they come; anything else is none', () => {
    expect(scaleLine('ST,GS,{g}g', 'ST,GS,+   22.41 g')).toBe(22.41)
    expect(scaleLine('{g} g', '  -3,5 g')).toBe(-3.5)
    expect(scaleLine('{g}', '0.0')).toBe(0)
    for (const line of [
      'US,GS,+ 22.4 g',
      'ST,GS,22.4 kg',
      'ST,GS,OL g',
      '',
      'ST,GS,1e9g',
      `ST,GS,${'1'.repeat(400)}g`,
    ])
      expect(scaleLine('ST,GS,{g}g', line), line).toBeNull()
    expect(scaleLine('no figure', '22.4')).toBeNull()
  })
  it('has settled once it lies still for a while, to the mean of what it showed', () => {
    const still = new Settling()
    const seen: Array<number | null> = []
    for (let i = 0; i <= 45; i++) {
      const t = i / 10
      seen.push(still.add(t, 20 * (1 - Math.exp(-t / 0.35)) + 0.02 * Math.sin(40 * t)))
    }
    expect(seen.slice(0, 15).every(value => value === null)).toBe(true)
    expect(seen.at(-1)).toBeCloseTo(20, 1)
  })
})
