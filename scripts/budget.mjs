/**
 * `node scripts/budget.mjs`: what the page is made of, packed as it is sent, against what each kind may weigh. Needs a
 * build. What grows past its budget is looked at before the budget is raised.
 */
import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { fail, root } from './lib.mjs'

const folder = join(root, '.output', 'public', '_nuxt')
if (!existsSync(folder)) fail('There is no build to weigh: run `npm run build` first.')
const files = readdirSync(folder)
const text = name => readFileSync(join(folder, name), 'utf8')

/** What a page needs before it shows a station: its entry and the shell, with all that they import. */
function firstScreen() {
  const entry = readFileSync(
    join(root, '.output', 'server', 'chunks', 'build', 'client.precomputed.mjs'),
    'utf8',
  ).match(/file:"([\w-]+\.js)",name:"entry"/)?.[1]
  const shell = files.find(name => name.endsWith('.js') && text(name).includes('mariposa-shares'))
  if (!entry || !shell) fail('The entry of the build, or its shell, is not to be found.')
  const found = new Set([entry, shell])
  for (const name of found)
    for (const [, next] of text(name).matchAll(/(?:from|import)\s*"\.\/([\w-]+\.js)"/g)) found.add(next)
  return found
}
const first = firstScreen()

/** kB, gzip; every file is packed by itself, as it is sent. */
const BUDGETS = [
  { kind: 'first screen', is: name => first.has(name), most: 436 },
  { kind: 'page', is: name => name.endsWith('.js') && !name.includes('.worker-'), most: 1040 },
  { kind: 'computing part', is: name => name.startsWith('core.worker'), most: 430 },
  { kind: 'book, when asked for', is: name => name.startsWith('book.worker'), most: 655 },
  { kind: 'solids, when asked for', is: name => name.endsWith('.wasm'), most: 240 },
  { kind: 'styles', is: name => name.endsWith('.css'), most: 82 },
  { kind: 'fonts', is: name => name.endsWith('.woff2'), most: 140 },
]

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
