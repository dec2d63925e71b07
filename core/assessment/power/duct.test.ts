/** A fan in a duct: areas by plane geometry, what they do to its pull, and what is said of a bad one. */
import { describe, expect, it } from 'vitest'
import { ductOf, propulsionOf, sharedAssessor } from '../../assess'
import { DEMOS } from '../../demo'
import type { ProjectFile } from '../../document'
import { polygonArea } from '../../geometry'
import { FRESH, running } from '../../power'
import { LIBRARIES } from '../../libraries'
import { jet, LENGTH } from '../../testing/ducted'
import { proportions } from '../../workshop/advice'
import { readiness } from '../../workshop/readiness'

const [thistledown] = DEMOS
const assessor = sharedAssessor()
const [, fan] = LIBRARIES.fans

const fanOf = (doc: ProjectFile) => doc.equipment.find(item => item.fan)!
const duct = (doc: ProjectFile) => ductOf(doc, fanOf(doc))!
const codes = (doc: ProjectFile) => assessor.assess(doc).findings.map(item => item.code)
const ring = fan.diameterMm ** 2 - fan.hubMm ** 2

describe('the way through a duct', () => {
  it('of a straight tube is its inner circle over the ring of the blades, all along', () => {
    const own = duct(jet())
    // The section has 56 corners, a fifth of a per cent inside its circle.
    for (const { share } of own.along) expect(share / (66 ** 2 / ring)).toBeCloseTo(1, 2)
    expect(own.lengthMm).toBe(LENGTH)
    expect(own.atFanMm).toBeCloseTo(66, 1)
    expect(own.outside).toBe(false)
    expect(own.opensDeg).toBeLessThan(1e-6)
  })
  it('of one that narrows goes with the square, least where it is narrowest, outlet and intake apart', () => {
    const own = duct(jet([72, 60, 66, 64, 58]))
    expect(own.narrowest.share / (60 ** 2 / ring)).toBeCloseTo(1, 2)
    expect(own.narrowest.xMm).toBeCloseTo(LENGTH / 4, -1)
    expect(own.intake).toBeGreaterThan(70 ** 2 / ring)
    expect(own.exit).toBeLessThan(59 ** 2 / ring)
    // Six millimetres of diameter over sixty of length, and steeper in the middle of a smooth way.
    const even = (Math.atan(3 / 60) * 180) / Math.PI
    expect(own.opensDeg).toBeGreaterThan(even)
    expect(own.opensDeg).toBeLessThan(1.6 * even)
  })
  it('belongs to the fan that is named, and to no propeller', () => {
    expect(
      ductOf(
        jet(undefined, draft => (draft.pods[0].duct = null)),
        fanOf(jet()),
      ),
    ).toBeNull()
    const propeller = thistledown.equipment.find(item => item.propeller)!
    expect(ductOf({ ...jet(), pods: [{ ...jet().pods[0], duct: propeller.id }] }, propeller)).toBeNull()
  })
})

describe('the tube as it is printed', () => {
  it('is open at both ends and as thick as its beads, whatever the school', () => {
    for (const school of ['beads', 'bead-infill', 'solid'] as const) {
      const doc = jet(undefined, draft => {
        Object.assign(draft.zones.find(zone => zone.id === draft.pods[0].body.stations[0].zone)!.recipe, {
          school,
          baseLayers: 6,
          topLayers: 6,
        })
      })
      const [tube] = assessor.airframe(doc).pieces.filter(piece => piece.part === 'pod')
      for (const at of [tube.from + 0.05, (tube.from + tube.to) / 2 + 1.3, tube.to - 0.05]) {
        const areas = tube.sectionAt(at).map(loop => polygonArea(loop).area)
        expect(areas, `${school} at ${at}`).toHaveLength(2)
        expect(Math.abs(Math.min(...areas)) / ((Math.PI / 4) * 66 ** 2)).toBeCloseTo(1, 2)
      }
    }
  })
  it('is closed as soon as it is no duct', () => {
    const doc = jet(undefined, draft => {
      draft.pods[0].duct = null
      Object.assign(draft.zones.find(zone => zone.id === draft.pods[0].body.stations[0].zone)!.recipe, {
        baseLayers: 6,
      })
    })
    const [body] = assessor.airframe(doc).pieces.filter(piece => piece.part === 'pod')
    expect(body.sectionAt(body.from + 0.05)).toHaveLength(1)
  })
})

