/** Tails hard over: loads against closed form, and what they bear against the section kernel under a load by hand. */
import { describe, expect, it } from 'vitest'
import { sharedAssessor } from '../../assess'
import { DEMOS } from '../../demo'
import { changed } from '../../testing/changed'
import { buildStation, closedAt, decide, stationModes, stationSection } from '../../structure'
import { airOf } from '../flight'
import { intersection, outlineAt, planAt, polygonArea } from '../../geometry'
import { createTailSurfaces, tailLift, tailPlaces } from './tail-surfaces'
import { TAIL_CL } from './body-cases'
import { runs } from '../../testing/runs'

const [demo] = DEMOS
const assessor = sharedAssessor()
const heldOf = (doc: typeof demo, name: 'horizontal' | 'vertical') =>
  createTailSurfaces()(assessor.airframe(doc)).find(({ loft }) => loft.name === name)!
const reserveOf = (doc: typeof demo, name: 'horizontal' | 'vertical') =>
  decide(heldOf(doc, name).modes).reserve

const plank = changed(demo, doc => {
  const tail = doc.tail.horizontal!
  Object.assign(tail, { rootChordMm: 100, incidenceDeg: 0, tip: { kind: 'flat', lengthMm: 1 } })
  tail.panels = [{ ...tail.panels[0], spanMm: 200, tipChordMm: 100, sweepMm: 0, dihedralDeg: 0 }]
})

describe('lift of a tail hard over', () => {
  const loft = assessor.airframe(plank).surfaces.horizontal!
  const area = 0.1 * (loft.span / 1000)

  it('adds up to its greatest coefficient, and stands on a plank as the mean of plank and ellipse do', () => {
    const { along, force } = tailLift(loft, [], 100)
    expect(force / (100 * TAIL_CL * area)).toBeCloseTo(1, 3)
    let sum = 0,
      moment = 0
    along.slice(1).forEach(({ s, value }, i) => {
      const [a, b] = [along[i], { s, value }],
        part = ((a.value + b.value) / 2) * (b.s - a.s)
      sum += part
      moment += (part * (a.s + b.s)) / 2
    })
    expect(sum / force).toBeCloseTo(1, 9)
    // Half of it at half the span, half of it at 4/(3π), as far out as an ellipse has its middle.
    expect(moment / force / (loft.span / 1000)).toBeCloseTo((0.5 + 4 / (3 * Math.PI)) / 2, 2)
  })

  it('acts at the quarter chord, and further back the narrower its control', () => {
    const at = (shares: number[]) => {
      const controls = shares.map(chordShare => ({ ...demo.tail.horizontal!.controls[0], chordShare }))
      const { along, turning } = tailLift(loft, controls, 100)
      const { lead, chord } = planAt(loft, 0)
      return ((-turning[0].value / along[0].value) * 1000 - lead) / chord
    }
    expect(at([])).toBeCloseTo(0.25, 9)
    // An all-moving one lifts as a wing does.
    expect(at([1])).toBeCloseTo(0.25, 9)
    // Thin-aerofoil theory: a hinge at half the chord, sin θ(1 − cos θ)/(4(π − θ + sin θ)) behind it, θ = π/2.
    expect(at([0.5])).toBeCloseTo(0.25 + 1 / (4 * (Math.PI / 2 + 1)), 6)
    expect(at([0.2])).toBeGreaterThan(at([0.4]))
  })
})

