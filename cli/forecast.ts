import { assess, createAssessor } from '../core/assess'
import { DocumentError, readProject } from '../core/document'
import { format } from 'date-fns'
import { goOn } from '../core/workshop/go-on'
import { written } from '../core/units'
import type { Arguments } from './answer'

/** What the aircraft will weigh, from what its weighings teach; with `--rest true` what the rest can still mend. */
export async function forecastVerb({ read, options }: Arguments): Promise<unknown> {
  const doc = readProject(read())
  const { forecast } = assess(doc)
  if (options.rest === undefined) return forecast
  if (options.rest !== 'true')
    throw new DocumentError('--rest', `is "true" or left out, not "${options.rest}"`)
  const found = (await goOn(createAssessor(), doc, format(new Date(), 'yyyy-MM-dd')))!
  return {
    ...forecast,
    rest: {
      ...found,
      offers: found.offers.map(({ change: _, title, ...offer }) => ({ ...offer, title: written(title) })),
    },
  }
}
