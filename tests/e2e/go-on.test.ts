/** Go on or stop: three pieces are weighed, and the maker asks what the rest can still mend. */
import { afterAll, beforeAll, expect, it } from 'vitest'
import { By } from 'selenium-webdriver'
import { sharedAssessor } from '../../core/assess'
import { DEMOS } from '../../core/demo'
import { held, pairOf } from '../../core/document'
import { begunPieces } from '../../core/workshop/go-on'
import { DEEP } from '../../core/testing/runs'
import { Page } from '../support/page'

let page: Page
beforeAll(async () => {
  page = await Page.shared()
})
afterAll(() => page?.handOn())

const assessor = sharedAssessor()
const [thistledown] = DEMOS
const stored = () => page.stored()

it.runIf(DEEP)(
  'the best offer is what the core says of it; taken, what is printed stays, and may be let go again',
  async () => {
    await page.anew('/weigh', thistledown)
    await page.act('go-on')
    await page.until('[data-table="go-on"]')
    expect(await page.text('[data-card="go-on"] [data-verdict]')).toBe('Go on, but print the rest otherwise')
    const cells = async () =>
      Promise.all(
        (await page.driver.findElements(By.css('[data-table="go-on"] tbody tr.on td'))).map(cell =>
          cell.getText(),
        ),
      )
    const shown = await cells()
    await page.press('[data-table="go-on"] tr.on [data-take]')
    await page.saved()
    const taken = await stored()
    const before = assessor.assess(thistledown),
      after = assessor.assess(taken)
    const figure = (text: string) => Number.parseFloat(text.replace(/,/g, ''))
    expect(figure(shown[1]!)).toBeCloseTo(before.forecast.massG - after.forecast.massG, 1)
    expect(figure(shown[2]!)).toBeCloseTo(after.forecast.massG, 0)
    expect(figure(shown[3]!)).toBeCloseTo(100 * after.forecast.chanceWeight, 0)
    expect(figure(shown[5]!)).toBeCloseTo(after.strength.reserve, 2)
    const { begun } = begunPieces(thistledown, before)
    expect(new Set(taken.asPrinted.map(item => item.piece))).toEqual(
      new Set(begun.map(piece => pairOf(piece.id))),
    )
    expect(taken.asPrinted.map(({ date: _, ...item }) => item)).toEqual(
      held(thistledown, begun, '').map(({ date: _, ...item }) => item),
    )
    // The row of a piece that is printed says so, and its weight still counts.
    const weighed = thistledown.weighIns[0]!.piece
    const row = `//tr[.//input[@data-weigh="${weighed}"]]`
    expect(await page.driver.findElement(By.xpath(row)).getText()).toContain('as printed')
    expect(after.pieces.find(piece => piece.id === weighed)!.weighedG).not.toBeNull()
    // What was looked at before the edit cannot be taken any more.
    expect(await page.find('[data-table="go-on"] [data-take]').isEnabled()).toBe(false)

    await page.visit('/skin')
    const zone = before.pieces.find(piece => piece.id === weighed)!
    await page.choose('[data-field="zone"]', zone.zoneName)
    expect(await page.text('[data-held]')).toMatch(/stay as printed: what you change here is for the rest/)
    await page.act('follow-zone')
    await page.saved()
    const loose = await stored()
    expect(loose.asPrinted.some(item => item.piece === pairOf(weighed))).toBe(false)
    expect(assessor.assess(loose).pieces.find(piece => piece.id === weighed)!.weighedG).toBeNull()
  },
)
