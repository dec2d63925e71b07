/** One shape for everything that goes wrong in a route: RFC 9457's `application/problem+json`. */
import type { H3Event } from 'h3'

export interface Problem {
  title: string
  status: number
  detail: string
  path?: string
}

export function problem(
  event: H3Event,
  status: number,
  title: string,
  detail: string,
  path?: string,
): Problem {
  setResponseStatus(event, status)
  setResponseHeader(event, 'content-type', 'application/problem+json')
  return { title, status, detail, ...(path ? { path } : {}) }
}
