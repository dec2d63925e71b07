/** Structural sharing, so that stages memoised on identity survive a copy across a worker's boundary. */

/** Returns `next` with every part that equals the same part of `previous` replaced by that very object. */
export function share<T>(previous: unknown, next: T): T {
  if (Object.is(previous, next)) return next
  if (typeof next !== 'object' || next === null || typeof previous !== 'object' || previous === null)
    return next
  if (Array.isArray(next)) {
    if (!Array.isArray(previous)) return next
    const items = next.map((item, i) => share(previous[i], item))
    return (
      items.length === previous.length && items.every((item, i) => Object.is(item, previous[i]))
        ? previous
        : items
    ) as T
  }
  if (Array.isArray(previous)) return next
  const before = previous as Record<string, unknown>
  const keys = Object.keys(next)
  // Assigning this one would set the prototype instead; no document has it.
  if (keys.includes('__proto__')) return next
  const result: Record<string, unknown> = {}
  let same = keys.length === Object.keys(before).length
  for (const key of keys) {
    const known = Object.hasOwn(before, key)
    result[key] = share(known ? before[key] : undefined, (next as Record<string, unknown>)[key])
    same &&= known && Object.is(result[key], before[key])
  }
  return (same ? previous : result) as T
}
