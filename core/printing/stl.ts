/**
 * Binary STL, millimetres. Layout: 80-byte header, triangle count, then 50 bytes a triangle, little-endian.
 */
import type { TriangleMesh } from '../geometry'

export function writeStl(mesh: TriangleMesh, title: string): Uint8Array {
  const count = mesh.triangles.length / 3
  const bytes = new Uint8Array(84 + 50 * count)
  const view = new DataView(bytes.buffer)
  // A header that begins with "solid" would be taken for text.
  const header = `Mariposa piece, mm: ${title}`.slice(0, 79)
  for (let i = 0; i < header.length; i++) bytes[i] = header.charCodeAt(i) & 0x7f
  view.setUint32(80, count, true)
  const { positions, triangles } = mesh
  for (let t = 0; t < count; t++) {
    const [a, b, c] = [3 * triangles[3 * t], 3 * triangles[3 * t + 1], 3 * triangles[3 * t + 2]]
    const ux = positions[b] - positions[a],
      uy = positions[b + 1] - positions[a + 1],
      uz = positions[b + 2] - positions[a + 2]
    const vx = positions[c] - positions[a],
      vy = positions[c + 1] - positions[a + 1],
      vz = positions[c + 2] - positions[a + 2]
    const nx = uy * vz - uz * vy,
      ny = uz * vx - ux * vz,
      nz = ux * vy - uy * vx
    const length = Math.hypot(nx, ny, nz) || 1
    const at = 84 + 50 * t
    const values = [nx / length, ny / length, nz / length]
    for (const corner of [a, b, c])
      values.push(positions[corner], positions[corner + 1], positions[corner + 2])
    values.forEach((value, i) => view.setFloat32(at + 4 * i, value, true))
  }
  return bytes
}
