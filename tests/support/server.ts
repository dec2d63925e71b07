/** The production build on a free port of this machine. */
import { spawn, type ChildProcess } from 'node:child_process'
import { existsSync } from 'node:fs'
import { createServer } from 'node:net'

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

export async function startServer(): Promise<RunningServer> {
  const entry = new URL('../../.output/server/index.mjs', import.meta.url).pathname
  if (!existsSync(entry)) throw new Error('There is no build: run `npm run build` first')
  const port = await freePort()
  const child: ChildProcess = spawn(process.execPath, [entry], {
    env: {
      ...process.env,
      MARIPOSA_BENCH: '1',
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
