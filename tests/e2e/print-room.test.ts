/**
 * The print room as a maker uses it, on the simulated printers at speed: a first piece, its file checked, weighed by
 * the scale, accepted; a plate that fails and is printed again; a spool that runs dry; what it all forecasts.
 */
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { By } from 'selenium-webdriver'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { sharedAssessor } from '../../core/assess'
import { DEMOS } from '../../core/demo'
import type { ProjectFile } from '../../core/document'
import { LIBRARIES } from '../../core/libraries'
import { fileOf } from '../../core/testing/machine-files'
import { planRoom, shelfOf } from '../../core/workshop/print-room'
import { PATIENCE } from '../support/browser'
import { Page } from '../support/page'

let page: Page
beforeAll(async () => {
  page = await Page.open()
})
afterAll(() => page?.close())

const [thistledown] = DEMOS
const assessor = sharedAssessor()
const tab = (id: string) => page.press(`[data-tab="${id}"]`)
const stored = async () => {
  await page.saved()
  return page.stored()
}
const stateOf = (id: string, state: string) => page.until(`[data-plate="${id}"][data-state="${state}"]`)
/** The room as the core plans it now; hours of waiting go with the clock, what stands where does not. */
const planned = (doc: ProjectFile) => {
  const now = new Date()
  const at = new Date(now.getTime() - now.getTimezoneOffset() * 60_000).toISOString().slice(0, 16)
  return planRoom(doc, assessor.airframe(doc), assessor.assess(doc), at)
}
const machineFile = (id: string, change = {}) => {
  const path = join(mkdtempSync(join(tmpdir(), 'mariposa-file-')), `${id}.gcode`)
  writeFileSync(path, fileOf(id, change).texts.join(''))
  return path
}
const give = async (path: string) => {
  await (await page.find('input[aria-label="Machine file to check"]')).sendKeys(path)
}

