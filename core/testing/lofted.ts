/** A half wing as a closed mesh whose every measure is known, as part files have it. mm */
import { sectionOutline, type TriangleMesh } from '../geometry'

export interface LoftedShape {
  root: number
  tip: number
  span: number
  sweep?: number
  twistDeg?: number
  section?: string
  /** From tip to tip: the widest in the middle. */
  both?: boolean
}
/** On its root: nose to −x, top to −y. */
export function lofted({
  root,
  tip,
  span,
  sweep = 0,
  twistDeg = 0,
  section = 'naca4412',
  both = false,
}: LoftedShape): TriangleMesh {
  const { x: along, y: up } = sectionOutline(section, [], 120)
  // Its last point is its first.
  const outline = Array.from({ length: 120 }, (_, i) => [along[i], up[i]])
  const rings = both ? [-1, 0, 1] : [0, 1]
  const positions: number[] = [],
    triangles: number[] = []
  for (const ring of rings) {
    const t = Math.abs(ring)
    const chord = root + (tip - root) * t,
      turn = (t * twistDeg * Math.PI) / 180
    for (const [x, y] of outline) {
      const [a, b] = [chord * x, -chord * y]
      positions.push(
        t * sweep + a * Math.cos(turn) - b * Math.sin(turn),
        a * Math.sin(turn) + b * Math.cos(turn),
        span * (both ? ring + 1 : ring),
      )
    }
  }
  const n = outline.length
  for (let k = 0; k + 1 < rings.length; k++)
    for (let i = 0; i < n; i++) {
      const j = (i + 1) % n
      triangles.push(k * n + i, (k + 1) * n + j, k * n + j, k * n + i, (k + 1) * n + i, (k + 1) * n + j)
    }
  // From both skins to each other: caps that no line of a thin section leaves.
  const cap = (from: number, up: boolean) => {
    for (let i = 0, j = n - 1; i + 1 < j;) {
      const next = i + 1,
        before = j - 1
      for (const [a, b, c] of next < before
        ? [
            [i, next, j],
            [next, before, j],
          ]
        : [[i, next, j]])
        triangles.push(from + a, from + (up ? b : c), from + (up ? c : b))
      i = next
      j = before
    }
  }
  cap(0, false)
  cap((rings.length - 1) * n, true)
  return { positions: Float32Array.from(positions), triangles: Uint32Array.from(triangles) }
}
