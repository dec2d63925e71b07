/**
 * Every combination of a space, one after another, by sums carried from dimension to dimension; and the
 * fronts of those that hold.
 */
import { Front } from './front'
import { normalCdf } from '../../mass'
import type { Tables, Term } from './tables'
import { indexIn } from './tables'
import { KINDS, type Weigher } from './weigher'
import { TIME_SPREAD } from '../../assessment/findings'

/** Lighter, or heavier by less, for a thing missed by less: what relaxing one thing buys. */
export interface Near {
  id: number
  massG: number
  excess: number
}

export interface Search {
  /** Combinations done; they are numbered in the order in which they come. */
  done: number
  readonly of: number
  /** Weight, hours, cost and reserve; and weight, hours, cost and the chance to meet every target. */
  readonly front: Front
  readonly sure: Front
  /** By kind: those that miss this alone. */
  readonly near: readonly Near[][]
  picksOf(id: number): number[]
  /** The whole vector of a combination, glue left out, summed afresh. */
  sumsOf(picks: ArrayLike<number>): Float64Array
  /** Goes on by so many combinations, or to the end. */
  run(count: number): void
  /** Puts in a combination found before, by its number. */
  recall(id: number): void
}

/** `first` are the dimensions that turn slowest. */
export function createSearch(
  tables: Tables,
  weigher: Weigher,
  first: readonly number[],
  hoursTarget: number,
): Search {
  const { list, layout, terms, base } = tables
  // Dimensions that decide how the wing is built turn slowest, so that one way of building it is gone through
  // at a time.
  const order = [...first, ...list.map((_, k) => k).filter(k => !first.includes(k))],
    depth = order.length
  const sizes = order.map(k => list[k].options.length),
    of = sizes.reduce((product, size) => product * size, 1)
  const last = (term: Term) => term.dims.reduce((deepest, dim) => Math.max(deepest, order.indexOf(dim)), -1)
  const byDepth = order.map((_, d) => terms.filter(term => last(term) === d))
  const size = layout.deciding
  const partial = Array.from({ length: depth + 1 }, () => new Float64Array(size))
  partial[0].set(base.subarray(0, size))
  for (const term of terms) if (last(term) < 0) add(partial[0], term.sums[0], size)
  const sums = new Float64Array(size),
    whole = new Float64Array(layout.size)
  const picks = new Int32Array(depth)
  const descend = (from: number) => {
    for (let d = from; d < depth; d++) {
      const to = partial[d + 1],
        [one, ...more] = byDepth[d]
      if (one) sum(to, partial[d], one.sums[indexIn(one.dims, list, picks)], size)
      else to.set(partial[d])
      for (const term of more) add(to, term.sums[indexIn(term.dims, list, picks)], size)
    }
  }
  const place = (id: number) => {
    for (let d = depth - 1; d >= 0; d--) {
      picks[order[d]] = id % sizes[d]
      id = Math.floor(id / sizes[d])
    }
  }
  const sumsOf = (own: ArrayLike<number>, out = new Float64Array(layout.size)) => {
    out.set(base)
    for (const term of terms) add(out, term.sums[indexIn(term.dims, list, own)], layout.size)
    return out
  }
  const front = new Front(),
    sure = new Front(),
    near: Near[][] = KINDS.map(() => [])
  let lightest = Infinity
  const judge = (id: number) => {
    sums.set(partial[depth])
    const { massG, hours, cost, reserveFactor, missed, kind, excess } = weigher.weigh(sums, picks)
    if (missed === 1) {
      // Heavier than what holds everything: nothing to be had there.
      if (massG < lightest) keepNear(near[kind], { id, massG, excess })
      return
    }
    if (missed > 0) return
    if (massG < lightest) lightest = massG
    front.add(massG, hours, cost, reserveFactor, id)
    // What the clock alone allows bounds the chance from above at no cost.
    if (sure.beats(massG, hours, cost, normalCdf((hoursTarget - hours) / (TIME_SPREAD * hours)))) return
    sure.add(massG, hours, cost, weigher.chance(sumsOf(picks, whole)), id)
  }
  const search: Search = {
    done: 0,
    of,
    front,
    sure,
    near,
    sumsOf: own => sumsOf(own),
    picksOf: id => {
      place(id)
      return Array.from(picks)
    },
    run(count) {
      const to = Math.min(of, search.done + count)
      if (search.done >= to) return
      place(search.done)
      descend(0)
      while (search.done < to) {
        judge(search.done++)
        let d = depth - 1
        for (; d >= 0; d--) {
          if (++picks[order[d]] < sizes[d]) break
          picks[order[d]] = 0
        }
        if (d < 0) return
        descend(d)
      }
    },
    recall(id) {
      place(id)
      descend(0)
      judge(id)
    },
  }
  return search
}

function add(to: Float64Array, from: Float64Array, size: number): void {
  for (let i = 0; i < size; i++) to[i] += from[i]
}

function sum(to: Float64Array, a: Float64Array, b: Float64Array, size: number): void {
  for (let i = 0; i < size; i++) to[i] = a[i] + b[i]
}

/** Steps from missing little to being light: none is both heavier and misses more than another. */
function keepNear(list: Near[], point: Near): void {
  if (list.some(other => other.massG <= point.massG && other.excess <= point.excess)) return
  const left = list.filter(other => !(point.massG <= other.massG && point.excess <= other.excess))
  left.push(point)
  list.splice(0, list.length, ...left)
}
