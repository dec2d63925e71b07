/**
 * What was done and noted, from two copies of one project: nothing of either is lost, and the result is the same
 * whichever copy is asked to take in the other.
 */
import { canonical, fingerprint } from '../fingerprint'
import type { ProjectFile } from '../schema'

type Item = Record<string, unknown>

/** Both copies' items once each, by date; of one date in the order of their own lists. */
export function together<T>(here: readonly T[], there: readonly T[], dateOf: (item: T) => string): T[] {
  const rank = new Map<string, { item: T; at: number }>()
  for (const list of [here, there])
    list.forEach((item, at) => {
      const key = canonical(item)
      const known = rank.get(key)
      rank.set(key, { item, at: Math.max(at, known?.at ?? 0) })
    })
  return [...rank]
    .sort(([a, x], [b, y]) => order(dateOf(x.item), dateOf(y.item)) || x.at - y.at || order(a, b))
    .map(([, { item }]) => item)
}
const order = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0)

const saysNothing = (value: unknown) =>
  value === null || value === '' || (Array.isArray(value) && value.length === 0)

/** One item from two that do not contradict each other; null where they do. */
function joined(a: Item, b: Item): Item | null {
  const result: Item = {}
  for (const key of Object.keys(a)) {
    if (canonical(a[key]) === canonical(b[key])) result[key] = a[key]
    else if (saysNothing(a[key])) result[key] = b[key]
    else if (saysNothing(b[key])) result[key] = a[key]
    else return null
  }
  return result
}

/** An id that no other content has, inside the limit on ids. */
const renamed = (item: Item): string => `${String(item.id).slice(0, 50)}-${fingerprint(item)}`

/**
 * Items with ids. One id with two contents that contradict each other was noted twice: both stay, the second under
 * an id made from what it says. `names`: what the ids of each copy have become.
 */
export function bothKept<T extends { id: string }>(
  here: readonly T[],
  there: readonly T[],
  dateOf: (item: T) => string,
): { items: T[]; names: { here: Map<string, string>; there: Map<string, string> } } {
  const names = { here: new Map<string, string>(), there: new Map<string, string>() }
  const other = new Map(there.map(item => [item.id, item]))
  const mine: T[] = [],
    theirs = new Map(other)
  for (const item of here) {
    const twin = other.get(item.id)
    const whole = twin && joined(item as Item, twin as Item)
    if (!twin) mine.push(item)
    else if (whole) {
      mine.push(whole as T)
      theirs.set(item.id, whole as T)
    } else if (canonical(item) < canonical(twin)) {
      mine.push(item)
      const id = renamed(twin as Item)
      theirs.set(twin.id, { ...twin, id })
      names.there.set(twin.id, id)
    } else {
      const id = renamed(item as Item)
      mine.push({ ...item, id })
      names.here.set(item.id, id)
    }
  }
  return { items: together(mine, [...theirs.values()], dateOf), names }
}

/** Of each key one item: the one that got further. `further` below zero: the second did. */
export function furthest<T>(
  here: readonly T[],
  there: readonly T[],
  keyOf: (item: T) => string,
  further: (a: T, b: T) => number,
): T[] {
  const best = new Map<string, { item: T; at: number }>()
  for (const list of [here, there])
    list.forEach((item, at) => {
      const known = best.get(keyOf(item))
      const wins =
        !known || (further(item, known.item) || (canonical(item) > canonical(known.item) ? 1 : -1)) > 0
      best.set(keyOf(item), { item: wins ? item : known.item, at: Math.max(at, known?.at ?? 0) })
    })
  return [...best].sort(([a, x], [b, y]) => x.at - y.at || order(a, b)).map(([, { item }]) => item)
}

/** How far something is, by a list of its states. */
export const byState =
  <T extends { state: string }>(states: readonly string[]) =>
  (a: T, b: T) =>
    states.indexOf(a.state) - states.indexOf(b.state)

export type Records = Pick<
  ProjectFile,
  | 'plates'
  | 'accepted'
  | 'asPrinted'
  | 'fileChecks'
  | 'proofs'
  | 'calibrations'
  | 'weighIns'
  | 'checks'
  | 'flights'
  | 'damages'
  | 'wishes'
>
