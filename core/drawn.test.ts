/** Documents drawn from the schema itself: whatever it admits is reckoned to figures. */
import { expect, it } from 'vitest'
import { createAssessor } from './assess'
import { drawn } from './testing/drawn'
import { notNumbers } from './testing/extremes'
import { runs } from './testing/runs'

it('any document that the schema admits, drawn at random from it, is assessed to finite figures', () => {
  const assessor = createAssessor()
  for (let seed = 0; seed < runs(2000, 8); seed++)
    expect(notNumbers(assessor.assess(drawn(seed))), `document ${seed}`).toEqual([])
}, 7_200_000)

it('one with every list as long as the schema lets it be, too', () => {
  expect(notNumbers(createAssessor().assess(drawn(2, { full: true })))).toEqual([])
}, 240_000)
