import { beforeAll, describe, expect, it } from 'vitest'
import { createAssessor, travelOf, type Assessment } from '../assess'
import { DEMOS } from '../demo'
import type { ProjectFile } from '../document'
import { buildOrder } from '../workshop/build'
import { changed } from '../testing/changed'
import { runs } from '../testing/runs'
import { cabane, interplane, twoWings } from '../testing/two-wings'

const [thistledown] = DEMOS
const assessor = createAssessor(undefined, { hours: false })

/** The wing of the demo alone, flat and untwisted, with nothing round it. */
const bare = (doc: ProjectFile): ProjectFile =>
  changed(doc, draft => {
    Object.assign(draft, { body: null, boom: null, struts: [] })
    draft.tail = { kind: 'none', screws: 0, slots: false, horizontal: null, vertical: null }
    for (const wing of [draft.wing, draft.second])
      for (const panel of wing?.panels ?? []) Object.assign(panel, { dihedralDeg: 0, tipTwistDeg: 0 })
    draft.wing.controls = []
  })

describe('two wings in the air', () => {
  const alone = assessor.flown(bare(thistledown)).solved
  const both = (upMm: number, aftMm = 0) => assessor.flown(bare(twoWings({ upMm, aftMm }))).solved

  it('far apart lift as two of one: the same slope on twice the area, twice the span efficiency', () => {
    const apart = both(3900)
    expect(apart.plan.area).toBeCloseTo(2 * alone.plan.area, 12)
    expect(apart.plan.mac).toBeCloseTo(alone.plan.mac, 12)
    // What is left of the other wing's downwash at four spans: 1/(1 + 2·(4·2)²)/2 of its own, under a percent.
    expect(apart.lift.clAlpha / alone.lift.clAlpha).toBeGreaterThan(0.985)
    expect(apart.lift.clAlpha / alone.lift.clAlpha).toBeLessThan(1)
    expect(apart.lift.spanEfficiency / alone.lift.spanEfficiency).toBeCloseTo(2, 1)
    expect(apart.neutralPoint).toBeCloseTo(alone.neutralPoint, 3)
  })
  it.each([0.1, 0.15, 0.2, 0.3])(
    'with a gap of %f of the span drag by lift as Prandtl has it for two equal wings',
    share => {
      // NACA TN 182 (1924): σ = (1 − 0.66 μ)/(1.05 + 3.7 μ) between 1/15 and 1/4 of the span, fitted for
      // elliptic loads; e of both on their area is 2/(1 + σ) of the one wing's.
      const span = 1000 * alone.plan.span,
        sigma = (1 - 0.66 * share) / (1.05 + 3.7 * share)
      const e = both(share * span).lift.spanEfficiency / alone.lift.spanEfficiency
      expect(e / (2 / (1 + sigma))).toBeGreaterThan(0.97)
      expect(e / (2 / (1 + sigma))).toBeLessThan(1.03)
    },
  )
  it('staggered costs no more (Munk), and the neutral point goes with the mean of both', () => {
    const level = both(195)
    for (const aftMm of [-100, -50, 50, 100]) {
      const { lift, neutralPoint } = both(195, aftMm)
      expect(lift.spanEfficiency / level.lift.spanEfficiency).toBeCloseTo(1, 2)
      expect(neutralPoint - level.neutralPoint).toBeGreaterThan(aftMm > 0 ? 0.3e-3 * aftMm : 0.7e-3 * aftMm)
      expect(neutralPoint - level.neutralPoint).toBeLessThan(aftMm > 0 ? 0.7e-3 * aftMm : 0.3e-3 * aftMm)
    }
  })
  it('mirrored top to bottom they are the same aircraft to the lattice', () => {
    const up = both(200),
      down = both(-200)
    expect(down.lift.clAlpha).toBeCloseTo(up.lift.clAlpha, 2)
    expect(down.neutralPoint).toBeCloseTo(up.neutralPoint, 3)
  })
  it('moved in millimetres nothing jumps: neutral point, slope and stall over gap and stagger', () => {
    const count = runs(40, 7)
    for (const at of [(i: number) => both(100 + i), (i: number) => both(180, -count / 2 + i)]) {
      const flown = Array.from({ length: count }, (_, i) => at(i))
      for (const figure of [
        flown.map(({ neutralPoint }) => 1000 * neutralPoint),
        flown.map(({ lift }) => lift.clAlpha),
        flown.map(({ lift }) => lift.spanEfficiency),
      ]) {
        const steps = figure.slice(1).map((value, i) => value - figure[i])
        const bends = steps.slice(1).map((value, i) => Math.abs(value - steps[i]))
        expect(Math.max(...bends)).toBeLessThan(0.02 * Math.max(1, Math.abs(figure[0]) / 10))
      }
    }
  })
})

