/** A toss on the screen is the core's toss of the same document. */
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { sharedAssessor } from '../../core/assess'
import { DEMOS } from '../../core/demo'
import { written } from '../../core/units'
import { steadyGlide, toss, type Throw } from '../../core/workshop/toss'
import { PATIENCE } from '../support/browser'
import { Page } from '../support/page'
import { DEEP } from '../../core/testing/runs'

let page: Page
beforeAll(async () => {
  page = await Page.shared()
})
afterAll(() => page?.handOn())

const [thistledown] = DEMOS
const assessor = sharedAssessor()
const start = (): Throw => ({
  speedMs: thistledown.brief.throwMs,
  pathDeg: 0,
  heightM: 1.8,
  elevatorDeg: assessor.assess(thistledown).trim.find(row => row.id === 'glide')!.controlDeg!,
  tailDeg: 0,
  windMs: 0,
  gustMs: 0,
  throttlePct: 0,
  powerAfterS: 0,
})
const reads = (text: string) =>
  page.driver.wait(
    async () => (await page.text('[data-figure="reading"]')).replace('−', '-').includes(text),
    PATIENCE,
    `nothing reads "${text}"`,
  )
/** Up to the first figure: the screen writes signs and decimals in its own way. */
const opening = (words: string) => words.split(/\d/)[0]

describe('the toss', () => {
  it('reads as the core reads it, thrown as the brief says and with the balance moved', async () => {
    await page.anew('/toss', thistledown)
    await page.until('[data-figure="reading"]')
    const tables = assessor.flown(thistledown).pitch(true)
    await reads(opening(written(toss(tables, start()).reading)))
    await page.act('lay-toss')
    await page.type('[data-field="toss-cg"]', '40')
    const tail = toss(tables, start(), 0.04)
    expect(tail.kind).toBe('stalls')
    await page.until('[data-figure="reading"][data-kind="stalls"]')
    expect(await page.count('[data-table="tosses"] tbody tr')).toBe(2)
    expect(await page.text('[data-table="tosses"] tbody tr:last-child')).toContain(
      `${tail.distanceM.toFixed(1)} m`,
    )
  })
  it.runIf(DEEP)('the throw that suits it is taken, and glides', async () => {
    await page.anew('/toss', thistledown)
    await page.until('[data-act="take-suiting"]')
    const glide = steadyGlide(assessor.flown(thistledown).pitch(true), start().elevatorDeg)!
    expect(await page.text('[data-figure="suits"]')).toContain(`${glide.speedMs.toFixed(1)} m/s`)
    await page.act('take-suiting')
    await page.until('[data-figure="reading"][data-kind="glides"]')
    await page.act('toss-reset')
    expect(await page.count('[data-act="toss-reset"]')).toBe(0)
  })
  it.runIf(DEEP)('a figure that cannot be is refused at its field, and the toss stays', async () => {
    await page.anew('/toss', thistledown)
    await page.until('[data-figure="reading"]')
    const before = await page.text('[data-figure="reading"]')
    await page.type('[data-field="toss-speed"]', '300')
    expect(await page.text('[data-field="toss-speed"]')).toContain('from 0 to 30')
    expect(await page.text('[data-figure="reading"]')).toBe(before)
  })
})
