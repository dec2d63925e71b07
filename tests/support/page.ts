/**
 * The page as a maker uses it: finding, pressing, typing, dragging, and what the core says of the document on
 * screen.
 */
import { readdirSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import axe from 'axe-core'
import { By, Key } from 'selenium-webdriver'
import { assess } from '../../core/assess'
import { DEMOS } from '../../core/demo'
import type { ProjectFile } from '../../core/document'
import { openBrowser, PATIENCE, settled, setViewport, SHORT_LIVED, type Browser } from './browser'
import { startServer, type RunningServer } from './server'

export class Page {
  private constructor(
    private running: RunningServer,
    readonly browser: Browser,
  ) {}

  get server() {
    return this.running
  }
  /** The server goes, and comes back at the same address, with another build where one is given. */
  serverGone = () => this.running.stop()
  serverBack = async (output?: string) => {
    this.running = await startServer({ output, port: Number(new URL(this.running.url).port) })
  }

  /**
   * At a station, or, where none is named, at a page that computes nothing: what a test is about it opens afresh.
   * `watchNetwork`: with the log of what the page asks for, which costs time on every request.
   * `keeps` false: a browser that keeps no application, as at an address that is not secure.
   * `before`: a script that runs in every page before its own.
   */
  static async open(path?: string, { watchNetwork = false, keeps = true, before = '' } = {}): Promise<Page> {
    const page = new Page(await startServer(), await openBrowser({ watchNetwork, flags: SHORT_LIVED }))
    const scripts = [
      ...(keeps ? [] : ['Object.defineProperty(navigator, "serviceWorker", { value: undefined })']),
      ...(before ? [before] : []),
    ]
    for (const source of scripts)
      await (
        page.driver as unknown as { sendDevToolsCommand(name: string, args: object): Promise<void> }
      ).sendDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', {
        source,
      })
    if (path) await page.go(path)
    else {
      await page.driver.get(`${page.server.url}/begin`)
      await page.driver.wait(
        () =>
          page.driver.executeScript<boolean>(
            'return indexedDB.databases().then(all => all.some(item => item.name === "mariposa"))',
          ),
        PATIENCE,
        'the page made no store',
      )
    }
    return page
  }

  async close() {
    await this.browser.close()
    this.server.stop()
  }

  private static kept: Page | null = null
  /**
   * A page that the files of one worker hand on to each other, with its browser and its server: starting them, and
   * making the computing part fast, costs more than most tests. A file that needs another page than `open` makes by
   * itself, or that leaves something on the server, takes its own.
   */
  static async shared(): Promise<Page> {
    Page.kept ??= await Page.open()
    return Page.kept
  }
  /** Handed on, at its usual size and with nothing downloaded; a page that no longer answers is closed. */
  handOn = async () => {
    try {
      await setViewport(this.driver, 1280, 800)
      for (const file of readdirSync(this.browser.downloads)) rmSync(join(this.browser.downloads, file))
    } catch {
      Page.kept = null
      await this.close()
    }
  }

  get driver() {
    return this.browser.driver
  }
  find = (css: string) => this.driver.findElement(By.css(css))
  count = async (css: string) => (await this.driver.findElements(By.css(css))).length
  text = async (css: string) => (await this.find(css).getText()).replace(/\s+/g, ' ')
  /** Waits until something is there. */
  until = (css: string, ms = PATIENCE) =>
    this.driver.wait(async () => (await this.count(css)) > 0, ms, `nothing matches ${css}`)
  /** Scrolled to, as an eye does: what lies under an edge is computed when it is looked at. */
  reveal = async (css: string) => {
    await this.until(css)
    await this.driver.executeScript(
      'document.querySelector(arguments[0]).scrollIntoView({ block: "center" })',
      css,
    )
  }
  settled = () => settled(this.driver)
  /** At the bench of what was begun; layouts to choose from have wings of their own. */
  begun = async () => {
    await this.until('.shell:not(.begin) [data-wing="weight"] b')
    await this.settled()
  }
  go = async (path: string) => {
    await this.driver.get(this.server.url + path)
    await this.settled()
  }
  /** As a link does: the page stays, and what it computes with is warm. */
  visit = async (path: string) => {
    await this.driver.executeAsyncScript(
      `const [path, done] = arguments
      document.querySelector('#__nuxt').__vue_app__.config.globalProperties.$router.push(path).then(() => done())`,
      path,
    )
    await this.settled()
  }
  /**
   * A browser that has never been here, or one where this project is open: every test begins on its own page
   * state. What would help is tried when asked for; `nudges`: after every edit, as in a browser that was never asked.
   */
  fresh = async (path: string, doc?: ProjectFile, { nudges = false } = {}) => {
    // A page of the same origin that holds no database open.
    await this.driver.get(`${this.server.url}/api/health`)
    await this.emptied(doc, nudges)
    await this.go(path)
  }
  /**
   * The same in a page that is there already, whose computing parts are warm, which saves what a new page costs them:
   * its stores, settings and benches are those of a browser that has never been here. Where no project is open it
   * takes a new page.
   */
  anew = async (path: string, doc: ProjectFile = DEMOS[0]) => {
    const there = await this.driver.executeAsyncScript<boolean>(
      `const done = arguments[arguments.length - 1], app = document.querySelector('#__nuxt')?.__vue_app__
      if (!app) return done(false)
      const { $pinia: pinia, $router: router, $nuxt } = app.config.globalProperties
      const project = pinia._s.get('project')
      if (!project?.doc) return done(false)
      // A page that shows no project, until all that was known of the last one is gone. Where it comes up with none
      // it would open one.
      const shown = () => document.querySelector('.shell.begin') ? null : new Promise(resolve => setTimeout(resolve, 20)).then(shown)
      router.push('/begin').then(shown).then(() => project.save()).then(() => {
        for (const id of ['view', 'tracing']) {
          pinia._s.get(id)?.$dispose()
          pinia._s.delete(id)
          delete pinia.state.value[id]
        }
        // What benches remember for themselves: their tabs, what is laid over a drawing.
        const { state } = $nuxt.payload
        for (const key of Object.keys(state)) state[key] = undefined
        // What the live part has drawn it does not send again: the last drawing stays, of another aircraft.
        const assessment = pinia._s.get('assessment')
        if (assessment?.assessed)
          Object.assign(assessment, { assessed: { ...assessment.assessed, id: '' }, fault: null, failed: null })
        project.doc = null
        done(true)
      })`,
    )
    if (!there) return this.fresh(path, doc)
    await this.emptied(doc, false)
    await this.driver.executeScript(
      `window.dispatchEvent(new StorageEvent('storage', { key: null, storageArea: localStorage }))
      localStorage.setItem('mariposa-nudges', 'asked')`,
    )
    await this.visit(path)
  }
  /** The browser's own stores, emptied; with one project, where it is given. */
  private emptied = (doc: ProjectFile | undefined, nudges: boolean) =>
    this.driver.executeAsyncScript(
      `const [given, nudges, done] = arguments, doc = given && JSON.parse(given)
      ;(async () => {
      localStorage.clear(); sessionStorage.clear(); await caches.delete('kept-twice')
      if (!nudges) localStorage.setItem('mariposa-nudges', 'asked')
      const open = indexedDB.open('mariposa'); open.onsuccess = () => {
        // The page made it when the browser was opened; emptied, it is a browser that was never here.
        const stores = [...open.result.objectStoreNames]
        const tx = open.result.transaction(stores, 'readwrite')
        for (const name of stores) tx.objectStore(name).clear()
        if (doc) {
          tx.objectStore('projects').put({ id: doc.id, name: doc.name, revision: 1, changedAt: Date.now(), doc, done: [], undone: [] })
          tx.objectStore('settings').put({ key: 'open', value: doc.id })
        }
        tx.oncomplete = () => { open.result.close(); done() } } })()`,
      doc ? JSON.stringify(doc) : null,
      nudges,
    )
  station = async (id: string) => {
    await this.find(`[data-station="${id}"]`).click()
    await this.driver.wait(async () => (await this.driver.getCurrentUrl()).endsWith(`/${id}`), PATIENCE)
    await this.settled()
  }
  /** Types into a figure field and commits with Enter. */
  type = async (css: string, value: string) => {
    const input = await this.find(`${css} input`)
    await input.sendKeys(Key.chord(Key.CONTROL, 'a'), value, Key.ENTER)
    await this.settled()
  }
  press = async (css: string) => {
    await this.reveal(css)
    await this.click(css)
    await this.settled()
  }
  act = async (name: string) => {
    await this.click(`[data-act="${name}"]`)
    await this.settled()
  }
  choose = async (css: string, title: string) => {
    await this.click(`${css} .v-field`)
    await this.driver.wait(
      async () => {
        // The list is drawn as it scrolls: an item may go while it is being read, or before it is pressed.
        try {
          for (const item of await this.driver.findElements(By.css('.v-overlay--active .v-list-item')))
            if ((await item.getText()).startsWith(title)) {
              await this.driver.executeScript('arguments[0].click()', item)
              return true
            }
          // Further down, as a wheel would; at the end from the top again.
          await this.driver.executeScript(
            `const list = [...document.querySelectorAll('.v-overlay--active .v-list')].at(-1)
          if (!list) return
          const before = list.scrollTop
          list.scrollTop += list.clientHeight / 2
          if (list.scrollTop === before) list.scrollTop = 0`,
          )
        } catch {
          /* asked again */
        }
        return false
      },
      PATIENCE,
      `${css} offers no ${title}`,
    )
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
          ) {
            // What a bar at the edge covers is scrolled out from under it.
            await this.driver.executeScript(
              `document.querySelector(arguments[0])?.scrollIntoView({ block: 'center' })`,
              css,
            )
            return false
          }
          throw fault
        }
      },
      PATIENCE,
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
          const a = item.getBoundingClientRect()
          setTimeout(() => {
            const b = item.getBoundingClientRect()
            const top = document.elementFromPoint(b.x + b.width / 2, b.y + b.height / 2)
            const free = item === top || item.contains(top) || !!top?.closest(arguments[0])
            done(item.isConnected && a.x === b.x && a.y === b.y && free)
          }, 120)`,
          css,
        ),
      PATIENCE,
      `${css} does not stand still`,
    )
  /** Nothing moves on the page any more: no transition, no animation. */
  quiet = () =>
    this.driver.wait(
      async () =>
        this.driver.executeScript<boolean>(
          'return document.getAnimations().every(item => item.playState !== "running" || item.effect?.getTiming().iterations === Infinity)',
        ),
      PATIENCE,
      'something keeps moving',
    )
  /** Two frames: what the pointer did has been taken in. */
  private frames = () =>
    this.driver.executeAsyncScript(
      'const done = arguments[0]; requestAnimationFrame(() => requestAnimationFrame(() => done()))',
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
    await this.frames()
    await this.settled()
  }
  /** The document as the page keeps it, straight from its store. */
  stored = () =>
    this.driver.executeAsyncScript<ProjectFile>(`const done = arguments[arguments.length - 1]
  const open = indexedDB.open('mariposa'); open.onsuccess = () => { const tx = open.result.transaction(['projects', 'settings']); const id = tx.objectStore('settings').get('open')
  id.onsuccess = () => { const get = tx.objectStore('projects').get(id.result.value); get.onsuccess = () => { open.result.close(); done(get.result.doc) } } }`)
  saved = () => this.driver.wait(async () => (await this.text('.save')).startsWith('Kept'), PATIENCE)
  /** What the core makes of the document on screen. */
  computed = async () => {
    await this.saved()
    return assess(await this.stored())
  }
  /** What stands against the rules of accessibility on the page as it is, in words. */
  inaccessible = async ({ coloursOnly = false } = {}): Promise<string[]> => {
    if (!(await this.driver.executeScript<boolean>('return "axe" in window')))
      await this.driver.executeScript(axe.source)
    const broken = await this.driver.executeAsyncScript<
      Array<{ id: string; nodes: Array<{ html: string; failureSummary: string }> }>
    >(
      // What passes is not told: finding a name for every element that does takes longer than looking.
      `const [only, done] = arguments
      axe.run(document, { runOnly: only, resultTypes: ['violations'], preload: false }).then(r => done(r.violations))`,
      coloursOnly ? ['color-contrast'] : ['wcag2a', 'wcag2aa'],
    )
    return broken.map(
      v => `${v.id} ${v.nodes[0].html.slice(0, 160)} ${v.nodes[0].failureSummary.slice(0, 200)}`,
    )
  }
  /** The figure on one wing of the butterfly. */
  wing = async (name: string) => Number((await this.text(`[data-wing="${name}"] b`)).replace('−', '-'))
}
