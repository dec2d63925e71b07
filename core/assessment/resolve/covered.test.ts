/** What is covered, against polygons cut at the hinge line; and how it is drawn. mm */
import { describe, expect, it } from 'vitest'
import { coveredStretches, sharedAssessor } from '../../assess'
import { difference, gapAt, outlineAt, planAt, polygonPerimeter } from '../../geometry'
import { USUAL_RIBS } from '../../libraries'
import { changed } from '../../testing/changed'
import { ribbed } from '../../testing/ribbed'

/** One panel of even chord with one control; every test has a design that nothing remembers. */
let serial = 0
const plain = (fromShare = 0.4, toShare = 0.9, chordShare = 0.3) =>
  changed(ribbed(), draft => {
    const { wing } = draft
    const [panel] = wing.panels
    wing.rootChordMm += serial++ * 0.01
    wing.panels = [
      { ...panel, tipChordMm: wing.rootChordMm, sweepMm: 0, tipTwistDeg: 0, tipAerofoil: wing.rootAerofoil },
    ]
    wing.controls = wing.controls.map(control => ({ ...control, fromShare, toShare, chordShare }))
    draft.spars = draft.spars.filter(spar => spar.surface !== 'wing')
  })
const starboard = (doc: ReturnType<typeof plain>) => {
  const airframe = sharedAssessor().airframe(doc)
  return { airframe, own: coveredStretches(airframe).filter(item => item.side === 1) }
}

describe('the area of film', () => {
  it('is the girth over the span, and over a control as far as its gap, to a hundredth', () => {
    for (const [from, to, share] of [
      [0.4, 0.9, 0.3],
      [0.2, 0.6, 0.2],
      [0, 1, 0.45],
    ] as const) {
      const doc = plain(from, to, share)
      const { airframe, own } = starboard(doc)
      const { wing } = airframe,
        [control] = doc.wing.controls
      const outline = outlineAt(wing, 50),
        { lead, chord } = planAt(wing, 50)
      const hinge = lead + (1 - share) * chord - control.hinge.gapMm / 2
      const gap = gapAt(outline, hinge)!
      const behind = Float64Array.of(hinge, -900, 2000, -900, 2000, 900, hinge, 900)
      const [ahead] = difference([outline], [behind])
      const covered = polygonPerimeter(ahead) - (gap.upper - gap.lower)
      const along = (to - from) * wing.span
      const wanted = 1e-6 * (polygonPerimeter(outline) * (wing.span - along) + covered * along)
      expect(own.reduce((sum, item) => sum + item.area, 0) / wanted).toBeCloseTo(1, 2)
      // Its middle lies further ahead where a control takes the rear of it.
      const strips = own.flatMap(item => item.strips)
      const inside = strips.filter(
        strip => 1000 * strip.y > from * wing.span + 1 && 1000 * strip.y < to * wing.span - 1,
      )
      for (const strip of inside) expect(1000 * strip.x).toBeLessThan(hinge)
    }
  })
  it('is as much to port, mirrored, and none of the tail', () => {
    const all = coveredStretches(sharedAssessor().airframe(plain()))
    expect(all).toHaveLength(2)
    const [a, b] = all
    expect(a.area).toBeCloseTo(b.area, 12)
    expect(a.strips.map(strip => strip.y)).toEqual(b.strips.map(strip => -strip.y))
    expect(all.every(item => item.loft.name === 'wing')).toBe(true)
  })
  it('has the film of its own zone on either side of where two meet', () => {
    const two = changed(ribbed(), draft => {
      draft.wing.rootChordMm += serial++ * 0.01
      const [, outer] = draft.wing.panels
      draft.zones.find(zone => zone.id === outer.zone)!.ribs = { ...USUAL_RIBS, film: 'tissue-dope' }
    })
    const { airframe, own } = starboard(two)
    expect(own.map(item => item.film.id)).toEqual([USUAL_RIBS.film, 'tissue-dope'])
    // Nothing twice, and no gap between them.
    expect(own[0].to).toBeCloseTo(own[1].from, 9)
    expect(own[0].from).toBe(0)
    expect(own[1].to).toBeCloseTo(airframe.wing.span, 6)
    expect(own[0].to).toBeCloseTo(two.wing.panels[0].spanMm, 6)
  })
})

it('it is drawn from root to tip, and not over controls', () => {
  const doc = plain()
  const assessor = sharedAssessor()
  const { films } = assessor.assess(doc).drawing,
    { wing } = assessor.airframe(doc)
  expect(films.map(film => film.half).sort()).toEqual(['port', 'starboard'])
  const { rings } = films.find(film => film.half === 'starboard')!
  const ys = rings.map(ring => ring[1])
  expect(ys[0]).toBeCloseTo(0, 1)
  expect(ys.at(-1)!).toBeCloseTo(wing.span, 1)
  expect([...ys].sort((a, b) => a - b)).toEqual(ys)
  const { lead, chord } = planAt(wing, 0)
  const [control] = doc.wing.controls
  const reach = (ring: readonly number[]) => Math.max(...ring.filter((_, i) => i % 3 === 0))
  for (const ring of rings) {
    const s = ring[1] / wing.span
    // At either end of the control stand two, a hair apart.
    if ([control.fromShare, control.toShare].some(end => Math.abs(s - end) < 1e-3)) continue
    const inside = s > control.fromShare && s < control.toShare
    const rear = inside ? lead + (1 - control.chordShare) * chord : lead + chord
    // Turned by its incidence the chord covers a little less; one point in three is drawn.
    expect(reach(ring)).toBeLessThan(rear + 0.1)
    expect(reach(ring)).toBeGreaterThan(rear - 4)
  }
})
