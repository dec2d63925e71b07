/**
 * Nudges and the Choose station as a maker uses them: a change looked at and taken, another filament, sizes,
 * a mark compared; figures against the core.
 */
import { Key } from 'selenium-webdriver'
import { written } from '../../core/units'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { sharedAssessor } from '../../core/assess'
import type { ProjectFile } from '../../core/document'
import { compareDesigns, filamentSwaps } from '../../core/study/compared'
import { createStudyKernel, readVary, study } from '../../core/study/combinations'
import { sizeChoices, sizeReport } from '../../core/study/sizes'
import { DEMOS } from '../../core/demo'
import { DEEP, runs } from '../../core/testing/runs'
import { countOf, NO_MUSTS, STARTS, varyOf } from '../../app/composables/studies'
import { PATIENCE } from '../support/browser'
import { Page } from '../support/page'

let page: Page
beforeAll(async () => {
  page = await Page.shared()
})
afterAll(() => page?.handOn())
const tab = (id: string) => page.press(`[data-tab="${id}"]`)
const minus = (text: string) => text.replace('-', '−')
const kept = async () => {
  await page.saved()
  return page.stored()
}

/** Sets of options added to every zone, as the page adds them. */
const sets = (doc: ProjectFile, ids: string[]) =>
  Object.fromEntries(
    doc.zones.map(zone => [zone.id, ids.flatMap(id => STARTS.find(set => set.id === id)!.zones!(doc, zone))]),
  )

describe('nudges', () => {
  it.runIf(DEEP)(
    'for the wing most in need; looked at first, taken on the second press, and worth what it said',
    async () => {
      await page.fresh('/skin', undefined, { nudges: true })
      await page.reveal('[data-nudges]')
      await page.until('[data-nudges][aria-busy="false"] [data-nudge]', PATIENCE)
      expect(await page.text('[data-nudges] h3')).toBe('What would help Weight')
      const id = await page.find('[data-nudge]').getAttribute('data-nudge')
      const before = await page.computed(),
        doc = await kept()
      await page.press(`[data-nudge="${id}"]`)
      const ghost = Number(minus(await page.text('[data-ghost="weight"]')).replace('→ ', ''))
      expect(await kept()).toEqual(doc)
      expect(ghost).toBeLessThan(before.totals.massG)
      await page.press(`[data-nudge="${id}"]`)
      const after = await page.computed()
      expect(after.totals.massG.toFixed(0)).toBe(String(ghost))
      expect(await page.wing('weight')).toBe(ghost)
      await page.act('undo')
    },
  )
  it.runIf(DEEP)(
    'a wing that is opened is the one that is helped, when it is asked for or of itself',
    async () => {
      await page.anew('/skin')
      await page.press('[data-wing="hours"]')
      await page.driver.wait(
        async () => (await page.text('[data-nudges] h3')) === 'What would help Hours',
        PATIENCE,
      )
      await page.press('[data-act="ask-nudges"]')
      await page.until('[data-nudges][aria-busy="false"] [data-nudge]', PATIENCE)
      // For this wing alone, until it is said to come of itself.
      await page.press('[data-wing="hours"]')
      await page.until('[data-act="ask-nudges"]')
      expect(await page.count('[data-nudge]')).toBe(0)
      await page.press('[data-field="nudges-asked"] input')
      await page.until('[data-nudges][aria-busy="false"] [data-nudge]', PATIENCE)
    },
  )
})

