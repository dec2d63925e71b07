/** Meshes turned as they are handled: by quarter turns, about an axis, or seen in a mirror. mm */
import type { TriangleMesh } from '../../geometry'

/** Rows of a rotation (or of a reflection, whose faces are turned round so that they look outwards again). */
export type Rows = readonly [readonly number[], readonly number[], readonly number[]]

export const UPRIGHT: Rows = [
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1],
]
/** What lies along x or along y stood up. */
export const STOOD: Readonly<Record<'x' | 'y', Rows>> = {
  x: [
    [0, 1, 0],
    [0, 0, 1],
    [1, 0, 0],
  ],
  y: [
    [-1, 0, 0],
    [0, 0, 1],
    [0, 1, 0],
  ],
}
/** The other end up: half a turn about x, and about y. */
export const OVER_X: Rows = [
  [1, 0, 0],
  [0, -1, 0],
  [0, 0, -1],
]
export const OVER_Y: Rows = [
  [-1, 0, 0],
  [0, 1, 0],
  [0, 0, -1],
]
/** A port part as the starboard one that it mirrors. */
export const MIRRORED: Rows = [
  [1, 0, 0],
  [0, -1, 0],
  [0, 0, 1],
]
/** About z by an angle, rad. */
export const aboutZ = (angle: number): Rows => [
  [Math.cos(angle), -Math.sin(angle), 0],
  [Math.sin(angle), Math.cos(angle), 0],
  [0, 0, 1],
]

export function turned({ positions, triangles }: TriangleMesh, rows: Rows): TriangleMesh {
  const moved = new Float32Array(positions.length)
  for (let i = 0; i < positions.length; i += 3)
    for (let k = 0; k < 3; k++)
      moved[i + k] = rows[k][0] * positions[i] + rows[k][1] * positions[i + 1] + rows[k][2] * positions[i + 2]
  const [a, b, c] = rows
  const mirrored =
    a[0] * (b[1] * c[2] - b[2] * c[1]) -
      a[1] * (b[0] * c[2] - b[2] * c[0]) +
      a[2] * (b[0] * c[1] - b[1] * c[0]) <
    0
  return {
    positions: moved,
    triangles: mirrored
      ? triangles.map((_, i) => triangles[i % 3 === 0 ? i : i % 3 === 1 ? i + 1 : i - 1])
      : triangles,
  }
}
