/** Ribs under film against closed forms: Bredt's cell, a field of tension, tubes that bend each by itself. SI */
import { describe, expect, it } from 'vitest'
import type { Spar } from '../document'
import { loftSurface, polygonArea, polygonPerimeter, sparLines, type SparLine } from '../geometry'
import {
  LIBRARIES,
  recipeById,
  stockArea,
  stockInertia,
  stockInertiaAcross,
  stockOr,
  stockTorsion,
  USUAL_RIBS,
} from '../libraries'
import { DEMOS } from '../demo'
import { edgeSpar } from '../testing/ribbed'
import { buildCovered, decide, stationModes, stationSection, type Covering } from '.'

const pla = LIBRARIES.filaments.find(item => item.id === 'pla')!
const recipe = recipeById('solid', pla)
const [film] = LIBRARIES.films
const covering: Covering = { ribs: USUAL_RIBS, film }
const { controls: _, ...shape } = DEMOS[0].wing
const loft = loftSurface('wing', 'Wing', shape, [], 0.9)
const S = 100

const lineOf = (stock: string, share: number, more: Partial<Spar> = {}): SparLine =>
  sparLines(loft, { ...edgeSpar(stock, stock, share, 590), ...more }, stockOr(LIBRARIES, stock))[0]
const at = (lines: readonly SparLine[], meeting: 'none' | 'apart' = 'none', s = S) =>
  stationSection(loft, s, lines, meeting)
const built = (lines: readonly SparLine[], own: Covering = covering, s = S) =>
  buildCovered(at(lines, 'none', s), recipe, pla, own)

describe('stiffness', () => {
  it('in twist is that of one cell: 4·A²·G·t over its girth, with an eighth of the film’s modulus as G', () => {
    const { outline } = at([])
    const A = polygonArea(outline).area * 1e-6,
      girth = polygonPerimeter(outline) * 1e-3
    // Half of what a complete field of tension has, which is E/4.
    const G = film.modulus / 8
    expect(built([]).shear.GJ).toBeCloseTo((4 * A * A * G * film.thickness) / girth, 6)
  })
  it('gains the tube’s own where it is glued in, and nothing where it is pushed in', () => {
    const bare = built([]).shear.GJ,
      tube = stockOr(LIBRARIES, 'tube-8x6')
    const own = tube.shearModulus * stockTorsion(tube)
    expect(built([lineOf('tube-8x6', 0.3)]).shear.GJ - bare).toBeCloseTo(own, 6)
    expect(built([lineOf('tube-8x6', 0.3, { fixing: 'removable' })]).shear.GJ).toBeCloseTo(bare, 6)
  })
  it('in bending is the sum of the spars’ own: caps high and low do not work together', () => {
    const caps = sparLines(
      loft,
      { ...edgeSpar('caps', 'strip-1x3', 0.3, 590), lay: 'caps' },
      stockOr(LIBRARIES, 'strip-1x3'),
    )
    const lines = [lineOf('tube-8x6', 0.3), lineOf('rod-3', 0.04), ...caps]
    const sum = lines.reduce((all, { stock }) => all + stock.modulus * stockInertia(stock), 0)
    expect(built(lines).shear.bending.EIx / sum).toBeCloseTo(1, 2)
    expect(built(lines).sparEI).toBeCloseTo(sum, 9)
    // Across it as well, each about its own middle.
    const across = lines.reduce((all, { stock }) => all + stock.modulus * stockInertiaAcross(stock), 0)
    expect(built(lines).shear.bending.EIy / across).toBeCloseTo(1, 2)
  })
  it('grows with every film that is stiffer or thicker, and nothing of it moves where only ribs differ', () => {
    const twice = built([], { ...covering, film: { ...film, thickness: 2 * film.thickness } }).shear.GJ
    expect(twice / built([]).shear.GJ).toBeCloseTo(2, 9)
    expect(built([], { ...covering, ribs: { ...USUAL_RIBS, pitchMm: 120 } }).shear.GJ).toBe(
      built([]).shear.GJ,
    )
  })
})

