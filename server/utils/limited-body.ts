/** Reads a request's body, stopping as soon as it passes the limit instead of after it has all arrived. */
import type { H3Event } from 'h3'

export async function limitedBody(event: H3Event, maxBytes: number): Promise<string | null> {
  if (Number(getRequestHeader(event, 'content-length') ?? 0) > maxBytes) return null
  const chunks: Buffer[] = []
  let size = 0
  for await (const chunk of event.node.req as AsyncIterable<Buffer>) {
    size += chunk.length
    if (size > maxBytes) return null
    chunks.push(chunk)
  }
  return Buffer.concat(chunks).toString('utf8')
}
