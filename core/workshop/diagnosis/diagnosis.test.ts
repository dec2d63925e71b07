import { describe, expect, it } from 'vitest'
import { sharedAssessor } from '../../assess'
import { DEMOS } from '../../demo'
import type { Flight } from '../../document'
import { DEEP, runs } from '../../testing/runs'
import { written } from '../../units'
import { CAUSES, FIGURES, modelOf, TICKS, type Cause, type Model } from './causes'
import { diagnose, learnedDrag, priceOf } from './index'
import { below, figureAt, tickChance, weigh, type Notes } from './infer'
import { random, type Random } from '../../testing/random'

const assessor = sharedAssessor()
const models = DEMOS.map(doc => modelOf(doc, assessor.assess(doc), assessor.flown(doc).pitch(true)))
const [thistledown] = DEMOS

/** What a pilot would note of an aircraft with these amounts, everything tried. */
function noted(model: Model, amounts: Partial<Record<Cause, number>>, { uniform, normal }: Random): Notes {
  const notes: Notes = { figures: {}, ticks: {} }
  for (const sign of FIGURES) {
    const base = figureAt(model, sign, amounts)
    if (base !== null) notes.figures[sign] = base + model.figures[sign]!.noise * normal()
  }
  for (const sign of TICKS) {
    if (!model.ticks[sign]) continue
    const pick = uniform(),
      low = tickChance(model, sign, -1, amounts)
    notes.ticks[sign] = pick < low ? -1 : pick < low + tickChance(model, sign, 0, amounts) ? 0 : 1
  }
  return notes
}

describe('the model', () => {
  it('is the core’s: a battery moved aft asks the elevator that the trim table asks', () => {
    const assessment = assessor.assess(thistledown)
    const cruise = assessment.trim.find(row => row.id === 'cruise' && row.payload)!
    expect(models[0].figures.elevator!.base).toBeCloseTo(-cruise.controlDeg!, 0)
    const moved = {
      ...thistledown,
      equipment: thistledown.equipment.map(item =>
        item.kind === 'battery' ? { ...item, xMm: item.xMm + 40 } : item,
      ),
    }
    const after = assessor.assess(moved)
    const asked = after.trim.find(row => row.id === 'cruise' && row.payload)!.controlDeg! - cruise.controlDeg!
    const shift = after.totals.cgMm[0] - assessment.totals.cgMm[0]
    expect(figureAt(models[0], 'elevator', { cg: shift })! - models[0].figures.elevator!.base).toBeCloseTo(
      -asked,
      1,
    )
    // And the margin behind the ticks is that of the page.
    const margin = (cg: number) =>
      6.75 + 5.25 * (models[0].ticks.dive!.base + models[0].ticks.dive!.per.cg! * cg)
    expect(margin(0)).toBeCloseTo(assessment.flight.staticMarginPct, 6)
    expect(margin(shift)).toBeCloseTo(after.flight.staticMarginPct, 0)
  })
  it('a gram half way out asks the ailerons that its moment over their power asks, and twice as much at 0.71 of the speed', () => {
    const assessment = assessor.assess(thistledown),
      tables = assessor.flown(thistledown).pitch(true)
    const slow = modelOf(
      { ...thistledown, brief: { ...thistledown.brief, cruiseMs: 13 * Math.SQRT1_2 } },
      assessment,
      tables,
    )
    // The roll rate of the page is that of its own cruise, so a degree of twist would seem to ask less: by
    // the ratio of speeds.
    const each = (model: Model) => model.figures.aileron!.per.heavy! / model.figures.aileron!.per.warp!
    expect(each(slow) / each(models[0])).toBeCloseTo(2, 6)
  })
  it('signs point the right way', () => {
    for (const model of models) {
      expect(model.ticks.dive!.per.cg!).toBeLessThan(0)
      expect(model.ticks.pitch!.per.cg!).toBeGreaterThan(0)
      // More incidence to starboard rolls to port: right aileron holds it, and the starboard half stalls first.
      expect(model.figures.aileron!.per.warp!).toBeGreaterThan(0)
      expect(model.ticks.turn!.per.warp!).toBeLessThan(0)
      expect(model.ticks.stall!.per.warp!).toBeGreaterThan(0)
      // A heavy starboard half rolls to starboard: left aileron.
      expect(model.figures.aileron!.per.heavy!).toBeLessThan(0)
      expect(model.figures.charge!.per.drag!).toBeGreaterThan(0)
    }
    expect(models[0].possible).toEqual([...CAUSES])
  })
  it('the normal distribution, by hand', () => {
    expect(below(0)).toBeCloseTo(0.5, 7)
    expect(below(1)).toBeCloseTo(0.841345, 5)
    expect(below(-1.96)).toBeCloseTo(0.024998, 5)
    for (const model of models)
      for (const sign of TICKS) {
        const sum =
          tickChance(model, sign, -1, { cg: 3 }) +
          tickChance(model, sign, 0, { cg: 3 }) +
          tickChance(model, sign, 1, { cg: 3 })
        expect(sum).toBeCloseTo(1, 6)
      }
  })
})

