import { describe, expect, it } from 'vitest'
import { layPanels } from '../../aero'
import { sharedAssessor } from '../../assess'
import { DEMOS } from '../../demo'
import type { Control } from '../../document'
import { createLift } from './solved-lift'
import { controlId, controlRoles, latticeOf } from './airframe-lattice'
import { alongSpan, createSections } from './section-models'
import { changed } from '../../testing/changed'

const [thistledown, plover] = DEMOS
const assessor = sharedAssessor()
const control = (kind: Control['kind']): Control => ({ ...thistledown.wing.controls[0], name: kind, kind })

describe('who steers', () => {
  it('elevator, ailerons and rudder; elevons do both; a V-tail pitches and yaws; nothing is nothing', () => {
    expect(controlRoles(thistledown, ['wing', 'horizontal', 'vertical'])).toEqual({
      pitch: 'horizontal:0',
      roll: 'wing:0',
      yaw: 'vertical:0',
    })
    expect(controlRoles(plover, ['wing', 'vertical'])).toEqual({ pitch: 'wing:0', roll: 'wing:0', yaw: null })
    const v = changed(thistledown, d => {
      d.tail.horizontal!.controls = [control('ruddervator')]
    })
    expect(controlRoles(v, ['wing', 'horizontal'])).toMatchObject({
      pitch: 'horizontal:0',
      yaw: 'horizontal:0',
    })
    const bare = changed(plover, d => {
      d.wing.controls = []
    })
    expect(controlRoles(bare, ['wing', 'vertical'])).toEqual({ pitch: null, roll: null, yaw: null })
    // A flap before the aileron in the list does not steer.
    const flapped = changed(thistledown, d => {
      d.wing.controls.unshift({ ...control('flap'), piece: 9 })
    })
    expect(controlRoles(flapped, ['wing', 'horizontal', 'vertical']).roll).toBe('wing:1')
  })
})

describe('the lattice of an airframe', () => {
  it('has the drawn area and span, and its controls cover their share of the span', () => {
    const { wing } = assessor.airframe(thistledown)
    const panels = layPanels([latticeOf(wing, thistledown.wing.controls)])
    const area = panels.strips.reduce((sum, strip) => sum + strip.chord * strip.width, 0)
    const drawn = 0.27 * 0.195 + (0.33 * (0.195 + 0.13)) / 2
    // Along the dihedral, and chords at the condition points: within a percent of the flat plan.
    expect(Math.abs(area / drawn - 1)).toBeLessThan(0.01)
    const weights = panels.controls.get(controlId('wing', 0))!
    const covered = panels.strips.reduce(
      (sum, strip) =>
        sum +
        (weights.subarray(strip.first, strip.first + strip.panels).some(w => w !== 0) ? strip.width : 0),
      0,
    )
    expect(covered / panels.strips.reduce((sum, strip) => sum + strip.width, 0)).toBeGreaterThan(0.44)
    expect(covered / panels.strips.reduce((sum, strip) => sum + strip.width, 0)).toBeLessThan(0.56)
  })
  it('a fin on the plane of symmetry leaves symmetric flow alone; twin fins at the tips end-plate the wing', () => {
    const lift = createLift()
    const with_ = lift(assessor.airframe(thistledown)),
      without = lift(
        assessor.airframe(
          changed(thistledown, d => {
            d.tail.vertical = null
          }),
        ),
      )
    expect(with_.neutralPoint).toBeCloseTo(without.neutralPoint, 9)
    const finned = lift(assessor.airframe(plover)),
      plainWing = lift(
        assessor.airframe(
          changed(plover, d => {
            d.tail.vertical = null
          }),
        ),
      )
    expect(finned.lift.clAlpha).toBeGreaterThan(plainWing.lift.clAlpha * 1.02)
    expect(finned.lift.spanEfficiency).toBeGreaterThan(plainWing.lift.spanEfficiency + 0.05)
  })
  it('is kept while surfaces, controls and body stay, whatever else changes', () => {
    const lift = createLift()
    const before = lift(assessor.airframe(thistledown))
    expect(lift(assessor.airframe({ ...thistledown, equipment: thistledown.equipment.slice(1) }))).toBe(
      before,
    )
    expect(
      lift(
        assessor.airframe({
          ...thistledown,
          body: {
            ...thistledown.body!,
            stations: thistledown.body!.stations.map(station => ({
              ...station,
              widthMm: station.widthMm + 5,
            })),
          },
        }),
      ),
    ).not.toBe(before)
  })
})

