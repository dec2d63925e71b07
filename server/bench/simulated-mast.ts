/** A weather mast that is not there: wind that swings and gusts, the gust of the last ten minutes, air and pressure. */

export interface MastReport {
  id: string
  kind: 'mast'
  name: string
  /** Over two minutes, and the greatest of three seconds in ten minutes, as weather services give them; m/s. */
  windMs: number
  gustMs: number
  /** Where it comes from, ° from north. */
  fromDeg: number
  airC: number
  /** At the place itself, hPa. */
  pressureHpa: number
  /** It has stood long enough for its means. */
  settled: boolean
}

const MEAN_S = 120,
  GUST_S = 600
/** Wind at a mast's height over grass: mean, slow swing, gusts; m/s. */
const MEAN = 3.2,
  SWING = 0.7,
  GUSTS = 1.5
/** Means are told once it has stood so long, s. */
const STANDS = 5

export class SimulatedMast {
  private readonly born: number

  constructor(
    readonly id: string,
    readonly name: string,
    private readonly clock: () => number = () => performance.now() / 1000,
  ) {
    this.born = clock()
  }

  /** At a moment; sums of swings that do not come back together, so that it looks like weather. */
  windAt(t: number): number {
    const slow = SWING * Math.sin(t / 97) + 0.4 * Math.sin(t / 41 + 1)
    const gust = GUSTS * Math.max(0, Math.sin(t / 13) * Math.sin(t / 5.1 + 2)) ** 2
    return Math.max(0, MEAN + slow + gust + 0.2 * Math.sin(t * 1.7))
  }

  report(): MastReport {
    const now = this.clock()
    const over = (seconds: number, step: number) => {
      const values: number[] = []
      // It stood there before anybody asked.
      for (let t = now - seconds; t <= now; t += step) values.push(this.windAt(t))
      return values
    }
    const recent = over(MEAN_S, 1)
    const round = (value: number, digits: number) => Number(value.toFixed(digits))
    return {
      id: this.id,
      kind: 'mast',
      name: this.name,
      windMs: round(recent.reduce((sum, value) => sum + value, 0) / recent.length, 1),
      gustMs: round(Math.max(...over(GUST_S, 3)), 1),
      fromDeg: Math.round((250 + 14 * Math.sin(now / 151)) % 360),
      airC: round(13.4 + 0.6 * Math.sin(now / 600), 1),
      pressureHpa: round(996.3 + 0.3 * Math.sin(now / 1800), 1),
      settled: now - this.born >= STANDS,
    }
  }
}
