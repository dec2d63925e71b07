/**
 * The test tube that foaming filament is calibrated on, as a solid: one bead round it, nothing inside, no
 * base and no top.
 */
import type { TriangleMesh } from '../geometry'

/** Diameter to the middle of the bead, and height, mm. */
export const TEST_TUBE = { diameterMm: 40, heightMm: 20 }

/** A closed cylinder whose outer face lies half a bead outside the tube's diameter, foot at z = 0. */
export function testTube(beadWidthMm: number, sides = 180): TriangleMesh {
  const radius = (TEST_TUBE.diameterMm + beadWidthMm) / 2
  const positions = new Float32Array(6 * sides + 6),
    triangles: number[] = []
  for (let i = 0; i < sides; i++) {
    const angle = (2 * Math.PI * i) / sides,
      x = radius * Math.cos(angle),
      y = radius * Math.sin(angle)
    positions.set([x, y, 0, x, y, TEST_TUBE.heightMm], 6 * i)
    const j = (i + 1) % sides,
      [a, b, c, d] = [2 * i, 2 * j, 2 * j + 1, 2 * i + 1]
    triangles.push(a, b, c, a, c, d, 2 * sides, b, a, 2 * sides + 1, d, c)
  }
  positions.set([0, 0, 0, 0, 0, TEST_TUBE.heightMm], 6 * sides)
  return { positions, triangles: Uint32Array.from(triangles) }
}
