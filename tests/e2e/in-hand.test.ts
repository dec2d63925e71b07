/** What is dragged goes where the hand goes, and the four wings with it. */
import { afterAll, beforeAll, expect, it } from 'vitest'
import { DEMOS } from '../../core/demo'
import { PATIENCE, setViewport } from '../support/browser'
import { Page } from '../support/page'

let page: Page
beforeAll(async () => {
  page = await Page.shared()
})
afterAll(() => page?.handOn())

it('held for long, a tip goes as far as the hand, not further; the wings go along, marked as not yet exact', async () => {
  // A view that is filled from side to side: were it fitted again, the tip would run from the hand.
  const [, wing] = DEMOS
  const last = wing.wing.panels.length - 1
  await setViewport(page.driver, 1120, 1400)
  await page.anew('/shape', wing)
  const scale = () =>
    page.driver.executeScript<number>(
      'const svg = document.querySelector(".sheet > svg"); return 1 / svg.getScreenCTM().a',
    )
  const mm = await scale(),
    before = (await page.stored()).wing.panels[last].spanMm
  await page.driver.executeScript(
    `window.seen = []; new MutationObserver(() => { const b = document.querySelector('[data-ahead="weight"]'); if (b) window.seen.push(b.textContent.trim()) })
      .observe(document.querySelector('.butterfly'), { childList: true, subtree: true, characterData: true })`,
  )
  const hand = (x: number) =>
    page.driver
      .actions({ async: true })
      .move({ origin: 'pointer' as never, x, y: 0, duration: 40 })
      .perform()
  await page.driver
    .actions({ async: true })
    .move({ origin: await page.find(`[data-handle="lead-${last + 1}"]`) })
    .press()
    .perform()
  for (let i = 0; i < 6; i++) {
    await hand(6)
    // Each answer in between would fit the view to a wider wing.
    await page.settled()
  }
  expect(await scale()).toBeCloseTo(mm, 9)
  await page.driver.actions({ async: true }).release().perform()
  await page.settled()
  await page.saved()
  const grown = (await page.stored()).wing.panels[last].spanMm - before
  expect(Math.abs(grown - 36 * mm)).toBeLessThan(2 * mm)
  // Let go, the view fits the wider wing again.
  await page.driver.wait(
    async () => (await scale()) > mm,
    PATIENCE,
    `the view does not fit the wing again: ${await scale()} against ${mm}`,
  )
  const ahead = await page.driver.executeScript<string[]>('return window.seen')
  for (const text of ahead) expect(text).toMatch(/^≈ \d+$/)
  expect(await page.count('[data-ahead]')).toBe(0)
  // One step of the history, however often it answered.
  await page.act('undo')
  await page.saved()
  expect((await page.stored()).wing.panels[last].spanMm).toBe(before)
})
