/** The throw that suits an aircraft, and the balances that survive one. */
import type { PitchTables } from '../../assess'
import { fly } from '../../toss'
import { gliderOf } from './glider'
import { elevatorOf, toss, type Throw } from './toss'

export interface SteadyGlide {
  speedMs: number
  /** Under the horizon. */
  slopeDeg: number
  ratio: number
  alphaDeg: number
}

/**
 * The glide in which nothing changes with this elevator: pitching moment nil, then speed and slope of lift and drag.
 * Thrown so, it simply goes on. Null where it balances at no incidence before the stall.
 */
export function steadyGlide(tables: PitchTables, elevatorDeg: number, cgShift = 0): SteadyGlide | null {
  const glider = gliderOf(tables, cgShift)
  const elevator = (elevatorDeg * Math.PI) / 180
  const stall = (tables.clMax - tables.clZero) / tables.clAlpha
  let speed = 1.3 * tables.stallSpeed
  let alpha = 0
  // Drag goes by speed a little: three rounds settle it.
  for (let round = 0; round < 3; round++) {
    const moment = (at: number) => glider.at(at, speed, elevator).Cm
    let low = -tables.clZero / tables.clAlpha - 0.1,
      high = stall
    low = Math.max(low, tables.alphaFrom)
    if (!(moment(low) > 0 && moment(high) < 0)) return null
    for (let i = 0; i < 50; i++) {
      const middle = (low + high) / 2
      if (moment(middle) > 0) low = middle
      else high = middle
    }
    alpha = (low + high) / 2
    const { CL, CD } = glider.at(alpha, speed, elevator)
    if (CL <= 0.02) return null
    speed = Math.sqrt(
      (2 * glider.mass * glider.gravity) / (glider.density * glider.area * Math.hypot(CL, CD)),
    )
  }
  const { CL, CD } = glider.at(alpha, speed, elevator)
  return {
    speedMs: speed,
    slopeDeg: (Math.atan2(CD, CL) * 180) / Math.PI,
    ratio: CL / CD,
    alphaDeg: (alpha * 180) / Math.PI,
  }
}

/** The throw that suits it: as it glides steadily, no faster than an arm throws. */
export function suitingThrow(tables: PitchTables, base: Throw, armMs: number, cgShift = 0): Throw | null {
  const glide = steadyGlide(tables, elevatorOf(tables, base), cgShift)
  if (!glide) return null
  return {
    ...base,
    speedMs: Math.min(armMs + base.windMs, glide.speedMs),
    pathDeg: -glide.slopeDeg,
  }
}

/** How far the balance may move, fore and aft of where it is, before this throw no longer glides, mm. */
export function survivingBalance(tables: PitchTables, thrown: Throw): { foreMm: number; aftMm: number } {
  const good = (shiftMm: number) => {
    const { kind, sinkMs } = toss(tables, thrown, shiftMm / 1000)
    return (kind === 'glides' || kind === 'balloons' || kind === 'stays-up') && sinkMs < 3.5
  }
  const edge = (sign: 1 | -1) => {
    if (!good(0)) return 0
    let low = 0,
      high = 0.3 * tables.chord * 1000
    if (good(sign * high)) return sign * high
    for (let i = 0; i < 9; i++) {
      const middle = (low + high) / 2
      if (good(sign * middle)) low = middle
      else high = middle
    }
    return sign * low
  }
  return { foreMm: edge(-1), aftMm: edge(1) }
}

/** From where a stall is let go of, m: room enough for it. */
const HIGH = 150
/** It is given up with the nose so far past the incidence of the stall, rad. */
const PAST = 0.1
const FLIES = 1.2

/**
 * Height that a stall costs: at its stall speed, level, the nose past it, let go with this elevator, until it
 * has the speed to be flown again, 1.2 times the stall's; levelling off comes on top. Null where it does not
 * get there within 15 s.
 */
export function stallCost(tables: PitchTables, elevatorDeg: number, cgShift = 0): number | null {
  const { path } = fly(gliderOf(tables, cgShift), {
    speed: tables.stallSpeed,
    path: 0,
    attitude: (tables.clMax - tables.clZero) / tables.clAlpha + PAST,
    height: HIGH,
    elevator: (elevatorDeg * Math.PI) / 180,
    wind: 0,
    gust: null,
    thrust: null,
    seconds: 15,
  })
  const wanted = FLIES * tables.stallSpeed
  const at = path.findIndex(point => point.speed >= wanted)
  if (at < 1) return null
  const [a, b] = [path[at - 1], path[at]]
  return HIGH - (a.z + ((wanted - a.speed) / (b.speed - a.speed)) * (b.z - a.z))
}
