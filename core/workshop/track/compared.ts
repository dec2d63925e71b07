/** What a recording says of the flight, beside what was computed for this aircraft. */
import { propulsionOf, type Assessment, type PitchTables } from '../../assess'
import type { ProjectFile, Track } from '../../document'
import { rootBetween, running } from '../../power'
import { q, say, type Words } from '../../units'
import { levelAt, powerReport } from '../power'
import { gliderOf } from '../toss'

export interface TrackRow {
  id: 'glide' | 'sink' | 'level-current' | 'climb' | 'charge' | 'fastest'
  what: Words
  recorded: number
  computed: number | null
  unit: string
  digits: number
  note: Words
}

export interface TrackReading {
  rows: TrackRow[]
  /** For the flight's notes: what the recording knows better than a pilot's memory. */
  glideRatio: number | null
  usedMah: number | null
  minutes: number
  notes: Words[]
}

/** Under this the motor is off, A; where there is no current, sinking steadily is a glide. */
const OFF_A = 0.5
/** Means are taken over stretches of at least so long, s. */
const STRETCH_S = 6
/** Level: the height changes by less than this, m/s. */
const LEVEL = 0.4

interface Stretch {
  from: number
  to: number
}

export function readTrack(
  doc: ProjectFile,
  assessment: Assessment,
  tables: PitchTables,
  track: Track,
): TrackReading {
  const n = Math.max(track.speedMs.length, track.heightM.length, track.amps.length)
  const climb = slopes(track.heightM, track.stepS)
  const heights = track.heightM.filter(value => value !== null)
  const sampled: Sampled = {
    track,
    climb,
    lowest: heights.length ? Math.min(...heights) : 0,
    stall: tables.stallSpeed,
  }
  const glides = stretches(n, track.stepS, i => gliding(sampled, i))
  const levels = stretches(n, track.stepS, i => level(sampled, i))
  const rows: TrackRow[] = []
  const weight = tables.mass * tables.gravity

  const glide = meanOf(glides, track, climb)
  let glideRatio: number | null = null
  if (glide && glide.speed !== null && glide.climb < -0.05) {
    const computed = glideAt(tables, glide.speed)
    glideRatio = glide.speed / -glide.climb
    rows.push(
      {
        id: 'glide',
        what: say`Glide at ${q(glide.speed, 'm/s', 1)}, one in`,
        recorded: glideRatio,
        computed: glide.speed / computed,
        unit: '',
        digits: 1,
        note: say`motor off for ${q(glide.seconds, 's', 0)}${track.air ? '' : ', speed over the ground: whole circles even the wind out'}`,
      },
      {
        id: 'sink',
        what: say`Sink at that speed`,
        recorded: -glide.climb,
        computed,
        unit: 'm/s',
        digits: 2,
        note: '',
      },
    )
  }
  const flown = meanOf(levels, track, climb)
  if (flown && flown.speed !== null && flown.amps !== null) {
    rows.push({
      id: 'level-current',
      what: say`Current in level flight at ${q(flown.speed, 'm/s', 1)}`,
      recorded: flown.amps,
      computed: levelCurrent(doc, tables, flown.speed),
      unit: 'A',
      digits: 1,
      note: say`level within ${q(LEVEL, 'm/s', 1)} for ${q(flown.seconds, 's', 0)}`,
    })
  }
  const report = powerReport(doc, assessment, tables).figures
  const best = steepest(climb, track.stepS)
  if (best !== null && best > 0.5)
    rows.push({
      id: 'climb',
      what: 'Best climb, over ten seconds',
      recorded: best,
      computed: report?.climb?.ms ?? null,
      unit: 'm/s',
      digits: 1,
      note: 'computed at full throttle',
    })
  const used = track.amps.length ? integral(track.amps, track.stepS) / 3.6 : null
  if (used !== null)
    rows.push({
      id: 'charge',
      what: 'Charge taken',
      recorded: used,
      computed: doc.flights.find(flight => flight.id === track.flight)?.usedMah ?? null,
      unit: 'mAh',
      digits: 0,
      note: 'beside what was charged back, where it was noted',
    })
  const fastest = track.speedMs.reduce<number>((most, value) => Math.max(most, value ?? 0), 0)
  if (fastest > 0)
    rows.push({
      id: 'fastest',
      what: 'Fastest',
      recorded: fastest,
      computed: report?.levelMaxMs ?? null,
      unit: 'm/s',
      digits: 1,
      note: say`computed level; held to ${q(doc.brief.topSpeedMs, 'm/s')}`,
    })
  return {
    rows,
    glideRatio: glideRatio !== null && glideRatio < 100 ? Math.max(0.5, glideRatio) : null,
    usedMah: used,
    minutes: (n * track.stepS) / 60,
    notes: notesOf(doc, fastest, rows, weight),
  }
}

