/** Tosses with something wrong that is not told: what it was, what it looks like, what to do. */
import type { PitchTables } from '../../assess'
import type { Point } from '../../toss'
import { q, say, type Words } from '../../units'
import { steadyGlide } from './best-throw'
import { alongTable, toss, type Pull, type Throw, type Toss } from './toss'

export const FAULT_KINDS = [
  'none',
  'nose-heavy',
  'tail-heavy',
  'dives',
  'loops',
  'weak-throw',
  'steep-throw',
  'gust',
  'warp',
  'thrust-line',
] as const
export type FaultKind = (typeof FAULT_KINDS)[number]

export interface Lesson {
  fault: FaultKind
  /** In the fault's own measure: mm, °, m/s. */
  amount: number
  thrown: Throw
  cgShift: number
  warpDeg: number
  pull: Pull | null
  toss: Toss
  /** To the side and bank along the path, m and rad. */
  sideways: Array<{ y: number; bank: number }>
}

export const FAULT_NAMES: Record<FaultKind, string> = {
  none: 'Nothing: it is right',
  'nose-heavy': 'Balance too far forward',
  'tail-heavy': 'Balance too far aft',
  dives: 'Too little up trim or incidence',
  loops: 'Too much up trim or incidence',
  'weak-throw': 'Thrown too slowly',
  'steep-throw': 'Thrown upward too hard',
  gust: 'A gust from below',
  warp: 'A warped or unlike wing half',
  'thrust-line': 'Thrust line tilted, with power',
}

export const WHAT_TO_DO: Record<FaultKind, Words> = {
  none: 'Trim it as it is; throw again to be sure',
  'nose-heavy': 'Move the battery aft in small steps, or take nose weight out; then less up trim',
  'tail-heavy': 'Move the battery forward or add nose weight before it is thrown again',
  dives: 'A little up elevator, or more incidence of the wing over the tail',
  loops: 'A little down elevator, or less incidence of the wing over the tail',
  'weak-throw': 'Throw faster, level or a little down, as if it were to fly on by itself',
  'steep-throw': 'Throw level at the speed it glides with; the path, not the nose, is level',
  gust: 'Wait for calm, and throw again before anything is changed',
  warp: 'Sight along both halves from behind; heat and twist the wrong one, or trim with an aileron',
  'thrust-line': 'Down or up thrust with washers under the motor, a degree at a time',
}

/** What the eye can hold on to. */
export const WHAT_IT_SHOWS: Record<FaultKind, Words> = {
  none: 'shallow, straight and even from the hand to the grass',
  'nose-heavy': 'steep and fast, and steady in it: it needs up elevator all the way and flares late',
  'tail-heavy': 'the nose rises by itself, it slows, nods or falls off in growing waves',
  dives: 'steeper and faster than it should, as if held down; it would glide well with a little up',
  loops: 'rises right away and slows, then sinks or stalls; with a little down it would run on',
  'weak-throw': 'sinks at once and gathers speed on the way down; the later part is a normal glide',
  'steep-throw': 'rises, slows and sinks back; once slow it glides as always: the balance is right',
  gust: 'an even glide that lifts all at once in the middle, and settles again',
  warp: 'seen from behind it banks to one side and turns, more with speed',
  'thrust-line': 'with power the nose goes up or down; the glide without power is good',
}

export interface Difficulty {
  id: 'plain' | 'fair' | 'fine'
  label: string
  /** Of the size of a fault. */
  scale: number
}
export const DIFFICULTIES: readonly Difficulty[] = [
  { id: 'plain', label: 'Plain', scale: 1 },
  { id: 'fair', label: 'Fair', scale: 0.6 },
  { id: 'fine', label: 'Fine', scale: 0.35 },
]

/** Faults that this aircraft can show: without a motor there is no thrust line. */
export const faultsFor = (pull: Pull | null): FaultKind[] =>
  FAULT_KINDS.filter(kind => kind !== 'thrust-line' || pull !== null)

/**
 * A fault thrown at this aircraft; `chance` gives numbers from 0 to 1, so that a lesson can be had again. Of
 * the glide as trimmed; null where it has none.
 */
