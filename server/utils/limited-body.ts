/** Reads a request's body, stopping as soon as it passes the limit instead of after it has all arrived. */
import type { H3Event } from 'h3'

/** Null past the limit. */
export async function limitedBody(event: H3Event, maxBytes: number): Promise<Uint8Array<ArrayBuffer> | null> {
  if (Number(getRequestHeader(event, 'content-length') ?? 0) > maxBytes) return null
  const chunks: Buffer[] = []
  let size = 0
  for await (const chunk of event.node.req as AsyncIterable<Buffer>) {
    size += chunk.length
    if (size > maxBytes) return null
    chunks.push(chunk)
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
