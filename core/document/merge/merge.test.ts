import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { DEMOS } from '../../demo'
import { runs } from '../../testing/runs'
import { canonical, mergeCopies, partDifferences, type Copy, type ProjectFile } from '../index'

const [thistledown] = DEMOS
const copy = (): ProjectFile => structuredClone(thistledown)

/** What may happen on one copy while the other is away; each act with a number of its own. */
const ACTS: Array<(doc: ProjectFile, n: number) => void> = [
  (doc, n) => {
    doc.flights.push({
      ...doc.flights[0],
      // Both copies count on from what they know: their next flights get the same id.
      id: `flight-${doc.flights.length + 1}`,
      date: `2026-11-${10 + (n % 9)}`,
      minutes: n,
    })
  },
  (doc, n) => {
    doc.weighIns.push({
      piece: `wing-${1 + (n % 3)}-port`,
      massG: 20 + n,
      predictedG: 24,
      date: '2026-11-12',
      note: '',
    })
  },
  (doc, n) => {
    const item = ['joints', 'propeller', 'field'][n % 3]
    doc.checks = [...doc.checks.filter(check => check.item !== item), { item, date: `2026-11-1${n % 5}` }]
  },
  (doc, n) => {
    doc.build.ticks = [
      ...doc.build.ticks.filter(tick => tick.step !== `weigh.wing-${n % 4}`),
      { step: `weigh.wing-${n % 4}`, state: 'done', at: `2026-11-12T10:${10 + n}`, tookMin: n },
    ]
  },
  (doc, n) => {
    doc.flights[0].behaviour = `said later, ${n}`
  },
  (doc, n) => {
    doc.flights[1].airC = n
  },
  (doc, n) => {
    doc.wing.panels[0].spanMm += n
  },
  (doc, n) => {
    doc.zones[n % doc.zones.length].recipe.nozzleC += 1
  },
  (doc, n) => {
    doc.equipment = doc.equipment.filter((_, i) => i !== n % doc.equipment.length)
  },
  (doc, n) => {
    doc.field.packs[n % 2].tests.push({ date: '2026-11-13', capacityMah: 1100 + n, resistanceMohm: null })
  },
]
const lived = fc.array(fc.tuple(fc.nat(ACTS.length - 1), fc.nat(29)), { maxLength: 14 }).map(acts => {
  const doc = copy()
  for (const [act, n] of acts) ACTS[act](doc, n)
  return doc
})
/** What a flight says, whatever it is called. */
const told = ({ id: _, ...flight }: ProjectFile['flights'][number]) => canonical(flight)

describe('two copies that went apart', () => {
  it('no flight, weighing or check is lost, and it does not matter which copy takes in the other', () => {
    fc.assert(
      fc.property(lived, lived, fc.infiniteStream(fc.boolean()), (here, there, coins) => {
        const takes: Record<string, Copy> = {},
          turned: Record<string, Copy> = {}
        for (const { key } of partDifferences(here, there)) {
          // Equipment that zones, bays or shelves speak of comes with its copy in this test.
          const mine = coins.next().value
          takes[key] = mine ? 'here' : 'there'
          turned[key] = mine ? 'there' : 'here'
        }
        const whole = mergeCopies(here, there, takes)
        expect(mergeCopies(there, here, turned, 'there')).toEqual(whole)
        const flights = whole.flights.map(told)
        for (const doc of [here, there]) {
          for (const flight of doc.flights) {
            // Whole, or with what the other copy had filled in.
            const found =
              flights.includes(told(flight)) ||
              whole.flights.some(
                item =>
                  item.id === flight.id &&
                  item.minutes === flight.minutes &&
                  item.behaviour === flight.behaviour,
              )
            expect(found, flight.id).toBe(true)
          }
          for (const weighIn of doc.weighIns) expect(whole.weighIns).toContainEqual(weighIn)
          for (const check of doc.checks) {
            const kept = whole.checks.find(item => item.item === check.item)!
            expect(kept.date >= check.date).toBe(true)
          }
          for (const tick of doc.build.ticks)
            expect(whole.build.ticks.some(item => item.step === tick.step && item.at >= tick.at)).toBe(true)
        }
        expect(new Set(whole.flights.map(item => item.id)).size).toBe(whole.flights.length)
        // Taken in once more, nothing is doubled.
        expect(mergeCopies(whole, there, {}).flights).toEqual(whole.flights)
        expect(mergeCopies(whole, here, {}).weighIns).toEqual(whole.weighIns)
      }),
      { numRuns: runs(200, 15) },
    )
  })
  it('what the pilot wrote at home and on the phone of one flight becomes one flight', () => {
    const here = copy(),
      there = copy()
    here.flights[1] = { ...here.flights[1], behaviour: '', airC: 9 }
    there.flights[1] = { ...there.flights[1], airC: null }
    const { flights } = mergeCopies(here, there, {})
    expect(flights).toEqual(thistledown.flights)
  })
  it('differences are told by part with their figures, and taken one by one', () => {
    const there = copy()
    there.wing.panels[0].spanMm += 12
    there.zones[1].recipe.nozzleC = 251
    there.spars.pop()
    const parts = partDifferences(thistledown, there)
    expect(parts.map(part => part.key)).toEqual([
      'wing',
      `zones/${there.zones[1].id}`,
      `spars/${thistledown.spars.at(-1)!.id}`,
    ])
    expect(parts[0].differs).toEqual([
      {
        path: 'panels[0].spanMm',
        here: String(thistledown.wing.panels[0].spanMm),
        there: String(there.wing.panels[0].spanMm),
      },
    ])
    expect(parts[2].lacks).toBe('there')
    const whole = mergeCopies(thistledown, there, { wing: 'there' })
    expect(whole).toEqual({ ...thistledown, wing: there.wing })
  })
  it('parts that do not fit each other are refused with the place', () => {
    const there = copy()
    there.zones = there.zones.map(zone =>
      zone.id === there.wing.panels[0].zone ? { ...zone, id: 'other' } : zone,
    )
    there.wing.panels = there.wing.panels.map(panel => ({ ...panel, zone: 'other' }))
    expect(() => mergeCopies(thistledown, there, { wing: 'there' })).toThrow(/there is no zone "other"/)
  })
  it('a damage goes on naming the flight that it belongs to', () => {
    const here = copy(),
      there = copy()
    const damage = {
      id: 'damage-1',
      date: '2026-11-08',
      piece: 'wing-2-port',
      atMm: 300,
      how: 'crack' as const,
      way: null,
      state: 'open' as const,
      jointMm: null,
      massG: 0,
      placeMm: [0, 0, 0] as [number, number, number],
      hours: 0,
      printG: 0,
      cost: 0,
      wasG: null,
      note: '',
    }
    for (const [doc, minutes] of [
      [here, 3],
      [there, 4],
    ] as const) {
      doc.flights.push({ ...doc.flights[0], id: 'flight-3', minutes, date: '2026-11-20' })
      doc.damages.push({ ...damage, id: `damage-${minutes}`, flight: 'flight-3' })
    }
    const whole = mergeCopies(here, there, {})
    for (const { id, flight } of whole.damages)
      expect(whole.flights.find(item => item.id === flight)!.minutes).toBe(Number(id.slice(-1)))
  })
})
