/** An evening of edits: what the page and its workers hold settles, and stays. */
import { afterAll, beforeAll, expect, it } from 'vitest'
import { DEMOS } from '../../core/demo'
import { DEEP } from '../../core/testing/runs'
import { heapsOf } from '../support/heap'
import { Page } from '../support/page'

let page: Page
beforeAll(async () => {
  page = await Page.open()
})
afterAll(() => page?.close())

/** A tip, a battery, a spar's end, a bead and a cut in turn, never quite as before. */
const edited = (count: number) =>
  page.driver.executeAsyncScript(
    `const [count, done] = arguments
    const project = document.querySelector('#__nuxt').__vue_app__.config.globalProperties.$pinia._s.get('project')
    const kinds = [
      (d, i) => { d.wing.panels.at(-1).tipChordMm = 120 + (i % 41) * 0.37 },
      (d, i) => { d.equipment.find(item => item.kind === 'battery').xMm = 100 + (i % 31) * 0.21 },
      (d, i) => { d.spars[0].toMm = 480 + (i % 47) * 0.33 },
      (d, i) => { d.zones[2].recipe.beadWidthMm = 0.42 + (i % 23) * 0.001 },
      (d, i) => { d.cuts.wing.at(-1).atMm = 430 + (i % 29) * 0.4 },
    ]
    const ready = () => document.querySelector('.shell')?.dataset.ready === 'true'
    ;(async () => {
      for (let i = 0; i < count; i++) {
        project.edit('Edit ' + i, d => kinds[i % kinds.length](d, i))
        do await new Promise(resolve => requestAnimationFrame(resolve))
        while (!ready())
      }
      done()
    })()`,
    count,
  )

const ROUND = 100
/** Undo keeps 200 edits, and every memory has its limit: by then all of them are full. */
const FILLED = 10

it.runIf(DEEP)('of 2 000 edits the second thousand adds nothing to what is held', async () => {
  await page.driver.manage().setTimeouts({ script: 600_000 })
  await page.fresh('/shape', DEMOS[0])
  const held = await heapsOf(page.driver)
  const rounds = []
  for (let i = 0; i < 2 * FILLED; i++) {
    await edited(ROUND)
    rounds.push(await held())
  }
  const [before, after] = [rounds[FILLED - 1], rounds[2 * FILLED - 1]]
  const words = rounds
    .map(({ page: own, workers }) => `${(own / 1e6).toFixed(1)} + ${(workers / 1e6).toFixed(1)} MB`)
    .join(', ')
  expect(after.page / before.page, words).toBeLessThan(1.05)
  expect(after.workers / before.workers, words).toBeLessThan(1.05)
  // A project of 20 pieces, and room for what is remembered of it.
  expect(after.page + after.workers, words).toBeLessThan(300e6)
})
