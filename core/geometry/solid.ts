/** Closed solids of pieces, through manifold-3d's booleans, in mm, standing as they will print. */
import type { Manifold, ManifoldToplevel } from 'manifold-3d'
import { bodyOutlineAt, type BodyLoft } from './body-loft'
import type { Piece } from './pieces'
import { polygonArea } from './polygon'

/** The loaded WebAssembly module, after its `setup()`. Loading differs between page, worker and Node, so the caller does it. */
export type SolidKernel = ManifoldToplevel

export interface TriangleMesh { positions: Float32Array, triangles: Uint32Array }

/** Closed skin through a stack of outlines with equal point counts, counter-clockwise seen from above, z rising. */
export function stackMesh(outlines: readonly Float64Array[], heights: readonly number[]): TriangleMesh {
  const count = outlines[0].length / 2
  const positions = new Float32Array(outlines.length * count * 3)
  outlines.forEach((outline, k) => {
    for (let i = 0; i < count; i++) positions.set([outline[2 * i], outline[2 * i + 1], heights[k]], 3 * (k * count + i))
  })
  const triangles: number[] = []
  for (let k = 0; k + 1 < outlines.length; k++) {
    for (let i = 0; i < count; i++) {
      const a = k * count + i, b = k * count + ((i + 1) % count)
      triangles.push(a, b, b + count, a, b + count, a + count)
    }
  }
  const top = (outlines.length - 1) * count
  for (let low = 0, high = count - 1; low < high; low++, high--) {
    if (low + 1 < high) {
      triangles.push(low + 1, low, high)
      triangles.push(top + low, top + low + 1, top + high)
    }
    if (low + 1 < high - 1) {
      triangles.push(high - 1, low + 1, high)
      triangles.push(top + low + 1, top + high - 1, top + high)
    }
  }
  return { positions, triangles: Uint32Array.from(triangles) }
}

/** Heights at which a piece is sampled so that the facets follow its curves: surfaces are ruled, bodies are not. */
export function sampleHeights(piece: Piece): number[] {
  const edges = [piece.from, ...piece.breaks, piece.to]
  if (piece.part !== 'body') return edges
  return edges.flatMap((a, i) => {
    if (i === edges.length - 1) return [a]
    const steps = Math.max(1, Math.ceil((edges[i + 1] - a) / 8))
    return Array.from({ length: steps }, (_, k) => a + ((edges[i + 1] - a) * k) / steps)
  })
}

/**
 * The piece as one closed manifold with its bores cut, its foot at z = 0, mm. The caller deletes the result.
 * Throws when the loft is not a solid, naming the piece.
 */
export function pieceSolid(kernel: SolidKernel, piece: Piece): Manifold {
  const heights = sampleHeights(piece)
  const skin = stackManifold(kernel, piece, heights.map(u => piece.sliceAt(u).outer), heights.map(u => u - piece.from))
  let solid = skin
  for (const bore of boreStacks(piece, heights)) {
    const tool = stackManifold(kernel, piece, bore.outlines, bore.heights)
    const next = solid.subtract(tool)
    tool.delete()
    solid.delete()
    solid = next
  }
  if (solid.isEmpty() || solid.status() !== 'NoError') throw new Error(`${piece.name} is not a closed solid (${solid.status()})`)
  if (piece.side !== 'port') return solid
  // The very same facets in a mirror: building the port outline afresh would split its twisted quads the other way.
  const port = solid.mirror([0, 1, 0])
  solid.delete()
  return port
}

function stackManifold(kernel: SolidKernel, piece: Piece, outlines: Float64Array[], heights: number[]): Manifold {
  const { positions, triangles } = stackMesh(outlines, heights)
  const mesh = new kernel.Mesh({ numProp: 3, vertProperties: positions, triVerts: triangles })
  try {
    return new kernel.Manifold(mesh)
  } catch (fault) {
    throw new Error(`${piece.name} is not a closed solid: ${(fault as Error).message}`)
  }
}

/** Runs of consecutive heights that share a hole, as stacks that stick out 1 mm where they leave the piece. */
function boreStacks(piece: Piece, heights: readonly number[]) {
  const stacks: Array<{ outlines: Float64Array[], heights: number[] }> = []
  const middles = heights.slice(0, -1).map((u, i) => piece.sliceAt((u + heights[i + 1]) / 2))
  const most = Math.max(0, ...middles.map(slice => slice.holes.length))
  for (let h = 0; h < most; h++) {
    middles.forEach((middle, i) => {
      const hole = middle.holes[h]
      if (!hole) return
      // The bore is straight, so its ends extrapolate from the middle and a near neighbour.
      const a = heights[i], b = heights[i + 1]
      const near = piece.sliceAt(a + (b - a) * 0.45).holes[h] ?? hole
      const at = (u: number) => hole.map((value, k) => value + ((value - near[k]) * (u - (a + b) / 2)) / ((b - a) * 0.05))
      const low = a === piece.from ? a - 1 : a, high = b === piece.to ? b + 1 : b
      const outlines = [low, high].map(u => reversed(at(u)))
      stacks.push({ outlines, heights: [low - piece.from, high - piece.from] })
    })
  }
  return stacks
}

function reversed(outline: Float64Array): Float64Array {
  const count = outline.length / 2
  if (polygonArea(outline).area > 0) return outline
  const result = new Float64Array(outline.length)
  for (let i = 0; i < count; i++) result.set([outline[2 * (count - 1 - i)], outline[2 * (count - 1 - i) + 1]], 2 * i)
  return result
}

/** Triangles of a solid as three.js, STL and 3MF want them. */
export function meshOf(solid: Manifold): TriangleMesh {
  const mesh = solid.getMesh()
  const stride = mesh.numProp
  const vertices = mesh.vertProperties.length / stride
  const positions = new Float32Array(vertices * 3)
  for (let i = 0; i < vertices; i++) positions.set(mesh.vertProperties.subarray(i * stride, i * stride + 3), 3 * i)
  return { positions, triangles: mesh.triVerts.slice() }
}

/** Outer volume of a body between two places by Simpson's rule, mm³; the closed form that solids are proved against. */
export function bodyVolume(loft: BodyLoft, from: number, to: number, steps = 200): number {
  const h = (to - from) / steps
  let sum = 0
  for (let i = 0; i <= steps; i++) sum += (i === 0 || i === steps ? 1 : i % 2 ? 4 : 2) * polygonArea(bodyOutlineAt(loft, from + i * h)).area
  return (sum * h) / 3
}
