/** A wing of ribs under film: built so at Skin, its edges laid, its steps in the build, and back. */
import { afterAll, beforeAll, expect, it } from 'vitest'
import { sharedAssessor } from '../../core/assess'
import { DEMOS } from '../../core/demo'
import { changed } from '../../core/testing/changed'
import { PATIENCE } from '../support/browser'
import { Page } from '../support/page'
import { DEEP } from '../../core/testing/runs'

let page: Page
beforeAll(async () => {
  page = await Page.shared()
})
afterAll(() => page?.handOn())

const assessor = sharedAssessor()
/** Uncut, as somebody has it who does not mean to print a shell. */
const uncut = changed(DEMOS[0], draft => {
  draft.cuts.wing = []
})

it.runIf(DEEP)(
  'a zone becomes ribs with the core’s figures; edges are laid with a press; the build covers it; undo brings the shell back',
  async () => {
    await page.anew('/skin', uncut)
    await page.choose('[data-field="zone"]', 'Inner wing')
    await page.choose('[data-field="built"]', 'Printed ribs')
    await page.until('[data-text="ribs"]')
    const first = await page.computed()
    const zone = (await page.stored()).zones.find(item => item.id === 'wing-inner')!
    expect(zone.ribs).not.toBeNull()
    const ribs = first.pieces.filter(piece => piece.ribOf !== null)
    expect(ribs.length).toBeGreaterThan(10)
    expect(await page.text('[data-text="ribs"] .num')).toBe(`${ribs.length}`)
    expect(await page.wing('weight')).toBeCloseTo(first.totals.massG, 0)
    // Film lies over them in the drawing, once a side.
    expect(await page.count('[data-film]')).toBe(2)

    // Nonsense is refused at its field, and nothing is changed.
    await page.type('[data-field="rib-pitchMm"]', '3')
    await page.driver.wait(
      async () => (await page.text('[data-field="rib-pitchMm"]')).includes('from 15 to 300 mm'),
      PATIENCE,
    )
    expect((await page.stored()).zones.find(item => item.id === 'wing-inner')!.ribs).toEqual(zone.ribs)
    await page.type('[data-field="rib-pitchMm"]', '40')
    await page.saved()
    const closer = assessor.assess(await page.stored())
    expect(closer.pieces.length).toBeGreaterThan(first.pieces.length)

    await page.press('[data-act="lay-edges"]')
    await page.driver.wait(async () => (await page.count('[data-act="lay-edges"]')) === 0, PATIENCE)
    await page.saved()
    const edged = await page.stored()
    expect(edged.spars.length).toBeGreaterThan(uncut.spars.length)
    expect(assessor.assess(edged).findings.map(item => item.code)).not.toContain('ribs-no-edge')

    await page.station('build')
    await page.press('[data-tab="order"]')
    await page.until('[data-order="cover.wing.starboard"]')
    await page.until('[data-order="cover.wing.port"]')
    await page.station('skin')
    for (let i = 0; i < 3; i++) await page.act('undo')
    await page.saved()
    expect((await page.stored()).zones).toEqual(uncut.zones)
  },
)
