/** The server under foreign pages, wrong methods and a crowd of heavy documents. */
import { request } from 'node:http'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { readFileSync } from 'node:fs'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { assess } from '../../core/assess'
import { DEMOS } from '../../core/demo'
import { writeProject } from '../../core/document'
import { DEEP, runs } from '../../core/testing/runs'
import { openBrowser } from '../support/browser'
import { startServer, type RunningServer } from '../support/server'

let server: RunningServer
beforeAll(async () => {
  server = await startServer()
})
afterAll(() => server.stop())

const post = (body: string, headers: Record<string, string> = { 'content-type': 'application/json' }) =>
  fetch(`${server.url}/api/assess`, { method: 'POST', body, headers })
/** With a `Host` of its own, which `fetch` does not send. */
const asHost = (host: string) =>
  new Promise<number>((resolve, reject) => {
    const { port } = new URL(server.url)
    request({ host: '127.0.0.1', port, path: '/', headers: { host } }, answer => {
      answer.resume()
      resolve(answer.statusCode!)
    })
      .on('error', reject)
      .end()
  })

describe('the server', () => {
  it('assesses as the core does, and answers problems in one shape', async () => {
    const good = (await (await post(writeProject(DEMOS[0]))).json()) as { totals: { massG: number } }
    expect(good.totals.massG).toBeCloseTo(assess(DEMOS[0]).totals.massG, 9)
    const json = { 'content-type': 'application/json' }
    const cases: Array<[Response, number]> = [
      [await post('{'), 422],
      [await post(`[${'{},'.repeat(700_000)}{}]`), 422],
      [await post(JSON.stringify({ ...DEMOS[0], equipment: Array(50_000).fill({}) })), 422],
      [await post('x'.repeat(64_100_000)), 413],
      [await post('{}', { 'content-type': 'text/plain' }), 415],
      [await post('{}', { ...json, 'content-encoding': 'gzip' }), 415],
      [await post('{}', { ...json, origin: 'http://evil.example' }), 403],
      [await fetch(`${server.url}/api/assess`), 405],
      [await fetch(server.url, { method: 'PUT' }), 405],
      [await fetch(`${server.url}/api/nothing`), 404],
    ]
    for (const [answer, status] of cases) {
      expect(answer.status).toBe(status)
      expect(answer.headers.get('content-type')).toContain('application/problem+json')
      expect(await answer.json()).toMatchObject({
        status,
        title: expect.any(String),
        detail: expect.any(String),
      })
    }
  })
  it.runIf(DEEP)('who trickles a body loses the connection, and those behind get their turn', async () => {
    const { port } = new URL(server.url)
    const trickle = () =>
      new Promise<string>(resolve => {
        const headers = { host: 'localhost', 'content-type': 'application/json', 'content-length': 1000 }
        const asked = request(
          { host: '127.0.0.1', port, path: '/api/assess', method: 'POST', headers },
          answer => resolve(String(answer.statusCode)),
        )
        asked.on('error', () => resolve('closed'))
        asked.write('{')
      })
    // As many as have a turn at once.
    const slow = [trickle(), trickle()]
    expect((await post(writeProject(DEMOS[0]))).status).toBe(200)
    expect(await Promise.all(slow)).toEqual(['closed', 'closed'])
  })
  it('knows its own names alone', async () => {
    expect(await asHost('localhost')).toBe(200)
    expect(await asHost('evil.example')).toBe(421)
  })
  it('the page is asked for anew, its assets are kept; a missing one is not the page', async () => {
    const page = await fetch(server.url)
    expect(page.headers.get('cache-control')).toBe('no-cache')
    expect(page.headers.get('x-powered-by')).toBeNull()
    const asset = /\/_nuxt\/[^"]+\.js/.exec(await page.text())![0]
    expect((await fetch(server.url + asset)).headers.get('cache-control')).toMatch(/immutable/)
    const missing = await fetch(`${server.url}/_nuxt/gone.js`)
    expect(missing.status).toBe(404)
    expect(missing.headers.get('cache-control') ?? '').not.toMatch(/immutable/)
  })
  it('a page of another origin in a browser can neither ask nor read', async () => {
    const foreign = createServer((_, response) =>
      response.setHeader('content-type', 'text/html').end('<!doctype html><title>another</title>'),
    )
    await new Promise<void>(resolve => foreign.listen(0, '127.0.0.1', resolve))
    const browser = await openBrowser({ watchNetwork: false })
    try {
      await browser.driver.get(`http://127.0.0.1:${(foreign.address() as AddressInfo).port}/`)
      const tried = await browser.driver.executeAsyncScript<string[]>(
        `const done = arguments[arguments.length - 1], url = arguments[0], body = arguments[1]
        const ask = options => fetch(url + '/api/assess', { method: 'POST', body, ...options }).then(
          answer => answer.type === 'opaque' ? 'opaque' : String(answer.status), () => 'refused')
        Promise.all([ask({}), ask({ headers: { 'content-type': 'application/json' } }), ask({ mode: 'no-cors' })]).then(done)`,
        server.url,
        writeProject(DEMOS[0]),
      )
      // What is asked without being allowed to read is answered 403, which the page does not see.
      expect(tried.slice(0, 2)).toEqual(['refused', 'refused'])
      expect(['opaque', 'refused']).toContain(tried[2])
    } finally {
      await browser.close()
      foreign.close()
    }
  })
  it.runIf(DEEP)(
    'a crowd of heavy documents is answered or turned away, and health is there all the while',
    async () => {
      const heavy = structuredClone(DEMOS[0])
      // Each is another aircraft: nothing is remembered from one to the next.
      const crowd = Array.from({ length: runs(50, 12) }, (_, i) => {
        heavy.wing.panels[0].spanMm = 300 + i
        return post(writeProject(heavy)).then(
          async answer => ({ status: answer.status, text: await answer.text() }),
          () => null,
        )
      })
      let running = true
      const waits: number[] = []
      const watch = (async () => {
        while (running) {
          const from = performance.now()
          expect((await fetch(`${server.url}/api/health`)).status).toBe(200)
          waits.push(performance.now() - from)
        }
      })()
      const answers = await Promise.all(crowd)
      running = false
      await watch
      for (const answer of answers) {
        expect(answer, 'a connection was dropped').not.toBeNull()
        expect([200, 422, 503]).toContain(answer!.status)
        if (answer!.status !== 200) expect(JSON.parse(answer!.text).detail).toMatch(/s$|later$|memory$/)
      }
      expect(answers.some(answer => answer!.status === 200)).toBe(true)
      // Half of the answers well under what a person notices; the slowest may meet a loaded machine.
      expect([...waits].sort((a, b) => a - b)[Math.floor(waits.length / 2)]).toBeLessThan(100)
      expect(residentMb(server.pid)).toBeLessThan(1000)
    },
  )
})

const residentMb = (pid: number): number =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))![1]) / 1024
