/** A way for air through the body: areas and weights by plane geometry, what it takes of the skin, what is said of it. */
import { describe, expect, it } from 'vitest'
import { ductOf, sharedAssessor } from '../assess'
import { readProject, writeProject, type Duct, type ProjectFile } from '../document'
import { holdsPoint, measureMesh, meshOf, pieceSolid, polygonArea } from '../geometry'
import { LIBRARIES } from '../libraries'
import { scaleDesign } from '../study/sizes'
import { bodyBears } from '../testing/body-bears'
import { BODY, CHEEKS, FAN_AT, STRAIGHT, throughBody } from '../testing/ducted-body'
import { testKernel } from '../testing/kernel'
import { insideOf } from './strength/body-section'
import { runs } from '../testing/runs'

const assessor = sharedAssessor()
const [, fan] = LIBRARIES.fans
const ring = fan.diameterMm ** 2 - fan.hubMm ** 2
const WIDE = fan.diameterMm + 1

const fanOf = (doc: ProjectFile) => doc.equipment.find(item => item.fan)!
const way = (doc: ProjectFile) => ductOf(doc, fanOf(doc))!
const bodyPieces = (doc: ProjectFile) => assessor.airframe(doc).pieces.filter(piece => piece.part === 'body')
const plasticAt = (doc: ProjectFile, x: number) =>
  bodyPieces(doc)
    .find(piece => x > piece.from && x < piece.to)!
    .sectionAt(x)
    .reduce((sum, loop) => sum + polygonArea(loop).area, 0)
const found = (doc: ProjectFile) =>
  assessor
    .assess(doc)
    .findings.filter(item => /^(duct|fan)-/.test(item.code))
    .map(item => item.code)
const apart = (stations: Duct['stations'], more: Partial<Duct['stations'][number]>): Duct['stations'] =>
  stations.map(station => ({ ...station, ...more }))

describe('the way through', () => {
  it('is its own circle over the ring of the blades, all along; of two sides both, of a pair of fans half', () => {
    // 56 corners lie a fifth of a per cent inside the circle.
    for (const { share } of way(throughBody()).along) expect(share / (WIDE ** 2 / ring)).toBeCloseTo(1, 2)
    const two = throughBody(apart(STRAIGHT, { yMm: 40, widthMm: 50, heightMm: 60 }))
    expect(way(two).along[20].share / ((2 * 50 * 60) / ring)).toBeCloseTo(1, 2)
    const pair = throughBody(apart(STRAIGHT, { yMm: 40, widthMm: 50, heightMm: 60 }), draft => {
      fanOf(draft as ProjectFile).pair = true
    })
    expect(way(pair).along[20].share).toBeCloseTo(way(two).along[20].share / 2, 9)
  })
  it('where two sides run into each other counts once what both share', () => {
    // Two circles of radius r, d apart: 2πr² less the lens 2r²·acos(d/2r) − d/2·√(4r² − d²).
    const [r, d] = [30, 40]
    const doc = throughBody(apart(STRAIGHT, { yMm: d / 2, widthMm: 2 * r, heightMm: 2 * r }))
    const lens = 2 * r * r * Math.acos(d / 2 / r) - (d / 2) * Math.sqrt(4 * r * r - d * d)
    expect((way(doc).along[20].share * ring * Math.PI) / 4 / (2 * Math.PI * r * r - lens)).toBeCloseTo(1, 2)
  })
})

