/**
 * Shape and Balance as a maker uses them: sections, stall, servos, remedies, wing sets, two scales; figures
 * against the core.
 */
import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { written } from '../../core/units'
import { join } from 'node:path'
import { unzipSync } from 'fflate'
import { By, Key } from 'selenium-webdriver'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { assess, sharedAssessor } from '../../core/assess'
import { readStl } from '../../core/printing'
import { measureMesh, weld } from '../../core/geometry'
import { balanceTemplates } from '../../core/workshop/balance'
import { proportions, sectionReport } from '../../core/workshop/advice'
import { PATIENCE } from '../support/browser'
import { Page } from '../support/page'
import { DEEP } from '../../core/testing/runs'

let page: Page
beforeAll(async () => {
  page = await Page.shared()
})
afterAll(() => page?.handOn())
const tab = (id: string) => page.press(`[data-tab="${id}"]`)

describe('how it flies', () => {
  it.runIf(DEEP)(
    'stall along the span: speed, place and tip margin of the core; more washout typed moves the margin as the row said it would',
    async () => {
      await page.anew('/shape')
      const a = await page.computed()
      expect(await page.text('[data-figure="stall"]')).toBe(
        `${a.stall.speedMs.toFixed(1)} ± ${a.stall.spreadMs.toFixed(1)} m/s`,
      )
      expect(await page.text('[data-figure="tip-margin"]')).toBe(`${a.stall.tipMarginDeg.toFixed(1)}°`)
      const cases = sharedAssessor()
        .flown(await page.stored())
        .stallCases()
      const promised = cases.find(item => item.id === 'washout')!
      await page.until('[data-stall-case="washout"]')
      expect(await page.text('[data-stall-case="washout"]')).toContain(`${promised.tipMarginDeg.toFixed(1)}°`)
      const twist = await page.driver.findElements(
        By.xpath('//label[text()="Twist"]/ancestor::*[contains(@class,"v-text-field")]//input'),
      )
      // Two degrees at the tip, straight along the span: the break at 45 % of it takes its share.
      await twist[0].sendKeys(Key.chord(Key.CONTROL, 'a'), '-0.9', Key.ENTER)
      await twist[1].sendKeys(Key.chord(Key.CONTROL, 'a'), '-4', Key.ENTER)
      await page.settled()
      const after = await page.computed()
      expect(Math.abs(after.stall.tipMarginDeg - promised.tipMarginDeg)).toBeLessThan(0.1)
      expect(await page.text('[data-figure="tip-margin"]')).toBe(`${after.stall.tipMarginDeg.toFixed(1)}°`)
      await page.act('undo')
      await page.act('undo')
    },
  )
  it.runIf(DEEP)(
    'section: the figures of the core; a measured polar takes over the stall; a broken one is named and changes nothing',
    async () => {
      await page.anew('/shape')
      await tab('section')
      await page.until('[data-figure="section-cl"]')
      const doc = await page.stored()
      const assessor = sharedAssessor()
      const report = sectionReport(assessor.airframe(doc), assessor.assess(doc), 'wing', 0, 4)!
      expect(await page.text('[data-figure="section-cl"]')).toBe(report.at.cl.toFixed(3))
      const file = join(page.browser.downloads, 'tunnel.csv')
      writeFileSync(file, 'alpha,cl,cd\n-4,-0.05,0.02\n0,0.40,oops\n')
      await page.find('input[aria-label="Measured polar file"]').sendKeys(file)
      await page.until('.look p[role="alert"]')
      expect(await page.text('.look p[role="alert"]')).toMatch(
        /tunnel\.csv: row 3: "oops" is not a number for cd/,
      )
      expect((await page.stored()).polars).toEqual([])
      writeFileSync(
        file,
        'alpha,cl,cd\n-4,-0.05,0.02\n0,0.40,0.016\n4,0.75,0.018\n8,0.95,0.03\n10,0.9,0.06\n',
      )
      await page.find('input[aria-label="Measured polar file"]').sendKeys(file)
      await page.driver.wait(async () => {
        await page.saved()
        return (await page.stored()).polars.length === 1
      }, PATIENCE)
      const measured = await page.computed()
      expect(measured.stall.source).toBe('measured')
      await tab('stall')
      expect(await page.text('[data-figure="stall"]')).toContain(measured.stall.speedMs.toFixed(1))
      expect(measured.stall.speedMs).toBeGreaterThan(assess(doc).stall.speedMs)
      await page.act('undo')
    },
  )
  it.runIf(DEEP)('a section reshaped: thicker everywhere it was used, as one step', async () => {
    await page.anew('/shape')
    await tab('section')
    await page.until('[data-figure="section-cl"]')
    await page.type('[data-field="section-thick"]', '14')
    await page.press('[data-act="scale-section"]')
    await page.saved()
    const doc = await page.stored()
    expect(doc.aerofoils).toHaveLength(1)
    expect([doc.wing.rootAerofoil, ...doc.wing.panels.map(panel => panel.tipAerofoil)]).toEqual([
      'shape-1',
      'shape-1',
      'shape-1',
    ])
    const assessor = sharedAssessor()
    expect(sectionReport(assessor.airframe(doc), assessor.assess(doc), 'wing', 0, 4)!.thickness).toBeCloseTo(
      0.14,
      2,
    )
    await page.act('undo')
    await page.saved()
    expect((await page.stored()).aerofoils).toHaveLength(0)
  })
  it("trim, modes and rates are the core's; a rod that cannot reach is a finding that names the remedy", async () => {
    await page.anew('/shape')
    await tab('handling')
    const a = await page.computed()
    const cruise = a.trim.find(row => row.id === 'cruise' && row.payload)!
    expect(await page.text('[data-trim="cruise-in"]')).toContain(
      `${Math.abs(cruise.controlDeg!).toFixed(1)}° ${cruise.controlDeg! < 0 ? 'up' : 'down'}`,
    )
    expect(await page.text('[data-mode="spiral"]')).toContain(
      written(a.handling.modes.find(mode => mode.id === 'spiral')!.words),
    )
    await tab('hinges')
    const ailerons = a.controls.find(item => item.id === 'wing:0')!
    expect(await page.text('[data-figure="hinge-wing:0"]')).toBe(`${ailerons.hingeNcm.toFixed(1)} N·cm`)
    expect(await page.text('[data-rate="roll"]')).toContain(
      `${(100 * a.rates.find(item => item.axis === 'roll')!.lowShare).toFixed(0)} %`,
    )
    await page.type('[data-field="arm-0"]', '3')
    const short = (await page.computed()).findings.find(item => item.code === 'servo-short')!
    expect(written(short.text)).toContain('a longer arm or a shorter horn')
    expect(await page.text('.findings')).toContain('a longer arm or a shorter horn')
    await page.act('undo')
    expect(await page.count('.findings li, .findings .finding')).toBe(0)
  })
  it.runIf(DEEP)(
    "proportions are the core's, and a wing too small is told how much more it wants",
    async () => {
      await page.anew('/brief')
      const doc = await page.stored()
      for (const item of proportions(doc, assess(doc)).slice(0, 6))
        expect(await page.text(`[data-proportion="${item.id}"]`)).toContain(
          item.value.toFixed(item.digits).replace('-', '−'),
        )
    },
  )
})

