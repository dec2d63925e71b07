import { describe, expect, it } from 'vitest'
import { chanceWithin, normalCdf } from './chance'

describe('the normal distribution', () => {
  it('is that of the printed tables (Abramowitz & Stegun, table 26.1), to the stated 1.5·10⁻⁷', () => {
    for (const [z, value] of [
      [0, 0.5],
      [0.5, 0.6914624613],
      [1, 0.8413447461],
      [1.96, 0.9750021049],
      [3, 0.998650102],
    ] as const) {
      expect(Math.abs(normalCdf(z) - value)).toBeLessThan(1.5e-7)
      expect(Math.abs(normalCdf(-z) - (1 - value))).toBeLessThan(1.5e-7)
    }
  })
})

describe('the chance that all places lie within a band', () => {
  it('of one place is what the tables leave between the two ends', () => {
    // One deviation before the near end and two before the far one.
    expect(chanceWithin([10], 2, 8, 14)).toBeCloseTo(0.9772498681 - 0.1586552539, 6)
  })
  it('of several, which err together, is that of the foremost at one end and the rearmost at the other', () => {
    expect(chanceWithin([10, 11, 13], 2, 8, 14)).toBeCloseTo(0.6914624613 - 0.1586552539, 6)
    // The rest lie between them and say nothing.
    expect(chanceWithin([13, 10], 2, 8, 14)).toBeCloseTo(chanceWithin([10, 10.4, 12.9, 13], 2, 8, 14), 12)
  })
  it('is nil where the band is narrower than they lie apart, and certain or nil where nothing errs', () => {
    expect(chanceWithin([10, 17], 2, 8, 14)).toBe(0)
    expect(chanceWithin([10, 16], 2, 8, 14)).toBe(0)
    expect(chanceWithin([8, 14], 0, 8, 15)).toBe(1)
    expect(chanceWithin([9, 15], 0, 8, 15)).toBe(1)
    expect(chanceWithin([7], 0, 8, 14)).toBe(0)
    expect(chanceWithin([15], 0, 8, 14)).toBe(0)
  })
})
