import { describe, expect, it } from 'vitest'
import { sharedAssessor } from '../../assess'
import { altitudeOf, airAt } from '../../aero'
import { DEMOS } from '../../demo'
import type { Pack, ProjectFile } from '../../document'
import { written } from '../../units'
import {
  asToday,
  changesSince,
  fieldDay,
  firstFlight,
  flownState,
  looksDue,
  packingList,
  packLife,
} from './index'
import { runs } from '../../testing/runs'

const [thistledown, plover] = DEMOS
const assessor = sharedAssessor()
const at = (doc: ProjectFile, field: Partial<ProjectFile['field']>): ProjectFile => ({
  ...doc,
  field: { ...doc.field, ...field },
})
const PACK: Pack = {
  id: 'p',
  name: 'P',
  cells: 3,
  capacityMah: 1000,
  resistanceMohm: 40,
  cyclesBefore: 3,
  tests: [],
  retired: false,
}

describe('the air of today', () => {
  it('a pressure is the height of the standard atmosphere that has it', () => {
    // ISO 2533: 898.75 hPa at 1000 m, 794.95 hPa at 2000 m (geopotential).
    expect(altitudeOf(89875)).toBeCloseTo(1000, 0)
    expect(altitudeOf(79495)).toBeCloseTo(2000, 0)
    const { density } = airAt(altitudeOf(95000), 303.15)
    // Ideal gas: p/(R T).
    expect(density).toBeCloseTo(95000 / (287.05287 * 303.15), 6)
  })
  it('hot thin air: density by the gas law, stall faster by its root', () => {
    const cold = fieldDay(assessor, at(thistledown, { airC: 0, pressureHpa: 1030, pack: null }))
    const hot = fieldDay(assessor, at(thistledown, { airC: 35, pressureHpa: 900, pack: null }))
    expect(hot.densityKgM3).toBeCloseTo(90000 / (287.05287 * 308.15), 5)
    const ratio = Math.sqrt(cold.densityKgM3 / hot.densityKgM3)
    // Sections lose a little more at the smaller Reynolds number; never the other way.
    expect(hot.stallMs / cold.stallMs).toBeGreaterThan(ratio - 1e-6)
    expect(hot.stallMs / cold.stallMs).toBeLessThan(1.03 * ratio)
  })
  it('nothing noted is the brief; a weight from the scale counts with its root', () => {
    const bare = at(thistledown, { airC: null, pressureHpa: null, windMs: null, pack: null })
    const day = fieldDay(assessor, bare)
    expect(day.densityShare).toBe(1)
    expect(day.wind).toBeNull()
    const now = assessor.assess(bare)
    expect(day.stallMs).toBeCloseTo(now.stall.speedMs, 9)
    const heavy = fieldDay(assessor, {
      ...bare,
      measured: {
        ...bare.measured,
        massG: 1.2 * now.totals.massG - (now.totals.massG - now.totals.emptyMassG),
      },
    })
    expect(heavy.stallMs / day.stallMs).toBeCloseTo(Math.sqrt(1.2), 6)
  })
  it('wind leaves so much headway, and gusts go onto the approach by their half', () => {
    const calm = fieldDay(assessor, at(thistledown, { windMs: 4, gustMs: 4 }))
    const gusty = fieldDay(assessor, at(thistledown, { windMs: 4, gustMs: 9 }))
    expect(calm.wind!.headwayMs).toBe(thistledown.brief.cruiseMs - 4)
    expect(gusty.approachMs - calm.approachMs).toBeCloseTo(2.5, 9)
    expect(gusty.wind!.marginMs).toBe(thistledown.brief.windMaxMs - 9)
    // Across the wind: sine of the angle is wind over airspeed.
    expect(Math.sin((gusty.wind!.crabDeg! * Math.PI) / 180)).toBeCloseTo(4 / thistledown.brief.cruiseMs, 9)
    const storm = fieldDay(assessor, at(thistledown, { windMs: 15, gustMs: 20 }))
    expect(storm.notes.map(note => written(note)).join(' ')).toMatch(/may not come back/)
  })
  it('half a charge flies less than half as long, and a worn cold pack less than a new one', () => {
    const full = fieldDay(assessor, at(thistledown, { pack: null, chargePct: 100 })).charge!
    const half = fieldDay(assessor, at(thistledown, { pack: null, chargePct: 50 })).charge!
    // With a quarter kept, half a charge is a third of what a full one gives.
    expect(half.minutes! / full.minutes!).toBeCloseTo(25 / 75, 6)
    const cold = fieldDay(assessor, at(thistledown, { pack: 'pack-slate', airC: -5 })).charge!
    expect(cold.minutes!).toBeLessThan(full.minutes!)
    expect(cold.cold).toBe(true)
    expect(asToday(at(thistledown, { pack: 'pack-slate' })).power.agePct).toBe(100)
  })
  it('smooth: a step in the air is a small step in what it gives', () => {
    const speeds = Array.from(
      { length: runs(21, 6) },
      (_, i) => fieldDay(assessor, at(plover, { airC: 10 + i * 0.1, pressureHpa: 1000 + i * 0.05 })).stallMs,
    )
    const steps = speeds.slice(1).map((value, i) => value - speeds[i])
    for (const step of steps) expect(Math.abs(step)).toBeLessThan(0.01)
  })
  it('the first flight is told in its order with this aircraft’s speeds', () => {
    const day = fieldDay(assessor, thistledown)
    const looks = firstFlight(thistledown, day)
    expect(looks.map(look => look.id)).toEqual(['straight', 'trim', 'slow', 'stall', 'landing'])
    expect(written(looks[3].words)).toContain(`${day.stallMs.toFixed(1)} m/s`)
  })
})

