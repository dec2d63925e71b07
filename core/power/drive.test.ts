import { describe, expect, it } from 'vitest'
import { bestCurrent } from './motor'
import { openVoltage, resistanceAt, usableCharge, usualResistance, type Battery } from './battery'
import { running, type Drive } from './drive'
import { lasts, spend } from './endurance'
import { annulus, fanAt, idealFanThrust } from './fan'

const RPM = (2 * Math.PI) / 60
const battery: Battery = {
  cells: 3,
  charge: 1.3 * 3600,
  resistance: usualResistance(3, 1300),
  temperatureC: 25,
  age: 0,
}
/** Torque and thrust by the square of the revolutions. */
const square = (torque: number) => (omega: number) => ({
  thrust: 20 * torque * omega ** 2,
  torque: torque * omega ** 2,
})
const drive: Drive = {
  motor: { kv: 1000 * RPM, resistance: 0.09, noLoad: 0.6 },
  controller: 0.008,
  battery,
  turned: square(8e-8),
  motors: 1,
}

describe('motor, controller and battery', () => {
  it.each([0.2, 0.5, 0.8, 1])('at throttle %f, what leaves the battery is heat and work', throttle => {
    for (const motors of [1, 2, 4]) {
      const now = running({ ...drive, motors }, throttle, 0, 0.7)
      const taken = openVoltage(battery, 0.7) * now.current
      const given = now.shaft + now.heat.battery + now.heat.controllers + now.heat.motors
      expect(Math.abs(given / taken - 1)).toBeLessThan(1e-3)
      expect(now.volts * now.current).toBeCloseTo(taken - now.heat.battery, 6)
    }
  })

  it('turns as the closed form says at a load that is fixed', () => {
    // Constant torque M: I = M K_v + I₀, ω = K_v (V₀ − I (R + R_c + R_b)).
    const torque = 0.08
    const now = running({ ...drive, turned: () => ({ thrust: 1, torque }) }, 1, 0, 0.5)
    const current = torque * drive.motor.kv + 0.6
    const inner = resistanceAt(battery, 0.5)
    expect(now.current).toBeCloseTo(current, 9)
    expect(now.omega).toBeCloseTo(
      drive.motor.kv * (openVoltage(battery, 0.5) - current * (0.09 + 0.008 + inner)),
      4,
    )
  })

  it('is most efficient at √(I₀V/R)', () => {
    const stiff: Drive = {
      ...drive,
      controller: 0,
      battery: { ...battery, resistance: 0 },
    }
    const volts = openVoltage(battery, 0.5)
    const best = bestCurrent(stiff.motor, volts)
    const efficiencyAt = (current: number) => {
      const torque = (current - 0.6) / stiff.motor.kv
      return running({ ...stiff, turned: () => ({ thrust: 0, torque }) }, 1, 0, 0.5).motorEfficiency
    }
    const peak = efficiencyAt(best)
    // (1 − √(I₀R/V))² at the top.
    expect(peak).toBeCloseTo((1 - Math.sqrt((0.6 * 0.09) / volts)) ** 2, 6)
    for (const factor of [0.7, 0.9, 1.1, 1.4]) expect(efficiencyAt(factor * best)).toBeLessThan(peak)
  })

  it('sags more when empty, cold and old, and holds less', () => {
    expect(resistanceAt(battery, 0.05)).toBeGreaterThan(resistanceAt(battery, 0.5))
    expect(resistanceAt({ ...battery, temperatureC: 2 }, 0.5) / resistanceAt(battery, 0.5)).toBeCloseTo(2, 1)
    expect(resistanceAt({ ...battery, age: 1 }, 0.5)).toBeCloseTo(2 * resistanceAt(battery, 0.5), 9)
    expect(usableCharge({ ...battery, temperatureC: 0 })).toBeCloseTo(0.85 * battery.charge, 6)
    const thrusts = Array.from({ length: 200 }, (_, i) => running(drive, 1, 0, i / 199).thrust)
    thrusts.slice(1).forEach((thrust, i) => expect(thrust).toBeGreaterThan(thrusts[i]))
  })

  it('a motor too weak for its load stands and warms, and no throttle draws nothing', () => {
    const stuck = running({ ...drive, turned: () => ({ thrust: 5, torque: 1e6 }) }, 1, 0, 0.9)
    expect(stuck).toMatchObject({ omega: 0, thrust: 0, shaft: 0 })
    expect(stuck.current).toBeCloseTo(openVoltage(battery, 0.9) / (0.098 + resistanceAt(battery, 0.9)), 6)
    expect(running(drive, 0, 12, 0.9)).toMatchObject({ current: 0, thrust: 0, omega: 0 })
  })

  it('changes by no jump with throttle and charge', () => {
    for (const of of [
      (t: number) => running(drive, t, 0, 0.6).thrust,
      (t: number) => running(drive, 0.7, 0, t).current,
    ]) {
      const values = Array.from({ length: 301 }, (_, i) => of(i / 300))
      const range = Math.max(...values) - Math.min(...values)
      values.slice(1).forEach((value, i) => expect(Math.abs(value - values[i]) / range).toBeLessThan(0.02))
    }
  })
})

