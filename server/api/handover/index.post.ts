/** A project on its way to another machine: in memory for some minutes, under a code. */
import { MAX_PROJECT_BYTES } from '../../../core/document'
import { handover } from '../../utils/handover'
import { limitedBody } from '../../utils/limited-body'
import { problem } from '../../utils/problem'

const SEND_LIMIT_MS = 20_000

export default defineEventHandler(async event => {
  const own = handover()
  if (!own) return problem(event, 404, 'Not open', 'this server was started without MARIPOSA_HANDOVER=1')
  const type = (getRequestHeader(event, 'content-type') ?? '').split(';')[0]!.trim().toLowerCase()
  if (type !== 'application/json')
    return problem(
      event,
      415,
      'Unsupported type',
      `send the project as application/json, not as "${type.slice(0, 60)}"`,
    )
  const body = await limitedBody(event, MAX_PROJECT_BYTES, SEND_LIMIT_MS)
  if (body === 'late') return problem(event, 408, 'Too slow', 'the body did not arrive in time')
  if (body === 'large')
    return problem(event, 413, 'Too large', `a project has at most ${MAX_PROJECT_BYTES / 1e6} MB`)
  const given = own.give(body)
  if (given) return given
  setResponseHeader(event, 'retry-after', 60)
  return problem(event, 503, 'Full', 'too much is waiting to be fetched; try again in some minutes')
})
