/** Hands a project out, once. What it says is checked by the page that reads it, as any file is. */
import { handover } from '../../utils/handover'
import { problem } from '../../utils/problem'

export default defineEventHandler(event => {
  const own = handover()
  if (!own) return problem(event, 404, 'Not open', 'this server was started without MARIPOSA_HANDOVER=1')
  const handed = own.take((getRouterParam(event, 'code') ?? '').toUpperCase())
  if (!handed.ok)
    return handed.why === 'guessing'
      ? problem(event, 429, 'Wait', 'too many wrong codes; wait a minute')
      : problem(event, 404, 'No such code', 'it is wrong, was used already, or its minutes are over')
  setResponseHeader(event, 'content-type', 'application/json')
  setResponseHeader(event, 'cache-control', 'no-store')
  return handed.body
})
