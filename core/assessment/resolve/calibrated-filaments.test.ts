import { describe, expect, it } from 'vitest'
import { written } from '../../units'
import { DEMOS } from '../../demo'
import { expansionAt, LIBRARIES } from '../../libraries'
import { assess } from '../../assess'
import { calibratedFilaments } from './calibrated-filaments'

const foam = LIBRARIES.filaments.find(f => f.id === 'pla-foam')!
const at = (
  list: Array<[number, number]>,
  celsius: number,
  dates = list.map((_, i) => `2026-01-${String(10 + i)}`),
) =>
  expansionAt(
    calibratedFilaments(
      LIBRARIES.filaments,
      list.map(([nozzleC, expansion], i) => ({ filament: 'pla-foam', nozzleC, expansion, date: dates[i] })),
    ).find(f => f.id === 'pla-foam')!,
    celsius,
  )

describe("the maker's own tubes", () => {
  it('one tube scales the whole curve; two pass through both, and the ratio runs straight between', () => {
    const [low, middle, high] = [215, 225, 235].map(celsius => expansionAt(foam, celsius))
    expect(at([[225, 1.1 * middle]], 225)).toBeCloseTo(1.1 * middle, 9)
    expect(at([[225, 1.1 * middle]], 235)).toBeCloseTo(high * 1.1, 9)
    expect(
      at(
        [
          [215, low],
          [235, high * 1.2],
        ],
        215,
      ),
    ).toBeCloseTo(low, 9)
    expect(
      at(
        [
          [215, low],
          [235, high * 1.2],
        ],
        225,
      ),
    ).toBeCloseTo(middle * 1.1, 9)
    expect(at([], 225)).toBe(expansionAt(foam, 225))
  })
  it('the newest tube at a temperature counts, and nothing shrinks below its own volume', () => {
    expect(
      at(
        [
          [225, 1.5],
          [226, 1.9],
        ],
        226,
        ['2026-02-01', '2026-01-01'],
      ),
    ).toBeCloseTo(1.5 * (expansionAt(foam, 226) / expansionAt(foam, 225)), 2)
    expect(at([[225, 0.8]], 195)).toBe(1)
  })
  it('a tube that foams more makes the bead proud, a finding with the flow that mends it', () => {
    const doc = {
      ...DEMOS[0],
      calibrations: [{ filament: 'pla-foam', nozzleC: 245, expansion: 2.6, date: '2026-10-01' }],
    }
    const found = assess(doc).findings.filter(f => f.code === 'bead-proud')
    expect(found.length).toBe(4)
    // 1/2.6 = 0.385.
    expect(written(found[0].remedy)).toContain('Flow 0.38')
  })
})