describe('weighing the causes', () => {
  it('puts the one hidden fault first in four of five, among the first three in nineteen of twenty', () => {
    const rounds = runs(1000, 24)
    let first = 0,
      three = 0
    const drawn = random(7),
      { uniform } = drawn
    for (let i = 0; i < rounds; i++) {
      const model = models[i % 2]
      const cause = model.possible[i % model.possible.length]
      // A fault, not a trifle: one and a half of what builds come out at, to two and a half.
      const size = (1.5 + uniform()) * (uniform() < 0.5 ? -1 : 1)
      const amount =
        (cause === 'drag' || cause === 'drive' || cause === 'pack' ? Math.abs(size) : size) *
        model.spread[cause]
      const notes = [0, 1].map(() => noted(model, { [cause]: amount }, drawn))
      const found = weigh(model, notes).causes.map(item => item.cause)
      if (found[0] === cause) first++
      if (found.slice(0, 3).includes(cause)) three++
    }
    expect(first / rounds).toBeGreaterThan(0.8)
    expect(three / rounds).toBeGreaterThan(0.95)
  })

  it.runIf(DEEP)('what it calls so likely comes true so often', () => {
    const rounds = runs(1000, 40)
    const bins = Array.from({ length: 5 }, () => ({ said: 0, true: 0, count: 0 }))
    const drawn = random(23),
      { uniform } = drawn
    for (let i = 0; i < rounds; i++) {
      const model = models[i % 2]
      const pick = uniform()
      const other = () => model.possible[Math.floor(uniform() * model.possible.length)]
      const at: Cause[] = []
      // As it supposes: nothing in 0.3, one in 0.55, two in 0.15.
      if (pick > 0.3) at.push(other())
      if (pick > 0.85) {
        let second = other()
        while (second === at[0]) second = other()
        at.push(second)
      }
      const amounts = Object.fromEntries(at.map(cause => [cause, model.spread[cause] * drawn.normal()]))
      for (const { cause, chance } of weigh(model, [noted(model, amounts, drawn)]).causes) {
        const bin = bins[Math.min(4, Math.floor(chance * 5))]
        bin.count++
        bin.said += chance
        if (at.includes(cause)) bin.true++
      }
    }
    for (const { said, true: came, count } of bins) {
      if (count < 30) continue
      // Five points, and two deviations of so many draws.
      const chance = said / count
      expect(Math.abs(came / count - chance)).toBeLessThan(
        0.05 + 2 * Math.sqrt((chance * (1 - chance)) / count),
      )
    }
  })

  it.runIf(DEEP)('with two faults at once it does not claim certainty for one alone', () => {
    const drawn = random(99)
    let alone = 0
    for (let i = 0; i < 24; i++) {
      const model = models[i % 2]
      const pairs: Array<[Cause, Cause]> = [
        ['cg', 'warp'],
        ['incidence', 'drag'],
        ['heavy', 'drive'],
      ]
      const [a, b] = pairs[i % 3]
      const weighed = weigh(model, [
        noted(model, { [a]: 2 * model.spread[a], [b]: 2 * model.spread[b] }, drawn),
      ])
      const chance = (cause: Cause) => weighed.causes.find(item => item.cause === cause)!.chance
      // Sure of one, and next to nothing left for the other.
      if (Math.max(chance(a), chance(b)) > 0.95 && Math.min(chance(a), chance(b)) < 0.05) alone++
      expect(weighed.nothing).toBeLessThan(0.1)
    }
    expect(alone).toBeLessThanOrEqual(1)
  })

  it('says what would tell most: with a trim that may be balance or incidence, a dive', () => {
    const model = models[0]
    const base = model.figures.elevator!.base
    const { causes, tells } = weigh(model, [{ figures: { elevator: base + 3 }, ticks: {} }])
    expect(
      causes
        .slice(0, 2)
        .map(item => item.cause)
        .sort(),
    ).toEqual(['cg', 'incidence'])
    expect(['dive', 'pitch']).toContain(tells[0].sign)
  })
})

