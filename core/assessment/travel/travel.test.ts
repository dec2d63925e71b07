/** Parts that an aircraft comes to, against what the drawing says they measure. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { createAssessor } from '../../assess'
import { DEMOS } from '../../demo'
import type { ProjectFile } from '../../document'
import { aircraft } from '../../testing/arbitraries'
import { drafted } from '../../testing/changed'
import { runs } from '../../testing/runs'
import { twinBoom } from '../../testing/twin'
import { largerBox, PADDING_MM, travelOf } from './travel'

const [thistledown, plover] = DEMOS
const assessor = createAssessor()
const of = (doc: ProjectFile, box = doc.brief.travelBoxMm) => travelOf(assessor.airframe(doc), box)
const changed = (change: (draft: ProjectFile) => void, base = thistledown) => of(drafted(base, change))
const named = ({ parts }: ReturnType<typeof of>) => parts.map(part => part.name)
const parted = (draft: ProjectFile) => {
  for (const spar of draft.spars) if (spar.surface === 'wing' && spar.through) spar.fixing = 'removable'
}

describe('taken apart', () => {
  it('a wing that bolts hold comes off whole: as long as its span, the body with all that is glued to it', () => {
    const { parts, longestMm } = of(thistledown)
    expect(named(of(thistledown))).toEqual(['Wing', 'Body and tail', 'Propeller 9 × 5 in, folding'])
    const { plan, drawing } = assessor.assess(thistledown)
    expect(longestMm / plan.spanMm).toBeCloseTo(1, 2)
    // The tail's span lies in what is left, askew where the fin beside it makes that the smaller box.
    const tail = 2 * thistledown.tail.horizontal!.panels[0].spanMm
    expect(Math.hypot(parts[1].sizeMm[1], parts[1].sizeMm[2])).toBeGreaterThan(tail)
    expect(parts[1].sizeMm[1]).toBeLessThan(1.1 * tail)
    expect(parts[1].sizeMm[0]).toBeLessThan(1.01 * (drawing.box.maxX - drawing.box.minX))
    // Glued into its seat, they are one, lying as a cross does in the least box round it.
    const glued = changed(draft => {
      draft.body!.saddle!.bolts = 0
    })
    expect(named(glued)[0]).toBe('Body and wing and tail')
    const [long, wide] = glued.parts[0].sizeMm
    expect(Math.hypot(long, wide)).toBeGreaterThan(plan.spanMm)
    expect(wide).toBeGreaterThan(0.9 * parts[1].sizeMm[0])
  })
  it('halves that a pushed-in spar joins are carried each by itself, lying flat whatever their dihedral', () => {
    const { parts } = changed(parted)
    const halves = parts.filter(part => part.name.startsWith('Wing'))
    expect(halves.map(part => part.name).sort()).toEqual(['Wing, port', 'Wing, starboard'])
    expect(halves[0].sizeMm[0]).toBeCloseTo(halves[1].sizeMm[0], 3)
    const span = thistledown.wing.panels.reduce((sum, panel) => sum + panel.spanMm, 0)
    expect(halves[0].sizeMm[0]).toBeGreaterThan(span)
    expect(halves[0].sizeMm[0]).toBeLessThan(1.03 * span)
    // The spar that held them travels beside, twice as long as it reaches.
    const joiner = thistledown.spars.find(spar => spar.id === 'joiner')!
    expect(parts.find(part => part.name === joiner.name)!.sizeMm[0]).toBeCloseTo(2 * joiner.toMm, 6)
    const steep = changed(draft => {
      parted(draft)
      draft.wing.panels.forEach(panel => {
        panel.dihedralDeg += 6
      })
    })
    const again = steep.parts.find(part => part.name === 'Wing, port')!
    again.sizeMm.forEach((side, i) => expect(side / halves[0].sizeMm[i]).toBeCloseTo(1, 1))
  })
  it('a joint that plugs together is one to part at: the middle as long as both cuts are apart', () => {
    const cut = thistledown.cuts.wing[1]
    const bolted = (fixing: 'bonded' | 'removable') =>
      changed(draft => {
        draft.cuts.wing[1].joint.kind = 'plug'
        for (const spar of draft.spars) if (spar.surface === 'wing' && !spar.through) spar.fixing = fixing
      }).parts
    const said = (fixing: 'bonded' | 'removable') =>
      assessor
        .assess(
          drafted(thistledown, draft => {
            draft.cuts.wing[1].joint.kind = 'plug'
            for (const spar of draft.spars) if (spar.surface === 'wing' && !spar.through) spar.fixing = fixing
          }),
        )
        .findings.filter(finding => finding.code === 'plug-held').length
    expect([said('bonded'), said('removable')]).toEqual([1, 0])
    // A spar that is glued in on both sides holds it all the same.
    expect(bolted('bonded').filter(part => part.name.startsWith('Wing'))).toHaveLength(1)
    const parts = bolted('removable')
    const wing = parts.filter(part => part.name.startsWith('Wing'))
    expect(wing).toHaveLength(3)
    expect(Math.min(...wing.map(part => Math.abs(part.sizeMm[0] - 2 * cut.atMm)))).toBeLessThan(12)
  })
  it('fins stay on a flying wing, booms on the wing that carries them', () => {
    expect(named(of(plover))[0]).toBe('Wing and tail')
    const twin = of(twinBoom() as ProjectFile)
    expect(named(twin)[0]).toBe('Wing and tail')
    expect(twin.parts[0].sizeMm[1]).toBeGreaterThan(800)
  })
  it('no piece is left at home, none is packed twice, and none is longer than the part that it is in', () => {
    fc.assert(
      fc.property(aircraft, doc => {
        const airframe = assessor.airframe(doc)
        const { parts } = travelOf(airframe, null)
        const fixed = airframe.pieces.filter(piece => piece.kind === 'fixed' && piece.part !== 'pod')
        expect(parts.flatMap(part => part.marks).sort()).toEqual(fixed.map(piece => piece.mark).sort())
        for (const part of parts) {
          expect(part.sizeMm.every(Number.isFinite)).toBe(true)
          const longest = fixed
            .filter(piece => part.marks.includes(piece.mark))
            .map(piece => piece.to - piece.from)
          expect(part.sizeMm[0]).toBeGreaterThan(Math.max(0, ...longest) - 0.01)
        }
      }),
      { numRuns: runs(200, 15) },
    )
  })
  it('a longer wing is longer to carry, step by step', () => {
    const lengths = Array.from(
      { length: runs(40, 8) },
      (_, i) =>
        changed(draft => {
          draft.wing.panels.at(-1)!.spanMm += i
        }).longestMm,
    )
    lengths.slice(1).forEach((length, i) => {
      expect(length - lengths[i]).toBeGreaterThan(1.5)
      expect(length - lengths[i]).toBeLessThan(2.5)
    })
  })
})

describe('its box', () => {
  it('is asked of the parts with their padding: what fits to the millimetre does not any more', () => {
    const { parts } = of(thistledown)
    const wing = parts[0].sizeMm.map(side => side + 2 * PADDING_MM) as [number, number, number]
    const alone = drafted(thistledown, draft => {
      draft.brief.travelBoxMm = [wing[0] - 1, 900, 900]
    })
    const [found] = assessor.assess(alone).findings.filter(finding => finding.code === 'travel-box')
    expect(found.value).toBeCloseTo(parts[0].sizeMm[0], 6)
    expect(found.limit).toBeCloseTo(wing[0] - 1, 6)
    const enough = drafted(thistledown, draft => {
      draft.brief.travelBoxMm = [wing[0] + 1, 900, 900]
    })
    expect(assessor.assess(enough).findings.some(finding => finding.code === 'travel-box')).toBe(false)
    expect(of(enough).laid).toHaveLength(parts.length)
  })
  it('that would do instead is said: it does, and a hair less does not', () => {
    const { parts } = of(thistledown)
    const larger = largerBox(parts, [600, 300, 200])
    expect(larger[0] / larger[1]).toBeCloseTo(2, 1)
    expect(travelOf(assessor.airframe(thistledown), larger).laid).not.toBeNull()
    const less = larger.map(side => 0.99 * side) as [number, number, number]
    expect(travelOf(assessor.airframe(thistledown), less).laid).toBeNull()
  })
})
