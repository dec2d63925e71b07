/** The production build on a free port of this machine. */
import { spawn, type ChildProcess } from 'node:child_process'
import { cpSync, existsSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { RUN } from './run'

export async function freePort(): Promise<number> {
  return new Promise((resolve, reject) => {
    const probe = createServer()
    probe.once('error', reject)
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number }
      probe.close(() => resolve(port))
    })
  })
}

export interface RunningServer {
  url: string
  pid: number
  /** Ends when it is gone. */
  stop(): Promise<void>
}

/** A build whose files are the project's and whose version is another: what a maker gets who updates. */
export function newerBuild(): string {
  const folder = mkdtempSync(join(tmpdir(), 'mariposa-newer-'))
  cpSync(OUTPUT, folder, { recursive: true })
  const worker = join(folder, 'public', 'sw.js')
  const text = readFileSync(worker, 'utf8')
  const version = /mariposa-([0-9a-f]{12})/.exec(text)?.[1]
  if (!version) throw new Error('the service worker names no version')
  writeFileSync(worker, text.replaceAll(version, version.split('').reverse().join('')))
  // The server answers by the tags that it was built with: the worker's is another one then.
  const chunks = join(folder, 'server', 'chunks', 'nitro', 'nitro.mjs')
  const server = readFileSync(chunks, 'utf8')
  writeFileSync(
    chunks,
    server.replace(/("\/sw\.js": \{[^}]*?"etag": "\\")([^"]*?)(\\")/, (_, before, tag, after) =>
      [before, tag.split('').reverse().join(''), after].join(''),
    ),
  )
  return folder
}

export const OUTPUT = new URL('../../.output', import.meta.url).pathname

/** `output`: another build than the project's; `port`: a certain one. */
export async function startServer({ output = OUTPUT, port = 0 } = {}): Promise<RunningServer> {
  const entry = join(output, 'server', 'index.mjs')
  if (!existsSync(entry)) throw new Error('There is no build: run `npm run build` first')
  port ||= await freePort()
  const child: ChildProcess = spawn(process.execPath, [entry, `--of=${RUN}`], {
    env: {
      ...process.env,
      MARIPOSA_BENCH: '1',
      MARIPOSA_HANDOVER: '1',
      PORT: String(port),
      NITRO_PORT: String(port),
    },
    stdio: 'ignore',
  })
  const url = `http://127.0.0.1:${port}`
  for (let i = 0; i < 100; i++) {
    if (
      await fetch(`${url}/api/health`).then(
        answer => answer.ok,
        () => false,
      )
    )
      return {
        url,
        pid: child.pid!,
        stop: () =>
          new Promise(resolve => {
            if (child.exitCode !== null || child.signalCode !== null) return resolve()
            child.once('exit', () => resolve())
            child.kill()
          }),
      }
    await new Promise(resolve => setTimeout(resolve, 100))
  }
  child.kill()
  throw new Error('The server did not answer within 10 s')
}
