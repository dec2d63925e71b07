/**
 * The lattice's linear system. A symmetric aircraft's even and odd flows do not mix: the port half carries
 * the same circulation in one and the opposite in the other, so two systems of the starboard panels stand for
 * the whole one at a quarter of the work. Surfaces in the plane of symmetry carry odd flow alone.
 * Circulations are m²/s at unit speed.
 */
import { factorise, solve, type Factorised } from './dense-solve'
import { addHorseshoe } from './horseshoe'
import { coreSquare } from './vortex-core'
import type { Panels } from './panels'

export interface Lattice {
  panels: Panels
  /** Panels of each system, by index; the odd one is empty when nothing is mirrored or in the plane. */
  evenOf: Int32Array
  oddOf: Int32Array
  /** Factorised when first asked for: most work needs the even one alone. */
  even(): Factorised | null
  odd(): Factorised | null
}

/** Circulation of starboard (or only) panels, and of their port twins. */
export interface Circulation {
  starboard: Float64Array
  port: Float64Array
}

/** Air's velocity across each panel at its condition point, along its normal, in m/s at unit speed. */
export interface NormalFlow {
  starboard: Float64Array
  port: Float64Array
}

/**
 * Influence of unit circulations on the normal flow at the condition points, factorised once for any number
 * of flows.
 */
export function factoriseLattice(panels: Panels): Lattice {
  const all = Array.from({ length: panels.count }, (_, i) => i)
  const symmetric = all.some(i => panels.mirrored[i] === 1 || panels.onPlane[i] === 1)
  const evenOf = Int32Array.from(symmetric ? all.filter(i => panels.mirrored[i] === 1) : all),
    oddOf = Int32Array.from(symmetric ? all : [])
  const { direct, image } = influence(panels)
  const system = (of: Int32Array, sign: 1 | -1): Factorised | null => {
    const n = of.length
    if (n === 0) return null
    const matrix = new Float64Array(n * n)
    for (let i = 0; i < n; i++) {
      const from = of[i] * panels.count
      const solid = panels.solid[of[i]]
      for (let j = 0; j < n; j++)
        matrix[i * n + j] = solid * (direct[from + of[j]] + sign * image[from + of[j]])
      // What leaks holds less circulation, down to none.
      if (solid < 1) matrix[i * n + i] += (1 - solid) * (direct[from + of[i]] + sign * image[from + of[i]])
    }
    return factorise(matrix, n)
  }
  let even: Factorised | null | undefined, odd: Factorised | null | undefined
  return {
    panels,
    evenOf,
    oddOf,
    even: () => (even === undefined ? (even = system(evenOf, 1)) : even),
    odd: () => (odd === undefined ? (odd = system(oddOf, -1)) : odd),
  }
}

/**
 * Normal flow at every condition point (row) by unit circulation of every panel (column), and of the port
 * twins.
 */
export function influence(panels: Panels): { direct: Float64Array; image: Float64Array } {
  const { count, a, b, control, normal, mirrored, surface, spread, width, widthA, widthB } = panels
  const surfaces = Math.sqrt(spread.length)
  const direct = new Float64Array(count * count),
    image = new Float64Array(count * count)
  const w = new Float64Array(3)
  for (let i = 0; i < count; i++) {
    const cx = control[3 * i],
      cy = control[3 * i + 1],
      cz = control[3 * i + 2]
    const ny = normal[2 * i],
      nz = normal[2 * i + 1]
    for (let j = 0; j < count; j++) {
      const ax = a[3 * j],
        ay = a[3 * j + 1],
        az = a[3 * j + 2],
        bx = b[3 * j],
        by = b[3 * j + 1],
        bz = b[3 * j + 2]
      const share = spread[surface[i] * surfaces + surface[j]]
      const coreA = coreSquare(share, widthA[j], width[i]),
        coreB = coreSquare(share, widthB[j], width[i]),
        coreBound = coreSquare(share, width[j], width[i])
      w[1] = w[2] = 0
      addHorseshoe(w, cx, cy, cz, ax, ay, az, bx, by, bz, 1, coreA, coreB, coreBound)
      direct[i * count + j] = w[1] * ny + w[2] * nz
      if (mirrored[j] === 0) continue
      w[1] = w[2] = 0
      addHorseshoe(w, cx, cy, cz, bx, -by, bz, ax, -ay, az, 1, coreB, coreA, coreBound)
      image[i * count + j] = w[1] * ny + w[2] * nz
    }
  }
  return { direct, image }
}

/** Circulation that lets no air through the panels. Linear in the flow. */
export function circulation({ panels, evenOf, oddOf, even, odd }: Lattice, flow: NormalFlow): Circulation {
  const starboard = new Float64Array(panels.count),
    port = new Float64Array(panels.count)
  // Where the panel has no twin, port holds nothing and half of the flow is in each part: the odd system
  // takes all of it.
  const part = (of: Int32Array, sign: 1 | -1) =>
    Float64Array.from(
      of,
      i =>
        panels.solid[i] *
        (panels.mirrored[i] === 1 ? -(flow.starboard[i] + sign * flow.port[i]) / 2 : -flow.starboard[i]),
    )
  const add = (factors: () => Factorised | null, of: Int32Array, sign: 1 | -1) => {
    const rhs = part(of, sign)
    if (of.length === 0 || rhs.every(value => value === 0)) return
    solve(factors()!, rhs).forEach((value, k) => {
      starboard[of[k]] += value
      if (panels.mirrored[of[k]] === 1) port[of[k]] += sign * value
    })
  }
  add(even, evenOf, 1)
  add(odd, oddOf, -1)
  return { starboard, port }
}

/** Normal flow of a velocity field; the port twin of a panel has its normal and place mirrored. */
export function normalFlow(
  panels: Panels,
  velocity: (x: number, y: number, z: number, out: Float64Array) => void,
): NormalFlow {
  const { count, control, normal, slope, mirrored } = panels
  const starboard = new Float64Array(count),
    port = new Float64Array(count)
  const v = new Float64Array(3)
  for (let i = 0; i < count; i++) {
    const [x, y, z] = [control[3 * i], control[3 * i + 1], control[3 * i + 2]]
    velocity(x, y, z, v)
    starboard[i] = v[0] * slope[i] + v[1] * normal[2 * i] + v[2] * normal[2 * i + 1]
    if (mirrored[i] === 0) continue
    velocity(x, -y, z, v)
    port[i] = v[0] * slope[i] - v[1] * normal[2 * i] + v[2] * normal[2 * i + 1]
  }
  return { starboard, port }
}
