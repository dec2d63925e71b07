/** The far wake (Trefftz plane): velocity across each strip's trace, from which induced drag follows. */
import type { Circulation } from './lattice'
import type { Panels } from './panels'

/** Strip circulations of both halves: the sum over a strip's panels. */
export function stripCirculations(panels: Panels, gamma: Circulation): { starboard: Float64Array, port: Float64Array } {
  const sum = (values: Float64Array) => Float64Array.from(panels.strips, (strip) => {
    let total = 0
    for (let i = strip.first; i < strip.first + strip.panels; i++) total += values[i]
    return total
  })
  return { starboard: sum(gamma.starboard), port: sum(gamma.port) }
}

/**
 * Half of the far wake's normal velocity at each strip, times its width: what a strip's circulation is multiplied by to
 * give its drag (at unit density). Half, because the wake of the lattice begins there.
 */
export function wakeWash(panels: Panels, gamma: Circulation): { starboard: Float64Array, port: Float64Array } {
  const strips = panels.strips
  const total = stripCirculations(panels, gamma)
  const starboard = new Float64Array(strips.length), port = new Float64Array(strips.length)
  const at = (y: number, z: number, side: 1 | -1, ny: number, nz: number, width: number): number => {
    let v = 0, w = 0
    const add = (py: number, pz: number, strength: number) => {
      const dy = y - py, dz = z - pz
      const square = dy * dy + dz * dz
      if (square < 1e-14) return
      v -= (strength * dz) / (2 * Math.PI * square)
      w += (strength * dy) / (2 * Math.PI * square)
    }
    strips.forEach((strip, k) => {
      const i = 3 * strip.first
      const ay = panels.a[i + 1], az = panels.a[i + 2], by = panels.b[i + 1], bz = panels.b[i + 2]
      // Far aft, a leg leaving at B turns positively about +x, one arriving at A the other way.
      add(by, bz, total.starboard[k])
      add(ay, az, -total.starboard[k])
      if (!strip.mirrored) return
      add(-ay, az, total.port[k])
      add(-by, bz, -total.port[k])
    })
    return -0.5 * (v * side * ny + w * nz) * width
  }
  strips.forEach((strip, k) => {
    const i = strip.first
    const y = panels.control[3 * i + 1], z = panels.control[3 * i + 2], ny = panels.normal[2 * i], nz = panels.normal[2 * i + 1]
    starboard[k] = at(y, z, 1, ny, nz, strip.width)
    if (strip.mirrored) port[k] = at(-y, z, -1, ny, nz, strip.width)
  })
  return { starboard, port }
}
