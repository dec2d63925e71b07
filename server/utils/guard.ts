/**
 * Who may ask: a page that this server did not serve must not, nor one whose name was bent to this machine.
 * The answer to a request is decided from its head alone.
 */
import type { IncomingHttpHeaders } from 'node:http'

export interface Asked {
  method: string
  path: string
  headers: IncomingHttpHeaders
  /** The address of this machine that the connection came to. */
  localAddress: string | undefined
}
export interface Refusal {
  status: 403 | 405 | 421
  title: string
  detail: string
  allow?: string
}

const LOOPBACK = ['localhost', '127.0.0.1', '[::1]']
/** What each route takes; everything else is read only. */
const METHODS: ReadonlyArray<[RegExp, readonly string[]]> = [
  [/^\/api\/assess$/, ['POST']],
  [/^\/api\/handover$/, ['GET', 'HEAD', 'POST']],
  [/^\/api\/bench\/[\w-]+\/(print|control)$/, ['POST']],
]
const READ = ['GET', 'HEAD']

/** `name:port` or `[address]:port` without its port, in small letters. */
export const hostName = (host: string): string => host.toLowerCase().replace(/:\d+$/, '')

/** `hosts`: further names that this server is known by. Null where the request may go on. */
export function refusal(
  { method, path, headers, localAddress }: Asked,
  hosts: readonly string[],
): Refusal | null {
  const host = headers.host ?? ''
  // Addresses cannot be bent as names can: the one that was connected to is its own proof.
  const reached = localAddress?.replace(/^::ffff:/, '')
  const own = [...LOOPBACK, ...hosts, ...(reached ? [reached, `[${reached}]`] : [])]
  if (!own.includes(hostName(host)))
    return {
      status: 421,
      title: 'Another host',
      detail: `this server is not "${host.slice(0, 60)}"; name it in MARIPOSA_HOSTS if it should be`,
    }
  const { origin } = headers
  if (origin !== undefined && origin !== `http://${host}` && origin !== `https://${host}`)
    return {
      status: 403,
      title: 'Another origin',
      detail: `a page of "${origin.slice(0, 60)}" may not ask this server`,
    }
  const route = path.replace(/[?#].*$/s, '')
  const allowed = METHODS.find(([pattern]) => pattern.test(route))?.[1] ?? READ
  if (!allowed.includes(method))
    return {
      status: 405,
      title: 'Method not allowed',
      detail: `this address takes ${allowed.join(' and ')}`,
      allow: allowed.join(', '),
    }
  return null
}
