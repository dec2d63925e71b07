/** Parts that an aircraft comes to, against what the drawing says they measure. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { sharedAssessor } from '../../assess'
import { DEMOS } from '../../demo'
import type { ProjectFile } from '../../document'
import { aircraft } from '../../testing/arbitraries'
import { drafted } from '../../testing/changed'
import { runs } from '../../testing/runs'
import { twin, twinBoom } from '../../testing/twin'
import { WIRE_LEG } from '../../testing/wire-leg'
import { written } from '../../units'
import { largerBox, PADDING_MM, travelOf } from './travel'

const [thistledown, plover] = DEMOS
const assessor = sharedAssessor()
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
  it('a tail that is screwed on comes off: tailplane and fin by themselves, the body as narrow as its boom allows', () => {
    const screwed = changed(draft => {
      draft.tail.screws = 2
    })
    // Halves beside the boom are one where a glued rod runs through both.
    expect(named(screwed)).toEqual(
      expect.arrayContaining(['Wing', 'Body', 'Tailplane, port', 'Tailplane, starboard', 'Fin']),
    )
    const through = (draft: ProjectFile) => {
      draft.tail.screws = 2
      Object.assign(
        draft.spars.find(spar => spar.surface === 'horizontal')!,
        { through: true, fromMm: 0 },
      )
    }
    const whole = changed(through)
    expect(named(whole)).toEqual(expect.arrayContaining(['Wing', 'Body', 'Tailplane', 'Fin']))
    const part = (name: string) => screwed.parts.find(item => item.name === name)!
    const { horizontal, vertical, kind } = thistledown.tail
    expect(kind).toBe('conventional')
    expect(whole.parts.find(item => item.name === 'Tailplane')!.sizeMm[0]).toBeCloseTo(
      2 * (horizontal!.panels[0].spanMm + horizontal!.yMm),
      -1,
    )
    expect(part('Tailplane, port').sizeMm[0]).toBeCloseTo(horizontal!.panels[0].spanMm, -1)
    expect(part('Fin').sizeMm[0]).toBeGreaterThanOrEqual(vertical!.panels[0].spanMm)
    // As wide as the body is now, which was as wide as the tail.
    const widest = Math.max(...thistledown.body!.stations.map(({ widthMm }) => widthMm))
    expect(part('Body').sizeMm[2]).toBeLessThan(widest + 1)
    // Two screws of 1.6 g for each of two halves and the fin.
    const grams = (doc: ProjectFile) => assessor.assess(doc).totals.massG
    const held = drafted(thistledown, draft => {
      draft.tail.screws = 2
      draft.allowances.smallParts.wingBolts = null
    })
    const glued = drafted(held, draft => {
      draft.tail.screws = 0
    })
    expect(grams(held) - grams(glued)).toBeCloseTo(6 * 1.6, 6)
    // A fin that stands on the tailplane goes with it; on a flying wing fins come off the tips.
    expect(
      named(changed(draft => (draft.tail.screws = 2), plover)).filter(name => name.startsWith('Fin')),
    ).toHaveLength(2)
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
    const twin = of(twinBoom())
    expect(named(twin)[0]).toBe('Wing and tail')
    expect(twin.parts[0].sizeMm[1]).toBeGreaterThan(800)
  })
  it('a pod goes with its half of the wing, a boom with the pod that it runs into, a tail with both booms', () => {
    const halves = (doc: ProjectFile) => of(drafted(doc, parted)).parts
    const pods = halves(twin()).filter(part => part.name.startsWith('Wing,'))
    const bare = halves(thistledown).filter(part => part.name.startsWith('Wing,'))
    expect(pods).toHaveLength(2)
    // Both alike: neither has the other's pod as well, which stands 80 mm before the wing and under it.
    for (const [i, side] of pods[0].sizeMm.entries()) expect(pods[1].sizeMm[i]).toBeCloseTo(side, 3)
    expect(pods[0].sizeMm[1]).toBeGreaterThan(bare[0].sizeMm[1] + 20)
    expect(pods[0].sizeMm[0]).toBeLessThan(1.1 * bare[0].sizeMm[0])
    // Booms reach to 930 mm: with a tail on both of them nothing parts, without one each half has its own.
    expect(named(of(drafted(twinBoom(), parted)))[0]).toBe('Wing and tail')
    const free = halves(
      drafted(twinBoom(), draft => {
        draft.tail = { ...draft.tail, kind: 'none', horizontal: null, vertical: null }
      }),
    ).filter(part => part.name.startsWith('Wing,'))
    expect(free).toHaveLength(2)
    expect(free[0].sizeMm[1]).toBeGreaterThan(450)
    expect(free[0].sizeMm[1]).toBeLessThan(820)
    for (const [i, side] of free[0].sizeMm.entries()) expect(free[1].sizeMm[i]).toBeCloseTo(side, 3)
  })
  it('a body parts at its bolts ahead of the boom, and not where the boom is glued in behind them', () => {
    const bolted = (i: number) =>
      changed(draft => {
        draft.cuts.body[i].joint.kind = 'bolts'
        draft.boom!.fromMm = 260
      }).parts
    const [ahead, over] = [bolted(0), bolted(1)].map(parts =>
      parts.filter(part => part.name.startsWith('Body')),
    )
    expect(ahead).toHaveLength(2)
    const nose = ahead.find(part => !part.name.includes('tail'))!
    const [from, to] = [thistledown.body!.stations[0].xMm, thistledown.cuts.body[0].atMm]
    // The motor looks out of it.
    expect(nose.sizeMm[0]).toBeGreaterThan(to - from - 1)
    expect(nose.sizeMm[0]).toBeLessThan(to - from + 40)
    expect(over).toHaveLength(1)
  })
  it('legs stand out of what carries them, wheels and all', () => {
    const legs = changed(draft => {
      draft.gear = [{ ...WIRE_LEG, xMm: 60, zMm: -30 }]
    })
    const [bare, legged] = [of(thistledown), legs].map(
      found => found.parts.find(part => part.name === 'Body and tail')!.sizeMm,
    )
    // From its mount 80 mm down and half a wheel of 50; the track is twice 20 and 60 mm, and a wheel wide.
    expect(legged[0] * legged[1] * legged[2]).toBeGreaterThan(1.01 * bare[0] * bare[1] * bare[2])
    const only = changed(draft => {
      draft.gear = [{ ...WIRE_LEG, xMm: 60, zMm: -30 }]
      draft.tail = { ...draft.tail, kind: 'none', horizontal: null, vertical: null }
      draft.boom = null
    }).parts.find(part => part.name === 'Body')!.sizeMm
    expect(only[1]).toBeGreaterThan(160)
    expect(only[1]).toBeLessThan(190)
    expect(only[2]).toBeGreaterThan(30 + 80 - 30 + 25)
    expect(only[2]).toBeLessThan(80 + 25 + 30 + 60)
  })
  it('what is pushed in travels beside, one for each side that it is in', () => {
    const { parts } = changed(draft => {
      for (const spar of draft.spars) if (spar.surface !== 'wing') spar.fixing = 'removable'
    })
    expect(parts.filter(part => part.id.startsWith('spar/')).map(part => part.id)).toEqual([
      'spar/tail-rod-starboard',
      'spar/tail-rod-port',
      'spar/fin-rod',
    ])
    const twins = of(twin()).parts.filter(part => part.id.startsWith('propeller/'))
    expect(twins).toHaveLength(2)
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
      { numRuns: runs(200, 10) },
    )
  })
  it('a longer wing is longer to carry, step by step', () => {
    const lengths = Array.from(
      { length: runs(40, 5) },
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
  it('where each part goes in and all of them do not, says how full it would be', () => {
    const box: [number, number, number] = [1260, 350, 290]
    const { parts, why, laid } = of(thistledown, box)
    expect(laid).toBeNull()
    const pad = 2 * PADDING_MM
    const own = parts.reduce((sum, { sizeMm: [a, b, c] }) => sum + (a + pad) * (b + pad) * (c + pad), 0)
    const share = (100 * own) / (box[0] * box[1] * box[2])
    expect(written(why!)).toMatch(/no way was found/)
    expect(written(why!)).toContain(`${share.toFixed(0)} %`)
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
