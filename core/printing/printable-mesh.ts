/** Triangles of a piece as they stand or lie on the bed. mm, its lowest point at z = 0 */
import {
  acrossTheBed,
  hollowed,
  meshOf,
  pieceSolid,
  turnsHanded,
  type Piece,
  type SolidKernel,
  type TriangleMesh,
} from '../geometry'
import { lies } from './lying'

/** As it is exported. Throws where it is no solid. */
export function printableMesh(kernel: SolidKernel, piece: Piece): TriangleMesh {
  const standing = standingMesh(kernel, piece)
  return lies(piece) ? laidDown(standing) : standing
}

function standingMesh(kernel: SolidKernel, piece: Piece): TriangleMesh {
  const solid = hollowed(kernel, piece, pieceSolid(kernel, piece))
  try {
    return meshOf(solid)
  } finally {
    solid.delete()
  }
}

/** Port pieces are starboard ones in a mirror, to the last bit: each pair is made once. */
export function createPrintableMeshes(kernel: SolidKernel): (piece: Piece) => TriangleMesh {
  const made = new Map<Piece['sectionAt'], { piece: Piece; standing: TriangleMesh }>()
  return piece => {
    const twin = made.get(piece.sectionAt)
    const alike = twin?.piece.zone === piece.zone ? twin : undefined
    const standing = !alike
      ? standingMesh(kernel, piece)
      : turnsHanded(alike.piece) === turnsHanded(piece)
        ? alike.standing
        : acrossTheBed(alike.standing)
    if (!alike) made.set(piece.sectionAt, { piece, standing })
    return lies(piece) ? laidDown(standing) : standing
  }
}

/** A lying piece with nothing hollowed out: what its layers are cut from. Throws where it is no solid. */
export function lyingMesh(kernel: SolidKernel, piece: Piece): TriangleMesh {
  const solid = pieceSolid(kernel, piece)
  try {
    return laidDown(meshOf(solid))
  } finally {
    solid.delete()
  }
}

/**
 * From standing on its end to lying on its side: (x, n, s) becomes (s, x, n), which keeps left and right,
 * with the lowest point on the bed.
 */
function laidDown({ positions, triangles }: TriangleMesh): TriangleMesh {
  const laid = new Float32Array(positions.length)
  let low = Infinity
  for (let i = 0; i < positions.length; i += 3) low = Math.min(low, positions[i + 1])
  for (let i = 0; i < positions.length; i += 3) {
    laid[i] = positions[i + 2]
    laid[i + 1] = positions[i]
    laid[i + 2] = positions[i + 1] - low
  }
  return { positions: laid, triangles }
}
