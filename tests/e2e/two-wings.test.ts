/** A second wing asked for at Shape, strutted at Spine, put together at Build, and away again. */
import { afterAll, beforeAll, expect, it } from 'vitest'
import { DEMOS } from '../../core/demo'
import { PATIENCE } from '../support/browser'
import { DEEP } from '../../core/testing/runs'
import { Page } from '../support/page'

let page: Page
beforeAll(async () => {
  page = await Page.shared()
})
afterAll(() => page?.handOn())

it.runIf(DEEP)(
  'an upper wing comes with spars and struts and the core’s figures; a strut that is moved changes its reserve; undo takes it all back',
  async () => {
    await page.anew('/shape', DEMOS[0])
    const before = await page.stored()
    await page.choose('[data-field="second-wing"]', 'Over the first: biplane')
    await page.press('[data-surface="second"]')
    await page.saved()
    const biplane = await page.computed()
    expect(biplane.plan.areaDm2).toBeGreaterThan(40)
    expect(await page.wing('weight')).toBeCloseTo(biplane.totals.massG, 0)
    expect(await page.wing('strength')).toBeCloseTo(biplane.strength.reserve, 1)
    expect(await page.count('[data-strut]')).toBe(8)
    // Its own figures, not the first wing's.
    await page.type('[data-field="rootChordMm"]', '180')
    await page.saved()
    const narrow = await page.stored()
    expect([narrow.second!.rootChordMm, narrow.wing.rootChordMm]).toEqual([180, before.wing.rootChordMm])

    await page.station('spine')
    await page.choose('[data-field="strut"]', 'Front interplane strut')
    const length = async () => Number((await page.text('[data-say="strut"] .num')).replace(/[^\d.]/g, ''))
    const at = narrow.struts.findIndex(strut => strut.name === 'Front interplane strut')
    expect(await length()).toBeCloseTo((await page.computed()).struts[at].lengthMm, 0)
    // Past the tip there is nothing to stand on: refused at its field.
    await page.type('[data-field="strut-to-along"]', '5000')
    await page.driver.wait(
      async () => (await page.text('[data-field="strut-to-along"]')).includes('from 0 to 3000 mm'),
      PATIENCE,
    )
    expect((await page.stored()).struts).toEqual(narrow.struts)
    await page.type('[data-field="strut-to-along"]', '150')
    await page.saved()
    const leaning = await page.computed()
    expect(await length()).toBeCloseTo(leaning.struts[at].lengthMm, 0)
    expect(leaning.struts[at].lengthMm).toBeGreaterThan(200)

    await page.station('build')
    await page.press('[data-tab="order"]')
    await page.until('[data-order="set-wing.second"]')
    await page.until('[data-order="strut.cabane-front"]')

    await page.station('shape')
    await page.choose('[data-field="second-wing"]', 'None')
    await page.saved()
    const { second, struts, spars } = await page.stored()
    expect({ second, struts, spars }).toEqual({ second: null, struts: [], spars: before.spars })
  },
)

it.runIf(DEEP)(
  'winglets stand on the tips with the core’s figures, are refused where they are too long, glued on at Build, and go again',
  async () => {
    await page.anew('/shape', DEMOS[0])
    await page.act('winglets-add')
    await page.saved()
    const winged = await page.computed()
    expect(winged.pieces.filter(piece => piece.part === 'winglet')).toHaveLength(2)
    expect(await page.wing('weight')).toBeCloseTo(winged.totals.massG, 0)
    expect(await page.wing('strength')).toBeCloseTo(winged.strength.reserve, 1)
    await page.type('[data-field="winglet-lengthMm"]', '900')
    await page.driver.wait(
      async () => (await page.text('[data-field="winglet-lengthMm"]')).includes('from 10 to 600 mm'),
      PATIENCE,
    )
    await page.type('[data-field="winglet-lengthMm"]', '6 in')
    await page.saved()
    expect((await page.stored()).winglets!.lengthMm).toBeCloseTo(152.4, 3)
    await page.station('build')
    await page.press('[data-tab="order"]')
    await page.until('[data-order="winglet.starboard"]')
    await page.station('shape')
    await page.act('winglets-out')
    await page.saved()
    expect((await page.stored()).winglets).toBeNull()
  },
)
