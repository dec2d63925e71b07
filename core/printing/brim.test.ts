import { describe, expect, it } from 'vitest'
import { DEMOS } from '../demo'
import { polygonPerimeter } from '../geometry'
import { brimLength, brimLoops } from './brim'

const recipe = { ...DEMOS[0].zones[0].recipe, beadWidthMm: 0.5, brimMm: 3 }
const total = (loops: readonly Float64Array[]) => loops.reduce((sum, loop) => sum + polygonPerimeter(loop), 0)
const square = Float64Array.from([0, 0, 100, 0, 100, 60, 0, 60])
/** The same, cut by a slit of 0.04 mm from below nearly through. */
const slitted = Float64Array.from([0, 0, 50, 0, 50, 59, 50.04, 59, 50.04, 0, 100, 0, 100, 60, 0, 60])

describe('a brim', () => {
  it('is six loops of 0.5 mm round 320 mm of outline, each longer by 2π of its distance (Steiner)', () => {
    const wanted = 6 * 320 + 2 * Math.PI * 0.5 * (0.5 + 1.5 + 2.5 + 3.5 + 4.5 + 5.5)
    expect(brimLength([square], recipe)).toBeCloseTo(wanted, 6)
    expect(total(brimLoops([square], recipe))).toBeCloseTo(wanted, 0)
  })
  it('closes the slit of a web instead of running into it and over the piece', () => {
    const loops = brimLoops([slitted], recipe)
    expect(total(loops)).toBeCloseTo(total(brimLoops([square], recipe)), 0)
    for (const loop of loops)
      for (let i = 0; i < loop.length; i += 2)
        expect(loop[i + 1] < 1e-3 || loop[i + 1] > 59.99 || loop[i] < 1e-3 || loop[i] > 99.99).toBe(true)
  })
  it('comes from the outside in, and not into holes', () => {
    const hole = Float64Array.from([20, 20, 20, 40, 60, 40, 60, 20])
    const loops = brimLoops([square, hole], recipe)
    const lengths = loops.map(polygonPerimeter)
    expect(loops).toHaveLength(6)
    expect([...lengths].sort((a, b) => b - a)).toEqual(lengths)
  })
  it('is none where none is asked for, or no foot stands on the bed', () => {
    expect(brimLoops([square], { ...recipe, brimMm: 0 })).toEqual([])
    expect(brimLength(null, recipe)).toBe(0)
  })
})
