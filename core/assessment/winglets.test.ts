import { describe, expect, it } from 'vitest'
import { createAssessor, travelOf } from '../assess'
import { DEMOS } from '../demo'
import { checkProject, DocumentError, surfaceOf, type ProjectFile, type Winglet } from '../document'
import { placePoint } from '../geometry'
import { buildOrder } from '../workshop/build'
import { changed } from '../testing/changed'
import { runs } from '../testing/runs'
import { wingletsFor } from '../testing/winglets'
import { createWingBearing, liftLoads } from './strength'

const [thistledown] = DEMOS
const assessor = createAssessor(undefined, { hours: false })
const winged = (more: Partial<Winglet> = {}, doc: ProjectFile = thistledown): ProjectFile => ({
  ...doc,
  winglets: wingletsFor(doc, more),
})
const solved = (doc: ProjectFile) => assessor.flown(doc).solved
/** Drag by lift falls with this: span efficiency times aspect ratio. */
const reach = (doc: ProjectFile) => {
  const { lift, plan } = solved(doc)
  return (lift.spanEfficiency * plan.span ** 2) / plan.area
}

describe('winglets', () => {
  it('stand where the wing ends, and go with it: span, sweep, dihedral and height', () => {
    const tip = (doc: ProjectFile) => {
      const wing = assessor.airframe(doc).surfaces.wing!,
        end = wing.ends[wing.ends.length - 1]
      return placePoint(wing, end.lead, end.n, end.s, 1)
    }
    for (const doc of [
      winged(),
      changed(winged(), draft => {
        Object.assign(draft.wing.panels[1], { spanMm: 280, sweepMm: 55, dihedralDeg: 9 })
        draft.wing.zMm += 20
      }),
    ]) {
      const [x, y, z] = tip(doc),
        foot = surfaceOf(doc, 'winglet')!
      expect([foot.xMm, foot.yMm, foot.zMm]).toEqual([
        expect.closeTo(x, 6),
        expect.closeTo(y, 6),
        expect.closeTo(z, 6),
      ])
    }
    // A shorter foot keeps its trailing edge on the wing's.
    const short = surfaceOf(winged({ rootChordMm: 90 }), 'winglet')!
    expect(short.xMm + 90).toBeCloseTo(tip(winged())[0] + 130, 6)
  })
  it('spare drag by lift: as wide as it is long where it lies flat, about half of that where it stands', () => {
    const bare = reach(thistledown)
    const flat = reach(winged({ cantDeg: 10 })) / bare - 1,
      upright = reach(winged({ cantDeg: 90 })) / bare - 1
    // Effective aspect ratio by the square of the span: 1200 mm and twice 100·cos 10°.
    expect(flat).toBeCloseTo((1 + (200 * Math.cos(Math.PI / 18)) / 1200) ** 2 - 1, 1)
    // Hemke, NACA TR 267, for plates at tips: 1 + 1.9 h/b. Winglets against wider span: 45 to 60 % (practice).
    expect(upright).toBeGreaterThan((1.9 * 100) / 1200)
    expect(upright / flat).toBeGreaterThan(0.45)
    expect(upright / flat).toBeLessThan(0.65)
  })
  it('upright and above, they are dihedral; nose inward they lift inward', () => {
    const { Cl_beta } = assessor.assess(winged()).handling.derivatives
    expect(Cl_beta).toBeLessThan(1.5 * assessor.assess(thistledown).handling.derivatives.Cl_beta)
    const inward = (toeDeg: number) =>
      solved(winged({ toeDeg, cantDeg: 90 }))
        .lift.strips.filter(strip => strip.surface === 'winglet')
        .reduce((sum, strip) => sum + strip.clZero, 0)
    expect(inward(2)).toBeGreaterThan(inward(0))
    expect(inward(0)).toBeGreaterThan(inward(-2))
  })
  it('bend the wing at its root by all that acts on it, taken in the aircraft’s axes', () => {
    const doc = winged({ cantDeg: 60 })
    const flown = assessor.flown(doc),
      airframe = assessor.airframe(doc)
    const wing = airframe.surfaces.wing!,
      { places } = createWingBearing()(airframe)
    const alpha = flown.alphaStall
    const { lift } = liftLoads(wing, flown.solved, flown.models.wing!, 1, alpha, places)
    const { strips, flows } = flown.solved.lift
    const { panels } = flows.lattice
    const root = [wing.origin[1] / 1000, wing.origin[2] / 1000]
    // Each strip's force along its own normal, about the root; scaled as the wing's own share is half of 1 kg.
    const force = strips.map((strip, k) => {
      const first = 2 * panels.strips[k].first
      return {
        ...strip,
        normal: (strip.clZero + strip.clPerRad * alpha) * strip.chord * strip.width,
        across: panels.normal[first],
        up: panels.normal[first + 1],
      }
    })
    const own = force.filter(strip => strip.surface === 'wing')
    const scale = 9.80665 / 2 / own.reduce((sum, strip) => sum + strip.normal, 0)
    const winglet = force.filter(strip => strip.surface === 'winglet')
    const moment = winglet.reduce(
      (sum, { normal, across, up, y, z }) =>
        sum + scale * normal * ((y - root[0]) * up - (z - root[1]) * across),
      0,
    )
    const alone = liftLoads(
      wing,
      {
        ...flown.solved,
        lift: { ...flown.solved.lift, strips: strips.filter(s => s.surface !== 'winglet') },
      },
      flown.models.wing!,
      1,
      alpha,
      places,
    ).lift
    expect(lift.moment[0] - alone.moment[0]).toBeGreaterThan(0)
    // The tip stands 37 mm over the root, which is left out of the span's own arm.
    expect((lift.moment[0] - alone.moment[0]) / moment).toBeGreaterThan(0.9)
    expect((lift.moment[0] - alone.moment[0]) / moment).toBeLessThan(1.1)
    expect(lift.shear[0] - alone.shear[0]).toBeCloseTo(
      winglet.reduce((sum, { normal, up }) => sum + scale * normal * up, 0),
      9,
    )
  })
  it('cost weight and reserve, are pieces of their own, glued on last, and travel with the half', () => {
    const doc = winged(),
      before = assessor.assess(thistledown),
      after = assessor.assess(doc)
    expect(after.pieces.filter(piece => piece.part === 'winglet').map(piece => piece.mark)).toEqual([
      'L1·S',
      'L1·P',
    ])
    expect(after.strength.wing.reserve).toBeLessThan(before.strength.wing.reserve)
    expect(after.strength.places.find(place => place.part === 'winglet')!.reserve).toBeGreaterThan(1)
    const ids = buildOrder(assessor.airframe(doc)).steps.map(step => step.id)
    for (const side of ['starboard', 'port']) {
      const at = ids.indexOf(`winglet.${side}`)
      expect(at).toBeGreaterThan(ids.findIndex(id => id.startsWith(`join.wing.${side}`)))
      expect(at).toBeLessThan(ids.indexOf('halves'))
    }
    expect(travelOf(assessor.airframe(doc), null).parts).toHaveLength(
      travelOf(assessor.airframe(thistledown), null).parts.length,
    )
  })
  it('stay on the tips when another twist or taper is tried', () => {
    const flown = assessor.flown(winged())
    const [drawn, ...others] = flown.stallCases()
    // A tip that carries a winglet is loaded like one in all of them: without it the last strip has half.
    for (const { id, cls } of others)
      if (id !== 'untapered') expect(cls.at(-1)! / drawn.cls.at(-1)!, id).toBeGreaterThan(0.8)
  })
  it('made longer or leant in fine steps nothing jumps', () => {
    const count = runs(60, 7)
    for (const doc of [
      (i: number) => winged({ lengthMm: 60 + i }),
      (i: number) => winged({ cantDeg: 90 - i }),
      (i: number) => winged({ sweepMm: 20 + i }),
    ]) {
      const figures = Array.from({ length: count }, (_, i) => {
        const { lift, neutralPoint } = solved(doc(i))
        return [1000 * neutralPoint, 100 * lift.clAlpha, 100 * lift.spanEfficiency]
      })
      for (const k of [0, 1, 2]) {
        const steps = figures.slice(1).map((row, i) => row[k] - figures[i][k])
        const bends = steps.slice(1).map((value, i) => Math.abs(value - steps[i]))
        expect(Math.max(...bends)).toBeLessThan(0.15)
      }
    }
  })
  it('of a zone or an aerofoil that is not there are refused by name', () => {
    expect(() => checkProject(winged({ zone: 'nowhere' }))).toThrow(DocumentError)
    expect(() => checkProject(winged({ zone: 'nowhere' }))).toThrow(/^winglets\.zone/)
    expect(() => checkProject(winged({ aerofoil: 'naca99' }))).toThrow(/^winglets\.aerofoil/)
  })
})
