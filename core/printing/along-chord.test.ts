/** More walls and a printed spar along the chord, against closed forms of a box and from any side of the bed. */
import { describe, expect, it } from 'vitest'
import type { ChordFrame, Recipe } from '../document'
import { loftSurface, outlineAt, type Section } from '../geometry'
import { LIBRARIES, recipeById } from '../libraries'
import { DEMOS } from '../demo'
import { sharedAssessor } from '../assess'
import { divideSection } from './divide-edges'
import { insetField } from './inset-field'
import { layerBeads, layLayer, recipeReach } from './lay'
import { layerRuns } from './layer-runs'
import { lyingPrint } from './lying'
import { printPiece } from './print-piece'

const pla = LIBRARIES.filaments.find(item => item.id === 'pla')!
/** One wall of rectangular beads, 0.5 mm wide and apart. */
const plain: Recipe = {
  ...recipeById('beads', pla),
  walls: 1,
  beadWidthMm: 0.5,
  layerHeightMm: 0.25,
  beadForm: 'rectangular',
}
const frame: ChordFrame = { aft: [1, 0], lead: 0, chord: 40 }
const box: Section = [Float64Array.of(0, 0, 40, 0, 40, 10, 0, 10)]
const laid = (recipe: Recipe, section = box, own: ChordFrame | null = frame) =>
  layLayer(insetField(divideSection(section, 1), recipeReach(recipe), own), recipe)

const dense: Recipe = { ...plain, denser: { walls: 2, noseTo: 0.25, rearFrom: 1 } }
const sparred: Recipe = { ...plain, printedSpar: { atShare: 0.5, widthMm: 4 } }

describe('a box of 40 × 10 mm', () => {
  it('has two walls more over its first 10 mm: at 0.75 and 1.25 mm, 2(10 − d) + 10 − 2d each', () => {
    // Corners are rounded by as much as edges are long.
    expect(laid(dense).innerWall / (2 * (10 - 0.75) + 8.5 + 2 * (10 - 1.25) + 7.5)).toBeCloseTo(1, 1.5)
    expect(laid(plain).innerWall).toBe(0)
  })
  it('at its rear as well, and less infill in both: they have taken their room of it', () => {
    const filled = { ...dense, infillShare: 0.1, denser: { walls: 2, noseTo: 0.25, rearFrom: 0.75 } }
    const { innerWall, infill } = laid(filled)
    expect(innerWall / (2 * 52)).toBeCloseTo(1, 1.5)
    // 39 × 9 mm lie inside the wall, beads 0.5 mm apart.
    expect(infill / ((0.1 * (39 * 9 - 0.5 * innerWall)) / 0.5)).toBeCloseTo(1, 2)
  })
  it('has a spar of 4 mm solid from wall to wall: 4 × 9 mm of beads, in the middle of it', () => {
    const { spar, sum, infill } = laid({ ...sparred, infillShare: 0.1 })
    expect(spar).toBeCloseTo((4 * 9) / 0.5, 6)
    expect(infill / ((0.1 * (39 * 9 - 36)) / 0.5)).toBeCloseTo(1, 2)
    // Moved by 8 mm, its beads are, and what infill would lie there goes the other way.
    const moved = laid({ ...sparred, infillShare: 0.1, printedSpar: { atShare: 0.7, widthMm: 4 } })
    expect(moved.sum.x - sum.x).toBeCloseTo(8 * spar * (1 - 0.1), 4)
  })
  it('is drawn as it is counted', () => {
    for (const recipe of [dense, sparred, { ...dense, ...sparred, denser: dense.denser }]) {
      const field = insetField(divideSection(box, 1), recipeReach(recipe), frame),
        layer = layLayer(field, recipe)
      const runs = layerRuns(field, layer, recipe, 0, 0)
      const drawn = runs.x0.reduce(
        (length, x, i) => length + runs.scale[i] * Math.hypot(runs.x1[i] - x, runs.y1[i] - runs.y0[i]),
        0,
      )
      expect(drawn / layerBeads(layer)).toBeCloseTo(1, 2)
    }
  })
  it('knows no chord in a body, in a spiral, beside webs, between two skins or on its side', () => {
    const both = { ...dense, printedSpar: sparred.printedSpar }
    expect(layerBeads(laid(both, box, null))).toBe(layerBeads(laid(plain)))
    for (const other of [
      { spiral: true },
      { lattice: { pitchMm: 30, slitMm: 0.04, overlapMm: 0.15, leanDeg: 45 } },
      { skinGapMm: 2 },
      { stance: 'flat' as const },
    ])
      expect(layerBeads(laid({ ...both, ...other }))).toBe(layerBeads(laid({ ...plain, ...other })))
  })
})

