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
