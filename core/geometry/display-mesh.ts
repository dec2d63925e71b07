/** The aircraft's skin for the picture in space: one mesh a piece, in the aircraft's axes, without booleans. */
import type { Piece } from './pieces'
import { sampleHeights, stackMesh, type TriangleMesh } from './solid'

/** Skin of a piece in mm, aircraft axes. Port pieces are mirrored and keep outward faces. */
export function displayMesh(piece: Piece): TriangleMesh {
  const heights = sampleHeights(piece)
  const outlines = heights.map(u => piece.sliceAt(u).outer)
  const mesh = stackMesh(outlines, heights)
  const count = outlines[0].length / 2
  for (let k = 0; k < heights.length; k++) {
    for (let i = 0; i < count; i++) {
      mesh.positions.set(piece.place(outlines[k][2 * i], outlines[k][2 * i + 1], heights[k]), 3 * (k * count + i))
    }
  }
  // (x, n, s) to (x, y, z) turns handedness for starboard; (y, z, x) of a body does not.
  if (piece.part !== 'body' && piece.side !== 'port') {
    for (let t = 0; t < mesh.triangles.length; t += 3) {
      const b = mesh.triangles[t + 1]
      mesh.triangles[t + 1] = mesh.triangles[t + 2]
      mesh.triangles[t + 2] = b
    }
  }
  return mesh
}
