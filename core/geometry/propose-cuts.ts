/**
 * Cuts proposed for the beds at hand: fewest pieces that stand on a bed, as even in length as the forbidden
 * stretches allow.
 */

export type Stretch = readonly [from: number, to: number]

/** Places are tried on a grid of this, mm. */
const GRID = 1
/** Pieces shorter than this are no pieces, mm. */
const SHORTEST = 8

/**
 * Cuts in (from, to) so that no piece is taller than `maxHeight` (mm): `fixed` places stay cuts, none falls
 * inside a `forbidden` stretch. Fewest first, then the least sum of squared lengths, by dynamic programming
 * over a grid. Where a forbidden stretch is itself longer than the bed there is no answer that keeps it
 * whole: null, and the stretch at fault.
 */
export function proposeCuts(
  from: number,
  to: number,
  maxHeight: number,
  fixed: readonly number[] = [],
  forbidden: readonly Stretch[] = [],
): { cuts: number[]; blocked: Stretch | null } {
  const edges = [from, ...[...fixed].filter(at => at > from + 5 && at < to - 5).sort((a, b) => a - b), to]
  let blocked: Stretch | null = null
  const cuts = edges.slice(0, -1).flatMap((a, i) => {
    const inner = divide(a, edges[i + 1], Math.max(2 * SHORTEST, maxHeight), forbidden)
    if (!inner)
      blocked ??= forbidden.find(([f, t]) => t - f > maxHeight && f < edges[i + 1] && t > a) ?? [
        a,
        edges[i + 1],
      ]
    const own = inner ?? divide(a, edges[i + 1], Math.max(2 * SHORTEST, maxHeight), []) ?? []
    return i > 0 ? [a, ...own] : own
  })
  return { cuts, blocked }
}

function divide(a: number, b: number, most: number, forbidden: readonly Stretch[]): number[] | null {
  if (b - a <= most + 1e-9) return []
  const least = Math.ceil((b - a) / most - 1e-9)
  const even = Array.from(
    { length: least - 1 },
    (_, k) => Math.round((a + ((b - a) * (k + 1)) / least) * 10) / 10,
  )
  const free = (at: number) => !forbidden.some(([f, t]) => at > f + 1e-9 && at < t - 1e-9)
  if (even.every(free)) return even
  // The grid, with the edges of the forbidden stretches, which are where an even cut is pushed to.
  const places = [
    ...new Set([
      ...Array.from({ length: Math.floor((b - a) / GRID) + 1 }, (_, k) => a + k * GRID),
      ...forbidden.flat(),
    ]),
  ]
    .filter(at => at > a + SHORTEST && at < b - SHORTEST && free(at))
    .sort((p, q) => p - q)
  const nodes = [a, ...places, b],
    last = nodes.length - 1
  for (let count = least; count <= least + 24; count++) {
    const found = bestPath(nodes, last, count, most)
    if (found) return found
  }
  return null
}

/** Least sum of squares with exactly `count` pieces, none longer than `most`. */
function bestPath(nodes: readonly number[], last: number, count: number, most: number): number[] | null {
  let cost = new Float64Array(last + 1).fill(Infinity)
  cost[0] = 0
  const before: Int32Array[] = []
  for (let step = 0; step < count; step++) {
    const next = new Float64Array(last + 1).fill(Infinity),
      from = new Int32Array(last + 1).fill(-1)
    for (let j = 1; j <= last; j++) {
      for (let i = j - 1; i >= 0; i--) {
        const length = nodes[j] - nodes[i]
        if (length > most + 1e-9) break
        if (length < SHORTEST || cost[i] === Infinity) continue
        const sum = cost[i] + length * length
        if (sum < next[j]) {
          next[j] = sum
          from[j] = i
        }
      }
    }
    before.push(from)
    cost = next
  }
  if (cost[last] === Infinity) return null
  const cuts: number[] = []
  for (let step = count - 1, at = last; step > 0; step--) {
    at = before[step][at]
    cuts.unshift(Math.round(nodes[at] * 10) / 10)
  }
  return cuts
}
