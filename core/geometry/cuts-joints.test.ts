/** Where cuts may fall, and what aligns the two sides of one. */
import fc from 'fast-check'
import { written } from '../units'
import { describe, expect, it } from 'vitest'
import { assess, noCuts, sharedAssessor } from '../assess'
import { DEMOS } from '../demo'
import { checkProject, type Joint, type ProjectFile } from '../document'
import { plain } from '../testing/plain'
import { testKernel } from '../testing/kernel'
import { polygonArea } from './polygon'
import { proposeCuts, type Stretch } from './propose-cuts'
import { selfCrossing } from './self-crossing'
import { pieceSolid } from './solid'
import { changed as changedBy } from '../testing/changed'

const [thistledown] = DEMOS
const jointed = (kind: Joint['kind'], base: ProjectFile = thistledown): ProjectFile => ({
  ...base,
  weighIns: [],
  cuts: {
    ...base.cuts,
    wing: base.cuts.wing.map(cut => ({ ...cut, joint: { kind, toleranceMm: 0.2 } })),
    body: base.cuts.body.map(cut => ({ ...cut, joint: { kind, toleranceMm: 0.2 } })),
  },
})

describe('proposed cuts', () => {
  const stretch: fc.Arbitrary<Stretch> = fc
    .tuple(fc.integer({ min: 5, max: 560 }), fc.integer({ min: 2, max: 60 }))
    .map(([from, length]) => [from, from + length])
  it('never fall in a forbidden stretch, never leave a piece too tall, and are as few as any cuts could be', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 100, max: 600 }),
        fc.integer({ min: 80, max: 260 }),
        fc.array(stretch, { maxLength: 5 }),
        (span, bed, forbidden) => {
          const { cuts, blocked } = proposeCuts(0, span, bed, [], forbidden)
          if (blocked) return
          const edges = [0, ...cuts, span]
          expect(Math.max(...edges.slice(1).map((b, i) => b - edges[i]))).toBeLessThanOrEqual(bed + 0.11)
          for (const cut of cuts)
            expect(
              forbidden.some(([f, t]) => cut > f + 0.06 && cut < t - 0.06),
              `${cut}`,
            ).toBe(false)
          // Greedy, as far out as allowed each time, uses the fewest pieces there can be.
          let at = 0,
            fewest = 0
          while (span - at > bed + 1e-9) {
            let next = at + bed
            for (let guard = 0; guard < 20; guard++) {
              const inside = forbidden.find(([f, t]) => next > f + 1e-9 && next < t - 1e-9)
              if (!inside) break
              next = inside[0]
            }
            if (next <= at + 8) return
            at = next
            fewest++
          }
          expect(cuts.length).toBeLessThanOrEqual(fewest + 1)
          expect(cuts.length).toBeGreaterThanOrEqual(Math.ceil(span / bed - 1e-9) - 1)
        },
      ),
    )
  })
  it('move off what they would run through, evenly where they can: 600 mm on a 250 mm bed with a hinge at 200', () => {
    const { cuts } = proposeCuts(0, 600, 250, [], [[190, 212]])
    expect(cuts).toHaveLength(2)
    expect(cuts[0] === 190 || cuts[0] === 212).toBe(true)
    expect(proposeCuts(0, 600, 250, [], [[100, 400]]).blocked).toEqual([100, 400])
  })
  it("the demo's hinges, servo bay, hatches and wing bolts are all out of bounds", () => {
    const airframe = sharedAssessor().airframe(thistledown)
    expect(
      noCuts(airframe, 'wing')
        .map(item => item.why)
        .filter(why => why.includes('hinge')),
    ).toHaveLength(4)
    expect(
      noCuts(airframe, 'wing').some(
        item => item.why.includes('Aileron servo') && item.from < 345 && item.to > 345,
      ),
    ).toBe(true)
    expect(noCuts(airframe, 'body').map(item => item.why)).toEqual([
      'the battery hatch',
      'the hopper gate',
      'a wing bolt',
      'a wing bolt',
    ])
  })
})

