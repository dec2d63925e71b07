import fc from 'fast-check'
import { written } from '../../units'
import { describe, expect, it } from 'vitest'
import { sharedAssessor } from '../../assess'
import { DEMOS } from '../../demo'
import type { ProjectFile } from '../../document'
import { LIBRARIES } from '../../libraries'
import { cuttingPlan, KERF_MM } from './cutting-plan'
import { inspectionList, suggestProof } from '../readiness'

const assessor = sharedAssessor()
const [thistledown, plover] = DEMOS
const spar = (name: string, pieceMm: number, pieces = 1, stock = 'tube-8x6') => ({
  id: name,
  name,
  surface: 'wing',
  massG: 0,
  price: 0,
  pieceMm,
  stockMm: 1000,
  pieces,
  gramsPerM: 0,
  stock,
  fits: [],
  worstMm: 1,
  worstAt: 0,
  fromMm: 0,
  toMm: pieceMm,
})
const plan = (spars: ReturnType<typeof spar>[], boom: ProjectFile['boom'] = null) =>
  cuttingPlan({ ...plover, boom }, { spars, struts: [] }, LIBRARIES)

describe('lengths to cut', () => {
  it('two halves of 495 mm and a saw cut fit one metre, two of 500 do not', () => {
    expect(plan([spar('a', 495, 2)]).lengths.map(item => item.offcutMm)).toEqual([1000 - 990 - KERF_MM])
    expect(plan([spar('a', 500, 2)]).lengths).toHaveLength(2)
  })
  it('the boom comes from the same stock; each stock has its own lengths; what is too long is said', () => {
    const found = plan([spar('joiner', 200, 1, 'tube-12x10'), spar('long', 1200)], {
      ...thistledown.boom!,
      fromMm: 0,
      toMm: 600,
    })
    expect(found.lengths).toHaveLength(1)
    expect(found.lengths[0].pieces.map(piece => piece.mm)).toEqual([600, 200])
    expect(found.tooLong).toEqual([{ name: 'long', mm: 1200, stockMm: 1000 }])
    expect(found.price).toBe(LIBRARIES.stock.find(item => item.id === 'tube-12x10')!.price)
  })
  it('nothing is lost: pieces, saw cuts and offcuts make up the lengths, and no length could be saved by joining two', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 20, max: 999 }), { minLength: 1, maxLength: 14 }), sizes => {
        const { lengths } = plan(sizes.map((mm, i) => spar(`s${i}`, mm)))
        expect(lengths.flatMap(item => item.pieces.map(piece => piece.mm)).sort((a, b) => a - b)).toEqual(
          [...sizes].sort((a, b) => a - b),
        )
        for (const { lengthMm, pieces, offcutMm } of lengths) {
          expect(offcutMm).toBeGreaterThanOrEqual(0)
          expect(
            pieces.reduce((sum, piece) => sum + piece.mm, 0) + (pieces.length - 1) * KERF_MM + offcutMm,
          ).toBeCloseTo(lengthMm, 9)
        }
        // First fit: whatever opened a new length did not fit in any before it.
        lengths.forEach((item, i) => {
          for (const before of lengths.slice(0, i))
            expect(before.offcutMm).toBeLessThan(item.pieces[0].mm + KERF_MM)
        })
      }),
    )
  })
})

describe('a test to begin with', () => {
  it.each(DEMOS.map(demo => [demo.name, demo] as const))(
    "%s: trestles bend the root like the brief's load factor, within the mass's rounding, and break nothing",
    (_, doc) => {
      const before = assessor.assess(doc),
        planned = suggestProof(doc, before, 'trestles', '2026-11-25')
      const [report] = assessor.assess({ ...doc, proofs: [planned] }).strength.proofs
      expect(Math.abs(report.equivalent / doc.brief.loadFactor - 1)).toBeLessThan(0.01 + 5 / planned.massG)
      expect(report.reserve).toBeGreaterThanOrEqual(1.29)
    },
  )
  it('a wing that would break under it is loaded as far as it bears, with a third in hand', () => {
    const weak: ProjectFile = {
      ...thistledown,
      spars: [],
      brief: { ...thistledown.brief, loadFactor: 8 },
    }
    const before = assessor.assess(weak),
      planned = suggestProof(weak, before, 'trestles', '2026-11-25')
    const [report] = assessor.assess({ ...weak, proofs: [planned] }).strength.proofs
    expect(before.strength.wing.reserve).toBeLessThan(0.5)
    expect(report.equivalent).toBeLessThan(0.5 * weak.brief.loadFactor)
    expect(planned.massG).toBeGreaterThan(0)
  })
  it("a twist of about two degrees; a drop of the aircraft from the brief's height; ids of their own", () => {
    const before = assessor.assess(thistledown)
    const twist = suggestProof(thistledown, before, 'twist', '2026-11-25'),
      [report] = assessor.assess({ ...thistledown, proofs: [twist] }).strength.proofs
    expect(report.predicted).toBeGreaterThan(1)
    expect(report.predicted).toBeLessThan(3)
    expect(suggestProof({ ...thistledown, proofs: [twist] }, before, 'drop', '2026-11-25')).toMatchObject({
      id: 'proof-2',
      atMm: thistledown.brief.dropMm,
      massG: Math.round(before.totals.massG),
    })
  })
})

describe('where to look after a landing', () => {
  it("weakest first, no place twice, and the wing's tip strike among them; what is weaker moves up", () => {
    const list = inspectionList(assessor.assess(thistledown))
    expect(list.map(item => item.reserve)).toEqual([...list.map(item => item.reserve)].sort((a, b) => a - b))
    expect(new Set(list.map(item => written(item.where) + written(item.look))).size).toBe(list.length)
    expect(list.some(item => item.id === 'wing-tip')).toBe(true)
    const thin = inspectionList(
      assessor.assess({ ...thistledown, boom: { ...thistledown.boom!, socketMm: 10 } }),
    )
    expect(thin.findIndex(item => written(item.where).startsWith('Boom'))).toBeLessThan(
      list.findIndex(item => written(item.where).startsWith('Boom')),
    )
    expect(written(thin.find(item => written(item.where).startsWith('Boom'))!.look)).toMatch(/turn and rock/)
  })
})
