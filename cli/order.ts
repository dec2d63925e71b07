import { createAssessor } from '../core/assess'
import { readProject } from '../core/document'
import { written } from '../core/units'
import { buildOrder, hardwareList } from '../core/workshop/build'
import type { Arguments } from './answer'

/** Everything there is to do in the order of doing it, and what to have for it. */
export function orderVerb({ read }: Arguments): unknown {
  const doc = readProject(read())
  const assessor = createAssessor()
  const airframe = assessor.airframe(doc)
  const order = buildOrder(airframe)
  return {
    handsMin: order.handsMin,
    untilMin: order.untilMin,
    glueG: order.glueG,
    steps: order.steps.map(step => ({
      id: step.id,
      kind: step.kind,
      bench: step.bench,
      title: written(step.title),
      what: step.brings,
      needs: step.needs,
      joins: step.joins,
      glue: step.glue && { id: step.glue.id, grams: step.glue.grams },
      minutes: step.minutes,
      waitMin: step.waitMin,
      beginsMin: step.beginsMin,
      trap: step.traps[0]?.because ?? null,
    })),
    hardware: hardwareList(airframe, assessor.assess(doc), order).map(
      ({ name, count, lengthMm, grams, note }) => ({
        name,
        count,
        lengthMm,
        grams,
        note,
      }),
    ),
  }
}
