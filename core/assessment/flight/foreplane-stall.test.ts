/** A canard lets go before the wing, by how much, and how slow it flies: against statics, scaling and monotony. */
import { describe, expect, it } from 'vitest'
import { sharedAssessor } from '../../assess'
import { begin, readWishes } from '../../begin'
import { DEMOS } from '../../demo'
import type { ProjectFile } from '../../document'
import { changed } from '../../testing/changed'
import { GRAVITY } from '../../units'

const work = begin(readWishes({ purpose: 'camera' }), ['canard'])
let step = work.next()
while (!step.done) step = work.next()
const canard = step.value.layouts[0].project
const assessor = sharedAssessor()
const of = (change: (doc: ProjectFile) => void = () => {}) => assessor.assess(changed(canard, change))
const fore = (change?: (doc: ProjectFile) => void) => of(change).stall.foreplane!

describe('the stall of a canard', () => {
  it('is asked of a canard alone', () => {
    for (const demo of DEMOS) expect(assessor.assess(demo).stall.foreplane).toBeNull()
  })

  it('begins where statics put the load on it: what balances the wing about the CG, on its area', () => {
    const now = of()
    const { rootChordMm, panels, xMm } = canard.tail.horizontal!
    const span = panels.reduce((sum, panel) => sum + panel.spanMm, 0)
    const chord = (rootChordMm + panels.at(-1)!.tipChordMm) / 2
    const areaM2 = (2 * span * chord) / 1e6
    // Quarter-chord of the canard; the wing's part of the lift acts behind the neutral point of both.
    const xc = xMm + chord / 4,
      xcg = now.totals.cgMm[0]
    const { neutralPointMm, density } = now.flight
    const weight = (now.totals.massG / 1000) * GRAVITY
    const wingM3 = ((now.plan.areaDm2 / 100) * now.plan.macMm) / 1000
    // L_c·(x_w − x_c) = W·(x_w − x_cg) + q·S·c̄·|Cm0|, with L_c = q·S_c·0.9·cl: the mean is some 0.9 of the peak.
    const speed = (cl: number, xw: number, cm0: number) =>
      Math.sqrt(
        (2 * weight * (xw - xcg)) /
          1000 /
          (density * ((areaM2 * 0.9 * cl * (xw - xc)) / 1000 - wingM3 * cm0)),
      )
    // Sections bear 0.9 to 1.3 here; the wing's lift acts 10 to 80 mm aft of the neutral point; cambered sections pitch down.
    expect(now.stall.foreplane!.nodsAtMs).toBeGreaterThan(speed(1.3, neutralPointMm + 10, 0))
    expect(now.stall.foreplane!.nodsAtMs).toBeLessThan(speed(0.9, neutralPointMm + 80, 0.06))
  })

  it('rises with the root of the weight at one balance, and is then the slowest that it flies', () => {
    const now = of()
    const [x, , z] = now.totals.cgMm
    const added = 0.3 * now.totals.massG
    const heavy = of(doc => {
      doc.equipment.push({
        ...doc.equipment.find(item => item.kind === 'receiver')!,
        id: 'brick',
        name: 'Brick',
        kind: 'hardware',
        massG: added,
        xMm: x,
        yMm: 0,
        zMm: z,
        pair: false,
      })
    })
    // Sections bear a little more at the higher Reynolds number.
    const ratio =
      heavy.stall.foreplane!.nodsAtMs /
      now.stall.foreplane!.nodsAtMs /
      Math.sqrt(heavy.totals.massG / now.totals.massG)
    expect(ratio).toBeGreaterThan(0.95)
    expect(ratio).toBeLessThan(1.001)
    expect(now.flight.stallMs).toBe(now.stall.foreplane!.nodsAtMs)
    expect(now.flight.stallMs).toBeGreaterThan(now.stall.speedMs)
  })

  it('is the same lift of it with less incidence and more elevator; what its flap adds to the limit is all that is won', () => {
    const now = of(),
      lower = of(doc => {
        doc.tail.horizontal!.incidenceDeg -= 2
      })
    const turned = (item: typeof now) => item.trim.find(row => row.id === 'slow' && row.payload)!.controlDeg!
    // Glauert's flap: effectiveness 1 − (θ − sin θ)/π, 0.6 of its 2π a radian on top of a section that bears 1.1.
    const hinge = Math.acos(2 * canard.tail.horizontal!.controls[0].chordShare - 1)
    const effect = 1 - (hinge - Math.sin(hinge)) / Math.PI
    const added = (0.6 * effect * 2 * Math.PI * (turned(lower) - turned(now)) * Math.PI) / 180
    const ratio = lower.stall.foreplane!.nodsAtMs / now.stall.foreplane!.nodsAtMs
    // Strips at the root have no flap and win nothing; those with one all of it.
    expect(ratio).toBeLessThan(1)
    expect(ratio).toBeGreaterThan(Math.sqrt(1.1 / (1.1 + added)))
  })

  it('comes earlier the further forward it balances: smoothly, without a jump', () => {
    const battery = canard.equipment.findIndex(item => item.kind === 'battery')
    const steps = Array.from({ length: 13 }, (_, i) =>
      fore(doc => {
        const item = doc.equipment[battery]
        item.bay = null
        item.xMm = canard.equipment[battery].xMm + 3 - i
      }),
    )
    const speeds = steps.map(item => item.nodsAtMs),
      margins = steps.map(item => item.marginDeg)
    for (let i = 1; i < steps.length; i++) {
      expect(speeds[i]).toBeGreaterThan(speeds[i - 1])
      expect(margins[i]).toBeLessThan(margins[i - 1])
    }
    const moves = speeds.slice(1).map((speed, i) => speed - speeds[i])
    expect(Math.max(...moves)).toBeLessThan(1.5 * Math.min(...moves))
  })

  it('where the wing would let go first, that stops the build: a canard twice as large', () => {
    const large = of(doc => {
      const tail = doc.tail.horizontal!
      tail.rootChordMm *= 1.7
      for (const panel of tail.panels) {
        panel.spanMm *= 1.7
        panel.tipChordMm *= 1.7
      }
      tail.incidenceDeg = -2
    })
    expect(large.stall.foreplane!.marginDeg).toBeGreaterThan(0)
    expect(large.flight.stallMs).toBe(large.stall.speedMs)
    expect(large.findings.find(item => item.code === 'wing-stalls-first')).toMatchObject({
      severity: 'stop',
      unit: '°',
      value: large.stall.foreplane!.marginDeg,
    })
    expect(of().findings.some(item => item.code === 'wing-stalls-first')).toBe(false)
  })
})
