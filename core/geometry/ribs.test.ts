/** Ribs under film: where they stand and what is left of them, by plane geometry. mm */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { sharedAssessor } from '../assess'
import { USUAL_RIBS } from '../libraries'
import { edgeSpar, ribbed } from '../testing/ribbed'
import { runs } from '../testing/runs'
import { gapAt, outlineAt, planAt, polygonArea, ribPlaces, type Piece } from '.'
import { boxOf, featureAt } from './feature'

const assessor = sharedAssessor()
const ribsOf = (doc = ribbed()): { ribs: Piece[]; doc: typeof doc } => ({
  doc,
  ribs: assessor
    .airframe(doc)
    .pieces.filter(piece => piece.part === 'wing' && piece.ribOf !== null && piece.side === 'starboard'),
})
const HOLE = 'hole of a rib'
const plain = { pitchMm: 60, thicknessMm: 2 }

describe('where ribs stand', () => {
  it('at both ends and evenly between, never further apart than was asked for', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 400, noNaN: true }),
        fc.double({ min: 30, max: 900, noNaN: true }),
        fc.double({ min: 15, max: 200, noNaN: true }),
        fc.double({ min: 0.6, max: 6, noNaN: true }),
        (from, length, pitchMm, thicknessMm) => {
          const to = from + length
          const feet = ribPlaces(from, to, { pitchMm, thicknessMm }, [])
          expect(feet[0]).toBe(from)
          expect(feet.at(-1)! + thicknessMm).toBeCloseTo(to, 9)
          // As few as do: a whole number of bays over the way from the first foot to the last.
          const bays = Math.ceil((length - thicknessMm) / pitchMm - 1e-9)
          expect(feet).toHaveLength(Math.min(bays, 60) + 1)
          const steps = feet.slice(1).map((foot, i) => foot - feet[i])
          for (const step of steps) expect(step).toBeCloseTo(steps[0], 6)
        },
      ),
      { numRuns: runs(2000, 200) },
    )
  })
  it('one stands on the asked side of a mark, and none beside one that is there', () => {
    const at = (side: -1 | 0 | 1) => ribPlaces(0, 200, plain, [{ at: 90, side }])
    expect(at(-1)).toContain(88)
    expect(at(0)).toContain(89)
    expect(at(1)).toContain(90)
    // Within a centimetre of the first of two, and of the end rib.
    const near = ribPlaces(0, 200, plain, [
      { at: 90, side: 1 },
      { at: 96, side: 1 },
      { at: 192, side: 1 },
    ])
    expect(near).toContain(90)
    expect(near).not.toContain(96)
    expect(near).not.toContain(192)
  })
  it('a wing has one at every break, at either end of a control and of a bay, and behind pushed-in hinges', () => {
    const { ribs, doc } = ribsOf()
    const { wing } = assessor.airframe(doc)
    const holds = (at: number) => ribs.some(rib => rib.from <= at + 1e-6 && rib.to >= at - 1e-6)
    const [aileron] = doc.wing.controls
    const [from, to] = [aileron.fromShare * wing.span, aileron.toShare * wing.span]
    // Clear of the gap at either end, and whole: not where the control is.
    expect(ribs.some(rib => Math.abs(rib.to - (from - 0.6)) < 1e-6)).toBe(true)
    expect(ribs.some(rib => Math.abs(rib.from - (to + 0.6)) < 1e-6)).toBe(true)
    expect(holds(doc.wing.panels[0].spanMm)).toBe(true)
    const { count, kind } = aileron.hinge
    expect(kind).not.toBe('tape')
    const hinges = Array.from({ length: count }, (_, i) => from + ((to - from) * (i + 0.5)) / count)
    // Two ribs a centimetre apart serve no better than one.
    for (const hinge of hinges) expect(ribs.some(rib => Math.abs(rib.from - hinge) < 12)).toBe(true)
  })
})

