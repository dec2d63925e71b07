/** Places along a loft: thinned out, and stepped between. */
/** Rising places inside (from, to), those nearer than 0.02 mm to an end or to each other left out. */
export function placesWithin(places: readonly number[], from: number, to: number): number[] {
  const kept: number[] = []
  for (const place of [...places].sort((a, b) => a - b))
    if (place > (kept.at(-1) ?? from) + 0.02 && place < to - 0.02) kept.push(place)
  return kept
}

/** Even steps of at most `longest` between neighbouring places, all of them kept. */
export function stepped(places: readonly number[], longest: number): number[] {
  return places.flatMap((a, i) => {
    if (i === places.length - 1) return [a]
    const steps = Math.max(1, Math.ceil((places[i + 1] - a) / longest - 1e-9))
    return Array.from({ length: steps }, (_, k) => a + ((places[i + 1] - a) * k) / steps)
  })
}
