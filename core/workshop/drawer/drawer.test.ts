import { describe, expect, it } from 'vitest'
import { sharedAssessor } from '../../assess'
import { DEMOS } from '../../demo'
import { checkProject, DocumentError, type ProjectFile } from '../../document'
import { LIBRARIES } from '../../libraries'
import { partOf, placed, readParts, shelfParts, together, writeParts } from '.'

const assessor = sharedAssessor()
const [thistledown, plover] = DEMOS
const parts = shelfParts(LIBRARIES)
const named = (id: string) => parts.find(item => item.id === id)!
const withPart = (doc: ProjectFile, id: string, at?: Parameters<typeof placed>[3]): ProjectFile => ({
  ...doc,
  equipment: [...doc.equipment, placed(named(id), doc, assessor.assess(doc), at)],
})

describe('a part out of the drawer', () => {
  it('makes a document of every part of the shelf, in both demos, with the part’s own grams more', () => {
    for (const doc of DEMOS) {
      const before = assessor.assess(doc).totals
      for (const part of parts) {
        const own = placed(part, doc, { totals: before })
        checkProject({ ...doc, equipment: [...doc.equipment, own] })
        expect(own.massG).toBe(part.massG)
      }
    }
    const before = assessor.assess(thistledown).totals,
      after = assessor.assess(withPart(thistledown, 'lead-ballast-25')).totals
    expect(after.massG - before.massG).toBeCloseTo(25, 6)
    // Put in at the balance, it moves nothing along: to half a millimetre of its place.
    expect(Math.abs(after.cgMm[0] - before.cgMm[0])).toBeLessThan((25 * 0.3) / after.massG + 1e-9)
  })

  it('moves the balance by its moment where it is dropped: Δx = m·(x − x_cg)/(M + m)', () => {
    const before = assessor.assess(thistledown).totals,
      after = assessor.assess(
        withPart(thistledown, 'lead-ballast-25', { xMm: 900, yMm: null, zMm: 6 }),
      ).totals
    expect(after.cgMm[0] - before.cgMm[0]).toBeCloseTo((25 * (900 - before.cgMm[0])) / (before.massG + 25), 6)
  })

  it('a battery gets a bay to slide in, its middle where it was dropped', () => {
    const own = placed(named('lipo-3s-850'), thistledown, assessor.assess(thistledown), {
      xMm: 100,
      yMm: 0,
      zMm: null,
    })
    expect(own.bay).toEqual([42, 158])
    expect([own.xMm, own.sizeMm[0]]).toEqual([100, 58])
  })

  it('a servo dropped on the wing gets a bay there with its twin to port; on the body it does not', () => {
    const before = assessor.assess(thistledown)
    const out = placed(named('servo-9'), thistledown, before, { xMm: 262, yMm: -345, zMm: null })
    expect(out).toMatchObject({ yMm: 345, pair: true, pocket: { surface: 'wing', cableMm: 4 } })
    expect(out.sizeMm).toEqual([23, 24, 12])
    // The chord line there: 52 + 270·sin 2° + 75·sin 5° less a millimetre, to half of one.
    expect(out.zMm).toBeCloseTo(52 + 270 * 0.0349 + 75.3 * 0.0872 - 1, 0)
    const inside = placed(named('servo-9'), thistledown, before, { xMm: 262, yMm: 20, zMm: null })
    expect(inside.pocket).toBeNull()
    // Ahead of the wing there is nothing to cut a bay into.
    expect(placed(named('servo-9'), thistledown, before, { xMm: 40, yMm: 300, zMm: null }).pocket).toBeNull()
  })

  it('takes an id that is free, and a propeller its place before the motor', () => {
    const two = withPart(withPart(plover, 'receiver-6'), 'receiver-6')
    expect(two.equipment.slice(-2).map(item => item.id)).toEqual(['receiver-6', 'receiver-6-2'])
    const motor = thistledown.equipment.find(item => item.kind === 'motor')!
    const own = placed(named('propeller-9x6'), thistledown, assessor.assess(thistledown))
    expect(own.xMm + own.sizeMm[0] / 2).toBeLessThan(motor.xMm - motor.sizeMm[0] / 2)
  })
})

describe('parts of one’s own', () => {
  it('go out and come back the same, and of one name the newer stays', () => {
    const own = [partOf(thistledown.equipment[1]), partOf(thistledown.equipment[3])]
    const back = readParts(writeParts(own))
    expect(back).toEqual(own)
    const heavier = { ...own[0], massG: 60 }
    expect(together(own, [heavier]).map(item => item.massG)).toEqual([own[1].massG, 60])
  })

  it('a file that is none is refused with its place', () => {
    const refused = (text: string) => {
      try {
        readParts(text)
      } catch (fault) {
        return (fault as DocumentError).path
      }
    }
    expect(refused('{"format":"mariposa-recipe"}')).toBe('format')
    const [part] = [partOf(thistledown.equipment[1])]
    expect(refused(writeParts([{ ...part, massG: -3 }]))).toBe('parts[0].massG')
    expect(refused('{')).toBe('')
  })
})
