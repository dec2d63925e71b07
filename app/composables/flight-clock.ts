/** The clock of a flight: what it is doing now, for how long, and the charge that this has taken so far. */
export const AIR_KINDS = ['climb', 'cruise', 'idle'] as const
export type AirKind = (typeof AIR_KINDS)[number]

export interface FlightClock {
  /** When each stretch began, ms; the first one is the launch. */
  stretches: Array<{ kind: AirKind; at: number }>
  landedAt: number | null
}
export const NO_FLIGHT: FlightClock = { stretches: [], landedAt: null }

/** Seconds of each kind up to `now`; a clock that was set back counts nothing twice. */
export function spent({ stretches, landedAt }: FlightClock, now: number): Record<AirKind, number> {
  const sum = { climb: 0, cruise: 0, idle: 0 }
  stretches.forEach(({ kind, at }, i) => {
    const end = stretches[i + 1]?.at ?? landedAt ?? now
    sum[kind] += Math.max(0, end - at) / 1000
  })
  return sum
}

/** mAh from seconds and amperes. */
export const charge = (seconds: Record<AirKind, number>, amps: Record<AirKind, number>): number =>
  AIR_KINDS.reduce((total, kind) => total + (seconds[kind] * Math.max(0, amps[kind])) / 3.6, 0)

/** What is called out, once each: share of the usable charge that is gone, and the words. */
export const CALLS: ReadonlyArray<{ at: number; words: string; tones: number }> = [
  { at: 0.5, words: 'Half of the charge is gone', tones: 1 },
  { at: 0.75, words: 'A quarter is left: plan the landing', tones: 2 },
  { at: 0.9, words: 'Come in to land', tones: 3 },
  { at: 1, words: 'Land now', tones: 5 },
]

/** Calls that are due between two shares. */
export const callsBetween = (before: number, now: number) =>
  CALLS.filter(call => before < call.at && now >= call.at)