describe('what it does to the fan', () => {
  const pull = (doc: ProjectFile, speed = 0) => {
    const { propulsion } = propulsionOf(doc)
    return running(propulsion!.drive, 1, speed, FRESH).thrust
  }
  it('its own length and outlet count instead of those that are written, and that is said', () => {
    const written = jet(undefined, draft => (draft.pods[0].duct = null))
    const { propulsion } = propulsionOf(jet())
    expect(propulsion!.turns.ducted).toMatchObject({ duct: LENGTH / 1000 })
    expect(propulsion!.assumed.map(text => JSON.stringify(text)).join()).toMatch(/Duct/)
    expect(propulsionOf(written).propulsion!.turns.ducted).toMatchObject({
      exitShare: fan.exitShare,
      duct: fan.ductMm / 1000,
    })
  })
  it('a narrow intake and a long way cost pull; nothing of it jumps', () => {
    expect(pull(jet([50, 66, 66, 66, 62]))).toBeLessThan(pull(jet([66, 66, 66, 66, 62])))
    const long = jet(undefined, draft => {
      for (const station of draft.pods[0].body.stations) station.xMm *= 3
      draft.equipment.find(item => item.fan)!.xMm += 2 * 90
    })
    expect(pull(long)).toBeLessThan(0.95 * pull(jet()))
    const pulls = Array.from({ length: 25 }, (_, i) => pull(jet([66, 66, 66, 66, 52 + i * 0.5])))
    const steps = pulls.slice(1).map((value, i) => value - pulls[i])
    for (const [i, step] of steps.slice(1).entries())
      expect(Math.abs(step - steps[i])).toBeLessThan(0.02 * pulls[0])
  })
  it('a narrower outlet keeps more of its pull at speed', () => {
    const narrow = jet([66, 66, 66, 66, 56]),
      wide = jet([66, 66, 66, 66, 65])
    expect(pull(narrow, 6) / pull(narrow)).toBeGreaterThan(pull(wide, 6) / pull(wide))
  })
})

describe('what is said of a bad one', () => {
  const KINDS = ['fan-outside', 'fan-fit', 'duct-narrow', 'duct-outlet', 'duct-opens']
  const said = (doc: ProjectFile) => codes(doc).filter(code => KINDS.includes(code))
  it('nothing of one that fits', () => {
    expect(said(jet([68, 66, 66, 64, 58]))).toEqual([])
  })
  it.each([
    ['fan-narrower than the fan', [60, 60, 60, 60, 58], 'fan-fit'],
    ['too wide round the blades', [76, 76, 76, 70, 58], 'fan-fit'],
    ['a throat ahead of the fan', [50, 66, 66, 64, 58], 'duct-narrow'],
    ['hardly an outlet', [66, 66, 66, 58, 44], 'duct-outlet'],
    ['a trumpet', [56, 60, 66, 66, 58], null],
    ['a sudden step', [66, 66, 66, 66, 90], 'duct-opens'],
  ] as const)('%s', (_, inside, code) => {
    if (code) expect(said(jet(inside))).toContain(code)
    else expect(said(jet(inside))).not.toContain('duct-opens')
  })
  it.each([100, 620])('a fan that is not in it, at %d mm', xMm => {
    const doc = jet(undefined, draft => {
      draft.equipment.find(item => item.fan)!.xMm = xMm
    })
    expect(said(doc)).toEqual(['fan-outside'])
  })
})

it('whoever flies it is asked about a fan, not a propeller', () => {
  const item = (doc: ProjectFile) =>
    readiness(doc, assessor.assess(doc)).items.find(own => own.id === 'propeller')!
  expect(item(jet()).label).toMatch(/Fan/)
  expect(item(jet()).caution).toMatch(/sleeves/)
  expect(item(thistledown).label).toMatch(/Propeller/)
})

it('is nowhere near the airframe: it turns in its housing', () => {
  const gaps = (doc: ProjectFile) =>
    proportions(doc, assessor.assess(doc)).filter(item => item.id === 'prop-gap')
  expect(gaps(thistledown)).toHaveLength(1)
  expect(gaps(jet())).toEqual([])
})
