/** Files from anywhere, torn, given to the computing part of the page itself: figures or a reason, and soon. */
import fc from 'fast-check'
import { readFileSync } from 'node:fs'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { DEMOS } from '../../core/demo'
import { runs } from '../../core/testing/runs'
import { mutate, mutation, WHOLE } from '../../core/testing/torn'
import { processesWith } from '../support/run'
import { Page } from '../support/page'

let page: Page
beforeAll(async () => {
  page = await Page.shared()
})
afterAll(() => page?.handOn())

interface Answer {
  ms: number
  fault: { name: string; message: string } | null
}

/** Files given at once: one that is never answered ends with the driver's own limit for a script. */
const BATCH = 40

/** Starts the page's own worker anew and asks it by its own protocol (see comlink), one file after the other. */
const ASK = `const [files, printer, done] = arguments
  const address = performance.getEntriesByType('resource').map(entry => entry.name).find(name => /core\\.worker/.test(name))
  const worker = window.tornWorker ??= new Worker(address, { type: 'module' })
  const ask = (name, values) => new Promise(resolve => {
    const id = String(Math.random())
    const hear = ({ data }) => {
      if (data?.id !== id) return
      worker.removeEventListener('message', hear)
      resolve(data.type === 'HANDLER' && data.name === 'throw' ? data.value : null)
    }
    worker.addEventListener('message', hear)
    worker.postMessage({ id, type: 'APPLY', path: [name], argumentList: values.map(value => ({ type: 'RAW', value })) })
  })
  const work = async () => {
    const answers = []
    for (const { kind, text } of files) {
      const bytes = Uint8Array.from(atob(text), letter => letter.charCodeAt(0)), from = performance.now()
      const thrown = kind === 'G-code'
        ? await ask('gcode', [new Blob([bytes]), printer])
        : await ask('readGiven', [kind === '3MF' ? 'torn.3mf' : 'torn.stl', bytes])
      const fault = thrown && (thrown.isError ? { name: thrown.value.name, message: thrown.value.message } : { name: 'no error', message: String(thrown.value) })
      answers.push({ ms: performance.now() - from, fault })
    }
    return answers
  }
  work().then(done)`

it('thousands of torn meshes and machine files are read or refused with a reason, within two seconds and 512 MB', async () => {
  await page.anew('/print', DEMOS[0])
  const kinds = Object.keys(WHOLE) as Array<keyof typeof WHOLE>
  const changes = fc.sample(mutation, { numRuns: runs(5000, 40) })
  let refused = 0,
    read = 0
  const before = peakOf()
  for (const kind of kinds)
    for (let from = 0; from < changes.length; from += BATCH) {
      const files = changes.slice(from, from + BATCH).map(change => ({
        kind,
        text: Buffer.from(mutate(WHOLE[kind], change)).toString('base64'),
      }))
      const answers = await page.driver
        .executeAsyncScript<Answer[]>(ASK, files, DEMOS[0].printers[0])
        .catch(cause => {
          throw new Error(`no answer for one of ${kind}, file ${from} and on`, { cause })
        })
      answers.forEach(({ ms, fault }, i) => {
        const which = `${kind}, file ${from + i}`
        expect(ms, which).toBeLessThan(2000)
        if (!fault) return read++
        refused++
        expect(fault.name, `${which}: ${fault.message}`).toBe('DocumentError')
        expect(fault.message.length, which).toBeGreaterThan(3)
      })
    }
  expect(refused).toBeGreaterThan(10)
  expect(read).toBeGreaterThan(10)
  expect(peakOf() - before).toBeLessThan(512)
  await page.driver.executeScript('window.tornWorker.terminate(); delete window.tornWorker')
}, 3_600_000)

/** The most that any one process of the browser has ever held, MB. */
const peakOf = (): number =>
  Math.max(
    ...processesWith(page.browser.profile).map(pid => {
      const found = /VmHWM:\s+(\d+) kB/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))
      return found ? Number(found[1]) / 1024 : 0
    }),
  )
