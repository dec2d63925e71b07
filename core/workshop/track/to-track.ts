/** A recording brought to equal steps of time and SI units, short enough to stay in the project. */
import { DocumentError, TRACK_SAMPLES, type Track } from '../../document'
import { degToRad } from '../../units'
import { MEANINGS, type Mapping, type Meaning, type Recording } from './recording'

/** Radius of a sphere as large as the earth, m (IUGG). */
const EARTH = 6_371_008.8
/** Speeds from places are taken over this long, s: receivers jump by metres. */
const OVER_S = 2

const LIMITS = {
  speedMs: [0, 150],
  heightM: [-1000, 12000],
  eastM: [-100_000, 100_000],
  northM: [-100_000, 100_000],
  amps: [-50, 1000],
  volts: [0, 100],
} as const
type Column = keyof typeof LIMITS

/** Throws `DocumentError` where times are missing or run backwards for good. */
export function toTrack(flight: string, { source, rows }: Recording, mapping: Mapping): Track {
  if (!mapping.time) throw new DocumentError('time', 'say which column is the time')
  const at = times(rows, mapping)
  const of = (meaning: Meaning) => {
    const own = mapping[meaning]
    if (!own) return null
    const units = MEANINGS[meaning].units as Record<string, number>
    const by = units[own.unit] ?? 1
    return at.map(({ row }) => {
      const value = rows[row][own.column]
      return value === null || value === undefined ? null : value * by
    })
  }
  const seconds = at.map(({ s }) => s)
  const place = placesOf(of('latitude'), of('longitude'))
  const air = of('airspeed')
  const height = of('height')
  const first = height?.find(value => value !== null) ?? 0
  const columns: Record<Column, Array<number | null> | null> = {
    speedMs: air ?? of('speed') ?? (place ? speedsOf(seconds, place.east, place.north) : null),
    heightM: height?.map(value => (value === null ? null : value - first)) ?? null,
    eastM: place?.east ?? null,
    northM: place?.north ?? null,
    amps: of('current'),
    volts: of('voltage'),
  }
  if (Object.values(columns).every(column => column === null))
    throw new DocumentError('', 'say of at least one column besides the time what it is')
  const long = seconds.at(-1)!
  const count = Math.min(TRACK_SAMPLES, Math.max(2, Math.ceil(long / 0.2)))
  const stepS = Math.max(0.01, Math.min(600, long / count))
  return {
    flight,
    source: source.slice(0, 200) || 'recording',
    stepS: Number(stepS.toFixed(4)),
    air: air !== null,
    ...(Object.fromEntries(
      Object.entries(columns).map(([name, values]) => [
        name,
        values === null ? [] : binned(seconds, values, stepS, count, LIMITS[name as Column]),
      ]),
    ) as Record<Column, Array<number | null>>),
  }
}

/** Rows with a time, as seconds from the first; rows that go back in time are left out. */
function times(rows: Recording['rows'], mapping: Mapping): Array<{ row: number; s: number }> {
  const { column, unit } = mapping.time!
  const by = (MEANINGS.time.units as Record<string, number>)[unit] ?? 1
  const kept: Array<{ row: number; s: number }> = []
  let first: number | null = null,
    back = 0
  rows.forEach((cells, row) => {
    const value = cells[column]
    if (value === null || value === undefined) return
    first ??= value * by
    const s = value * by - first
    if (kept.length && s <= kept[kept.length - 1].s) back++
    else kept.push({ row, s })
  })
  if (kept.length < 2) throw new DocumentError('time', 'fewer than two lines have a time that goes on')
  if (back > kept.length) throw new DocumentError('time', 'most lines go back in time: is this the time?')
  const long = kept[kept.length - 1].s
  if (long > 144_000)
    throw new DocumentError('time', `it lasts ${(long / 3600).toFixed(0)} h: is the unit right?`)
  return kept
}

/** Metres east and north of the first place, on a plane that touches there. */
function placesOf(latitude: Array<number | null> | null, longitude: Array<number | null> | null) {
  if (!latitude || !longitude) return null
  const i = latitude.findIndex((value, k) => value !== null && longitude[k] !== null)
  if (i < 0) return null
  const [lat, lon] = [latitude[i]!, longitude[i]!]
  return {
    east: longitude.map(value =>
      value === null ? null : EARTH * Math.cos(degToRad(lat)) * degToRad(value - lon),
    ),
    north: latitude.map(value => (value === null ? null : EARTH * degToRad(value - lat))),
  }
}

function speedsOf(
  seconds: readonly number[],
  east: ReadonlyArray<number | null>,
  north: ReadonlyArray<number | null>,
): Array<number | null> {
  let from = 0
  return seconds.map((s, i) => {
    while (from < i - 1 && s - seconds[from + 1] >= OVER_S) from++
    if (from === i || east[i] === null || east[from] === null) return null
    return Math.hypot(east[i]! - east[from]!, north[i]! - north[from]!) / (s - seconds[from])
  })
}

/** Means over equal steps of time; a step in which nothing was written holds what lies on the line between. */
function binned(
  seconds: readonly number[],
  values: ReadonlyArray<number | null>,
  step: number,
  count: number,
  [low, high]: readonly [number, number],
): Array<number | null> {
  const sum = new Float64Array(count),
    n = new Uint32Array(count)
  const known: Array<[number, number]> = []
  seconds.forEach((s, i) => {
    const value = values[i]
    if (value === null) return
    const held = Math.min(high, Math.max(low, value))
    known.push([s, held])
    const bin = Math.min(count - 1, Math.floor(s / step))
    sum[bin] += held
    n[bin]++
  })
  if (known.length === 0) return []
  let k = 0
  return Array.from({ length: count }, (_, bin) => {
    if (n[bin] > 0) return rounded(sum[bin] / n[bin])
    const middle = (bin + 0.5) * step
    while (k < known.length - 1 && known[k + 1][0] < middle) k++
    const [a, x] = known[k],
      next = known[k + 1]
    if (!next || middle < a) return null
    return rounded(x + ((next[1] - x) * (middle - a)) / (next[0] - a))
  })
}

const rounded = (value: number): number => Math.round(1000 * value) / 1000
