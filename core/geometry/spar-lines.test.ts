import { describe, expect, it } from 'vitest'
import { DEMOS } from '../demo'
import type { Spar } from '../document'
import { LIBRARIES } from '../libraries'
import { webFeatures } from './bores'
import { sparFit, sparLines } from './spar-line'
import { gapAt, loftSurface, outlineAt, trailingEdgeMm } from './surface-loft'

const [thistledown] = DEMOS
const wing = loftSurface('wing', 'Wing', thistledown.wing, [], trailingEdgeMm(thistledown.zones))
const stock = (id: string) => LIBRARIES.stock.find(item => item.id === id)!
const spar = (more: Partial<Spar>): Spar => ({ ...thistledown.spars[0], fromMm: 0, toMm: 260, ...more })

describe('caps', () => {
  const lines = sparLines(wing, spar({ stock: 'strip-1x6', lay: 'caps' }), stock('strip-1x6'))
  it('lie flat under the top skin and over the bottom one, inside it all along a panel', () => {
    expect(lines.map(line => line.part)).toEqual(['top', 'bottom'])
    for (const line of lines) {
      expect([line.stock.heightMm, line.stock.widthMm]).toEqual([1, 6])
      for (const s of [0, 60, 130, 200, 260]) {
        const fit = sparFit(wing, line, s)
        expect(Math.min(fit.above, fit.below)).toBeGreaterThan(0.4)
        expect(line.part === 'top' ? fit.above : fit.below).toBeLessThan(1.6)
      }
    }
  })
  it('have a slit between them that leaves plastic on either side', () => {
    const [web] = webFeatures(lines),
      [top, bottom] = lines
    expect(webFeatures(lines)).toHaveLength(1)
    const ns = Array.from({ length: web.a.length / 2 }, (_, i) => web.a[2 * i + 1])
    expect(Math.max(...ns)).toBeCloseTo(top.at(0).n - 0.5 - top.spar.clearanceMm - 0.9, 6)
    expect(Math.min(...ns)).toBeCloseTo(bottom.at(0).n + 0.5 + bottom.spar.clearanceMm + 0.9, 6)
  })
})

describe('bent and straight', () => {
  it('bent, it stays in the middle of the section at every break; straight, it leaves it', () => {
    const middle = (s: number, x: number) => {
      const gap = gapAt(outlineAt(wing, s), x)!
      return (gap.lower + gap.upper) / 2
    }
    const [bent] = sparLines(wing, spar({ stock: 'wire-3', route: 'bent', toMm: 500 }), stock('wire-3')),
      [straight] = sparLines(wing, spar({ stock: 'wire-3', toMm: 500 }), stock('wire-3'))
    const at = bent.at(270)
    expect(at.n).toBeCloseTo(middle(270, at.x), 6)
    expect(Math.abs(straight.at(270).n - middle(270, straight.at(270).x))).toBeGreaterThan(3)
    for (const line of [bent, straight])
      for (const s of [0, 500]) expect(line.at(s).n).toBeCloseTo(middle(s, line.at(s).x), 6)
  })
  it('in one piece through the middle it is level when straight, and follows both halves when bent', () => {
    const [level] = sparLines(wing, spar({ through: true }), stock('rod-4')),
      [bent] = sparLines(wing, spar({ through: true, route: 'bent' }), stock('wire-4'))
    expect(level.at(200).n).toBe(level.at(0).n)
    expect(bent.at(200).n).toBeGreaterThan(bent.at(0).n + 4)
  })
})
