import { describe, expect, it } from 'vitest'
import { sharedAssessor } from '../../assess'
import { DEMOS } from '../../demo'
import { normalCdf } from '../../mass'
import { chanceOf, chanceOfAll, type Targets } from './robust'
import { random } from '../../testing/random'

/** Everything in hand but what a test takes away. */
const easy: Targets = {
  massG: 700,
  massTargetG: 900,
  massSigmaG: 10,
  cgMm: [200, 200],
  foreMm: 180,
  aftMm: 220,
  cgSigmaMm: 1,
  neutralPointSigmaMm: 0,
  correlation: 0,
  reserve: 2,
  reserveSpread: 0.02,
  hours: 20,
  hoursTarget: 40,
}
describe('how sure', () => {
  it('each target alone by the normal distribution: half at its middle, 0.8413 one deviation away', () => {
    expect(chanceOf(easy)).toBeCloseTo(1, 5)
    expect(chanceOf({ ...easy, massTargetG: 700 })).toBeCloseTo(0.5, 4)
    expect(chanceOf({ ...easy, massTargetG: 710 })).toBeCloseTo(0.8413, 3)
    expect(chanceOf({ ...easy, cgMm: [221, 200] })).toBeCloseTo(0.1587, 3)
    expect(chanceOf({ ...easy, hoursTarget: 18 })).toBeCloseTo(normalCdf(-1), 4)
    // A tenth over one, with a tenth of itself as its deviation; so heavy that the spread of mass does not
    // reach it.
    expect(chanceOf({ ...easy, massSigmaG: 1e-6, reserve: 1.25, reserveSpread: 0.1 })).toBeCloseTo(
      normalCdf(2),
      4,
    )
    expect(chanceOf({ ...easy, massTargetG: 600 })).toBe(0)
  })
  it('independent targets multiply; weight and balance that miss together do not', () => {
    const two = { ...easy, massTargetG: 700, cgMm: [220, 200] as const }
    expect(chanceOf(two)).toBeCloseTo(0.25, 3)
    // Heavier is further aft: under the mass target it is inside the band as well, both with one half.
    expect(chanceOf({ ...two, correlation: 1 })).toBeCloseTo(0.5, 2)
    // Two normals with correlation r are both below their middles with 1/4 + asin(r)/2π (Sheppard 1899); the
    // neutral point's own spread thins r.
    for (const r of [-1, -0.6, 0.3, 0.8])
      expect(chanceOf({ ...two, correlation: r, neutralPointSigmaMm: 0.5 })).toBeCloseTo(
        0.25 + Math.asin(r / Math.hypot(1, 0.5)) / (2 * Math.PI),
        3,
      )
  })
  it('as drawing every mass of a real ledger a hundred thousand times', () => {
    // A target a little over what it should weigh, so that chance decides.
    const { massG } = sharedAssessor().assess(DEMOS[0]).totals
    const doc = { ...DEMOS[0], brief: { ...DEMOS[0].brief, targetMassG: massG + 7, printHours: 27 } },
      a = sharedAssessor().assess(doc),
      { normal } = random(7)
    const filamentOf = new Map(
        a.pieces.map(piece => [piece.id, piece.weighedG === null ? piece.filament : null]),
      ),
      sparOf = new Map(
        a.spars.flatMap(spar =>
          ['', '-starboard', '-port'].map(side => [`${spar.id}${side}`, spar.id] as const),
        ),
      )
    const [fore, aft] = a.flight.cgRangeMm,
      reserve = a.strength.reserve,
      share = a.verdicts.strength.spread / reserve
    let hits = 0
    const tries = 100_000
    for (let n = 0; n < tries; n++) {
      const common = new Map<string, number>()
      let mass = 0,
        moment = 0,
        dropped = 0,
        droppedMoment = 0
      for (const row of a.ledger) {
        const key = filamentOf.get(row.id) ?? sparOf.get(row.id)
        if (key && !common.has(key)) common.set(key, normal())
        const own = row.massG + row.sigmaG * (key ? common.get(key)! : normal())
        mass += own
        moment += own * row.xMm
        if (row.drops) [dropped, droppedMoment] = [dropped + own, droppedMoment + own * row.xMm]
      }
      const shift = a.flight.neutralPointSigmaMm * normal(),
        places = [moment / mass, (moment - droppedMoment) / (mass - dropped)]
      const bears = (reserve * a.totals.massG) / mass
      if (
        mass <= doc.brief.targetMassG &&
        places.every(x => x >= fore + shift && x <= aft + shift) &&
        bears * (1 + share * normal()) >= 1 &&
        a.totals.hours * (1 + 0.1 * normal()) <= doc.brief.printHours
      )
        hits++
    }
    const found = chanceOfAll(a)
    expect(found).toBeGreaterThan(0.1)
    expect(found).toBeLessThan(0.9)
    // Three standard deviations of the count itself, and what first order leaves out.
    expect(Math.abs(found - hits / tries)).toBeLessThan(3 * Math.sqrt((found * (1 - found)) / tries) + 0.006)
  })
  it('a higher target never lowers it', () => {
    const near = sharedAssessor().assess(DEMOS[1]),
      far = sharedAssessor().assess({
        ...DEMOS[1],
        brief: { ...DEMOS[1].brief, targetMassG: DEMOS[1].brief.targetMassG + 30 },
      })
    expect(chanceOfAll(far)).toBeGreaterThan(chanceOfAll(near))
  })
})
