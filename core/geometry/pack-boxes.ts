/** Boxes laid into a larger one. */

export type Sides = readonly [number, number, number]

export interface Laid {
  /** Corner nearest to the origin. */
  at: Sides
  /** As it lies. */
  size: Sides
}

/** Places that are tried before the search gives up. */
const MOST_TRIED = 150_000
/** Sides that differ by less are one. */
const SAME = 1e-6

/**
 * Where each box lies, its sides along those of `into` and none over another, in the order of `boxes`; null where no way
 * was found. Every box is put against walls and others (left, below, behind), the largest first, in each way that it can
 * be turned; after so many places the search ends, so that null for many boxes does not prove that there is none.
 */
export function packBoxes(boxes: readonly Sides[], into: Sides): Laid[] | null {
  const order = boxes.map((_, i) => i).sort((a, b) => size(boxes[b]) - size(boxes[a]))
  const ways = boxes.map(waysOf)
  const laid: Array<Laid | null> = boxes.map(() => null)
  let tried = 0
  const put = (left: readonly number[]): boolean => {
    if (left.length === 0) return true
    const there = laid.filter(item => item !== null)
    const edges = ([0, 1, 2] as const).map(axis =>
      [...new Set([0, ...there.map(item => item.at[axis] + item.size[axis])])].sort((a, b) => a - b),
    )
    for (const i of left) {
      // What is the same as one that was tried here brings nothing new.
      if (left.some(k => order.indexOf(k) < order.indexOf(i) && same(boxes[k], boxes[i]))) continue
      for (const way of ways[i])
        for (const z of edges[2])
          for (const y of edges[1])
            for (const x of edges[0]) {
              if (tried++ > MOST_TRIED) return false
              const box: Laid = { at: [x, y, z], size: way }
              if (!inside(box, into) || !held(box, there) || there.some(other => meet(box, other))) continue
              laid[i] = box
              if (put(left.filter(k => k !== i))) return true
              laid[i] = null
            }
    }
    return false
  }
  if (boxes.reduce((sum, box) => sum + size(box), 0) > size(into) * (1 + SAME)) return null
  return put(order) ? (laid as Laid[]) : null
}

const size = ([a, b, c]: Sides) => a * b * c
const same = (a: Sides, b: Sides) => {
  const [p, r] = [[...a].sort((x, y) => x - y), [...b].sort((x, y) => x - y)]
  return p.every((side, i) => Math.abs(side - r[i]) < SAME)
}
/** Flat ways first: what lies low leaves room over it. */
function waysOf([a, b, c]: Sides): Sides[] {
  const all: Sides[] = [
    [a, b, c],
    [b, a, c],
    [a, c, b],
    [c, a, b],
    [b, c, a],
    [c, b, a],
  ]
  return all
    .filter((way, i) => all.findIndex(other => other.every((side, k) => side === way[k])) === i)
    .sort((p, r) => p[2] - r[2])
}
const inside = ({ at, size: own }: Laid, into: Sides) =>
  at.every((place, axis) => place + own[axis] <= into[axis] + SAME)
/** It touches a wall or another towards the origin along every side: what does not could be pushed there. */
const held = (box: Laid, there: readonly Laid[]) =>
  [0, 1, 2].every(
    axis =>
      box.at[axis] === 0 ||
      there.some(
        other =>
          Math.abs(other.at[axis] + other.size[axis] - box.at[axis]) < SAME &&
          [0, 1, 2].every(
            across =>
              across === axis ||
              (box.at[across] + box.size[across] > other.at[across] + SAME &&
                other.at[across] + other.size[across] > box.at[across] + SAME),
          ),
      ),
  )
const meet = (a: Laid, b: Laid) =>
  [0, 1, 2].every(
    axis => a.at[axis] + a.size[axis] > b.at[axis] + SAME && b.at[axis] + b.size[axis] > a.at[axis] + SAME,
  )
