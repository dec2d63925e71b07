import { beforeAll, describe, expect, it } from 'vitest'
import { propulsionOf, sharedAssessor } from '../../assess'
import { DEMOS } from '../../demo'
import type { Equipment, ProjectFile, StandPoint } from '../../document'
import { LIBRARIES } from '../../libraries'
import { running } from '../../power'
import { runs } from '../../testing/runs'
import { written } from '../../units'
import { bladeStress } from './blade-stress'
import { warmest } from './heat'
import { reachOf } from './reach'
import { bladeBalance, powerReport, shelfOffers, standResult, taken, type PowerFigures } from './index'

const assessor = sharedAssessor()
const [thistledown, plover] = DEMOS
const report = (doc: ProjectFile) => powerReport(doc, assessor.assess(doc), assessor.flown(doc).pitch(true))
const changed = (doc: ProjectFile, kind: Equipment['kind'], more: Partial<Equipment>): ProjectFile => ({
  ...doc,
  equipment: doc.equipment.map(item => (item.kind === kind ? { ...item, ...more } : item)),
})
let own: PowerFigures
beforeAll(() => {
  own = report(thistledown).figures!
})

describe('what the drive makes of the aircraft', () => {
  it('level top speed is where full thrust equals the drag of level flight, and climb is the excess over weight', () => {
    const { drive } = propulsionOf(thistledown).propulsion!
    const at = (speed: number) => running(drive, 1, speed, 0.95).thrust
    const row = own.bySpeed.reduce((a, b) =>
      Math.abs(b.speedMs - own.levelMaxMs!) < Math.abs(a.speedMs - own.levelMaxMs!) ? b : a,
    )
    expect(row.thrustN).toBeCloseTo(at(row.speedMs), 9)
    // Between the two rows round it thrust and drag cross.
    const excess = own.bySpeed
      .filter(r => r.dragN !== null)
      .map(r => ({ v: r.speedMs, e: r.thrustN - r.dragN! }))
    const before = excess.filter(r => r.e > 1e-6).at(-1)!,
      after = excess.find(r => r.v > before.v)!
    expect(own.levelMaxMs!).toBeGreaterThan(before.v)
    expect(own.levelMaxMs!).toBeLessThanOrEqual(after.v + 1e-6)
    // Rate of climb: speed times the sine of (T − D)/W, and no tabulated speed climbs faster.
    const climbs = own.bySpeed
      .filter(r => r.dragN !== null)
      .map(r => r.speedMs * Math.min(1, (r.thrustN - r.dragN!) / own.weightN))
    expect(own.climb!.ms).toBeGreaterThanOrEqual(Math.max(...climbs) - 1e-3)
    expect(own.climb!.ms).toBeCloseTo(own.climb!.atMs * Math.sin((own.climb!.deg * Math.PI) / 180), 6)
  })

  it('drag in level flight is weight over the glide ratio, less what a standing propeller drags', () => {
    const glide = assessor.assess(thistledown).trim.find(row => row.id === 'glide' && row.payload)!
    const tables = assessor.flown(thistledown).pitch(true)
    const rows = own.bySpeed.filter(row => row.dragN !== null)
    const near = (speed: number) => {
      const k = rows.findIndex(row => row.speedMs > speed)
      const [a, b] = [rows[k - 1], rows[k]]
      return a.dragN! + ((speed - a.speedMs) / (b.speedMs - a.speedMs)) * (b.dragN! - a.dragN!)
    }
    const freed = (tables.density * glide.speedMs ** 2 * tables.area * tables.standingPropeller) / 2
    expect(near(glide.speedMs) / (own.weightN / glide.glideRatio - freed)).toBeCloseTo(1, 1)
  })

  it('cruise throttle pulls what cruise drags, and its current is what the plan draws', () => {
    const { drive } = propulsionOf(thistledown).propulsion!
    const left = (1 + own.plan.leftPct / 100) / 2
    const now = running(drive, own.cruise.throttlePct / 100, thistledown.brief.cruiseMs, left)
    const drag = own.bySpeed.map(r => [r.speedMs, r.dragN] as const)
    const k = drag.findIndex(([v]) => v > thistledown.brief.cruiseMs)
    expect(now.thrust).toBeGreaterThan(drag[k - 1][1]! * 0.97)
    expect(now.thrust).toBeLessThan(drag[k][1]! * 1.03)
    expect(own.cruise.currentA / own.plan.parts.find(part => part.kind === 'cruise')!.currentA).toBeCloseTo(
      1,
      1,
    )
  })

  it('the plan adds up, and leaves what it does not take', () => {
    const taken = own.plan.parts.reduce((sum, part) => sum + part.chargeMah, 0)
    expect(taken / own.usableMah).toBeCloseTo(1 - own.plan.leftPct / 100, 6)
    // To the reserve the mix lasts longer than the plan when more than the reserve is left, and by its mean current.
    expect(own.plan.leftPct).toBeGreaterThan(own.plan.reservePct)
    expect(own.plan.canMinutes!).toBeGreaterThan(own.plan.minutes)
  })

  it('cold, worn and emptier it pulls less and lasts shorter', () => {
    const cold = report({ ...thistledown, power: { ...thistledown.power, packC: -5 } }).figures!
    const worn = report({ ...thistledown, power: { ...thistledown.power, agePct: 100 } }).figures!
    for (const other of [cold, worn]) {
      expect(other.static.thrustN).toBeLessThan(own.static.thrustN)
      expect(other.plan.canMinutes!).toBeLessThan(own.plan.canMinutes!)
    }
    own.byCharge.slice(1).forEach((row, i) => expect(row.thrustN).toBeLessThan(own.byCharge[i].thrustN))
  })

  it('two motors on one battery pull more than one and less than twice', () => {
    const twin = report(changed(thistledown, 'motor', { pair: true })).figures!
    expect(twin.static.thrustN).toBeGreaterThan(1.5 * own.static.thrustN)
    expect(twin.static.thrustN).toBeLessThan(2 * own.static.thrustN)
  })

  it('a thrust line under the CG lifts the nose with throttle; tilted down it does less', () => {
    expect(own.line.underMm).toBeGreaterThan(0)
    expect(own.line.elevatorDeg!).toBeGreaterThan(0)
    const tilted = report({ ...thistledown, power: { ...thistledown.power, downDeg: 4 } }).figures!
    // The line is lifted behind by tan 4° of the way to the CG.
    const motor = thistledown.equipment.find(item => item.kind === 'propeller')!
    const cg = assessor.assess(thistledown).totals.cgMm[0]
    expect(own.line.underMm - tilted.line.underMm).toBeCloseTo(
      Math.tan((4 * Math.PI) / 180) * (cg - motor.xMm),
      6,
    )
    expect(tilted.line.elevatorDeg!).toBeLessThan(own.line.elevatorDeg!)
  })

  it('limits that are passed are named, with a remedy; those that hold are not', () => {
    const weak = report(
      changed(thistledown, 'speed-controller', { controller: { limitA: 10, resistanceOhm: 0.006 } }),
    )
    const limit = weak.figures!.limits.find(item => item.id === 'controller-current')!
    expect(limit.ok).toBe(false)
    expect(written(limit.remedy)).toMatch(/at least 20 A/)
    expect(own.limits.find(item => item.id === 'controller-current')!.ok).toBe(true)
  })

  it('absurd parts say what is absurd: one cell on a motor for two hundred volts', () => {
    const odd = changed(
      changed(thistledown, 'motor', {
        motor: { rpmPerVolt: 40, resistanceOhm: 3, noLoadA: 0.1, maxA: 1 },
      }),
      'battery',
      { battery: { cells: 1, capacityMah: 300, resistanceOhm: null, continuousC: 20 } },
    )
    const { absurd, figures } = report(odd)
    expect(written(absurd[0])).toMatch(/rev\/min at most, free/)
    expect(figures!.levelMaxMs).toBeNull()
    expect(assessor.assess(odd).findings.map(item => item.code)).toContain('sinks-at-full-throttle')
  })

  it('without figures it says which; without motor and propeller it is a glider', () => {
    const bare = report(changed(thistledown, 'motor', { motor: null }))
    expect(bare.figures).toBeNull()
    expect(written(bare.missing[0])).toMatch(/Motor 2212.*rev\/min for each volt/)
    const glider = {
      ...thistledown,
      equipment: thistledown.equipment.filter(item => !['motor', 'propeller'].includes(item.kind)),
    }
    expect(report(glider)).toMatchObject({ none: true, figures: null })
  })

  it('a fan in its duct is reckoned too, and a long duct costs', () => {
    const fan = { diameterMm: 64, hubMm: 28, pitchMm: 58, exitShare: 0.9, ductMm: 120 }
    const motor = { motor: { rpmPerVolt: 3900, resistanceOhm: 0.04, noLoadA: 1.6, maxA: 35 } }
    const jet = (ductMm: number) =>
      report(changed(changed(thistledown, 'propeller', { fan: { ...fan, ductMm } }), 'motor', motor)).figures!
    expect(jet(120).static.thrustN).toBeGreaterThan(2)
    expect(jet(600).static.thrustN).toBeLessThan(jet(120).static.thrustN)
    expect(jet(120).static.ofIdeal).toBeLessThan(1)
  })

  it('is smooth in diameter, pitch, cells’ charge and turns for each volt', () => {
    const propeller = thistledown.equipment.find(item => item.kind === 'propeller')!.propeller!
    const tables = assessor.flown(thistledown).pitch(true),
      assessment = assessor.assess(thistledown)
    const of = (doc: ProjectFile) => {
      const { figures } = powerReport(doc, assessment, tables)
      return [figures!.static.thrustN, figures!.plan.canMinutes!, figures!.levelMaxMs!]
    }
    const sweeps = [
      (t: number) =>
        changed(thistledown, 'propeller', { propeller: { ...propeller, diameterMm: 190 + 60 * t } }),
      (t: number) => changed(thistledown, 'propeller', { propeller: { ...propeller, pitchMm: 90 + 80 * t } }),
      (t: number) =>
        changed(thistledown, 'motor', {
          motor: { rpmPerVolt: 800 + 400 * t, resistanceOhm: 0.09, noLoadA: 0.6, maxA: 16 },
        }),
    ]
    const steps = runs(60, 12)
    for (const sweep of sweeps) {
      const rows = Array.from({ length: steps + 1 }, (_, i) => of(sweep(i / steps)))
      for (const k of [0, 1, 2]) {
        const values = rows.map(row => row[k])
        const range = Math.max(...values) - Math.min(...values)
        const moves = values.slice(1).map((value, i) => value - values[i])
        const bends = moves.slice(1).map((move, i) => Math.abs(move - moves[i]))
        expect(Math.max(...bends) / range).toBeLessThan(4 / steps)
      }
    }
  })
})

