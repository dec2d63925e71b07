/** A toss of the aircraft over the field: how it was thrown, what it did, and what the eye would make of it. */
import type { PitchTables } from '../../assess'
import { fly, type Flown, type Point } from '../../toss'
import { q, say, type Words } from '../../units'
import { gliderOf } from './glider'

export interface Throw {
  speedMs: number
  /** Over the horizon; the nose points the same way. */
  pathDeg: number
  heightM: number
  /** Trailing edge down. */
  elevatorDeg: number
  /** Against it. */
  windMs: number
  /** Peak of one gust upward that meets it after half a second. */
  gustMs: number
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
  kind: 'glides' | 'dives' | 'balloons' | 'stalls' | 'noses-in' | 'stays-up'
}

const RAD = Math.PI / 180
/** Longest that a toss is followed, s. */
const LONGEST = 12

export function toss(tables: PitchTables, thrown: Throw, cgShift = 0): Toss {
  const glider = gliderOf(tables, cgShift)
  const flown = fly(glider, {
    speed: Math.max(0, thrown.speedMs - thrown.windMs),
    path: thrown.pathDeg * RAD,
    attitude: thrown.pathDeg * RAD + incidenceAt(tables, thrown.speedMs),
    height: thrown.heightM,
    elevator: thrown.elevatorDeg * RAD,
    wind: thrown.windMs,
    gust: thrown.gustMs ? { peak: thrown.gustMs, from: 0.5, seconds: 1 } : null,
    thrust: null,
    seconds: LONGEST,
  })
  return readToss(tables, thrown, flown)
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
  const noseDeg = last.theta / RAD
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
  }
  const rose = highest.z - thrown.heightM
  const slope = Math.atan2(last.x - before.x, Math.max(1e-6, before.z - last.z)) / RAD
  if (!landed)
    return {
      ...base,
      kind: 'stays-up',
      reading: say`still ${q(last.z, 'm', 1)} up after ${q(last.t, 's', 0)}`,
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
