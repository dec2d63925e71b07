import type { TriangleMesh } from './triangle-mesh'
/** Triangles past this are refused before memory is taken: 2 million are 72 MB of corners. */
export const MAX_TRIANGLES = 2_000_000

/**
 * Joins corners that are the same to `tolerance` (mm), so that neighbours share vertices, and drops triangles
 * that have no area left. Corners are nine numbers a triangle, as STL has them.
 */
export function weld(corners: Float32Array, tolerance = 1e-5): TriangleMesh {
  const places = new Map<string, number>()
  const positions: number[] = []
  const index = (at: number): number => {
    const key = `${Math.round(corners[at] / tolerance)},${Math.round(corners[at + 1] / tolerance)},${Math.round(corners[at + 2] / tolerance)}`
    const known = places.get(key)
    if (known !== undefined) return known
    const next = positions.length / 3
    positions.push(corners[at], corners[at + 1], corners[at + 2])
    places.set(key, next)
    return next
  }
  const triangles: number[] = []
  for (let t = 0; t + 9 <= corners.length; t += 9) {
    const a = index(t),
      b = index(t + 3),
      c = index(t + 6)
    if (a !== b && b !== c && c !== a) triangles.push(a, b, c)
  }
  return { positions: Float32Array.from(positions), triangles: Uint32Array.from(triangles) }
}

export interface MeshFigures {
  /** Signed volume (mm³): positive when faces look outwards. */
  volume: number
  surface: number
  /** Every edge is used once each way. */
  watertight: boolean
  openEdges: number
  min: [number, number, number]
  max: [number, number, number]
}

/** Divergence theorem for volume; edges counted both ways. */
export function measureMesh({ positions, triangles }: TriangleMesh): MeshFigures {
  const count = positions.length / 3
  const min: [number, number, number] = [Infinity, Infinity, Infinity],
    max: [number, number, number] = [-Infinity, -Infinity, -Infinity]
  for (let i = 0; i < positions.length; i++) {
    min[i % 3] = Math.min(min[i % 3], positions[i])
    max[i % 3] = Math.max(max[i % 3], positions[i])
  }
  let volume = 0,
    surface = 0
  const edges = new Map<number, number>()
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [3 * triangles[t], 3 * triangles[t + 1], 3 * triangles[t + 2]]
    // About the box's corner, so that a part far from the origin loses no digits.
    const ax = positions[a] - min[0],
      ay = positions[a + 1] - min[1],
      az = positions[a + 2] - min[2]
    const bx = positions[b] - min[0],
      by = positions[b + 1] - min[1],
      bz = positions[b + 2] - min[2]
    const cx = positions[c] - min[0],
      cy = positions[c + 1] - min[1],
      cz = positions[c + 2] - min[2]
    volume += (ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx)) / 6
    const ux = bx - ax,
      uy = by - ay,
      uz = bz - az,
      vx = cx - ax,
      vy = cy - ay,
      vz = cz - az
    surface += Math.hypot(uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx) / 2
    for (let k = 0; k < 3; k++) {
      const from = triangles[t + k],
        to = triangles[t + ((k + 1) % 3)]
      const key = Math.min(from, to) * count + Math.max(from, to)
      edges.set(key, (edges.get(key) ?? 0) + (from < to ? 1 : -1))
    }
  }
  let openEdges = 0
  for (const balance of edges.values()) if (balance !== 0) openEdges++
  return { volume, surface, watertight: openEdges === 0 && triangles.length > 0, openEdges, min, max }
}
