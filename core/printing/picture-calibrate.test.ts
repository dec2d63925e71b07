import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { sharedAssessor } from '../assess'
import { DEMOS } from '../demo'
import { circle, slitOutlines, webAnchor, webbedSection, webLengths, webPattern, websOf } from '../geometry'
import { LIBRARIES, recipeFor } from '../libraries'
import { roundedBead } from '../document'
import { calibrate, tubeMassG } from './calibrate'
import { insetField } from './inset-field'
import { divideSection } from './divide-edges'
import { layerBeads, layLayer } from './lay'
import { layerRuns } from './layer-runs'
import type { Recipe } from '../document'
import type { Section } from '../geometry'

const school = (id: string) =>
  recipeFor(
    LIBRARIES.schools.find(s => s.id === id)!,
    LIBRARIES.filaments[0],
  )
const runsOf = (section: Section, recipe: Recipe, index: number) => {
  const field = insetField(section)
  return layerRuns(field, layLayer(field, recipe), recipe, index, 0)
}
const drawn = (runs: ReturnType<typeof runsOf>, kind: string) =>
  runs.kind.reduce(
    (sum, k, i) => sum + (k === kind ? Math.hypot(runs.x1[i] - runs.x0[i], runs.y1[i] - runs.y0[i]) : 0),
    0,
  )
const counted = (runs: ReturnType<typeof runsOf>, kind: string) =>
  runs.kind.reduce(
    (sum, k, i) =>
      sum + (k === kind ? runs.scale[i] * Math.hypot(runs.x1[i] - runs.x0[i], runs.y1[i] - runs.y0[i]) : 0),
    0,
  )

describe('the picture of a layer', () => {
  it('shows what is weighed: walls, infill and webs as long as the layer that was laid', () => {
    const disc = [circle(0, 0, 30, false, 160), circle(4, 3, 5, true, 40)]
    for (const id of ['beads', 'bead-infill', 'double-skin']) {
      const recipe = { ...school(id), infillShare: id === 'beads' ? 0 : 0.15 }
      const layer = layLayer(insetField(disc), recipe)
      const runs = runsOf(disc, recipe, 7)
      expect(drawn(runs, 'outer') / layer.outerWall, id).toBeCloseTo(1, 2)
      if (layer.innerWall > 0) expect(drawn(runs, 'inner') / layer.innerWall, id).toBeCloseTo(1, 2)
      // What is counted is what is weighed; what is drawn scatters with where the lines fall.
      if (layer.infill > 0) expect(counted(runs, 'infill') / layer.infill, id).toBeCloseTo(1, 9)
      if (id === 'bead-infill') expect(Math.abs(drawn(runs, 'infill') / layer.infill - 1)).toBeLessThan(0.06)
    }
  })
  it('infill weighs the same in every pattern, and is drawn one, two or three ways', () => {
    const disc = [circle(0, 0, 30, false, 160)]
    for (const [infillPattern, ways] of [
      ['lines', 1],
      ['grid', 2],
      ['triangles', 3],
    ] as const) {
      const recipe = { ...school('bead-infill'), infillShare: 0.12, infillPattern }
      const runs = runsOf(disc, recipe, 3),
        layer = layLayer(insetField(disc), recipe)
      expect(counted(runs, 'infill') / layer.infill, infillPattern).toBeCloseTo(1, 9)
      expect(Math.abs(drawn(runs, 'infill') / layer.infill - 1), infillPattern).toBeLessThan(0.06)
      const angles = new Set(
        runs.kind.flatMap((kind, i) =>
          kind === 'infill'
            ? [
                Math.round(
                  (Math.atan2(runs.y1[i] - runs.y0[i], runs.x1[i] - runs.x0[i]) * 180) / Math.PI + 360,
                ) % 180,
              ]
            : [],
        ),
      )
      expect(angles.size, infillPattern).toBe(ways)
    }
  })
  it('the one loop of a layer with webs is as long as that layer is weighed in the mean, and marks its webs', () => {
    const piece = sharedAssessor().airframe(DEMOS[0]).pieces[0]
    const { recipe } = piece.zone
    const pattern = webPattern(recipe)!,
      cuts = websOf(piece, pattern),
      anchor = webAnchor(piece)
    const layers = 48,
      height = 12
    let webs = 0,
      all = 0,
      weighed = 0,
      added = 0
    for (let k = 0; k < layers; k++) {
      const u = 40 + ((k + 0.5) * height) / layers
      const field = insetField(divideSection(webbedSection(piece, cuts, u), 2.5))
      const runs = layerRuns(field, layLayer(field, recipe), recipe, k, 0, {
        outlines: slitOutlines(cuts, u),
      })
      webs += drawn(runs, 'web') / layers
      all += (drawn(runs, 'web') + drawn(runs, 'outer')) / layers
    }
    for (const u of [43, 49]) {
      const section = piece.sectionAt(u)
      const lengths = webLengths(section, anchor(u), u, 6, pattern, 1)
      const layer = layLayer(insetField(divideSection(section, 2.5)), recipe, lengths)
      weighed += layerBeads(layer) / 2
      added += layer.lattice / 2
    }
    expect(Math.abs(all / weighed - 1)).toBeLessThan(0.02)
    // What the slits take out of the skin counts with the webs in the one and with the skin in the other.
    expect(webs / added).toBeGreaterThan(0.9)
    expect(webs / added).toBeLessThan(1.15)
  })
  it('draws nothing outside the section', () => {
    const slice = sharedAssessor().airframe(DEMOS[0]).pieces[0].sectionAt(60)
    const xs = Array.from(slice[0]).filter((_, i) => i % 2 === 0),
      ys = Array.from(slice[0]).filter((_, i) => i % 2 === 1)
    for (const id of ['spiral-lattice', 'bead-infill', 'double-skin', 'beads']) {
      const runs = runsOf(slice, school(id), 3)
      expect(Math.min(...runs.x0, ...runs.x1)).toBeGreaterThan(Math.min(...xs) - 0.5)
      expect(Math.max(...runs.x0, ...runs.x1)).toBeLessThan(Math.max(...xs) + 0.5)
      expect(Math.min(...runs.y0, ...runs.y1)).toBeGreaterThan(Math.min(...ys) - 0.5)
      expect(Math.max(...runs.y0, ...runs.y1)).toBeLessThan(Math.max(...ys) + 0.5)
    }
  })
})

describe('calibration', () => {
  it('a tube of one bead: π·d turns of bead, one a layer', () => {
    // 40 mm across, 20 mm tall, 0.25 layers: 80 turns of 125.66 mm of 0.0990874 mm² at 1.21 g/cm³.
    expect(tubeMassG(40, 20, roundedBead(0.45, 0.25), 0.25, 1210)).toBeCloseTo(
      80 * Math.PI * 40 * 0.0990874 * 1.21e-3,
      5,
    )
  })
  it('gives back the expansion that made the piece, and a flow that fills the bead, for any true expansion and pushing error', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 2.6, noNaN: true }),
        fc.double({ min: 0.3, max: 1.1, noNaN: true }),
        fc.double({ min: 0.9, max: 1.1, noNaN: true }),
        (expansion, flow, push) => {
          // The printer lays flow·push of a solid bead, and it swells by the expansion.
          const result = calibrate({
            massG: 10 * flow * push,
            solidMassG: 10,
            wallMm: 0.45 * flow * push * expansion,
            beadWidthMm: 0.45,
            flow,
          })
          expect(result.expansion).toBeCloseTo(expansion, 9)
          expect(result.flow * push * expansion).toBeCloseTo(1, 9)
        },
      ),
    )
  })
})
