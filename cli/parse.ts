/** Input of the verbs that take their own JSON: syntax and shape, as one line that names the field. */
import type { z } from 'zod'
import { DocumentError, pathText } from '../core/document'

export function parseInput<T extends z.ZodType>(schema: T, text: string): z.infer<T> {
  let raw: unknown
  try {
    raw = JSON.parse(text)
  } catch (fault) {
    throw new DocumentError('', `not JSON: ${(fault as Error).message.slice(0, 120)}`)
  }
  const parsed = schema.safeParse(raw)
  if (!parsed.success) {
    const issue = parsed.error.issues[0]
    throw new DocumentError(pathText(issue.path), issue.message)
  }
  return parsed.data
}
