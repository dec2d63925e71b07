/** Taken apart and put into a box: what it comes to, what does not go in, and what would help. */
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { travelOf, sharedAssessor } from '../../core/assess'
import { DEMOS } from '../../core/demo'
import { PATIENCE } from '../support/browser'
import { Page } from '../support/page'

let page: Page
beforeAll(async () => {
  page = await Page.shared()
})
afterAll(() => page?.handOn())

const [thistledown] = DEMOS
const assessor = sharedAssessor()

describe('to travel', () => {
  it('the parts are the core’s; a box that is too short is a finding, a plug that helps is taken, and can be undone', async () => {
    const { parts, longestMm } = travelOf(assessor.airframe(thistledown), thistledown.brief.travelBoxMm)
    await page.anew('/split', thistledown)
    await page.press('[data-tab="travel"]')
    await page.until('[data-travel="fits"]')
    expect(await page.count('[data-part]')).toBe(parts.length)
    expect((await page.text('[data-figure="longest"]')).replace(',', '')).toBe(`${Math.ceil(longestMm)} mm`)

    // Nonsense is refused at its field, and the box stays.
    const long = '[data-table="travel"] [data-field="travel-length"]'
    await page.type(long, '20')
    await page.driver.wait(async () => (await page.text(long)).includes('from 100 to 4000 mm'), PATIENCE)
    await page.type(long, '960')
    await page.until('[data-travel="fails"]')
    expect(await page.text('[data-travel="fails"]')).toContain('does not go into a box of 960 mm')
    await page.until('[data-way="plug-wing-3"]')
    await page.press('[data-way="plug-wing-3"] button')
    await page.until('[data-travel="fits"]')
    await page.saved()
    const taken = await page.stored()
    expect(taken.brief.travelBoxMm).toEqual([960, 420, 300])
    expect(taken.cuts.wing.find(cut => cut.piece === 3)!.joint.kind).toBe('plug')
    const now = travelOf(assessor.airframe(taken), taken.brief.travelBoxMm)
    expect(now.laid).not.toBeNull()
    expect(await page.count('[data-part]')).toBe(now.parts.length)
    expect(await page.wing('strength')).toBeCloseTo(assessor.assess(taken).strength.reserve, 1)
    await page.act('undo')
    await page.until('[data-travel="fails"]')

    // A tail that is screwed on is parts of its own, and weighs its screws.
    await page.until('[data-way="tail-off"]')
    await page.press('[data-way="tail-off"] button')
    await page.saved()
    const screwed = await page.stored()
    expect(screwed.tail.screws).toBe(2)
    const apart = travelOf(assessor.airframe(screwed), screwed.brief.travelBoxMm)
    expect(apart.parts.map(part => part.name)).toEqual(
      expect.arrayContaining(['Body', 'Tailplane, port', 'Fin']),
    )
    await page.driver.wait(async () => (await page.count('[data-part]')) === apart.parts.length, PATIENCE)
    await page.station('shape')
    expect(await (await page.find('[data-field="tail-screws"] input')).getAttribute('value')).toBe('2')
    await page.act('undo')
  })
})
