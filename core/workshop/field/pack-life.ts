/** Packs: how often each was charged, what is left of it by test and by flights, and when it has had its time. */
import type { Pack, ProjectFile } from '../../document'
import { q, say, type Words } from '../../units'

export interface PackLife {
  id: string
  cycles: number
  /** As last known, over what is written on it; null where nobody measured. */
  capacityShare: number | null
  resistanceShare: number | null
  /** What flights say of its capacity, mAh, with how many said it. */
  flown: { capacityMah: number; of: number } | null
  /** 0 new, 100 worn out, as the drive reckons. */
  wearPct: number
  verdict: 'good' | 'watch' | 'retire'
  reason: Words
  /** For the charts: date and share. */
  history: Array<{ date: string; capacityShare: number | null; resistanceShare: number | null }>
}

/** Under that share of its capacity, or over that resistance, a pack is worn out; half way there it is watched. */
const RETIRE = { capacity: 0.8, resistance: 2 },
  WATCH = { capacity: 0.87, resistance: 1.5 }
/** So many charges make a closer look worth while, whatever else is known. */
const MANY_CYCLES = 200
/** A flight that took less than this share says little of the whole. */
const TELLING = 0.25

export function packLife({ flights }: Pick<ProjectFile, 'flights'>, pack: Pack): PackLife {
  const own = flights.filter(flight => flight.pack === pack.id)
  const tests = [...pack.tests].sort((a, b) => (a.date < b.date ? -1 : 1))
  const last = <K extends 'capacityMah' | 'resistanceMohm'>(key: K) =>
    [...tests].reverse().find(test => test[key] !== null)?.[key] ?? null
  const capacity = last('capacityMah'),
    resistance = last('resistanceMohm')
  const capacityShare = capacity === null ? null : capacity / pack.capacityMah
  const resistanceShare =
    resistance === null || pack.resistanceMohm === null ? null : resistance / pack.resistanceMohm
  const cycles = pack.cyclesBefore + own.length
  const wear = Math.max(
    capacityShare === null ? 0 : (1 - capacityShare) / (1 - RETIRE.capacity),
    resistanceShare === null ? 0 : (resistanceShare - 1) / (RETIRE.resistance - 1),
  )
  return {
    id: pack.id,
    cycles,
    capacityShare,
    resistanceShare,
    flown: capacityFlown(own),
    wearPct: 100 * Math.min(1, Math.max(0, wear)),
    ...verdictOf(capacityShare, resistanceShare, cycles),
    history: tests.map(test => ({
      date: test.date,
      capacityShare: test.capacityMah === null ? null : test.capacityMah / pack.capacityMah,
      resistanceShare:
        test.resistanceMohm === null || pack.resistanceMohm === null
          ? null
          : test.resistanceMohm / pack.resistanceMohm,
    })),
  }
}

/** Charge taken over the share that was gone, in the middle of what flights from full say. */
function capacityFlown(flights: ReadonlyArray<{ usedMah: number | null; leftPct: number | null }>) {
  const said = flights
    .flatMap(({ usedMah, leftPct }) =>
      usedMah !== null && leftPct !== null && 100 - leftPct >= 100 * TELLING
        ? [usedMah / (1 - leftPct / 100)]
        : [],
    )
    .sort((a, b) => a - b)
  if (said.length === 0) return null
  const half = said.length / 2
  const middle = Number.isInteger(half) ? (said[half - 1] + said[half]) / 2 : said[Math.floor(half)]
  return { capacityMah: middle, of: said.length }
}

function verdictOf(
  capacity: number | null,
  resistance: number | null,
  cycles: number,
): Pick<PackLife, 'verdict' | 'reason'> {
  const holds = capacity === null ? null : say`holds ${q(100 * capacity, '%', 0)} of what is written on it`
  const bars = resistance === null ? null : say`has ${q(resistance, '', 1)} times its first resistance`
  if (capacity !== null && capacity < RETIRE.capacity)
    return { verdict: 'retire', reason: say`${holds!}: retire it, and dispose of it as your place rules` }
  if (resistance !== null && resistance >= RETIRE.resistance)
    return { verdict: 'retire', reason: say`${bars!}: retire it, and dispose of it as your place rules` }
  if (capacity !== null && capacity < WATCH.capacity)
    return { verdict: 'watch', reason: say`${holds!}: fly it short` }
  if (resistance !== null && resistance >= WATCH.resistance)
    return { verdict: 'watch', reason: say`${bars!}: it sags under full throttle` }
  if (cycles >= MANY_CYCLES)
    return { verdict: 'watch', reason: say`${cycles} charges: measure capacity and resistance` }
  if (capacity === null && resistance === null)
    return { verdict: 'good', reason: 'nobody has measured it yet' }
  return { verdict: 'good', reason: holds ?? bars! }
}
