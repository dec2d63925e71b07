import { describe, expect, it } from 'vitest'
import { stockOr, LIBRARIES, stockArea } from '../../libraries'
import type { Strut } from '../../document'
import { sharedAssessor } from '../../assess'
import { cabane, interplane, twoWings } from '../../testing/two-wings'
import { DEMOS } from '../../demo'
import type { Quantity } from '../../units'
import type { StandingStrut } from '../resolve'
import { braced, type Braced } from './bracing'
import type { UnitLoads } from './wing-loads'

/** A half wing 1 m long of one stiffness, N·m², under `w` N/m, taken up; its section is 20 mm high. */
function uniform(name: 'wing' | 'second', w: number, EI = 8): Braced {
  const places = Array.from({ length: 201 }, (_, i) => i / 200)
  const load: UnitLoads = {
    shear: Float64Array.from(places, s => w * (1 - s)),
    moment: Float64Array.from(places, s => (w * (1 - s) ** 2) / 2),
    turning: new Float64Array(places.length),
  }
  const outline = Float64Array.of(0, -10, 100, 10)
  return {
    bears: {
      loft: { name },
      places,
      builds: places.map(() => ({ shear: { bending: { EIx: EI } } })),
      sections: places.map(() => ({ outline })),
    },
    along: { places, lift: load, weight: load, section: new Float64Array(201), along: [], parts: [] },
  } as unknown as Braced
}

/** From `foot` to a place of the body; so stiff that it does not give, unless told. */
function standing(
  foot: { surface: 'wing' | 'second'; s: number } | null,
  other: { surface: 'wing' | 'second'; s: number } | null,
  [a, b]: [readonly [number, number, number], readonly [number, number, number]],
  more: { modulus?: number; pair?: boolean } = {},
): StandingStrut {
  const stock = { ...stockOr(LIBRARIES, 'rod-4'), modulus: more.modulus ?? 1e18 }
  return {
    strut: { ...cabane(), pair: more.pair ?? true } satisfies Strut,
    stock,
    ends: [a, b],
    feet: [foot, other],
    lengthMm: Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]),
  }
}

const held = () => true

describe('struts', () => {
  it('prop a wing as the books have it: 3/8 of the load at its end, 1/8 of the moment left at the root', () => {
    // A beam held at one end and propped at the other: R = 3wL/8, M = wL²/8 (any table of beams).
    const post = standing(null, { surface: 'wing', s: 1000 }, [
      [0, 1000, -300],
      [0, 1000, 0],
    ])
    const { along, pulls } = braced([post], [uniform('wing', 12)], held)
    expect(pulls[0].lift).toBeCloseTo((3 / 8) * 12, 2)
    expect(along[0].lift.moment[0]).toBeCloseTo((1 / 8) * 12, 2)
    expect(along[0].lift.shear[0]).toBeCloseTo((5 / 8) * 12, 2)
    // In the middle of the span: R = 17wL/16 (deflection there wL⁴·17/384 EI against R·L³/24 EI).
    const mid = standing(null, { surface: 'wing', s: 500 }, [
      [0, 500, -300],
      [0, 500, 0],
    ])
    expect(braced([mid], [uniform('wing', 12)], held).pulls[0].lift).toBeCloseTo((17 / 16) * 12, 1)
  })
  it('one that gives takes less, in series with what the wing gives', () => {
    const ends: [readonly [number, number, number], readonly [number, number, number]] = [
      [0, 1000, -300],
      [0, 1000, 0],
    ]
    const modulus = 4e4
    const soft = braced(
      [standing(null, { surface: 'wing', s: 1000 }, ends, { modulus })],
      [uniform('wing', 12, 8)],
      held,
    )
    // R·(L³/3EI + l/EA) = wL⁴/8EI
    const give = 0.3 / (modulus * stockArea(stockOr(LIBRARIES, 'rod-4')))
    expect(soft.pulls[0].lift).toBeCloseTo(12 / 8 / 8 / (1 / 24 + give), 2)
  })
  it('that lean pull by the sine of their angle, and press the wing between them and the root', () => {
    const leaning = standing(null, { surface: 'wing', s: 1000 }, [
      [0, 0, -1000],
      [0, 1000, 0],
    ])
    const { along, pulls } = braced([leaning], [uniform('wing', 12)], held)
    expect(pulls[0].lift).toBeCloseTo((3 / 8) * 12 * Math.SQRT2, 2)
    // Inward as much as downward at 45°; 10 mm from the middle to the skin.
    expect(along[0].lift.pressed![0]).toBeCloseTo((3 / 8) * 12 * 0.01, 4)
    expect(along[0].lift.pressed!.at(-1)).toBeCloseTo((3 / 8) * 12 * 0.01, 4)
  })
  it('between two wings carry nothing where both bend alike, and share what only one of them bears', () => {
    const between = standing({ surface: 'wing', s: 1000 }, { surface: 'second', s: 1000 }, [
      [0, 1000, 0],
      [0, 1000, 200],
    ])
    const alike = braced([between], [uniform('wing', 12), uniform('second', 12)], held)
    expect(Math.abs(alike.pulls[0].lift)).toBeLessThan(1e-9)
    // Loads 24 and 0 on equal wings: the strut evens them out at the tip, R·2·L³/3EI = wL⁴/8EI.
    const uneven = braced([between], [uniform('wing', 24), uniform('second', 0)], held)
    expect(uneven.pulls[0].lift).toBeCloseTo(-(3 / 16) * 24, 2)
    expect(uneven.along[0].lift.shear[0] + uneven.along[1].lift.shear[0]).toBeCloseTo(24, 9)
    expect(uneven.along[1].lift.moment[0]).toBeCloseTo((3 / 16) * 24, 2)
  })
  it('alone hold a wing that stands on nothing else: they pull as much as it lifts', () => {
    const post = standing(null, { surface: 'second', s: 20 }, [
      [0, 20, 0],
      [0, 20, 200],
    ])
    const { pulls, along } = braced([post], [uniform('wing', 12), uniform('second', 9)], w => w === 0)
    expect(pulls[0].lift).toBeCloseTo(9, 9)
    expect(along[1].lift.shear[0]).toBeCloseTo(0, 9)
    // One in the middle has both halves.
    const single = standing(
      null,
      { surface: 'second', s: 0 },
      [
        [0, 0, 0],
        [0, 0, 200],
      ],
      { pair: false },
    )
    const middle = braced([single], [uniform('wing', 12), uniform('second', 9)], w => w === 0)
    expect(middle.pulls[0].lift).toBeCloseTo(18, 9)
  })
  it('on one side only, or between things that are no wing, change nothing', () => {
    const wing = uniform('wing', 12)
    const lone = standing(
      null,
      { surface: 'wing', s: 500 },
      [
        [0, 500, -300],
        [0, 500, 0],
      ],
      { pair: false },
    )
    const bodies = standing(null, null, [
      [0, 0, 0],
      [100, 50, 30],
    ])
    const { along, pulls } = braced([lone, bodies], [wing], held)
    expect(along[0]).toBe(wing.along)
    expect(pulls).toEqual([])
  })
})

