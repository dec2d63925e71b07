import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { createAssessor } from '../assess'
import { DEMOS } from '../demo'
import { dominates, Front, type Objectives } from './front'
import { chanceOfAll } from './robust'
import { designOf, study, type StudyPoint } from './study'
import { dimensions, readVary } from './vary'

const plover = DEMOS[1]
const plain = readVary({
  zones: { outer: [{}, { school: 'bead-infill' }, { pitchMm: 70 }], centre: [{}, { walls: 2 }, { filament: 'pla-foam', school: 'beads' }] }, spars: { spar: ['rod-5', 'rod-4', null] },
})

describe('the front', () => {
  const point: fc.Arbitrary<Objectives> = fc.record({ massG: fc.integer({ min: 0, max: 9 }), hours: fc.integer({ min: 0, max: 9 }), cost: fc.integer({ min: 0, max: 9 }), reserveFactor: fc.integer({ min: 0, max: 9 }) })
  it('is what plain comparison of all with all leaves, in whatever order they come', () => {
    fc.assert(fc.property(fc.array(point, { maxLength: 200 }), (points) => {
      const front = new Front<Objectives>()
      for (const item of points) front.add(item)
      const left = points.filter(item => !points.some(other => dominates(other, item)))
      const text = (list: readonly Objectives[]) => list.map(item => JSON.stringify(item)).sort()
      expect(text(front.points)).toEqual(text(left))
    }), { numRuns: 60 })
  })
  it('needs one better and none worse', () => {
    const a = { massG: 1, hours: 1, cost: 1, reserveFactor: 1 }
    expect(dominates(a, a)).toBe(false)
    expect(dominates({ ...a, reserveFactor: 2 }, a)).toBe(true)
    expect(dominates({ ...a, reserveFactor: 2, hours: 2 }, a)).toBe(false)
  })
})

describe('how sure', () => {
  const wing = (margin: number, spread: number) => ({ margin, spread }) as never
  it('is the product of the four chances: half each a sixteenth; two spreads in hand 0.9772 each', () => {
    const at = (z: number, balanceChance: number) => chanceOfAll({ verdicts: { weight: wing(z * 9, 9), balance: wing(0, 1), strength: wing(z * 0.3, 0.3), hours: wing(z * 2, 2) }, flight: { balanceChance } as never })
    expect(at(0, 0.5)).toBeCloseTo(1 / 16, 6)
    expect(at(2, 1)).toBeCloseTo(0.97725 ** 3, 4)
    expect(at(-4, 1)).toBeLessThan(1e-10)
  })
  it('a heavier target never lowers it', () => {
    const near = createAssessor().assess(plover), far = createAssessor().assess({ ...plover, brief: { ...plover.brief, targetMassG: plover.brief.targetMassG + 30 } })
    expect(chanceOfAll(far)).toBeGreaterThan(chanceOfAll(near))
  })
})

describe('the study', () => {
  it('equals brute force from scratch: every combination, every figure, and the front of those that hold', async () => {
    const must = { staticMarginPct: [0, 30] as [number, number], reserveMin: 1, massMaxG: 385 }
    const result = await study(createAssessor(), plover, { ...plain, must }, () => true)
    const list = dimensions(plover, plain)
    expect(result).toMatchObject({ evaluated: 27, of: 27, stopped: false })
    const all: Array<Objectives & { key: string, holds: boolean }> = []
    for (const a of [0, 1, 2]) for (const b of [0, 1, 2]) for (const c of [0, 1, 2]) {
      const picks = list.map(item => (item.key === 'zone:outer' ? a : item.key === 'zone:centre' ? b : c))
      const r = createAssessor().assess(designOf(plover, list, picks))
      const holds = r.strength.reserve >= 1 && r.totals.massG <= 385 && [r.flight.staticMarginPct, r.flight.staticMarginEmptyPct].every(pct => pct >= 0 && pct <= 30)
      all.push({ key: picks.join(), massG: r.totals.massG, hours: r.totals.hours, reserveFactor: r.strength.reserve, cost: r.totals.cost + r.spars.reduce((sum, spar) => sum + spar.price, 0), holds })
    }
    const left = all.filter(item => item.holds && !all.some(other => other.holds && dominates(other, item)))
    expect(result.front.map(item => item.picks.join()).sort()).toEqual(left.map(item => item.key).sort())
    for (const item of result.front) {
      const own = all.find(row => row.key === item.picks.join())!
      for (const key of ['massG', 'hours', 'cost', 'reserveFactor'] as const) expect(item[key]).toBeCloseTo(own[key], 9)
    }
    expect(result.front.length).toBeGreaterThan(1)
    expect(all.some(item => !item.holds)).toBe(true)
  }, 120_000)
  it('names what keeps it from being lighter: the lightest that miss one thing alone', async () => {
    const free = await study(createAssessor(), plover, plain, () => true)
    const lightest = free.front[0]
    const bound = await study(createAssessor(), plover, { ...plain, must: { reserveMin: lightest.reserveFactor + 0.01 } }, () => true)
    expect(bound.front[0].massG).toBeGreaterThan(lightest.massG)
    expect(bound.nearly[0].massG).toBeCloseTo(lightest.massG, 9)
    expect(bound.nearly[0].broken).toEqual([expect.stringMatching(/^strength .* under/)])
  }, 60_000)
  it('stops when told, with what it has; shelf and heat bind', async () => {
    let front: readonly StudyPoint[] = []
    const stopped = await study(createAssessor(), plover, plain, (done, _, points) => { front = points; return done < 5 })
    expect(stopped).toMatchObject({ evaluated: 5, of: 27, stopped: true })
    expect(stopped.front.length).toBe(front.length)
    const hot = await study(createAssessor(), plover, { ...plain, must: { softeningMinC: 70, onShelf: true } }, () => true)
    expect(hot.front).toEqual([])
  }, 60_000)
  it('says what is wrong with a space: a zone that is not there, a filament, a stock, too many, nothing', () => {
    const wrong = (raw: unknown, words: RegExp) => expect(() => dimensions(plover, readVary(raw))).toThrow(words)
    wrong({ zones: { nowhere: [{}] } }, /zones\.nowhere/)
    wrong({ zones: { outer: [{ filament: 'wood' }] } }, /zones\.outer\[0\]\.filament.*wood/)
    wrong({ spars: { spar: ['rope'] } }, /no stock "rope"/)
    wrong({}, /nothing varies/)
    wrong({ zones: { outer: [{ walls: 40 }] } }, /walls/)
    wrong({ zones: { outer: Array(40).fill({}), centre: Array(40).fill({}) }, spars: { spar: Array(20).fill('rod-5') } }, /32,000 combinations/)
  })
})
