/**
 * An aircraft let go: three degrees of freedom in the vertical plane, quasi-steady, past the stall as well. SI; x runs
 * the way it is thrown, z is height, θ the x axis of the aircraft over the horizon, α against the air.
 */
import { integrator } from './integrator'

export interface Airfoil {
  CL: number
  CD: number
  Cm: number
  /** The part of CD that the ground takes away when it is near. */
  induced: number
}

export interface Glider {
  mass: number
  /** About the pitch axis through the CG, kg·m². */
  inertia: number
  area: number
  chord: number
  span: number
  density: number
  gravity: number
  /** Per unit of q·c/2V. */
  CLq: number
  Cmq: number
  /** At an incidence (any angle), a speed and an elevator (trailing edge down), all still. */
  at(alpha: number, speed: number, elevator: number): Airfoil
}

export interface Thrust {
  /** N at a speed through the air. */
  at(speed: number): number
  /** Switched on so long after it is let go, s. */
  from: number
  /** Of the thrust line, up from the x axis, rad, and how far it passes under the CG, m. */
  angle: number
  under: number
}

/** Thrust that falls in a straight line to nothing. */
export const runningOut =
  (force: number, runsOut: number) =>
  (speed: number): number =>
    force * Math.max(0, 1 - speed / runsOut)

export interface Release {
  /** Over the ground, m/s, and the way it is thrown over the horizon, rad. */
  speed: number
  path: number
  /** Of the x axis over the horizon, rad. */
  attitude: number
  height: number
  elevator: number
  /** Against it, m/s. */
  wind: number
  /** One gust of a (1 − cos) shape, upward, m/s: its peak, when it begins, how long it lasts. */
  gust: { peak: number; from: number; seconds: number } | null
  thrust: Thrust | null
  seconds: number
}

export interface Point {
  t: number
  x: number
  z: number
  /** Through the air, m/s. */
  speed: number
  alpha: number
  theta: number
  rate: number
}

export interface Flown {
  path: Point[]
  landed: boolean
}

/** Picture of the path, s. */
const FRAME = 0.02
const TOLERANCE = 1e-7
/** Against which errors are told: m, m, m/s, m/s, rad, rad/s. */
const SCALES = [1, 1, 1, 1, 0.1, 1]
/** Bound of the work: a figure gone wild ends the flight, not the page. */
const MOST_STEPS = 60_000

export function fly(glider: Glider, release: Release): Flown {
  const { wind, gust, thrust } = release
  const state = Float64Array.from([
    0,
    release.height,
    release.speed * Math.cos(release.path),
    release.speed * Math.sin(release.path),
    release.attitude,
    0,
  ])
  const rise = (t: number) =>
    gust && t > gust.from && t < gust.from + gust.seconds
      ? (gust.peak / 2) * (1 - Math.cos((2 * Math.PI * (t - gust.from)) / gust.seconds))
      : 0
  const airOf = (y: Float64Array, t: number) => {
    const u = y[2] + wind,
      w = y[3] - rise(t)
    const speed = Math.max(1e-6, Math.hypot(u, w))
    return { speed, slope: Math.atan2(w, u) }
  }
  const { mass, inertia, area, chord, span, density, gravity } = glider
  const derivative = (into: Float64Array, y: Float64Array, t: number) => {
    const { speed, slope } = airOf(y, t)
    const alpha = wrapped(y[4] - slope)
    const { CL, CD, Cm, induced } = glider.at(alpha, speed, release.elevator)
    const turn = (y[5] * chord) / (2 * speed)
    // Rates are told as turning in flow that is attached: far off it they would be guesses, so they are bounded.
    const rate = Math.max(-0.3, Math.min(0.3, turn))
    const pressure = (density * speed ** 2 * area) / 2
    const lift = pressure * (CL + glider.CLq * rate)
    const near = Math.max(0.05, y[1] / span)
    // The ground holds the wake up (Wieselsberger as fitted by McCormick): 16h/b squared over one more than it.
    const relief = 1 - (16 * near) ** 2 / (1 + (16 * near) ** 2)
    const drag = pressure * (CD - induced * relief)
    const pull = thrust && t >= thrust.from ? thrust.at(speed) : 0
    const along = y[4] + (thrust?.angle ?? 0)
    into[0] = y[2]
    into[1] = y[3]
    into[2] = (-drag * Math.cos(slope) - lift * Math.sin(slope) + pull * Math.cos(along)) / mass
    into[3] = (lift * Math.cos(slope) - drag * Math.sin(slope) + pull * Math.sin(along)) / mass - gravity
    into[4] = y[5]
    into[5] = (pressure * chord * (Cm + glider.Cmq * rate) + pull * (thrust?.under ?? 0)) / inertia
  }
  const solver = integrator(state, derivative, 0, 1e-3, {
    tol: TOLERANCE,
    dtMinMag: 1e-6,
    verbose: false,
    errorScaleFunction: i => SCALES[i],
  })
  const pointOf = (y: Float64Array, t: number): Point => {
    const { speed, slope } = airOf(y, t)
    return { t, x: y[0], z: y[1], speed, alpha: wrapped(y[4] - slope), theta: y[4], rate: y[5] }
  }
  const path = [pointOf(state, 0)]
  let steps = 0
  let next = FRAME
  while (solver.t < release.seconds - 1e-12 && steps < MOST_STEPS) {
    const until = Math.min(next, release.seconds)
    try {
      while (steps++ < MOST_STEPS && until - solver.t > 1e-9) {
        // Left alone it would grow past any sense where nothing changes.
        solver.dt = Math.min(solver.dt, FRAME)
        solver.step(until)
      }
    } catch {
      // A figure without end: the flight ends with what was sound.
      break
    }
    if (!solver.y.every(Number.isFinite)) break
    const now = pointOf(solver.y, solver.t)
    const last = path[path.length - 1]
    if (now.z <= 0) {
      const share = last.z / Math.max(1e-9, last.z - now.z)
      path.push(between(last, now, share))
      return { path, landed: true }
    }
    path.push(now)
    next += FRAME
  }
  return { path, landed: false }
}

const between = (a: Point, b: Point, share: number): Point =>
  Object.fromEntries(
    (Object.keys(a) as Array<keyof Point>).map(key => [key, a[key] + (b[key] - a[key]) * share]),
  ) as unknown as Point

/** Into (−π, π]. */
const wrapped = (angle: number): number => angle - 2 * Math.PI * Math.ceil((angle - Math.PI) / (2 * Math.PI))
