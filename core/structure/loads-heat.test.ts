import fc from 'fast-check'
import { written } from '../units'
import { describe, expect, it } from 'vitest'
import { assess, sharedAssessor } from '../assess'
import { DEMOS } from '../demo'
import type { ProjectFile } from '../document'
import { envelope, gustIncrement } from './flight-loads'
import { LIBRARIES } from '../libraries'
import { COLOURS, HEAT_CASES, skinTemperature, strengthLeft } from './heat'
import { runs } from '../testing/runs'

const [thistledown] = DEMOS

describe('gusts', () => {
  it('a case by hand: 0.7 kg, 0.21 m², chord 0.18 m, slope 4.8, 5 m/s at 13 m/s in 1.16 kg/m³', () => {
    const { increment, alleviation, massRatio } = gustIncrement({
      density: 1.16,
      speed: 13,
      gust: 5,
      clAlpha: 4.8,
      area: 0.21,
      chord: 0.18,
      mass: 0.7,
      gravity: 9.80665,
    })
    // μ = 1.4/(1.16·0.18·4.8·0.21) = 6.652; K = 0.88·6.652/11.952 = 0.4898; Δn =
    // K·1.16·5·13·4.8·0.21/(2·6.8647).
    expect(massRatio).toBeCloseTo(6.652, 3)
    expect(alleviation).toBeCloseTo(0.4898, 4)
    expect(increment).toBeCloseTo((0.4898 * 1.16 * 5 * 13 * 4.8 * 0.21) / (2 * 6.86466), 3)
  })
  it('grows in proportion to gust and speed; a heavier aircraft is thrown about less', () => {
    const base = {
      density: 1.2,
      speed: 12,
      gust: 4,
      clAlpha: 5,
      area: 0.2,
      chord: 0.17,
      mass: 0.6,
      gravity: 9.81,
    }
    fc.assert(
      fc.property(fc.double({ min: 0.3, max: 4, noNaN: true }), k => {
        expect(gustIncrement({ ...base, gust: 4 * k }).increment).toBeCloseTo(
          k * gustIncrement(base).increment,
          9,
        )
        expect(gustIncrement({ ...base, speed: 12 * k }).increment).toBeCloseTo(
          k * gustIncrement(base).increment,
          9,
        )
        if (k > 1)
          expect(gustIncrement({ ...base, mass: 0.6 * k }).increment).toBeLessThan(
            gustIncrement(base).increment,
          )
      }),
    )
  })
})

describe('envelope', () => {
  it('pulls (V/V_s)² up to the limit, which it meets at V_s·√n; a strong gust governs where it beats the limit', () => {
    const e = envelope({ stallSpeed: 7, cruise: 13, topSpeed: 21, limit: 4, gustCruise: 2, gustTop: 1.6 })
    for (const { speed, up } of e.pull) expect(up).toBeCloseTo(Math.min(4, (speed / 7) ** 2), 9)
    expect(e.governing).toMatchObject({ n: 4, speed: 14, by: 'pull-up' })
    const gusty = envelope({
      stallSpeed: 5,
      cruise: 13,
      topSpeed: 21,
      limit: 3,
      gustCruise: 3.5,
      gustTop: 2.8,
    })
    expect(gusty.governing).toMatchObject({ n: 4.5, speed: 13, by: 'gust at cruise' })
    // At 8 m/s the wing would stall at (8/5)² before the gust could do that.
    expect(
      envelope({ stallSpeed: 5, cruise: 8, topSpeed: 8, limit: 2, gustCruise: 3.5, gustTop: 0 }).governing.n,
    ).toBeCloseTo(2.56, 9)
  })
  it('a gust past the pull-up lowers the reserve in proportion, and the verdict says which it is', () => {
    const calm = assess(thistledown)
    const stormy = assess({ ...thistledown, brief: { ...thistledown.brief, gustMs: 12 } })
    expect(calm.loads.governing.by).toBe('pull-up')
    expect(stormy.loads.governing.by).toMatch(/^gust/)
    expect(stormy.loads.governing.n).toBeGreaterThan(5)
    // The same distribution, as much more of it; twist apart, which the speed sets.
    expect(stormy.strength.stations[3].moment / calm.strength.stations[3].moment).toBeCloseTo(
      stormy.loads.governing.n / 5,
      6,
    )
    expect(stormy.strength.wing.reserve).toBeLessThan(calm.strength.wing.reserve)
    expect(written(stormy.verdicts.strength.reason)).toContain(stormy.loads.governing.by)
  })
})

