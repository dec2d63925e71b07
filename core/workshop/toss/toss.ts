/** A toss of the aircraft over the field: how it was thrown, what it did, and what the eye would make of it. */
import type { PitchTables } from '../../assess'
import { fly, type Flown, type Point, type Thrust } from '../../toss'
import { q, say, type Words } from '../../units'
import { gliderOf } from './glider'

export interface Throw {
  speedMs: number
  /** Over the horizon; the nose points the same way. */
  pathDeg: number
  heightM: number
  /** Trailing edge down. */
  elevatorDeg: number
  /** The whole tail turned, leading edge up, beside how it is drawn; nothing without one. */
  tailDeg: number
  /** Against it. */
  windMs: number
  /** Peak of one gust upward that meets it after half a second. */
  gustMs: number
  /** Throttle, and how long after it is let go, s; 0 is a glide. */
  throttlePct: number
  powerAfterS: number
}

/** Thrust at full throttle over speed, and its line; plain data of the aircraft's own drive. */
export interface Pull {
  speeds: number[]
  newtons: number[]
  /** Up from the x axis, rad, and how far the line passes under the CG, m. */
  angle: number
  under: number
  /** From the CG forward to where it pulls, m; behind it negative. */
  arm: number
}

export interface Toss {
  thrown: Throw
  path: Point[]
  distanceM: number
  seconds: number
  highestM: number
  /** Least and greatest speed through the air. */
  slowestMs: number
  stalled: boolean
  /** Of the landing: sink, and the attitude of the nose over the ground. */
  sinkMs: number
  noseDeg: number
  reading: Words
  /** Least height on the way, and how far it is until it flies and gains height; null where it never does. */
  lowestM: number
  flyingAfterM: number | null
  kind: 'climbs' | 'loops' | 'glides' | 'dives' | 'balloons' | 'stalls' | 'noses-in' | 'stays-up'
}

const RAD = Math.PI / 180
/** Nose that far from the horizon is past straight up or down, rad. */
const OVER = 1.9
/** Longest that a toss is followed, s. */
const LONGEST = 12

export function toss(tables: PitchTables, thrown: Throw, cgShift = 0, pull: Pull | null = null): Toss {
  const glider = gliderOf(tables, cgShift)
  const flown = fly(glider, {
    speed: Math.max(0, thrown.speedMs - thrown.windMs),
    path: thrown.pathDeg * RAD,
    attitude: thrown.pathDeg * RAD + incidenceAt(tables, thrown.speedMs),
    height: thrown.heightM,
    elevator: elevatorOf(tables, thrown) * RAD,
    wind: thrown.windMs,
    gust: thrown.gustMs ? { peak: thrown.gustMs, from: 0.5, seconds: 1 } : null,
    thrust: pull && thrown.throttlePct > 0 ? thrustOf(tables, thrown, cgShift, pull) : null,
    seconds: LONGEST,
  })
  return readToss(tables, thrown, flown)
}

/** A tail that is turned counts as its elevator does: both together, ° down. */
export const elevatorOf = ({ tailDeg }: PitchTables, thrown: Throw): number =>
  thrown.elevatorDeg + (tailDeg ?? 0) * thrown.tailDeg

/** Part of the throttle pulls that part of full thrust; a propeller that turns no longer drags as one that stands. */
function thrustOf(tables: PitchTables, thrown: Throw, cgShift: number, pull: Pull): Thrust {
  const share = thrown.throttlePct / 100
  const freed = (tables.density * tables.area * tables.standingPropeller) / 2
  return {
    at: speed => share * alongTable(pull, speed) + freed * speed ** 2,
    from: thrown.powerAfterS,
    angle: pull.angle,
    // A balance further aft sees a tilted line pass elsewhere.
    under: pull.under + Math.tan(pull.angle) * cgShift,
  }
}

/** Straight between speeds of a table, held at its ends. */
export function alongTable({ speeds, newtons }: Pull, speed: number): number {
  let k = 1
  while (k < speeds.length - 1 && speeds[k] < speed) k++
  const t = Math.min(1, Math.max(0, (speed - speeds[k - 1]) / (speeds[k] - speeds[k - 1])))
  return newtons[k - 1] + t * (newtons[k] - newtons[k - 1])
}

