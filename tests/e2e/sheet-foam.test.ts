/** A wing cut from sheet foam: said at Skin, drawn at full size, in the order of building, printed by nobody; and back. */
import { afterAll, beforeAll, expect, it } from 'vitest'
import { sharedAssessor } from '../../core/assess'
import { DEMOS } from '../../core/demo'
import { changed } from '../../core/testing/changed'
import { slotted } from '../../core/testing/sheeted'
import { PATIENCE } from '../support/browser'
import { DEEP } from '../../core/testing/runs'
import { Page } from '../support/page'

let page: Page
beforeAll(async () => {
  page = await Page.shared()
})
afterAll(() => page?.handOn())

const uncut = changed(DEMOS[1], draft => {
  draft.cuts.wing = []
})
/** Uncut, a half is one piece, in the zone that has most of it. */
const zone = sharedAssessor()
  .airframe(uncut)
  .pieces.find(piece => piece.id === 'wing-1-starboard')!.zone

it.runIf(DEEP)(
  'a zone becomes a folded sheet with the core’s figures, is cut and folded in the build; flat it is another wing; undo brings the shell back',
  async () => {
    await page.anew('/skin', uncut)
    await page.choose('[data-field="zone"]', zone.name)
    await page.choose('[data-field="built"]', 'A sheet of foam, folded')
    await page.until('[data-text="sheet"]')
    const folded = await page.computed()
    const own = folded.pieces.filter(piece => piece.sheet)
    expect(own.length).toBeGreaterThan(1)
    expect(await page.text('[data-text="sheet"] .num')).toBe(`${own.length}`)
    expect(await page.wing('weight')).toBeCloseTo(folded.totals.massG, 0)
    // Nothing of the zone is printed: no recipe is asked for.
    expect(await page.count('[data-field="walls"]')).toBe(0)

    // Nonsense is refused at its field, and nothing is changed.
    const before = await page.stored()
    await page.type('[data-field="sheet-thicknessMm"]', '40')
    await page.driver.wait(
      async () => (await page.text('[data-field="sheet-thicknessMm"]')).includes('from 1 to 15 mm'),
      PATIENCE,
    )
    expect((await page.stored()).zones).toEqual(before.zones)
    await page.type('[data-field="sheet-thicknessMm"]', '3')
    await page.saved()
    const thin = await page.computed()
    expect(thin.totals.massG).toBeLessThan(folded.totals.massG)

    // Every row of a sheet says that it is cut, and the plates hold none.
    await page.station('print')
    await page.press('[data-tab="pieces"]')
    expect(await page.text(`[data-piece="${own[0].id}"]`)).toContain('cut by hand')
    await page.station('build')
    await page.press('[data-tab="order"]')
    await page.until('[data-order="fold.wing.starboard"]')
    await page.until('[data-order="fold.wing.port"]')
    await page.press('[data-tab="flat"]')
    await page.driver.wait(
      () =>
        page.driver.executeScript<boolean>(
          'return /folded from notch to notch/i.test(document.body.innerText)',
        ),
      PATIENCE,
      'no folded outline among the flat parts',
    )

    await page.station('skin')
    await page.choose('[data-field="built"]', 'A sheet of foam, flat')
    await page.saved()
    const flat = await page.computed()
    expect(flat.flight.stallMs).toBeGreaterThan(thin.flight.stallMs)
    for (let i = 0; i < 3; i++) await page.act('undo')
    await page.saved()
    expect((await page.stored()).zones).toEqual(uncut.zones)
  },
)

it('tails of flat sheet are pushed into slots of the body at Shape: lighter by the core’s figures, and pushed in at Build', async () => {
  await page.anew(
    '/shape',
    slotted(draft => {
      draft.tail.slots = false
    }),
  )
  await page.reveal('[data-field="tail-slots"] input')
  await page.press('[data-field="tail-slots"] input')
  await page.saved()
  const doc = await page.stored()
  expect(doc.tail.slots).toBe(true)
  const now = await page.computed()
  expect(now.findings.map(item => item.code).filter(code => code.startsWith('slot-'))).toEqual([])
  expect(await page.wing('weight')).toBe(Math.round(sharedAssessor().assess(doc).totals.massG))
  await page.station('build')
  await page.press('[data-tab="order"]')
  await page.until('[data-order="tail.horizontal"]')
  expect(await page.text('[data-order="tail.horizontal"]')).toContain('Push the tailplane into the slots')
})
