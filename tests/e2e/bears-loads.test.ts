/**
 * Spine and Prove as a maker uses them: a spar run further, left out, mended; legs; a test planned and
 * measured; figures against the core.
 */
import { By, Key } from 'selenium-webdriver'
import { written } from '../../core/units'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { sharedAssessor } from '../../core/assess'
import { cuttingPlan, mend, sparChoices } from '../../core/workshop/spine'
import { inspectionList } from '../../core/workshop/readiness'
import { DEMOS } from '../../core/demo'
import { LIBRARIES } from '../../core/libraries'
import { PATIENCE } from '../support/browser'
import { Page } from '../support/page'
import { DEEP } from '../../core/testing/runs'

let page: Page
beforeAll(async () => {
  page = await Page.shared()
})
afterAll(() => page?.handOn())
/** What a field says of what was typed comes in softly. */
const says = (css: string, words: string) =>
  page.driver.wait(
    async () => (await page.text(css)).includes(words),
    PATIENCE,
    `${css} does not say ${words}`,
  )
const kept = async () => {
  await page.saved()
  return page.stored()
}
const tab = (id: string) => page.press(`[data-tab="${id}"]`)

describe('what carries it', () => {
  it('the end of a spar, moved by keyboard under the drawn wing, moves the reserve: figures of the core', async () => {
    // In one piece through the middle: where it ends is then the wing's weak place.
    await page.anew('/spine', {
      ...DEMOS[0],
      spars: DEMOS[0].spars.map((spar, i) => (i === 0 ? { ...spar, through: true, toMm: 420 } : spar)),
    })
    const before = await page.computed()
    expect(await page.text('[data-figure="reserve"]')).toBe(before.strength.reserve.toFixed(2))
    expect(await page.text('[data-figure="wing-reserve"]')).toBe(before.strength.wing.reserve.toFixed(2))
    const handle = await page.find('[data-spar-end="main-spar"]')
    await handle.sendKeys(...Array<string>(6).fill(Key.chord(Key.SHIFT, Key.ARROW_LEFT)))
    await page.settled()
    const after = await page.computed()
    expect((await kept()).spars[0].toMm).toBe(300)
    // Six presses of the key are one step.
    await page.act('undo')
    expect((await kept()).spars[0].toMm).toBe(420)
    await page.act('redo')
    expect(after.strength.wing.reserve).toBeLessThan(before.strength.wing.reserve)
    expect(after.strength.wing.atMm).toBeCloseTo(300.5, 6)
    expect(await page.text('[data-figure="reserve"]')).toBe(after.strength.reserve.toFixed(2))
  })
  it("a spar's end dragged under the drawn wing is one step, however many places it went through", async () => {
    await page.anew('/spine')
    for (const by of [-60, -40, -30]) await page.drag('[data-spar-end="main-spar"]', by, 0)
    await page.saved()
    expect((await page.stored()).spars[0].toMm).toBeLessThan(480)
    for (let i = 0; i < 3; i++) await page.act('undo')
    await page.saved()
    expect(await page.stored()).toEqual(DEMOS[0])
    expect(await page.find('[data-act="undo"]').isEnabled()).toBe(false)
  })
  it.runIf(DEEP)('what would mend it is what the core finds, and taking all of it passes', async () => {
    // Flown harder than its joiner bears.
    await page.anew('/spine', { ...DEMOS[0], brief: { ...DEMOS[0].brief, loadFactor: 9 } })
    await page.until('[data-table="mend"] [data-mend]')
    const doc = await kept(),
      found = mend(sharedAssessor(), doc)
    const ids = await Promise.all(
      (await page.driver.findElements(By.css('[data-mend]'))).map(item => item.getAttribute('data-mend')),
    )
    expect(ids).toEqual(found.single.slice(0, 5).map(item => item.id))
    await page.act('mend-all')
    const mended = await page.computed()
    expect(mended.strength.reserve).toBeGreaterThanOrEqual(1)
    expect(mended.strength.reserve).toBeCloseTo(found.all!.reserveAfter, 9)
    expect(await page.text('[data-figure="reserve"]')).toBe(mended.strength.reserve.toFixed(2))
    await page.act('undo')
    expect((await kept()).spars).toEqual(doc.spars)
  })
  it.runIf(DEEP)(
    'every spar left out, a size less, a size more, at once; lengths to cut add up',
    async () => {
      await page.anew('/spine')
      await tab('spars')
      await page.until('[data-choice="main-spar:out"]', PATIENCE)
      const doc = await kept(),
        out = sparChoices(sharedAssessor(), doc).find(item => item.spar === 'main-spar' && item.id === 'out')!
      const cells = await page.text('[data-choice="main-spar:out"]')
      expect(cells).toContain(out.reserve.toFixed(2))
      expect(cells).toContain(out.grams.toFixed(1).replace('-', '−'))
      expect(await page.count('[data-cut-length]')).toBe(
        cuttingPlan(doc, sharedAssessor().assess(doc), LIBRARIES).lengths.length,
      )
    },
  )
  it('a leg added lands it on its legs; a field that makes no sense is refused and nothing changes', async () => {
    await page.anew('/spine')
    await tab('places')
    await page.press('[data-act="add-leg"]')
    const a = await page.computed()
    expect(a.strength.gear.on).toBe('legs')
    expect(await page.text('[data-figure="peak"]')).toBe(`${a.strength.gear.peakN.toFixed(0)} N`)
    expect(await page.count('[data-place^="leg-1"]')).toBe(3)
    const tail = a.strength.places.find(place => place.part === 'horizontal')!
    expect(await page.text('[data-place="tail-horizontal"]')).toContain(tail.reserve.toFixed(2))
    await page.type('[data-field="leg-thickness"]', 'two')
    await says('[data-field="leg-thickness"]', '"two" is not a number')
    await page.type('[data-field="leg-thickness"]', '900')
    await says('[data-field="leg-thickness"]', 'from 0.5 to 40 mm')
    expect((await kept()).gear[0].thicknessMm).toBe(3)
    // Its wheel is printed: rim and tyre weigh what the core says; a tyre that leaves no rim is named.
    await page.choose('[data-field="wheel-made"]', 'Printed, with a tyre')
    const [rim, tyre] = (await page.computed()).pieces.filter(
      piece => piece.kind === 'wheel' && piece.side === 'starboard',
    )
    await says(
      '[data-figure="wheel"]',
      `rim ${rim.predictedG.toFixed(1)} g, tyre ${tyre.predictedG.toFixed(1)} g`,
    )
    await page.type('[data-field="tyre-thick"]', '26')
    await page.until('[data-finding="wheel-rim"]')
    await page.act('undo')
    await page.act('undo')
    expect((await kept()).zones).toEqual(DEMOS[0].zones)
    await page.act('undo')
  })
  it.runIf(DEEP)(
    "heat: the colour is the document's own; black on the field leaves less than white",
    async () => {
      await page.anew('/spine')
      await tab('heat')
      await page.until('[data-heat="field"]', PATIENCE)
      await page.choose('[data-field="heat-colour"]', 'black')
      const doc = await kept()
      expect(doc.brief.colour).toBe('black')
      const field = sharedAssessor()
        .heat(doc)
        .cases.find(item => item.place === 'field' && item.colour === 'black')!
      await page.driver.wait(
        async () => (await page.text('[data-heat="field"]')).includes(`${field.temperatureC.toFixed(0)} °C`),
        PATIENCE,
      )
      const flying = sharedAssessor()
        .heat(doc)
        .cases.find(item => item.place === 'flying' && item.colour === 'black')!
      expect(await page.text('[data-heat="flying"]')).toContain(flying.reserve!.toFixed(2))
      await page.act('undo')
    },
  )
})

