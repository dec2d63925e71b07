/** Battery, controllers, motors and what they turn, where all of them agree. SI */
import { openVoltage, resistanceAt, type Battery } from './battery'
import { controllerResistance, currentFor, type Motor } from './motor'
import { rootBetween } from './root'

/** What a motor turns: thrust and torque at a turning speed (rad/s) and a speed of flight. */
export type Turned = (omega: number, speed: number) => { thrust: number; torque: number }

/** As a stand found it, beside what was computed. */
export const corrected = (
  turned: Turned,
  learned: { thrustShare: number; torqueShare: number } | null,
): Turned =>
  learned
    ? (omega, speed) => {
        const { thrust, torque } = turned(omega, speed)
        return { thrust: thrust * learned.thrustShare, torque: torque * learned.torqueShare }
      }
    : turned

export interface Drive {
  motor: Motor
  /** Of one controller fully open, Ω. */
  controller: number
  battery: Battery
  turned: Turned
  /** Alike, at one battery. */
  motors: number
}

/** Of the whole drive, except where it says of one motor. */
export interface Running {
  throttle: number
  speed: number
  thrust: number
  /** Of one motor. */
  omega: number
  torque: number
  motorCurrent: number
  motorEfficiency: number
  /** At the battery's leads. */
  current: number
  volts: number
  /** Taken from the battery's leads, W. */
  power: number
  shaft: number
  heat: { battery: number; controllers: number; motors: number }
}

/**
 * At a throttle (0 to 1), a speed of flight and a share of charge. The controller chops: motors see the
 * throttle's share of the battery's voltage and draw that share of their current from it.
 */
export function running(drive: Drive, throttle: number, speed: number, left: number): Running {
  const { motor, battery, turned, motors } = drive
  const open = openVoltage(battery, left)
  const inner = resistanceAt(battery, left)
  const series = motor.resistance + controllerResistance(drive.controller, throttle)
  // ω = K_v (θ V_b − I R), with V_b = V₀ − N θ I R_b: all resistances act as one.
  const whole = series + motors * throttle ** 2 * inner
  const currentAt = (omega: number) => currentFor(motor, turned(omega, speed).torque)
  const top = motor.kv * throttle * open
  const standing = throttle <= 0 || top <= 0
  // A load that drives the motor may turn it faster than its voltage does.
  const omega = standing
    ? 0
    : rootBetween(at => at - motor.kv * (throttle * open - currentAt(at) * whole), 0, 3 * top, 1e-9 * top)
  if (standing || omega <= 0) return stalled(drive, throttle, speed, open, inner, series)
  const { thrust, torque } = turned(omega, speed)
  const motorCurrent = currentFor(motor, torque)
  return told(drive, { throttle, speed, thrust: motors * thrust, omega, torque, motorCurrent }, open, inner)
}

/** Without throttle nothing flows; a motor too weak for its load stands and warms. */
function stalled(
  drive: Drive,
  throttle: number,
  speed: number,
  open: number,
  inner: number,
  series: number,
): Running {
  const whole = series + drive.motors * throttle ** 2 * inner
  const motorCurrent = throttle > 0 ? (throttle * open) / Math.max(1e-9, whole) : 0
  return told(drive, { throttle, speed, thrust: 0, omega: 0, torque: 0, motorCurrent }, open, inner)
}

type Turning = Pick<Running, 'throttle' | 'speed' | 'thrust' | 'omega' | 'torque' | 'motorCurrent'>

function told(drive: Drive, own: Turning, open: number, inner: number): Running {
  const { motor, motors } = drive
  const current = motors * own.throttle * own.motorCurrent
  const volts = open - current * inner
  const shaft = motors * own.torque * own.omega
  const chopped = own.throttle * volts * own.motorCurrent
  const controllers = motors * own.motorCurrent ** 2 * controllerResistance(drive.controller, own.throttle)
  return {
    ...own,
    motorEfficiency: chopped > 0 && shaft > 0 ? shaft / (chopped * motors - controllers) : 0,
    current,
    volts,
    power: volts * current,
    shaft,
    heat: {
      battery: current ** 2 * inner,
      controllers,
      motors:
        motors * (own.motorCurrent ** 2 * motor.resistance + (own.omega / motor.kv) * noLoadOf(own, motor)),
    },
  }
}
/** One that stands has no friction to feed. */
const noLoadOf = ({ omega }: Turning, { noLoad }: Motor): number => (omega > 0 ? noLoad : 0)
