/** Parts of a body read off their own meshes: which end of each goes forward, and how wide and high they are. mm */
import { createCutter, measureMesh, type TriangleMesh } from '../../geometry'
import { OVER_Y, STOOD, turned, UPRIGHT } from './turn-mesh'

export interface BodySlice {
  /** Over the front end. */
  z: number
  width: number
  height: number
  /** Middle of its width and height in the mesh. */
  x: number
  y: number
}
export interface MeasuredBody {
  /** Front end down, starboard towards x, up towards y. */
  mesh: TriangleMesh
  length: number
  slices: BodySlice[]
}

/** Places at which a part is measured, as shares of its length. */
const PLACES = [0.03, 0.25, 0.5, 0.75, 0.97]

/** In their order from the nose; each is turned end for end where its ends go better with their neighbours' so. */
export function measureBody(parts: readonly TriangleMesh[]): MeasuredBody[] {
  const ways = parts.map(part => {
    const mesh = stood(part)
    return [slicesOf(mesh), slicesOf(turned(mesh, OVER_Y))] as const
  })
  if (!ways.length) return []
  // The nose is the smaller end of the first, unless the next one says otherwise.
  let cost = ways[0].map(way => size(way.slices[0]))
  const from: number[][] = []
  for (let i = 1; i < ways.length; i++) {
    const before = cost
    const steps = ways[i].map(way => {
      const each = ways[i - 1].map((last, k) => before[k] + 4 * misfit(last, way))
      return { cost: Math.min(...each), from: each[0] <= each[1] ? 0 : 1 }
    })
    cost = steps.map(step => step.cost)
    from.push(steps.map(step => step.from))
  }
  let way = cost[0] <= cost[1] ? 0 : 1
  const chosen = [way]
  for (let i = from.length - 1; i >= 0; i--) chosen.unshift((way = from[i][way]))
  return ways.map((both, i) => both[chosen[i]])
}

const size = ({ width, height }: BodySlice): number => width + height
const misfit = (front: MeasuredBody, rear: MeasuredBody): number => {
  const a = front.slices[front.slices.length - 1],
    b = rear.slices[0]
  return Math.abs(a.width - b.width) + Math.abs(a.height - b.height)
}

/** Its length upright: the longest side, where it is not nearly upright already. */
function stood(mesh: TriangleMesh): TriangleMesh {
  const { min, max } = measureMesh(mesh)
  const sides = max.map((value, k) => value - min[k])
  if (sides[2] >= 0.8 * Math.max(...sides)) return turned(mesh, UPRIGHT)
  return turned(mesh, STOOD[sides[0] >= sides[1] ? 'x' : 'y'])
}

function slicesOf(mesh: TriangleMesh): MeasuredBody {
  const { min, max } = measureMesh(mesh)
  const length = max[2] - min[2]
  const cut = createCutter(mesh)
  const slices = PLACES.map((share): BodySlice => {
    let [x0, x1, y0, y1] = [Infinity, -Infinity, Infinity, -Infinity]
    for (const loop of cut(min[2] + share * length))
      for (let i = 0; i < loop.length; i += 2) {
        x0 = Math.min(x0, loop[i])
        x1 = Math.max(x1, loop[i])
        y0 = Math.min(y0, loop[i + 1])
        y1 = Math.max(y1, loop[i + 1])
      }
    // Nothing there: the box of all of it.
    if (x1 < x0) [x0, x1, y0, y1] = [min[0], max[0], min[1], max[1]]
    return { z: share * length, width: x1 - x0, height: y1 - y0, x: (x0 + x1) / 2, y: (y0 + y1) / 2 }
  })
  return { mesh, length, slices }
}