describe('its walls', () => {
  it('are as thick as the zone has beads, round the whole way: π (D + t) t more at every place', () => {
    const doc = throughBody(STRAIGHT, draft => (draft.boom = null)),
      { recipe } = doc.zones.find(zone => zone.id === doc.body!.stations[0].zone)!
    // Two beads with round sides, one beside the other.
    const t = recipe.beadWidthMm + (recipe.beadWidthMm - recipe.layerHeightMm * (1 - Math.PI / 4))
    for (const x of [200, 233.3, 404.4])
      expect(
        (plasticAt(doc, x) - plasticAt({ ...doc, duct: null }, x)) / (Math.PI * (WIDE + t) * t),
      ).toBeCloseTo(1, 2)
    const [, second] = assessor.assess(doc).pieces.filter(piece => piece.part === 'body')
    const [, without] = assessor.assess({ ...doc, duct: null }).pieces.filter(piece => piece.part === 'body')
    // Two rings of beads, each as long as its own middle, over 150 mm: what plane geometry lays.
    const spacing = recipe.beadWidthMm - recipe.layerHeightMm * (1 - Math.PI / 4)
    const rings = Math.PI * (2 * WIDE + 2 * recipe.beadWidthMm + 2 * spacing) * spacing
    const { filament } = doc.zones.find(zone => zone.id === doc.body!.stations[0].zone)!,
      { density } = LIBRARIES.filaments.find(item => item.id === filament)!
    expect((second.massG - without.massG) / (rings * 150 * density * 1e-6)).toBeCloseTo(1, 1)
    expect(second.hours).toBeGreaterThan(1.2 * without.hours)
  })
  it('open the closed ends, and leave nothing of lips and bosses in the way', () => {
    for (const joint of [
      { kind: 'lip', toleranceMm: 0.2 },
      { kind: 'pins', toleranceMm: 0.2 },
    ] as const) {
      const doc = throughBody(CHEEKS, draft => {
        for (const cut of draft.cuts.body) cut.joint = joint
      })
      const duct = assessor.airframe(doc).duct!
      for (const piece of bodyPieces(doc))
        for (const x of [piece.from + 0.05, (piece.from + piece.to) / 2, piece.to - 0.05, piece.to + 1]) {
          const [outline] = duct.outlinesAt(x)
          if (!outline || x > piece.to + piece.proud) continue
          const y = x < 100 ? 0 : duct.at(x).y,
            z = duct.at(x).z
          // The middle of the way lies in no plastic: inside of as many outer loops as of holes.
          const turns = piece
            .sectionAt(x)
            .filter(loop => holdsPoint(loop, y, z))
            .reduce((sum, loop) => sum + Math.sign(polygonArea(loop).area), 0)
          expect(turns, `${joint.kind}, ${piece.id} at ${x}`).toBe(0)
        }
    }
  })
  it('stand in solids as in the sections that are weighed, closed', async () => {
    const kernel = await testKernel()
    for (const stations of [CHEEKS, STRAIGHT].slice(0, runs(2, 1))) {
      const doc = throughBody(stations)
      for (const piece of bodyPieces(doc).filter(item => item.from >= 150 && item.to <= 450)) {
        const solid = pieceSolid(kernel, piece),
          { volume, watertight } = measureMesh(meshOf(solid))
        solid.delete()
        const steps = 400,
          step = (piece.to - piece.from) / steps
        let sum = 0
        for (let i = 0; i < steps; i++)
          sum +=
            step *
            piece
              .sectionAt(piece.from + (i + 0.5) * step)
              .reduce((all, loop) => all + polygonArea(loop).area, 0)
        expect(watertight).toBe(true)
        expect(Math.abs(volume / sum - 1), piece.id).toBeLessThan(0.005)
      }
    }
  })
  it('grow heavier without a jump as the way grows wider, and as its sides part', () => {
    for (const draw of [
      (i: number) => apart(STRAIGHT, { widthMm: 40 + i, heightMm: 40 + i }),
      (i: number) => apart(STRAIGHT, { yMm: i, widthMm: 30, heightMm: 50 }),
    ]) {
      const masses = Array.from({ length: 16 }, (_, i) => plasticAt(throughBody(draw(i)), 233.3))
      const steps = masses.slice(1).map((mass, i) => mass - masses[i])
      for (const [i, step] of steps.slice(2).entries())
        expect(Math.abs(step - steps[i + 1])).toBeLessThan(0.05 * masses[0])
    }
  })
})

describe('what it takes of the skin', () => {
  const bears = (stations: Duct['stations'] | null) =>
    bodyBears(
      throughBody(stations ?? STRAIGHT, draft => stations ?? (draft.duct = null)),
      300,
    )
  it('is nothing while it runs inside', () => {
    expect(bears(STRAIGHT)).toEqual(bears(null))
  })
  it('is the more the taller its mouth in the side: never stronger, without a jump once it is open', () => {
    const at = (heightMm: number) => bears(apart(STRAIGHT, { yMm: 55, widthMm: 40, heightMm }))
    const open = Array.from({ length: 12 }, (_, i) => at(20 + 5 * i))
    expect(open[0].hogging).toBeLessThan(bears(null).hogging)
    for (const way of ['hogging', 'sagging', 'stretched', 'pressed'] as const)
      for (const [i, next] of open.slice(1).entries()) {
        expect(next[way]).toBeLessThanOrEqual(open[i][way] * (1 + 1e-9))
        expect(next[way]).toBeGreaterThan(0.9 * open[i][way])
      }
  })
  it('between two sides of a slot in a square body is what plane geometry leaves of the walls', () => {
    // A duct as high as the body and half as wide takes half of top and bottom, whatever lies between.
    const loop = Float64Array.of(-20, -50, 20, -50, 20, 50, -20, 50)
    expect(insideOf(loop, [-40, 0], [40, 0])).toEqual([[0.25, 0.75]])
    expect(insideOf(loop, [0, 0], [0, 100])).toEqual([[0, 0.5]])
    expect(insideOf(loop, [-40, 60], [40, 60])).toEqual([])
    expect(insideOf(loop, [-10, 0], [10, 10])).toEqual([[0, 1]])
  })
  it('all of it leaves no body, in figures', () => {
    const doc = throughBody(apart(STRAIGHT, { widthMm: 300, heightMm: 300 }))
    const { strength, findings } = assessor.assess(doc)
    for (const { reserve } of strength.places) expect(Number.isFinite(reserve)).toBe(true)
    expect(findings.map(item => item.code)).toContain('duct-outside')
  })
})

