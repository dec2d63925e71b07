/** Debian's Chromium, headless, with a fresh profile. */
import { mkdtempSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { Builder, logging, type WebDriver } from 'selenium-webdriver'
import { Options, ServiceBuilder } from 'selenium-webdriver/chrome.js'
import { killAll, RUN } from './run'

/** As long as a loaded machine may need for anything that a page does, ms. Tests wait on conditions, never on time. */
export const PATIENCE = 90_000

const FLAGS = [
  '--headless=new',
  '--no-sandbox',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--disable-dev-shm-usage',
  '--disable-gpu-compositing',
  '--use-angle=swiftshader',
  '--enable-unsafe-swiftshader',
  '--hide-scrollbars',
]
/**
 * Pages of tests live for seconds: code is optimised only when it stays busy, and where it runs; done beside, most of
 * it comes too late and takes a quarter of all processor time.
 */
export const SHORT_LIVED = [
  // Nothing moves to its place frame by frame where every frame is drawn by the processor.
  '--force-prefers-reduced-motion',
  '--js-flags=--interrupt-budget=2000000,--invocation-count-for-maglev=2000,--no-concurrent-recompilation,--no-concurrent-sparkplug',
]

export interface Browser {
  driver: WebDriver
  downloads: string
  /** Its folder, which every process of it names. */
  profile: string
  close(): Promise<void>
  /** Kills every process of it at once, as a machine that loses its power does; the profile stays. */
  kill(): void
}

export async function openBrowser({
  width = 1280,
  height = 800,
  watchNetwork = true,
  profile = mkdtempSync(join(RUN, 'profile-')),
  flags = [] as string[],
} = {}): Promise<Browser> {
  const downloads = mkdtempSync(join(RUN, 'downloads-'))
  const options = new Options()
  options.setChromeBinaryPath(process.env.CHROMIUM ?? '/usr/bin/chromium')
  options.addArguments(...FLAGS, ...flags, `--user-data-dir=${profile}`, `--window-size=${width},${height}`)
  options.setUserPreferences({
    'download.default_directory': downloads,
    'download.prompt_for_download': false,
  })
  const preferences = new logging.Preferences()
  preferences.setLevel(logging.Type.BROWSER, logging.Level.ALL)
  // The network's log costs time on every frame; benchmarks go without.
  if (watchNetwork) preferences.setLevel(logging.Type.PERFORMANCE, logging.Level.ALL)
  options.setLoggingPrefs(preferences)
  const driver = await new Builder()
    .forBrowser('chrome')
    .setChromeOptions(options)
    .setChromeService(
      new ServiceBuilder(process.env.CHROMEDRIVER ?? '/usr/bin/chromedriver').loggingTo(
        join(RUN, `driver-${process.pid}.log`),
      ),
    )
    .build()
  await setViewport(driver, width, height)
  return {
    driver,
    downloads,
    profile,
    kill: () => {
      killAll(profile, words => !/chromedriver/.test(words.split('\0')[0]!))
      // The driver takes its time to notice that its browser is gone; nobody waits for it.
      void driver.quit().catch(() => {})
    },
    close: async () => {
      await driver.quit()
      rmSync(profile, { recursive: true, force: true })
      rmSync(downloads, { recursive: true, force: true })
    },
  }
}

/** The page's own size, whatever the window's frame takes. */
export async function setViewport(driver: WebDriver, width: number, height: number): Promise<void> {
  await (
    driver as WebDriver & { sendDevToolsCommand(name: string, args: object): Promise<void> }
  ).sendDevToolsCommand('Emulation.setDeviceMetricsOverride', {
    width,
    height,
    deviceScaleFactor: 1,
    mobile: width < 600,
  })
}

/** Waits until what is shown belongs to the newest edit. */
export async function settled(driver: WebDriver, timeoutMs = PATIENCE): Promise<void> {
  try {
    await driver.wait(
      async () =>
        driver.executeScript<boolean>('return document.querySelector(".shell")?.dataset.ready === "true"'),
      timeoutMs,
    )
  } catch (fault) {
    // What stands there instead says more than that something does not.
    const there = await driver.executeScript<string>(
      `const alerts = [...document.querySelectorAll('[role="alert"]')].map(item => item.textContent)
      return [location.pathname, JSON.stringify(document.querySelector('.shell')?.dataset ?? null), ...alerts,
        document.body.innerText.slice(0, 400)].join(' | ')`,
    )
    throw new Error(`the page did not settle: ${there}`, { cause: fault })
  }
}
