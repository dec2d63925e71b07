/** A checked JSON body of limited size, or the problem to answer with. */
import type { H3Event } from 'h3'
import type { z } from 'zod'
import { limitedBody } from './limited-body'
import { problem, type Problem } from './problem'

const SEND_LIMIT_MS = 20_000

export async function jsonBody<T extends z.ZodType>(
  event: H3Event,
  shape: T,
  maxBytes: number,
): Promise<{ ok: true; value: z.infer<T> } | { ok: false; problem: Problem }> {
  // A form of another page cannot send this type unasked.
  const type = (getRequestHeader(event, 'content-type') ?? '').split(';')[0]!.trim().toLowerCase()
  const no = (status: number, title: string, detail: string, path?: string) =>
    ({ ok: false, problem: problem(event, status, title, detail, path) }) as const
  if (type !== 'application/json')
    return no(415, 'Unsupported type', `send application/json, not "${type.slice(0, 60)}"`)
  const body = await limitedBody(event, maxBytes, SEND_LIMIT_MS)
  if (body === 'late') return no(408, 'Too slow', 'the body did not arrive in time')
  if (body === 'large') return no(413, 'Too large', `at most ${maxBytes / 1e6} MB`)
  let raw: unknown
  try {
    raw = JSON.parse(new TextDecoder().decode(body))
  } catch {
    return no(422, 'Not JSON', 'the body is not JSON')
  }
  const parsed = shape.safeParse(raw)
  if (!parsed.success) {
    const issue = parsed.error.issues[0]!
    return no(422, 'Not understood', issue.message.slice(0, 200), issue.path.join('.'))
  }
  return { ok: true, value: parsed.data }
}
