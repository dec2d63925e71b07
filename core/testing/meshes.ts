/** Solids of known size as meshes, for proofs. Faces look outwards. mm */
import type { TriangleMesh } from '../geometry'

/**
 * A solid of revolution about z through (radius, height) rings from bottom to top; a radius of 0 is a tip.
 */
export function revolve(
  rings: ReadonlyArray<readonly [radius: number, z: number]>,
  sides = 180,
): TriangleMesh {
  const positions: number[] = [],
    triangles: number[] = []
  const start: number[] = []
  rings.forEach(([radius, z]) => {
    start.push(positions.length / 3)
    const count = radius === 0 ? 1 : sides
    for (let i = 0; i < count; i++)
      positions.push(
        radius * Math.cos((2 * Math.PI * i) / sides),
        radius * Math.sin((2 * Math.PI * i) / sides),
        z,
      )
  })
  const at = (ring: number, i: number) => start[ring] + (rings[ring][0] === 0 ? 0 : i % sides)
  const add = (a: number, b: number, c: number) => {
    if (a !== b && b !== c && c !== a) triangles.push(a, b, c)
  }
  for (let k = 0; k + 1 < rings.length; k++) {
    for (let i = 0; i < sides; i++) {
      add(at(k, i), at(k, i + 1), at(k + 1, i + 1))
      add(at(k, i), at(k + 1, i + 1), at(k + 1, i))
    }
  }
  const fan = (ring: number, up: boolean) => {
    if (rings[ring][0] === 0) return
    for (let i = 1; i + 1 < sides; i++) {
      if (up) add(at(ring, 0), at(ring, i), at(ring, i + 1))
      else add(at(ring, 0), at(ring, i + 1), at(ring, i))
    }
  }
  // A profile that comes back to its first ring is a torus: it has no ends.
  const [first, last] = [rings[0], rings[rings.length - 1]]
  if (first[0] === last[0] && first[1] === last[1])
    return { positions: Float32Array.from(positions), triangles: Uint32Array.from(triangles) }
  fan(0, false)
  fan(rings.length - 1, true)
  return { positions: Float32Array.from(positions), triangles: Uint32Array.from(triangles) }
}

/** Corners as STL has them. */
export function cornersOf({ positions, triangles }: TriangleMesh): Float32Array {
  const corners = new Float32Array(3 * triangles.length)
  triangles.forEach((vertex, i) => corners.set(positions.subarray(3 * vertex, 3 * vertex + 3), 3 * i))
  return corners
}
