/**
 * A thrust stand that is not there: it turns what is mounted, reads with noise, and warms up as it runs. What
 * it turns is a little off what is written on it, as everything bought is.
 */
import {
  openVoltage,
  resistanceAt,
  standing,
  type Battery,
  type Motor,
  type Share,
  type Turned,
} from '../../core/power'

export interface StandReport {
  id: string
  kind: 'stand'
  name: string
  /** What is mounted, in words; null while it is empty. */
  mounted: string | null
  armed: boolean
  throttlePct: number
  volts: number
  amps: number
  rpm: number
  thrustN: number
  motorC: number
  steady: boolean
}

export interface Mounted {
  name: string
  motor: Motor
  controller: number
  battery: Battery
  turned: Turned
  massG: number
}

/** Off what is written: shares. */
const TRUTH: Record<Share, number> = { kv: 0.965, resistance: 1.18, noLoad: 1.12, thrust: 0.93, torque: 1.06 }
/** Spin-up (s), one deviation of noise as shares and floors, drift of the thrust cell by warmth (N/K). */
const SPIN = 0.5
const NOISE = { volts: 0.002, amps: [0.01, 0.03], rpm: [0.004, 15], thrust: [0.01, 0.012] } as const
const CELL_DRIFT = 0.0006
/** Copper gains so much resistance a kelvin; the motor warms in about this time (s), by so many kelvins a watt. */
const COPPER = 0.0039,
  WARMS = 40,
  PER_WATT = 1.6
const ROOM_C = 21

export class SimulatedStand {
  private own: Mounted | null = null
  private isArmed = false
  private throttle = 0
  private before = 0
  private since = 0
  private rise = 0
  private seen = 0
  private drawn = 0

  constructor(
    readonly id: string,
    readonly name: string,
    private readonly clock: () => number = () => performance.now() / 1000,
    private readonly random: () => number = Math.random,
  ) {
    this.seen = this.since = this.clock()
  }

  /** The motor stands while hands are at it. */
  mount(own: Mounted | null): void {
    this.disarm()
    this.own = own
    this.drawn = 0
    this.rise = 0
  }
  /** Throws where nothing is mounted. */
  arm(): void {
    if (!this.own) throw new Error('nothing is mounted')
    this.isArmed = true
  }
  disarm(): void {
    this.isArmed = false
    this.set(0)
  }
  /** Throws while it is not armed. */
  turn(percent: number): void {
    if (percent > 0 && !this.isArmed) throw new Error('it is not armed')
    this.set(percent / 100)
  }

  private set(throttle: number): void {
    this.before = this.turning()
    this.since = this.clock()
    this.throttle = Math.min(1, Math.max(0, throttle))
  }
  private turning(): number {
    const t = this.clock() - this.since
    return this.throttle + (this.before - this.throttle) * Math.exp(-t / SPIN)
  }

  report(): StandReport {
    const { own } = this
    const now = this.clock(),
      dt = Math.min(60, Math.max(0, now - this.seen))
    this.seen = now
    const throttle = this.turning()
    const base = {
      id: this.id,
      kind: 'stand' as const,
      name: this.name,
      mounted: own?.name ?? null,
      armed: this.isArmed,
    }
    if (!own || throttle < 0.01) {
      this.rise *= Math.exp(-dt / WARMS)
      const volts = own ? openVoltage(own.battery, this.left()) : 0
      return {
        ...base,
        throttlePct: 100 * this.throttle,
        volts: round(volts, 2),
        amps: 0,
        rpm: 0,
        thrustN: round(own ? CELL_DRIFT * this.rise : 0, 3),
        motorC: round(ROOM_C + this.rise, 1),
        // Right after a command it stands still and is not there yet.
        steady: now - this.since > 4 * SPIN,
      }
    }
    const left = this.left()
    const open = openVoltage(own.battery, left),
      inner = resistanceAt(own.battery, left)
    const truth = { ...TRUTH, resistance: TRUTH.resistance * (1 + COPPER * this.rise) }
    let volts = open
    let read = standing(own, truth, throttle, volts)
    for (let i = 0; i < 12; i++) {
      volts = (volts + open - read.current * inner) / 2
      read = standing(own, truth, throttle, volts)
    }
    const loss = (read.current / throttle) ** 2 * own.motor.resistance
    const settles = PER_WATT * loss * (50 / Math.max(5, own.massG)) ** (2 / 3)
    this.rise = settles + (this.rise - settles) * Math.exp(-dt / WARMS)
    this.drawn += (read.current * dt) / own.battery.charge
    const noisy = (value: number, [share, floor]: readonly [number, number]) =>
      value + this.bell() * Math.hypot(share * value, floor)
    return {
      ...base,
      throttlePct: 100 * this.throttle,
      volts: round(volts * (1 + NOISE.volts * this.bell()), 3),
      amps: round(Math.max(0, noisy(read.current, NOISE.amps)), 2),
      rpm: Math.round(Math.max(0, noisy((read.omega * 60) / (2 * Math.PI), NOISE.rpm))),
      thrustN: round(noisy(read.thrust, NOISE.thrust) + CELL_DRIFT * this.rise, 3),
      motorC: round(ROOM_C + this.rise, 1),
      steady: now - this.since > 4 * SPIN,
    }
  }

  private left(): number {
    return Math.max(0.02, 1 - this.drawn)
  }
  /** Three draws of an even spread. */
  private bell(): number {
    return 2 * (this.random() + this.random() + this.random() - 1.5)
  }
}

const round = (value: number, digits: number): number => Math.round(value * 10 ** digits) / 10 ** digits