describe('every corner of the envelope goes through the wing', () => {
  const at = (brief: Partial<ProjectFile['brief']>) =>
    assessor.assess({ ...thistledown, brief: { ...thistledown.brief, ...brief } })
  const assessor = sharedAssessor()
  const of = (assessment: ReturnType<typeof at>, id: string) =>
    assessment.strength.cases.find(item => item.id === id)?.reserve

  it('the limit at top speed is another case than at the speed of manoeuvres: the sections twist the wing besides', () => {
    const slow = at({})
    const skin = (id: string) => slow.strength.cases.find(item => item.id === id)!
    expect(of(slow, 'pull-top')).toBeLessThanOrEqual(of(slow, 'pull')!)
    // Where spars alone bear, twist says nothing; the skin's shear is what the sections' moments add to.
    expect(skin('pull').mode).toBe('spar alone')
    expect(slow.strength.twist.diveDeg).toBeLessThan(slow.strength.twist.pullDeg - 0.3)
    // The same load factor at the same speed is the same load.
    const { stallMs } = slow.loads
    const one = at({ topSpeedMs: stallMs * Math.sqrt(thistledown.brief.loadFactor), gustMs: 0 })
    expect(of(one, 'pull-top')).toBeCloseTo(of(one, 'pull')!, 9)
  })
  it('corners by hand: 4 g at 14 m/s and at 21 m/s, 40 % of it pushed, gusts only past these', () => {
    const base = { stallSpeed: 7, cruise: 15, topSpeed: 21, limit: 4, gustCruise: 2, gustTop: 1.6 }
    const rows = (input: typeof base) =>
      envelope(input).corners.map(({ id, n, speed }) => [id, Number(n.toFixed(9)), speed])
    expect(rows(base)).toEqual([
      ['pull', 4, 14],
      ['pull-top', 4, 21],
      ['dive', 1, 21],
      ['push', -1.6, 14],
      ['push-top', -1.6, 21],
    ])
    expect(rows({ ...base, gustCruise: 3.2, gustTop: 3.4 })).toEqual([
      ['pull', 4, 14],
      ['pull-top', 4, 21],
      ['gust', 4.2, 15],
      ['gust-top', 4.4, 21],
      ['dive', 1, 21],
      ['push', -1.6, 14],
      ['push-top', -1.6, 21],
      // Downwards it stalls at 40 %: −0.4·(15/7)² = −1.837, −0.4·9 = −3.6.
      ['gust-down', Number((-0.4 * (15 / 7) ** 2).toFixed(9)), 15],
      ['gust-down-top', -2.4, 21],
    ])
    // Too slow to reach its limit: what the stall allows at the fastest, and the limit is still asked for.
    expect(rows({ ...base, topSpeed: 12, cruise: 12, gustCruise: 0.5, gustTop: 0.5 }).slice(0, 2)).toEqual([
      ['pull', 4, 12],
      ['pull-top', Number(((12 / 7) ** 2).toFixed(9)), 12],
    ])
  })
  it('what lies between two corners is borne where both are: a gust at top speed short of the limit', () => {
    const whole = at({ gustMs: 0 })
    for (const loadFactor of [1.5, 2.4, 3.3, 4.2]) {
      const between = of(at({ loadFactor, gustMs: 0 }), 'pull-top')!
      expect(between).toBeGreaterThanOrEqual(Math.min(of(whole, 'dive')!, of(whole, 'pull-top')!) - 1e-9)
    }
  })
  /** Without spars: what skin alone bears feels every corner. */
  const bare = (brief: Partial<ProjectFile['brief']>) =>
    assessor.assess({ ...thistledown, spars: [], brief: { ...thistledown.brief, ...brief } })
  it('a gust or a top speed that grows in fine steps lowers the reserve, and never by a jump', () => {
    const length = runs(41, 13)
    for (const row of [
      Array.from({ length }, (_, i) => bare({ gustMs: 12 - (length - 1 - i) * 0.1 })),
      Array.from({ length }, (_, i) => bare({ topSpeedMs: 29 - (length - 1 - i) * 0.3 })),
    ]) {
      const reserves = row.map(assessment => assessment.strength.wing.reserve)
      const largest = (every: number) =>
        Math.max(
          ...reserves.filter((_, i) => i % every === 0).map((value, i, all) => (i ? all[i - 1] - value : 0)),
        )
      reserves.slice(1).forEach((value, i) => expect(value).toBeLessThanOrEqual(reserves[i] + 1e-9))
      // The pull-up itself is the same one whatever gust leads past it, and however fast the aircraft dives.
      for (const { strength } of row)
        expect(strength.twist.pullDeg).toBeCloseTo(row[0].strength.twist.pullDeg, 9)
      expect(largest(1)).toBeGreaterThan(0.001)
      // A slope halves with its step; a jump would stay as large as it is.
      expect(largest(1)).toBeLessThan(0.6 * largest(2))
    }
  }, 120_000)
})

