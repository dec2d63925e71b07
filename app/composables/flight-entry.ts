/** A flight as it is typed: what is known already is filled in, and nothing typed is lost by a reload. */
import { useStorage } from '@vueuse/core'
import { format } from 'date-fns'
import type { Flight, ProjectFile } from '../../core/document'
import { AIR_KINDS, charge, type AirKind, type FlightClock, spent } from './flight-clock'

export type FlightEntry = Omit<Flight, 'id' | 'minutes' | 'windMs'> & {
  minutes: number | null
  windMs: number | null
}

/** Of this day's field where it is of today, and of the clock where it ran. */
export function newEntry(
  { field }: Pick<ProjectFile, 'field'>,
  clock: FlightClock,
  amps: Record<AirKind, number> | null,
  now: Date,
): FlightEntry {
  const date = format(now, 'yyyy-MM-dd')
  const today = field.date === date
  const launched = clock.stretches[0]?.at ?? null
  const seconds = spent(clock, now.getTime())
  const long = AIR_KINDS.reduce((sum, kind) => sum + seconds[kind], 0)
  return {
    date: launched === null ? date : format(launched, 'yyyy-MM-dd'),
    startedAt: format(launched ?? now, 'HH:mm'),
    minutes: long > 0 ? Math.round(long / 6) / 10 : 5,
    windMs: today ? (field.windMs ?? 0) : 0,
    airC: today ? field.airC : null,
    pack: field.pack !== null && field.packs.some(pack => pack.id === field.pack) ? field.pack : null,
    elevatorTrimDeg: null,
    aileronTrimDeg: null,
    usedMah: long > 0 && amps ? Math.round(charge(seconds, amps)) : null,
    leftPct: null,
    motorC: null,
    glideRatio: null,
    landing: null,
    signs: [],
    behaviour: '',
    broke: '',
    next: '',
  }
}

export const entryOf = ({ id: _, ...flight }: Flight): FlightEntry => ({
  ...flight,
  signs: flight.signs.map(sign => ({ ...sign })),
})

/** What stands in the form, and the flight that is being completed, if it is one of the log. */
export const useFlightDraft = (project: string) =>
  useStorage<{ entry: FlightEntry | null; completes: string | null }>(`mariposa-log-${project}`, {
    entry: null,
    completes: null,
  })
