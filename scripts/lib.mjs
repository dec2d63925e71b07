/**
 * What the demo and the tests both need from a fresh machine. Plain JavaScript: it runs before anything is
 * installed.
 */
import { spawn, spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { constants, setPriority } from 'node:os'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = join(dirname(fileURLToPath(import.meta.url)), '..')

/** Runs a command to its end with its output on ours; the exit status comes back. */
export function run(command, args, { env = {}, quiet = false } = {}) {
  const result = spawnSync(command, args, {
    cwd: root,
    stdio: quiet ? 'pipe' : 'inherit',
    env: { ...process.env, ...env },
    encoding: 'utf8',
    maxBuffer: 1e9,
  })
  return { status: result.status ?? 1, output: `${result.stdout ?? ''}${result.stderr ?? ''}` }
}

/** Room for what lives briefly: with the usual 16 MB a tenth of a check's time goes into clearing it away. */
const ROOMY = [process.env.NODE_OPTIONS, '--max-semi-space-size=64'].filter(Boolean).join(' ')

/**
 * As `run`, beside others: what it says comes back in one piece. `idle`: it and what it starts take what of the machine
 * the others leave.
 */
export function runBeside(command, args, { idle = false } = {}) {
  return new Promise(resolve => {
    let output = ''
    const env = { ...process.env, NODE_OPTIONS: ROOMY, NUXT_TELEMETRY_DISABLED: '1' }
    const child = spawn(command, args, { cwd: root, env })
    try {
      if (idle && child.pid) setPriority(child.pid, constants.priority.PRIORITY_LOW)
    } catch {
      // Where priorities cannot be set it goes beside them all the same.
    }
    child.stdout.on('data', data => (output += data))
    child.stderr.on('data', data => (output += data))
    child.on('error', fault => resolve({ status: 1, output: fault.message }))
    child.on('close', status => resolve({ status: status ?? 1, output }))
  })
}

export function fail(message) {
  console.error(message)
  process.exit(1)
}

export function needNode() {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major < 20 || (major === 20 && minor < 19))
    fail(`Node ${process.versions.node} is too old: Mariposa needs 20.19 or newer.`)
}

const lockHash = () =>
  createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex')

/** Packages as the lock file says; nothing is done when they are there already. */
export function installPackages() {
  const mark = join(root, 'node_modules', '.mariposa-lock')
  if (existsSync(mark) && readFileSync(mark, 'utf8') === lockHash()) return
  console.log('Installing packages …')
  if (run('npm', ['ci', '--no-fund', '--no-audit']).status !== 0)
    fail('Packages could not be installed: see above. The npm registry must be reachable once.')
  writeFileSync(mark, lockHash())
}

/** Debian's Chromium and its driver; installed by apt when they are missing. */
export function installBrowser() {
  const chromium = process.env.CHROMIUM ?? '/usr/bin/chromium',
    driver = process.env.CHROMEDRIVER ?? '/usr/bin/chromedriver'
  if (existsSync(chromium) && existsSync(driver)) return
  console.log('Installing Chromium and ChromeDriver …')
  const sudo = process.getuid?.() === 0 ? [] : ['sudo']
  const apt = args =>
    run(sudo[0] ?? 'apt-get', [...(sudo.length ? ['apt-get'] : []), ...args], {
      env: { DEBIAN_FRONTEND: 'noninteractive' },
      quiet: true,
    })
  apt(['update', '-qq'])
  const { status, output } = apt([
    'install',
    '-y',
    '-qq',
    '--no-install-recommends',
    'chromium',
    'chromium-driver',
    'fonts-dejavu-core',
  ])
  if (status !== 0 || !existsSync(chromium))
    fail(
      `Chromium could not be installed:\n${output.slice(-2000)}\nInstall Debian's chromium and chromium-driver, or set CHROMIUM and CHROMEDRIVER.`,
    )
}

const SOURCES = ['app', 'core', 'server', 'public', 'nuxt.config.ts', 'package-lock.json']
function newest(path) {
  const info = statSync(path)
  if (!info.isDirectory()) return info.mtimeMs
  return Math.max(info.mtimeMs, ...readdirSync(path).map(name => newest(join(path, name))))
}

/** Whether the last build is newer than every source. */
export function built() {
  const entry = join(root, '.output', 'server', 'index.mjs')
  return (
    existsSync(entry) && statSync(entry).mtimeMs > Math.max(...SOURCES.map(name => newest(join(root, name))))
  )
}

/** Builds the production application unless the last build is newer than every source. */
export function build() {
  if (built()) return 0
  console.log('Building (about a minute) …')
  const { status, output } = run('npx', ['nuxt', 'build'], {
    quiet: true,
    env: { NUXT_TELEMETRY_DISABLED: '1' },
  })
  if (status !== 0) console.error(output)
  return status
}