describe('an aircraft with two wings', () => {
  const struts = [cabane(), interplane(330)]
  const doc = twoWings({ upMm: 150, aftMm: -40, struts })
  let one: Assessment, two: Assessment
  beforeAll(() => {
    one = assessor.assess(thistledown)
    two = assessor.assess(doc)
  })

  it('weighs the second like the first, moved: pieces, spars and balance by hand', () => {
    const rows = ({ ledger }: Assessment, part: string) =>
      ledger.filter(row => row.id.startsWith(`${part}-`) && row.group === 'printed')
    const mass = (list: ReturnType<typeof rows>) => list.reduce((sum, row) => sum + row.massG, 0)
    const moment = (list: ReturnType<typeof rows>) => list.reduce((sum, row) => sum + row.massG * row.xMm, 0)
    const first = rows(two, 'wing').filter(row => !row.id.includes('moving')),
      second = rows(two, 'second')
    // The first has bays and slots for its ailerons, and they are apart: together not far from the whole.
    expect(mass(second)).toBeGreaterThan(mass(first))
    expect(mass(second) / mass(rows(two, 'wing'))).toBeCloseTo(1, 1)
    expect(moment(second) / mass(second) - moment(rows(two, 'wing')) / mass(rows(two, 'wing'))).toBeCloseTo(
      -40,
      -1,
    )
    const total = two.ledger.reduce((sum, row) => sum + row.massG, 0),
      x = two.ledger.reduce((sum, row) => sum + row.massG * row.xMm, 0) / total
    expect(two.totals.massG).toBeCloseTo(total, 6)
    expect(two.totals.cgMm[0]).toBeCloseTo(x, 6)
  })
  it('stalls when the first of both lets go: the front one, in the other’s upwash', () => {
    expect(two.stall.surface).toBe('second')
    const behind = assessor.assess(twoWings({ upMm: 150, aftMm: 40, struts })).stall
    expect(behind.surface).toBe('wing')
    // On twice the area at about the same mass.
    expect(two.stall.speedMs).toBeLessThan(0.9 * one.stall.speedMs)
    expect(two.plan.areaDm2).toBeCloseTo(2 * one.plan.areaDm2, 6)
  })
  it('parts its weight between both, the greater share to each', () => {
    const lifted = (result: Assessment) =>
      result.strength.lift
        .slice(1)
        .reduce(
          (sum, point, i) =>
            sum +
            (((point.perLength + result.strength.lift[i].perLength) / 2) *
              (point.s - result.strength.lift[i].s)) /
              1000,
          0,
        )
    const share = (2 * lifted(two)) / (two.loads.governing.n * 9.80665 * (two.totals.massG / 1000))
    expect(share).toBeGreaterThan(0.4)
    expect(share).toBeLessThan(0.6)
    expect(two.strength.wing.reserve).toBeGreaterThan(1.3 * one.strength.wing.reserve)
  })
  it('is stopped by a second wing that does not bear', () => {
    const weak = assessor.assess(
      changed(doc, draft => {
        draft.spars = draft.spars.filter(spar => spar.surface !== 'second')
        draft.brief.loadFactor = 20
      }),
    )
    expect(weak.strength.places[0].part).toBe('second')
    expect(weak.strength.reserve).toBe(weak.strength.places[0].reserve)
  })
  it('goes together half by half, then on its struts, sighted after', () => {
    const { steps } = buildOrder(assessor.airframe(doc))
    const at = (id: string) => {
      const index = steps.findIndex(item => item.id === id)
      expect(index, id).toBeGreaterThanOrEqual(0)
      return index
    }
    expect(at('halves.second')).toBeLessThan(at('set-wing.second'))
    expect(at('set-wing')).toBeLessThan(at('strut.interplane'))
    expect(at('set-wing.second')).toBeLessThan(at('strut.cabane'))
    expect(at('strut.cabane')).toBeLessThan(at('align.tail'))
  })
  it('travels whole: struts hold together what bolts alone would let go', () => {
    const named = (of: ProjectFile) => travelOf(assessor.airframe(of), null).parts.map(part => part.name)
    const bolted = changed(doc, draft => {
      draft.body!.saddle = { clearanceMm: 0.3, bolts: 2, boltMm: 3 }
    })
    expect(named({ ...bolted, struts: [] }).filter(name => /[Ww]ing/.test(name))).toHaveLength(2)
    expect(named(bolted).filter(name => /[Ww]ing/.test(name))).toHaveLength(1)
  })
  it('behind, on the boom, bends it', () => {
    const tandem = twoWings({ upMm: -40, aftMm: 420 })
    const boom = (result: Assessment) => result.strength.places.filter(place => place.part === 'boom')
    const least = (result: Assessment) => Math.min(...boom(result).map(place => place.reserve))
    const after = assessor.assess(tandem)
    expect(least(after)).toBeLessThan(least(one))
    expect(boom(after).some(place => place.case === 'pull-up')).toBe(true)
  })
})
