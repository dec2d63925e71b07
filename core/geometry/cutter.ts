/** One mesh cut at one height after another, as a piece asks for its sections: prepared once, cut quickly. */
import { contourThrough, neighboursOf } from './contours'
import type { TriangleMesh } from './triangle-mesh'

/** Slabs a mesh is divided into at most, and how many of them a triangle may pass before it is kept apart. */
const SLABS = 512,
  TALL = 8

interface Slabs {
  low: number
  height: number
  lists: Int32Array[]
  /** Triangles that pass so many slabs that listing them in each would cost more than looking at them. */
  tall: Int32Array
}

/** Loops of the mesh at a height. Every call stands for itself; heights come in any order. */
export function createCutter(mesh: TriangleMesh): (z: number) => Float64Array[] {
  let neighbours: Int32Array | null = null
  let slabs: Slabs | null = null
  return z => {
    neighbours ??= neighboursOf(mesh.triangles, mesh.positions.length / 3)
    slabs ??= slabsOf(mesh)
    const at = Math.floor((z - slabs.low) / slabs.height)
    return contourThrough(mesh, neighbours, [slabs.lists[at] ?? NONE, slabs.tall], z)
  }
}
const NONE = new Int32Array(0)

/** How many triangles the most crossed height cuts: what a section costs. */
export function mostCrossed({ positions, triangles }: TriangleMesh): number {
  const starts = new Float64Array(triangles.length / 3),
    ends = new Float64Array(triangles.length / 3)
  for (let t = 0; t < starts.length; t++) [starts[t], ends[t]] = heightsOf(positions, triangles, t)
  starts.sort()
  ends.sort()
  let most = 0,
    open = 0,
    e = 0
  for (const start of starts) {
    while (e < ends.length && ends[e] < start) {
      open--
      e++
    }
    most = Math.max(most, ++open)
  }
  return most
}

function heightsOf(positions: Float32Array, triangles: Uint32Array, t: number): [number, number] {
  const a = positions[3 * triangles[3 * t] + 2],
    b = positions[3 * triangles[3 * t + 1] + 2],
    c = positions[3 * triangles[3 * t + 2] + 2]
  return [Math.min(a, b, c), Math.max(a, b, c)]
}

function slabsOf({ positions, triangles }: TriangleMesh): Slabs {
  const count = triangles.length / 3
  let low = Infinity,
    high = -Infinity
  for (let i = 2; i < positions.length; i += 3) {
    low = Math.min(low, positions[i])
    high = Math.max(high, positions[i])
  }
  const slabs = Math.max(1, Math.min(SLABS, Math.ceil(count / 16)))
  const height = Math.max((high - low) / slabs, 1e-9)
  const lists: number[][] = Array.from({ length: slabs + 1 }, () => [])
  const tall: number[] = []
  for (let t = 0; t < count; t++) {
    const [from, to] = heightsOf(positions, triangles, t).map(z => Math.floor((z - low) / height))
    if (to - from > TALL) tall.push(t)
    else for (let k = from; k <= to; k++) lists[Math.min(slabs, k)].push(t)
  }
  return { low, height, lists: lists.map(list => Int32Array.from(list)), tall: Int32Array.from(tall) }
}
