import { describe, expect, it } from 'vitest'
import { sharedAssessor } from '../../assess'
import { DEMOS } from '../../demo'
import { pullOf } from '../power'
import { armEnds, dummyMasses, stallCost, toss, wheeledRun, type Pull, type Throw } from './index'

const assessor = sharedAssessor()
const [thistledown] = DEMOS
const assessment = assessor.assess(thistledown)
const tables = assessor.flown(thistledown).pitch(true)
const elevatorDeg = assessment.trim.find(row => row.id === 'glide')!.controlDeg!
const THROW: Throw = {
  speedMs: 9.3,
  pathDeg: -5,
  heightM: 1.8,
  elevatorDeg,
  tailDeg: 0,
  windMs: 0,
  gustMs: 0,
  throttlePct: 0,
  powerAfterS: 0,
}
const steady = (newtons: number, more: Partial<Pull> = {}): Pull => ({
  speeds: [0, 60],
  newtons: [newtons, newtons],
  angle: 0,
  under: 0,
  arm: 0.2,
  ...more,
})

describe('a hand launch with power', () => {
  it('with a thrust that equals the drag of its glide, less what a standing propeller drags, it stays level', () => {
    // Level at the glide's speed: thrust is weight over the glide ratio.
    const glide = assessment.trim.find(row => row.id === 'glide' && row.payload)!
    const freed = (tables.density * glide.speedMs ** 2 * tables.area * tables.standingPropeller) / 2
    const pull = steady((tables.mass * tables.gravity) / glide.glideRatio - freed)
    const { path } = toss(tables, { ...THROW, speedMs: glide.speedMs, pathDeg: 0, throttlePct: 100 }, 0, pull)
    const late = path.filter(point => point.t > 3 && point.t < 9)
    expect(Math.abs(late.at(-1)!.z - late[0].z)).toBeLessThan(0.06 * (late.at(-1)!.x - late[0].x))
  })
  it('switched on later it sinks lower first; without throttle it is the glide', () => {
    const pull = steady(3)
    const at = (powerAfterS: number) =>
      toss(tables, { ...THROW, throttlePct: 100, powerAfterS }, 0, pull).lowestM
    expect(at(0.8)).toBeLessThan(at(0.3))
    const glide = toss(tables, THROW, 0, pull)
    expect(glide.path).toEqual(toss(tables, THROW).path)
  })
  it('a line under the CG lifts the nose, one over it pushes it down', () => {
    const attitude = (under: number) =>
      toss(tables, { ...THROW, heightM: 30, throttlePct: 100 }, 0, steady(2, { under })).path[25].theta
    expect(attitude(0.03)).toBeGreaterThan(attitude(0))
    expect(attitude(-0.03)).toBeLessThan(attitude(0))
  })
  it('far too much of it turns it over, and that is said', () => {
    const found = toss(tables, { ...THROW, pathDeg: 10, throttlePct: 100 }, 0, steady(12, { under: 0.03 }))
    expect(found.kind).toBe('loops')
    expect(Math.abs(found.noseDeg)).toBeLessThanOrEqual(180)
  })
  it('the demo’s own thrust carries it away', () => {
    const pull = pullOf(thistledown, assessment)!
    const found = toss(tables, { ...THROW, throttlePct: 15 }, 0, pull)
    expect(found.flyingAfterM).not.toBeNull()
    expect(found.kind).toBe('climbs')
  })
})

describe('a stall let go of', () => {
  it('costs at least the height that the speed is worth, and a few times that at most', () => {
    const cost = stallCost(tables, elevatorDeg)!
    // From V_s to 1.2 V_s: 0.44 V_s²/2g.
    const least = (0.44 * tables.stallSpeed ** 2) / (2 * tables.gravity)
    expect(cost).toBeGreaterThan(least)
    expect(cost).toBeLessThan(4 * least)
  })
  it('is smooth over balance and elevator, and less with down elevator', () => {
    for (const of of [
      (t: number) => stallCost(tables, elevatorDeg, -0.012 + 0.014 * t),
      (t: number) => stallCost(tables, elevatorDeg - 0.2 + 2.2 * t),
    ]) {
      const values = Array.from({ length: 41 }, (_, i) => of(i / 40)!)
      for (const value of values) expect(value).toBeGreaterThan(0)
      values.slice(1).forEach((value, i) => expect(Math.abs(value - values[i])).toBeLessThan(0.15))
    }
    expect(stallCost(tables, elevatorDeg + 2)!).toBeLessThan(stallCost(tables, elevatorDeg)!)
  })
  it('held far up it does not get its speed back by itself', () => {
    expect(stallCost(tables, elevatorDeg - 12)).toBeNull()
  })
})

