/** A season on a phone: maiden, trim, a heavy landing, its mend, the next flight, the next mark. */
import { By } from 'selenium-webdriver'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { sharedAssessor } from '../../core/assess'
import { DEMOS } from '../../core/demo'
import type { ProjectFile } from '../../core/document'
import { diagnose } from '../../core/workshop/diagnosis'
import { fieldDay } from '../../core/workshop/field'
import { powerReport } from '../../core/workshop/power'
import { tryActs } from '../../core/workshop/next-mark'
import { repairs } from '../../core/workshop/repair'
import { PATIENCE, setViewport } from '../support/browser'
import { Page } from '../support/page'
import { DEEP } from '../../core/testing/runs'

let page: Page
const assessor = sharedAssessor()
const [thistledown] = DEMOS
const fresh: ProjectFile = {
  ...thistledown,
  flights: [],
  tracks: [],
  checks: [],
  wishes: [],
  field: { ...thistledown.field, pack: 'pack-amber' },
}
beforeAll(async () => {
  page = await Page.shared()
  await setViewport(page.driver, 390, 844)
})
afterAll(() => page?.handOn())

const stored = async () => {
  await page.saved()
  return page.stored()
}
const says = (css: string, wanted: string) =>
  page.driver.wait(
    async () => {
      try {
        return (await page.count(css)) > 0 && (await page.text(css)).replace('−', '-').includes(wanted)
      } catch {
        return false
      }
    },
    PATIENCE,
    `${css} does not say ${wanted}`,
  )
/** As a thumb does: a bar at the edge of a phone may lie over what a driver would click. */
const thumb = async (css: string) => {
  await page.until(css)
  await page.driver.executeScript('document.querySelector(arguments[0]).click()', css)
  await page.settled()
}

