/**
 * `npm test`: installs what is missing, checks types, lint and layers, runs unit and browser tests; last line
 * `N passed, N failed`.
 */
import { mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { built, installBrowser, installPackages, needNode, runBeside } from './lib.mjs'
import { TYPES } from './types.mjs'

// `npm run test:deep`: the same tests, properties at their full counts.
if (process.argv.includes('--deep')) process.env.MARIPOSA_DEEP = '1'

let passed = 0,
  failed = 0
const folder = mkdtempSync(join(tmpdir(), 'mariposa-test-'))

/** Checks whose figures are worth reading when they pass, too. */
const says = new Set(['sizes within their budget'])
const seconds = from => ((Date.now() - from) / 1000).toFixed(0)
/** Checks one after another; what one says is printed in one piece. `idle`: with what of the machine others leave. */
const lane = async (checks, idle = false) => {
  for (const [name, command, ...args] of checks) {
    const from = Date.now()
    const { status, output } = await runBeside(command, args, { idle })
    console.log(`\n== ${name}: ${status === 0 ? 'passed' : 'FAILED'} in ${seconds(from)} s`)
    if (status !== 0 || says.has(name)) console.log(output)
    if (status === 0) passed++
    else failed++
  }
}
/** A vitest project; its own counts are added, and a run that counted nothing is a failure. */
async function suite(name, project, { idle = false } = {}) {
  const report = join(folder, `${project}.json`)
  const from = Date.now()
  console.log(`\n== ${name} tests${idle ? ', beside the rest' : ''}`)
  const args = ['vitest', 'run', '--project', project, '--reporter=default', '--reporter=json']
  const { output } = await runBeside('npx', [...args, `--outputFile.json=${report}`], { idle })
  console.log(`${output}\n== ${name} tests in ${seconds(from)} s`)
  try {
    const { numPassedTests, numFailedTests, numTotalTestSuites, numFailedTestSuites } = JSON.parse(
      readFileSync(report, 'utf8'),
    )
    passed += numPassedTests
    failed += numFailedTests
    if (numTotalTestSuites === 0 || (numFailedTests === 0 && numFailedTestSuites > 0)) failed++
  } catch {
    failed++
  }
}

needNode()
installPackages()
installBrowser()
await lane([['types: prepared', 'npx', 'nuxt', 'prepare']])
/** What the types of the application, and its own tests, are read from: the build makes the folder anew. */
let announce
const folderMade = new Promise(resolve => (announce = resolve))
// A browser test waits for most of its time: what it leaves of two cores is enough for all the rest, at a priority at
// which pages are not kept waiting.
await Promise.all([
  (async () => {
    await lane([
      ...(built() ? [] : [['build', 'npx', 'nuxt', 'build']]),
      ['sizes within their budget', 'node', 'scripts/budget.mjs'],
    ])
    announce()
    await suite('browser', 'e2e')
  })(),
  (async () => {
    await lane(
      [
        TYPES.core,
        TYPES.cli,
        ['lint and rooms', 'npx', 'eslint', '.'],
        ['form', 'npx', 'prettier', '--check', '--log-level', 'warn', '.'],
      ],
      true,
    )
    await folderMade
    const unused = ['circles, unused files and undeclared packages', 'npx', 'knip', '--no-progress']
    await lane([TYPES.server, TYPES.node, TYPES.app, unused], true)
  })(),
  (async () => {
    await folderMade
    await suite('core and command line', 'unit', { idle: true })
    await suite('application', 'app', { idle: true })
  })(),
])

console.log(`\n${passed} passed, ${failed} failed`)
process.exit(failed === 0 ? 0 : 1)
