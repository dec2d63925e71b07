/**
 * `node scripts/budget.mjs`: what the page is made of, packed as it is sent, against what each kind may weigh. Needs a
 * build. What grows past its budget is looked at before the budget is raised.
 */
import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { fail, root } from './lib.mjs'

/** kB, gzip. */
const BUDGETS = [
  { kind: 'page', is: name => name.endsWith('.js') && !name.includes('.worker-'), most: 960 },
  { kind: 'computing part', is: name => name.startsWith('core.worker'), most: 375 },
  { kind: 'book, when asked for', is: name => name.startsWith('book.worker'), most: 655 },
  { kind: 'solids, when asked for', is: name => name.endsWith('.wasm'), most: 240 },
  { kind: 'styles', is: name => name.endsWith('.css'), most: 75 },
  { kind: 'fonts', is: name => name.endsWith('.woff2'), most: 140 },
]

const folder = join(root, '.output', 'public', '_nuxt')
if (!existsSync(folder)) fail('There is no build to weigh: run `npm run build` first.')
const files = readdirSync(folder)
const kB = name => gzipSync(readFileSync(join(folder, name))).length / 1000
let over = 0
for (const { kind, is, most } of BUDGETS) {
  const own = files.filter(is).map(name => ({ name, size: kB(name) }))
  const sum = own.reduce((total, { size }) => total + size, 0)
  const largest = own.toSorted((a, b) => b.size - a.size).slice(0, 3)
  console.log(
    `${kind}: ${sum.toFixed(0)} of ${most} kB in ${own.length} files, the largest ${largest.map(({ size }) => size.toFixed(0)).join(', ')}`,
  )
  // Nothing of a kind means that the build names its files otherwise now.
  if (own.length === 0 || sum > most) over++
}
if (over > 0) fail(`${over} over budget`)
