/** Input of the verbs that take their own JSON: syntax and shape, as one line that names the field. */
import type { z } from 'zod'
import { DocumentError, parseJson, pathText, type JsonLimits } from '../core/document'

/** Loads and stations by the thousand are still an input; more is a mistake. */
export const LIMITS: JsonLimits = { bytes: 4_000_000, values: 100_000, depth: 16 }

export function parseInput<T extends z.ZodType>(schema: T, text: string): z.infer<T> {
  const raw = parseJson(text, 'an input', LIMITS)
  const parsed = schema.safeParse(raw)
  if (!parsed.success) {
    const issue = parsed.error.issues[0]
    throw new DocumentError(pathText(issue.path), issue.message)
  }
  return parsed.data
}
