/** Where a layer is plastic, as intervals along parallel lines: differences between layers need no polygon booleans. */

/** Sorted, non-overlapping intervals [from, to, from, to, …] of each line. */
export type Scan = Float64Array[]

/** Lines at y = (k + ½)·spacing from `minY`, even–odd over all loops. */
export function scanLoops(loops: readonly Float64Array[], minY: number, spacing: number, lines: number): Scan {
  const crossings: number[][] = Array.from({ length: lines }, () => [])
  for (const loop of loops) {
    const count = loop.length / 2
    for (let i = 0; i < count; i++) {
      const j = (i + 1) % count
      const x0 = loop[2 * i], y0 = loop[2 * i + 1], x1 = loop[2 * j], y1 = loop[2 * j + 1]
      if (y0 === y1) continue
      const low = Math.min(y0, y1), high = Math.max(y0, y1)
      const first = Math.max(0, Math.ceil((low - minY) / spacing - 0.5)), last = Math.min(lines - 1, Math.ceil((high - minY) / spacing - 0.5) - 1)
      for (let k = first; k <= last; k++) {
        const y = minY + (k + 0.5) * spacing
        crossings[k].push(x0 + ((x1 - x0) * (y - y0)) / (y1 - y0))
      }
    }
  }
  return crossings.map(list => Float64Array.from(list.sort((a, b) => a - b)))
}

export const scanLength = (scan: Scan): number => scan.reduce((sum, line) => {
  for (let i = 0; i + 1 < line.length; i += 2) sum += line[i + 1] - line[i]
  return sum
}, 0)

/** What lies in both, line by line. */
export function scanBoth(a: Scan, b: Scan): Scan {
  return a.map((line, k) => {
    const other = b[k]
    const result: number[] = []
    let i = 0, j = 0
    while (i + 1 < line.length && j + 1 < other.length) {
      const from = Math.max(line[i], other[j]), to = Math.min(line[i + 1], other[j + 1])
      if (to > from) result.push(from, to)
      if (line[i + 1] < other[j + 1]) i += 2
      else j += 2
    }
    return Float64Array.from(result)
  })
}
