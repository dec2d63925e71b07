/** Pods beside the body: added, moved, paired, dragged and taken away; figures of the core. */
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { assess, propulsionOf } from '../../core/assess'
import { DEMOS } from '../../core/demo'
import { jet } from '../../core/testing/ducted'
import { throughBody } from '../../core/testing/ducted-body'
import { twin } from '../../core/testing/twin'
import { DEEP } from '../../core/testing/runs'
import { Page } from '../support/page'

let page: Page
beforeAll(async () => {
  page = await Page.shared()
})
afterAll(() => page?.handOn())

const stored = async () => {
  await page.saved()
  return page.stored()
}

describe('pods', () => {
  it('a pair is added under the wing, weighs what the core says, is moved by figures and by hand', async () => {
    await page.anew('/shape', DEMOS[0])
    await page.press('[data-surface="body"]')
    await page.reveal('[data-act="add-pod"]')
    await page.press('[data-act="add-pod"]')
    await page.until('[data-field="pod-y"]')
    const added = await stored()
    expect(added.pods).toHaveLength(1)
    expect(added.pods[0].pair).toBe(true)
    // Where it was put it holds on to the wing.
    const now = assess(added)
    expect(now.findings.map(item => item.code)).not.toContain('pod-adrift')
    await page.computed()
    expect(await page.wing('weight')).toBe(Math.round(now.totals.massG))
    await page.type('[data-field="pod-y"]', '12.5*16')
    expect((await stored()).pods[0].yMm).toBe(200)
    const before = (await stored()).pods[0]
    await page.drag('[data-handle="pod-1"]', 0, -30)
    const dragged = (await stored()).pods[0]
    expect(dragged.xMm).toBeLessThan(before.xMm - 10)
    expect(dragged.yMm).toBeCloseTo(before.yMm, 0)
    await page.act('undo')
    expect((await stored()).pods[0]).toEqual(before)
    // Nonsense is refused where it stands, and nothing changes.
    await page.type('[data-field="pod-y"]', '-40')
    expect((await stored()).pods[0].yMm).toBe(200)
    await page.reveal('[data-act="remove-pod"]')
    await page.press('[data-act="remove-pod"]')
    expect((await stored()).pods).toEqual([])
  })
  it.runIf(DEEP)(
    'is the duct of a fan: closed until it is said to be one, and then its way is told at Power',
    async () => {
      await page.anew(
        '/shape',
        jet([68, 66, 66, 64, 58], draft => {
          draft.pods[0].duct = null
        }),
      )
      await page.press('[data-surface="body"]')
      await page.press('[data-pod="1"]')
      await page.choose('[data-field="pod-duct"]', 'the duct of')
      const doc = await stored()
      const { duct } = propulsionOf(doc).propulsion!.turns
      expect(duct).not.toBeNull()
      await page.station('power')
      await page.until('[data-figure="duct"]')
      for (const end of ['intake', 'exit'] as const)
        expect(await page.text(`[data-figure="duct-${end}"]`)).toBe(`${Math.round(100 * duct![end])} %`)
    },
  )
  it('a way through the body is led to a fan in it, its intake moved to the sides, and told at Power', async () => {
    await page.anew(
      '/shape',
      throughBody(undefined, draft => {
        draft.duct = null
      }),
    )
    await page.press('[data-surface="body"]')
    await page.reveal('[data-act="add-duct"]')
    await page.press('[data-act="add-duct"]')
    const led = await stored()
    // What is proposed lets the air in, has room for the blades, and lets it out.
    const codes = assess(led).findings.map(item => item.code)
    for (const fault of ['duct-blind', 'duct-outside', 'duct-tears', 'fan-fit', 'fan-aside', 'fan-outside'])
      expect(codes).not.toContain(fault)
    await page.type('[data-field="duct-y-0"]', '30')
    expect(await page.count('[data-duct]')).toBeGreaterThan(0)
    // A station before the one ahead of it is refused where it stands.
    await page.type('[data-field="duct-x-1"]', '-500')
    const doc = await stored()
    expect(doc.duct!.stations.map(station => station.yMm)).toEqual([30, 0, 0])
    expect(doc.duct!.stations[1].xMm).toBe(led.duct!.stations[1].xMm)
    await page.computed()
    expect(await page.wing('weight')).toBe(Math.round(assess(doc).totals.massG))
    const { duct } = propulsionOf(doc).propulsion!.turns
    await page.station('power')
    await page.until('[data-figure="duct"]')
    for (const end of ['intake', 'exit'] as const)
      expect(await page.text(`[data-figure="duct-${end}"]`)).toBe(`${Math.round(100 * duct![end])} %`)
  })
  it.runIf(DEEP)(
    'is cut like a body: both of a pair in two, joined by a lip, heavier by what the joint takes',
    async () => {
      await page.anew('/split', twin())
      await page.reveal('[data-add="pod-1"]')
      await page.press('[data-add="pod-1"]')
      const doc = await stored()
      expect(doc.pods[0].cuts).toMatchObject([{ joint: { kind: 'lip' }, piece: 2 }])
      const now = assess(doc)
      expect(now.pieces.filter(piece => piece.part === 'pod').map(piece => piece.mark)).toEqual([
        'N1.1·S',
        'N1.1·P',
        'N1.2·S',
        'N1.2·P',
      ])
      expect(now.totals.massG).toBeGreaterThan(assess(twin()).totals.massG)
      await page.computed()
      expect(await page.wing('weight')).toBe(Math.round(now.totals.massG))
    },
  )
  it.runIf(DEEP)('a twin says from which speed its rudder holds one motor', async () => {
    const doc = twin()
    await page.anew('/power', doc)
    const found = assess(doc).findings.find(item => item.code === 'one-motor-turns-it')!
    await page.until('[data-finding="one-motor-turns-it"]')
    expect(await page.text('[data-finding="one-motor-turns-it"]')).toContain(found.value.toFixed(1))
  })
})
