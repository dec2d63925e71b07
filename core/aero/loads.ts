/**
 * Forces and moments of a lattice: Kutta–Joukowski on the bound vortices, induced drag from the far wake.
 * Unit density.
 */
import type { Circulation } from './lattice'
import type { Panels } from './panels'
import { stripCirculations, wakeWash } from './wake'

/** Force, and moment about a point, aircraft axes (x aft, y starboard, z up). */
export interface Loads {
  force: [number, number, number]
  moment: [number, number, number]
}

const nothing = (): Loads => ({ force: [0, 0, 0], moment: [0, 0, 0] })

function put(
  { force, moment }: Loads,
  x: number,
  y: number,
  z: number,
  fx: number,
  fy: number,
  fz: number,
): void {
  force[0] += fx
  force[1] += fy
  force[2] += fz
  moment[0] += y * fz - z * fy
  moment[1] += z * fx - x * fz
  moment[2] += x * fy - y * fx
}

/**
 * F = Γ V × l at the middle of each bound vortex, V from `velocity` alone (no induced part), about `about`.
 * Bilinear in circulation and velocity, so a derivative is a sum of two of these. Forces on the legs over the
 * chord are left out.
 */
export function boundLoads(
  panels: Panels,
  gamma: Circulation,
  velocity: (x: number, y: number, z: number, out: Float64Array) => void,
  about: readonly [number, number, number],
): Loads {
  const { a, b } = panels
  const loads = nothing()
  const v = new Float64Array(3)
  for (let i = 0; i < panels.count; i++) {
    const x = (a[3 * i] + b[3 * i]) / 2,
      y = (a[3 * i + 1] + b[3 * i + 1]) / 2,
      z = (a[3 * i + 2] + b[3 * i + 2]) / 2
    const lx = b[3 * i] - a[3 * i],
      ly = b[3 * i + 1] - a[3 * i + 1],
      lz = b[3 * i + 2] - a[3 * i + 2]
    velocity(x, y, z, v)
    let g = gamma.starboard[i]
    put(
      loads,
      x - about[0],
      y - about[1],
      z - about[2],
      g * (v[1] * lz - v[2] * ly),
      g * (v[2] * lx - v[0] * lz),
      g * (v[0] * ly - v[1] * lx),
    )
    if (panels.mirrored[i] === 0) continue
    // The port twin runs from mirrored B to mirrored A: (−lx, ly, −lz).
    velocity(x, -y, z, v)
    g = gamma.port[i]
    put(
      loads,
      x - about[0],
      -y - about[1],
      z - about[2],
      g * (-v[1] * lz - v[2] * ly),
      g * (-v[2] * lx + v[0] * lz),
      g * (v[0] * ly + v[1] * lx),
    )
  }
  return loads
}

/**
 * Drag that the wake of `other` puts on the circulation `gamma`, as a force aft at each strip's quarter
 * chord. Symmetric in both.
 */
export function wakeLoads(
  panels: Panels,
  gamma: Circulation,
  other: Circulation,
  about: readonly [number, number, number],
): Loads {
  const loads = nothing()
  const own = stripCirculations(panels, gamma),
    wash = wakeWash(panels, other)
  panels.strips.forEach((strip, k) => {
    const x = strip.x + strip.chord / 4
    put(
      loads,
      x - about[0],
      strip.y - about[1],
      strip.z - about[2],
      own.starboard[k] * wash.starboard[k],
      0,
      0,
    )
    if (strip.mirrored)
      put(loads, x - about[0], -strip.y - about[1], strip.z - about[2], own.port[k] * wash.port[k], 0, 0)
  })
  return loads
}

export const addLoads = (...list: readonly Loads[]): Loads =>
  list.reduce(
    (sum, { force, moment }) => ({
      force: [sum.force[0] + force[0], sum.force[1] + force[1], sum.force[2] + force[2]],
      moment: [sum.moment[0] + moment[0], sum.moment[1] + moment[1], sum.moment[2] + moment[2]],
    }),
    nothing(),
  )
