import { afterEach, describe, expect, it, vi } from 'vitest'
import { today } from './format'
import { parseFigure } from './parse-figure'

describe('figures as they are typed', () => {
  it.each([
    ['1250', 1250],
    ['1,5', 1.5],
    ['1.5', 1.5],
    ['−3,25', -3.25],
    ['0,125', 0.125],
    ['0.125', 0.125],
    ['12,50', 12.5],
    // One sign and three digits behind it is thousands unless it is the maker's own decimal sign.
    ['1,250', 1250],
    ['1.250', 1.25],
    ['1,234.5', 1234.5],
    ['1.234,5', 1234.5],
    ['1,234,567', 1234567],
    ["1'250.5", 1250.5],
    ['1 250,5', 1250.5],
    ['2e3', 2000],
  ])('%s where decimals follow a point is %d', (typed, value) => {
    expect(parseFigure(typed, '.')).toBe(value)
  })
  it.each([
    ['1,250', 1.25],
    ['1.234,5', 1234.5],
    ['1.5', 1.5],
    ['1.250,0', 1250],
  ])('%s where decimals follow a comma is %d', (typed, value) => {
    expect(parseFigure(typed, ',')).toBe(value)
  })
  it.each(['1.250', '1,2,3', '12,34.5', '1.2.3', 'abc', '', '1,250,5'])(
    '%s is refused, not guessed',
    typed => {
      expect(parseFigure(typed, ',')).toBeNaN()
    },
  )
})

describe("today is the maker's day", () => {
  const zone = process.env.TZ
  afterEach(() => {
    process.env.TZ = zone
    vi.useRealTimers()
  })
  it('east and west of Greenwich', () => {
    vi.useFakeTimers({ toFake: ['Date'] })
    vi.setSystemTime(new Date('2026-03-01T22:30:00Z'))
    process.env.TZ = 'Pacific/Auckland'
    expect(today()).toBe('2026-03-02')
    process.env.TZ = 'America/Los_Angeles'
    vi.setSystemTime(new Date('2026-03-02T03:30:00Z'))
    expect(today()).toBe('2026-03-01')
  })
})
