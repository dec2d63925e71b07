import { createAssessor } from '../core/assess'
import { readProject } from '../core/document'
import { written } from '../core/units'
import { diagnose } from '../core/workshop/diagnosis'
import type { Arguments } from './answer'

/** What the flights of a project say is off with it, most likely first. */
export function diagnoseVerb({ read }: Arguments): unknown {
  const doc = readProject(read())
  const assessor = createAssessor()
  const found = diagnose(doc, assessor.assess(doc), assessor.flown(doc).pitch(true))
  return {
    reading: written(found.reading),
    flights: found.flights,
    notes: found.notes,
    tooLittle: found.tooLittle,
    nothing: found.nothing,
    causes: found.causes.map(({ code, chance, amount, sigma, unit, what, test, mend }) => ({
      code,
      chance,
      amount,
      sigma,
      unit,
      what: written(what),
      test,
      mend: written(mend),
    })),
    tests: found.tests,
  }
}
