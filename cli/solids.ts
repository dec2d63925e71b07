/** Solids on the command line, loaded only where something lies on its side. */
import Module from 'manifold-3d'
import type { Piece, TriangleMesh } from '../core/geometry'
import { lies, lyingMesh } from '../core/printing'

export async function lyingSolids(pieces: readonly Piece[]): Promise<(piece: Piece) => TriangleMesh> {
  const kernel = pieces.some(lies) ? await Module() : null
  kernel?.setup()
  return piece => lyingMesh(kernel!, piece)
}