describe('strength', () => {
  const load = { shear: 0, moment: 0, torque: 0, lag: 0 }
  it('film tears where twice its shear is its strength: T = 2·A·t·σ/2', () => {
    const { outline } = at([])
    const A = polygonArea(outline).area * 1e-6
    const most = A * film.thickness * film.strength
    const modes = stationModes(at([]), built([]), recipe, { ...load, torque: most / 3 }, 1.5)
    expect(modes['film torn']).toBeCloseTo(2, 3)
  })
  it('a tube bends as a tube: M = σ·I/r, with the factor of safety on the load', () => {
    const lines = [lineOf('tube-8x6', 0.3)],
      tube = stockOr(LIBRARIES, 'tube-8x6')
    const bears = (tube.strength * stockInertia(tube)) / 0.004
    const modes = stationModes(at(lines), built(lines), recipe, { ...load, moment: bears / 2 }, 1)
    expect(modes['spar bending']! / 2).toBeCloseTo(1, 2)
    const safe = stationModes(at(lines), built(lines), recipe, { ...load, moment: bears / 2 }, 1.5)
    expect(safe['spar bending']! / (2 / 1.5)).toBeCloseTo(1, 2)
  })
  it('without a spar nothing bends, and that decides', () => {
    const modes = stationModes(at([]), built([]), recipe, { ...load, moment: 0.1 }, 1)
    expect(decide(modes)).toEqual({ reserve: 0, mode: 'no spar' })
  })
  it('a rod that ends where others go on is let go by its ribs, and then the others bear', () => {
    const tube = stockOr(LIBRARIES, 'tube-8x6'),
      rod = lineOf('rod-3', 0.6, { toMm: 300 }),
      lines = [lineOf('tube-8x6', 0.3), rod]
    const station = at(lines, 'none', 300),
      build = buildCovered(station, recipe, pla, covering)
    const bears = (tube.strength * stockInertia(tube)) / 0.004
    // So much that the ribs' bores give way.
    const modes = stationModes(station, build, recipe, { ...load, moment: bears }, 1)
    expect(modes['spar overlap']).toBeCloseTo(1, 2)
    // With nothing beside it the end must hold.
    const alone = stationSection(loft, 300, [rod], 'none')
    const ended = stationModes(
      alone,
      buildCovered(alone, recipe, pla, covering),
      recipe,
      { ...load, moment: 1 },
      1,
    )
    expect(ended['spar end']).toBeLessThan(modes['spar overlap']!)
  })
  it('bores are held by ribs alone: as much as they are thick, the rim is broad, and they stand close', () => {
    const rod = lineOf('rod-3', 0.6, { toMm: 300 })
    const station = stationSection(loft, 300, [rod], 'none')
    const bears = (ribs: Partial<Covering['ribs']>) =>
      stationModes(
        station,
        buildCovered(station, recipe, pla, { ...covering, ribs: { ...USUAL_RIBS, ...ribs } }),
        recipe,
        { ...load, moment: 0.05 },
        1,
      )['spar end']!
    const usual = bears({})
    expect(bears({ thicknessMm: 2 * USUAL_RIBS.thicknessMm }) / usual).toBeCloseTo(2, 6)
    expect(bears({ rimMm: 2 * USUAL_RIBS.rimMm }) / usual).toBeCloseTo(2, 6)
    expect(bears({ pitchMm: 2 * USUAL_RIBS.pitchMm }) / usual).toBeCloseTo(0.5, 6)
  })
})

it('the area of a strip of stock is what its mass goes by', () => {
  // A flat strip of 4 × 1 mm and a softwood strip of 6 × 2 mm, by their names.
  expect(stockArea(stockOr(LIBRARIES, 'strip-4x1'))).toBeCloseTo(4e-6, 12)
  expect(stockOr(LIBRARIES, 'strip-4x1').heightMm).toBe(1)
  expect(stockArea(stockOr(LIBRARIES, 'wood-6x2'))).toBeCloseTo(12e-6, 12)
})