describe('joints', () => {
  it('pins: the same two holes on both sides of a cut, 3 mm and the play across, in the section of each', () => {
    const airframe = sharedAssessor().airframe(jointed('pins'))
    const [inner, outer] = ['wing-1-starboard', 'wing-2-starboard'].map(id =>
      airframe.pieces.find(p => p.id === id)!,
    )
    const holes = (piece: typeof inner, s: number) =>
      piece
        .sectionAt(s)
        .slice(1)
        .map(loop => polygonArea(loop))
        .filter(({ area }) => Math.abs(area + Math.PI * 1.6 ** 2) < 0.05)
        .map(({ x, y }) => [x, y].map(v => Math.round(v * 100) / 100))
    expect(holes(inner, inner.to - 1)).toHaveLength(2)
    expect(holes(inner, inner.to - 1)).toEqual(holes(outer, outer.from + 1))
    expect(holes(inner, inner.to - 12)).toHaveLength(0)
  })
  it('a tongue, pins or bolts weigh what they are, at the cut; a butt weighs nothing', () => {
    const mass = (kind: Joint['kind']) => assess(jointed(kind)).ledger.filter(row => row.group === 'joint')
    expect(mass('butt')).toHaveLength(0)
    // Two steel-free carbon pins of 3 × 20 mm, six cuts of the wing.
    expect(
      mass('pins')
        .filter(row => row.id.includes('wing'))
        .reduce((sum, row) => sum + row.massG, 0),
    ).toBeCloseTo(6 * 2 * 0.23, 6)
    expect(mass('tongue').find(row => row.id === 'joint-wing-1-starboard')!.yMm).toBeCloseTo(135, 1)
  })
  it('a lip stands 6 mm out of one piece and slides into the other with the play all round', async () => {
    const kernel = await testKernel()
    const airframe = sharedAssessor().airframe(jointed('lip'))
    const [front, rear] = ['body-1', 'body-2'].map(id => airframe.pieces.find(p => p.id === id)!)
    const solid = pieceSolid(kernel, front)
    expect(solid.boundingBox().max[2]).toBeCloseTo(152 + 6, 3)
    // Both put together share no plastic.
    const other = pieceSolid(kernel, rear).translate([0, 0, 152])
    expect(solid.intersect(other).volume()).toBeLessThan(1)
    const gap =
      Math.abs(polygonArea(rear.sectionAt(155).find(loop => polygonArea(loop).area < 0)!).area) -
      polygonArea(front.sectionAt(155)[0]).area
    const around = Math.PI * 80
    expect(gap / around).toBeGreaterThan(0.1)
    expect(gap / around).toBeLessThan(0.4)
  })
  it('pieces add up to the uncut airframe and what the joints take: within 0.5 %', async () => {
    const kernel = await testKernel()
    const volume = (doc: ProjectFile) =>
      sharedAssessor()
        .airframe(doc)
        .pieces.filter(p => p.part === 'wing' && p.side === 'starboard')
        .reduce((sum, p) => {
          const s = pieceSolid(kernel, p),
            v = s.volume()
          s.delete()
          return sum + v
        }, 0)
    const uncut = volume({ ...plain(thistledown), cuts: { ...thistledown.cuts, wing: [] } })
    expect(volume(plain(thistledown)) / uncut).toBeCloseTo(1, 5)
    // Each pin takes half its length and a little from both sides: π/4·3.2²·10.5 a hole, four holes a cut.
    const pins = volume({ ...plain(thistledown), cuts: thistledown.cuts })
    expect((uncut - pins) / (3 * 4 * (Math.PI / 4) * 3.2 ** 2 * 10.5)).toBeCloseTo(1, 1)
  })
})

it('a spar in one piece, or the pivot of an all-moving tail, has its hole right across the body', async () => {
  const kernel = await testKernel()
  const through = (on: boolean): ProjectFile => ({
    ...thistledown,
    weighIns: [],
    body: { ...thistledown.body!, saddle: null, openings: [] },
    wing: { ...thistledown.wing, zMm: 0 },
    spars: thistledown.spars.map(spar => (spar.id === 'main-spar' ? { ...spar, through: on } : spar)),
  })
  const volume = (doc: ProjectFile) => {
    const solid = pieceSolid(
      kernel,
      sharedAssessor()
        .airframe(doc)
        .pieces.find(p => p.id === 'body-2')!,
    )
    const found = solid.volume()
    solid.delete()
    return found
  }
  // Two walls of two beads, nearly square to the tube, lose π/4·8.3² each; the twelve-sided hole holds 3 % less.
  const lost = volume(through(false)) - volume(through(true))
  expect(lost / (2 * (0.45 + 0.3963) * (Math.PI / 4) * 8.3 ** 2)).toBeGreaterThan(0.9)
  expect(lost / (2 * (0.45 + 0.3963) * (Math.PI / 4) * 8.3 ** 2)).toBeLessThan(1.15)
})

describe('what cannot be made is a finding with a place, not a crash', () => {
  const changed = (change: (doc: ProjectFile) => void) => {
    const doc = changedBy(thistledown, draft => {
      draft.weighIns = []
      change(draft)
    })
    return assess(doc).findings
  }
  it('a servo too tall for the wing, a bay through the spar, a hatch wider than the body, a hinge thicker than the section', () => {
    expect(
      written(
        changed(d => {
          d.equipment.find(e => e.id === 'aileron-servo')!.sizeMm = [23, 24, 46]
        }).find(f => f.code === 'bay-breaks-out')!.where,
      ),
    ).toContain('wing')
    expect(
      written(
        changed(d => {
          Object.assign(
            d.equipment.find(e => e.id === 'aileron-servo')!,
            { xMm: 228, zMm: 70 },
          )
        }).find(f => f.code === 'bay-meets-spar')!.text,
      ),
    ).toContain('Main spar')
    expect(
      written(
        changed(d => {
          d.body!.openings[0].widthMm = 200
        }).find(f => f.code === 'lid-not-made')!.where,
      ),
    ).toBe('battery hatch')
    expect(
      changed(d => {
        d.tail.horizontal!.controls[0].hinge.kind = 'pins'
        d.tail.horizontal!.controls[0].chordShare = 0.12
      }).some(f => f.code === 'hinge-too-thick'),
    ).toBe(true)
    expect(
      written(
        changed(d => {
          d.cuts.body[0].atMm = 100
        }).find(f => f.code === 'cut-through')!.remedy,
      ),
    ).toBe('Move it to 144 mm')
  })
  it('a section that runs through itself: where the two edges cross', () => {
    // A figure of eight: edges (0,0)–(10,10) and (10,0)–(0,10) cross at (5,5).
    expect(selfCrossing(Float64Array.of(0, 0, 10, 10, 10, 0, 0, 10))).toEqual({ x: 5, y: 5 })
    expect(selfCrossing(Float64Array.of(0, 0, 10, 0, 10, 10, 0, 10))).toBeNull()
    const points: Array<[number, number]> = [
      [1, 0.02],
      [0.5, 0.1],
      [0, 0],
      [0.3, 0.15],
      [0.5, -0.05],
      [1, -0.02],
      [1, 0],
    ]
    // A document cannot hold one: it is refused with the place.
    const doc = structuredClone(DEMOS[0])
    doc.aerofoils = [{ id: 'knot', name: 'Knot', points }]
    expect(() => checkProject(doc)).toThrow(/^aerofoils\[0\]\.points\[\d\]: the outline /)
  })
})
