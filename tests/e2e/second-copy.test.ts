/** The browser's database gone, as when it is torn by a machine that goes off: what was kept is there all the same. */
import { afterAll, beforeAll, expect, it } from 'vitest'
import { PATIENCE } from '../support/browser'
import { Page } from '../support/page'

let page: Page
beforeAll(async () => {
  page = await Page.shared()
})
afterAll(() => page?.handOn())

it('a project whose database is gone comes back as last kept, and it is said', async () => {
  await page.anew('/brief')
  await page.type('[data-field="targetMassG"]', '777')
  await page.saved()
  const { driver } = page
  const from = new URL(await driver.getCurrentUrl()).origin
  // A page of the same address that holds nothing open.
  await driver.get(`${from}/api/health`)
  expect(
    await driver.executeAsyncScript<string>(
      `const done = arguments[0], ask = indexedDB.deleteDatabase('mariposa')
      ask.onsuccess = () => done('gone'); ask.onerror = ask.onblocked = () => done('held')`,
    ),
  ).toBe('gone')
  await driver.get(`${from}/brief`)
  await page.until('[data-field="targetMassG"] input')
  const shown = 'return document.querySelector(\'[data-field="targetMassG"] input\').value'
  await driver.wait(async () => (await driver.executeScript<string>(shown)) === '777', PATIENCE, 'the figure')
  expect((await page.stored()).brief.targetMassG).toBe(777)
  expect(await page.text('main, body')).toMatch(/Thistledown.*back as last kept/)
})
