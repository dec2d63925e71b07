/** What a section bears once its skin has buckled. */
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { sharedAssessor } from '../assess'
import { DEMOS } from '../demo'
import type { ProjectFile } from '../document'
import { LIBRARIES, recipeById } from '../libraries'
import { runs } from '../testing/runs'
import { collapseUnder, effectiveWidth, shearAfterBuckling, stiffnessUnder } from './after-buckling'
import type { StationBuild } from './wing-station'
import type { StationSection } from './station-section'

const WEBS = recipeById('spiral-lattice', LIBRARIES.filaments[0]).lattice!

/** A beam of two flanges a height apart, the upper one buckling at a strain; E·A of each in N. */
function flanges(upper: number, lower: number, height: number, buckles: number) {
  const walls = [
    { a: 0, b: 1, Et: upper / 0.1, Gt: 1 },
    { a: 2, b: 3, Et: lower / 0.1, Gt: 1 },
  ]
  const centre = (upper * height) / (upper + lower)
  const EIx = upper * (height - centre) ** 2 + lower * centre ** 2
  const section = { x: [0, 0.1, 0, 0.1], y: [height, height, 0, 0], walls, spars: [] }
  const build = {
    section,
    thickness: Float64Array.from([0.001]),
    shear: {
      bending: { EA: upper + lower, x: 0.05, y: centre, EIx, EIy: 1e3, EIxy: 0 },
      GJ: 1,
    },
    skin: {
      count: 1,
      wall: Int32Array.from([0]),
      x: Float64Array.from([0]),
      y: Float64Array.from([height - centre]),
      up: Float64Array.from([0]),
      torque: Float64Array.from([0]),
      whole: Uint8Array.from([1]),
      pressed: Float64Array.from([1 / buckles]),
      sheared: Float64Array.from([1]),
    },
    rings: 1,
    sparWalls: [],
  } as unknown as StationBuild
  return { build, station: { spars: [] } as unknown as StationSection }
}

describe('a buckled panel', () => {
  it("carries Winter's width: all of it up to λ = 0.673, 0.445 at twice, and never more for more strain", () => {
    expect(effectiveWidth(0.45)).toBe(1)
    expect(effectiveWidth(4)).toBeCloseTo((1 - 0.11) / 2, 12)
    for (let past = 0; past < 60; past += 0.05) {
      expect(effectiveWidth(past + 0.05)).toBeLessThanOrEqual(effectiveWidth(past))
      // The force goes on rising all the same.
      expect(effectiveWidth(past + 0.05) * (past + 0.05)).toBeGreaterThan(effectiveWidth(past) * past)
      expect(effectiveWidth(past) - effectiveWidth(past + 0.05)).toBeLessThan(0.03)
    }
  })
  it('in shear goes on as a field of tension: all where it is stocky, half of 1.37 · 2/(0.7 + λ)', () => {
    expect(shearAfterBuckling(10, 1e6)).toBe(1)
    expect(shearAfterBuckling(9, 1)).toBeCloseTo(1.37 / 3.7, 12)
  })
})

describe('collapse', () => {
  it('of two flanges, by hand: the pressed one at its crushing strain with what of it then carries', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1e4, max: 1e6, noNaN: true }),
        fc.double({ min: 1e4, max: 1e6, noNaN: true }),
        fc.double({ min: 1e-4, max: 0.05, noNaN: true }),
        (upper, lower, buckles) => {
          const height = 0.03,
            crushed = 0.01
          const { build, station } = flanges(upper, lower, height, buckles)
          const { collapse, by } = collapseUnder(station, build, 1, 0, { torn: 10, crushed })
          expect(by).toBe('crushed')
          // Both flanges carry the same force: E·A·ρ(ε_c/ε_cr)·ε_c, a height apart.
          const wanted = upper * effectiveWidth(crushed / buckles) * crushed * height
          expect(collapse / wanted).toBeGreaterThan(0.995)
          expect(collapse / wanted).toBeLessThan(1.005)
        },
      ),
      { numRuns: 60 },
    )
  })
  it('what never buckles fails as a beam does, torn or crushed, and turned over likewise', () => {
    const { build, station } = flanges(2e5, 3e5, 0.03, 1e9)
    const torn = collapseUnder(station, build, 1, 0, { torn: 0.004, crushed: 0.02 })
    expect(torn).toMatchObject({ by: 'torn', buckled: false })
    // ε = M·e/EI: the lower flange lies 12 mm under the centroid.
    const EIx = 2e5 * 0.018 ** 2 + 3e5 * 0.012 ** 2
    expect(torn.collapse / ((0.004 * EIx) / 0.012)).toBeCloseTo(1, 2)
    const over = collapseUnder(station, build, -1, 0, { torn: 0.004, crushed: 0.02 })
    expect(over.collapse / ((0.004 * EIx) / 0.018)).toBeCloseTo(1, 2)
    expect(collapseUnder(station, build, -4, 0, { torn: 0.004, crushed: 0.02 }).collapse).toBeCloseTo(
      over.collapse / 4,
      12,
    )
  })
  it('softens as it buckles: all of its stiffness before, less and less after', () => {
    const { build, station } = flanges(2e5, 2e5, 0.03, 1e-3)
    const left = (moment: number) =>
      stiffnessUnder(station, build, { shear: 0, moment, torque: 0, lag: 0 }).bending
    // Strain 1e-3 · 0.45 is where the effective width begins: M = ε·EI/e.
    const first = (0.45e-3 * 2 * 2e5 * 0.015 ** 2) / 0.015
    expect(left(0.99 * first)).toBeCloseTo(1, 6)
    let before = 1
    for (let k = 1.2; k < 12; k += 0.4) {
      const now = left(k * first)
      expect(now).toBeLessThanOrEqual(before + 1e-3)
      before = now
    }
    expect(before).toBeLessThan(0.6)
  })
})

