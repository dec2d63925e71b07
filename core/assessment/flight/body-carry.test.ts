/** The gap between the halves of a surface, filled by a body, by a boom, or open. */
import { describe, expect, it } from 'vitest'
import { solveLift } from '../../aero'
import { sharedAssessor } from '../../assess'
import { DEMOS } from '../../demo'
import type { ProjectFile } from '../../document'
import { createLift, planOf } from './solved-lift'
import { latticeOf } from './airframe-lattice'
import { drafted } from '../../testing/changed'
import { runs } from '../../testing/runs'

const [thistledown] = DEMOS
const assessor = sharedAssessor()
const lift = createLift()
const flightOf = (change: (draft: ProjectFile) => void) =>
  lift(assessor.airframe(drafted(thistledown, change)))
const marginPoint = (change: (draft: ProjectFile) => void): number => {
  const { lift: solved, reference } = flightOf(change)
  return (solved.neutralPointX - reference.x) / reference.chord
}
/** Halves of the wing held apart by half a width on each side, at the height of the body's middle. */
const apart = (half: number) => (draft: ProjectFile) => {
  draft.wing.yMm = half
  draft.wing.zMm = 4
}
const withoutBody = (half: number) => (draft: ProjectFile) => {
  apart(half)(draft)
  draft.body = null
}

describe('what a body fills between the halves of a surface', () => {
  it('a tail on the sides of its boom lifts as the closed one does; the boom gone, its gap is open', () => {
    const finless = (change: (draft: ProjectFile) => void) =>
      marginPoint(draft => {
        draft.tail.vertical = null
        change(draft)
      })
    const onBoom = finless(() => {})
    const closed = (() => {
      const { wing, surfaces } = assessor.airframe(thistledown)
      const plan = planOf(wing)
      const tail = latticeOf(surfaces.horizontal!, [])
      // Root drawn to the middle: area and all of a tail in one piece.
      const whole = { ...tail, stations: [{ ...tail.stations[0], y: 0 }, ...tail.stations.slice(1)] }
      const reference = { area: plan.area, chord: plan.mac, span: plan.span, x: plan.macLead + plan.mac / 4 }
      const solved = solveLift([latticeOf(wing, []), whole], reference)
      return (solved.neutralPointX - reference.x) / reference.chord
    })()
    expect(Math.abs(onBoom - closed)).toBeLessThan(0.005)
    const open = finless(d => {
      d.boom = null
    })
    expect(onBoom - open).toBeGreaterThan(0.05)
  })
  it('a body as wide as the gap carries most of the lift through: slender-body theory, (1 + d/b)² of it', () => {
    // Lift of wing and body at one incidence over that of the two halves put together (Spreiter 1950), d/b small.
    const half = 0.6
    const body = flightOf(apart(36))
    const whole = flightOf(withoutBody(0))
    const ratio = (body.lift.clAlpha * body.plan.area) / (whole.lift.clAlpha * whole.plan.area)
    const d = 0.036
    expect(ratio).toBeGreaterThan(1)
    expect(ratio).toBeLessThan((1 + d / half) ** 2)
    // An open gap of the same width loses lift and a part of the span's efficiency.
    const open = flightOf(withoutBody(36))
    expect(open.lift.clAlpha * open.plan.area).toBeLessThan(0.95 * body.lift.clAlpha * body.plan.area)
  })
  it('from open to filled in fine steps of the body, nothing jumps', () => {
    const steps = runs(60, 30)
    const widths = Array.from({ length: steps + 1 }, (_, i) => 0.2 + (i * 1.5) / steps)
    const slopes = widths.map(
      share =>
        flightOf(draft => {
          apart(36)(draft)
          for (const item of draft.body!.stations) item.widthMm *= share
        }).lift.clAlpha,
    )
    for (let i = 1; i < slopes.length; i++) {
      // Where it closes, the strips of both sides become neighbours: four parts in ten thousand.
      expect(slopes[i]).toBeGreaterThan(0.999 * slopes[i - 1])
      expect(slopes[i] - slopes[i - 1]).toBeLessThan(runs(0.03, 0.06) * slopes[i])
    }
    expect(slopes[steps]).toBeGreaterThan(1.04 * slopes[0])
  })
  it('a wing over its body, out of its reach, is not closed by it; upright fins are not either', () => {
    const over = flightOf(draft => {
      draft.wing.yMm = 20
      draft.wing.zMm = 120
    })
    expect(over.lift.strips.every(strip => strip.surface !== 'wing carried')).toBe(true)
    const upright = flightOf(draft => {
      draft.tail.horizontal!.cantDeg = 90
    })
    expect(upright.lift.strips.every(strip => strip.surface !== 'horizontal carried')).toBe(true)
  })
})
