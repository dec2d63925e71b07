/** A picture laid under the drawing, brought to scale by two points, and the aircraft dragged onto it. */
import { By } from 'selenium-webdriver'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { DEMOS } from '../../core/demo'
import { Page } from '../support/page'
import { DEEP } from '../../core/testing/runs'

let page: Page
beforeAll(async () => {
  page = await Page.shared()
})
afterAll(() => page?.handOn())

/** Pressed on the drawing, from the middle of what lies over it. */
const pressAt = async (dx: number, dy: number) => {
  const over = await page.find('[data-trace-over]')
  await page.driver.actions({ async: true }).move({ origin: over, x: dx, y: dy }).press().release().perform()
}
const stored = async () => {
  await page.saved()
  return page.stored()
}

describe('a picture under the drawing', () => {
  it('is brought in, moved, scaled by two points and taken away; each is a step of the history', async () => {
    await page.anew('/shape', DEMOS[0])
    await page.reveal('[data-act="trace"]')
    await page.driver
      .findElement(By.css('[aria-label="Picture to draw over"]'))
      .sendKeys(new URL('../../public/mariposa-512.png', import.meta.url).pathname)
    await page.until('[data-tracing] image')
    const laid = (await stored()).tracings[0]
    expect(laid).toMatchObject({ view: 'plan', widthMm: 1000, turnDeg: 0 })
    // Two points 200 px apart on the screen are said to be 300 mm apart.
    await page.press('[data-act="trace-points"]')
    await pressAt(-100, 0)
    await pressAt(100, 0)
    await page.until('[data-field="trace-known"]')
    expect(await page.find('[data-act="trace-scale"]').getAttribute('disabled')).not.toBeNull()
    await page.type('[data-field="trace-known"]', '300')
    const unit = await page.driver.executeScript<number>(
      'const svg = document.querySelector(".drawn .sheet > svg"); return 1 / svg.getScreenCTM().a',
    )
    await page.press('[data-act="trace-scale"]')
    const scaled = (await stored()).tracings[0]
    expect(scaled.widthMm / laid.widthMm).toBeCloseTo(300 / (200 * unit), 1)
    // Moved by hand.
    await page.press('[data-act="trace-move"]')
    await page.drag('[data-trace-over]', 80, 40)
    const moved = (await stored()).tracings[0]
    expect(moved.rightMm - scaled.rightMm).toBeCloseTo(80 * unit, -1)
    expect(moved.downMm - scaled.downMm).toBeCloseTo(40 * unit, -1)
    await page.press('[data-act="trace-move"]')
    await page.act('undo')
    expect((await stored()).tracings[0]).toEqual(scaled)
    await page.press('[data-act="trace-away"]')
    expect((await stored()).tracings).toEqual([])
    // What is no picture is refused by name.
    await page.driver
      .findElement(By.css('[aria-label="Picture to draw over"]'))
      .sendKeys(new URL('../../package.json', import.meta.url).pathname)
    await page.until('[data-trace] .bad')
    expect(await page.text('[data-trace] .bad')).toContain('package.json: not a picture')
  })

  it.runIf(DEEP)(
    'is drawn onto from the side: the body by its top and underside, the fin by its end',
    async () => {
      await page.anew('/shape', DEMOS[0])
      await page.press('[data-view="side"]')
      const before = (await stored()).body!.stations[3]
      await page.until('[data-handle="body-top-3"]')
      await page.drag('[data-handle="body-top-3"]', 0, -20)
      const after = (await stored()).body!.stations[3]
      expect(after.heightMm).toBeGreaterThan(before.heightMm + 5)
      // The underside stays where it was.
      expect(after.zMm - after.heightMm / 2).toBeCloseTo(before.zMm - before.heightMm / 2, 0)
      const fin = (await stored()).tail.vertical!.panels[0]
      await page.drag('[data-handle="fin-lead-1"]', 0, -15)
      expect((await stored()).tail.vertical!.panels[0].spanMm).toBeGreaterThan(fin.spanMm + 4)
      await page.settled()
      expect(await page.wing('weight')).toBeCloseTo((await page.computed()).totals.massG, 0)
    },
  )
})
