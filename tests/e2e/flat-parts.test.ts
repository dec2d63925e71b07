/** Outlines to cut from sheet: laid on a sheet of one's own size, as files and on pages. */
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { strFromU8, unzipSync } from 'fflate'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { sharedAssessor } from '../../core/assess'
import { DEMOS } from '../../core/demo'
import { flatParts, flatSheets } from '../../core/workshop/flat'
import { PATIENCE } from '../support/browser'
import { Page } from '../support/page'
import { DEEP } from '../../core/testing/runs'

let page: Page
beforeAll(async () => {
  page = await Page.shared()
})
afterAll(() => page?.handOn())

const [, plover] = DEMOS
const landed = async (ending: string) => {
  const name = () => readdirSync(page.browser.downloads).find(file => file.endsWith(ending))
  await page.driver.wait(() => name() !== undefined, PATIENCE)
  return readFileSync(join(page.browser.downloads, name()!))
}

describe('flat parts', () => {
  it.runIf(DEEP)('lie on sheets as the core lays them, and go out as SVG, DXF and pages', async () => {
    const assessor = sharedAssessor()
    const parts = flatParts(assessor.airframe(plover), assessor.assess(plover))
    await page.anew('/build', plover)
    await page.press('[data-tab="flat"]')
    await page.until('[data-sheet="0"]')
    expect(await page.count('[data-flat]')).toBe(parts.length)
    expect(await page.count('[data-sheet]')).toBe(flatSheets(parts, [600, 300]).sheets.length)
    // A smaller sheet: more of them, and what is larger than it is named.
    await page.type('[data-field="sheet-width"]', '180')
    const small = flatSheets(parts, [180, 300])
    await page.driver.wait(
      async () => (await page.count('[data-sheet]')) === small.sheets.length,
      PATIENCE,
      'sheets of the typed size',
    )
    for (const part of small.tooLarge) expect(await page.text('.room')).toContain(part.name)
    await page.press('[data-act="flat-zip"]')
    const files = unzipSync(new Uint8Array(await landed('-flat-parts.zip')))
    expect(Object.keys(files)).toHaveLength(2 * small.sheets.length)
    expect(strFromU8(files['sheet-1.svg'])).toContain('width="180mm" height="300mm"')
    expect(strFromU8(files['sheet-1.dxf'])).toContain('LWPOLYLINE')
    await page.press('[data-act="flat-pdf"]')
    expect((await landed('-flat-parts.pdf')).subarray(0, 5).toString()).toBe('%PDF-')
  })
})