describe('struts of an aircraft', () => {
  const assessor = sharedAssessor()
  const liftStrut = (alongMm: number): Strut =>
    cabane({
      id: 'lift',
      name: 'Lift strut',
      from: { on: 'body', xMm: 215, yMm: 20, zMm: -30 },
      to: { on: 'wing', alongMm, share: 0.3 },
    })
  const [thistledown] = DEMOS
  const strutted = (strut: Strut) => assessor.assess({ ...thistledown, struts: [strut] })

  it('a strut from the body to the wing: the wing bears more, and it weighs and drags', () => {
    const before = assessor.assess(thistledown),
      after = strutted(liftStrut(200))
    expect(after.strength.wing.reserve).toBeGreaterThan(1.5 * before.strength.wing.reserve)
    const [strut] = after.struts
    // 4 mm rod of carbon at 1550 kg/m³, two of them, and half a gram at each of four ends.
    expect(strut.massG).toBeCloseTo(2 * (Math.PI * 4 * 1.55e-3 * strut.lengthMm + 1), 3)
    expect(after.totals.massG - before.totals.massG).toBeCloseTo(strut.massG, 6)
    expect(after.flight.bestGlide).toBeLessThan(before.flight.bestGlide)
    const rows = after.ledger.filter(row => row.id.startsWith('lift-'))
    expect(rows.map(row => row.yMm).reduce((a, b) => a + b)).toBeCloseTo(0, 9)
    expect(after.drawing.struts).toHaveLength(2)
  })
  it('one that is pushed bows out as Euler has it', () => {
    const strut = liftStrut(300),
      [report] = strutted(strut).struts
    for (const stock of ['rod-2', 'rod-3']) {
      const place = strutted({ ...strut, stock }).strength.places.find(item => item.part === 'strut')!
      expect(place.mode).toBe('strut bows out')
      // π²·EI/L², I = π·d⁴/64, E of pultruded carbon 115 GPa, over the factor of safety times its push.
      const d = Number(stock.slice(4)) / 1000
      const bows = (Math.PI ** 2 * 115e9 * ((Math.PI * d ** 4) / 64)) / (report.lengthMm / 1000) ** 2
      const push = (place.words as Array<string | Quantity>).find(part => typeof part === 'object')!
      expect(place.reserve).toBeCloseTo(bows / (thistledown.brief.safetyFactor * push.value), 2)
    }
  })
  it('moved along the span in fine steps no reserve jumps', () => {
    const reserves = Array.from({ length: 21 }, (_, i) => strutted(liftStrut(150 + i)).strength.wing.reserve)
    const steps = reserves.slice(1).map((value, i) => Math.abs(value - reserves[i]))
    expect(Math.max(...steps)).toBeLessThan(0.05)
  })
  it('is told where an end of it stands on nothing', () => {
    const { findings, struts } = assessor.assess({ ...thistledown, struts: [interplane(300)] })
    expect(struts).toEqual([])
    expect(findings.find(finding => finding.code === 'strut-loose')?.severity).toBe('stop')
  })
  it('holds an upper wing: without one it hangs in the air', () => {
    const codes = (struts: Strut[]) =>
      assessor.assess(twoWings({ upMm: 140, struts })).findings.map(finding => finding.code)
    expect(codes([])).toContain('second-wing-unheld')
    expect(codes([interplane(330)])).not.toContain('second-wing-unheld')
    expect(codes([cabane()])).not.toContain('second-wing-unheld')
  })
})
