/**
 * Nudges after edits, and a study of over a million combinations: beside plain enumeration, its memory, and
 * the page's frames while it runs.
 */
import { spawnSync } from 'node:child_process'
import { performance } from 'node:perf_hooks'
import { By } from 'selenium-webdriver'
import { createAssessor } from '../../core/assess'
import { DEMOS } from '../../core/demo'
import { share, type ProjectFile } from '../../core/document'
import { nudges, WINGS } from '../../core/study/nudges'
import { eightZones, millionSpace } from '../../core/testing/eight-zones'
import { openBrowser, settled } from '../support/browser'
import { startServer } from '../support/server'

type Row = (name: string, text: string) => void

/** In one thread; the page shares the steps between two workers and waits 0.2 s before it begins. */
export async function nudging(row: Row) {
  const edits: Array<[string, (doc: ProjectFile, i: number) => void]> = [
    [
      'a target',
      (doc, i) => {
        doc.brief.targetMassG = 700 + i
      },
    ],
    [
      'flow of a zone',
      (doc, i) => {
        doc.zones[3].recipe.flow = 0.5 + i / 100
      },
    ],
    [
      'end of the spar',
      (doc, i) => {
        doc.spars[0].toMm = 480 + i
      },
    ],
    [
      'span',
      (doc, i) => {
        doc.wing.panels[1].spanMm = 325 + i
      },
    ],
  ]
  for (const wing of WINGS) {
    const assessor = createAssessor()
    let doc = DEMOS[0]
    await nudges(assessor, doc, wing, [0, 1], () => true)
    const words: string[] = []
    for (const [name, edit] of edits) {
      const times: number[] = []
      for (let i = 1; i <= 3; i++) {
        const next = structuredClone(doc)
        edit(next, i)
        doc = share(doc, next)
        const from = performance.now()
        await nudges(assessor, doc, wing, [0, 1], () => true)
        times.push(performance.now() - from)
      }
      words.push(`${name} ${(times.sort((a, b) => a - b)[1] / 1000).toFixed(2)} s`)
    }
    row(`nudges for ${wing}, in one thread, after an edit of`, words.join(', '))
  }
}

export function million(row: Row) {
  const { stdout } = spawnSync('npx', ['tsx', new URL('./million.ts', import.meta.url).pathname], {
    encoding: 'utf8',
  })
  const found = JSON.parse(stdout) as {
    of: number
    front: number
    seconds: number
    tabulated: number
    rssMb: number
    plainMsEach: number
    checked: { worst: number }
  }
  row(
    `study of ${found.of.toLocaleString('en')} combinations, one thread`,
    `${found.seconds.toFixed(1)} s, of them ${found.tabulated.toFixed(1)} s to tabulate (wanted under 10); front of ${found.front}; ${found.rssMb.toFixed(0)} MB at most (wanted under 500); 12 points assessed again within ${(100 * found.checked.worst).toFixed(4)} %`,
  )
  row(
    'the same by plain enumeration',
    `${found.plainMsEach.toFixed(1)} ms each: ${((found.plainMsEach * found.of) / 3.6e6).toFixed(1)} h (ratio ${((found.plainMsEach * found.of) / 1000 / found.seconds).toFixed(0)})`,
  )
}

/**
 * The same study in the page: from the press to the checked front, and the frames that were drawn meanwhile.
 */
export async function millionInPage(row: Row) {
  const server = await startServer(),
    browser = await openBrowser({ watchNetwork: false }),
    { driver } = browser
  try {
    await driver.get(`${server.url}/choose`)
    await settled(driver)
    const doc = { ...eightZones(), id: 'eight-zones', name: 'Eight zones' },
      vary = millionSpace(doc)
    const picked = {
      zones: Object.fromEntries(
        Object.entries(vary.zones).map(([id, options]) => [
          id,
          options.slice(1).map(option => JSON.stringify(option)),
        ]),
      ),
      spars: Object.fromEntries(Object.entries(vary.spars).map(([id, list]) => [id, list.slice(1)])),
      musts: {},
    }
    await driver.executeAsyncScript(
      `const done = arguments[arguments.length - 1], ask = indexedDB.open('mariposa')
      ask.onsuccess = () => { const tx = ask.result.transaction(['projects', 'studies', 'settings'], 'readwrite')
        tx.objectStore('projects').put({ id: 'eight-zones', name: 'Eight zones', revision: 1, changedAt: Date.now(), doc: arguments[0], done: [], undone: [] })
        tx.objectStore('studies').put({ project: 'eight-zones', at: 0, doc: arguments[0], vary: arguments[1], picked: arguments[2], state: null, result: null })
        tx.objectStore('settings').put({ key: 'open', value: 'eight-zones' }); tx.oncomplete = () => done(true) }`,
      doc,
      vary,
      picked,
    )
    await driver.navigate().refresh()
    await settled(driver)
    await driver.wait(
      async () => (await driver.findElements(By.css('[data-nudges][aria-busy="false"]'))).length > 0,
      60_000,
    )
    await driver.executeScript(
      'window.frames_ = []; const tick = (t) => { window.frames_.push(t); requestAnimationFrame(tick) }; requestAnimationFrame(tick); window.waits_ = []; let last = performance.now(); const wait = () => { const t = performance.now(); window.waits_.push(t - last); last = t; setTimeout(wait, 4) }; wait()',
    )
    const from = performance.now()
    await driver.findElement(By.css('[data-act="run-study"]')).click()
    await driver.wait(
      async () => (await driver.findElements(By.css('[data-checked]'))).length > 0,
      120_000,
      undefined,
      100,
    )
    const spent = performance.now() - from,
      frames = await driver.executeScript<number[]>('return window.frames_'),
      waits = await driver.executeScript<number[]>('return window.waits_')
    const gaps = frames
      .slice(1)
      .map((t, i) => t - frames[i])
      .sort((a, b) => a - b)
    row(
      'the same in the page, with the page alive',
      `${(spent / 1000).toFixed(1)} s; ${((1000 * gaps.length) / (frames[frames.length - 1] - frames[0])).toFixed(0)} frames a second drawn in software, median gap ${gaps[gaps.length >> 1].toFixed(1)} ms; the page's thread itself waits ${Math.max(...waits).toFixed(0)} ms at most`,
    )
  } finally {
    await browser.close()
    server.stop()
  }
}