describe('the whole tail turned', () => {
  it('is worth so many degrees of elevator as the lattice says of a tail that is drawn so', () => {
    const tail = thistledown.tail.horizontal!
    const turned = {
      ...thistledown,
      tail: { ...thistledown.tail, horizontal: { ...tail, incidenceDeg: tail.incidenceDeg + 1 } },
    }
    const cruise = (doc: typeof thistledown) =>
      assessor.assess(doc).trim.find(row => row.id === 'cruise' && row.payload)!.controlDeg!
    // A degree up at the nose of the tail wants its elevator up by what it is worth; the wake under it is not flat.
    expect(Math.abs((cruise(turned) - cruise(thistledown)) / -tables.tailDeg! - 1)).toBeLessThan(0.13)
    expect(tables.tailDeg!).toBeGreaterThan(1)
  })
  it('and is tossed as that elevator', () => {
    const by = (more: Partial<Throw>) => toss(tables, { ...THROW, ...more }).path
    expect(by({ tailDeg: 1 })).toEqual(by({ elevatorDeg: elevatorDeg + tables.tailDeg! }))
  })
})

describe('an arm and a run', () => {
  it('thrust over the arm’s way adds its work', () => {
    // ½ m v² = ½ m 8² + 5 N · 1.2 m.
    expect(armEnds(8, 5, 0.8)).toBeCloseTo(Math.sqrt(64 + (2 * 5 * 1.2) / 0.8), 9)
    expect(armEnds(8, -3, 0.8)).toBe(8)
  })
  it('without drag and friction a constant thrust runs v²/2a', () => {
    const light = { ...tables, density: 1e-9 }
    const run = wheeledRun(light, () => 4, 0)
    expect(run.distanceM!).toBeCloseTo((run.liftOffMs ** 2 * tables.mass) / (2 * 4), 3)
    expect(run.seconds!).toBeCloseTo((run.liftOffMs * tables.mass) / 4, 3)
  })
  it('grass holds longer than a runway, wind shortens, and too little pull never leaves', () => {
    const pull = () => 3
    const grass = wheeledRun(tables, pull, 0.09).distanceM!
    expect(grass).toBeGreaterThan(wheeledRun(tables, pull, 0.03).distanceM!)
    expect(wheeledRun(tables, pull, 0.09, 3).distanceM!).toBeLessThan(grass)
    expect(wheeledRun(tables, () => 0.4, 0.09).distanceM).toBeNull()
  })
})

describe('bags in an empty shell', () => {
  const dummies = dummyMasses(thistledown, assessment, tables)!
  const shell = assessment.ledger.filter(row => !['equipment', 'payload', 'wire'].includes(row.group))
  it('shell and bags weigh and balance as the finished aircraft', () => {
    const parts = [...shell, ...dummies.bags]
    const mass = parts.reduce((sum, part) => sum + part.massG, 0)
    expect(mass).toBeCloseTo(assessment.totals.massG, 6)
    expect(parts.reduce((sum, part) => sum + part.massG * part.xMm, 0) / mass).toBeCloseTo(
      assessment.totals.cgMm[0],
      6,
    )
  })
  it('and turn as sluggishly: the bags’ moment of inertia is that of what is missing', () => {
    const [cgX, , cgZ] = assessment.totals.cgMm
    const missing = assessment.ledger
      .filter(row => ['equipment', 'payload', 'wire'].includes(row.group))
      .reduce((sum, row) => sum + row.massG * ((row.xMm - cgX) ** 2 + (row.zMm - cgZ) ** 2), 0)
    const bags = dummies.bags.reduce((sum, bag) => sum + bag.massG * (bag.xMm - cgX) ** 2, 0)
    expect(bags / missing).toBeCloseTo(1, 6)
    expect(dummies.inertiaShare).toBeCloseTo(1, 6)
  })
  it('stay inside the body, and say how far off that leaves the inertia', () => {
    const short = {
      ...thistledown,
      body: {
        ...thistledown.body!,
        stations: thistledown.body!.stations.filter(station => station.xMm >= 110 && station.xMm <= 220),
      },
    }
    const held = dummyMasses(short, assessment, tables)!
    for (const bag of held.bags) {
      expect(bag.xMm).toBeGreaterThanOrEqual(110)
      expect(bag.xMm).toBeLessThanOrEqual(220)
    }
    expect(held.inertiaShare).toBeLessThan(1)
  })
  it('nothing is missing where nothing is in it', () => {
    const bare = { ...assessment, ledger: shell }
    expect(dummyMasses(thistledown, bare, tables)).toBeNull()
  })
})
