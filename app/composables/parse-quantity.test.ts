import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { parseFigure } from './parse-figure'
import { parseQuantity } from './parse-quantity'

const mm = (typed: string) => parseQuantity(typed, 'mm', 1, '.')
const g = (typed: string) => parseQuantity(typed, 'g', 1, '.')

describe('figures as people write them', () => {
  it('units behind a figure, in whatever unit the field is held', () => {
    expect(mm('60.5 in')).toBeCloseTo(60.5 * 25.4, 9)
    expect(mm('1.2 m')).toBe(1200)
    expect(mm('5 cm')).toBe(50)
    expect(mm(`5' 3"`)).toBeCloseTo(63 * 25.4, 9)
    expect(g('1.2 kg')).toBe(1200)
    expect(g('2 lb 3 oz')).toBeCloseTo(2 * 453.59237 + 3 * 28.349523125, 9)
    expect(parseQuantity('40 min', 'h', 1, '.')).toBeCloseTo(2 / 3, 12)
    expect(parseQuantity('1 h 20 min', 'min', 1, '.')).toBeCloseTo(80, 9)
    expect(parseQuantity('45 km/h', 'm/s', 1, '.')).toBeCloseTo(12.5, 12)
    expect(parseQuantity('2.2Ah', 'mAh', 1, '.')).toBe(2200)
  })
  it('sums, products and brackets', () => {
    expect(mm('12.4*4/3')).toBeCloseTo(16.5333333, 6)
    expect(mm('2+3*4')).toBe(14)
    expect(mm('(2+3)*4')).toBe(20)
    expect(mm('-5 + 2')).toBe(-3)
    expect(mm('2*3 in')).toBeCloseTo(6 * 25.4, 9)
    expect(mm('10 - 1 cm')).toBe(0)
    expect(mm('3×4÷2')).toBe(6)
  })
  it('a bare figure is in the unit that is shown', () => {
    // Shown in inches: one millimetre is 1/25.4 of one.
    const inches = (typed: string) => parseQuantity(typed, 'mm', 1 / 25.4, '.')
    expect(inches('2')).toBeCloseTo(50.8, 9)
    expect(inches('50.8 mm')).toBeCloseTo(50.8, 9)
    expect(inches('1 + 25.4 mm')).toBeCloseTo(50.8, 9)
    expect(inches('3/4')).toBeCloseTo(0.75 * 25.4, 9)
  })
  it('thousands and decimals as they always were read', () => {
    expect(g('1,250')).toBe(1250)
    expect(parseQuantity('1,5 kg', 'g', 1, ',')).toBe(1500)
    expect(g('1 250 g')).toBe(1250)
    expect(g('1.250')).toBe(1.25)
    expect(parseQuantity('1.250,5', 'g', 1, ',')).toBe(1250.5)
  })
  it('what says nothing, or measures something else, is no figure', () => {
    for (const typed of [
      '',
      'in',
      '5 g',
      '2 in * 3 in',
      '5 / 2 in',
      '3 4',
      '(2',
      '2)',
      '5 in 3',
      '1/0',
      'x',
      '2**3',
    ])
      expect(mm(typed), typed).toBeNaN()
  })
  it('agrees with plain figures, and never throws', () => {
    fc.assert(
      fc.property(fc.double({ min: -1e6, max: 1e6, noNaN: true }), value => {
        const typed = value.toFixed(3)
        expect(mm(typed)).toBeCloseTo(parseFigure(typed, '.'), 9)
      }),
    )
    fc.assert(
      fc.property(fc.string({ maxLength: 30 }), typed => {
        expect(typeof mm(typed)).toBe('number')
      }),
    )
  })
})
