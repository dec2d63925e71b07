/** A machine file for a printer of the bench: `{ gcode, job, speed }`. */
import { z } from 'zod'
import { bench } from '../../../bench/bench'
import { FASTEST } from '../../../bench/simulated-printer'
import { jsonBody } from '../../../utils/json-body'
import { problem } from '../../../utils/problem'

/** A simulated printer keeps the file in memory while it reads it. */
const MAX_BYTES = 40_000_000
const Body = z.strictObject({
  gcode: z.string().min(1),
  job: z.string().min(1).max(80),
  speed: z.number().min(1).max(FASTEST).default(60),
})

export default defineEventHandler(async event => {
  const printer = bench()?.printers.find(item => item.id === getRouterParam(event, 'id'))
  if (!printer) return problem(event, 404, 'No such printer', 'GET /api/bench lists what stands there')
  const body = await jsonBody(event, Body, MAX_BYTES)
  if (!body.ok) return body.problem
  try {
    printer.print(body.value.gcode, body.value.job, body.value.speed)
  } catch (fault) {
    return problem(event, 422, 'Not printed', (fault as Error).message)
  }
  return printer.report()
})
