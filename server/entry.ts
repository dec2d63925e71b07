/**
 * The server as it is run: on this machine's loopback address unless `HOST` opens it, and only for pages that
 * it served itself.
 */
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { toNodeListener } from 'h3'
import { useNitroApp } from 'nitropack/runtime'
import { refusal } from './utils/guard'

const host = process.env.NITRO_HOST || process.env.HOST || '127.0.0.1'
const port = Number(process.env.NITRO_PORT || process.env.PORT || 3000)
const hosts = (process.env.MARIPOSA_HOSTS ?? '')
  .split(',')
  .map(name => name.trim().toLowerCase())
  .filter(Boolean)

/** The log of a server is its standard error. */
const say = (text: string) => process.stderr.write(`${text}\n`)

const nitro = useNitroApp()
const answer = toNodeListener(nitro.h3App)
const server = createServer((request, response) => {
  const refused = refusal(
    {
      method: request.method ?? '',
      path: request.url ?? '/',
      headers: request.headers,
      localAddress: request.socket.localAddress,
    },
    hosts,
  )
  if (!refused) return void answer(request, response)
  const { allow, ...problem } = refused
  // What was sent along is not read; the connection ends with the answer.
  response.writeHead(refused.status, {
    'content-type': 'application/problem+json',
    'x-content-type-options': 'nosniff',
    connection: 'close',
    ...(allow ? { allow } : {}),
  })
  response.end(JSON.stringify(problem))
})
// Who sends slowly holds a connection for a minute at most.
server.headersTimeout = 10_000
server.requestTimeout = 60_000

server.on('error', fault => {
  say(`Mariposa cannot listen on ${host}, port ${port}: ${fault.message}`)
  process.exit(1)
})
server.listen(port, host, () => {
  const { address, family, port: taken } = server.address() as AddressInfo
  say(`Mariposa listens on http://${family === 'IPv6' ? `[${address}]` : address}:${taken}`)
  if (!['127.0.0.1', '::1'].includes(address))
    say(
      'HOST opens it to other machines: whoever reaches this address can use it. Names besides the address itself are listed in MARIPOSA_HOSTS.',
    )
})
// One broken request is written down; the others go on.
for (const kind of ['unhandledRejection', 'uncaughtException'] as const)
  process.on(kind, (fault: unknown) =>
    say(`${kind}: ${fault instanceof Error ? fault.stack : String(fault)}`),
  )
for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.on(signal, () => {
    server.close(() => process.exit(0))
    server.closeAllConnections()
  })