describe('the log of a project', () => {
  const flight = (more: Partial<Flight>): Flight => ({ ...thistledown.flights[0], ...more })
  const of = (flights: Flight[]) => {
    const doc = { ...thistledown, flights }
    return diagnose(doc, assessor.assess(doc), assessor.flown(doc).pitch(true))
  }
  it('tail-heavy: down trim, nervous, tucks under; mended by the battery forward', () => {
    const { figures } = models[0]
    const found = of([
      flight({
        elevatorTrimDeg: figures.elevator!.base + figures.elevator!.per.cg! * 14,
        aileronTrimDeg: 0,
        usedMah: figures.charge!.base * 7,
        motorC: figures.motor!.base,
        signs: [
          { sign: 'dive', value: -1 },
          { sign: 'pitch', value: 1 },
          { sign: 'turn', value: 0 },
        ],
      }),
    ])
    expect(found.causes[0].code).toBe('cg')
    expect(found.causes[0].amount).toBeGreaterThan(5)
    expect(written(found.causes[0].mend)).toMatch(/battery forward/)
    expect(written(found.reading)).toMatch(/further aft/)
  })
  it('a flight of which nothing was noted says nothing: no figure is made up', () => {
    const blank = { elevatorTrimDeg: null, aileronTrimDeg: null, usedMah: null, motorC: null, signs: [] }
    const one = of([flight(blank), flight(blank)])
    const none = of([])
    expect(one).toMatchObject({ notes: 0, tooLittle: true, nothing: none.nothing })
    expect(one.causes.map(cause => cause.chance)).toEqual(none.causes.map(cause => cause.chance))
  })
  it('an empty log says too little, and what to try', () => {
    const found = of([])
    expect(found.tooLittle).toBe(true)
    expect(written(found.reading)).toMatch(/too little/)
    expect(found.tests.length).toBeGreaterThan(0)
  })
  it('stays finite with any log', () => {
    const found = of([
      flight({
        elevatorTrimDeg: 30,
        aileronTrimDeg: -30,
        usedMah: 50000,
        motorC: 250,
        glideRatio: 0.5,
        minutes: 1,
      }),
    ])
    for (const cause of found.causes)
      expect(Number.isFinite(cause.chance + cause.amount + cause.sigma)).toBe(true)
    expect(found.causes.reduce((sum, cause) => sum + cause.chance, found.nothing)).toBeGreaterThan(0.99)
  })
})

describe('what mending a cause costs, and what drag was found', () => {
  it('a balance brought back by so many millimetres moves the margin by their share of the chord', () => {
    const price = priceOf(assessor, thistledown, 'cg', 5)!
    const { macMm } = assessor.assess(thistledown).plan
    expect(price.marginPct).toBeCloseTo((100 * 5) / macMm, 1)
    expect(price.massG).toBeCloseTo(0, 9)
    expect(price.hours).toBeCloseTo(0, 9)
  })
  it('half of what is heavy half way out goes to the other tip', () => {
    const price = priceOf(assessor, thistledown, 'heavy', 8)!
    expect(price.massG).toBeCloseTo(4, 6)
    const weight = price.change.equipment!.at(-1)!
    // Starboard is heavy: the weight hangs at the port tip.
    expect(weight.yMm).toBeLessThan(-0.9 * (assessor.assess(thistledown).plan.spanMm / 2))
  })
  it('a tired pack and a warp are nothing of the design', () => {
    expect(priceOf(assessor, thistledown, 'pack', 20)).toBeNull()
    expect(priceOf(assessor, thistledown, 'warp', 1)).toBeNull()
  })
  it('drag learned from a glide makes the computed glide the flown one, and then nothing is left to blame', () => {
    const best = assessor.assess(thistledown).flight.bestGlide
    const share = learnedDrag(assessor, thistledown, 0.2)!
    expect(share).toBeGreaterThan(1.1)
    const learned = { ...thistledown, measured: { ...thistledown.measured, dragShare: share } }
    const flown = assessor.assess(learned).flight.bestGlide
    expect(flown / best).toBeCloseTo(1 - 0.85 * 0.2, 2)
    const quiet = {
      elevatorTrimDeg: null,
      aileronTrimDeg: null,
      usedMah: null,
      motorC: null,
      signs: [],
      glideRatio: flown,
    }
    const flights = [1, 2, 3, 4].map(n => ({ ...thistledown.flights[0], ...quiet, id: `f${n}` }))
    const of = (doc: typeof thistledown) =>
      diagnose({ ...doc, flights }, assessor.assess(doc), assessor.flown(doc).pitch(true))
    expect(of(thistledown).causes.find(cause => cause.code === 'drag')!.chance).toBeGreaterThan(0.5)
    expect(of(learned).causes.find(cause => cause.code === 'drag')!.chance).toBeLessThan(0.2)
  })
  it('more drag is never a better glide, faster or longer; smooth in between', () => {
    const at = (dragShare: number) =>
      assessor.assess({ ...thistledown, measured: { ...thistledown.measured, dragShare } }).flight.bestGlide
    const glides = Array.from({ length: 26 }, (_, i) => at(0.5 + i * 0.1))
    const steps = glides.slice(1).map((value, i) => value - glides[i])
    for (const step of steps) expect(step).toBeLessThan(0)
    for (let i = 1; i < steps.length; i++) expect(steps[i] / steps[i - 1]).toBeGreaterThan(0.6)
    expect(learnedDrag(assessor, thistledown, 5)).toBeNull()
  })
})
