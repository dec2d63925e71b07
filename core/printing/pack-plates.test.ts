import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { packPlates, PLATE_GAP } from './pack-plates'

const bed = [220, 210, 250] as const

describe('plates', () => {
  it('every piece once, inside the bed, apart from its neighbours by the gap; who must be alone is', () => {
    const item = fc.record({
      width: fc.double({ min: 3, max: 220, noNaN: true }),
      depth: fc.double({ min: 3, max: 210, noNaN: true }),
      alone: fc.boolean(),
    })
    fc.assert(
      fc.property(fc.array(item, { maxLength: 30 }), sizes => {
        const items = sizes.map((size, i) => ({ id: String(i), ...size }))
        const plates = packPlates(items, bed)
        expect(
          plates
            .flat()
            .map(p => p.id)
            .sort(),
        ).toEqual(items.map(i => i.id).sort())
        for (const plate of plates) {
          const boxes = plate.map(p => ({ ...items[Number(p.id)], x: p.x, y: p.y }))
          if (boxes.some(box => box.alone)) expect(boxes.length).toBe(1)
          for (const [i, a] of boxes.entries()) {
            expect(a.x).toBeGreaterThanOrEqual(0)
            expect(a.x + a.width).toBeLessThanOrEqual(bed[0] + 1e-6)
            expect(a.y + a.depth).toBeLessThanOrEqual(bed[1] + 1e-6)
            for (const b of boxes.slice(i + 1)) {
              const apart = Math.max(
                b.x - a.x - a.width,
                a.x - b.x - b.width,
                b.y - a.y - a.depth,
                a.y - b.y - b.depth,
              )
              expect(apart).toBeGreaterThanOrEqual(PLATE_GAP - 1e-6)
            }
          }
        }
      }),
    )
  })
  it('fills a plate: sixteen squares of 49 mm stand four by four on 220 × 220', () => {
    expect(
      packPlates(
        Array.from({ length: 16 }, (_, i) => ({ id: `p${i}`, width: 49, depth: 49, alone: false })),
        [220, 220, 200],
      ),
    ).toHaveLength(1)
    expect(() => packPlates([{ id: 'wide', width: 221, depth: 10, alone: false }], bed)).toThrow(
      /wide .* does not fit/,
    )
  })
})
