/**
 * `npm run licences`: builds the application and writes down what it ships, with every licence's text, into
 * THIRD-PARTY.md.
 */
import { existsSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { fail, installPackages, root, run } from './lib.mjs'

installPackages()
const reports = join(root, 'reports')
const lists = () =>
  existsSync(reports) ? readdirSync(reports).filter(name => name.startsWith('shipped-')) : []
for (const name of lists()) rmSync(join(reports, name))
if (run('npx', ['nuxt', 'build'], { quiet: true, env: { MARIPOSA_LICENCES: '1' } }).status !== 0)
  fail('The build failed: run `npm run build` to see why.')

const packageOf = folder => JSON.parse(readFileSync(join(folder, 'package.json'), 'utf8'))
const textOf = folder => {
  const name = readdirSync(folder).find(file => /^(licen[cs]e|copying|ofl)/i.test(file))
  return name ? readFileSync(join(folder, name), 'utf8').trim() : ''
}
const found = new Map()
const add = (name, version, license, text) =>
  found.set(`${name}@${version}`, { name, version, license, text })
for (const list of lists())
  for (const item of JSON.parse(readFileSync(join(reports, list), 'utf8')))
    add(item.name, item.version, item.license, item.licenseText?.trim() || '')
/** What the service worker is written from, by a build of its own. */
const WORKER = ['workbox-core', 'workbox-precaching', 'workbox-routing']
// Fonts, and what worker and server take in whole, are folders of their own.
const folders = [
  ...Object.keys(packageOf(root).dependencies)
    .filter(name => name.startsWith('@fontsource'))
    .map(name => join(root, 'node_modules', name)),
  ...WORKER.map(name => join(root, 'node_modules', name)),
  ...serverPackages(join(root, '.output', 'server', 'node_modules')),
]
for (const folder of folders) {
  const { name, version, license } = packageOf(folder)
  const own = join(root, 'node_modules', name)
  if (name && version) add(name, version, license, textOf(existsSync(own) ? own : folder))
}

function serverPackages(folder) {
  if (!existsSync(folder)) return []
  return readdirSync(folder)
    .filter(name => !name.startsWith('.'))
    .flatMap(name => {
      const path = join(folder, name)
      if (name.startsWith('@')) return serverPackages(path)
      return existsSync(join(path, 'package.json')) ? [path] : []
    })
}

const items = [...found.values()].sort((a, b) => a.name.localeCompare(b.name))
const unnamed = items.filter(item => !item.license)
if (unnamed.length) fail(`No licence is named by ${unnamed.map(item => item.name).join(', ')}.`)
const rows = items.map(item => `| ${item.name} | ${item.version} | ${item.license} |`)
const texts = items
  .filter(item => item.text)
  .map(item => `## ${item.name} ${item.version}\n\n~~~text\n${item.text}\n~~~\n`)
writeFileSync(
  join(root, 'THIRD-PARTY.md'),
  `# What ships with Mariposa

Written by \`npm run licences\` from what the build takes in: ${items.length} packages.

| package | version | licence |
| --- | --- | --- |
${rows.join('\n')}

${texts.join('\n')}`,
)
console.log(`THIRD-PARTY.md: ${items.length} packages`)
