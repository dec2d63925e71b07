/**
 * `npm run mutate -- core/mass [core/aero …] [--share 0.1] [--front-door]`: small changes put into a folder of the
 * core, and how many of them its tests notice, with `--front-door` those of the whole assessment too.
 * `--share` tries so large a part of them, drawn by a fixed rule, so that folders can be compared in minutes;
 * the deep run tries all.
 */
import { existsSync, readdirSync, readFileSync, writeFileSync, mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { installPackages, root, run } from './lib.mjs'

installPackages()
const words = process.argv.slice(2)
const at = words.indexOf('--share')
const share = at < 0 ? 1 : Number(words[at + 1])
const folders = words.filter((word, i) => !word.startsWith('--') && (at < 0 || i !== at + 1))
if (!folders.length || !(share > 0 && share <= 1)) {
  console.error('npm run mutate -- FOLDER [FOLDER …] [--share 0..1]')
  process.exit(2)
}

const filesOf = folder =>
  readdirSync(join(root, folder), { recursive: true })
    .map(String)
    .filter(name => name.endsWith('.ts') && !name.endsWith('.test.ts') && !name.endsWith('index.ts'))
    .map(name => join(folder, name))

/** Line ranges of a file that hold about the wanted share of it, spread over it. */
function sampled(file) {
  if (share === 1) return [file]
  const count = readFileSync(join(root, file), 'utf8').split('\n').length
  const block = 6,
    every = Math.max(1, Math.round(1 / share))
  const ranges = []
  for (let from = 1 + ((file.length * 7) % every) * block; from <= count; from += block * every)
    ranges.push(`${file}:${from}-${Math.min(count, from + block - 1)}`)
  return ranges
}

// The tests are compiled as the application's tsconfig says.
if (!existsSync(join(root, '.nuxt', 'tsconfig.app.json'))) run('npx', ['nuxt', 'prepare'])
mkdirSync(join(root, 'reports'), { recursive: true })
let low = 0
for (const folder of folders) {
  const config = join(root, 'reports', 'stryker.conf.json')
  writeFileSync(
    config,
    JSON.stringify({
      testRunner: 'vitest',
      vitest: { configFile: 'vitest.mutation.config.ts', related: false },
      mutate: filesOf(folder).flatMap(sampled),
      // Text and regular expressions of sentences are not figures.
      mutator: { excludedMutations: ['StringLiteral', 'Regex', 'ObjectLiteral'] },
      ignorePatterns: ['!.nuxt', '.output', 'docs/screenshots', 'reports'],
      ignoreStatic: true,
      coverageAnalysis: 'perTest',
      concurrency: 2,
      timeoutMS: 20000,
      timeoutFactor: 3,
      reporters: ['json', 'clear-text'],
      clearTextReporter: { logTests: false, reportTests: false, allowEmojis: false },
      jsonReporter: { fileName: 'reports/mutation.json' },
      tempDirName: '.stryker-tmp',
    }),
  )
  run('npx', ['stryker', 'run', config], {
    env: {
      MARIPOSA_MUTATED: folder,
      ...(words.includes('--front-door') ? { MARIPOSA_FRONT_DOOR: '1' } : {}),
    },
  })
  const { files } = JSON.parse(readFileSync(join(root, 'reports', 'mutation.json'), 'utf8'))
  const states = Object.values(files).flatMap(file => file.mutants.map(mutant => mutant.status))
  const caught = states.filter(state => state === 'Killed' || state === 'Timeout').length
  const counted = states.filter(state => state !== 'Ignored' && state !== 'CompileError').length
  const score = (100 * caught) / Math.max(1, counted)
  low = Math.max(low, score < 80 ? 1 : 0)
  console.log(`${folder}: ${caught} of ${counted} changes noticed, ${score.toFixed(0)} %`)
}
process.exit(low)
