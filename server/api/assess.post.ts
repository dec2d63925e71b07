/**
 * The same assessment as in the page, for scripts on this machine: a project file in, verdicts and findings
 * out.
 */
import { MAX_PROJECT_BYTES } from '../../core/document'
import { ASSESS_LIMIT_MS, assessBeside, inTurn } from '../utils/assess-pool'
import { limitedBody } from '../utils/limited-body'
import { problem } from '../utils/problem'

/** A project file comes over this machine's loopback in a moment; who trickles holds up the others. */
const SEND_LIMIT_MS = 10_000

export default defineEventHandler(async event => {
  // A form of another page cannot send this type unasked.
  const type = (getRequestHeader(event, 'content-type') ?? '').split(';')[0]!.trim().toLowerCase()
  if (type !== 'application/json')
    return problem(
      event,
      415,
      'Unsupported type',
      `send the project file as application/json, not as "${type.slice(0, 60)}"`,
    )
  const coding = (getRequestHeader(event, 'content-encoding') ?? 'identity').trim().toLowerCase()
  if (coding !== 'identity') {
    setResponseHeader(event, 'accept-encoding', 'identity')
    return problem(
      event,
      415,
      'Unsupported coding',
      `bodies packed with "${coding.slice(0, 30)}" are not unpacked; send it as it is`,
    )
  }
  const answer = await inTurn(async () => {
    const body = await limitedBody(event, MAX_PROJECT_BYTES, SEND_LIMIT_MS)
    // Its connection is closed: it hears of it by that.
    if (body === 'late') return problem(event, 408, 'Too slow', 'the body did not arrive in time')
    if (body === 'large')
      return problem(event, 413, 'Too large', `a project file has at most ${MAX_PROJECT_BYTES / 1e6} MB`)
    const outcome = await assessBeside(body)
    if (outcome.ok) {
      setResponseHeader(event, 'content-type', 'application/json')
      return outcome.json
    }
    if ('reason' in outcome) return problem(event, 422, 'Not a project file', outcome.reason, outcome.path)
    return outcome.stopped === 'slow'
      ? problem(event, 422, 'Too heavy', `the assessment was stopped after ${ASSESS_LIMIT_MS / 1000} s`)
      : problem(event, 422, 'Too heavy', 'the assessment ran out of its memory')
  })
  if (answer !== null) return answer
  setResponseHeader(event, 'retry-after', 10)
  return problem(event, 503, 'Busy', 'too many assessments are waiting; ask again later')
})