describe('packs', () => {
  const flight = (usedMah: number | null, leftPct: number | null) => ({
    ...thistledown.flights[0],
    pack: 'p',
    usedMah,
    leftPct,
  })
  const life = (pack: Partial<Pack>, flights = [] as ProjectFile['flights']) =>
    packLife({ flights }, { ...PACK, ...pack })
  it('charges are those before the log and its flights on this pack', () => {
    expect(life({}, [flight(1, 1), flight(1, 1), { ...flight(1, 1), pack: 'q' }]).cycles).toBe(5)
  })
  it('worn out at four fifths of its capacity or twice its resistance, watched half way', () => {
    const test = (capacityMah: number | null, resistanceMohm: number | null) =>
      life({ tests: [{ date: '2026-01-01', capacityMah, resistanceMohm }] })
    expect(test(790, null).verdict).toBe('retire')
    expect(test(860, null).verdict).toBe('watch')
    expect(test(900, null).verdict).toBe('good')
    expect(test(null, 80).verdict).toBe('retire')
    expect(test(null, 61).verdict).toBe('watch')
    expect(test(800, null).wearPct).toBeCloseTo(100, 9)
    expect(test(900, 50).wearPct).toBeCloseTo(50, 9)
  })
  it('the newest test counts, in whatever order they were typed', () => {
    const tests = [
      { date: '2026-05-01', capacityMah: 750, resistanceMohm: null },
      { date: '2026-01-01', capacityMah: 990, resistanceMohm: 42 },
    ]
    expect(life({ tests })).toMatchObject({ capacityShare: 0.75, verdict: 'retire' })
    expect(life({ tests }).resistanceShare).toBeCloseTo(1.05, 9)
  })
  it('flights say what it holds: taken over the share that was gone, in the middle of them', () => {
    expect(life({}, [flight(400, 50), flight(700, 30), flight(600, 25)]).flown).toEqual({
      capacityMah: 800,
      of: 3,
    })
    // A hop, and a flight without both figures, say nothing.
    expect(life({}, [flight(50, 95), flight(500, null)]).flown).toBeNull()
  })
})

describe('before it flies again', () => {
  const assessment = assessor.assess(thistledown)
  it('what changed since is named by part, with grams and balance', () => {
    const flown = at(thistledown, { flown: flownState(thistledown, assessment) })
    expect(changesSince(flown, assessment)).toEqual([])
    const battery = flown.equipment.findIndex(item => item.kind === 'battery')
    const next = structuredClone(flown)
    next.equipment[battery].xMm += 20
    next.equipment[battery].massG += 30
    next.name = 'Another name'
    const words = changesSince(next, assessor.assess(next)).map(item => written(item))
    expect(words[0]).toBe(`Equipment: ${next.equipment[battery].name} has changed`)
    expect(words.join('; ')).toMatch(/30 g heavier.*balances \d+\.\d mm further (aft|forward)/)
    expect(words.join()).not.toMatch(/Name/)
    // Never flown: there is nothing to compare with.
    expect(changesSince(at(thistledown, { flown: null }), assessment)).toEqual([])
  })
  it('bolts and horns are due after so many flights from the last look', () => {
    const flights = Array.from({ length: 14 }, (_, i) => ({ ...thistledown.flights[0], id: `f${i}` }))
    const doc = at(
      { ...thistledown, flights },
      { lookEvery: 10, looks: [{ item: 'horns', date: '2026-11-01', flights: 9 }] },
    )
    const due = new Map(looksDue(doc).map(look => [look.id, look.inFlights]))
    expect(due.get('horns')).toBe(5)
    expect(due.get('propeller-bolt')).toBe(-4)
    expect(looksDue(plover).some(look => look.id === 'tail')).toBe(false)
  })
  it('the list is of this aircraft', () => {
    const ids = (doc: ProjectFile) => packingList(doc).map(item => item.id)
    expect(ids(thistledown)).toContain('payload')
    expect(ids(plover)).not.toContain('payload')
    const glider = { ...plover, equipment: plover.equipment.filter(item => item.kind === 'servo') }
    expect(ids(glider)).not.toContain('packs')
    expect(new Set(ids(thistledown)).size).toBe(ids(thistledown).length)
  })
})
