/** What must hold whatever a maker does: bad files, two tabs, a full disk, no other host, keyboard, phone. */
import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { By, Key } from 'selenium-webdriver'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { DEMOS } from '../../core/demo'
import { readProject, writeProject } from '../../core/document'
import { setViewport } from '../support/browser'
import { PATIENCE } from '../support/browser'
import { STATIONS } from '../../app/stations/path'
import { DEEP, runs } from '../../core/testing/runs'
import { Page } from '../support/page'

let page: Page
beforeAll(async () => {
  page = await Page.open(undefined, { watchNetwork: true })
})
afterAll(() => page?.close())

describe('it holds', () => {
  it('a broken, a foreign and a hostile file are refused with the first fault, and nothing changes', async () => {
    await page.anew('/brief')
    const before = JSON.stringify(await page.stored())
    await page.act('shelf')
    const chooser = await page.find('input[aria-label="Project file"]')
    const bad: Array<[string, string]> = [
      ['cut.json', writeProject(DEMOS[0]).slice(0, 5000)],
      ['foreign.json', '{"hello":1}'],
      ['negative.json', writeProject(DEMOS[0]).replace('"spanMm": 270', '"spanMm": -270')],
      ['long.json', JSON.stringify({ ...DEMOS[0], name: 'x'.repeat(10_000) })],
    ]
    const wanted = ['not JSON', 'format', 'wing.panels[0].spanMm', 'name']
    for (const [i, [name, content]] of bad.entries()) {
      const path = join(page.browser.downloads, name)
      writeFileSync(path, content)
      await chooser.sendKeys(path)
      await page.driver.wait(
        async () =>
          (await page.driver.findElements(By.css('[data-fault="import"]'))).length > 0 &&
          (await page.text('[data-fault="import"]')).includes(name),
        PATIENCE,
      )
      expect(await page.text('[data-fault="import"]')).toContain(wanted[i])
    }
    expect(JSON.stringify(await page.stored())).toBe(before)
  })
  it('a project goes out to a file and comes back the same; a long name does not break the page', async () => {
    await page.anew('/brief')
    await page.act('shelf')
    const doc = { ...DEMOS[1], name: 'A very long name of an aircraft '.repeat(6).trim() }
    const path = join(page.browser.downloads, 'good.json')
    writeFileSync(path, writeProject(doc))
    await page.find('input[aria-label="Project file"]').sendKeys(path)
    // A project of this id is here: what the file would change is shown before anything is done.
    await page.until('[data-import="compare"] .rows')
    expect(await page.text('[data-import="compare"]')).toContain('Name')
    await page.press('[data-act="keep-both"]')
    await page.driver.wait(
      async () => (await page.text('[data-act="shelf"]')).startsWith('A very long name'),
      PATIENCE,
    )
    await page.settled()
    await page.act('shelf')
    await page.press('[data-act="export"]')
    const out = () => readdirSync(page.browser.downloads).find(name => name.startsWith('A-very-long'))
    await page.driver.wait(() => !!out() && !out()!.endsWith('crdownload'), PATIENCE)
    expect(readProject(readFileSync(join(page.browser.downloads, out()!), 'utf8'))).toEqual({
      ...doc,
      id: 'plover-2',
    })
    expect(
      await page.driver.executeScript<boolean>('return document.documentElement.scrollWidth <= innerWidth'),
    ).toBe(true)
  })
  it.runIf(DEEP)('two tabs: the one that is behind is told, and does not overwrite', async () => {
    await page.anew('/brief')
    const first = await page.driver.getWindowHandle()
    await page.driver.switchTo().newWindow('tab')
    await setViewport(page.driver, 1280, 800)
    await page.go('/brief')
    await page.type('[data-field="targetMassG"]', '355')
    await page.saved()
    const second = await page.driver.getWindowHandle()
    await page.driver.switchTo().window(first)
    await page.driver.wait(async () => (await page.text('.save')).includes('Another tab'), PATIENCE)
    await page.type('[data-field="targetMassG"]', '399')
    expect((await page.stored()).brief.targetMassG).toBe(355)
    await page.driver.switchTo().window(second)
    await page.driver.close()
    await page.driver.switchTo().window(first)
  })
  it('a full disk is said, nothing typed is lost, and it keeps once there is room', async () => {
    await page.anew('/brief')
    await page.driver
      .executeScript(`const put = IDBObjectStore.prototype.put; window.roomAgain = () => { IDBObjectStore.prototype.put = put }
      IDBObjectStore.prototype.put = function () { throw new DOMException('no room', 'QuotaExceededError') }`)
    await page.type('[data-field="targetMassG"]', '361')
    await page.driver.wait(async () => (await page.text('.save')).includes('disk is full'), PATIENCE)
    expect(await page.text('[data-wing="weight"]')).toContain('≤ 361 g')
    // Leaving would throw it away: that is asked, and staying loses nothing.
    await page.act('shelf')
    await page.press('[data-shelf="plover"] button')
    await page.press('[data-act="leave-stay"]')
    expect(await page.text('[data-act="shelf"]')).toBe(DEMOS[0].name)
    await page.driver.executeScript('window.roomAgain()')
    for (const button of await page.driver.findElements(By.css('.thread button')))
      if ((await button.getText()) === 'Try again') await button.click()
    await page.saved()
    expect((await page.stored()).brief.targetMassG).toBe(361)
  })
  it('one damaged project stands on the shelf with what is wrong; its content can be taken, and it can be deleted', async () => {
    await page.anew('/brief', { ...DEMOS[0], wing: null } as never)
    await page.until('[data-notice]')
    expect(await page.text('[data-notice]')).toContain('wing')
    await page.act('shelf')
    await page.press('[data-shelf="thistledown"] [data-act="raw"]')
    const out = () => readdirSync(page.browser.downloads).find(name => name === 'thistledown-raw.json')
    await page.driver.wait(() => !!out(), PATIENCE)
    expect(JSON.parse(readFileSync(join(page.browser.downloads, out()!), 'utf8')).doc.zones).toEqual(
      DEMOS[0].zones,
    )
    await page.press('[data-shelf="thistledown"] [data-act="delete"]')
    await page.press('[data-shelf="thistledown"] [data-act="delete"]')
    await page.driver.wait(async () => (await page.count('[data-shelf="thistledown"]')) === 0, PATIENCE)
    expect(await page.count('[data-shelf="plover"]')).toBe(1)
  })
  it('asks no other host for anything, says nothing wrong in the console, and carries its security headers', async () => {
    await page.anew('/skin')
    await page.find('[data-view="space"]').click()
    await page.driver.wait(
      async () => (await page.driver.findElements(By.css('canvas[data-ready="yes"]'))).length === 1,
      PATIENCE,
    )
    const hosts = new Set<string>()
    for (const entry of await page.driver.manage().logs().get('performance')) {
      const { message } = JSON.parse(entry.message) as {
        message: { method: string; params: { request?: { url: string } } }
      }
      if (message.method !== 'Network.requestWillBeSent') continue
      const url = new URL(message.params.request!.url)
      // The browser's own pages (chrome:) and what the page makes itself (data:, blob:) ask no host.
      if (/^(https?|wss?):$/.test(url.protocol)) hosts.add(url.host)
    }
    const own = new URL(page.server.url).host
    expect([...hosts].filter(host => host !== own)).toEqual([])
    const severe = (await page.driver.manage().logs().get('browser')).filter(
      entry => entry.level.name === 'SEVERE',
    )
    expect(severe.map(entry => entry.message)).toEqual([])
    for (const path of ['/', '/api/health', '/api/nothing', '/mariposa.svg']) {
      const { headers } = await fetch(page.server.url + path)
      expect(headers.get('x-content-type-options')).toBe('nosniff')
      expect(headers.get('referrer-policy')).toBe('no-referrer')
      const policy = headers.get('content-security-policy')!
      expect(policy).toContain("frame-ancestors 'none'")
      expect(policy).not.toMatch(/https?:|'unsafe-eval'|script-src[^;]*'unsafe-inline'/)
    }
  })
  it('is reachable by keyboard: / finds a station, and every station passes the accessibility rules in both themes', async () => {
    await page.anew('/brief')
    await page.find('body').sendKeys('/')
    await page.driver.wait(
      async () => (await page.driver.findElements(By.css('[data-field="command"] input'))).length === 1,
      PATIENCE,
    )
    await page.driver.wait(
      async () =>
        page.driver.executeScript<boolean>(
          'return !!document.activeElement.closest("[data-field=\'command\']")',
        ),
      PATIENCE,
    )
    await page.driver.switchTo().activeElement().sendKeys('field', Key.ENTER)
    await page.driver.wait(async () => (await page.driver.getCurrentUrl()).endsWith('/field'), PATIENCE)
    for (const theme of ['paper', 'night']) {
      for (const { id } of STATIONS.filter((_, i) => i % runs(1, theme === 'paper' ? 5 : 8) === 0)) {
        await page.station(id)
        // Every bench of a station, the first one last, so that the next visit begins where this one did.
        const tabs = await Promise.all(
          (await page.driver.findElements(By.css('[data-tab]'))).map(item => item.getAttribute('data-tab')),
        )
        // Colours are the theme's everywhere: by night the first bench of each station tells. So it does in the run
        // that is not deep.
        const benches = theme === 'paper' && DEEP ? [...tabs.slice(1), tabs[0]] : []
        for (const tab of benches.length ? benches : ['']) {
          if (tab) await page.press(`[data-tab="${tab}"]`)
          await page.quiet()
          const broken = await page.inaccessible({ coloursOnly: theme === 'night' })
          expect(broken.map(words => `${theme} ${id} ${tab}: ${words}`)).toEqual([])
        }
      }
      await page.act('theme')
    }
  })
  it('at 390 px every station fits the width of the phone', async () => {
    await page.anew('/brief')
    await setViewport(page.driver, 390, 844)
    for (const { id } of STATIONS.filter((_, i) => i % runs(1, 2) === 0)) {
      await page.station(id)
      expect(
        await page.driver.executeScript<number>('return document.documentElement.scrollWidth'),
      ).toBeLessThanOrEqual(390)
      // Nor does anything in it run out at the right: what is too wide is stacked.
      await page.driver.wait(
        async () =>
          page.driver.executeScript<boolean>(
            'const bench = document.querySelector(".bench"); return bench.scrollWidth <= bench.clientWidth + 1',
          ),
        PATIENCE,
        `the bench of ${id} runs out at the right`,
      )
    }
    await setViewport(page.driver, 1280, 800)
  })
  it.runIf(DEEP)(
    'the server gone: what is drawn in space says so, all that needs only the page goes on',
    async () => {
      // The page has something to do until it is told otherwise: nothing is fetched ahead.
      const lonely = await Page.open('/brief', {
        keeps: false,
        before: 'window.idle = []; window.requestIdleCallback = work => window.idle.push(work)',
      })
      try {
        await lonely.saved()
        // What was not fetched yet says so, and can be had once the server is back.
        await lonely.serverGone()
        await lonely.find('[data-station="skin"]').click()
        await lonely.until('[data-bare]')
        await lonely.serverBack()
        await lonely.press('[data-bare] .v-btn')
        await lonely.driver.executeScript(
          'window.requestIdleCallback = work => work(); for (const work of window.idle) work()',
        )
        await lonely.until('.shell[data-whole="true"]')
        await lonely.serverGone()
        await lonely.station('brief')
        await lonely.type('[data-field="targetMassG"]', '777')
        expect(await lonely.text('[data-wing="weight"]')).toContain('≤ 777 g')
        await lonely.station('balance')
        const { totals } = await lonely.computed()
        expect(await lonely.wing('weight')).toBe(Math.round(totals.massG))
        await lonely.station('shape')
        await lonely.find('[data-view="space"]').click()
        await lonely.until('[data-lost]')
        expect(await lonely.text('[data-lost]')).toContain('could not be made')
      } finally {
        await lonely.close()
      }
    },
  )
})
