import { describe, expect, it } from 'vitest'
import { rectangle, reversed } from './feature'
import { circle } from './polygon'
import { webMargin, webSwing, type WebPattern } from './web-pattern'
import { slitsAt, webLengths } from './web-slits'

const upright: WebPattern = { pitchMm: 20, slitMm: 0.04, overlapMm: 0.15, leanDeg: 0, thickMm: 0.45 }
const box = [rectangle(0, 0, 100, 30)]
/** Two beads less the overlap. */
const MARGIN = 0.75

describe('webs of one unbroken bead', () => {
  it('upright in a box: lanes a pitch apart from the middle, out and back, ending two beads less the overlap from the far skin', () => {
    expect(webMargin(upright)).toBeCloseTo(MARGIN, 12)
    const slits = slitsAt(box, 50, 10, upright)
    // First lanes at 50 ± (0.79/2 + 10), the next 20 further out; a third pair would lie outside.
    const wanted = [19.605, 39.605, 60.395, 80.395]
    expect(slits.map(slit => slit.x).sort((a, b) => a - b)).toEqual(wanted.map(x => expect.closeTo(x, 9)))
    for (const { from, to } of slits) expect(Math.abs(to - from)).toBeCloseTo(30 - MARGIN, 9)
    // They open in turn through the upper and the lower skin.
    const opens = [...slits].sort((a, b) => a.x - b.x).map(slit => (slit.from > slit.to ? 'upper' : 'lower'))
    expect(opens).toEqual(['upper', 'lower', 'upper', 'lower'])
    // Each adds its two sides; what it takes from the skin is as long as its end.
    const sum = webLengths(box, 50, 10, 10, upright, 1)
    expect(sum.length).toBeCloseTo(4 * 2 * (30 - MARGIN), 9)
    // Upper ones have their middle MARGIN/2 above half height, lower ones as far below it.
    expect(sum.y / sum.length).toBeCloseTo(15, 9)
    expect(sum.x / sum.length).toBeCloseTo(50, 9)
    expect(sum.xx).toBeCloseTo(2 * (30 - MARGIN) * wanted.reduce((all, x) => all + x * x, 0), 6)
  })

  it('leaning webs go to and fro, touch their neighbours bead to bead where they turn, and never cross', () => {
    const leaning = { ...upright, leanDeg: 45 }
    // At 45° a web moves along the chord as fast as layers rise: there and back in four swings.
    const swing = webSwing(leaning)
    expect(2 * swing).toBeCloseTo(20 - 0.04 - MARGIN, 12)
    let closest = Infinity
    const at = (u: number) =>
      slitsAt(box, 50, u, leaning)
        .map(slit => slit.x)
        .sort((a, b) => a - b)
    for (let u = 0; u < 4 * swing; u += 0.05) {
      const xs = at(u)
      for (let i = 1; i < xs.length; i++) closest = Math.min(closest, xs[i] - xs[i - 1])
    }
    expect(closest).toBeGreaterThan(0.04 + MARGIN - 1e-9)
    expect(closest).toBeLessThan(0.04 + MARGIN + 0.11)
    const [a, b] = [at(1), at(1.5)]
    for (let i = 0; i < a.length; i++) expect(Math.abs(b[i] - a[i])).toBeCloseTo(0.5, 9)
  })

  it('a bore hangs on a slit through the plastic below it and is held by a blind one above', () => {
    const bored = [box[0], reversed(circle(50, 15, 4, false, 64))]
    const slits = slitsAt(bored, 50, 0, upright).filter(slit => Math.abs(slit.x - 50) < 1e-9)
    expect(slits).toHaveLength(2)
    const reach = slits.map(({ from, to }) => [Math.min(from, to), Math.max(from, to)])
    expect(reach.some(([low, high]) => low <= 1e-9 && high >= 11)).toBe(true)
    expect(reach.some(([low, high]) => low <= 19 && Math.abs(high - (30 - MARGIN)) < 1e-9)).toBe(true)
  })

  it('a web over a bore ends short of it, beads and all', () => {
    const bored = [box[0], reversed(circle(60.395, 15, 4, false, 64))]
    const near = { ...upright, pitchMm: 22 }
    for (const { x, from, to } of slitsAt(bored, 50, 0, near)) {
      if (Math.abs(x - 60.395) < 1e-9) continue
      for (const y of [from, to]) expect(Math.hypot(x - 60.395, y - 15)).toBeGreaterThan(4 + MARGIN - 0.02)
    }
  })

  it('a longer overlap makes webs longer, a closer pitch makes more of them, smoothly', () => {
    const length = (more: Partial<WebPattern>) =>
      webLengths(box, 50, 20, 20, { ...upright, leanDeg: 45, ...more }, 1).length
    expect(length({ overlapMm: 0.3 })).toBeGreaterThan(length({ overlapMm: 0 }))
    // Mean length per lane times lanes over the box: within one lane of the plain count.
    for (const pitchMm of [8, 12, 18]) {
      const plain = (100 / pitchMm) * 2 * (30 - MARGIN)
      expect(Math.abs(length({ pitchMm }) - plain)).toBeLessThan(2.2 * 2 * 30)
    }
    let before = length({ leanDeg: 0 })
    for (let leanDeg = 0.5; leanDeg <= 50; leanDeg += 0.5) {
      const next = length({ leanDeg })
      expect(Math.abs(next / before - 1), `${leanDeg}°`).toBeLessThan(0.12)
      before = next
    }
  })
})
