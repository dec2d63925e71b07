/**
 * Reads a request's body, stopping as soon as it passes the limit of size or of time instead of after it has all
 * arrived: who sends slowly holds a turn.
 */
import type { H3Event } from 'h3'

export async function limitedBody(
  event: H3Event,
  maxBytes: number,
  maxMs: number,
): Promise<Uint8Array<ArrayBuffer> | 'large' | 'late'> {
  if (Number(getRequestHeader(event, 'content-length') ?? 0) > maxBytes) return 'large'
  const { req } = event.node
  let late = false
  const clock = setTimeout(() => {
    late = true
    req.destroy()
  }, maxMs)
  const chunks: Buffer[] = []
  let size = 0
  try {
    for await (const chunk of req as AsyncIterable<Buffer>) {
      size += chunk.length
      if (size > maxBytes) return 'large'
      chunks.push(chunk)
    }
  } catch (fault) {
    if (!late) throw fault
    return 'late'
  } finally {
    clearTimeout(clock)
  }
  // Memory of its own: a shared one could not be handed to a thread.
  const body = new Uint8Array(size)
  let at = 0
  for (const chunk of chunks) {
    body.set(chunk, at)
    at += chunk.length
  }
  return body
}
