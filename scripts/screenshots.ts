/** `npm run screenshots`: one current picture of each main view, from the demo, into docs/screenshots. Needs a build. */
import { mkdirSync, writeFileSync } from 'node:fs'
import { By } from 'selenium-webdriver'
import { openBrowser, settled, setViewport } from '../tests/support/browser'
import { startServer } from '../tests/support/server'

interface View { name: string, path: string, press?: string, then?: string, wait?: string, phone?: boolean, slide?: [string, number], show?: string, after?: string, undo?: boolean }
const VIEWS: readonly View[] = [
  { name: '01-brief', path: '/brief' }, { name: '02-shape', path: '/shape' }, { name: '03-skin', path: '/skin', wait: '[data-take]' }, { name: '04-spine', path: '/spine' }, { name: '15-look-inside', path: '/skin', press: '[data-mode="inside"]', then: '[data-shape="wing-1-starboard"]', wait: '[data-figure="layer-mass"]' }, { name: '05-split', path: '/split' },
  { name: '06-print', path: '/print' }, { name: '07-weigh', path: '/weigh' }, { name: '08-balance', path: '/balance', wait: '[data-table="remedies"][aria-busy="false"] [data-remedy]' }, { name: '09-maiden', path: '/maiden' }, { name: '10-log', path: '/log' },
  { name: '11-in-space', path: '/shape', press: '[data-view="space"]', wait: 'canvas[data-ready="yes"]' }, { name: '12-handling', path: '/shape', press: '[data-tab="handling"]' },
  { name: '16-drawn-apart', path: '/split', press: '[data-view="space"]', wait: 'canvas[data-ready="yes"]', slide: ['[data-field="apart"]', 0.7] },
  { name: '17-section', path: '/shape', press: '[data-tab="section"]', wait: '[data-figure="section-cl"]', slide: ['[data-field="section-place"]', 0.575] },
  { name: '18-balance-mended', path: '/balance', wait: '[data-table="remedies"][aria-busy="false"] [data-remedy]', after: '[data-remedy="move-battery"]', undo: true },
  { name: '19-every-layer', path: '/print', press: '[data-act="every-layer"]', wait: '[data-every-layer]', show: '[data-every-layer]' },
  { name: '13-night-bench', path: '/spine', press: '[data-act="theme"]' }, { name: '14-phone-maiden', path: '/maiden', press: '[data-act="theme"]', phone: true },
]

const folder = new URL('../docs/screenshots/', import.meta.url).pathname
mkdirSync(folder, { recursive: true })
const server = await startServer()
const browser = await openBrowser()
try {
  for (const view of VIEWS) {
    await setViewport(browser.driver, view.phone ? 390 : 1280, view.phone ? 844 : 800)
    await browser.driver.get(server.url + view.path)
    await settled(browser.driver)
    if (view.press) await browser.driver.executeScript('document.querySelector(arguments[0]).dispatchEvent(new MouseEvent("click", { bubbles: true }))', view.press)
    if (view.then) await browser.driver.executeScript('document.querySelector(arguments[0]).dispatchEvent(new MouseEvent("click", { bubbles: true }))', view.then)
    if (view.wait) await browser.driver.wait(async () => (await browser.driver.findElements(By.css(view.wait!))).length > 0, 90_000)
    if (view.slide) await browser.driver.executeScript('const input = document.querySelector(arguments[0]); input.value = arguments[1]; input.dispatchEvent(new Event("input"))', ...view.slide)
    if (view.after) {
      await browser.driver.executeScript('document.querySelector(arguments[0]).click()', view.after)
      await settled(browser.driver)
      await browser.driver.sleep(2500)
    }
    if (view.show) await browser.driver.executeScript('document.querySelector(arguments[0]).scrollIntoView({ block: "start" })', view.show)
    await browser.driver.sleep(900)
    writeFileSync(`${folder}${view.name}.png`, await browser.driver.takeScreenshot(), 'base64')
    if (view.undo) await browser.driver.findElement(By.css('[data-act="undo"]')).click()
    console.log(view.name)
  }
} finally {
  await browser.close()
  server.stop()
}
