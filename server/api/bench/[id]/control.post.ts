/** Words to an instrument: a printer fails, is cleared or hurried; a scale is tared or loaded. */
import { z } from 'zod'
import { bench } from '../../../bench/bench'
import { FASTEST } from '../../../bench/simulated-printer'
import { jsonBody } from '../../../utils/json-body'
import { problem } from '../../../utils/problem'

const ForPrinter = z.discriminatedUnion('action', [
  z.strictObject({
    action: z.literal('fail'),
    why: z.string().min(1).max(60),
    at: z.number().min(0).max(1).nullable().default(null),
  }),
  z.strictObject({ action: z.literal('clear') }),
  z.strictObject({ action: z.literal('speed'), speed: z.number().min(1).max(FASTEST) }),
])
const ForScale = z.discriminatedUnion('action', [
  z.strictObject({ action: z.literal('tare') }),
  z.strictObject({ action: z.literal('put'), grams: z.number().min(0).max(20_000) }),
])

export default defineEventHandler(async event => {
  const own = bench(),
    id = getRouterParam(event, 'id')
  const printer = own?.printers.find(item => item.id === id)
  if (printer) {
    const body = await jsonBody(event, ForPrinter, 10_000)
    if (!body.ok) return body.problem
    const word = body.value
    if (word.action === 'fail') printer.fail(word.why, word.at)
    else if (word.action === 'speed') printer.setSpeed(word.speed)
    else printer.clear()
    return printer.report()
  }
  if (own && own.scale.id === id) {
    const body = await jsonBody(event, ForScale, 10_000)
    if (!body.ok) return body.problem
    if (body.value.action === 'tare') own.scale.tare()
    else own.scale.put(body.value.grams)
    return own.scale.report()
  }
  return problem(event, 404, 'No such instrument', 'GET /api/bench lists what stands there')
})
