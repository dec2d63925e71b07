/**
 * `npm test`: installs what is missing, checks types, lint and layers, runs unit and browser tests; last line
 * `N passed, N failed`.
 */
import { mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { build, installBrowser, installPackages, needNode, run } from './lib.mjs'

// `npm run test:deep`: the same tests, properties at their full counts.
if (process.argv.includes('--deep')) process.env.MARIPOSA_DEEP = '1'

let passed = 0,
  failed = 0
const folder = mkdtempSync(join(tmpdir(), 'mariposa-test-'))

function step(name, work) {
  const from = Date.now()
  console.log(`\n== ${name}`)
  const ok = work() === 0
  console.log(`== ${name}: ${ok ? 'passed' : 'FAILED'} in ${((Date.now() - from) / 1000).toFixed(0)} s`)
  return ok
}
const check = (name, work) => {
  if (step(name, work)) passed++
  else failed++
}
/** A Vitest project; its own counts are added, and a run that counted nothing is a failure. */
function suite(project) {
  const report = join(folder, `${project}.json`)
  step(
    `${project} tests`,
    () =>
      run('npx', [
        'vitest',
        'run',
        '--project',
        project,
        '--reporter=default',
        '--reporter=json',
        `--outputFile.json=${report}`,
      ]).status,
  )
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
check('types: core without DOM', () => run('npx', ['tsc', '-p', 'core/tsconfig.json']).status)
check('types: command line, tests and scripts', () => run('npx', ['tsc', '-p', 'cli/tsconfig.json']).status)
check('types: application', () => run('npx', ['nuxt', 'typecheck']).status)
check('form', () => run('npx', ['prettier', '--check', '--log-level', 'warn', '.']).status)
check('circles, unused files and undeclared packages', () => run('npx', ['knip', '--no-progress']).status)
check('lint and rooms', () => run('npx', ['eslint', '.']).status)
suite('unit')
check('build', build)
suite('e2e')

console.log(`\n${passed} passed, ${failed} failed`)
process.exit(failed === 0 ? 0 : 1)