/** A hand lets go with the wing lifting about its weight at that speed, as far as the wing can. */
function incidenceAt(
  { mass, gravity, density, area, clZero, clAlpha, clMax }: PitchTables,
  speed: number,
): number {
  const wanted = (2 * mass * gravity) / (density * Math.max(1, speed) ** 2 * area)
  return (Math.min(0.8 * clMax, wanted) - clZero) / clAlpha
}

function readToss(tables: PitchTables, thrown: Throw, { path, landed }: Flown): Toss {
  const last = path[path.length - 1]
  const before = path[Math.max(0, path.length - 4)]
  const dt = Math.max(1e-6, last.t - before.t)
  const sinkMs = (before.z - last.z) / dt
  const highest = path.reduce((a, b) => (b.z > a.z ? b : a))
  const slowest = path.reduce((a, b) => (b.speed < a.speed ? b : a))
  const stallAlpha = (tables.clMax - tables.clZero) / tables.clAlpha
  const stalled = path.some(point => point.alpha > stallAlpha)
  const noseDeg = ((((last.theta / RAD + 180) % 360) + 360) % 360) - 180
  const base = {
    thrown,
    path,
    distanceM: last.x,
    seconds: last.t,
    highestM: highest.z,
    slowestMs: slowest.speed,
    stalled,
    sinkMs,
    noseDeg,
    ...underway(tables, path),
  }
  const powered = thrown.throttlePct > 0
  const rose = highest.z - thrown.heightM
  const slope = Math.atan2(last.x - before.x, Math.max(1e-6, before.z - last.z)) / RAD
  // On its back: nobody means that of a throw.
  if (path.some(point => Math.abs(point.theta) > OVER))
    return {
      ...base,
      kind: 'loops',
      reading: say`turns over on its back ${q(highest.z, 'm', 0)} up, hands off: ${powered ? 'less throttle, or down elevator as it gathers speed' : 'far too much up elevator, or thrown far too hard'}`,
    }
  if (!landed)
    return {
      ...base,
      kind: powered && last.z > thrown.heightM ? 'climbs' : 'stays-up',
      reading: powered
        ? say`${base.flyingAfterM === null ? 'never gains height for good' : say`flies after ${q(base.flyingAfterM, 'm', 0)}`}, ${q(Math.max(0, thrown.heightM - base.lowestM), 'm', 1)} lower at the worst, and is ${q(last.z, 'm', 0)} up after ${q(last.t, 's', 0)}${stalled ? ', stalled on the way' : ''}`
        : say`still ${q(last.z, 'm', 1)} up after ${q(last.t, 's', 0)}`,
    }
  if (stalled)
    return {
      ...base,
      kind: 'stalls',
      reading:
        rose > 0.4
          ? say`rises ${q(rose, 'm', 1)}, slows to ${q(slowest.speed, 'm/s', 1)}, stalls and falls off: thrown too hard or too steeply for this trim, or tail-heavy`
          : say`slows to ${q(slowest.speed, 'm/s', 1)} and stalls, landing with ${q(sinkMs, 'm/s', 1)} of sink: thrown too slowly for its weight, too much up elevator, or tail-heavy`,
    }
  if (slope < 55 || noseDeg < -25)
    return {
      ...base,
      kind: noseDeg < -40 ? 'noses-in' : 'dives',
      reading: say`goes down steeply, nose ${q(-noseDeg, '°', 0)} under the horizon: nose-heavy, too slow a throw, or too little incidence of the wing over the tail`,
    }
  if (rose > 0.5)
    return {
      ...base,
      kind: 'balloons',
      reading: say`rises ${q(rose, 'm', 1)} and sinks back without stalling: a fast throw with a balance that is right`,
    }
  return {
    ...base,
    kind: 'glides',
    reading: say`glides ${q(last.x, 'm', 0)} and lands with ${q(sinkMs, 'm/s', 1)} of sink, nose ${q(noseDeg, '°', 0)}`,
  }
}

/** It flies from where it has a fifth more than its stall and no longer sinks. */
function underway(
  { stallSpeed }: PitchTables,
  path: readonly Point[],
): Pick<Toss, 'lowestM' | 'flyingAfterM'> {
  const low = path.reduce((a, b) => (b.z < a.z ? b : a))
  const flies = path.find((point, i) => i > 0 && point.speed >= 1.2 * stallSpeed && point.z >= path[i - 1].z)
  return { lowestM: low.z, flyingAfterM: flies && flies.t >= 0 ? flies.x : null }
}
