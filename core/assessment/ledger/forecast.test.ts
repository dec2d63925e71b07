/** What weighings say of the pieces that are still to come, over the whole aircraft. */
import { describe, expect, it } from 'vitest'
import { assess } from '../../assess'
import { DEMOS } from '../../demo'
import {} from '../../document'
import { changed } from '../../testing/changed'

const [thistledown] = DEMOS

describe('the forecast', () => {
  const all = assess(thistledown).pieces
  const weighed = (count: number, ratio: (index: number) => number) =>
    assess(
      changed(thistledown, d => {
        d.weighIns = all.slice(0, count).map((piece, i) => ({
          piece: piece.id,
          massG: piece.predictedG * ratio(i),
          predictedG: piece.predictedG,
          date: '2026-11-01',
          note: '',
        }))
      }),
    )
  it('before any weighing is the prediction; after all of them what they weigh, and the band shrinks between', () => {
    const none = weighed(0, () => 1)
    expect(none.forecast.massG).toBeCloseTo(none.totals.massG, 6)
    expect(none.forecast.stages).toHaveLength(1)
    const every = weighed(all.length, () => 1.04)
    expect(every.forecast.restG).toBe(0)
    expect(every.forecast.massG).toBeCloseTo(every.totals.massG, 6)
    const bands = every.forecast.stages.map(stage => stage.massSigmaG)
    bands.slice(1).forEach((band, i) => expect(band).toBeLessThan(bands[i] + 0.2))
    expect(bands[bands.length - 1]).toBeLessThan(0.8 * bands[0])
  })
  it('pieces that come out 4 % heavy make the rest heavier too, by less than they are', () => {
    const some = weighed(6, () => 1.04)
    const fixed = some.totals.massG
    expect(some.forecast.massG).toBeGreaterThan(fixed)
    expect(some.forecast.massG).toBeLessThan(fixed + 0.04 * some.forecast.restG)
    // To weigh less than the target asks of what is left.
    expect(some.forecast.restG * some.forecast.restFactor!).toBeCloseTo(
      some.forecast.restG - (some.forecast.massG - thistledown.brief.targetMassG),
      6,
    )
  })
  it('a piece typed twice as heavy is named, and the rest does not follow it', () => {
    const wrong = weighed(8, i => (i === 4 ? 2 : 1))
    expect(wrong.forecast.surprises[0].piece).toBe(all[4].id)
    const right = weighed(8, () => 1)
    const extra = all[4].predictedG
    expect(Math.abs(wrong.forecast.massG - right.forecast.massG - extra)).toBeLessThan(4)
  })
})