describe('parts of it, in closed form', () => {
  it('excess thrust of a straight line over a parabola: top speed where they cross', () => {
    // T = 4 − 0.1 v and D = 0.01 v²: v = (−0.1 + √(0.01 + 0.16))/0.02.
    const { levelMax, climb } = reachOf(
      v => 4 - 0.1 * v,
      v => 0.01 * v * v,
      4,
      40,
    )
    expect(levelMax).toBeCloseTo((-0.1 + Math.sqrt(0.17)) / 0.02, 5)
    // v (4 − 0.1 v − 0.01 v²)/40 is greatest where 4 − 0.2 v − 0.03 v² = 0.
    expect(climb!.atMs).toBeCloseTo((-0.2 + Math.sqrt(0.04 + 0.48)) / 0.06, 3)
  })
  it('a lump that is heated long settles at heat over what leaves it, without leaving at heat over capacity', () => {
    const lump = { massG: 50, capacity: 0.5, leaves: 0.35 }
    expect(warmest(lump, 20, [{ seconds: 1e5, heat: 7 }])).toBeCloseTo(20 + 7 / 0.35, 6)
    expect(warmest({ massG: 100, capacity: 1, leaves: 0 }, 20, [{ seconds: 60, heat: 10 }])).toBeCloseTo(
      26,
      9,
    )
    // One time constant, m c over G: 63 %.
    expect(warmest(lump, 0, [{ seconds: 25 / 0.35, heat: 7 }])).toBeCloseTo(20 * (1 - Math.exp(-1)), 6)
  })
  it('a blade of even section bears ρω²(R² − r²)/2 at its root, and more with thrust on it', () => {
    // Thickness falls with the radius, so a straight-sided strip is compared by its own sum instead.
    const blades = {
      count: 2,
      radius: 0.1,
      root: 0.02,
      stations: [
        { r: 0.02, chord: 0.02, twist: 0.2 },
        { r: 0.1, chord: 0.02, twist: 0.2 },
      ],
    }
    const omega = 1000
    const { stress, at } = bladeStress(blades, 'moulded', omega, [])
    // Even thickness would bear this; a blade that thins outward pulls less on a thicker root.
    const even = (1250 * omega ** 2 * (0.1 ** 2 - 0.02 ** 2)) / 2
    expect(stress).toBeLessThan(even)
    expect(stress).toBeGreaterThan(0.6 * even)
    expect(at).toBeLessThan(0.3)
    expect(bladeStress(blades, 'moulded', omega, [{ r: 0.075, thrust: 10 }]).stress).toBeGreaterThan(stress)
    expect(bladeStress(blades, 'moulded', 2 * omega, []).stress).toBeCloseTo(4 * stress, 3)
  })
})