export function lesson(
  tables: PitchTables,
  elevatorDeg: number,
  fault: FaultKind,
  { scale }: Pick<Difficulty, 'scale'>,
  chance: () => number,
  pull: Pull | null = null,
): Lesson | null {
  const glide = steadyGlide(tables, elevatorDeg)
  if (!glide) return null
  const chord = 1000 * tables.chord
  const thrown: Throw = {
    speedMs: glide.speedMs * (0.98 + 0.04 * chance()),
    pathDeg: -glide.slopeDeg + 1.5 * (chance() - 0.5),
    heightM: 1.8,
    elevatorDeg,
    tailDeg: 0,
    windMs: 0,
    gustMs: 0,
    throttlePct: 0,
    powerAfterS: 0,
  }
  const size = scale * (0.8 + 0.4 * chance())
  const side = chance() < 0.5 ? -1 : 1
  const set: { cgShift: number; warpDeg: number; amount: number; power: Pull | null } = {
    cgShift: 0,
    warpDeg: 0,
    amount: 0,
    power: null,
  }
  const margin = 1000 * (tables.neutralX - tables.cgX)
  const acts: Record<FaultKind, () => void> = {
    none: () => {},
    'nose-heavy': () => {
      set.amount = -0.14 * chord * size
      set.cgShift = set.amount / 1000
    },
    'tail-heavy': () => {
      set.amount = Math.max(0.1 * chord, margin + 0.02 * chord) * size
      set.cgShift = set.amount / 1000
    },
    dives: () => {
      set.amount = 4 * size
      thrown.elevatorDeg += set.amount
    },
    loops: () => {
      set.amount = -4 * size
      thrown.elevatorDeg += set.amount
    },
    'weak-throw': () => {
      set.amount = -0.4 * glide.speedMs * size
      thrown.speedMs += set.amount
    },
    'steep-throw': () => {
      set.amount = 22 * size
      thrown.pathDeg += set.amount
      thrown.speedMs *= 1 + 0.15 * size
    },
    gust: () => {
      set.amount = 2.5 * size
      thrown.gustMs = set.amount
    },
    warp: () => {
      set.amount = side * 0.9 * size
      set.warpDeg = set.amount
    },
    'thrust-line': () => {
      set.amount = side * 8 * size
      if (!pull) return
      const tilt = (set.amount * Math.PI) / 180
      // A third more than level flight asks: it is the tilt that shows, not the pull.
      const asks = (1.35 * tables.mass * tables.gravity) / glide.ratio
      thrown.throttlePct = Math.min(100, (100 * asks) / Math.max(0.1, alongTable(pull, glide.speedMs)))
      set.power = { ...pull, angle: pull.angle + tilt, under: pull.under + pull.arm * Math.tan(tilt) }
    },
  }
  acts[fault]()
  const flown = toss(tables, thrown, set.cgShift, set.power)
  return {
    fault,
    amount: set.amount,
    thrown,
    cgShift: set.cgShift,
    warpDeg: set.warpDeg,
    pull: set.power,
    toss: flown,
    sideways: turning(flown.path, set.warpDeg, tables),
  }
}

/**
 * A wing twisted evenly from tip to tip rolls until its own roll takes the twist away: pb/2V is the twist at the tip
 * (strip theory, whatever the plan). Bank turns the path, level turn of that bank.
 */
export function turning(
  path: readonly Point[],
  warpDeg: number,
  { span, gravity }: Pick<PitchTables, 'span' | 'gravity'>,
): Array<{ y: number; bank: number }> {
  const twist = (warpDeg * Math.PI) / 180
  let bank = 0,
    heading = 0,
    y = 0
  return path.map((point, i) => {
    if (i > 0) {
      const dt = point.t - path[i - 1].t
      const speed = Math.max(1, point.speed)
      bank = Math.max(-1.2, Math.min(1.2, bank + ((2 * speed * twist) / span) * dt))
      heading += ((gravity * Math.tan(bank)) / speed) * dt
      y += speed * Math.sin(heading) * dt
    }
    return { y, bank }
  })
}

/** What it was, and how large, once it is told. */
export function revealed({ fault, amount, cgShift, warpDeg, thrown }: Lesson): Words {
  const told: Record<FaultKind, () => Words> = {
    none: () => 'Nothing was wrong',
    'nose-heavy': () => say`The balance was ${q(-1000 * cgShift, 'mm', 0)} too far forward`,
    'tail-heavy': () => say`The balance was ${q(1000 * cgShift, 'mm', 0)} too far aft`,
    dives: () => say`The elevator stood ${q(amount, '°', 1)} lower than in trim`,
    loops: () => say`The elevator stood ${q(-amount, '°', 1)} higher than in trim`,
    'weak-throw': () => say`It was thrown ${q(-amount, 'm/s', 1)} slower than it glides`,
    'steep-throw': () => say`It was thrown ${q(thrown.pathDeg, '°', 0)} over the horizon, and hard`,
    gust: () => say`A gust of ${q(amount, 'm/s', 1)} met it from below after half a second`,
    warp: () =>
      say`The ${warpDeg > 0 ? 'port' : 'starboard'} half was twisted: ${q(Math.abs(warpDeg), '°', 1)} from middle to tip`,
    'thrust-line': () =>
      say`The thrust line was tilted ${q(Math.abs(amount), '°', 1)} ${amount > 0 ? 'up' : 'down'}, with a little more than level throttle`,
  }
  return told[fault]()
}

/** How often one was taken for another, by what it was and what was said. */
export type Mistaken = Partial<Record<FaultKind, Partial<Record<FaultKind, number>>>>

export function noted(record: Mistaken, was: FaultKind, said: FaultKind): Mistaken {
  const row = record[was] ?? {}
  return { ...record, [was]: { ...row, [said]: (row[said] ?? 0) + 1 } }
}

/** Pairs that are confused most, most often first. */
export const confused = (record: Mistaken): Array<{ was: FaultKind; said: FaultKind; times: number }> =>
  FAULT_KINDS.flatMap(was =>
    FAULT_KINDS.filter(said => said !== was && record[was]?.[said]).map(said => ({
      was,
      said,
      times: record[was]![said]!,
    })),
  ).sort((a, b) => b.times - a.times)
