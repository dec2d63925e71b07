/**
 * Loads are bilinear in circulation and velocity, and both are sums of a few unit flows. So every pair of
 * unit flows is summed over the panels once, about the origin, and any state of flight after that is a
 * handful of multiplications: what lets the balance be dragged while trim, rates and modes follow.
 */
import type { Circulation, Lattice } from './lattice'
import { boundLoads, wakeLoads, type Loads } from './loads'
import { velocityOf, type Flow, type SolvedFlows } from './flows'

/** One unit flow of a sum: which one, and how much of it. Axes 0–2 are wind, 3–5 spin; controls are named. */
interface Term {
  key: string
  axis: number | null
  amount: number
  gamma: Circulation
}

const ORIGIN = [0, 0, 0] as const
const UNIT = [
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1],
] as const

export interface LoadTable {
  /**
   * Bound loads of one flow's circulation in another's velocity, and the wake's loads of both; about a point.
   */
  bound(circulation: Flow, velocity: Flow, about: readonly [number, number, number]): Loads
  wake(a: Flow, b: Flow, about: readonly [number, number, number]): Loads
}

/** Of a lattice, however softly a part of it is carried. */
const tables = new WeakMap<Lattice, LoadTable>()

export function loadTable(flows: SolvedFlows): LoadTable {
  const known = tables.get(flows.lattice)
  if (known) return known
  const table = createTable(flows)
  tables.set(flows.lattice, table)
  return table
}

function createTable(flows: SolvedFlows): LoadTable {
  const { panels } = flows.lattice
  const kept = new Map<string, Loads>()
  const remember = (key: string, make: () => Loads): Loads => {
    const found = kept.get(key)
    if (found) return found
    const made = make()
    kept.set(key, made)
    return made
  }
  const velocities = [
    ...UNIT.map(wind => velocityOf({ wind, spin: ORIGIN })),
    ...UNIT.map(spin => velocityOf({ wind: ORIGIN, spin })),
  ]
  const terms = (flow: Flow): Term[] => {
    const list: Term[] = []
    flow.wind.forEach((amount, k) => {
      if (amount !== 0) list.push({ key: `wind ${k}`, axis: k, amount, gamma: flows.wind(k) })
    })
    flow.spin.forEach((amount, k) => {
      if (amount !== 0) list.push({ key: `spin ${k}`, axis: 3 + k, amount, gamma: flows.spin(k) })
    })
    for (const { id, sense, angle } of flow.deflections ?? []) {
      const gamma = angle === 0 ? null : flows.control(id, sense)
      if (gamma) list.push({ key: `${id} ${sense}`, axis: null, amount: angle, gamma })
    }
    for (const axis of ['pitch', 'yaw'] as const) {
      const amount = flow.turned?.[axis] ?? 0
      if (amount !== 0) list.push({ key: `turn ${axis}`, axis: null, amount, gamma: flows.turn(axis) })
    }
    return list
  }
  const gather = (pairs: Array<[Loads, number]>, about: readonly [number, number, number]): Loads => {
    const force: [number, number, number] = [0, 0, 0],
      moment: [number, number, number] = [0, 0, 0]
    for (const [loads, factor] of pairs) {
      for (let k = 0; k < 3; k++) {
        force[k] += factor * loads.force[k]
        moment[k] += factor * loads.moment[k]
      }
    }
    // About another point: M − point × F.
    moment[0] -= about[1] * force[2] - about[2] * force[1]
    moment[1] -= about[2] * force[0] - about[0] * force[2]
    moment[2] -= about[0] * force[1] - about[1] * force[0]
    return { force, moment }
  }
  return {
    bound: (circulation, velocity, about) => {
      const pairs: Array<[Loads, number]> = []
      const moving = terms(velocity).filter(term => term.axis !== null)
      for (const c of terms(circulation))
        for (const v of moving)
          pairs.push([
            remember(`${c.key}|${v.axis}`, () => boundLoads(panels, c.gamma, velocities[v.axis!], ORIGIN)),
            c.amount * v.amount,
          ])
      return gather(pairs, about)
    },
    wake: (a, b, about) => {
      const pairs: Array<[Loads, number]> = []
      for (const p of terms(a))
        for (const q of terms(b))
          pairs.push([
            remember(`${p.key}~${q.key}`, () => wakeLoads(panels, p.gamma, q.gamma, ORIGIN)),
            p.amount * q.amount,
          ])
      return gather(pairs, about)
    },
  }
}