describe('what a boom gives way to', () => {
  const left = (edit: (doc: (typeof DEMOS)[0]) => void = () => {}) =>
    assessor.flown(changed(thistledown, edit)).solved.tailLeft(20)

  it('is the tail behind it, and not fins at the tips of the wing, however far aft', () => {
    expect(left().pitch).toBeLessThan(0.97)
    expect(left().yaw).toBeLessThan(0.99)
    const tips = left(doc => {
      doc.tail.vertical!.mirror = true
      doc.tail.vertical!.yMm = 590
    })
    expect(tips.yaw).toBe(1)
    expect(tips.pitch).toBeCloseTo(left().pitch, 2)
  })
  it('is nothing without one, more for a thinner one, less where it is held further aft', () => {
    expect(
      left(doc => {
        doc.boom = null
      }),
    ).toEqual({ pitch: 1, yaw: 1 })
    const thin = left(doc => {
      doc.boom!.stock = 'rod-5'
    })
    expect(thin.pitch).toBeLessThan(left().pitch)
    expect(thin.yaw).toBeLessThan(left().yaw)
    const held = left(doc => {
      doc.body!.stations.at(-1)!.xMm += 80
    })
    expect(held.pitch).toBeGreaterThan(left().pitch)
  })
  it('damps and weathercocks less by as much, in the very figures that modes and rates are reckoned from', () => {
    const of = (stock: string) => {
      const doc = changed(thistledown, draft => {
        draft.boom!.stock = stock
      })
      const { handling } = assessor.assess(doc)
      return { ...handling.derivatives, left: assessor.flown(doc).solved.tailLeft(handling.speedMs) }
    }
    const [stiff, soft] = [of('tube-12x10'), of('rod-5')]
    const [pitch, yaw] = [soft.left.pitch / stiff.left.pitch, soft.left.yaw / stiff.left.yaw]
    expect(pitch).toBeLessThan(0.9)
    // Nearly all of the damping in pitch is the tail's, and more than half of what turns the nose into the wind.
    expect(soft.Cm_q / stiff.Cm_q).toBeGreaterThan(pitch)
    expect(soft.Cm_q / stiff.Cm_q).toBeLessThan((1 + pitch) / 2)
    // What the body turns the other way stays, so that the sum falls by more than the fin.
    expect(soft.Cn_beta / stiff.Cn_beta).toBeLessThan(yaw)
  })
})

describe('sections along the span', () => {
  it('mix straight between the ends of a panel and hold beyond them', () => {
    const models = createSections()(
      assessor.airframe(thistledown).wing,
      changed(thistledown, d => {
        d.wing.panels[1].tipAerofoil = 'naca2412'
      }).wing,
      thistledown,
      0.9,
    )
    const camberOf = (at: number) => alongSpan(models, at, model => model.alphaZeroLift)
    expect(camberOf(0)).toBe(models.models[0].alphaZeroLift)
    expect(camberOf(0.435)).toBeCloseTo(
      (models.models[1].alphaZeroLift + models.models[2].alphaZeroLift) / 2,
      9,
    )
    expect(camberOf(0.6)).toBe(models.models[2].alphaZeroLift)
    expect(camberOf(5)).toBe(models.models[2].alphaZeroLift)
  })
  it('are solved once for one aerofoil, edge and set of polars', () => {
    const sections = createSections()
    const { wing } = assessor.airframe(thistledown)
    const first = sections(wing, thistledown.wing, thistledown, 0.9),
      again = sections(wing, thistledown.wing, { ...thistledown, zones: [] }, 0.9)
    first.models.forEach((model, i) => expect(again.models[i]).toBe(model))
    expect(first.models[0]).toBe(first.models[1])
    const measured = sections(
      wing,
      thistledown.wing,
      {
        ...thistledown,
        polars: [
          {
            aerofoil: 'naca4412',
            source: '',
            reynolds: 1e5,
            points: [
              [0, 0.4, 0.01, 0],
              [4, 0.8, 0.012, 0],
              [8, 1.1, 0.02, 0],
            ],
          },
        ],
      },
      0.9,
    )
    expect(measured.models[0].source).toBe('measured')
    expect(measured.models[0].limit(7e4).cl).toBeCloseTo(1.1, 9)
  })
})
