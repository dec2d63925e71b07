/** Parts out of the drawer: pressed, dragged onto the drawing, kept as one's own, taken out and in as a file. */
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { By } from 'selenium-webdriver'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { assess } from '../../core/assess'
import { DEMOS } from '../../core/demo'
import { partOf, writeParts } from '../../core/workshop/drawer'
import { Page } from '../support/page'
import { DEEP } from '../../core/testing/runs'

let page: Page
beforeAll(async () => {
  page = await Page.shared()
})
afterAll(() => page?.handOn())

const stored = async () => {
  await page.saved()
  return page.stored()
}
/** A part is dragged so many pixels from the middle of the drawing. */
const dragPart = (id: string, dx: number, dy: number) =>
  page.driver.executeScript(
    `const data = new DataTransfer(), part = document.querySelector('[data-part="' + arguments[0] + '"]')
    const sheet = document.querySelector('.drawn .sheet'), box = sheet.getBoundingClientRect()
    const at = { clientX: box.x + box.width / 2 + arguments[1], clientY: box.y + box.height / 2 + arguments[2] }
    part.dispatchEvent(new DragEvent('dragstart', { bubbles: true, dataTransfer: data }))
    sheet.dispatchEvent(new DragEvent('dragover', { bubbles: true, cancelable: true, dataTransfer: data, ...at }))
    sheet.dispatchEvent(new DragEvent('drop', { bubbles: true, cancelable: true, dataTransfer: data, ...at }))`,
    id,
    dx,
    dy,
  )

describe('the drawer', () => {
  it('gives a part by a press and another by dragging it onto the wing, where it gets its bay and its twin', async () => {
    await page.anew('/balance', DEMOS[0])
    const before = await page.computed()
    await page.choose('[data-field="drawer-group"]', 'Ballast')
    await page.press('[data-part="lead-ballast-25"]')
    const heavier = await page.computed()
    expect(heavier.totals.massG - before.totals.massG).toBeCloseTo(25, 6)
    expect(await page.wing('weight')).toBeCloseTo(heavier.totals.massG, 0)
    // Out on the wing, as far as the aileron servo sits.
    await page.press('[data-view="plan"]')
    await page.choose('[data-field="drawer-group"]', 'Servos')
    const place = await page.driver.executeScript<[number, number]>(
      `const svg = document.querySelector('.drawn .sheet > svg'), box = svg.parentElement.getBoundingClientRect()
      const p = new DOMPoint(arguments[0], arguments[1]).matrixTransform(svg.getScreenCTM())
      return [p.x - box.x - box.width / 2, p.y - box.y - box.height / 2]`,
      200,
      270,
    )
    await dragPart('servo-6', ...place)
    await page.settled()
    const servo = (await stored()).equipment.at(-1)!
    expect(servo).toMatchObject({ kind: 'servo', massG: 6, pair: true, pocket: { surface: 'wing' } })
    expect(servo.xMm).toBeCloseTo(270, -1)
    expect(servo.yMm).toBeCloseTo(200, -1)
    await page.act('undo')
    expect((await stored()).equipment.at(-1)!.id).toBe('lead-ballast-25')
  })

  it.runIf(DEEP)('comes back as it was left: away to another page at once, and back', async () => {
    await page.anew('/balance', DEMOS[0])
    await page.choose('[data-field="component"]', 'Motor 2212')
    await page.press('[data-act="keep-part"]')
    await page.until('[data-part="motor"]')
    await page.type('[data-field="component-mass"]', '70')
    const { totals } = await page.computed()
    for (let n = 0; n < 2; n++) {
      await page.driver.get(`${page.server.url}/api/health`)
      await page.driver.navigate().back()
      await page.begun()
      expect(await page.wing('weight')).toBeCloseTo(totals.massG, 0)
      // It goes on computing.
      await page.choose('[data-field="component"]', 'Motor 2212')
      await page.type('[data-field="component-mass"]', String(71 + n))
      await page.type('[data-field="component-mass"]', '70')
      await page.saved()
    }
  })

  it.runIf(DEEP)(
    'keeps what was weighed for the next aircraft, also over a reload, and takes parts in from a file',
    async () => {
      await page.anew('/balance', DEMOS[0])
      await page.choose('[data-field="component"]', 'Motor 2212')
      await page.press('[data-act="keep-part"]')
      await page.until('[data-part="motor"]')
      await page.anew('/balance', DEMOS[1])
      // A fresh browser has an empty drawer.
      await page.choose('[data-field="drawer-group"]', 'My own')
      expect(await page.count('[data-part]')).toBe(0)
      const folder = mkdtempSync(join(tmpdir(), 'mariposa-parts-'))
      const good = join(folder, 'good.json'),
        bad = join(folder, 'bad.json')
      const own = { ...partOf(DEMOS[0].equipment[1]), id: 'own-motor', name: 'My weighed motor', massG: 54.3 }
      writeFileSync(good, writeParts([own]))
      writeFileSync(bad, writeParts([{ ...own, massG: -1 }]))
      await page.driver.findElement(By.css('[aria-label="File of parts"]')).sendKeys(bad)
      await page.until('[data-drawer] .bad')
      expect(await page.text('[data-drawer] .bad')).toContain('parts[0].massG')
      await page.driver.findElement(By.css('[aria-label="File of parts"]')).sendKeys(good)
      await page.until('[data-part="own-motor"]')
      await page.visit('/balance')
      await page.choose('[data-field="drawer-group"]', 'My own')
      const before = assess(await stored()).totals.massG
      await page.press('[data-part="own-motor"]')
      const doc = await stored()
      expect(doc.equipment.at(-1)).toMatchObject({ name: 'My weighed motor', massG: 54.3, kind: 'motor' })
      expect(assess(doc).totals.massG - before).toBeGreaterThan(54)
    },
  )
})
