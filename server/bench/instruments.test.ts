import { describe, expect, it } from 'vitest'
import { SimulatedPrinter } from './simulated-printer'
import { SimulatedScale } from './simulated-scale'
import { SimulatedStand, type Mounted } from './simulated-stand'
import { fitStand } from '../../core/power'

/** Ten layers of a square, 40 mm of bead each at 20 mm/s, in 0.2 mm steps: a little over 20 s. */
const GCODE = [
  'M104 S230',
  'M140 S60',
  'M83',
  ...Array.from({ length: 10 }, (_, k) => [
    `G0 X0 Y0 Z${(0.2 * (k + 1)).toFixed(2)} F6000`,
    ...['X10 Y0', 'X10 Y10', 'X0 Y10', 'X0 Y0'].map(place => `G1 ${place} E0.4 F1200`),
  ]).flat(),
].join('\n')

describe('a simulated printer', () => {
  const made = () => {
    let now = 100
    const printer = new SimulatedPrinter('p', 'Printer', () => now)
    return { printer, wait: (seconds: number) => (now += seconds) }
  }
  it('runs a file against the clock at the speed it is told, layer by layer, and is done when its time is over', () => {
    const { printer, wait } = made()
    printer.print(GCODE, 'plate-1', 10)
    const begun = printer.report()
    expect(begun).toMatchObject({
      state: 'printing',
      job: 'plate-1',
      layer: 1,
      layers: 10,
      nozzleC: 230,
      bedC: 60,
    })
    // 400 mm of bead at 20 mm/s, corners and lifts on top; ten times as fast.
    expect(begun.secondsLeft).toBeGreaterThan(20)
    expect(begun.secondsLeft).toBeLessThan(26)
    wait(begun.secondsLeft / 20)
    const half = printer.report()
    expect(half.share).toBeCloseTo(0.5, 6)
    expect(half.layer).toBe(5)
    // 16 mm of 1.75 mm filament in all.
    expect(half.grams).toBeCloseTo((8 * Math.PI * 1.75 ** 2 * 1.24e-3) / 4, 3)
    wait(begun.secondsLeft)
    expect(printer.report()).toMatchObject({ state: 'done', share: 1, secondsLeft: 0, nozzleC: 22 })
    printer.clear()
    expect(printer.report()).toMatchObject({ state: 'idle', job: null })
  })
  it('fails where it is told to, keeps how far it got, and takes no second file meanwhile', () => {
    const { printer, wait } = made()
    printer.print(GCODE, 'plate-1', 1)
    expect(() => printer.print(GCODE, 'plate-2', 1)).toThrow(/printing already/)
    printer.fail('lifted', 0.4)
    wait(1)
    expect(printer.report().state).toBe('printing')
    wait(60)
    const failed = printer.report()
    expect(failed).toMatchObject({ state: 'failed', why: 'lifted' })
    expect(failed.share).toBeCloseTo(0.4, 9)
    wait(60)
    expect(printer.report().share).toBeCloseTo(0.4, 9)
  })
  it('a changed speed loses no time that is behind it; what is no file is refused', () => {
    const { printer, wait } = made()
    printer.print(GCODE, 'plate-1', 1)
    const all = printer.report().secondsLeft
    wait(5)
    printer.setSpeed(1000)
    expect(printer.report().secondsLeft).toBeCloseTo(all - 5, 6)
    expect(() => made().printer.print('hello', 'x', 1)).toThrow(/no moves/)
  })
})

describe('a simulated scale', () => {
  it('swings in, settles on what lies on it, drifts slowly, and is set to nothing by tare', () => {
    let now = 0
    const scale = new SimulatedScale(
      's',
      'Scale',
      () => now,
      () => 0.5,
    )
    scale.put(20)
    now = 0.1
    expect(scale.report().settled).toBe(false)
    // One time constant of 0.35 s: 63 % of the way.
    now = 0.35
    expect(scale.report().grams).toBeCloseTo(20 * (1 - Math.exp(-1)), 1)
    now = 4
    expect(scale.report()).toMatchObject({ settled: true })
    expect(scale.report().grams).toBeCloseTo(20, 1)
    scale.tare()
    expect(scale.report().grams).toBeCloseTo(0, 6)
    now = 64
    // 0.03 g a minute.
    expect(scale.report().grams).toBeCloseTo(0.03, 2)
  })
})

describe('a simulated thrust stand', () => {
  const drive: Mounted = {
    name: 'a motor',
    motor: { kv: 104.7, resistance: 0.09, noLoad: 0.6 },
    controller: 0.006,
    battery: { cells: 3, charge: 1.3 * 3600, resistance: 0.03, temperatureC: 21, age: 0 },
    turned: omega => ({ thrust: 9e-6 * omega ** 2, torque: 1.3e-7 * omega ** 2 }),
    massG: 56,
  }
  const made = (random = () => 0.5) => {
    let now = 0
    const stand = new SimulatedStand('t', 'Stand', () => now, random)
    return { stand, wait: (seconds: number) => (now += seconds) }
  }
  it('turns only what is mounted and armed, and stops when it is disarmed', () => {
    const { stand, wait } = made()
    expect(() => stand.arm()).toThrow(/nothing is mounted/)
    stand.mount(drive)
    expect(() => stand.turn(50)).toThrow(/not armed/)
    stand.arm()
    stand.turn(60)
    wait(5)
    expect(stand.report()).toMatchObject({ armed: true, throttlePct: 60, steady: true })
    expect(stand.report().thrustN).toBeGreaterThan(1)
    stand.disarm()
    wait(5)
    expect(stand.report()).toMatchObject({ armed: false, rpm: 0, amps: 0 })
    stand.arm()
    stand.mount(null)
    expect(stand.report().armed).toBe(false)
  })
  it('settles before it is steady, and the motor warms while it runs', () => {
    const { stand, wait } = made()
    stand.mount(drive)
    stand.arm()
    stand.turn(100)
    wait(0.5)
    const early = stand.report()
    expect(early.steady).toBe(false)
    wait(4)
    const late = stand.report()
    // One time constant of 0.5 s is 63 % of the throttle.
    expect(early.rpm).toBeLessThan(0.8 * late.rpm)
    wait(40)
    expect(stand.report().motorC).toBeGreaterThan(late.motorC + 3)
  })
  it('read through, it is found a little off what is written, within the spread of the fit', () => {
    let own = 42
    const { stand, wait } = made(() => (own = (own * 48271) % 2147483647) / 2147483647)
    stand.mount(drive)
    stand.arm()
    const readings = [30, 45, 60, 75, 90, 100].map(percent => {
      stand.turn(percent)
      wait(3)
      const { volts, amps, rpm, thrustN } = stand.report()
      return {
        throttle: percent / 100,
        volts,
        current: amps,
        omega: (rpm * 2 * Math.PI) / 60,
        thrust: thrustN,
      }
    })
    const { shares } = fitStand(drive, readings)
    // 3.5 % fewer turns and 7 % less thrust is what the stand-in is made with.
    expect(Math.abs(shares.kv.value - 0.965)).toBeLessThan(3 * shares.kv.sigma)
    expect(Math.abs(shares.thrust.value - 0.93)).toBeLessThan(3 * shares.thrust.sigma + 0.01)
  })
})
