/** A mesh of triangles in mm, flat arrays. */
export interface TriangleMesh {
  positions: Float32Array
  triangles: Uint32Array
}
