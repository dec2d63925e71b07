/** A scale that is not there: it swings, drifts and trembles as cheap ones do, and says when it has settled. */

export interface ScaleReport {
  id: string
  kind: 'scale'
  name: string
  grams: number
  settled: boolean
}

/** Time constant of the swing (s), tremble (g, one deviation), drift (g a minute). */
const SWING = 0.35,
  TREMBLE = 0.02,
  DRIFT = 0.03
/** It has settled when it swings by less than this, g. */
const STILL = 0.05
/** It can weigh so much, g. */
const MOST = 5000

export class SimulatedScale {
  private pan = 0
  private before = 0
  private since = 0
  private zero = 0
  private readonly born: number

  constructor(
    readonly id: string,
    readonly name: string,
    private readonly clock: () => number = () => performance.now() / 1000,
    private readonly random: () => number = Math.random,
  ) {
    this.born = this.clock()
    this.since = this.born
  }

  /** What lies on the pan from now on, g. */
  put(grams: number): void {
    this.before = this.swinging()
    this.since = this.clock()
    this.pan = Math.min(MOST, Math.max(0, grams))
  }

  tare(): void {
    this.zero = this.swinging() + this.drift()
  }

  private swinging(): number {
    const t = this.clock() - this.since
    return this.pan + (this.before - this.pan) * Math.exp(-t / SWING)
  }
  private drift(): number {
    return (DRIFT * (this.clock() - this.born)) / 60
  }

  report(): ScaleReport {
    // Two draws of an even spread, as near to a bell as a display shows.
    const tremble = TREMBLE * Math.sqrt(6) * (this.random() + this.random() - 1)
    return {
      id: this.id,
      kind: 'scale',
      name: this.name,
      grams: Math.round(100 * (this.swinging() + this.drift() - this.zero + tremble)) / 100,
      settled: Math.abs(this.swinging() - this.pan) < STILL,
    }
  }
}
