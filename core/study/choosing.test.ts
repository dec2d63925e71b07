import fc from 'fast-check'
import { written } from '../units'
import { describe, expect, it } from 'vitest'
import { createAssessor, sharedAssessor } from '../assess'
import { DEMOS } from '../demo'
import type { ProjectFile } from '../document'
import { compareDesigns, filamentSwaps } from './compared'
import { fittingsFor, gapsOf, boreFactor, cutsForAll, scaleDesign, sizeChoices, sizeReport } from './sizes'
import { drafted } from '../testing/changed'
import { twinBoom } from '../testing/twin'

const assessor = sharedAssessor()
const [thistledown, plover] = DEMOS
const changed = (change: (draft: ProjectFile) => void, base = plover): ProjectFile => drafted(base, change)

describe('sizes', () => {
  it('pods, their cuts and booms beside the middle grow with the rest, places as sizes', () => {
    const own = changed(draft => {
      draft.pods[0].cuts = [{ atMm: 60, joint: { kind: 'lip', toleranceMm: 0.2 }, piece: 2 }]
    }, twinBoom())
    const large = scaleDesign(own, 1.5, { spars: {}, struts: {}, boom: null, boltMm: null })
    const [a, b] = [own.pods[0], large.pods[0]]
    for (const key of ['xMm', 'yMm', 'zMm'] as const) expect(b[key]).toBeCloseTo(1.5 * a[key], 2)
    expect(b.cuts[0].atMm).toBeCloseTo(90, 9)
    b.body.stations.forEach((station, i) => {
      expect(station.widthMm).toBeCloseTo(1.5 * a.body.stations[i].widthMm, 2)
      expect(station.xMm).toBeCloseTo(1.5 * a.body.stations[i].xMm, 2)
    })
    expect(large.boom!.yMm).toBeCloseTo(1.5 * own.boom!.yMm, 2)
  })
  it('the factor keeps the gap in the bore: (d₂ + c)/(d₁ + c)', () => {
    expect(boreFactor(8, 10, 0.3)).toBeCloseTo(10.3 / 8.3, 12)
    fc.assert(
      fc.property(
        fc.double({ min: 2, max: 16, noNaN: true }),
        fc.double({ min: 2, max: 16, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (a, b, c) => {
          // The bore of the first, scaled, is the bore that the second wants.
          expect((a + c) * boreFactor(a, b, c)).toBeCloseTo(b + c, 9)
          expect(boreFactor(a, b, c) * boreFactor(b, a, c)).toBeCloseTo(1, 9)
        },
      ),
    )
    const { spar, choices } = sizeChoices(thistledown)!
    expect(spar).toBe('main-spar')
    expect(choices.find(item => item.stock === 'tube-8x6')!.factor).toBe(1)
    expect(choices.find(item => item.stock === 'tube-10x8')!.factor).toBeCloseTo(10.3 / 8.3, 9)
    expect(choices.every(item => item.stock.startsWith('tube'))).toBe(true)
  })
  it('scales the airframe and leaves hardware alone: area by f², aspect ratio the same, components as heavy as they were', () => {
    const f = 10.3 / 8.3,
      one = assessor.assess(thistledown),
      other = assessor.assess(
        scaleDesign(
          thistledown,
          f,
          fittingsFor(thistledown, f, { spar: 'main-spar', stock: 'tube-10x8' }, null),
        ),
      )
    expect(other.plan.areaDm2 / one.plan.areaDm2).toBeCloseTo(f * f, 3)
    expect(other.plan.aspectRatio).toBeCloseTo(one.plan.aspectRatio, 3)
    expect(other.flight.neutralPointMm / one.flight.neutralPointMm).toBeCloseTo(f, 2)
    const motor = (a: typeof one) => a.ledger.find(row => row.id === 'motor')!
    expect(motor(other).massG).toBe(motor(one).massG)
    expect(motor(other).xMm / motor(one).xMm).toBeCloseTo(f, 2)
    // The bore keeps its gap: the section is f times as thick, the tube too with the gap on it.
    expect(other.spars.find(spar => spar.id === 'main-spar')!.stock).toBe('tube-10x8')
  })
  it("names what no longer fits: smaller, the servo's bay; larger, a piece on its bed", () => {
    const small = sizeReport(assessor, thistledown, { factor: 0.55, stock: 'tube-4x2', boltMm: null })!
    expect(small.broken.map(item => item.code)).toContain('bay-breaks-out')
    const large = sizeReport(assessor, thistledown, { factor: 2, stock: 'tube-16x14', boltMm: null })!
    expect(large.broken.map(item => item.code)).toContain('piece-too-large')
    const tiny = sizeReport(assessor, thistledown, { factor: 0.45, stock: null, boltMm: null })!
    // Two beads of 0.45 mm on the tailplane's tip of 80 mm × 0.45: 2.5 % of the chord; the battery's 35 × 26
    // mm stand in 34 mm.
    expect(written(tiny.broken.find(item => item.code === 'edge-too-thick')!.text)).toContain(
      '0.9 mm thick, 2.5 %',
    )
    expect(tiny.broken.map(item => item.code)).toEqual(
      expect.arrayContaining(['equipment-too-large', 'firewall-bolts']),
    )
    const walls = (n: number) =>
      sizeReport(
        assessor,
        {
          ...thistledown,
          zones: thistledown.zones.map(zone =>
            zone.id === 'tail'
              ? { ...zone, recipe: { ...zone.recipe, school: 'beads' as const, walls: n } }
              : zone,
          ),
        },
        { factor: 0.6, stock: null, boltMm: null },
      )!
    // 9 % of 80 mm × 0.6 is 4.3 mm, a little more by its opened edge: four beads a side, 3.6 mm, go in, six,
    // 5.4 mm, do not; at full size, 7.2 mm, they do.
    expect(walls(4).broken.some(item => item.code === 'bead-too-wide')).toBe(false)
    expect(walls(6).broken.some(item => item.code === 'bead-too-wide')).toBe(true)
    expect(large.reynolds).toBeGreaterThan(
      sizeReport(assessor, thistledown, { factor: 1, stock: null, boltMm: null })!.reynolds,
    )
    expect(sizeReport(assessor, thistledown, { factor: 1, stock: null, boltMm: null })!.broken).toEqual([])
    // The same pull-up bends the root by weight times span, less what the wing itself weighs, which is some
    // of all that is printed.
    const [one, two] = [1, 1.24].map(factor =>
      sizeReport(assessor, thistledown, { factor, stock: null, boltMm: null })!,
    )
    expect(two.loadFactor).toBe(one.loadFactor)
    const grows = two.rootMoment / one.rootMoment / (two.spanMm / one.spanMm)
    expect(grows).toBeLessThan(two.massG / one.massG)
    expect(grows).toBeGreaterThan((two.massG - two.printedG) / (one.massG - one.printedG))
    expect(sizeReport(assessor, thistledown, { factor: 40, stock: null, boltMm: null })).toBeNull()
  })
  it('the nearest stock and bolt at each size, and the gap that one set of files leaves round them', () => {
    const f = 10.3 / 8.3,
      fittings = fittingsFor(thistledown, f, null, null)
    expect(fittings).toMatchObject({
      spars: { 'main-spar': 'tube-10x8', 'rear-rod': 'rod-4', joiner: 'rod-5' },
      boltMm: 4,
    })
    expect(fittingsFor(thistledown, 1, null, null)).toMatchObject({
      spars: Object.fromEntries(thistledown.spars.map(spar => [spar.id, spar.stock])),
      boom: thistledown.boom!.stock,
      boltMm: 3,
    })
    const gaps = gapsOf(thistledown, f, fittings),
      of = (id: string) => gaps.find(item => item.id === id)!
    // The factor is that of this bore: the gap meant is the gap found. A hole of 3.3 mm grows to 4.1 mm, and
    // 4 mm go in.
    expect(of('main-spar').gapMm).toBeCloseTo(0.3, 9)
    expect(of('rear-rod').gapMm).toBeCloseTo(3.3 * f - 4, 9)
    // No rod of 6 mm is sold: 5 mm would rattle.
    expect(of('joiner').gapMm).toBeCloseTo(5.3 * f - 5, 9)
    expect(of('bolts').gapMm).toBeCloseTo(3.3 * f - 4, 9)
    for (const item of gapsOf(thistledown, 1, fittingsFor(thistledown, 1, null, null)))
      expect(item.gapMm).toBeCloseTo(item.wantedMm, 9)
  })
  it('a larger bolt pulls on a deeper and wider beam: three times as wide and eight thirds as deep as it is thick, so that it bears with its cube', () => {
    const bears = (boltMm: number) => {
      const a = assessor.assess(
        changed(d => {
          d.body!.saddle!.boltMm = boltMm
        }, thistledown),
      )
      return a.strength.places.find(place => place.id === 'wing-bolt')!.reserve
    }
    expect(bears(4) / bears(3)).toBeCloseTo((4 / 3) ** 3, 1)
  })
  it('cuts proposed for the largest come down by the factor, and back up to where they were', () => {
    const largest = scaleDesign(thistledown, 1.5, fittingsFor(thistledown, 1.5, null, null)).cuts,
      back = cutsForAll(largest, 1.5)
    back.wing.forEach((cut, i) => expect(cut.atMm).toBeCloseTo(thistledown.cuts.wing[i].atMm, 1))
  })
})

describe('another filament', () => {
  it('each row is what the assessment says of the change; what is there now changes nothing; what is short is to buy', () => {
    const rows = filamentSwaps(assessor, plover, 'outer'),
      scratch = createAssessor()
    expect(rows.filter(row => row.present).map(row => row.filament)).toEqual(['pla-foam'])
    const now = scratch.assess(plover)
    expect(rows.find(row => row.present)!.massG).toBeCloseTo(now.totals.massG, 9)
    const petg = rows.find(row => row.filament === 'petg')!,
      after = scratch.assess({ ...plover, ...petg.change })
    expect(petg.massG).toBeCloseTo(after.totals.massG, 9)
    expect(petg.stallMs / now.flight.stallMs).toBeCloseTo(Math.sqrt(petg.massG / now.totals.massG), 1)
    const wanted = after.pieces
      .filter(piece => piece.filament === 'petg')
      .reduce((sum, piece) => sum + piece.filamentG, 0)
    expect(petg.buy.find(item => item.name === 'PETG')!.grams).toBe(Math.ceil(wanted))
    // Solid where it was foamed: about twice the zone.
    const zone = (a: typeof now) =>
      a.pieces.filter(piece => piece.zone === 'outer').reduce((sum, piece) => sum + piece.predictedG, 0)
    expect(zone(after) / zone(now)).toBeGreaterThan(1.8)
    // Foamed ASA wants an enclosure that nobody here has.
    expect(written(rows.find(row => row.filament === 'asa-foam')!.trouble)).toMatch(/enclosure/)
  })
  it('the slide it names brings the balance to the middle of the band', () => {
    const row = filamentSwaps(assessor, plover, null).find(item => item.filament === 'pla-tough')!
    const moved = {
      ...plover,
      ...row.change,
      equipment: plover.equipment.map(item =>
        item.id === 'battery' ? { ...item, xMm: item.xMm + row.slideMm! } : item,
      ),
    }
    const after = sharedAssessor().assess(moved as ProjectFile)
    expect((after.flight.staticMarginPct + after.flight.staticMarginEmptyPct) / 2).toBeCloseTo(
      (5 + 14) / 2,
      1,
    )
  })
})

describe('two designs compared', () => {
  it('nothing changed: everything carries over; a zone changed: its pieces are printed anew, and only they', () => {
    const a = assessor.assess(plover),
      same = compareDesigns(a, assessor.assess(structuredClone(plover)))
    expect(same).toMatchObject({ ledger: [], hours: 0, grams: 0 })
    expect(same.pieces.every(piece => piece.fate === 'carries over')).toBe(true)
    const b = assessor.assess(
        changed(d => {
          d.zones[1].recipe.lattice!.pitchMm = 30
        }),
      ),
      found = compareDesigns(a, b)
    const anew = new Set(found.pieces.filter(piece => piece.fate === 'printed anew').map(piece => piece.id))
    expect(anew).toEqual(new Set(b.pieces.filter(piece => piece.zone === 'outer').map(piece => piece.id)))
    expect(found.hours).toBeCloseTo(
      b.pieces.filter(piece => piece.zone === 'outer').reduce((sum, piece) => sum + piece.hours, 0),
      9,
    )
    expect(found.verdicts.find(row => row.wing === 'weight')!.better).toBe(false)
  })
  it("the ledger's differences sum to the weight's, largest first; a battery moved is a shift, a cut dropped a piece left out", () => {
    const a = assessor.assess(plover),
      b = assessor.assess(
        changed(d => {
          d.equipment[0].xMm += 20
          d.cuts.wing.pop()
          d.equipment[1].massG += 9
        }),
      ),
      found = compareDesigns(a, b)
    expect(found.ledger.reduce((sum, row) => sum + row.afterG - row.beforeG, 0)).toBeCloseTo(
      b.totals.massG - a.totals.massG,
      0,
    )
    const sizes = found.ledger.map(row => Math.abs(row.afterG - row.beforeG))
    expect([...sizes].sort((x, y) => y - x)).toEqual(sizes)
    expect(found.ledger.find(row => row.id === 'battery')!.shiftMm).toBeCloseTo(20, 9)
    expect(found.pieces.some(piece => piece.fate === 'left out')).toBe(true)
  })
})
