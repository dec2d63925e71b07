/** Memory for the stages: a result is kept while the very same inputs come back. */

/**
 * Remembers the last `capacity` results of a pure function, keyed on the identity of its arguments.
 * Least recently used goes first. Arguments must be immutable.
 */
export function memoise<A extends readonly unknown[], R>(
  compute: (...inputs: A) => R,
  capacity = 1,
): (...inputs: A) => R {
  const kept: Array<{ inputs: A; result: R }> = []
  return (...inputs) => {
    for (let i = kept.length - 1; i >= 0; i--) {
      const entry = kept[i]
      if (
        entry.inputs.length === inputs.length &&
        entry.inputs.every((input, k) => Object.is(input, inputs[k]))
      ) {
        if (i !== kept.length - 1) {
          kept.splice(i, 1)
          kept.push(entry)
        }
        return entry.result
      }
    }
    const result = compute(...inputs)
    kept.push({ inputs, result })
    if (kept.length > capacity) kept.shift()
    return result
  }
}

/**
 * What is picked out of something, as the very same object for as long as every part of it stays the same: what a stage
 * is keyed on that reads no more than that. The last `capacity` are remembered.
 */
export function narrowed<T extends object, K extends object>(
  pick: (whole: T) => K,
  capacity = 64,
): (whole: T) => K {
  const kept: K[] = []
  const known = new WeakMap<T, K>()
  const same = (a: K, b: K): boolean => {
    const keys = Object.keys(a) as Array<keyof K>
    return keys.length === Object.keys(b).length && keys.every(key => Object.is(a[key], b[key]))
  }
  return whole => {
    const before = known.get(whole)
    if (before) return before
    const picked = pick(whole)
    const at = kept.findIndex(item => same(item, picked))
    const own = at < 0 ? picked : kept.splice(at, 1)[0]
    kept.push(own)
    if (kept.length > capacity) kept.shift()
    known.set(whole, own)
    return own
  }
}

/** Picks the named parts of something. */
export const only =
  <T extends object, K extends keyof T>(...keys: readonly K[]) =>
  (whole: T): Pick<T, K> =>
    Object.fromEntries(keys.map(key => [key, whole[key]])) as Pick<T, K>

/** The same of every one of a list; the list itself stays the same object, too. */
export function narrowedList<T extends object, K extends object>(
  pick: (whole: T) => K,
  capacity = 64,
): (list: readonly T[]) => readonly K[] {
  const one = narrowed(pick, 4 * capacity)
  const all = narrowed((list: readonly T[]) => list.map(one), capacity)
  return all
}

/**
 * The very same object as before for as long as everything it holds is the same, however deep: what is keyed on
 * identity knows it again then. The last `capacity` are remembered. Plain data alone; a function in it counts by itself.
 */
export function steadied<T>(capacity = 4): (made: T) => T {
  const kept: T[] = []
  return made => {
    const at = kept.findIndex(item => alike(item, made))
    const own = at < 0 ? made : kept.splice(at, 1)[0]
    kept.push(own)
    if (kept.length > capacity) kept.shift()
    return own
  }
}

function alike(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false
  if (Object.getPrototypeOf(a) !== Object.getPrototypeOf(b)) return false
  if (ArrayBuffer.isView(a)) {
    const [one, other] = [a as Float64Array, b as Float64Array]
    return one.length === other.length && one.every((value, i) => Object.is(value, other[i]))
  }
  const keys = Object.keys(a)
  return (
    keys.length === Object.keys(b).length &&
    keys.every(key => Object.hasOwn(b, key) && alike(a[key as keyof object], b[key as keyof object]))
  )
}

/** Made when it is first asked for, and kept. */
export function once<T>(make: () => T): () => T {
  let made: { value: T } | null = null
  return () => (made ??= { value: make() }).value
}
