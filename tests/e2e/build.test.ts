/** A maker builds an aircraft from the first step to the last, with what happens on the way. */
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { sharedAssessor } from '../../core/assess'
import { DEMOS } from '../../core/demo'
import type { ProjectFile } from '../../core/document'
import { DEEP, runs } from '../../core/testing/runs'
import { written } from '../../core/units'
import { buildOrder, hardwareList } from '../../core/workshop/build'
import { PATIENCE, setViewport } from '../support/browser'
import { Page } from '../support/page'

let page: Page
beforeAll(async () => {
  page = await Page.shared()
})
afterAll(() => page?.handOn())

const [thistledown, plover] = DEMOS
const assessor = sharedAssessor()
const order = (doc: ProjectFile) => buildOrder(assessor.airframe(doc))
const stored = async () => {
  await page.saved()
  return page.stored()
}
const shown = async () =>
  ((await page.count('[data-step]')) && (await (await page.find('[data-step]')).getAttribute('data-step'))) ||
  ''
/** The tick has landed: another step is open, or this one says so. */
async function tick(act: 'done' | 'skip') {
  const before = await shown()
  await page.act(act)
  await page.driver.wait(
    async () => (await shown()) !== before || (await page.count('[data-step][data-state="ready"]')) === 0,
    PATIENCE,
    `${before} stays open`,
  )
}

