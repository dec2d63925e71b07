import { describe, expect, it } from 'vitest'
import { sharedAssessor } from '../assess'
import { DEMOS } from '../demo'
import type { ProjectFile } from '../document'
import { LIBRARIES, recipeFor } from '../libraries'
import { insetField } from './inset-field'
import { skinThicknessMm } from './skin-thickness'

const pla = LIBRARIES.filaments.find(item => item.id === 'pla')!
const flat = {
  ...recipeFor(LIBRARIES.schools[1], pla),
  stance: 'flat' as const,
  walls: 2,
  baseLayers: 3,
  topLayers: 5,
  layerHeightMm: 0.2,
  beadWidthMm: 0.5,
}
/** A lozenge 40 wide and 20 high: every edge leans by atan(1/2). */
const lozenge = Float64Array.of(20, 0, 0, 10, -20, 0, 0, -10)
const box = Float64Array.of(-20, -10, 20, -10, 20, 10, -20, 10)

describe('the skin of a piece that lies on its side', () => {
  it('a box: base layers below, top layers above, walls at the sides', () => {
    const field = insetField([box]),
      at = skinThicknessMm(field, flat, 0.5)
    const edges = Array.from({ length: 4 }, (_, e) => [field.midX[e], field.midY[e], at(e)] as const)
    const of = (x: number, y: number) => edges.find(([ex, ey]) => ex === x && ey === y)![2]
    expect(of(0, -10)).toBeCloseTo(3 * 0.2, 9)
    expect(of(0, 10)).toBeCloseTo(5 * 0.2, 9)
    expect(of(20, 0)).toBeCloseTo(2 * 0.5, 9)
    expect(of(-20, 0)).toBeCloseTo(2 * 0.5, 9)
    // Standing, walls run all round.
    const upright = skinThicknessMm(field, { ...flat, stance: 'standing' }, 0.5)
    for (let e = 0; e < 4; e++) expect(upright(e)).toBeCloseTo(1, 9)
  })
  it('a slope takes the deeper of both: walls by how steep, layers by how level; both begin at the skin', () => {
    const field = insetField([lozenge]),
      at = skinThicknessMm(field, flat, 0.5),
      [sin, cos] = [1 / Math.sqrt(5), 2 / Math.sqrt(5)]
    for (let e = 0; e < 4; e++)
      expect(at(e)).toBeCloseTo(Math.max(2 * 0.5 * sin, (field.midY[e] > 0 ? 5 : 3) * 0.2 * cos), 9)
  })
  it('never more than there is room for', () => {
    const thin = insetField([Float64Array.of(-20, -0.2, 20, -0.2, 20, 0.2, -20, 0.2)]),
      at = skinThicknessMm(thin, flat, 0.5)
    for (let e = 0; e < 4; e++) expect(at(e)).toBeLessThanOrEqual(thin.depth[e] + 1e-12)
  })
})

describe('a wing that lies on the bed', () => {
  const assessor = sharedAssessor()
  const lying = (layers: number): ProjectFile => ({
    ...DEMOS[0],
    zones: DEMOS[0].zones.map(zone =>
      zone.id.startsWith('wing')
        ? {
            ...zone,
            recipe: {
              ...zone.recipe,
              stance: 'flat',
              spiral: false,
              lattice: null,
              infillShare: 0,
              baseLayers: layers,
              topLayers: layers,
            },
          }
        : zone,
    ),
  })
  const wing = (doc: ProjectFile) =>
    assessor.assess(doc).pieces.filter(piece => piece.part === 'wing' && piece.kind === 'fixed')
  it('weighs what its layers weigh: twice as many, nearly twice as much, and takes nearly twice as long', () => {
    const sum = (list: ReturnType<typeof wing>, pick: 'predictedG' | 'machineHours') =>
      list.reduce((total, piece) => total + piece[pick], 0)
    const two = wing(lying(2)),
      four = wing(lying(4))
    expect(sum(four, 'predictedG') / sum(two, 'predictedG')).toBeGreaterThan(1.7)
    expect(sum(four, 'predictedG') / sum(two, 'predictedG')).toBeLessThanOrEqual(2)
    expect(sum(four, 'machineHours') / sum(two, 'machineHours')).toBeCloseTo(
      sum(four, 'predictedG') / sum(two, 'predictedG'),
      1,
    )
  })
  it('as many layers as it is high; the brief of every other part is untouched', () => {
    const before = assessor.assess(DEMOS[0]),
      after = assessor.assess(lying(3))
    const piece = after.pieces.find(item => item.id === 'wing-1-starboard')!
    // A 12 % section of 195 mm is 23 to 24 mm high, twisted by its incidence.
    expect(piece.layers * 0.25).toBeGreaterThan(22)
    expect(piece.layers * 0.25).toBeLessThan(30)
    for (const item of before.pieces.filter(one => one.part !== 'wing'))
      expect(after.pieces.find(one => one.id === item.id)!.predictedG).toBe(item.predictedG)
  })
})