describe('what is said of one', () => {
  const cleared = (stations?: Duct['stations'], more: (draft: ProjectFile) => void = () => {}) =>
    throughBody(stations, draft => {
      draft.boom = null
      for (const item of draft.equipment)
        if (!item.fan && item.kind !== 'motor')
          Object.assign(item, { yMm: 0, zMm: 48, sizeMm: [10, 10, 5], bay: null })
      more(draft as ProjectFile)
    })
  it('nothing, where the air has its way', () => {
    expect(found(cleared(CHEEKS))).toEqual([])
  })
  it('each fault by its name, and that alone', () => {
    const cases: Array<[string, ProjectFile]> = [
      [
        'duct-blind',
        cleared(CHEEKS.map((station, i) => (i === 0 ? { ...station, yMm: 26, widthMm: 30 } : station))),
      ],
      [
        'duct-tears',
        cleared(CHEEKS.map((station, i) => (i === 3 ? { ...station, xMm: 450, heightMm: 130 } : station))),
      ],
      ['duct-without-fan', cleared(CHEEKS, draft => (draft.duct!.fan = 'nobody'))],
      ['fan-aside', cleared(CHEEKS, draft => (fanOf(draft).zMm = 3))],
      [
        'fan-fit',
        cleared(CHEEKS.map((station, i) => (i > 1 && i < 4 ? { ...station, widthMm: WIDE - 4 } : station))),
      ],
      ['fan-outside', cleared(CHEEKS, draft => (fanOf(draft).xMm = 800))],
      [
        'duct-blocked',
        cleared(CHEEKS, draft =>
          Object.assign(
            draft.equipment.find(item => item.kind === 'battery')!,
            { xMm: 450, zMm: 20 },
          ),
        ),
      ],
    ]
    for (const [code, doc] of cases)
      expect(
        [...new Set(found(doc))].filter(own => own !== 'duct-opens'),
        code,
      ).toEqual([code])
  })
  it('a boom through it, a spar across it, and the seat of the wing', () => {
    const say = (doc: ProjectFile) =>
      assessor
        .assess(doc)
        .findings.filter(item => item.code === 'duct-blocked' && item.severity === 'stop')
        .map(item => JSON.stringify(item.text))
        .join()
    expect(say(cleared(CHEEKS))).toBe('')
    expect(say(throughBody())).toMatch(/boom runs through the duct/)
    expect(
      say(
        cleared(
          CHEEKS,
          draft => (
            (draft.wing.zMm = 0),
            (draft.spars.find(spar => spar.surface === 'wing')!.through = true)
          ),
        ),
      ),
    ).toMatch(/runs through the duct/)
    expect(
      say(
        cleared(CHEEKS, draft => {
          draft.wing.zMm = 20
          draft.body!.saddle = { clearanceMm: 0.3, bolts: 0, boltMm: 3 }
        }),
      ),
    ).toMatch(/seat cuts into the duct/)
  })
  it('and without a body it is nothing at all', () => {
    const doc = cleared(CHEEKS, draft => ((draft.body = null), (draft.cuts.body = [])))
    expect(found(doc)).toContain('duct-without-body')
    expect(assessor.assess(doc).drawing.ducts).toEqual([])
    expect(ductOf(doc, fanOf(doc))).toBeNull()
  })
})

describe('in the file', () => {
  it('comes back as it was written; stations that do not rise are named', () => {
    const doc = throughBody(CHEEKS)
    expect(readProject(writeProject(doc)).duct).toEqual(doc.duct)
    const wrong = { ...doc, duct: { ...doc.duct!, stations: CHEEKS.toReversed() } }
    expect(() => readProject(JSON.stringify(wrong))).toThrow(/duct\.stations\[1\]\.xMm.*behind/)
  })
  it('is larger by as much as the aircraft in another size', () => {
    const doc = throughBody(CHEEKS)
    const large = scaleDesign(doc, 1.5, { spars: {}, struts: {}, boom: null, boltMm: null })
    large.duct!.stations.forEach((station, i) => {
      expect(station.xMm).toBeCloseTo(1.5 * CHEEKS[i].xMm, 6)
      expect(station.yMm).toBeCloseTo(1.5 * CHEEKS[i].yMm, 6)
      expect(station.widthMm).toBeCloseTo(1.5 * CHEEKS[i].widthMm, 6)
      expect(station.squareness).toBe(0)
    })
  })
  it('is drawn in place: as wide from above as it is free, on both sides', () => {
    const { ducts } = assessor.assess(throughBody(CHEEKS)).drawing
    expect(ducts).toHaveLength(2)
    const across = ducts[0].plan.filter((_, i) => i % 2 === 1)
    expect(Math.max(...across)).toBeCloseTo(58 + 20, 6)
    expect(FAN_AT).toBeLessThan(BODY.to)
  })
})
