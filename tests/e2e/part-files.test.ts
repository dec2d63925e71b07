/** An aircraft that is only what was downloaded: its files brought in, sorted, and begun with. */
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { assess } from '../../core/assess'
import { fromParts, guessRole } from '../../core/begin'
import { writeStl } from '../../core/printing'
import { lofted } from '../../core/testing/lofted'
import { revolve } from '../../core/testing/meshes'
import { readGivenParts } from '../../core/workshop/export'
import { PATIENCE } from '../support/browser'
import { DEEP } from '../../core/testing/runs'
import { Page } from '../support/page'

let page: Page
beforeAll(async () => {
  page = await Page.shared()
})
afterAll(() => page?.handOn())

const FILES = {
  'wing inner.stl': lofted({ root: 190, tip: 170, span: 200 }),
  'wing outer.stl': lofted({ root: 170, tip: 120, span: 240, sweep: 20 }),
  'tailplane.stl': lofted({ root: 110, tip: 90, span: 180, section: 'naca0009' }),
  'nose.stl': revolve(
    [
      [15, 0],
      [30, 260],
    ],
    48,
  ),
  'thing.stl': revolve(
    [
      [8, 0],
      [8, 15],
    ],
    24,
  ),
}

describe('part files', () => {
  it.runIf(DEEP)(
    'are sorted by the maker, come to what the core makes of them, and are begun with',
    async () => {
      const folder = mkdtempSync(join(tmpdir(), 'mariposa-parts-'))
      const paths = Object.entries(FILES).map(([name, mesh]) => {
        const path = join(folder, name)
        writeFileSync(path, writeStl(mesh, name))
        return path
      })
      const torn = join(folder, 'torn.stl')
      writeFileSync(torn, 'solid torn\nfacet normal 0 0')
      await page.anew('/brief')
      await page.act('new')
      await page.until('[data-act="part-files"]')
      const chooser = () => page.find('input[aria-label="Part files"]')
      await (await chooser()).sendKeys([paths[0], torn].join('\n'))
      await page.until('[data-fault="parts"]')
      expect(await page.text('[data-fault="parts"]')).toMatch(
        /^torn\.stl: .*None of what you chose was taken\.$/,
      )
      expect(await page.count('[data-part]')).toBe(0)
      await (await chooser()).sendKeys(paths.join('\n'))
      await page.until('[data-part="4"]')
      const parts = Object.entries(FILES).flatMap(([name, mesh]) =>
        readGivenParts(name, writeStl(mesh, name)).map(part => ({ ...part, role: guessRole(part) })),
      )
      // What it is not told it lays beside the rest; what is no wing is refused as one, and said.
      await page.choose('[data-field="role-4"]', 'Wing')
      await page.until('[data-fault="parts"]')
      expect(await page.text('[data-fault="parts"]')).toContain('thing: has no sections of a wing')
      await page.choose('[data-field="role-4"]', 'Other')
      const { project } = fromParts('', parts)
      const own = assess(project)
      await page.driver.wait(
        async () => (await page.text('[data-parts]')).includes('Span 880 mm'),
        PATIENCE,
        'the parts come to no span',
      )
      expect(await page.text('[data-parts]')).toContain(`Printed ${own.totals.printedG.toFixed(0)} g`)
      expect(await page.inaccessible()).toEqual([])
      await page.type('[data-field="parts-name"]', 'Bought one')
      await page.press('[data-act="begin-parts"]')
      await page.begun()
      expect(await page.wing('weight')).toBeCloseTo(own.totals.massG, 0)
      const doc = await page.stored()
      expect(doc.name).toBe('Bought one')
      expect(doc.given.map(item => [item.name, item.zone, item.pair])).toEqual([
        ['wing inner', 'wing', true],
        ['wing outer', 'wing', true],
        ['tailplane', 'horizontal', true],
        ['nose', 'body', false],
        ['thing', 'other', false],
      ])
    },
  )
})
