/** Single layouts of Begin: that what makes each of them what it is really is there. */
import { describe, expect, it } from 'vitest'
import { assess, ductOf, travelOf, sharedAssessor } from '../assess'
import { DEMOS } from '../demo'
import { LIBRARIES } from '../libraries'
import { begun } from '../testing/begun'
import { readiness } from '../workshop/readiness'
import { runs } from '../testing/runs'

describe('a twin', () => {
  const { project: doc } = begun({ purpose: 'camera' }, ['twin']).layouts[0]
  const of = (kind: string) => doc.equipment.filter(item => item.kind === kind)
  it('has a pair of each part of its drive in its pods, tips clear of the body and of each other', () => {
    const [pod] = doc.pods
    expect(doc.body!.firewall).toBeNull()
    for (const kind of ['motor', 'propeller', 'speed-controller'])
      expect(of(kind).map(item => [item.pair, item.yMm])).toEqual([[true, pod.yMm]])
    const tip = pod.yMm - of('propeller')[0].propeller!.diameterMm / 2
    const widest = Math.max(...doc.body!.stations.map(station => station.widthMm)) / 2
    expect(tip - widest).toBeGreaterThan(10)
    // The discs turn ahead of the wing.
    expect(of('propeller')[0].xMm + 12).toBeLessThan(doc.wing.xMm)
  })
  it('holds one motor with its rudder at what a climb is flown at, and its pack bears both', () => {
    const now = assess(doc)
    const codes = now.findings.filter(item => item.severity !== 'note').map(item => item.code)
    expect(codes).not.toContain('one-motor-turns-it')
    expect(codes).not.toContain('pod-adrift')
    expect(codes).not.toContain('pack-current')
    expect(now.pieces.filter(piece => piece.part === 'pod')).toHaveLength(2)
  })
})

describe('a biplane', () => {
  const { layouts } = begun({ purpose: 'aerobatic' }, ['biplane', 'full-body'])
  const [biplane, single] = (['biplane', 'full-body'] as const).map(kind =>
    layouts.find(item => item.kind === kind)!,
  )
  const { wing, second, struts } = biplane.project
  it('has two wings alike, a chord apart, the upper one ahead, on struts from the body and between them', () => {
    expect(second!.panels).toEqual(wing.panels)
    expect(second!.zMm - wing.zMm).toBeCloseTo(wing.rootChordMm, 0)
    expect(second!.xMm).toBeLessThan(wing.xMm)
    expect(struts.map(strut => strut.from.on).sort()).toEqual(['body', 'body', 'wing', 'wing'])
    const { findings, strength } = assess(biplane.project)
    const codes = findings.map(item => item.code)
    for (const code of ['second-wing-unheld', 'wings-too-close', 'strut-loose'])
      expect(codes).not.toContain(code)
    expect(strength.reserve).toBeGreaterThanOrEqual(1)
  })
  it('is asked for the same stall: as much wing on less span, at more drag', () => {
    const a = assess(biplane.project),
      b = assess(single.project)
    expect(a.flight.stallMs / 9.5).toBeGreaterThan(0.9)
    expect(a.flight.stallMs).toBeLessThanOrEqual(9.5)
    expect(a.plan.spanMm).toBeLessThan(0.8 * b.plan.spanMm)
    expect(a.plan.areaDm2).toBeGreaterThan(0.9 * b.plan.areaDm2)
    expect(a.flight.bestGlide).toBeLessThan(b.flight.bestGlide)
    // Tail volume by the area of both.
    expect(a.plan.tailVolume!).toBeCloseTo(0.5, 1)
  })
})

describe('a pusher', () => {
  const { project: doc } = begun({ purpose: 'camera' }, ['pusher']).layouts[0]
  const of = (kind: string) => doc.equipment.find(item => item.kind === kind)!
  it('turns its propeller behind the wing, clear of both booms, and ahead of the tail', () => {
    const propeller = of('propeller'),
      tip = propeller.propeller!.diameterMm / 2
    const { xMm, rootChordMm } = doc.wing
    expect(propeller.xMm).toBeGreaterThan(xMm + rootChordMm)
    expect(propeller.xMm + propeller.sizeMm[0] / 2).toBeLessThan(doc.tail.horizontal!.xMm)
    const boom = LIBRARIES.stock.find(item => item.id === doc.boom!.stock)!
    expect(doc.boom!.yMm - boom.heightMm / 2 - tip).toBeGreaterThan(10)
  })
  it('has its tail on its booms: a fin on either, the tailplane from one to the other', () => {
    const { horizontal, vertical } = doc.tail
    expect(vertical).toMatchObject({ mirror: true, yMm: doc.boom!.yMm })
    const reach = horizontal!.panels[0].spanMm
    expect(Math.abs(reach - doc.boom!.yMm)).toBeLessThan(10)
    expect(doc.boom!.toMm).toBeGreaterThan(horizontal!.xMm + horizontal!.rootChordMm / 2)
    const codes = assess(doc).findings.map(item => item.code)
    for (const code of ['tail-off-booms', 'pod-adrift', 'pod-unseated']) expect(codes).not.toContain(code)
    // It is carried as one: wing, booms and tail.
    const { parts } = travelOf(sharedAssessor().airframe(doc), null)
    expect(parts.some(item => item.name === 'Wing and tail' || item.name === 'Body, wing and tail')).toBe(
      true,
    )
  })
  it('is asked at the field to be thrown with its motor off', () => {
    const caution = (project: typeof doc) =>
      readiness(project, assess(project)).items.find(item => item.id === 'propeller')!.caution
    expect(caution(doc)).toMatch(/motor off/)
    expect(caution(DEMOS[0])).not.toMatch(/motor off/)
  })
})

describe('a ducted-fan jet', () => {
  it.each((['fan-pair', 'fan-over'] as const).slice(0, runs(2, 1)))(
    '%s: its fan turns in a duct that starves it nowhere',
    kind => {
      const { project: doc } = begun({ purpose: 'jet' }, [kind]).layouts[0]
      const fan = doc.equipment.find(item => item.fan)!,
        motor = doc.equipment.find(item => item.kind === 'motor')!
      expect([fan.pair, motor.pair]).toEqual([kind === 'fan-pair', kind === 'fan-pair'])
      expect(motor.sizeMm[1]).toBeLessThanOrEqual(fan.fan!.hubMm)
      const duct = ductOf(doc, fan)!
      expect(duct.intake).toBeGreaterThan(1)
      expect(duct.narrowest.share).toBeGreaterThan(1)
      expect(duct.exit).toBeGreaterThan(0.8)
      expect(duct.exit).toBeLessThan(0.95)
      const codes = assess(doc).findings.map(item => item.code)
      for (const code of [
        'fan-outside',
        'fan-fit',
        'duct-narrow',
        'duct-outlet',
        'duct-opens',
        'pod-adrift',
        'pod-unseated',
      ])
        expect(codes).not.toContain(code)
      // The blast passes over or beside the tail: behind the outlet nothing stands within it.
      const { horizontal, vertical } = doc.tail
      const [pod] = doc.pods
      if (kind === 'fan-over') expect(vertical).toBeNull()
      else expect(pod.yMm).toBeGreaterThan(fan.fan!.diameterMm)
      expect(horizontal!.xMm).toBeGreaterThan(pod.xMm + duct.lengthMm)
    },
  )
})
