/** A wing with more walls at nose and rear and a printed spar: set at Skin, told where it cannot be laid, undone. */
import { afterAll, beforeAll, expect, it } from 'vitest'
import { sharedAssessor } from '../../core/assess'
import { DEMOS } from '../../core/demo'
import { PATIENCE } from '../support/browser'
import { Page } from '../support/page'
import { DEEP } from '../../core/testing/runs'

let page: Page
beforeAll(async () => {
  page = await Page.shared()
})
afterAll(() => page?.handOn())

const assessor = sharedAssessor()

it.runIf(DEEP)(
  'a tail gets a denser nose and a spar with the core’s figures; lying down it is told that neither is laid',
  async () => {
    await page.anew('/skin', DEMOS[0])
    await page.choose('[data-field="zone"]', 'Tail')
    const zone = async () => (await page.stored()).zones.find(item => item.id === 'tail')!
    const before = assessor.assess(await page.stored())
    await page.choose('[data-field="denser"]', 'more walls')
    await page.choose('[data-field="printed-spar"]', 'solid')
    await page.type('[data-field="printed-spar-width"]', '3')
    await page.saved()
    const { recipe } = await zone()
    expect(recipe.printedSpar?.widthMm).toBe(3)
    const both = assessor.assess(await page.stored())
    expect(both.totals.massG).toBeGreaterThan(before.totals.massG + 1)
    expect(await page.wing('weight')).toBeCloseTo(both.totals.massG, 0)

    // Nonsense is refused at its field, and nothing is changed.
    await page.type('[data-field="denser-nose"]', '80')
    await page.driver.wait(
      async () => (await page.text('[data-field="denser-nose"]')).includes('from 0 to 60'),
      PATIENCE,
    )
    expect((await zone()).recipe).toEqual(recipe)

    await page.choose('[data-field="stance"]', 'Lying')
    await page.until('[data-text="not-laid"]')
    await page.saved()
    const lying = await page.stored()
    const without = {
      ...lying,
      zones: lying.zones.map(item =>
        item.id === 'tail' ? { ...item, recipe: { ...item.recipe, denser: null, printedSpar: null } } : item,
      ),
    }
    expect(assessor.assess(lying).totals.massG).toBeCloseTo(assessor.assess(without).totals.massG, 6)
    for (let i = 0; i < 4; i++) await page.act('undo')
    await page.saved()
    expect((await page.stored()).zones).toEqual(DEMOS[0].zones)
  },
)
