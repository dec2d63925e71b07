/**
 * Shear flow of thin-walled sections of any number of cells: from shear forces, and from torque by Bredt and
 * Batho. Cells are found as the walls that a spanning tree leaves over; each closes one cell of flow round
 * the tree, and all cells turn alike. (Megson, Aircraft Structures, ch. 20 and 23.) SI.
 */
import { Matrix, solve } from 'ml-matrix'
import { bendingStiffness, curvatures, type BendingStiffness, type ThinWalled } from './thin-walled-section'

export interface ShearProperties {
  bending: BendingStiffness
  /** Shear centre, in the section's axes, m. */
  centre: { x: number; y: number }
  /** Torsional stiffness: closed cells and the spars' own, N·m². */
  GJ: number
  /**
   * Mean flow in each wall from a to b, N/m: for a shear of 1 N up and 1 N aft through the shear centre, and
   * a torque of 1 N·m (from x to y).
   */
  up: Float64Array
  aft: Float64Array
  torque: Float64Array
}

interface Tree {
  order: number[]
  parent: Int32Array
  wallToParent: Int32Array
  chords: number[]
}

/**
 * Walls of no shear stiffness carry nothing and close nothing; parts of the section that no wall joins are
 * each treated alone.
 */
export function shearProperties(section: ThinWalled): ShearProperties {
  const { x, y, walls } = section
  const bending = bendingStiffness(section)
  const lengths = walls.map(({ a, b }) => Math.hypot(x[b] - x[a], y[b] - y[a]))
  const tree = spanningTree(section)
  const cells = tree.chords.map(chord => cycleOf(section, tree, chord))
  const areas = cells.map(cell =>
    cell.reduce((sum, { wall, sign }) => sum + (sign * cross(section, wall)) / 2, 0),
  )
  const compliance = walls.map(({ Gt }, w) => (Gt > 0 ? lengths[w] / Gt : 0))
  const coupling = coupled(cells, walls.length, compliance)
  const closed = (right: number[]): number[] =>
    cells.length ? solve(coupling, Matrix.columnVector(right)).to1DArray() : []
  const around = (values: readonly number[]) => {
    const flow = new Float64Array(walls.length)
    cells.forEach((cell, k) => {
      for (const { wall, sign } of cell) flow[wall] += sign * values[k]
    })
    return flow
  }

  // A twist of 1 rad/m: every cell has ∮q/Gt = 2A.
  const twisting = closed(areas.map(area => 2 * area))
  const cellGJ = areas.reduce((sum, area, k) => sum + 2 * area * twisting[k], 0)
  const GJ = cellGJ + section.spars.reduce((sum, spar) => sum + spar.GJ, 0)
  const torque = around(twisting)
  for (let w = 0; w < torque.length; w++) torque[w] /= GJ || 1

  const forced = (vx: number, vy: number) => {
    // The strain grows along the span by V/EI: what the walls take up must flow round.
    const { alongX, alongY } = curvatures(bending, vy, vx)
    const mean = openFlow(section, tree, bending, alongX, alongY, lengths)
    const right = cells.map(
      cell => -cell.reduce((sum, { wall, sign }) => sum + sign * mean[wall] * compliance[wall], 0),
    )
    const extra = around(closed(right))
    for (let w = 0; w < mean.length; w++) mean[w] += extra[w]
    // Spars take what their own bending stiffness is worth of the shear, and it acts where they are.
    const own = section.spars.reduce(
      (sum, { node, EIx, EIy }) => sum + alongY * EIx * x[node] - alongX * EIy * y[node],
      0,
    )
    return { flow: mean, moment: own + walls.reduce((sum, _, w) => sum + mean[w] * cross(section, w), 0) }
  }
  const up = forced(0, 1),
    aft = forced(1, 0)
  return { bending, centre: { x: up.moment, y: -aft.moment }, GJ, up: up.flow, aft: aft.flow, torque }
}

/** Moment about the origin of a unit flow along a wall: x_a·y_b − x_b·y_a. */
function cross({ x, y, walls }: ThinWalled, w: number): number {
  const { a, b } = walls[w]
  return x[a] * y[b] - x[b] * y[a]
}