describe('how long a charge lasts', () => {
  const steady = { current: 10, heat: 2 }
  it('at a constant current it is charge over current, to the reserve', () => {
    const seconds = lasts(battery, [], [{ seconds: 60, draw: () => steady }], 0.25)
    expect(seconds).toBeCloseTo((0.75 * battery.charge) / 10, 6)
  })
  it('by parts: what each takes adds up, and the heat with it', () => {
    const spent = spend(battery, [
      { seconds: 45, draw: () => ({ current: 20, heat: 8 }) },
      { seconds: 100, draw: () => steady },
    ])
    expect(spent.left).toBeCloseTo(1 - (45 * 20 + 1000) / battery.charge, 9)
    expect(spent.heat).toBeCloseTo(45 * 8 + 200, 6)
    expect(spent.parts.map(part => part.seconds)).toEqual([45, 100])
  })
  it('a current that grows as the charge falls converges on its integral', () => {
    // I = I₀ (2 − left): d left/dt = −I₀ (2 − left)/Q, so t to a floor f is Q/I₀ ln((2 − f)/1).
    const seconds = lasts(
      battery,
      [],
      [{ seconds: 1, draw: left => ({ current: 8 * (2 - left), heat: 0 }) }],
      0.2,
    )
    expect(seconds / ((battery.charge / 8) * Math.log(1.8))).toBeCloseTo(1, 3)
  })
  it('ends where the charge does, in the middle of a part', () => {
    const spent = spend(battery, [{ seconds: 1e5, draw: () => steady }], 1, 0.2)
    expect(spent.left).toBe(0.2)
    expect(spent.parts[0].seconds).toBeCloseTo((0.8 * battery.charge) / 10, 6)
  })
})

describe('a ducted fan', () => {
  const fan = { diameter: 0.064, hub: 0.027, pitch: 0.05, exitShare: 0.9, duct: 0.1 }
  const air = { density: 1.225 }
  it('pulls what its outflow carries away, never more than the ideal duct, and less with a long one', () => {
    for (const omega of [1500, 3000, 4500]) {
      const { thrust, torque, outflow } = fanAt(fan, air, omega, 0)
      expect(thrust).toBeCloseTo(1.225 * annulus(fan) * 0.9 * outflow ** 2, 9)
      expect(thrust).toBeLessThan(idealFanThrust(torque * omega, fan, 1.225))
    }
    const short = fanAt({ ...fan, duct: 0.05 }, air, 4000, 0).thrust,
      long = fanAt({ ...fan, duct: 0.6 }, air, 4000, 0).thrust
    // Practice: a long duct costs 10 to 20 % of the thrust at rest.
    expect(1 - long / short).toBeGreaterThan(0.1)
    expect(1 - long / short).toBeLessThan(0.2)
  })
  it('by the square of its revolutions at rest, falling smoothly to nothing as it flies', () => {
    expect(fanAt(fan, air, 4000, 0).thrust / fanAt(fan, air, 2000, 0).thrust).toBeCloseTo(4, 4)
    const values = Array.from({ length: 101 }, (_, i) => fanAt(fan, air, 4000, 0.4 * i).thrust)
    values.slice(1).forEach((value, i) => {
      expect(value).toBeLessThan(values[i])
      expect(values[i] - value).toBeLessThan(0.03 * values[0])
    })
  })
  it('standing, it neither pulls nor asks', () => {
    expect(fanAt(fan, air, 0, 10)).toMatchObject({ thrust: 0, torque: 0 })
  })
})