describe('other choices', () => {
  it('combinations: each assessed, the front of the core, what keeps it from being lighter; a point taken gives what it said', async () => {
    await page.anew('/choose')
    expect(await page.find('[data-act="run-study"]').isEnabled()).toBe(false)
    const vary = {
      'vary-nose': ['PLA, tough: one bead, sparse', 'PLA, tough: double skin'],
      'vary-main-spar': ['Carbon tube 6', 'left out'],
    }
    for (const [field, titles] of Object.entries(vary)) {
      await page.press(`[data-field="${field}"] .v-field`)
      for (const title of titles) {
        await page.driver.wait(
          async () =>
            page.driver.executeScript<boolean>(
              'const item = [...document.querySelectorAll(".v-overlay--active .v-list-item")].find(i => i.textContent.trim().startsWith(arguments[0])); item?.click(); return !!item',
              title,
            ),
          PATIENCE,
        )
      }
      await page.driver.switchTo().activeElement().sendKeys(Key.ESCAPE)
      await page.driver.wait(
        async () => (await page.count('.v-overlay--active .v-list-item')) === 0,
        PATIENCE,
      )
    }
    expect(await page.text('[data-act="run-study"]')).toBe('Try 9 combinations')
    await page.press('[data-act="run-study"]')
    const doc = await kept(),
      found = await study(
        createStudyKernel(),
        doc,
        readVary({
          zones: {
            nose: [
              {},
              { filament: 'pla-tough', school: 'bead-infill' },
              { filament: 'pla-tough', school: 'double-skin' },
            ],
          },
          spars: { 'main-spar': ['tube-8x6', 'tube-6x4', null] },
          must: { staticMarginPct: doc.brief.staticMarginPct, reserveMin: 1 },
        }),
        () => true,
      )
    await page.until('[data-front]')
    await page.driver.wait(
      async () => (await page.text('[data-front]')).includes('of 9 are beaten'),
      PATIENCE,
    )
    // The whole front, its points assessed again, and not one that is still growing.
    await page.until('[data-checked]', PATIENCE)
    expect(await page.text('[data-figure="front-count"]')).toBe(String(found.front.length))
    expect(await page.text('[data-table="front"] [data-point]')).toContain(
      `${found.front[0].massG.toFixed(1)} g`,
    )
    expect(await page.text('[data-front]')).toContain(written(found.nearly[0].broken[0]).slice(0, 30))
    await page.press('[data-table="front"] [data-point]')
    await page.press('[data-take-point]')
    const after = await page.computed()
    expect(after.totals.massG).toBeCloseTo(found.front[0].massG, 6)
    expect(Math.abs(after.strength.reserve / found.front[0].reserveFactor - 1)).toBeLessThan(1e-3)
    await page.act('undo')
  })
  it.runIf(DEEP)(
    "tens of thousands of combinations, or hundreds: stopped half way, the page loaded anew, gone on with, and the end is the core's",
    async () => {
      await page.fresh('/choose')
      const all = ['schools', 'steps', 'filaments'].slice(0, runs(3, 2))
      const many = countOf(varyOf(DEMOS[0], sets(DEMOS[0], all), {}, NO_MUSTS))
      for (const set of all) await page.press(`[data-start="${set}"]`)
      expect(many).toBeGreaterThan(runs(200_000, 15_000))
      expect(await page.text('[data-act="run-study"]')).toBe(`Try ${many.toLocaleString('en')} combinations`)
      await page.press('[data-act="run-study"]')
      await page.driver.wait(
        async () => (await page.text('[data-study-progress]')).includes('not beaten so far'),
        PATIENCE,
      )
      await page.press('[data-act="stop-study"]')
      await page.until('[data-left]', PATIENCE)
      await page.driver.navigate().refresh()
      await page.settled()
      await page.until('[data-left]')
      const left = Number(
        /stopped at ([\d,]+) of/.exec(await page.text('[data-left]'))![1].replaceAll(',', ''),
      )
      expect(left).toBeGreaterThan(0)
      expect(left).toBeLessThan(many)
      await page.press('[data-act="go-on-study"]')
      await page.driver.wait(async () => (await page.count('[data-checked]')) > 0, 120_000)
      const doc = await kept(),
        found = await study(createStudyKernel(), doc, varyOf(doc, sets(doc, all), {}, NO_MUSTS), () => true)
      expect(await page.text('[data-figure="front-count"]')).toBe(String(found.front.length))
      expect(await page.text('[data-table="front"] [data-point]')).toContain(
        `${found.front[0].massG.toFixed(1)} g`,
      )
      await page.press('[data-by="chance"]')
      expect(await page.text('[data-figure="front-count"]')).toBe(String(found.sure.length))
      await page.press('[data-by="reserve"]')
    },
    300_000,
  )
  it.runIf(DEEP)(
    'a bound on the cost leaves the front of what keeps it; a nonsense bound is refused where it stands',
    async () => {
      await page.fresh('/choose')
      await page.press('[data-start="schools"]')
      const doc = await kept(),
        run = (musts: typeof NO_MUSTS) =>
          study(createStudyKernel(), doc, varyOf(doc, sets(doc, ['schools']), {}, musts), () => true)
      const free = await run(NO_MUSTS),
        cost =
          Math.ceil(
            10 * free.front.map(point => point.cost).sort((a, b) => a - b)[Math.floor(free.front.length / 3)],
          ) / 10
      const cheap = await run({ ...NO_MUSTS, cost })
      await page.type('[data-field="must-cost"]', String(cost))
      await page.press('[data-act="run-study"]')
      await page.driver.wait(
        async () =>
          (await page.count('[data-checked]')) > 0 && (await page.count('[data-study-progress]')) === 0,
        PATIENCE,
      )
      expect(await page.text('[data-figure="front-count"]')).toBe(String(cheap.front.length))
      await page.type('[data-field="must-cost"]', '-3')
      await page.driver.wait(
        async () => (await page.text('[data-field="must-cost"]')).includes('from 0.01'),
        PATIENCE,
      )
      expect(cheap.front.length).not.toBe(free.front.length)
      await page.press('[data-start="none"]')
    },
    240_000,
  )
  it.runIf(DEEP)(
    'another filament for a zone: weight, what to buy and what stands against it, as the core has them',
    async () => {
      await page.anew('/choose')
      await tab('filament')
      await page.until('[data-swap="petg"]', PATIENCE)
      await page.choose('[data-field="swap-zone"]', 'Outer wing')
      const rows = filamentSwaps(sharedAssessor(), await kept(), 'wing-outer'),
        petg = rows.find(row => row.filament === 'petg')!
      await page.driver.wait(
        async () => (await page.text('[data-swap="petg"]')).includes(`${petg.massG.toFixed(0)} g`),
        PATIENCE,
      )
      expect(await page.text('[data-swap="petg"]')).toContain(`${petg.buy[0].grams} g PETG`)
      expect(await page.text('[data-swap="pla-foam"]')).toContain('as it is')
    },
  )
  it.runIf(DEEP)('sizes by spar stock, side by side; a factor that makes no sense is refused', async () => {
    await page.anew('/choose')
    await tab('sizes')
    const doc = await kept(),
      { choices } = sizeChoices(doc)!
    const ten = choices.find(item => item.stock === 'tube-10x8')!
    await page.until(`[data-size="${ten.factor.toFixed(3)}"]`, PATIENCE)
    await page.until('[data-table="sizes"][aria-busy="false"]', PATIENCE)
    const report = sizeReport(sharedAssessor(), doc, { factor: ten.factor, stock: ten.stock, boltMm: null })!
    const rod = report.gaps.find(item => item.id === 'rear-rod')!
    expect(await page.text(`[data-gap="rear-rod ${ten.factor.toFixed(3)}"]`)).toBe(
      `gap ${rod.gapMm.toFixed(2)} mm`,
    )
    const table = await page.text('[data-table="sizes"]')
    expect(table).toContain(`${report.massG.toFixed(0)} g`)
    expect(table).toContain(`${report.stallMs.toFixed(1)} m/s`)
    await page.type('[data-field="size-factor"]', '40')
    await page.driver.wait(
      async () => (await page.text('[data-field="size-factor"]')).includes('from 0.2 to 5'),
      PATIENCE,
    )
  })
  it.runIf(DEEP)(
    "against a mark: the differences and what must be printed anew are the core's; the old outline lies on the drawing",
    async () => {
      await page.anew('/choose')
      await tab('marks')
      await page.type('[data-field="choose-mark"]', 'As it was')
      await page.driver.wait(async () => (await page.count('[data-compared]')) === 1, PATIENCE)
      const old = await kept()
      await page.station('skin')
      await page.choose('[data-field="zone"]', 'Tail')
      await page.type('[data-field="walls"]', '2')
      await page.station('choose')
      await tab('marks')
      await page.until('[data-compared][aria-busy="false"]', PATIENCE)
      const now = await kept(),
        assessor = sharedAssessor(),
        found = compareDesigns(assessor.assess(old), assessor.assess(now))
      await page.driver.wait(
        async () => (await page.text('[data-figure="anew-hours"]')) === `${found.hours.toFixed(1)} h`,
        PATIENCE,
      )
      expect(found.hours).toBeGreaterThan(0)
      const weight = found.verdicts.find(row => row.wing === 'weight')!
      expect(await page.text('[data-verdict="weight"]')).toContain(
        `+${(weight.after - weight.before).toFixed(0)}`,
      )
      // The drawing is folded here, where the chart is the subject.
      await page.act('unfold')
      await page.driver.wait(async () => (await page.count('polygon.ghost')) > 5, PATIENCE)
    },
  )
})