function spanningTree({ x, walls }: ThinWalled): Tree {
  const count = x.length
  const at: number[][] = Array.from({ length: count }, () => [])
  walls.forEach(({ a, b, Gt }, w) => {
    if (Gt > 0) {
      at[a].push(w)
      at[b].push(w)
    }
  })
  const parent = new Int32Array(count).fill(-1),
    wallToParent = new Int32Array(count).fill(-1)
  const seen = new Uint8Array(count),
    used = new Uint8Array(walls.length)
  const order: number[] = [],
    chords: number[] = []
  for (let root = 0; root < count; root++) {
    if (seen[root]) continue
    seen[root] = 1
    order.push(root)
    for (let head = order.length - 1; head < order.length; head++) {
      const node = order[head]
      for (const w of at[node]) {
        if (used[w]) continue
        used[w] = 1
        const next = walls[w].a === node ? walls[w].b : walls[w].a
        if (seen[next]) {
          chords.push(w)
          continue
        }
        seen[next] = 1
        parent[next] = node
        wallToParent[next] = w
        order.push(next)
      }
    }
  }
  return { order, parent, wallToParent, chords }
}

type Cycle = Array<{ wall: number; sign: 1 | -1 }>

/** Along the chord from a to b, and back from b to a through the tree. */
function cycleOf({ walls }: ThinWalled, { parent, wallToParent }: Tree, chord: number): Cycle {
  const pathUp = (node: number) => {
    const list: Cycle = []
    for (let n = node; parent[n] >= 0; n = parent[n])
      list.push({ wall: wallToParent[n], sign: walls[wallToParent[n]].a === n ? 1 : -1 })
    return list
  }
  const fromB = pathUp(walls[chord].b),
    fromA = pathUp(walls[chord].a)
  // What both paths share above their meeting is walked twice, once each way.
  while (fromA.length && fromB.length && fromA[fromA.length - 1].wall === fromB[fromB.length - 1].wall) {
    fromA.pop()
    fromB.pop()
  }
  return [
    { wall: chord, sign: 1 },
    ...fromB,
    ...fromA.map(({ wall, sign }) => ({ wall, sign: -sign as 1 | -1 })),
  ]
}

function coupled(cells: readonly Cycle[], wallCount: number, compliance: readonly number[]): Matrix {
  const matrix = Matrix.zeros(cells.length, cells.length)
  const round = cells.map(cell => {
    const signs = new Int8Array(wallCount)
    for (const { wall, sign } of cell) signs[wall] = sign
    return signs
  })
  cells.forEach((cell, i) => {
    for (let j = 0; j < cells.length; j++) {
      let sum = 0
      for (const { wall, sign } of cell) sum += sign * round[j][wall] * compliance[wall]
      matrix.set(i, j, sum)
    }
  })
  return matrix
}

/**
 * Mean flow in each wall with every cell cut open at its chord, for a strain that grows along the span by
 * `alongX`, `alongY` per metre.
 */
function openFlow(
  { x, y, walls, spars }: ThinWalled,
  tree: Tree,
  { x: cx, y: cy }: BendingStiffness,
  alongX: number,
  alongY: number,
  lengths: readonly number[],
): Float64Array {
  const strain = (node: number) => alongX * (x[node] - cx) + alongY * (y[node] - cy)
  const taken = walls.map(({ a, b, Et }, w) => (Et * lengths[w] * (strain(a) + strain(b))) / 2)
  // Mean of the flow along a wall whose flow starts at nought: −E·t·l(2·ε_a + ε_b)/6.
  const dip = walls.map(({ a, b, Et }, w) => (Et * lengths[w] * (2 * strain(a) + strain(b))) / 6)
  const need = new Float64Array(x.length),
    mean = new Float64Array(walls.length)
  for (const { node, EA } of spars) need[node] += EA * strain(node)
  for (const chord of tree.chords) {
    need[walls[chord].b] += taken[chord]
    mean[chord] = -dip[chord]
  }
  for (let i = tree.order.length - 1; i >= 0; i--) {
    const node = tree.order[i],
      w = tree.wallToParent[node]
    if (w < 0) continue
    const start = walls[w].b === node ? need[node] + taken[w] : -need[node]
    mean[w] = start - dip[w]
    need[tree.parent[node]] += need[node] + taken[w]
  }
  return mean
}