describe('what flight and heat ask', () => {
  it.runIf(DEEP)('a stronger gust typed at Brief governs the wing, and the verdict says so', async () => {
    await page.anew('/brief')
    await page.type('[data-field="gustMs"]', '12')
    const a = await page.computed()
    expect(a.loads.governing.by).toMatch(/^gust/)
    await page.station('spine')
    await tab('loads')
    expect(await page.text('[data-figure="governing"]')).toBe(`${a.loads.governing.n.toFixed(1)} g`)
    expect(await page.text('[data-figure="gust"]')).toBe(`${(1 + a.loads.gustCruise).toFixed(1)} g`)
    expect(await page.wing('strength')).toBeCloseTo(a.strength.reserve, 2)
    await page.act('undo')
  })
})

describe('the balance bench', () => {
  it('the CG follows the dragged battery before the worker has answered, by its exact moment', async () => {
    await page.anew('/balance')
    const before = await page.computed()
    // Assessments are held back: what moves now is the page's own reckoning.
    const handle = await page.find('[data-handle="mass-battery"]')
    await page.driver
      .actions({ async: true })
      .move({ origin: handle })
      .press()
      .move({ origin: handle, x: 24, y: 0, duration: 60 })
      .perform()
    const [shown, moved] = await page.driver.executeAsyncScript<[string, string]>(
      'const done = arguments[0]; requestAnimationFrame(() => requestAnimationFrame(() => done([document.querySelector("[data-figure=cg]").textContent, document.querySelector("[data-handle=mass-battery] title").textContent])))',
    )
    await page.driver.actions({ async: true }).release().perform()
    await page.settled()
    const x = Number(/at ([\d.]+) mm/.exec(moved)![1])
    const expected = before.totals.cgMm[0] + (112 * (x - 106)) / before.totals.massG
    expect(Math.abs(Number(/[\d.]+/.exec(shown)![0]) - expected)).toBeLessThan(0.06)
    expect(x).toBeGreaterThan(110)
  })
  it('remedies: the battery slid back first; ballast, taken, gives the promised CG; the chance rises', async () => {
    await page.anew('/balance')
    const tailHeavy = await page.computed()
    await page.until('[data-table="remedies"][aria-busy="false"] [data-remedy]:not([disabled])')
    const titles = await Promise.all(
      (await page.driver.findElements(By.css('[data-remedy-of] b'))).map(item => item.getText()),
    )
    expect(titles[0]).toMatch(/^Move Battery .* forward$/)
    const promised = (await page.text('[data-remedy-of="ballast-nose"] [data-figure="cg-after"]')).replace(
      ' mm',
      '',
    )
    await page.press('[data-remedy="ballast-nose"]')
    const mended = await page.computed()
    expect(mended.totals.cgMm[0].toFixed(1)).toBe(promised)
    expect(mended.flight.balanceChance).toBeGreaterThan(tailHeavy.flight.balanceChance)
    const chance = mended.flight.balanceChance
    expect(await page.text('[data-figure="chance"]')).toBe(
      chance > 0.995 ? 'over 99 %' : `${(100 * chance).toFixed(0)} %`,
    )
    await page.act('undo')
  })
  it.runIf(DEEP)(
    'small parts: reckoned from the drawing until they are weighed; words for a weight are refused',
    async () => {
      await page.anew('/balance')
      await tab('small')
      const before = await page.computed()
      const reckoned = before.smallParts.find(item => item.part === 'linkages')!
      expect(await page.text('[data-part="linkages"]')).toContain(`${reckoned.reckonedG.toFixed(1)} g`)
      await page.type('[data-field="small-linkages"]', 'heavy')
      await page.driver.wait(
        async () => (await page.text('[data-field="small-linkages"]')).includes('"heavy" is not a number'),
        PATIENCE,
      )
      await page.type('[data-field="small-linkages"]', '31.5')
      const after = await page.computed()
      expect(after.totals.massG - before.totals.massG).toBeCloseTo(31.5 - reckoned.massG, 6)
      const total = after.smallParts.reduce((sum, item) => sum + item.massG, 0)
      expect(await page.text('[data-figure="small-parts"]')).toBe(`${total.toFixed(1)} g`)
      expect(await page.wing('weight')).toBeCloseTo(after.totals.massG, 0)
      await page.saved()
      expect((await page.stored()).allowances.smallParts).toMatchObject({ linkages: 31.5, hinges: null })
    },
  )
  it.runIf(DEEP)(
    'what lies far out: the inertia of the core, the wing before what lies in the middle, by the axis asked for',
    async () => {
      await page.anew('/balance')
      await tab('far')
      const { handling, ledger } = await page.computed()
      expect(await page.text('[data-figure="inertia-roll"]')).toBe(
        `${(handling.inertia.rollKgM2 * 1000).toFixed(1)} g·m²`,
      )
      const first = async () => (await page.find('[data-inertia]')).getAttribute('data-inertia')
      for (const axis of ['rollKgM2', 'pitchKgM2'] as const) {
        await page.press(`[data-axis="${axis}"]`)
        const top = handling.inertiaOf.reduce((a, b) => (b[axis] > a[axis] ? b : a))
        expect(await first()).toBe(top.id)
        expect(await page.text(`[data-inertia="${top.id}"]`)).toContain(
          `${((100 * top[axis]) / handling.inertia[axis]).toFixed(1)} %`,
        )
        expect(await page.text(`[data-inertia="${top.id}"]`)).toContain(
          ledger.find(row => row.id === top.id)!.name,
        )
      }
    },
  )
  it('two scales: moments of both readings, taken as measured; nonsense is said', async () => {
    await page.anew('/balance')
    await tab('measure')
    await page.type('[data-field="scale-fore-mm"]', '180')
    await page.type('[data-field="scale-fore-g"]', '590')
    await page.type('[data-field="scale-aft-mm"]', '760')
    await page.type('[data-field="scale-aft-g"]', '70')
    const cg = (590 * 180 + 70 * 760) / 660
    expect(await page.text('[data-figure="scale-cg"]')).toContain(cg.toFixed(1))
    await page.press('[data-act="take-scales"]')
    await page.saved()
    expect((await page.stored()).measured).toMatchObject({ massG: 660, cgMm: Math.round(cg * 10) / 10 })
    await page.type('[data-field="scale-aft-mm"]', '185')
    expect(await page.text('.split p[role="alert"]')).toContain('20 mm apart')
    await page.act('undo')
    await page.act('undo')
  })
  it.runIf(DEEP)("cradle and gauge come as closed solids of the core's own outlines", async () => {
    await page.anew('/balance')
    await tab('measure')
    await page.press('[data-act="cradle"]')
    await page.driver.wait(
      () => readdirSync(page.browser.downloads).some(name => name.endsWith('balance-aids.zip')),
      PATIENCE,
    )
    const zip = unzipSync(
      new Uint8Array(
        readFileSync(
          join(
            page.browser.downloads,
            readdirSync(page.browser.downloads).find(name => name.endsWith('balance-aids.zip'))!,
          ),
        ),
      ),
    )
    const doc = await page.stored()
    const assessor = sharedAssessor()
    const templates = balanceTemplates(assessor.airframe(doc), assessor.assess(doc))!
    expect(Object.keys(zip)).toHaveLength(templates.parts.length)
    const gauge = readStl(zip['marking-gauge.stl'])
    const mesh = weld(gauge)
    expect(measureMesh(mesh).watertight).toBe(true)
    const xs = Array.from(mesh.positions).filter((_, i) => i % 3 === 0)
    expect(Math.max(...xs)).toBeCloseTo(templates.bandMm[1] - templates.leadMm + 14, 2)
  })
  it.runIf(DEEP)(
    "a wing set kept, the wing changed, the set put back on: the balance of each is the core's",
    async () => {
      await page.anew('/balance')
      await tab('loadings')
      await page.find('[data-field="wing-set-name"] input').sendKeys('Short')
      await page.press('[data-act="keep-wing"]')
      await page.station('shape')
      await page.type('[data-field="span-1"]', '420')
      await page.station('balance')
      await page.driver.wait(
        async () =>
          (await page.count('[data-wing-set="wing-set-1"]')) > 0 &&
          (await page.text('[data-wing-set="wing-set-1"]')).includes('1200 mm') &&
          (await page.text('[data-wing-set="present"]')).includes('1380 mm'),
        PATIENCE,
      )
      const long = await page.computed()
      expect(await page.text('[data-wing-set="present"]')).toContain(`${long.totals.cgMm[0].toFixed(1)} mm`)
      const short = await page.text('[data-wing-set="wing-set-1"]')
      await page.press('[data-swap="wing-set-1"]')
      const back = await page.computed()
      expect(back.plan.spanMm).toBeCloseTo(1200, 6)
      expect(short).toContain(`${back.totals.cgMm[0].toFixed(1)} mm`)
    },
  )
})