describe('which propeller, which pack', () => {
  it('each offer, taken, gives what it promised of weight, balance, pull and minutes', async () => {
    const assessment = assessor.assess(thistledown),
      tables = assessor.flown(thistledown).pitch(true)
    for (const ask of ['propellers', 'packs'] as const) {
      const offers = (await shelfOffers(thistledown, assessment, tables, LIBRARIES, ask))!
      const tried = offers.filter(offer => !offer.now && offer.over.length === 0).slice(0, runs(20, 2))
      for (const offer of tried) {
        const next = { ...thistledown, ...taken(thistledown, LIBRARIES, offer) }
        const { totals } = assessor.assess(next)
        // Wires are a share of the equipment and straps go with the pack: a gram or two more or less.
        expect(Math.abs(totals.massG - offer.massG)).toBeLessThan(4)
        expect(Math.abs(totals.cgMm[0] - offer.cgMm)).toBeLessThan(1)
        const { static: rest, plan } = report(next).figures!
        expect(rest.thrustN / offer.thrustN).toBeCloseTo(1, 2)
        if (plan.canMinutes && offer.minutes)
          expect(Math.abs(plan.canMinutes / offer.minutes - 1)).toBeLessThan(0.02)
      }
    }
  })
  it('what is in stands there once, as it is', async () => {
    for (const ask of ['propellers', 'packs'] as const) {
      const offers = (await shelfOffers(
        thistledown,
        assessor.assess(thistledown),
        assessor.flown(thistledown).pitch(true),
        LIBRARIES,
        ask,
      ))!
      expect(offers.filter(offer => offer.now)).toHaveLength(1)
      // The demo carries a pack and a propeller that the shelf has too.
      expect(
        offers.filter(offer => /1300 mAh|9 × 5 in/.test(offer.name) && /3S|folding/.test(offer.name)),
      ).toHaveLength(1)
    }
  })
  it('nothing on the front is beaten, and everything sound off it is', async () => {
    const offers = (await shelfOffers(
      plover,
      assessor.assess(plover),
      assessor.flown(plover).pitch(true),
      LIBRARIES,
      'propellers',
    ))!
    const sound = offers.filter(offer => offer.over.length === 0 && offer.balances)
    const beats = (a: (typeof offers)[number], b: (typeof offers)[number]) =>
      a.toWeight >= b.toWeight &&
      a.minutes! >= b.minutes! &&
      (a.toWeight > b.toWeight || a.minutes! > b.minutes!)
    for (const offer of sound) expect(offer.front).toBe(!sound.some(other => beats(other, offer)))
    expect(offers.filter(offer => offer.front && !sound.includes(offer))).toEqual([])
  })
  it('told to stop, it stops', async () => {
    let told = 0
    const found = await shelfOffers(
      plover,
      assessor.assess(plover),
      assessor.flown(plover).pitch(true),
      LIBRARIES,
      'propellers',
      () => ++told < 2,
    )
    expect(found).toBeNull()
    expect(told).toBe(2)
  })
})