describe('the build', () => {
  it('from the first step to the last: a reload, a skip, a step taken back, every step in an order that holds', async () => {
    await page.anew('/build', plover)
    await page.until('[data-act="done"]')
    const { steps, handsMin } = order(plover)
    expect(await page.text('[data-figure="build-progress"]')).toContain(`of ${steps.length} steps done`)
    const ticked: string[] = []
    for (let i = 0; i < runs(steps.length, 9); i++) {
      const now = await shown()
      const step = steps.find(item => item.id === now)!
      if (i < 3) expect(await page.text('.big')).toBe(written(step.title))
      // What it needs is done, skipped or still curing.
      expect(
        step.needs.filter(id => !ticked.includes(id)),
        now,
      ).toEqual([])
      ticked.push(now)
      await tick(i === 2 ? 'skip' : 'done')
      if (i === 4) {
        // Taken back, it is open again, and what came of it goes with it.
        await page.act('last')
        await page.act('undone')
        await page.driver.wait(async () => (await shown()) === now, PATIENCE)
        await tick('done')
      }
      if (i === 6) {
        await page.saved()
        await page.go('/build')
        await page.until('[data-act="done"]')
        expect((await page.stored()).build.ticks.map(item => item.step)).toEqual(
          expect.arrayContaining(ticked),
        )
      }
    }
    if (ticked.length < steps.length) {
      // By day those between are ticked as the order has them.
      const { build } = await stored()
      const rest = steps.filter(step => !ticked.includes(step.id)).map(step => step.id)
      const left = rest.splice(-3)
      const done = rest.map(step => ({
        step,
        state: 'done' as const,
        at: '2026-01-02T10:00:00',
        tookMin: null,
      }))
      const ticks = [...build.ticks, ...done]
      await page.anew('/build', { ...plover, build: { ...build, ticks, timers: [] } })
      for (const id of left) {
        await page.until('[data-act="done"]')
        expect(left).toContain(await shown())
        ticked.push(id)
        await tick('done')
      }
    }
    await page.until('[data-card="built"]')
    const { build } = await stored()
    expect(build.ticks).toHaveLength(steps.length)
    expect(build.ticks.filter(item => item.state === 'skipped').map(item => item.step)).toEqual([ticked[2]])
    expect(await page.text('[data-figure="build-progress"]')).toContain('1 skipped; 0 min')
    expect(handsMin).toBeGreaterThan(120)
    expect(await page.text('[data-station="build"]')).toContain('settled')
  })

  it('what cures is timed on through a reload, and what needs it says so', async () => {
    await page.anew('/build', plover)
    await page.until('[data-act="done"]')
    const spar = order(plover).steps.find(step => step.kind === 'spar')!
    for (let i = 0; i < 12 && (await shown()) !== spar.id; i++) await tick('done')
    await tick('done')
    const [timer] = (await stored()).build.timers
    expect(timer.step).toBe(spar.id)
    await page.until(`[data-timer-of="${spar.id}"]`)
    await page.go('/build')
    await page.until(`[data-timer-of="${spar.id}"]`)
    expect((await page.stored()).build.timers).toEqual([timer])
    expect(await page.text(`[data-timer-of="${spar.id}"] b`)).toMatch(/^3\d:\d\d$/)
  })

  it.runIf(DEEP)(
    'done out of turn, it is said before what that rules out, and after what it shut',
    async () => {
      await page.anew('/build', plover)
      await page.until('[data-act="done"]')
      const join = order(plover).steps.find(step =>
        step.joins.some(([, outer]) => outer === 'wing-2-starboard'),
      )!
      await page.press('[data-tab="order"]')
      await page.press(`[data-order="${join.id}"]`)
      await page.until('[data-card="waits"]')
      expect(await page.text('[data-card="waits"]')).toContain('rules out')
      await page.act('done')
      await page.until('[data-card="shuts"]')
      expect(await page.text('[data-card="shuts"]')).toContain('Glue swept rod into Wing 1 starboard')
      await page.act('undone')
      await page.until('[data-card="waits"]')
    },
  )

  it.runIf(DEEP)(
    'two tabs: the one that is behind is told, and its tick does not overwrite the other',
    async () => {
      await page.anew('/build', plover)
      await page.until('[data-act="done"]')
      const first = await page.driver.getWindowHandle()
      await page.driver.switchTo().newWindow('tab')
      await setViewport(page.driver, 1280, 800)
      await page.go('/build')
      await page.until('[data-act="done"]')
      await tick('done')
      const kept = (await stored()).build.ticks
      const second = await page.driver.getWindowHandle()
      await page.driver.switchTo().window(first)
      await page.driver.wait(async () => (await page.text('.save')).includes('Another tab'), PATIENCE)
      await page.act('skip')
      expect((await page.stored()).build.ticks).toEqual(kept)
      await page.driver.switchTo().window(second)
      await page.driver.close()
      await page.driver.switchTo().window(first)
    },
  )

  it('the order, what to have and the rods are the core’s; a tick on the table is kept', async () => {
    await page.anew('/build', thistledown)
    await page.until('[data-act="done"]')
    const { steps } = order(thistledown)
    await page.press('[data-tab="order"]')
    expect(await page.count('[data-order]')).toBe(steps.length)
    await page.press('[data-tab="have"]')
    const list = hardwareList(
      assessor.airframe(thistledown),
      assessor.assess(thistledown),
      order(thistledown),
    )
    await page.until('[data-had="wing-1-port"]')
    expect(await page.count('[data-had]')).toBe(list.length + assessor.assess(thistledown).pieces.length)
    await page.press('[data-had="wing-1-port"]')
    expect((await stored()).build.had).toEqual(['wing-1-port'])
    await page.press('[data-tab="jigs"]')
    await page.until('[data-jig="fin-square"]')
    await page.press('[data-tab="rods"]')
    expect(await page.count('[data-rod]')).toBe(4)
  })

  it.runIf(DEEP)('another glue changes steps and times; a pen on foam is warned of', async () => {
    await page.anew('/build', thistledown)
    await page.until('[data-act="done"]')
    await page.choose('[data-field="glue-spars"]', 'Epoxy, slow')
    await page.driver.wait(async () => (await stored()).build.glues.spars === 'epoxy-slow', PATIENCE)
    await page.press('[data-tab="order"]')
    const slow = order(await stored())
    const hours = Math.floor(slow.untilMin / 60)
    await page.driver.wait(async () => (await page.text('.order .lead')).includes(`${hours} h`), PATIENCE)
    await page.choose('[data-field="glue-joints"]', 'Filament pen')
    await page.until('.tray [role="status"].bad')
  })

  it.runIf(DEEP)(
    'notes and a picture stay with their step, and travel in the archive; a file that is no picture is refused',
    async () => {
      await page.anew('/build', plover)
      await page.until('[data-act="done"]')
      await page.act('note')
      await page.type('[data-field="note"]', 'bore reamed to 5.3')
      await page.until('[data-note]')
      const bad = join(mkdtempSync(join(tmpdir(), 'mariposa-photo-')), 'a.jpg')
      writeFileSync(bad, 'no picture')
      await (await page.find('input[aria-label="Picture of this step"]')).sendKeys(bad)
      await page.until('.notes .bad')
      const good = bad.replace('a.jpg', 'b.png')
      writeFileSync(good, Buffer.from(await page.driver.takeScreenshot(), 'base64'))
      await (await page.find('input[aria-label="Picture of this step"]')).sendKeys(good)
      await page.until('[data-note] img')
      const { build } = await stored()
      expect(build.notes.map(note => note.text)).toEqual(['bore reamed to 5.3', ''])
      expect(build.notes[1].photos).toHaveLength(1)
      await page.go('/build')
      await page.until('[data-note] img')
      // About a piece, it is shown at every step that handles it.
      const spar = order(plover).steps.find(step => step.kind === 'spar')!
      await page.press('[data-tab="order"]')
      await page.press(`[data-order="${spar.id}"]`)
      await page.act('note')
      await page.choose('[data-field="note-about"]', 'W1')
      await page.type('[data-field="note"]', 'skin thin at the nose')
      await page.driver.wait(
        async () => (await stored()).build.notes.some(note => note.about.startsWith('wing-1')),
        PATIENCE,
      )
      expect(await page.text('[data-note]')).toContain('skin thin at the nose')
    },
  )

  it.runIf(DEEP)('the book is made in the browser, and can be stopped', async () => {
    await page.anew('/build', plover)
    await page.until('[data-act="done"]')
    await page.press('[data-tab="book"]')
    await page.driver.executeScript(`document.querySelector('[data-act="book-pdf"]').click()`)
    await page.until('[data-act="book-stop"]')
    await page.driver.executeScript(`document.querySelector('[data-act="book-stop"]').click()`)
    await page.driver.wait(async () => (await page.count('[data-book="busy"]')) === 0, PATIENCE)
    expect(await page.count('[data-book="made"]')).toBe(0)
    await page.act('book-pdf')
    await page.until('[data-book="made"]')
    expect(await page.text('[data-book="made"]')).toMatch(/^Plover\.pdf, 0\.\d\d MB/)
    await page.act('book-html')
    await page.driver.wait(async () => (await page.text('.desk')).includes('Plover.html'), PATIENCE)
  })

  it.runIf(DEEP)('on a phone one finger ticks, and nothing runs out of the screen', async () => {
    await setViewport(page.driver, 390, 844)
    await page.anew('/build', thistledown)
    await page.until('[data-act="done"]')
    const done = await (await page.find('[data-act="done"]')).getRect()
    expect(done.height).toBeGreaterThanOrEqual(44)
    expect(done.y + done.height).toBeLessThanOrEqual(844)
    expect(
      await page.driver.executeScript<boolean>('return document.documentElement.scrollWidth <= innerWidth'),
    ).toBe(true)
    await tick('done')
    expect((await stored()).build.ticks).toHaveLength(1)
    await setViewport(page.driver, 1280, 800)
  })

  it('a design that cannot be built is named at Split before it is printed', async () => {
    const doc: ProjectFile = {
      ...thistledown,
      spars: thistledown.spars.map(spar =>
        spar.id === 'rear-rod' ? { ...spar, fromMm: 20, toMm: 110 } : spar,
      ),
    }
    await page.anew('/split', doc)
    const [found] = assessor.assess(doc).findings.filter(item => item.code === 'spar-shut-in')
    await page.driver.wait(
      async () => (await page.text('.tray')).includes(written(found.text).slice(0, 60)),
      PATIENCE,
    )
    expect(await page.text('[data-station="split"]')).toContain('wants attention')
  })
})
