/** Without a network, under an update, and between two machines: nothing that a maker did is lost. */
import { readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { By, Key } from 'selenium-webdriver'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { assess } from '../../core/assess'
import { DEMOS } from '../../core/demo'
import { mergeCopies, readProject, writeProject } from '../../core/document'
import { PATIENCE, setViewport } from '../support/browser'
import { Page } from '../support/page'
import { newerBuild } from '../support/server'
import { DEEP } from '../../core/testing/runs'

let page: Page
beforeAll(async () => {
  page = await Page.open()
})
afterAll(() => page?.close())

const [thistledown] = DEMOS
/** The application is kept in the browser: said on the shelf. */
async function keptOffline() {
  await page.act('shelf')
  await page.driver.wait(
    async () => (await page.text('[data-offline]')).includes('works without a network'),
    PATIENCE,
    'the application is not kept',
  )
  await page.driver.executeScript('document.querySelector(".v-overlay--active .acts.end .v-btn").click()')
}
const exported = async (stem: string) => {
  const find = () => readdirSync(page.browser.downloads).find(name => name.startsWith(stem))
  await page.driver.wait(() => !!find() && !find()!.endsWith('crdownload'), PATIENCE)
  return readProject(readFileSync(join(page.browser.downloads, find()!), 'utf8'))
}

describe('without a network', () => {
  it('after one visit it loads, edits, weighs, logs and exports with the server gone', async () => {
    await page.fresh('/brief', thistledown)
    await keptOffline()
    await page.serverGone()
    try {
      await page.go('/weigh')
      const piece = assess(thistledown).pieces.find(item => item.weighedG === null)!
      await page.until(`[data-weigh="${piece.id}"]`)
      await page.find(`[data-weigh="${piece.id}"]`).sendKeys((1.01 * piece.predictedG).toFixed(1), Key.ENTER)
      await page.settled()
      await page.visit('/brief')
      await page.type('[data-field="targetMassG"]', '805')
      expect(await page.text('[data-wing="weight"]')).toContain('≤ 805 g')
      await page.go('/log')
      await page.type('[data-field="minutes"]', '4')
      await page.act('log-flight')
      await page.saved()
      await page.visit('/shape')
      // What was not looked at before the network went is there too: the geometry kernel and the space view.
      await page.find('[data-view="space"]').click()
      await page.until('canvas')
      const now = await page.stored()
      expect(now.brief.targetMassG).toBe(805)
      expect(now.weighIns.find(item => item.piece === piece.id)?.massG).toBe(
        Number((1.01 * piece.predictedG).toFixed(1)),
      )
      expect(now.flights).toHaveLength(thistledown.flights.length + 1)
      await page.act('shelf')
      await page.press('[data-act="export"]')
      expect(await exported('Thistledown')).toEqual(now)
    } finally {
      await page.serverBack()
    }
  })

  it.runIf(DEEP)('a newer version waits for a word; what was typed and done is there after it', async () => {
    const newer = newerBuild()
    try {
      await page.fresh('/log', thistledown)
      await keptOffline()
      // From its second visit on a page is served from what is kept, and a newer version waits for it.
      await page.go('/log')
      await page.find('[data-field="behaviour"] textarea').sendKeys('Half a sentence about')
      await page.serverGone()
      await page.serverBack(newer)
      await page.driver.executeScript('navigator.serviceWorker.getRegistration().then(own => own.update())')
      await page.until('[data-newer]')
      // The page goes on as it is until then.
      await page.type('[data-field="minutes"]', '9')
      await page.driver.executeScript('window.sameAsBefore = true')
      await page.driver.executeScript('document.querySelector(`[data-act="take-newer"]`).click()')
      await page.driver.wait(
        async () => {
          try {
            return await page.driver.executeScript<boolean>(
              'return !window.sameAsBefore && !!document.querySelector(`[data-field="behaviour"] textarea`)',
            )
          } catch {
            return false
          }
        },
        PATIENCE,
        'the page was not loaded again',
      )
      await page.settled()
      expect(await page.count('[data-newer]')).toBe(0)
      expect(await page.find('[data-field="behaviour"] textarea').getAttribute('value')).toBe(
        'Half a sentence about',
      )
      expect(await page.find('[data-field="minutes"] input').getAttribute('value')).toBe('9')
    } finally {
      await page.serverGone()
      await page.serverBack()
      rmSync(newer, { recursive: true, force: true })
    }
  })
})

describe('between two machines', () => {
  it('a project goes by a code and comes back; a code works once, and a wrong one says so', async () => {
    await page.anew('/brief', thistledown)
    await page.act('shelf')
    await page.press('[data-act="give-code"]')
    await page.until('[data-figure="code"] b')
    const code = await page.text('[data-figure="code"] b')
    expect(code).toMatch(/^[A-Z2-9]{6}$/)
    const fetched = await fetch(`${page.server.url}/api/handover/${code.toLowerCase()}`)
    expect(readProject(await fetched.text())).toEqual(await page.stored())
    await page.find('[data-field="code"] input').sendKeys(code)
    await page.press('[data-act="get-code"]')
    await page.until('[data-fault="handover"]')
    expect(await page.text('[data-fault="handover"]')).toContain('used already')
  })

  it.runIf(DEEP)('two copies that went apart become one: parts as chosen, flights of both', async () => {
    await page.fresh('/brief', thistledown)
    await page.type('[data-field="targetMassG"]', '790')
    await page.saved()
    const here = await page.stored()
    const there = structuredClone(thistledown)
    there.wing.panels[0]!.spanMm += 10
    there.flights.push({ ...there.flights[0]!, id: 'flight-3', date: '2026-11-21', minutes: 3 })
    const path = join(page.browser.downloads, 'phone.json')
    writeFileSync(path, writeProject(there))
    await page.act('shelf')
    await page.find('input[aria-label="Project file"]').sendKeys(path)
    await page.until('[data-part="wing"]')
    expect(await page.text('[data-part="wing"]')).toContain(
      `panels[0].spanMm ${thistledown.wing.panels[0]!.spanMm} | ${there.wing.panels[0]!.spanMm}`,
    )
    expect(await page.text('[data-figure="records"]')).toContain('1 flight')
    await page.press('[data-part="wing"] [data-copy="there"]')
    await page.press('[data-act="merge"]')
    await page.saved()
    expect(await page.stored()).toEqual(mergeCopies(here, there, { wing: 'there' }))
    await page.act('undo')
    await page.saved()
    expect(await page.stored()).toEqual(here)
  })

  it.runIf(DEEP)('parts that do not fit each other are named, and nothing is taken', async () => {
    await page.fresh('/brief', thistledown)
    const there = structuredClone(thistledown)
    there.zones.push({ ...there.zones[0]!, id: 'new-zone', name: 'New zone' })
    there.wing.panels[0]!.zone = 'new-zone'
    const path = join(page.browser.downloads, 'zones.json')
    writeFileSync(path, writeProject(there))
    await page.act('shelf')
    await page.find('input[aria-label="Project file"]').sendKeys(path)
    await page.press('[data-part="wing"] [data-copy="there"]')
    await page.until('[data-fault="merge"]')
    expect(await page.text('[data-fault="merge"]')).toContain('there is no zone "new-zone"')
    expect(await page.find('[data-act="merge"]').isEnabled()).toBe(false)
    await page.press('[data-part="zones/new-zone"] [data-copy="there"]')
    await page.driver.wait(async () => page.find('[data-act="merge"]').isEnabled(), PATIENCE)
  })
})

describe('a season on a phone', () => {
  it.runIf(DEEP)('the view switch covers nothing, and the head leaves room for the work', async () => {
    await page.anew('/shape', thistledown)
    await setViewport(page.driver, 390, 844)
    try {
      await page.settled()
      const box = (css: string) =>
        page.driver.executeScript<{ top: number; bottom: number; left: number }>(
          'const { top, bottom, left } = document.querySelector(arguments[0]).getBoundingClientRect(); return { top, bottom, left }',
          css,
        )
      const views = await box('.views'),
        sheet = await box('.sheet'),
        bar = await box('.bar')
      expect(views.bottom).toBeLessThanOrEqual(sheet.top + 1)
      expect(bar.bottom - bar.top).toBeLessThan(170)
      for (const wing of await page.driver.findElements(By.css('.butterfly svg')))
        expect((await wing.getRect()).x).toBeGreaterThanOrEqual(2)
    } finally {
      await setViewport(page.driver, 1280, 800)
    }
  })
})