describe('the stand in the project', () => {
  const points = (thrust: number): StandPoint[] => {
    const { drive } = propulsionOf(thistledown).propulsion!
    return [0.4, 0.7, 1].map(throttle => {
      const now = running(drive, throttle, 0, 0.9)
      return {
        throttlePct: 100 * throttle,
        volts: now.volts,
        amps: now.current,
        rpm: (now.omega * 60) / (2 * Math.PI),
        thrustN: thrust * now.thrust,
        used: true,
      }
    })
  }
  const withStand = (stand: StandPoint[]): ProjectFile => ({
    ...thistledown,
    power: { ...thistledown.power, stand },
  })
  it('a tenth less thrust is found, and taken in it is in every answer', () => {
    const doc = withStand(points(0.9))
    const result = standResult(doc)!
    expect(result.shares.thrust.value).toBeCloseTo(0.9, 2)
    const learned = { ...result.learned, date: '2026-10-01' }
    const corrected = report({ ...doc, power: { ...doc.power, learned } }).figures!
    expect(corrected.static.thrustN / own.static.thrustN).toBeCloseTo(0.9, 1)
    expect(corrected.levelMaxMs!).toBeLessThan(own.levelMaxMs!)
  })
  it('what was found of a motor is left out for another, and of a propeller taken over, both said', () => {
    const learned = { ...standResult(withStand(points(0.9)))!.learned, kvShare: 0.9, date: '2026-10-01' }
    const doc = { ...thistledown, power: { ...thistledown.power, learned } }
    const motor = thistledown.equipment.find(item => item.kind === 'motor')!.motor!
    const other = changed(doc, 'motor', { motor: { ...motor, rpmPerVolt: 1100 } })
    const bare = changed(thistledown, 'motor', { motor: { ...motor, rpmPerVolt: 1100 } })
    const [with_, without] = [other, bare].map(item => propulsionOf(item).propulsion!)
    expect(with_.drive.motor).toEqual(without.drive.motor)
    expect(with_.assumed.map(written).join(' ')).toMatch(/a motor of 1000 rev\/min for each volt.*left out/)
    const propeller = thistledown.equipment.find(item => item.kind === 'propeller')!.propeller!
    const wider = propulsionOf(
      changed(doc, 'propeller', { propeller: { ...propeller, diameterMm: 254 } }),
    ).propulsion!
    expect(wider.assumed.map(written).join(' ')).toMatch(/a propeller of 229 mm .* off by as much/)
    const plain = propulsionOf(
      changed(thistledown, 'propeller', { propeller: { ...propeller, diameterMm: 254 } }),
    )
    expect(wider.drive.turned(800, 5).thrust).toBeCloseTo(
      learned.thrustShare * plain.propulsion!.drive.turned(800, 5).thrust,
      9,
    )
    expect(propulsionOf(doc).propulsion!.assumed.map(written).join(' ')).not.toMatch(/The stand turned/)
  })
  it('a point with a slipped digit is asked about, and left out it counts no more', () => {
    const stand = [...points(1), { ...points(1)[2], thrustN: 1.5 * points(1)[2].thrustN! }]
    const doubted = standResult(withStand(stand))!
    expect(written(doubted.readings[3].doubt)).toMatch(/thrust .* deviations over/)
    const without = standResult(withStand(stand.map((point, i) => ({ ...point, used: i !== 3 }))))!
    expect(without.shares.thrust.value).toBeCloseTo(1, 2)
    expect(standResult(withStand([]))).toBeNull()
  })
  it('blades that weigh alike pull nothing; a tenth of a gram does, and says what to take off', () => {
    const of = (bladesG: number[]) =>
      bladeBalance({ ...thistledown, power: { ...thistledown.power, bladesG } }, own.weightN)
    expect(of([5, 5])).toMatchObject({ ok: true })
    expect(of([5])).toBeNull()
    const uneven = of([5.1, 5])!
    // m r ω² at full revolutions, at the blade's own centre.
    expect(uneven.forceN).toBeCloseTo(
      1e-4 * (uneven.centreMm / 1000) * (own.static.rpm * ((2 * Math.PI) / 60)) ** 2,
      6,
    )
    expect(written(uneven.reading)).toMatch(/off blade 1/)
  })
})
