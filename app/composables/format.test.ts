import { afterEach, describe, expect, it } from 'vitest'
import { q, say } from '../../core/units'
import { amount, amountOf, figure, reading, signedAmount, unitName, worded } from './format'

afterEach(() => {
  reading.value = { units: 'metric', decimal: '.' }
})
const read = (units: 'metric' | 'imperial', decimal: '.' | ',') => {
  reading.value = { units, decimal }
}

describe('figures as the maker reads them', () => {
  it('inches and ounces by their definitions: 25.4 mm, 28.349523125 g', () => {
    read('imperial', '.')
    expect(amount(254, 'mm')).toBe('10.00 in')
    expect(amount(1, 'mm', 1)).toBe('0.04 in')
    expect(amount(453.59237, 'g')).toBe('16.0 oz')
    expect(amount(0.90718474, 'kg', 2)).toBe('2.00 lb')
    // One square foot is 9.290304 dm².
    expect(amount(9.290304, 'dm²', 1)).toBe('144 in²')
    expect(amount(28.349523125 / 9.290304, 'g/dm²', 1)).toBe('1.00 oz/ft²')
    expect(amount(28.349523125 / 0.3048 / 1, 'g/m', 0)).toBe('1.00 oz/ft')
    expect(signedAmount(-28.349523125, 'g', 0)).toBe('−1.0 oz')
    expect(unitName('mm')).toBe('in')
  })
  it('what has no other unit stays, multiples of gravity among it', () => {
    read('imperial', '.')
    expect(amount(9.5, 'm/s', 1)).toBe('9.5 m/s')
    expect(amount(5, 'gₙ', 1)).toBe('5.0 g')
    expect(amount(12, '°')).toBe('12°')
  })
  it('a comma where the maker writes one, a true minus, nothing for what is no figure', () => {
    read('metric', ',')
    expect(amount(-1234.5, 'g', 1)).toBe('−1234,5 g')
    expect(amountOf(0.04, 'mm', 2)).toBe('0,04')
    expect(figure(Number.NaN)).toBe('–')
    expect(figure(-0.001, 2)).toBe('0,00')
  })
  it('sentences of the core, their figures among them', () => {
    const words = say`End it at ${q(508, 'mm')}, ${q(56.7, 'g', 1)} lighter, reserve ${q(1.5, '', 2)}`
    expect(worded(words)).toBe('End it at 508 mm, 56.7 g lighter, reserve 1.50')
    read('imperial', ',')
    expect(worded(words)).toBe('End it at 20,00 in, 2,00 oz lighter, reserve 1,50')
    expect(worded(null)).toBe('')
  })
})
