/**
 * The same assessment as in the page, for scripts on this machine: a project file in, verdicts and findings
 * out.
 */
import { assess } from '../../core/assess'
import { DocumentError, MAX_PROJECT_BYTES, readProject } from '../../core/document'
import { limitedBody } from '../utils/limited-body'
import { problem } from '../utils/problem'

export default defineEventHandler(async event => {
  const body = await limitedBody(event, MAX_PROJECT_BYTES)
  if (body === null)
    return problem(event, 413, 'Too large', `a project file has at most ${MAX_PROJECT_BYTES / 1e6} MB`)
  try {
    const { verdicts, findings, totals } = assess(readProject(body))
    return { verdicts, findings, totals }
  } catch (fault) {
    if (fault instanceof DocumentError)
      return problem(event, 422, 'Not a project file', fault.reason, fault.path)
    throw fault
  }
})
