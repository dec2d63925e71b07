import { describe, expect, it } from 'vitest'
import { memoise, narrowed, only, steadied } from './memo'

describe('what is remembered', () => {
  it('is computed once for the very same arguments, and the one asked for longest ago goes first', () => {
    let runs = 0
    const twice = memoise((list: number[], by: number) => (runs++, list.map(item => item * by)), 2)
    const [a, b] = [[1], [2]]
    const first = twice(a, 2)
    expect(twice(a, 2)).toBe(first)
    twice(b, 2)
    twice(a, 2)
    expect(runs).toBe(2)
    // A third goes in for b, which was asked for before a.
    twice(a, 3)
    expect(twice(a, 2)).toBe(first)
    twice(b, 2)
    expect(runs).toBe(4)
  })

  it('narrowed to what is read, stays the same object while the rest changes', () => {
    const shape = narrowed(only<{ width: number; name: string }, 'width'>('width'))
    const one = shape({ width: 1, name: 'a' })
    expect(shape({ width: 1, name: 'b' })).toBe(one)
    expect(shape({ width: 2, name: 'a' })).not.toBe(one)
    expect(shape({ width: 1, name: 'c' })).toBe(one)
  })
})

describe('what is steadied', () => {
  const made = (moment: number, name = 'pull-up') => ({
    name,
    places: [0, 0.1],
    load: { moment: Float64Array.of(1, moment), case: null },
  })

  it('is the very same object for as long as all that it holds is equal, however deep', () => {
    const same = steadied<ReturnType<typeof made>>()
    const first = same(made(2))
    expect(same(made(2))).toBe(first)
    for (const other of [made(3), made(2, 'landing'), { ...made(2), places: [0, 0.1, 0.2] }])
      expect(same(other)).toBe(other)
    expect(same(made(2))).toBe(first)
  })

  it('is another where a figure is missing, has its sign turned at nothing, or is no figure', () => {
    const same = steadied<object>(8)
    const first = same({ a: 0 })
    for (const other of [{ a: -0 }, { b: 0 }, { a: 0, b: undefined }, { a: NaN }, { a: [0] }, [0]])
      expect(same(other)).not.toBe(first)
    // Not a number is as good as another one.
    expect(same({ a: NaN })).toEqual({ a: NaN })
    expect(same({ a: 0 })).toBe(first)
  })

  it('of several remembers the latest', () => {
    const same = steadied<{ a: number }>(2)
    const [one, two] = [same({ a: 1 }), same({ a: 2 })]
    same({ a: 1 })
    same({ a: 3 })
    expect(same({ a: 1 })).toBe(one)
    expect(same({ a: 2 })).not.toBe(two)
  })
})