describe('what is left of a rib', () => {
  it('is its section without bores and holes, to the last of it', () => {
    for (const rib of ribsOf().ribs.slice(0, 6)) {
      const at = (rib.from + rib.to) / 2
      const loops = rib.sectionAt(at)
      const whole = loops.reduce((sum, loop) => sum + polygonArea(loop).area, 0)
      const outer = Math.max(...loops.map(loop => polygonArea(loop).area))
      const here = rib.features.filter(feature => feature.inside && feature.from < at && feature.to > at)
      expect(here.filter(feature => feature.name === HOLE).length).toBeGreaterThan(2)
      const gone = here.reduce((sum, feature) => sum + Math.abs(polygonArea(featureAt(feature, at)).area), 0)
      expect(whole).toBeCloseTo(outer - gone, 3)
    }
  })
  it('has its rim along the skin and beside bores, and as much between two holes', () => {
    const { ribs, doc } = ribsOf()
    const { wing } = assessor.airframe(doc)
    const { rimMm } = USUAL_RIBS
    for (const rib of ribs) {
      const at = (rib.from + rib.to) / 2,
        outline = outlineAt(wing, at)
      const holes = rib.features.filter(feature => feature.name === HOLE)
      const boxes = holes.map(hole => boxOf(hole.a)).sort((a, b) => a[0] - b[0])
      boxes.slice(1).forEach((box, i) => expect(box[0] - boxes[i][2]).toBeGreaterThan(rimMm - 1e-6))
      for (const { a } of holes)
        for (let i = 0; i < a.length; i += 2) {
          const gap = gapAt(outline, a[i])!
          expect(gap.upper - a[i + 1]).toBeGreaterThan(rimMm - 1e-6)
          expect(a[i + 1] - gap.lower).toBeGreaterThan(rimMm - 1e-6)
        }
      for (const bore of rib.features.filter(item => item.inside && item.name !== HOLE && item.to > at)) {
        const [x0, , x1] = boxOf(featureAt(bore, at))
        for (const box of boxes) expect(box[2] <= x0 - rimMm + 0.05 || box[0] >= x1 + rimMm - 0.05).toBe(true)
      }
    }
  })
  it('a broader rim leaves more of it, in every step', () => {
    const area = (rimMm: number) => {
      const [rib] = ribsOf(ribbed(() => {}, { ...USUAL_RIBS, rimMm })).ribs
      return rib.sectionAt((rib.from + rib.to) / 2).reduce((sum, loop) => sum + polygonArea(loop).area, 0)
    }
    const areas = [1, 2, 3, 4, 5, 6, 8].map(area)
    areas.slice(1).forEach((next, i) => expect(next).toBeGreaterThan(areas[i]))
  })
  it('a hole is no longer than 1.8 times the height there, and none shorter than four millimetres', () => {
    const { ribs, doc } = ribsOf()
    const { wing } = assessor.airframe(doc)
    for (const rib of ribs)
      for (const { a } of rib.features.filter(feature => feature.name === HOLE)) {
        const [x0, , x1] = boxOf(a)
        const outline = outlineAt(wing, (rib.from + rib.to) / 2)
        const heights = [x0, (x0 + x1) / 2, x1].map(x => gapAt(outline, x)!).map(gap => gap.upper - gap.lower)
        expect(x1 - x0).toBeGreaterThan(4 - 1e-6)
        // It is measured against the whole stretch that it stands in, which is never lower than it.
        expect(x1 - x0).toBeLessThan(1.8 * Math.max(...heights) * 1.6)
        expect(a).toHaveLength(28)
      }
  })
  it('where the section is too thin for a hole it is whole', () => {
    const [rib] = ribsOf(ribbed(() => {}, { ...USUAL_RIBS, rimMm: 30 })).ribs
    expect(rib.features.some(feature => feature.name === HOLE)).toBe(false)
  })
})

it('ribs meet flat at a cut: pins are said to have no room, a plug lets go', () => {
  const cutWith = (kind: 'pins' | 'plug' | 'butt') =>
    ribsOf(
      ribbed(doc => {
        doc.cuts.wing = [{ piece: 2, atMm: 200, joint: { kind, toleranceMm: 0.1 } }]
      }),
    ).ribs
  const head = (ribs: readonly Piece[]) => ribs.find(rib => Math.abs(rib.to - 200) < 1e-6)!
  expect(head(cutWith('pins')).missing).toHaveLength(1)
  expect(head(cutWith('pins')).joints.head?.kind).toBe('butt')
  expect(head(cutWith('butt')).missing).toHaveLength(0)
  expect(head(cutWith('plug')).joints.head?.kind).toBe('plug')
  // The first of the next stretch has it at its foot, those between and at the ends of the wing have none.
  const plugged = cutWith('plug')
  expect(plugged.find(rib => Math.abs(rib.from - 200) < 1e-6)!.joints.foot?.kind).toBe('plug')
  expect(plugged.filter(rib => rib.joints.foot)).toHaveLength(1)
  expect(plugged.filter(rib => rib.joints.head)).toHaveLength(1)
  // Two ribs face to face, each of its own stretch.
  const ribs = cutWith('butt')
  expect(new Set(ribs.map(rib => rib.ribOf))).toEqual(new Set(['wing-1-starboard', 'wing-2-starboard']))
  expect(ribs.some(rib => Math.abs(rib.from - 200) < 1e-6)).toBe(true)
})

it('an edge rod runs through every rib that it reaches', () => {
  const { ribs, doc } = ribsOf(
    ribbed(draft => {
      draft.spars.push(edgeSpar('extra', 'rod-2', 0.5, 250))
    }),
  )
  const { wing } = assessor.airframe(doc)
  for (const rib of ribs) {
    const at = (rib.from + rib.to) / 2,
      { lead, chord } = planAt(wing, at)
    const bored = rib.sectionAt(at).some(loop => {
      // A rod of 2 mm with a tenth all round.
      const { area, x } = polygonArea(loop)
      return Math.abs(area + Math.PI * 1.1 ** 2) < 0.1 && Math.abs(x - (lead + 0.5 * chord)) < 1
    })
    expect(bored).toBe(rib.to <= 250)
  }
})
