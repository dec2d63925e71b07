import fc from 'fast-check'
import { written } from './units'
import { expect, it } from 'vitest'
import { createAssessor } from './assess'
import { checkProject } from './document'
import { extreme, notNumbers } from './testing/extremes'
import { balanceRemedies } from './workshop/balance'
import { proportions } from './workshop/advice'
import { runs } from './testing/runs'

it('no figure of an assessment is NaN or without end, for documents at the edges of what the schema admits', () => {
  const assessor = createAssessor()
  fc.assert(
    fc.property(extreme, doc => {
      const assessment = assessor.assess(doc)
      expect(notNumbers(assessment)).toEqual([])
      expect(notNumbers(proportions(doc, assessment))).toEqual([])
    }),
    { numRuns: runs(400, 3) },
  )
})

it('nor is any of a remedy, and each of them is a document that the schema takes', () => {
  const assessor = createAssessor()
  fc.assert(
    fc.property(extreme, doc => {
      for (const { change, ...figures } of balanceRemedies(assessor, doc)) {
        expect(notNumbers(figures)).toEqual([])
        expect(() => checkProject({ ...doc, ...change }), written(figures.title)).not.toThrow()
      }
    }),
    { numRuns: runs(80, 1) },
  )
})
