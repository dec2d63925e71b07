/** Legs as the whole aircraft lands on them. */
import { describe, expect, it } from 'vitest'
import { type Assessment, sharedAssessor } from '../../assess'
import { DEMOS } from '../../demo'
import type { Leg, ProjectFile } from '../../document'
import { drafted } from '../../testing/changed'
import { WIRE_LEG } from '../../testing/wire-leg'

const assessor = sharedAssessor()
const assess = (change: (draft: ProjectFile) => void): Assessment =>
  assessor.assess(drafted(DEMOS[0], change))

describe('a leg on a coil spring', () => {
  const sprung = (more: Partial<Leg['coil']> = {}, dropMm = 60) =>
    assess(draft => {
      draft.brief.landing = 'wheels'
      draft.brief.dropMm = dropMm
      draft.gear = [
        {
          ...WIRE_LEG,
          kind: 'sprung',
          travelMm: 40,
          coil: { wireMm: 1.4, coilMm: 12, turns: 8, freeMm: 60, ...more },
        },
      ]
    })
  const wire = (of: Assessment) => of.strength.places.find(place => place.id.endsWith('-spring'))!
  it('weighs its wire, gives by it, and is as strong as that: force times factor, at most what presses it solid', () => {
    const soft = sprung(),
      bare = assess(draft => {
        draft.brief.landing = 'wheels'
        draft.gear = [{ ...WIRE_LEG, kind: 'sprung', travelMm: 40 }]
      })
    // π/4·1.4² of steel, ten turns of π·12 mm, two legs.
    const grams = (2 * 7.85e-3 * (Math.PI / 4) * 1.96 * 10 * Math.PI * 12) / 1
    expect(soft.totals.massG - bare.totals.massG).toBeCloseTo(grams, 6)
    const [spring] = soft.strength.gear.springs
    expect(spring.rateNmm).toBeCloseTo((80e3 * 1.4 ** 4) / (8 * 12 ** 3 * 8), 6)
    const pressed = spring.rateNmm * spring.travelMm
    const each = soft.strength.gear.peakN / 2
    const asked = Math.min(pressed, each * DEMOS[0].brief.safetyFactor)
    expect(wire(soft).reserve).toBeCloseTo(pressed / spring.share / asked, 6)
    // However hard it falls, past its stop the wire is bent no further.
    expect(wire(sprung({}, 600)).reserve).toBeCloseTo(1 / spring.share, 6)
    expect(wire(sprung({}, 900)).reserve).toBeCloseTo(1 / spring.share, 6)
  })
  it('too close a coil, and one that bows out, are named', () => {
    const codes = (of: Assessment) =>
      of.findings.map(finding => finding.code).filter(code => /^spring/.test(code))
    expect(codes(sprung())).toEqual([])
    expect(codes(sprung({ coilMm: 5 }))).toEqual(['spring-index', 'spring-bows'])
    expect(codes(sprung({ coilMm: 40 }))).toEqual(['spring-index'])
  })
  it('a longer spring is a little more, past the length at which the leg stops before it is solid', () => {
    // Solid at ten turns of 1.4 mm: from 54 mm on it is the leg's stop, 40 mm, that ends it. It falls hard enough.
    const seen = Array.from({ length: 25 }, (_, i) => sprung({ freeMm: 48 + i / 2 }, 600))
    const travels = seen.map(of => of.strength.gear.springs[0].travelMm)
    expect(travels[0]).toBeCloseTo(34, 9)
    expect(travels.at(-1)).toBeCloseTo(40, 9)
    const reserves = seen.map(of => wire(of).reserve)
    expect(reserves[0] / reserves.at(-1)!).toBeCloseTo(40 / 34, 6)
    reserves.slice(1).forEach((reserve, i) => expect(Math.abs(reserve / reserves[i] - 1)).toBeLessThan(0.02))
  })
})