describe('what a tail bears', () => {
  it('at the root of a plank is what its section bears under that lift, at the middle of it, put on by hand', () => {
    const airframe = assessor.airframe(plank),
      held = heldOf(plank, 'horizontal')
    expect(held.atMm).toBe(0)
    const span = held.loft.span / 1000,
      { density } = airOf(plank)
    const shear = ((density * plank.brief.cruiseMs ** 2) / 2) * TAIL_CL * 0.1 * span,
      moment = (shear * span * (0.5 + 4 / (3 * Math.PI))) / 2
    const section = stationSection(
      held.loft,
      0,
      airframe.warm.lines(airframe.spars.horizontal ?? []),
      'glued',
    )
    const build = buildStation(section, held.zone.recipe, airframe.warm.filamentOf(held.zone))
    const modes = stationModes(
      section,
      build,
      held.zone.recipe,
      { shear, moment, torque: 0, lag: 0 },
      plank.brief.safetyFactor,
    )
    // Bending alone: torque has no part in these.
    for (const mode of ['skin across layers', 'skin in compression', 'glue joint'] as const)
      expect(held.modes[mode]! / modes[mode]!).toBeCloseTo(1, 2)
  })

  it('falls with the square of the speed and the factor of safety', () => {
    const fast = changed(demo, doc => {
      doc.brief.cruiseMs *= Math.SQRT2
    })
    const safe = changed(demo, doc => {
      doc.brief.safetyFactor *= 2
    })
    // Buckled skin gives out under a moment of its own: all modes go with the load.
    for (const name of ['horizontal', 'vertical'] as const)
      for (const doc of [fast, safe]) expect(reserveOf(doc, name) / reserveOf(demo, name)).toBeCloseTo(0.5, 2)
  })

  it('is the print that carries it: its own zone counts, and no other', () => {
    const twice = (zone: string) =>
      changed(demo, doc => {
        doc.zones.find(item => item.id === zone)!.recipe.walls *= 2
      })
    expect(reserveOf(twice('tail'), 'horizontal')).toBeGreaterThan(1.5 * reserveOf(demo, 'horizontal'))
    expect(reserveOf(twice('wing-inner'), 'horizontal')).toBe(reserveOf(demo, 'horizontal'))
  })

  it('cracks sooner the more of it a control takes, and a wider elevator never makes a jump', () => {
    // From its root on, so that the section that bears most is cut.
    const at = (chordShare: number) => {
      const { modes } = heldOf(
        changed(demo, doc => {
          for (const control of doc.tail.horizontal!.controls)
            Object.assign(control, { chordShare, fromShare: 0 })
        }),
        'horizontal',
      )
      return { cracks: modes['skin across layers']!, reserve: decide(modes).reserve }
    }
    let before = at(0.3)
    for (let share = 0.302; share < runs(0.45, 0.33); share += 0.002) {
      const now = at(share)
      expect(now.cracks).toBeLessThan(before.cracks)
      expect(Math.abs(Math.log(now.reserve / before.reserve))).toBeLessThan(0.03)
      before = now
    }
    expect(before.cracks).toBeLessThan(runs(0.9, 0.98) * at(0.3).cracks)
  })

  it('stands among the places of the strength verdict, and stops the build where it is too weak', () => {
    const { strength } = assessor.assess(demo)
    for (const name of ['horizontal', 'vertical'] as const) {
      const [own] = tailPlaces([heldOf(demo, name)])
      expect(strength.places.find(place => place.part === name)?.reserve).toBe(own.reserve)
    }
    const fast = assessor.assess(
      changed(demo, doc => {
        doc.brief.cruiseMs = 27
      }),
    )
    const weak = fast.findings.find(item => item.code === 'weak-horizontal')
    expect(weak?.severity).toBe('stop')
    expect(fast.strength.reserve).toBeLessThanOrEqual(weak!.value)
  })
})

describe('a section closed before a hinge', () => {
  it('has what lies before it, as many points, and one upright wall', () => {
    const loft = assessor.airframe(demo).surfaces.horizontal!,
      outline = outlineAt(loft, 40)
    const { lead, chord } = planAt(loft, 40)
    for (const share of [0.3, 0.6, 0.61, 0.9]) {
      const rear = lead + share * chord,
        closed = closedAt(outline, rear)
      expect(closed.length).toBe(outline.length)
      expect([closed[0], closed.at(-2)]).toEqual([rear, rear])
      const before = Float64Array.of(lead - 100, -500, rear, -500, rear, 500, lead - 100, 500)
      const [kept] = intersection([outline], [before])
      // Chords of the same curve between other points.
      expect(Math.abs(polygonArea(closed).area / Math.abs(polygonArea(kept).area) - 1)).toBeLessThan(0.002)
    }
    expect(closedAt(outline, Infinity)).toBe(outline)
  })
})
