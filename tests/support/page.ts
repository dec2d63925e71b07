/**
 * The page as a maker uses it: finding, pressing, typing, dragging, and what the core says of the document on
 * screen.
 */
import { By, Key, type WebElement } from 'selenium-webdriver'
import { assess } from '../../core/assess'
import type { ProjectFile } from '../../core/document'
import { openBrowser, settled, type Browser } from './browser'
import { startServer, type RunningServer } from './server'

export class Page {
  private constructor(
    readonly server: RunningServer,
    readonly browser: Browser,
  ) {}

  static async open(path = '/'): Promise<Page> {
    const page = new Page(await startServer(), await openBrowser())
    await page.go(path)
    return page
  }

  async close() {
    await this.browser.close()
    this.server.stop()
  }

  get driver() {
    return this.browser.driver
  }
  find = (css: string) => this.driver.findElement(By.css(css))
  count = async (css: string) => (await this.driver.findElements(By.css(css))).length
  text = async (css: string) => (await this.find(css).getText()).replace(/\s+/g, ' ')
  /** Waits until something is there. */
  until = (css: string, ms = 20_000) =>
    this.driver.wait(async () => (await this.count(css)) > 0, ms, `nothing matches ${css}`)
  settled = () => settled(this.driver)
  go = async (path: string) => {
    await this.driver.get(this.server.url + path)
    await this.settled()
  }
  station = async (id: string) => {
    await this.find(`[data-station="${id}"]`).click()
    await this.driver.wait(async () => (await this.driver.getCurrentUrl()).endsWith(`/${id}`), 5000)
    await this.settled()
  }
  /** Types into a figure field and commits with Enter. */
  type = async (css: string, value: string) => {
    const input = await this.find(`${css} input`)
    await input.sendKeys(Key.chord(Key.CONTROL, 'a'), value, Key.ENTER)
    await this.settled()
  }
  press = async (css: string) => {
    await this.driver.executeScript(
      'document.querySelector(arguments[0]).scrollIntoView({ block: "center" })',
      css,
    )
    await this.click(css)
    await this.settled()
  }
  act = async (name: string) => {
    await this.click(`[data-act="${name}"]`)
    await this.settled()
  }
  choose = async (css: string, title: string) => {
    await this.find(`${css} .v-field`).click()
    const option: WebElement = await this.driver.wait(async () => {
      // The list is drawn as it scrolls: an item may go while it is being read.
      try {
        for (const item of await this.driver.findElements(By.css('.v-overlay--active .v-list-item')))
          if ((await item.getText()).startsWith(title)) return item
      } catch {
        /* asked again */
      }
      return null as unknown as WebElement
    }, 5000)
    await this.driver.executeScript('arguments[0].click()', option)
    await this.settled()
  }
  /** As a hand does: what lies over it for a moment, a dialog that goes, is waited for. */
  private click = (css: string) =>
    this.driver.wait(
      async () => {
        try {
          await this.find(css).click()
          return true
        } catch (fault) {
          if (
            (fault as Error).name === 'ElementClickInterceptedError' ||
            (fault as Error).name === 'StaleElementReferenceError'
          )
            return false
          throw fault
        }
      },
      5000,
      `${css} stays covered`,
    )
  /**
   * Waits until something stands still and lies on top where it is: a station that just came may still be
   * finding its place.
   */
  private still = (css: string) =>
    this.driver.wait(
      async () =>
        this.driver.executeAsyncScript<boolean>(
          `const done = arguments[arguments.length - 1], item = document.querySelector(arguments[0])
    const a = item.getBoundingClientRect(); setTimeout(() => { const b = item.getBoundingClientRect(), top = document.elementFromPoint(b.x + b.width / 2, b.y + b.height / 2)
      done(item.isConnected && a.x === b.x && a.y === b.y && (item === top || item.contains(top) || !!top?.closest(arguments[0]))) }, 120)`,
          css,
        ),
      5000,
      `${css} does not stand still`,
    )
  drag = async (css: string, dx: number, dy: number) => {
    await this.still(css)
    await this.driver
      .actions({ async: true })
      .move({ origin: await this.find(css) })
      .press()
      .move({ origin: await this.find(css), x: Math.round(dx / 2), y: Math.round(dy / 2), duration: 100 })
      .pause(50)
      .perform()
    await this.driver
      .actions({ async: true })
      .move({ origin: 'pointer' as never, x: Math.round(dx / 2), y: Math.round(dy / 2), duration: 100 })
      .release()
      .perform()
    await this.driver.sleep(80)
    await this.settled()
  }
  /** The document as the page keeps it, straight from its store. */
  stored = () =>
    this.driver.executeAsyncScript<ProjectFile>(`const done = arguments[arguments.length - 1]
  const open = indexedDB.open('mariposa'); open.onsuccess = () => { const tx = open.result.transaction(['projects', 'settings']); const id = tx.objectStore('settings').get('open')
  id.onsuccess = () => { const get = tx.objectStore('projects').get(id.result.value); get.onsuccess = () => { open.result.close(); done(get.result.doc) } } }`)
  saved = () => this.driver.wait(async () => (await this.text('.save')).startsWith('Kept'), 5000)
  /** What the core makes of the document on screen. */
  computed = async () => {
    await this.saved()
    return assess(await this.stored())
  }
  /** The figure on one wing of the butterfly. */
  wing = async (name: string) => Number((await this.text(`[data-wing="${name}"] b`)).replace('−', '-'))
}
