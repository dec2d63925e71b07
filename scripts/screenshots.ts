/**
 * `npm run screenshots`: one current picture of each main view, from the demo, into docs/screenshots; after `--` those
 * whose names are given. Needs a build.
 */
import { mkdirSync, writeFileSync } from 'node:fs'
import { By, Key } from 'selenium-webdriver'
import { openBrowser, settled, setViewport } from '../tests/support/browser'
import { startServer } from '../tests/support/server'

interface View {
  name: string
  path: string
  press?: string
  wait?: string
  phone?: boolean
  slide?: [string, number]
  /** Pressed one after another once it is there. */
  presses?: string[]
  show?: string
  after?: string
  undo?: number
  types?: Array<[css: string, value: string]>
  /** Pressed so many times, one answer after another. */
  times?: [css: string, count: number]
  /** Typed at another station first. */
  before?: [path: string, css: string, value: string]
  /** Sets of options added to all, and the study run. */ study?: string[]
}
const VIEWS: readonly View[] = [
  { name: '01-brief', path: '/brief' },
  { name: '02-shape', path: '/shape' },
  {
    name: '03-skin',
    path: '/skin',
    wait: '[data-nudges][aria-busy="false"] [data-nudge]',
    show: '[data-nudges]',
  },
  { name: '04-spine', path: '/spine' },
  { name: '05-split', path: '/split', press: '[data-tab="travel"]', wait: '[data-way]' },
  { name: '06-print', path: '/print', wait: '[data-on-bed]' },
  { name: '07-weigh', path: '/weigh', press: '[data-act="go-on"]', wait: '[data-table="go-on"]' },
  { name: '08-balance', path: '/balance', wait: '[data-table="remedies"][aria-busy="false"] [data-remedy]' },
  {
    name: '09-field',
    path: '/field',
    times: ['[data-act="take-mast"]:not([disabled])', 1],
    wait: '[data-figure="today-wind"]',
    undo: 1,
  },
  { name: '10-log', path: '/log', press: '[data-act="show-track"]', wait: '[data-table="track"]' },
  { name: '11-in-space', path: '/shape', press: '[data-view="space"]', wait: 'canvas[data-ready="yes"]' },
  {
    name: '12-prove',
    path: '/prove',
    press: '[data-act="plan-trestles"]',
    types: [['[data-field="proof-measured"]', '8.1']],
    undo: 2,
  },
  {
    name: '15-build',
    path: '/build',
    wait: '[data-step] canvas[data-ready="yes"]',
    times: ['[data-act="done"]', 9],
    undo: 9,
  },
  {
    name: '16-combinations',
    path: '/choose',
    press: '[data-tab="study"]',
    study: ['schools', 'filaments'],
    show: '.ways',
  },
  {
    name: '19-toss',
    path: '/toss',
    wait: '[data-figure="reading"]',
    presses: ['[data-act="lay-toss"]', '[data-act="take-suiting"]'],
  },
  { name: '18-week', path: '/print', press: '[data-tab="week"]', wait: '[data-chart="week"]' },
  { name: '17-power', path: '/power', wait: '[data-table="limits"]' },
  {
    name: '13-begin',
    path: '/begin',
    press: '[data-purpose="camera"]',
    wait: '[data-sized]',
  },
  {
    name: '14-phone-field',
    path: '/field',
    presses: ['[data-act="theme"]', '[data-act="theme"]'],
    wait: '[data-figure="today-stall"]',
    show: '[data-act="shelf"]',
    phone: true,
  },
]

const folder = new URL('../docs/screenshots/', import.meta.url).pathname
mkdirSync(folder, { recursive: true })
const server = await startServer()
const browser = await openBrowser()
try {
  const wanted = process.argv.slice(2)
  for (const view of VIEWS.filter(({ name }) => wanted.length === 0 || wanted.includes(name))) {
    await setViewport(browser.driver, view.phone ? 390 : 1280, view.phone ? 844 : 800)
    if (view.before) {
      const [path, css, value] = view.before
      await browser.driver.get(server.url + path)
      await settled(browser.driver)
      await browser.driver
        .findElement(By.css(`${css} input`))
        .sendKeys(Key.chord(Key.CONTROL, 'a'), value, Key.ENTER)
      await settled(browser.driver)
      await browser.driver.sleep(600)
    }
    await browser.driver.get(server.url + view.path)
    await settled(browser.driver)
    if (view.times) {
      const [css, count] = view.times
      for (let i = 0; i < count; i++) {
        await browser.driver.wait(
          async () => (await browser.driver.findElements(By.css(css))).length > 0,
          90_000,
        )
        await browser.driver.findElement(By.css(css)).click()
        await settled(browser.driver)
      }
    }
    if (view.press)
      await browser.driver.executeScript(
        'document.querySelector(arguments[0]).dispatchEvent(new MouseEvent("click", { bubbles: true }))',
        view.press,
      )
    if (view.study) {
      for (const name of [...view.study.map(id => `[data-start="${id}"]`), '[data-act="run-study"]'])
        await browser.driver.executeScript(
          'document.querySelector(arguments[0]).click(); return new Promise(done => setTimeout(done, 100))',
          name,
        )
      await browser.driver.wait(
        async () => (await browser.driver.findElements(By.css('[data-checked]'))).length > 0,
        90_000,
      )
      await browser.driver.executeScript(
        'const points = document.querySelectorAll(".chart .point"); for (const i of [0, Math.floor(points.length / 2)]) points[i].dispatchEvent(new MouseEvent("click", { bubbles: true }))',
      )
    }
    for (const [css, value] of view.types ?? []) {
      await browser.driver.wait(
        async () => (await browser.driver.findElements(By.css(`${css} input`))).length > 0,
        5000,
      )
      await browser.driver
        .findElement(By.css(`${css} input`))
        .sendKeys(Key.chord(Key.CONTROL, 'a'), value, Key.ENTER)
      await settled(browser.driver)
    }
    if (view.show)
      await browser.driver.executeScript(
        'document.querySelector(arguments[0])?.scrollIntoView({ block: "center" })',
        view.show,
      )
    if (view.wait)
      await browser.driver.wait(
        async () => (await browser.driver.findElements(By.css(view.wait!))).length > 0,
        90_000,
      )
    for (const css of view.presses ?? []) {
      await browser.driver.findElement(By.css(css)).click()
      await settled(browser.driver)
    }
    if (view.slide)
      await browser.driver.executeScript(
        'const input = document.querySelector(arguments[0]); input.value = arguments[1]; input.dispatchEvent(new Event("input"))',
        ...view.slide,
      )
    if (view.after) {
      await browser.driver.executeScript('document.querySelector(arguments[0]).click()', view.after)
      await settled(browser.driver)
      await browser.driver.sleep(2500)
    }
    if (view.show)
      await browser.driver.executeScript(
        'document.querySelector(arguments[0]).scrollIntoView({ block: "start" })',
        view.show,
      )
    await browser.driver.sleep(900)
    writeFileSync(`${folder}${view.name}.png`, await browser.driver.takeScreenshot(), 'base64')
    for (let i = 0; i < (view.undo ?? 0); i++) {
      await browser.driver.executeScript('document.querySelector(\'[data-act="undo"]\').click()')
      await settled(browser.driver)
    }
    // Kept before the page goes.
    if (view.undo) await browser.driver.sleep(500)
    console.log(view.name)
  }
} finally {
  await browser.close()
  server.stop()
}
