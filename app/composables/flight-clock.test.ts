import { describe, expect, it } from 'vitest'
import { callsBetween, charge, NO_FLIGHT, spent } from './flight-clock'

const clock = {
  stretches: [
    { kind: 'climb' as const, at: 0 },
    { kind: 'cruise' as const, at: 60_000 },
    { kind: 'climb' as const, at: 180_000 },
  ],
  landedAt: null,
}

describe('the clock of a flight', () => {
  it('adds each kind up, the last one until now or until it landed', () => {
    expect(spent(clock, 200_000)).toEqual({ climb: 80, cruise: 120, idle: 0 })
    expect(spent({ ...clock, landedAt: 190_000 }, 900_000)).toEqual({ climb: 70, cruise: 120, idle: 0 })
    expect(spent(NO_FLIGHT, 5000)).toEqual({ climb: 0, cruise: 0, idle: 0 })
  })
  it('a clock set back takes nothing away', () => {
    expect(spent(clock, 100_000).climb).toBe(60)
  })
  it('an ampere for an hour is a thousand milliampere-hours', () => {
    expect(charge({ climb: 3600, cruise: 0, idle: 0 }, { climb: 1, cruise: 9, idle: 9 })).toBeCloseTo(1000, 9)
    // A minute at 12 A and four at 3 A: 200 and 200 mAh.
    expect(charge({ climb: 60, cruise: 240, idle: 60 }, { climb: 12, cruise: 3, idle: 0 })).toBeCloseTo(
      400,
      9,
    )
  })
  it('every call comes once, however the count jumps', () => {
    expect(callsBetween(0, 0.49)).toEqual([])
    expect(callsBetween(0.49, 0.8).map(call => call.at)).toEqual([0.5, 0.75])
    expect(callsBetween(0.8, 0.8)).toEqual([])
    expect(callsBetween(0.99, 1.2).map(call => call.words)).toEqual(['Land now'])
  })
})