const { controls: _, ...shape } = DEMOS[0].wing
const section: Section = [outlineAt(loftSurface('wing', 'Wing', shape, [], 0.9), 100)]
const whole: Recipe = {
  ...plain,
  infillShare: 0.03,
  denser: { walls: 2, noseTo: 0.2, rearFrom: 0.7 },
  printedSpar: { atShare: 0.35, widthMm: 6 },
}
const along = section[0].filter((_, i) => i % 2 === 0)
const wing: ChordFrame = {
  aft: [1, 0],
  lead: Math.min(...along),
  chord: Math.max(...along) - Math.min(...along),
}

it('is the same however the piece is turned and moved on its bed, and in a mirror', () => {
  const angle = 0.64,
    cos = Math.cos(angle),
    sin = Math.sin(angle)
  for (const mirror of [1, -1]) {
    const turned = section.map(loop => {
      const out = new Float64Array(loop.length)
      for (let i = 0; i < loop.length; i += 2) {
        // In a mirror a loop runs the other way round.
        const to = mirror > 0 ? i : loop.length - 2 - i
        out[to] = loop[i] * cos - mirror * loop[i + 1] * sin + 30
        out[to + 1] = loop[i] * sin + mirror * loop[i + 1] * cos - 12
      }
      return out
    })
    const own: ChordFrame = { ...wing, aft: [cos, sin], lead: wing.lead + 30 * cos - 12 * sin }
    const here = laid(whole, section, wing),
      there = laid(whole, turned, own)
    for (const key of ['outerWall', 'innerWall', 'infill', 'spar'] as const)
      expect(there[key] / here[key], key).toBeCloseTo(1, 6)
  }
})

it('a piece on its side weighs what it does without', () => {
  const doc = (more: Partial<Recipe>) => ({
    ...DEMOS[0],
    zones: DEMOS[0].zones.map(zone =>
      zone.id === 'tail'
        ? { ...zone, recipe: { ...zone.recipe, stance: 'flat' as const, infillShare: 0.05, ...more } }
        : zone,
    ),
  })
  const massOf = (more: Partial<Recipe>) => {
    const { pieces, filamentOf } = sharedAssessor().airframe(doc(more))
    const piece = pieces.find(item => item.part === 'vertical' && item.kind === 'fixed')!
    const filament = filamentOf(piece.zone)
    return lyingPrint(piece, filament, printPiece(piece, filament)).mass
  }
  expect(massOf({ denser: whole.denser, printedSpar: whole.printedSpar })).toBe(massOf({}))
})

describe('in fine steps', () => {
  const series = (recipeAt: (t: number) => Recipe) =>
    Array.from({ length: 201 }, (_, k) => layerBeads(laid(recipeAt(k / 200), section, wing)))
  const steps = (values: number[]) => values.slice(1).map((value, i) => value - values[i])

  it('the nose grows denser without a jump, and never lays less', () => {
    const found = steps(
      series(t => ({ ...whole, printedSpar: null, denser: { walls: 2, noseTo: 0.6 * t, rearFrom: 1 } })),
    )
    expect(Math.min(...found)).toBeGreaterThanOrEqual(-1e-9)
    // 0.003 of 180 mm a step: two walls of two sides, and round the nose a little more.
    expect(Math.max(...found)).toBeLessThan(5 * 0.54 * 2 * 2)
  })
  it('a spar that grows or is moved does so without a jump', () => {
    const wider = steps(series(t => ({ ...whole, printedSpar: { atShare: 0.35, widthMm: 0.4 + 30 * t } })))
    expect(Math.min(...wider)).toBeGreaterThan(0)
    expect(Math.max(...wider) / Math.min(...wider)).toBeLessThan(1.5)
    const moved = steps(series(t => ({ ...whole, printedSpar: { atShare: 0.05 + 0.9 * t, widthMm: 6 } })))
    const most = Math.max(...moved.map(Math.abs))
    // Its height changes by less than a millimetre for each that it moves by.
    expect(most).toBeLessThan((6 * 0.0045 * 180) / 0.5)
  })
  it('from nothing: no nose and no rear are the plain section', () => {
    const none = { ...whole, printedSpar: null, denser: { walls: 2, noseTo: 0, rearFrom: 1 } }
    // Its infill is measured on the inset outline, not by the depths of its edges.
    expect(
      layerBeads(laid(none, section, wing)) / layerBeads(laid({ ...none, denser: null }, section, wing)),
    ).toBeCloseTo(1, 4)
  })
})
