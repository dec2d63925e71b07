/**
 * `npm run demo`: installs what is missing, builds, serves the production build on a free port and says
 * where.
 */
import { spawn } from 'node:child_process'
import { createServer } from 'node:net'
import { join } from 'node:path'
import { build, fail, installPackages, needNode, root } from './lib.mjs'

const canListen = port =>
  new Promise(resolve => {
    const probe = createServer()
    probe.once('error', () => resolve(false))
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)))
  })

needNode()
installPackages()
if (build() !== 0) fail('The build failed: see above.')

const wanted = process.env.PORT
if (
  wanted !== undefined &&
  !(Number.isInteger(Number(wanted)) && Number(wanted) > 0 && Number(wanted) < 65536)
)
  fail(`PORT=${wanted} is not a port; give a whole number from 1 to 65535.`)
if (wanted !== undefined && !(await canListen(Number(wanted))))
  fail(`Port ${wanted} is taken; choose another, or leave PORT out.`)
let port = Number(wanted ?? 3000)
while (!(await canListen(port))) port++

const server = spawn(process.execPath, [join(root, '.output', 'server', 'index.mjs')], {
  stdio: ['ignore', 'ignore', 'inherit'],
  env: {
    ...process.env,
    // The simulated printers and the scale of the bench.
    MARIPOSA_BENCH: '1',
    HOST: process.env.HOST ?? '127.0.0.1',
    PORT: String(port),
    NITRO_PORT: String(port),
  },
})
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal))
server.on('exit', code => process.exit(code ?? 0))

for (let i = 0; i < 100; i++) {
  const ok = await fetch(`http://127.0.0.1:${port}/api/health`).then(
    answer => answer.ok,
    () => false,
  )
  if (ok) {
    console.log(
      `\nMariposa is at  http://localhost:${port}/\nIt opens on the demo aircraft, Thistledown. Ctrl-C stops it.`,
    )
    break
  }
  await new Promise(resolve => setTimeout(resolve, 100))
}
