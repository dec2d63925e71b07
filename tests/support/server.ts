/** The production build on a free port of this machine. */
import { spawn, type ChildProcess } from 'node:child_process'
import { existsSync } from 'node:fs'
import { createServer } from 'node:net'
import { join } from 'node:path'

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
  stop(): void
}

export const OUTPUT = new URL('../../.output', import.meta.url).pathname

/** `output`: another build than the project's; `port`: a certain one. */
export async function startServer({ output = OUTPUT, port = 0 } = {}): Promise<RunningServer> {
  const entry = join(output, 'server', 'index.mjs')
  if (!existsSync(entry)) throw new Error('There is no build: run `npm run build` first')
  port ||= await freePort()
  const child: ChildProcess = spawn(process.execPath, [entry], {
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
      return { url, pid: child.pid!, stop: () => child.kill() }
    await new Promise(resolve => setTimeout(resolve, 100))
  }
  child.kill()
  throw new Error('The server did not answer within 10 s')
}