function notesOf(doc: ProjectFile, fastest: number, rows: readonly TrackRow[], weight: number): Words[] {
  const notes: Words[] = []
  if (fastest > doc.brief.topSpeedMs)
    notes.push(
      say`It flew ${q(fastest, 'm/s', 1)}, faster than the ${q(doc.brief.topSpeedMs, 'm/s')} that wing and hinges are held to: look it over, and raise the brief's top speed or fly slower`,
    )
  if (rows.length === 0 && weight > 0)
    notes.push('Too little in it: no steady glide, no level stretch, no current')
  return notes
}

/** Sink in a trimmed glide with the standing or folded propeller, m/s; the path is shallow. */
function glideAt(tables: PitchTables, speed: number): number {
  const glider = gliderOf(tables)
  const { drag } = levelAt(glider, tables, speed)
  const pressure = (glider.density * speed ** 2 * glider.area) / 2
  const total = drag + pressure * tables.standingPropeller
  const weight = glider.mass * glider.gravity
  return (speed * total) / Math.hypot(weight, total)
}

function levelCurrent(doc: ProjectFile, tables: PitchTables, speed: number): number | null {
  const { propulsion } = propulsionOf(doc)
  if (!propulsion) return null
  const { drag } = levelAt(gliderOf(tables), tables, speed)
  // Half charged: a flight's mean.
  const pull = (throttle: number) => running(propulsion.drive, throttle, speed, 0.5)
  if (pull(1).thrust < drag) return null
  return pull(rootBetween(throttle => pull(throttle).thrust - drag, 0.02, 1, 1e-4)).current
}

/** Height's slope, least squares over about four seconds, m/s. */
function slopes(height: ReadonlyArray<number | null>, step: number): Array<number | null> {
  const reach = Math.max(1, Math.round(2 / step))
  return height.map((_, i) => {
    let n = 0,
      sx = 0,
      sy = 0,
      sxx = 0,
      sxy = 0
    for (let k = Math.max(0, i - reach); k <= Math.min(height.length - 1, i + reach); k++) {
      const y = height[k]
      if (y === null) continue
      const x = (k - i) * step
      n++
      sx += x
      sy += y
      sxx += x * x
      sxy += x * y
    }
    const det = n * sxx - sx * sx
    return n >= 2 && det > 1e-9 ? (n * sxy - sx * sy) / det : null
  })
}

/** Rolling or carried it does not fly. */
const FLYING = 0.9

/** What it does at a sample, with its climb there and what the stall says. */
interface Sampled {
  track: Track
  climb: ReadonlyArray<number | null>
  lowest: number
  stall: number
}
const flies = ({ track, stall }: Sampled, i: number): boolean => (track.speedMs[i] ?? stall) > FLYING * stall

function gliding(own: Sampled, i: number): boolean {
  const { track, climb, lowest } = own
  const rate = climb[i]
  if (rate === null || rate === undefined || rate >= -0.1 || !flies(own, i)) return false
  // Near the lowest place it flares and lies.
  if ((track.heightM[i] ?? lowest) - lowest < 3) return false
  const current = track.amps[i]
  return track.amps.length === 0 ? rate < -0.3 && rate > -4 : current !== null && current < OFF_A
}

const level = (own: Sampled, i: number): boolean =>
  Math.abs(own.climb[i] ?? Infinity) < LEVEL && (own.track.amps[i] ?? 0) > OFF_A && flies(own, i)

function stretches(n: number, step: number, holds: (i: number) => boolean): Stretch[] {
  const found: Stretch[] = []
  let from = -1
  for (let i = 0; i <= n; i++) {
    if (i < n && holds(i)) {
      if (from < 0) from = i
    } else if (from >= 0) {
      if ((i - from) * step >= STRETCH_S) found.push({ from, to: i })
      from = -1
    }
  }
  return found
}

/** Means over all stretches, by time; the ends of each, where it passes from one to the other, are left out. */
function meanOf(list: readonly Stretch[], track: Track, climb: ReadonlyArray<number | null>) {
  const edge = Math.round(2 / track.stepS)
  const indices = list.flatMap(({ from, to }) => {
    const a = from + edge,
      b = to - edge
    return a < b ? Array.from({ length: b - a }, (_, i) => a + i) : []
  })
  const mean = (values: ReadonlyArray<number | null>) => {
    const own = indices.flatMap(i => values[i] ?? [])
    return own.length ? own.reduce((sum, value) => sum + value, 0) / own.length : null
  }
  const rate = mean(climb)
  if (rate === null) return null
  return {
    climb: rate,
    speed: mean(track.speedMs),
    amps: mean(track.amps),
    seconds: indices.length * track.stepS,
  }
}

function steepest(climb: ReadonlyArray<number | null>, step: number): number | null {
  const width = Math.max(1, Math.round(10 / step))
  let best: number | null = null
  for (let i = 0; i + width <= climb.length; i++) {
    const own = climb.slice(i, i + width)
    if (own.some(value => value === null)) continue
    const mean = own.reduce<number>((sum, value) => sum + value!, 0) / width
    best = Math.max(best ?? mean, mean)
  }
  return best
}

/** As by ampere-seconds: each sample stands for its step. */
const integral = (values: ReadonlyArray<number | null>, step: number): number =>
  values.reduce<number>((sum, value) => sum + Math.max(0, value ?? 0) * step, 0)