describe('heat', () => {
  it('air + α·G/h by hand: a black skin in still air at 30 °C reaches 99 °C, a white one 48.75 °C', () => {
    const field = HEAT_CASES.find(item => item.id === 'field')!
    expect(skinTemperature(30, field, 0.92)).toBeCloseTo(30 + (0.92 * 900) / 12, 9)
    expect(skinTemperature(30, field, 0.25)).toBeCloseTo(48.75, 9)
  })
  it('strength: all of it at 23 °C and below, half midway, none at softening; colder is never weaker', () => {
    expect(strengthLeft(60, 23)).toBe(1)
    expect(strengthLeft(60, -10)).toBe(1)
    expect(strengthLeft(60, 41.5)).toBeCloseTo(0.5, 9)
    expect(strengthLeft(60, 80)).toBe(0)
    fc.assert(
      fc.property(
        fc.double({ min: -40, max: 150, noNaN: true }),
        fc.double({ min: 0, max: 60, noNaN: true }),
        (t, warmer) => {
          expect(strengthLeft(60, t)).toBeGreaterThanOrEqual(strengthLeft(60, t + warmer))
        },
      ),
    )
  })
  it('darker and hotter places never leave more reserve; a bare plastic wing loses what its skin loses', () => {
    const bare: ProjectFile = { ...thistledown, spars: [] }
    const assessor = sharedAssessor()
    const { cases } = assessor.heat(bare)
    // The verdict is that of the brief's own colour in the air.
    const now = assessor.assess(bare).strength.reserve
    const { softeningC } = LIBRARIES.filaments.find(item => item.id === 'pla-foam')!
    const leftNow = strengthLeft(softeningC, 22 + (0.25 * 900) / 50)
    for (const place of ['flying', 'field'] as const) {
      const own = COLOURS.map(colour =>
        cases.find(item => item.place === place && item.colour === colour.id)!,
      )
      own.forEach((item, i) => {
        if (i > 0) expect(item.reserve!).toBeLessThanOrEqual(own[i - 1].reserve! + 1e-9)
      })
      for (const item of own) {
        // All zones of the wing are of one filament here: everything plastic falls alike.
        const left = item.left.find(zone => zone.zone === 'wing-inner')!.left
        if (left > 0.01) expect(Math.abs((item.reserve! / now) * leftNow - left)).toBeLessThan(0.02)
      }
    }
    expect(cases.filter(item => item.place === 'car').every(item => item.reserve === null)).toBe(true)
  })
})
