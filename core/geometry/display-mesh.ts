/** The aircraft's pieces for the picture in space: the solids that are printed, put where they belong. */
import type { Piece } from './piece'
import { turnsHanded } from './piece'
import type { TriangleMesh } from './triangle-mesh'

/**
 * A printed solid (foot at z = 0, mirrored as `pieceSolid` does) carried to its place in the aircraft, mm.
 * Faces stay outward: the mirrored print of a left-handed frame is mirrored back by that frame.
 */
export function placedMesh(piece: Piece, { positions, triangles }: TriangleMesh): TriangleMesh {
  const placed = new Float32Array(positions.length)
  const handed = turnsHanded(piece) && !piece.mesh ? -1 : 1
  for (let i = 0; i < positions.length; i += 3)
    placed.set(piece.place(positions[i], handed * positions[i + 1], positions[i + 2] + piece.from), i)
  // A given part's mirrored twin is the one case in which the triangles turn inside out.
  if (!piece.mesh || piece.side !== 'port') return { positions: placed, triangles }
  const turned = triangles.slice()
  for (let t = 0; t < turned.length; t += 3)
    [turned[t + 1], turned[t + 2]] = [triangles[t + 2], triangles[t + 1]]
  return { positions: placed, triangles: turned }
}