describe('the print room', () => {
  it('runs a first piece from the printer to its release, a failure and its reprint', async () => {
    await page.anew('/print', thistledown)
    const first = 'vertical-1',
      plate = `p-${first}`
    await page.until(`[data-plate="${plate}"]`)
    expect(await page.text('[data-figure="plates"]')).toBe(
      String(planned(thistledown).plates.filter(item => item.state === 'waiting').length),
    )
    await page.until('[data-printer="printer-boxed"][data-state="idle"]')
    await page.type('[data-field="bench-speed"]', '1000')
    // The rest of its kind cannot be begun before it.
    await page.press('[data-plate="p-horizontal-1-port"]')
    expect(await (await page.find('[data-act="begin"]')).isEnabled()).toBe(false)
    await page.press(`[data-plate="${plate}"]`)
    await page.act('send')
    await stateOf(plate, 'printing')
    await stateOf(plate, 'done')
    expect((await stored()).plates.find(item => item.id === plate)).toMatchObject({
      state: 'done',
      spool: 'foam-white-2',
    })

    // Its file, with dense infill left in, is sent back; the right one is accepted.
    await tab('check')
    await give(machineFile(first, { infillShare: 0.2 }))
    await page.until(`[data-check="${first}"] [data-row="infill"].bad`)
    expect(await page.count('[data-figure="reserve-as-found"]')).toBe(1)
    await page.act('send-back')
    await give(machineFile(first))
    await page.until(`[data-check="${first}"] [data-verdict="accept"]`)
    await page.act('accept-file')
    expect((await stored()).fileChecks.slice(-2).map(item => item.verdict)).toEqual(['sent-back', 'accepted'])

    // The scale's reading lands in it once it has settled.
    await page.station('weigh')
    await page.choose('[data-field="scale-piece"]', 'Fin 1')
    await page.act('lay-on')
    await page.driver.wait(
      async () => (await page.stored()).weighIns.some(item => item.piece === first),
      PATIENCE,
      'no reading landed',
    )
    await page.act('take-off')
    await page.settled()
    const weighed = (await stored()).weighIns.find(item => item.piece === first)!
    expect(Math.abs(weighed.massG / weighed.predictedG - 1)).toBeLessThan(0.06)
    const { forecast } = await page.computed()
    expect(await page.text('[data-figure="forecast"]')).toBe(`${forecast.massG.toFixed(0)} g`)

    // Looked at, it is accepted, and the rest of its kind is free.
    await page.station('print')
    await tab('plates')
    await page.press('[data-plate="p-horizontal-1-port"]')
    await page.press('[data-field="looked"]')
    await page.act('accept-first')
    expect((await stored()).accepted.at(-1)).toMatchObject({ piece: first, printer: 'boxed', byHand: false })

    // The next one fails on its printer, keeps its grams, offers its remedy, and waits again.
    await page.press('[data-plate="p-horizontal-1-port"]')
    await page.type('[data-field="bench-speed"]', '20')
    await page.act('send')
    await stateOf('p-horizontal-1-port', 'printing')
    await page.press('[data-printer="printer-boxed"] [data-act="bench-fail"]')
    await stateOf('p-horizontal-1-port', 'failed')
    const failed = (await stored()).plates.find(item => item.id === 'p-horizontal-1-port')!
    expect(failed.fault).toMatchObject({ why: 'lifted' })
    await page.press('[data-plate="p-horizontal-1-port"]')
    await page.until('[data-card="fault"] [data-act="fault-remedy"]')
    await stateOf('p-horizontal-1-port-2', 'waiting')
    await page.type('[data-field="bench-speed"]', '1000')
    await page.press('[data-plate="p-horizontal-1-port-2"]')
    await page.act('send')
    await stateOf('p-horizontal-1-port-2', 'done')
    expect((await stored()).plates.map(item => item.state).filter(state => state === 'failed')).toHaveLength(
      2,
    )
  })

  it('says where a spool runs dry and what to buy, as the core reckons it', async () => {
    const doc: ProjectFile = {
      ...thistledown,
      spools: thistledown.spools.map(spool =>
        spool.filament === 'pla-foam' ? { ...spool, massG: 60 } : spool,
      ),
    }
    await page.anew('/print', doc)
    await tab('shelf')
    await page.until('[data-dry]')
    const shelf = shelfOf(doc, planned(doc).plates, LIBRARIES.filaments)
    const dry = shelf.spools.filter(spool => spool.dryOn !== null)
    expect(await page.count('[data-dry]')).toBe(dry.length)
    const [buy] = shelf.buy
    expect(await page.text('[data-buy]')).toContain(`${buy.grams.toFixed(0)} g short, ${buy.spools} spool`)
    expect(await page.text('[data-figure="wasted"]')).toBe('9.1 g')
  })

  it('a plate is moved to another hour and printer by keys, a piece turned and moved on its bed; too far is said', async () => {
    await page.anew('/print', thistledown)
    await tab('week')
    await page.until('[data-week-plate="p-wing-2-starboard"]')
    const bar = await page.find('[data-week-plate="p-wing-2-starboard"]')
    await bar.sendKeys('\uE015')
    await page.saved()
    const moved = (await stored()).plates.find(item => item.id === 'p-wing-2-starboard')!
    expect(moved.printer).toBe('boxed')
    await tab('plates')
    await page.press('[data-plate="p-wing-2-starboard"]')
    await page.until('[data-on-bed="wing-2-starboard"]')
    const before = moved.pieces[0]
    await page.act('turn-left')
    await page.driver.wait(
      async () =>
        (await page.stored()).plates.find(item => item.id === moved.id)!.pieces[0].turnDeg !== before.turnDeg,
      PATIENCE,
    )
    await (await page.find('[data-on-bed="wing-2-starboard"]')).sendKeys(...Array<string>(30).fill('\uE014'))
    await page.driver.wait(
      async () =>
        (await page.stored()).plates.find(item => item.id === moved.id)!.pieces[0].xMm > before.xMm + 20,
      PATIENCE,
    )
    await page.driver.wait(
      async () => (await page.driver.findElements(By.css('.bench [role="alert"]'))).length > 0,
      PATIENCE,
      'nothing is said of the edge',
    )
    // Over the edge nothing is written, and it says why.
    await page.act('write-file')
    await page.until('[data-fault="plate"]')
    expect(await page.text('[data-fault="plate"]')).toMatch(
      /the bed of Boxed one is 250 × 210 mm. Move or turn it/,
    )
  })

  it('a file that is none is refused with a word, and nothing is kept', async () => {
    await page.anew('/print', thistledown)
    await tab('check')
    const path = join(mkdtempSync(join(tmpdir(), 'mariposa-file-')), 'letter.gcode')
    writeFileSync(path, 'Dear printer,\nplease print.\n')
    await give(path)
    await page.until('[data-fault="check"]')
    expect(await page.text('[data-fault="check"]')).toContain('is this G-code?')
    expect((await stored()).fileChecks).toEqual(thistledown.fileChecks)
  })
})