describe('a season', () => {
  it('is flown on a phone from the first flight to the next mark', async () => {
    await page.anew('/field', fresh)
    await setViewport(page.driver, 390, 844)
    // The maiden: measured, the air from the mast, everything ticked.
    const { totals } = assessor.assess(fresh)
    await page.type('[data-field="measured-mass"]', totals.emptyMassG.toFixed(1))
    await page.type('[data-field="measured-cg"]', totals.cgEmptyMm[0].toFixed(1))
    await page.type('[data-field="measured-thrust"]', '520')
    await page.driver.wait(
      async () => (await page.count('[data-act="take-mast"]:not([disabled])')) > 0,
      PATIENCE,
      'the mast does not settle',
    )
    await thumb('[data-act="take-mast"]')
    const day = fieldDay(assessor, await stored())
    await says('[data-figure="today-stall"]', `${day.stallMs.toFixed(1)} m/s`)
    await says('[data-figure="today-minutes"]', `${day.charge!.minutes!.toFixed(1)} min`)
    expect(await page.count('[data-list="order"] li')).toBe(5)
    for (const box of await page.driver.findElements(By.css('[data-state="open"] input[type="checkbox"]')))
      await page.driver.executeScript('arguments[0].click()', box)
    await page.settled()
    await says('[data-figure="go"]', 'Go')

    // In the air by the clock, then logged with what it wanted of trim.
    await thumb('[data-tab="timer"]')
    await thumb('[data-air="climb"]')
    await page.until('[data-figure="air-charge"]')
    await page.driver.wait(
      async () => (await page.text('[data-figure="air-charge"]')) !== '0 mAh',
      PATIENCE,
      'the charge is not counted',
    )
    await thumb('[data-air="cruise"]')
    await thumb('[data-act="landed"]')
    await thumb('[data-act="to-log"]')
    await page.until('[data-from-clock]')
    await page.type('[data-field="minutes"]', '6')
    // A press lasts seconds: what six minutes take is charged back as the plan says.
    const plan = powerReport(fresh, assessor.assess(fresh), assessor.flown(fresh).pitch(true)).figures!.plan
    const taken = plan.parts.reduce((sum, part) => sum + part.chargeMah, 0)
    await thumb('[data-act="rest"]')
    await page.type('[data-field="used-mah"]', ((6 * taken) / plan.minutes).toFixed(0))
    await page.type('[data-field="trim"]', '-3')
    await thumb('[data-act="tried"]')
    await thumb('[data-sign="dive:-1"]')
    await thumb('[data-sign="pitch:1"]')
    await thumb('[data-landing="soft"]')
    await thumb('[data-act="log-flight"]')
    const flown = await stored()
    expect(flown.flights[0]).toMatchObject({
      minutes: 6,
      elevatorTrimDeg: -3,
      landing: 'soft',
      pack: 'pack-amber',
    })
    expect(flown.field.flown).not.toBeNull()
    // Ticks that hold for one flight are gone.
    expect(flown.checks.map(check => check.item)).not.toContain('battery-held')

    // What the trim means, put into the design.
    await thumb('[data-tab="meaning"]')
    const found = diagnose(flown, assessor.assess(flown), assessor.flown(flown).pitch(true))
    await says(
      `[data-cause="${found.causes[0]!.code}"] .chance`,
      `${(100 * found.causes[0]!.chance).toFixed(0)} %`,
    )
    expect(found.causes[0]!.code).toBe('cg')
    await thumb('[data-mend="cg"]')
    const trimmed = await stored()
    const pack = (doc: ProjectFile) => doc.equipment.find(item => item.kind === 'battery')!.xMm
    expect(pack(trimmed)).toBeLessThan(pack(flown))

    // A heavy landing: the second flight, what broke, and how it is mended.
    await thumb('[data-tab="flights"]')
    await thumb('[data-landing="hard"]')
    await page.type('[data-field="minutes"]', '4')
    await thumb('[data-act="log-flight"]')
    await thumb('[data-tab="broke"]')
    await page.choose('[data-field="broke-piece"]', 'Wing 2 port')
    const piece = assessor.assess(trimmed).pieces.find(item => item.name === 'Wing 2 port')!
    const at = Math.round((piece.fromMm + piece.toMm) / 2)
    await page.type('[data-field="broke-at"]', String(at))
    const broken = await stored()
    const way = repairs(assessor, broken, piece.id, at).find(item => item.code === 'rest')!
    await says('[data-way="rest"]', `+${way.massG.toFixed(1)} g`)
    await thumb('[data-take="rest"]')
    const chosen = await stored()
    expect(chosen.damages[0]).toMatchObject({
      piece: piece.id,
      way: 'rest',
      state: 'chosen',
      flight: 'flight-2',
    })
    expect(assessor.assess(chosen).totals.massG - assessor.assess(broken).totals.massG).toBeCloseTo(
      way.massG,
      1,
    )
    // It is a step of the build.
    await page.visit('/build')
    await thumb('[data-tab="order"]')
    await says('.middle', `Mend ${piece.name}`)
    await page.visit('/log')
    await thumb('[data-tab="broke"]')
    await thumb('[data-act="mended"]')
    expect((await stored()).damages[0]!.state).toBe('mended')

    // Before the next flight: what changed stands on top.
    await page.visit('/field')
    await thumb('[data-tab="now"]')
    await says('[data-list="changes"]', `${piece.id} was mended since`)

    // The next mark.
    await page.visit('/log')
    await thumb('[data-tab="next"]')
    await page.choose('[data-field="wish-act"]', 'Frame: A stiffer boom')
    await thumb('[data-act="add-wish"]')
    const wished = await stored()
    const tried = tryActs(assessor, wished, ['boom.larger'])
    await says(
      '[data-figure="together"]',
      `${tried.anew.length} ${tried.anew.length === 1 ? 'piece' : 'pieces'} to print anew`,
    )
    await page.find('[data-field="mark-named"] input').sendKeys('Mark 2')
    await page.driver.wait(
      async () => (await page.count('[data-act="take-mark"]:not([disabled])')) > 0,
      PATIENCE,
      'the mark cannot be taken',
    )
    await thumb('[data-act="take-mark"]')
    await says('[data-tree]', 'Mark 2')
    const next = await stored()
    expect(next.boom!.stock).not.toBe(wished.boom!.stock)
    expect(next.wishes.at(-1)!.state).toBe('taken')
    expect(assessor.assess(next).totals.massG - assessor.assess(wished).totals.massG).toBeCloseTo(
      tried.massG,
      1,
    )
    await says('[data-tree]', 'Made for: ')
    expect(
      await page.driver.executeScript<number>('return document.documentElement.scrollWidth'),
    ).toBeLessThanOrEqual(390)
  })

  it.runIf(DEEP)(
    'a recording that is no recording is refused, and a good one is held against the computation',
    async () => {
      await page.fresh('/log', thistledown)
      await page.until('[data-flight="flight-1"] input[type="file"]')
      const { writeFileSync } = await import('node:fs')
      const { join } = await import('node:path')
      const path = (name: string) => join(page.browser.downloads, name)
      writeFileSync(path('bad.csv'), 'nothing\nof\nuse')
      writeFileSync(
        path('good.csv'),
        ['time (s),airspeed (km/h),height (m),current (A)']
          .concat(
            Array.from({ length: 121 }, (_, t) =>
              [t, 45, t < 60 ? 2 * t : 120 - 1.1 * (t - 60), t < 60 ? 12 : 0].join(','),
            ),
          )
          .join('\n'),
      )
      const chooser = page.find('[data-flight="flight-1"] input[type="file"]')
      await chooser.sendKeys(path('bad.csv'))
      await says('[data-flight="flight-1"] [data-fault="track"]', 'no line holds two figures')
      await chooser.sendKeys(path('good.csv'))
      await page.until('[data-flight="flight-1"] [data-map]')
      await thumb('[data-flight="flight-1"] [data-act="take-track"]')
      await says('[data-flight="flight-1"] [data-row="sink"]', '1.10 m/s')
      await thumb('[data-flight="flight-1"] [data-act="track-into"]')
      const own = (await stored()).flights[0]!
      // 45 km/h are 12.5 m/s; 60 s at 12 A are 200 mAh.
      expect(own.glideRatio).toBeCloseTo(12.5 / 1.1, 0)
      expect(own.usedMah!).toBeGreaterThan(190)
      expect(own.usedMah!).toBeLessThan(206)
    },
  )
})
