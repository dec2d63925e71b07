/** The far wake (Trefftz plane): velocity across each strip's trace, from which induced drag follows. */
import type { Circulation } from './lattice'
import type { Panels } from './panels'
import { coreSquare } from './vortex-core'

/** Strip circulations of both halves: the sum over a strip's panels. */
export function stripCirculations(
  panels: Panels,
  gamma: Circulation,
): { starboard: Float64Array; port: Float64Array } {
  const sum = (values: Float64Array) =>
    Float64Array.from(panels.strips, strip => {
      let total = 0
      for (let i = strip.first; i < strip.first + strip.panels; i++) total += values[i]
      return total
    })
  return { starboard: sum(gamma.starboard), port: sum(gamma.port) }
}

/** Wash at every strip (row) by a unit circulation of every strip (column), and of the port twins. */
interface WakeInfluence {
  direct: Float64Array
  image: Float64Array
}
const influences = new WeakMap<Panels, WakeInfluence>()

function wakeInfluence(panels: Panels): WakeInfluence {
  const known = influences.get(panels)
  if (known) return known
  const { strips, a, b, control, normal, surface, spread, width, widthA, widthB } = panels
  const surfaces = Math.sqrt(spread.length)
  const n = strips.length
  const direct = new Float64Array(n * n),
    image = new Float64Array(n * n)
  for (let k = 0; k < n; k++) {
    const i = strips[k].first
    const y = control[3 * i + 1],
      z = control[3 * i + 2],
      ny = normal[2 * i],
      nz = normal[2 * i + 1]
    // Half of −w·n times the width: v = −Γ dz/2πr², w = Γ dy/2πr² of a vortex along +x.
    const wash = (py: number, pz: number, core: number): number => {
      const dy = y - py,
        dz = z - pz
      const square = Math.hypot(dy * dy + dz * dz, core)
      return square < 1e-14 ? 0 : (-strips[k].width * (dy * nz - dz * ny)) / (4 * Math.PI * square)
    }
    for (let j = 0; j < n; j++) {
      const first = strips[j].first,
        m = 3 * first
      const share = spread[surface[i] * surfaces + surface[first]]
      const coreA = coreSquare(share, widthA[first], width[i]),
        coreB = coreSquare(share, widthB[first], width[i])
      // Far aft, a leg leaving at B turns positively about +x, one arriving at A the other way.
      direct[k * n + j] = wash(b[m + 1], b[m + 2], coreB) - wash(a[m + 1], a[m + 2], coreA)
      if (strips[j].mirrored)
        image[k * n + j] = wash(-a[m + 1], a[m + 2], coreA) - wash(-b[m + 1], b[m + 2], coreB)
    }
  }
  const made = { direct, image }
  influences.set(panels, made)
  return made
}

/**
 * Half of the far wake's normal velocity at each strip, times its width: what a strip's circulation is
 * multiplied by to give its drag (at unit density). Half, because the wake of the lattice begins there.
 */
export function wakeWash(
  panels: Panels,
  gamma: Circulation,
): { starboard: Float64Array; port: Float64Array } {
  const { direct, image } = wakeInfluence(panels)
  const { strips } = panels
  const n = strips.length
  const total = stripCirculations(panels, gamma)
  const starboard = new Float64Array(n),
    port = new Float64Array(n)
  for (let k = 0; k < n; k++) {
    for (let j = 0; j < n; j++) {
      const own = direct[k * n + j],
        other = image[k * n + j]
      starboard[k] += own * total.starboard[j] + other * total.port[j]
      // Seen from the port side everything is mirrored; a surface in the plane turns the other way there.
      if (strips[k].mirrored)
        port[k] += strips[j].mirrored
          ? own * total.port[j] + other * total.starboard[j]
          : -own * total.starboard[j]
    }
  }
  return { starboard, port }
}