describe('what practice shows', () => {
  const assessor = sharedAssessor()
  const foam = LIBRARIES.filaments.find(item => item.id === 'pla-foam')!
  /** A straight wing of one chord, all of one recipe, with nothing in it but what `change` adds. */
  const winged = (spanMm: number, chordMm: number, change: (draft: ProjectFile) => void): ProjectFile => {
    const draft = structuredClone(DEMOS[0])
    draft.weighIns = []
    draft.calibrations = []
    draft.wing.rootChordMm = chordMm
    draft.wing.controls = []
    draft.wing.panels = [
      {
        ...draft.wing.panels[0],
        spanMm: spanMm / 2,
        tipChordMm: chordMm,
        dihedralDeg: 0,
        zone: 'wing-inner',
      },
    ]
    draft.spars = []
    draft.cuts.wing = []
    draft.equipment = draft.equipment.filter(item => !item.pocket)
    draft.zones.find(zone => zone.id === 'wing-inner')!.recipe = recipeById('spiral-lattice', foam)
    draft.brief.fieldTemperatureC = 15
    change(draft)
    return draft
  }
  const wingMass = (doc: ProjectFile) =>
    assessor
      .assess(doc)
      .ledger.filter(row => /^(wing-|main-spar)/.test(row.id))
      .reduce((sum, row) => sum + row.massG, 0)
  /** Moment that the root bears, N·m. */
  const bears = (doc: ProjectFile) => {
    const { strength } = assessor.assess(doc)
    const [root] = strength.stations
    return root.reserve * root.moment * doc.brief.safetyFactor
  }

  it('a foamed wing of 0.8 m without a spar, at 440 g, does not fail at 1 g, and pulls 3', () => {
    const doc = winged(800, 170, draft => {
      Object.assign(draft.brief, { loadFactor: 3, safetyFactor: 1, gustMs: 0, targetMassG: 440 })
    })
    const { strength, totals } = assessor.assess(doc)
    // The reserve is against the aircraft's own mass: scaled to 440 g.
    expect(strength.wing.reserve * (totals.massG / 440)).toBeGreaterThan(1)
  })
  it('one of 1 m with a strip for a spar, 95 g, bears 2 kg on trestles 0.8 m apart', () => {
    const doc = winged(1000, 125, draft => {
      draft.spars = [
        {
          ...DEMOS[0].spars[0],
          stock: 'strip-1x6',
          fromMm: 0,
          toMm: 480,
          through: true,
          lay: 'middle',
        },
      ]
    })
    expect(Math.abs(wingMass(doc) - 95)).toBeLessThan(10)
    // Half of 2 kg on each trestle, 0.4 m out from the middle.
    expect(bears(doc)).toBeGreaterThan(0.5 * 2 * 9.81 * 0.4)
  })
  it('a thick wing of one bead with nothing behind it, 1.6 m and 1.5 kg, breaks at 3 g', () => {
    const doc = winged(1600, 250, draft => {
      Object.assign(draft.brief, { loadFactor: 3, safetyFactor: 1, gustMs: 0 })
      draft.wing.rootAerofoil = draft.wing.panels[0].tipAerofoil = 'naca4415'
      const zone = draft.zones.find(item => item.id === 'wing-inner')!
      zone.recipe = { ...zone.recipe, lattice: null }
    })
    const { strength, totals } = assessor.assess(doc)
    expect(strength.wing.reserve * (totals.massG / 1500)).toBeLessThan(1)
  })
  it('more webs, more beads, a thicker section are never weaker, pitch by pitch', () => {
    const reserve = (pitchMm: number, walls = 1, aerofoil = 'naca4412') =>
      bears(
        winged(800, 170, draft => {
          const zone = draft.zones.find(item => item.id === 'wing-inner')!
          zone.recipe = { ...zone.recipe, walls, lattice: { ...WEBS, pitchMm } }
          draft.wing.rootAerofoil = draft.wing.panels[0].tipAerofoil = aerofoil
        }),
      )
    const row = Array.from({ length: runs(40, 5) }, (_, i) => reserve(140 - runs(3, 13) * i))
    for (let i = 1; i < row.length; i++) {
      expect(row[i]).toBeGreaterThanOrEqual(row[i - 1] - 1e-6)
      expect(row[i]).toBeLessThan(runs(1.1, 1.4) * row[i - 1])
    }
    expect(reserve(45, 2)).toBeGreaterThan(1.5 * reserve(45))
    expect(reserve(45, 1, 'naca4415')).toBeGreaterThan(reserve(45))
  })
})
