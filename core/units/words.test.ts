import { describe, expect, it } from 'vitest'
import { dimensions, listed, q, say, withUnit, written } from '.'

describe('sentences with figures', () => {
  it('keep each figure as value, unit and digits until somebody writes it', () => {
    const words = say`${'Main spar'} leaves ${q(0.4321, 'mm', 2)} at ${q(123.6, 'mm', 0)}`
    expect(words).toEqual([
      'Main spar leaves ',
      { value: 0.4321, unit: 'mm', digits: 2 },
      ' at ',
      { value: 123.6, unit: 'mm', digits: 0 },
    ])
    expect(written(words)).toBe('Main spar leaves 0.43 mm at 124 mm')
  })
  it('hold sentences inside sentences, plain numbers and lists', () => {
    const inner = say`${q(1.5, '°', 1)} more`
    expect(written(say`Turn it ${inner}, ${2} times; ${listed([inner, 'or less'], ', ')}`)).toBe(
      'Turn it 1.5° more, 2 times; 1.5° more, or less',
    )
    expect(written(dimensions([180, 180.26, 245], 1))).toBe('180.0 mm × 180.3 mm × 245.0 mm')
  })
  it('without a figure are plain text, and join with what stands beside them', () => {
    expect(say`End it at ${'the root'}`).toBe('End it at the root')
    expect(say`a${say`b`}${q(1, '')}c`).toEqual(['ab', { value: 1, unit: '', digits: null }, 'c'])
  })
  it('an angle stands by its degree, a temperature apart from it', () => {
    expect(['°', '°/s', '° of sideslip', '×', '°C', 'mm'].map(unit => withUnit('10', unit))).toEqual([
      '10°',
      '10°/s',
      '10° of sideslip',
      '10×',
      '10 °C',
      '10 mm',
    ])
  })
  it('a multiple of gravity is written g and is no gram', () => {
    expect(written([q(5, 'gₙ', 1)])).toBe('5.0 g')
  })
})
