/**
 * Projects on their way from one machine to another: each in memory for some minutes under a short code, handed out
 * once. Only where the server was started with MARIPOSA_HANDOVER=1.
 */
import { randomInt } from 'node:crypto'

/** Letters and digits that nobody takes for another. */
const SIGNS = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789'
const LENGTH = 6
export const KEPT_MS = 10 * 60_000
/** At most so many at once, and so much together. */
const MOST = 20,
  MOST_BYTES = 80_000_000
/** Who guesses codes hears nothing more for a while: so many misses in a minute. */
const MISSES = 20,
  MISSES_MS = 60_000

export type Handed = { ok: true; body: Uint8Array } | { ok: false; why: 'unknown' | 'guessing' }

export class Handover {
  private readonly parcels = new Map<string, { body: Uint8Array; until: number }>()
  private misses: number[] = []

  constructor(
    private readonly clock: () => number = () => performance.now(),
    private readonly draw: () => string = () =>
      Array.from({ length: LENGTH }, () => SIGNS[randomInt(SIGNS.length)]).join(''),
  ) {}

  /** A code for it, or null where too much is waiting. */
  give(body: Uint8Array): { code: string; minutes: number } | null {
    this.sweep()
    const held = [...this.parcels.values()].reduce((sum, parcel) => sum + parcel.body.length, 0)
    if (this.parcels.size >= MOST || held + body.length > MOST_BYTES) return null
    let code = this.draw()
    while (this.parcels.has(code)) code = this.draw()
    this.parcels.set(code, { body, until: this.clock() + KEPT_MS })
    return { code, minutes: KEPT_MS / 60_000 }
  }

  take(code: string): Handed {
    this.sweep()
    if (this.misses.length >= MISSES) return { ok: false, why: 'guessing' }
    const parcel = this.parcels.get(code)
    if (!parcel) {
      this.misses.push(this.clock())
      return { ok: false, why: 'unknown' }
    }
    this.parcels.delete(code)
    return { ok: true, body: parcel.body }
  }

  private sweep(): void {
    const now = this.clock()
    for (const [code, { until }] of this.parcels) if (until <= now) this.parcels.delete(code)
    this.misses = this.misses.filter(at => now - at < MISSES_MS)
  }
}

let open: Handover | null = null
export const handover = (): Handover | null =>
  process.env.MARIPOSA_HANDOVER === '1' ? (open ??= new Handover()) : null
