/** Closed solids of pieces, through manifold-3d's booleans, in mm, standing as they will print. */
import type { Manifold, ManifoldToplevel } from 'manifold-3d'
import { bodyOutlineAt, type BodyLoft } from './body-loft'
import { featureAt, type Feature } from './feature'
import { turnsHanded, type Piece } from './piece'
import { polygonArea } from './polygon'
import type { TriangleMesh } from './triangle-mesh'
import { websOf } from './web-cuts'
import { webPattern } from './web-pattern'

/**
 * The loaded WebAssembly module, after its `setup()`. Loading differs between page, worker and Node, so the
 * caller does it.
 */
export type SolidKernel = ManifoldToplevel

/**
 * Closed skin through a stack of outlines with equal point counts, counter-clockwise seen from above, z
 * rising.
 */
export function stackMesh(outlines: readonly Float64Array[], heights: readonly number[]): TriangleMesh {
  const count = outlines[0].length / 2
  const positions = new Float32Array(outlines.length * count * 3)
  outlines.forEach((outline, k) => {
    for (let i = 0; i < count; i++)
      positions.set([outline[2 * i], outline[2 * i + 1], heights[k]], 3 * (k * count + i))
  })
  const triangles: number[] = []
  for (let k = 0; k + 1 < outlines.length; k++) {
    for (let i = 0; i < count; i++) {
      const a = k * count + i,
        b = k * count + ((i + 1) % count)
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

/**
 * The piece as one closed manifold with its features cut and filled and the slits of its webs, its foot at z
 * = 0, mm: mirrored where the piece's own frame is left-handed in the aircraft, so that what comes off the
 * bed is the part on that side. The caller deletes the result. Throws when the loft is not a solid, naming
 * the piece.
 */
export function pieceSolid(kernel: SolidKernel, piece: Piece): Manifold {
  if (piece.mesh) return manifoldOf(kernel, piece, piece.mesh)
  const pattern = webPattern(piece.zone.recipe)
  const slits = pattern ? websOf(piece, pattern) : []
  const outlines = piece.skinHeights.map(u => piece.skinAt(u)!)
  let solid = stackManifold(kernel, piece, outlines, piece.skinHeights)
  const skin = solid
  const swap = (next: Manifold) => {
    if (solid !== skin) solid.delete()
    solid = next
  }
  for (const { op, stacks } of featureRuns(piece, [...piece.features, ...slits])) {
    const tools = stacks.map(stack => stackManifold(kernel, piece, stack.outlines, stack.heights))
    const tool = tools.length === 1 ? tools[0] : kernel.Manifold.union(tools)
    if (op === 'cut') swap(solid.subtract(tool))
    else if (op === 'add') swap(solid.add(tool))
    else {
      const inside = tool.intersect(skin)
      swap(solid.add(inside))
      inside.delete()
    }
    for (const item of new Set([tool, ...tools])) item.delete()
  }
  if (solid.isEmpty() || solid.status() !== 'NoError')
    throw new Error(
      `${piece.name} is not a closed solid (${solid.isEmpty() ? 'nothing is left of it' : solid.status()})`,
    )
  const stood = solid.translate([0, 0, -piece.from])
  solid.delete()
  if (solid !== skin) skin.delete()
  // The very same facets in a mirror for both sides, so that port and starboard are exact mirror images.
  if (!turnsHanded(piece)) return stood
  const other = stood.mirror([0, 1, 0])
  stood.delete()
  return other
}

function stackManifold(
  kernel: SolidKernel,
  piece: Piece,
  outlines: readonly Float64Array[],
  heights: readonly number[],
): Manifold {
  return manifoldOf(kernel, piece, stackMesh(outlines, heights))
}

function manifoldOf(kernel: SolidKernel, piece: Piece, { positions, triangles }: TriangleMesh): Manifold {
  const mesh = new kernel.Mesh({ numProp: 3, vertProperties: positions, triVerts: triangles })
  try {
    return new kernel.Manifold(mesh)
  } catch (fault) {
    throw new Error(`${piece.name} is not a closed solid: ${(fault as Error).message}`)
  }
}

interface Stack {
  outlines: Float64Array[]
  heights: number[]
}

/**
 * Features in their order, those of one kind that follow each other together; chains that carry on are one
 * stack.
 */
function featureRuns(
  piece: Piece,
  features: readonly Feature[],
): Array<{ op: Feature['op']; stacks: Stack[] }> {
  const runs: Array<{ op: Feature['op']; stacks: Stack[]; last: Feature | null }> = []
  for (const feature of features) {
    let run = runs.at(-1)
    if (!run || run.op !== feature.op) {
      run = { op: feature.op, stacks: [], last: null }
      runs.push(run)
    }
    const { last } = run
    if (
      last &&
      last.name === feature.name &&
      Math.abs(last.to - feature.from) < 1e-6 &&
      sameOutline(last.b, feature.a)
    ) {
      const stack = run.stacks.at(-1)!
      stack.outlines.push(...pieceEnd(piece, feature).outlines.slice(1))
      stack.heights.push(...pieceEnd(piece, feature).heights.slice(1))
    } else run.stacks.push(pieceEnd(piece, feature))
    run.last = feature
  }
  return runs
}

const sameOutline = (a: Float64Array, b: Float64Array): boolean =>
  a.length === b.length && a.every((value, i) => Math.abs(value - b[i]) < 1e-9)

/** A cut that ends on an end of the piece is carried 1 mm past it, so that no film is left. */
function pieceEnd(piece: Piece, feature: Feature): Stack {
  const past = (at: number, end: number, by: number) =>
    feature.op === 'cut' && Math.abs(at - end) < 0.01 ? at + by : at
  const from = past(feature.from, piece.from, -1),
    to = past(feature.to, piece.to + piece.proud, 1)
  return { outlines: [featureAt(feature, from), featureAt(feature, to)], heights: [from, to] }
}

/** Triangles of a solid as three.js, STL and 3MF want them. */
export function meshOf(solid: Manifold): TriangleMesh {
  const mesh = solid.getMesh()
  const stride = mesh.numProp
  const vertices = mesh.vertProperties.length / stride
  const positions = new Float32Array(vertices * 3)
  for (let i = 0; i < vertices; i++)
    positions.set(mesh.vertProperties.subarray(i * stride, i * stride + 3), 3 * i)
  return { positions, triangles: mesh.triVerts.slice() }
}

/**
 * Outer volume of a body between two places by Simpson's rule, mm³; the closed form that solids are proved
 * against.
 */
export function bodyVolume(loft: BodyLoft, from: number, to: number, steps = 200): number {
  const h = (to - from) / steps
  let sum = 0
  for (let i = 0; i <= steps; i++)
    sum += (i === 0 || i === steps ? 1 : i % 2 ? 4 : 2) * polygonArea(bodyOutlineAt(loft, from + i * h)).area
  return (sum * h) / 3
}
