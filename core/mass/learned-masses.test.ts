/** What weighings teach, against builds drawn with true offsets. */
import { describe, expect, it } from 'vitest'
import { random } from '../testing/random'
import { runs } from '../testing/runs'
import { learnMasses, PRIOR, SIZE, type PieceMass } from './learned-masses'

const SPREAD = 0.05
/** 24 pieces in two filaments, on two printers, by three recipes, and what each of them will truly weigh. */
function build(seed: number) {
  const { uniform, normal } = random(seed)
  const offset = { filament: {}, printer: {}, recipe: {} } as Record<string, Record<string, number>>
  const of = (cause: 'filament' | 'printer' | 'recipe', name: string) =>
    (offset[cause][name] ??= Math.sqrt(PRIOR[cause]) * SPREAD * normal())
  const drawn = Array.from({ length: 24 }, (_, i) => {
    const predicted = 0.005 + 0.055 * uniform()
    const causes = {
      filament: uniform() < 0.7 ? 'foam' : 'tough',
      printer: uniform() < 0.5 ? 'tall' : 'boxed',
      recipe: ['spiral', 'beads', 'infill'][Math.floor(3 * uniform())],
    }
    const log =
      of('filament', causes.filament) +
      of('printer', causes.printer) +
      of('recipe', causes.recipe) +
      Math.sqrt(PRIOR.own) * SPREAD * normal()
    return { id: `p${i}`, predicted, causes, log }
  })
  // Size tells as well, by so much for e times the size of the middle one.
  const slope = SIZE * SPREAD * normal()
  const middle = drawn.reduce((sum, { predicted }) => sum + Math.log(predicted), 0) / drawn.length
  const pieces = drawn.map(({ log, ...piece }) => ({
    ...piece,
    truly: piece.predicted * Math.exp(log + slope * (Math.log(piece.predicted) - middle)),
  }))
  const known = (count: number): PieceMass[] =>
    pieces.map(({ id, predicted, causes, truly }, i) => ({
      id,
      predicted,
      causes,
      weighed: i < count ? truly + 0.0005 * normal() : null,
    }))
  return { pieces, known, total: pieces.reduce((sum, piece) => sum + piece.truly, 0) }
}
/** Mass of all, and its standard deviation. */
function forecast(list: readonly PieceMass[]) {
  const learned = learnMasses(list, SPREAD)
  const masses = list.map((piece, i) => piece.weighed ?? piece.predicted * Math.exp(learned.mean[i]))
  const rest = masses.map((mass, i) => (list[i].weighed === null ? mass : 0))
  return {
    total: masses.reduce((sum, mass) => sum + mass, 0),
    sigma: Math.hypot(
      learned.spreadOf(
        rest,
        list.map(piece => (piece.weighed === null ? 0 : 1)),
      ),
      0.0005 * Math.sqrt(list.filter(p => p.weighed !== null).length),
    ),
  }
}
/** The rest at the mean ratio of the weighed ones. */
function byMeanRatio(list: readonly PieceMass[]) {
  const weighed = list.filter(piece => piece.weighed !== null)
  const ratio =
    weighed.reduce((sum, piece) => sum + piece.weighed!, 0) /
    Math.max(
      1e-9,
      weighed.reduce((sum, piece) => sum + piece.predicted, 0),
    )
  return list.reduce(
    (sum, piece) => sum + (piece.weighed ?? piece.predicted * (weighed.length ? ratio : 1)),
    0,
  )
}

describe('what weighings teach', () => {
  it('the band of one standard deviation holds 64 to 72 % of builds, however many pieces are weighed', () => {
    const builds = runs(2000, 600)
    // With fewer builds the count itself scatters: three deviations of a binomial.
    const loose = 3 * Math.sqrt((0.68 * 0.32) / builds)
    for (const count of [0, 1, 3, 5, 10, 18, 23]) {
      let inside = 0
      for (let seed = 1; seed <= builds; seed++) {
        const { known, total } = build(seed)
        const { total: said, sigma } = forecast(known(count))
        if (Math.abs(said - total) <= sigma) inside++
      }
      expect(Math.abs(inside / builds - 0.6827), `after ${count}`).toBeLessThan(Math.max(0.035, loose))
    }
  })
  it('after five pieces the weight of the whole is nearer than by the mean ratio, and never worse on average', () => {
    const error = (count: number) => {
      let learned = 0,
        mean = 0
      for (let seed = 1; seed <= 400; seed++) {
        const { known, total } = build(10_000 + seed)
        const list = known(count)
        learned += (forecast(list).total - total) ** 2
        mean += (byMeanRatio(list) - total) ** 2
      }
      return Math.sqrt(learned / mean)
    }
    for (const count of [1, 3, 5, 10, 20]) expect(error(count), `after ${count}`).toBeLessThan(1)
    expect(error(1)).toBeLessThan(0.95)
    expect(error(5)).toBeLessThan(0.9)
  })
  it('one filament, one printer, one recipe: the mean of the logarithms shrunk to the prior, by hand', () => {
    const causes = { filament: 'a', printer: 'b', recipe: 'c' }
    const list: PieceMass[] = [1.06, 1.04, 1.05, null].map((ratio, i) => ({
      id: `p${i}`,
      predicted: 0.02,
      weighed: ratio === null ? null : 0.02 * ratio,
      causes,
    }))
    const { mean, sigma } = learnMasses(list, SPREAD)
    // Shared variance τ², own variance v with the scale's: posterior mean n/v/(1/τ² + n/v) of the mean logarithm.
    const shared = (PRIOR.filament + PRIOR.printer + PRIOR.recipe) * SPREAD ** 2,
      v = PRIOR.own * SPREAD ** 2 + (0.0005 / 0.02) ** 2
    const average = [1.06, 1.04, 1.05].reduce((sum, ratio) => sum + Math.log(ratio), 0) / 3
    expect(mean[3]).toBeCloseTo((average * (3 / v)) / (1 / shared + 3 / v), 9)
    expect(sigma[3] ** 2).toBeCloseTo(1 / (1 / shared + 3 / v) + PRIOR.own * SPREAD ** 2, 9)
  })
  it('a mistyped weighing is left out of what it would teach, and named', () => {
    const { known } = build(4242)
    const list = known(8)
    const plain = learnMasses(list, SPREAD)
    const wrong = list.map((piece, i) => (i === 3 ? { ...piece, weighed: piece.weighed! * 2 } : piece))
    const learned = learnMasses(wrong, SPREAD)
    expect(learned.surprise.get('p3')).toBeGreaterThan(6)
    expect(Math.abs(learned.mean[20] - plain.mean[20])).toBeLessThan(0.02)
  })
  it('what is weighed is what it weighs; without a weighing nothing has moved', () => {
    const list = build(7).known(0)
    expect(learnMasses(list, SPREAD).mean.every(value => value === 0)).toBe(true)
    expect(learnMasses([], SPREAD).offsets).toEqual([])
  })
})
