/** From an idea to an aircraft of one's own: a brief, layouts that were sized for it, one of them opened. */
import { Key } from 'selenium-webdriver'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { assess, sharedAssessor } from '../../core/assess'
import { begin, readWishes } from '../../core/begin'
import { DEMOS } from '../../core/demo'
import { NO_SPECS } from '../../core/document'
import { DEEP, runs } from '../../core/testing/runs'
import { PATIENCE, setViewport } from '../support/browser'
import { Page } from '../support/page'

let page: Page
beforeAll(async () => {
  page = await Page.shared()
})
afterAll(() => page?.handOn())

/** What the core makes of the same brief. */
const core = (raw: unknown, kind: 'flying-wing' | 'boom-and-pod') => {
  const work = begin(readWishes(raw), [kind])
  for (;;) {
    const step = work.next()
    if (step.done) return step.value.layouts[0]
  }
}

const MINE = {
  ...NO_SPECS,
  id: 'own-motor',
  name: 'Red outrunner',
  kind: 'motor',
  massG: 51,
  sizeMm: [28, 28, 28],
  motor: { rpmPerVolt: 1050, resistanceOhm: 0.1, noLoadA: 0.7, maxA: 18 },
}

describe('a beginning', () => {
  it('goes from what it is for to a project of one’s own, whose first edits can be undone one by one', async () => {
    await page.anew('/brief', DEMOS[1])
    await page.act('new')
    await page.until('[data-field="payloadG"]')
    await page.choose('[data-field="purpose"]', 'A gentle first model')
    await page.type('[data-field="payloadG"]', '-5')
    await page.driver.wait(
      async () => (await page.text('[data-field="payloadG"]')).includes('from 0 to 5000 g'),
      PATIENCE,
    )
    await page.type('[data-field="payloadG"]', '60')
    await page.press('[data-act="size"]')
    await page.until('[data-sized]:not([data-sized="0"])')
    const card = await page.text('[data-layout="boom-and-pod"]')
    expect(card).toContain('Every wish is met.')
    expect(await page.inaccessible()).toEqual([])
    await page.press('[data-choose="boom-and-pod"]')
    await page.begun()
    const doc = await page.stored()
    expect(doc.name).toBe('First model: Boom and pod')
    const { totals, flight } = assess(doc)
    expect(card).toContain(`Stalls at ${flight.stallMs.toFixed(1)} m/s`)
    expect(await page.wing('weight')).toBeCloseTo(totals.massG, 0)
    // Back towards the first sketch, step by step, and forth again.
    const undo = async () => (await page.find('[data-act="undo"]').getAttribute('disabled')) === null
    let steps = 0
    for (; steps < runs(99, 4) && (await undo()); steps++) await page.act('undo')
    expect(steps).toBeGreaterThan(3)
    await page.saved()
    const first = await page.stored()
    expect(first).not.toEqual(doc)
    expect(await page.wing('weight')).toBeCloseTo(assess(first).totals.massG, 0)
    await page.act('redo')
    await page.saved()
    expect(await page.wing('weight')).toBeCloseTo(assess(await page.stored()).totals.massG, 0)
  })

  it.runIf(DEEP)(
    'says what had to be given up, as the core does, and what keeping it would cost',
    async () => {
      await page.anew('/brief', DEMOS[1])
      await page.act('new')
      await page.until('[data-field="payloadG"]')
      await page.choose('[data-field="purpose"]', 'A light one')
      await page.type('[data-field="payloadG"]', '60')
      await page.type('[data-field="spanMaxMm"]', '0.6 m')
      await page.press('[data-act="size"]')
      await page.until('[data-sized]:not([data-sized="0"])')
      const pod = core({ purpose: 'indoor', payloadG: 60, spanMaxMm: 600 }, 'boom-and-pod')
      const text = await page.text('[data-layout="boom-and-pod"]')
      expect(text).toContain(`Span ${pod.figures.spanMm.toFixed(0)} mm`)
      const gone = await page.text('[data-layout="boom-and-pod"] [data-gave-up="stall"]')
      expect(gone).toContain(`stalls at ${pod.figures.stallMs.toFixed(1)} m/s instead of 6.0 m/s`)
      expect(gone).toMatch(/To keep it: \d+ mm of span, and \d+ g more/)
      await page.press('[data-choose="boom-and-pod"]')
      await page.begun()
      expect(assess(await page.stored()).totals.massG).toBeCloseTo(pod.figures.massG, 6)
    },
  )

  it.runIf(DEEP)(
    'shows every layout of its kind; what was sized for another brief says so; none is a word',
    async () => {
      await page.fresh('/brief', DEMOS[1])
      await page.act('new')
      await page.until('[data-purpose="fast"]')
      await page.press('[data-purpose="fast"]')
      await page.until('[data-sized="4"]')
      const wing = core({ purpose: 'fast' }, 'flying-wing')
      const card = await page.text('[data-layout="flying-wing"]')
      expect(card).toContain(`Stalls at ${wing.figures.stallMs.toFixed(1)} m/s`)
      expect(card).toContain('Every wish is met.')
      // The brief moves on: what is shown was sized for another.
      await page.type('[data-field="payloadG"]', '5000')
      await page.type('[data-field="spanMaxMm"]', '0.6 m')
      await page.until('[data-stale]')
      await page.press('[data-act="size"]')
      await page.until('[data-sized="0"]')
      expect(await page.text('[data-refused="flying-wing"]')).toContain('600 mm of span')
      // Nothing lies wider than a phone.
      await setViewport(page.driver, 390, 844)
      expect(
        await page.driver.executeScript('return document.documentElement.scrollWidth'),
      ).toBeLessThanOrEqual(390)
      await setViewport(page.driver, 1280, 800)
    },
  )

  it('is the design of another project, without what happened to that one', async () => {
    await page.fresh('/begin', DEMOS[0])
    await page.choose('[data-field="other"]', 'Thistledown')
    await page.begun()
    const doc = await page.stored()
    expect(doc.name).toBe('Thistledown, anew')
    expect([doc.flights, doc.weighIns, doc.plates]).toEqual([[], [], []])
    expect(doc.wing).toEqual(DEMOS[0].wing)
  })

  it('is an empty bench as well, where everything is the maker’s', async () => {
    await page.fresh('/begin', DEMOS[1])
    // A part of one's own lies in the drawer, which is opened without lengthening the page that cannot scroll.
    await page.driver.executeScript(
      "localStorage.setItem('mariposa-own-parts', arguments[0])",
      JSON.stringify({ format: 'mariposa-parts', version: 1, parts: [MINE] }),
    )
    await page.go('/begin')
    await page.driver.executeScript("document.querySelector('.brief details').open = true")
    await page.choose('[data-field="drawer-motors"]', 'Red outrunner, my own')
    await page.until('[data-field="drawer-motors"] .v-chip')
    expect(
      await page.driver.executeScript('return document.documentElement.scrollHeight - innerHeight'),
    ).toBe(0)
    await page.driver.switchTo().activeElement().sendKeys(Key.ESCAPE)
    await page.press('[data-act="empty"]')
    await page.begun()
    const doc = await page.stored()
    expect(doc.name).toBe('New aircraft')
    expect(doc.equipment).toEqual([])
    expect(await page.wing('weight')).toBeCloseTo(sharedAssessor().assess(doc).totals.massG, 0)
  })
})
