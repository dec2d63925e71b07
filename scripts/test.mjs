/**
 * `npm test`: installs what is missing, checks types, lint and layers, runs unit and browser tests; last line
 * `N passed, N failed`.
 */
import { mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { built, installBrowser, installPackages, needNode, runBeside, runOn } from './lib.mjs'

// `npm run test:deep`: the same tests, properties at their full counts.
if (process.argv.includes('--deep')) process.env.MARIPOSA_DEEP = '1'

let passed = 0,
  failed = 0
const folder = mkdtempSync(join(tmpdir(), 'mariposa-test-'))

/** Checks whose figures are worth reading when they pass, too. */
const says = new Set(['sizes within their budget'])
const seconds = from => ((Date.now() - from) / 1000).toFixed(0)
/** Checks that each use one core, in lanes beside each other; what one says is printed in one piece. */
const lane = async checks => {
  for (const [name, command, ...args] of checks) {
    const from = Date.now()
    const { status, output } = await runBeside(command, args)
    console.log(`\n== ${name}: ${status === 0 ? 'passed' : 'FAILED'} in ${seconds(from)} s`)
    if (status !== 0 || says.has(name)) console.log(output)
    if (status === 0) passed++
    else failed++
  }
}
/** Vitest projects; their own counts are added, and a run that counted nothing is a failure. */
async function suite(name, ...projects) {
  const report = join(folder, `${name}.json`)
  const from = Date.now()
  console.log(`\n== ${name} tests`)
  await runOn('npx', [
    'vitest',
    'run',
    ...projects.flatMap(project => ['--project', project]),
    '--reporter=default',
    '--reporter=json',
    `--outputFile.json=${report}`,
  ])
  console.log(`== ${name} tests in ${seconds(from)} s`)
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
console.log('\n== types, form, lint and build')
await lane([['types: prepared', 'npx', 'nuxt', 'prepare']])
await Promise.all([
  lane([
    ['types: core without DOM', 'npx', 'tsc', '-p', 'core/tsconfig.json'],
    ['types: command line, tests and scripts', 'npx', 'tsc', '-p', 'cli/tsconfig.json'],
    ['types: application', 'npx', 'vue-tsc', '-b', '--noEmit'],
    ['form', 'npx', 'prettier', '--check', '--log-level', 'warn', '.'],
  ]),
  lane([
    ['circles, unused files and undeclared packages', 'npx', 'knip', '--no-progress'],
    ['lint and rooms', 'npx', 'eslint', '.'],
  ]),
])
// It makes the folder anew that the type checker and the application's own tests read: beside it run those of the core.
await Promise.all([
  lane([
    ...(built() ? [] : [['build', 'npx', 'nuxt', 'build']]),
    ['sizes within their budget', 'node', 'scripts/budget.mjs'],
  ]),
  suite('core and command line', 'unit'),
])
// One after the other: together they would be four at once, and pages would wait.
await suite('application', 'app')
await suite('browser', 'e2e')

console.log(`\n${passed} passed, ${failed} failed`)
process.exit(failed === 0 ? 0 : 1)
