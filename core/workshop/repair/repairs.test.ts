import { describe, expect, it } from 'vitest'
import { createAssessor } from '../../assess'
import { DEMOS } from '../../demo'
import { written } from '../../units'
import { repairs } from './index'

const assessor = createAssessor()
const [thistledown, plover] = DEMOS
const of = (code: string, ways: ReturnType<typeof repairs>) => ways.find(way => way.code === code)!

describe('a broken piece', () => {
  const before = assessor.assess(thistledown)
  const piece = before.pieces.find(item => item.id === 'wing-2-port')!
  const at = (piece.fromMm + piece.toMm) / 2
  const ways = repairs(assessor, thistledown, piece.id, at)

  it('printed whole it is the aircraft as it was, for its hours and its price', () => {
    expect(of('new-piece', ways)).toMatchObject({ massG: 0, hours: piece.hours, cost: piece.cost })
    expect(of('new-piece', ways).reserve).toBe(before.strength.reserve)
  })

  it('stump and rest weigh the original and their joint, and the rest takes less of printer and shelf than the whole', () => {
    const rest = of('rest', ways)
    expect(rest.massG).toBeGreaterThan(-0.01 * piece.predictedG)
    // Pins in their blocks, two more faces: some grams, not half a piece.
    expect(rest.massG).toBeLessThan(0.35 * piece.predictedG)
    expect(rest.hours).toBeLessThan(piece.hours)
    expect(rest.cost).toBeLessThan(piece.cost)
    // By its words the cut lies inward of the break, on a layer.
    const sound = Number(/layer at ([\d.]+) mm/.exec(written(rest.what))![1])
    const layer = thistledown.zones.find(zone => zone.id === piece.zone)!.recipe.layerHeightMm
    expect(sound).toBeLessThanOrEqual(at - 4)
    expect(
      Math.abs((sound - piece.fromMm) / layer - Math.round((sound - piece.fromMm) / layer)),
    ).toBeLessThan(0.3)
  })

  it('one half alone moves the balance by its own moment', () => {
    for (const way of ways) {
      const { massG, cgMm } = before.totals
      expect(way.cgMm).toBeCloseTo((massG * cgMm[0] + way.massG * piece.centreMm[0]) / (massG + way.massG), 9)
    }
  })

  it('glue bears no more than the whole did, a splint no less than glue alone', () => {
    expect(of('glue', ways).reserve).toBeLessThanOrEqual(before.strength.reserve)
    // Its bore takes a little of the skin: a hundredth at the most where something else is the weakest place.
    expect(of('splint', ways).reserve).toBeGreaterThan(of('glue', ways).reserve - 0.01)
    expect(of('splint', ways).massG).toBeGreaterThan(of('glue', ways).massG)
    expect(of('glue', ways).hours).toBe(0)
  })

  it('near an end there is no rest to print; a moving piece is printed or glued', () => {
    expect(repairs(assessor, thistledown, piece.id, piece.fromMm + 3).map(way => way.code)).not.toContain(
      'rest',
    )
    const moving = before.pieces.find(item => item.kind === 'moving')!
    const codes = repairs(assessor, thistledown, moving.id, (moving.fromMm + moving.toMm) / 2).map(
      way => way.code,
    )
    expect(codes).toEqual(['new-piece', 'glue'])
  })

  it('a nose too: the body has its lip, and no rod', () => {
    const nose = before.pieces.find(item => item.id === 'body-1')!
    const ways = repairs(assessor, thistledown, nose.id, 60)
    // The body behind the break stays, so what is printed is the front, and the cut lies behind the break.
    expect(written(of('rest', ways).what)).toMatch(/at 6\d\.\d mm, print the 6\d mm before it/)
    expect(ways.map(way => way.code)).not.toContain('splint')
  })

  it('what is not there is named with what is', () => {
    expect(() => repairs(assessor, plover, 'wing-99-port', 10)).toThrow(
      /no piece "wing-99-port"; pieces: .*wing-1/,
    )
    expect(() => repairs(assessor, thistledown, piece.id, piece.toMm + 50)).toThrow(
      /lies outside .* which reaches from/,
    )
  })
})
