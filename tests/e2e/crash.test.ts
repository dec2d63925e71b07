/**
 * The browser killed at any moment: what the page had shown as kept is there afterwards, with a history that
 * leads through readable designs; also when the clock is set back and when the disk is full for a while.
 */
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { applyPatches, enablePatches } from 'immer'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { checkProject } from '../../core/document'
import { seeded } from '../../core/testing/drawn'
import { runs } from '../../core/testing/runs'
import type { ProjectRecord } from '../../app/db/database'
import { openBrowser, PATIENCE, SHORT_LIVED, type Browser } from '../support/browser'
import { startServer, type RunningServer } from '../support/server'

enablePatches()
const CYCLES = runs(300, 2)
const random = seeded(Number(process.env.FC_SEED ?? 20261126))

let server: RunningServer, profile: string
let last: Browser | null = null
beforeAll(async () => {
  server = await startServer()
  profile = mkdtempSync(join(tmpdir(), 'mariposa-crash-'))
})
afterAll(() => {
  last?.kill()
  server.stop()
  rmSync(profile, { recursive: true, force: true })
})

/** In the page: types one mass after another, and remembers the last that stood there while it said so. */
const TYPING = `const [from, pause, fullFrom] = arguments
  let next = from
  const full = () => fullFrom !== null && next - from >= fullFrom && next - from < fullFrom + 5
  window.typed = { kept: from - 1 }
  const put = IDBObjectStore.prototype.put
  IDBObjectStore.prototype.put = function (...all) {
    if (full()) throw new DOMException('no room', 'QuotaExceededError')
    return put.apply(this, all)
  }
  const field = document.querySelector('[data-field="targetMassG"] input')
  const step = () => {
    field.focus()
    field.value = String(next++)
    field.dispatchEvent(new Event('input', { bubbles: true }))
    field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }))
    field.blur()
  }
  const watch = () => {
    const save = document.querySelector('.save').textContent.trim()
    // The word and the figure are drawn together: what is said to be kept is what stands in the thread.
    if (save.startsWith('Kept') && next > from) window.typed.kept = next - 1
    requestAnimationFrame(watch)
  }
  watch()
  setInterval(() => {
    // Only once the last one is kept, or said not to be, the next is typed: then "kept" means that very one.
    const save = document.querySelector('.save').textContent.trim()
    if (!save.startsWith('Keeping')) step()
  }, pause)`

const RECORD = `const done = arguments[arguments.length - 1]
  const open = indexedDB.open('mariposa'); open.onsuccess = () => {
    const get = open.result.transaction('projects').objectStore('projects').get('thistledown')
    get.onsuccess = () => { open.result.close(); done(get.result) } }`

it(`${CYCLES} kills of the whole browser lose nothing that was shown as kept`, async () => {
  let mass = 400
  for (let cycle = 0; cycle < CYCLES; cycle++) {
    const browser = await openBrowser({ watchNetwork: false, profile, flags: SHORT_LIVED })
    const { driver } = browser
    last = browser
    // A clock set back an hour, now and then, also while it runs.
    if (random() < 0.3)
      await (
        driver as typeof driver & { sendDevToolsCommand(name: string, args: object): Promise<void> }
      ).sendDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', {
        source: `const now = Date.now; const at = now(); Date.now = () => now() - (now() - at > ${Math.round(1500 * random())} ? 3.6e6 : 0)`,
      })
    await driver.get(`${server.url}/brief`)
    await driver.wait(
      async () =>
        driver.executeScript<boolean>(
          'return !!document.querySelector(\'[data-field="targetMassG"] input\') && !!document.querySelector(".save")',
        ),
      PATIENCE,
      'the page did not come back',
    )
    if (cycle > 0) {
      const record = await driver.executeAsyncScript<ProjectRecord>(RECORD)
      expect(record.doc.brief.targetMassG, `cycle ${cycle}`).toBeGreaterThanOrEqual(mass)
      mass = record.doc.brief.targetMassG
      consistent(record)
      expect(
        await driver.executeScript<string>(
          'return document.querySelector(\'[data-field="targetMassG"] input\').value',
        ),
      ).toBe(String(mass))
    }
    // Now and then the disk is full for a few of the figures typed.
    const fullFrom = random() < 0.2 ? 2 + Math.floor(4 * random()) : Infinity
    await driver.executeScript(TYPING, mass + 1, 5 + Math.floor(40 * random()), fullFrom)
    const until = performance.now() + 100 + 1200 * random(),
      before = mass
    // At some moment, but not before anything was kept: on a busy machine that may take longer.
    while (performance.now() < until || (mass === before && performance.now() < until + PATIENCE))
      mass = Math.max(mass, await driver.executeScript<number>('return window.typed.kept'))
    browser.kill()
  }
  // It did type, and some of it was kept every time.
  expect(mass).toBeGreaterThanOrEqual(400 + CYCLES)
}, 7_200_000)

/** Every step back leads to a design that is one. */
function consistent(record: ProjectRecord): void {
  let doc: unknown = record.doc
  checkProject(doc)
  for (const step of [...record.done].reverse().slice(0, 12)) {
    doc = applyPatches(doc as object, step.back)
    checkProject(doc)
  }
}