describe('the test on two trestles', () => {
  it('planned by the core, measured by hand: stiffness corrected by what was read, and the wing told from a soft one', async () => {
    await page.anew('/prove')
    await page.press('[data-act="plan-trestles"]')
    const planned = (await page.computed()).strength.proofs[0]
    expect(await page.text('[data-figure="predicted"]')).toBe(`${planned.predicted.toFixed(1)} mm`)
    expect(await page.text('[data-figure="equivalent"]')).toBe(`${planned.equivalent.toFixed(1)} g`)
    // It proves the brief's load factor at the root, and leaves something in hand.
    expect(planned.equivalent).toBeGreaterThan(4.9)
    expect(planned.reserve).toBeGreaterThan(1.2)
    await page.type('[data-field="proof-measured"]', '-3')
    await says('[data-field="proof-measured"]', 'from 0 to 5000')
    expect((await kept()).proofs[0].measured).toBeNull()
    const read = (planned.predicted / 0.62).toFixed(1)
    await page.type('[data-field="proof-measured"]', read)
    const after = (await page.computed()).strength
    expect(after.measured.bending).toBeCloseTo(planned.predicted / Number(read), 6)
    expect(await page.text('[data-figure="ratio"]')).toBe(`${(100 * after.measured.bending).toFixed(0)} %`)
    expect(await page.text('[data-figure="bending-ratio"]')).toBe(
      `${(100 * after.measured.bending).toFixed(0)} %`,
    )
    expect(await page.text('[data-text="proof-verdict"]')).toMatch(/^Much softer/)
    expect(await page.text('[data-station="prove"]')).toContain('wants attention')
  })
  it("where to look after a landing: the core's own list, weakest first", async () => {
    await page.anew('/prove')
    await tab('after')
    const list = inspectionList(await page.computed())
    const shown = await Promise.all(
      (await page.driver.findElements(By.css('[data-inspect] b'))).map(item => item.getText()),
    )
    expect(shown).toEqual(list.map(item => written(item.where)))
  })
  it.runIf(DEEP)(
    "a piece lying on its side: the tray says what that does, and the wing's mode changes with it",
    async () => {
      await page.anew('/skin')
      await page.choose('[data-field="zone"]', 'Outer wing')
      expect(await page.text('[data-text="stance"]')).toContain('bond between them')
      await page.choose('[data-field="stance"]', 'Lying on its side')
      expect(await page.text('[data-text="stance"]')).toContain('along the beads')
      const a = await page.computed()
      expect(a.strength.stations.some(station => station.modes['skin along the bead'] !== undefined)).toBe(
        true,
      )
      expect(a.findings.map(finding => finding.code)).toContain('lies-bare')
    },
  )
})
