/**
 * Where a layer is plastic, as intervals along parallel lines: differences between layers need no polygon
 * booleans.
 */

/** Sorted, non-overlapping intervals [from, to, from, to, …] of each line. */
export type Scan = Float64Array[]

/**
 * Lines at y = (k + ½)·spacing from `minY`, even–odd over all loops. `inset` (mm) draws every crossing
 * inwards as an offset of the outline by so much would: by inset over the sine of the angle at which line and
 * outline meet.
 */
export function scanLoops(
  loops: readonly Float64Array[],
  minY: number,
  spacing: number,
  lines: number,
  inset = 0,
): Scan {
  const crossings: number[][] = Array.from({ length: lines }, () => [])
  for (const loop of loops) {
    const count = loop.length / 2
    for (let i = 0; i < count; i++) {
      const j = i + 1 === count ? 0 : i + 1
      const x0 = loop[2 * i],
        y0 = loop[2 * i + 1],
        x1 = loop[2 * j],
        y1 = loop[2 * j + 1]
      if (y0 === y1) continue
      const low = y0 < y1 ? y0 : y1,
        high = y0 < y1 ? y1 : y0
      const first = Math.max(0, Math.ceil((low - minY) / spacing - 0.5)),
        last = Math.min(lines - 1, Math.ceil((high - minY) / spacing - 0.5) - 1)
      const reach = inset === 0 ? 0 : inset * Math.sqrt(1 + ((x1 - x0) / (y1 - y0)) ** 2)
      for (let k = first; k <= last; k++) {
        const y = minY + (k + 0.5) * spacing
        crossings[k].push(x0 + ((x1 - x0) * (y - y0)) / (y1 - y0), reach)
      }
    }
  }
  return crossings.map(list => intervals(list, inset))
}

/** Crossings with their reaches, sorted and paired. */
function intervals(list: number[], inset: number): Float64Array {
  const count = list.length / 2
  // A handful a line: sorted by insertion, without making objects.
  for (let i = 1; i < count; i++) {
    const x = list[2 * i],
      reach = list[2 * i + 1]
    let j = i - 1
    for (; j >= 0 && list[2 * j] > x; j--) {
      list[2 * j + 2] = list[2 * j]
      list[2 * j + 3] = list[2 * j + 1]
    }
    list[2 * j + 2] = x
    list[2 * j + 3] = reach
  }
  const result: number[] = []
  for (let i = 0; i + 1 < count; i += 2) {
    const from = list[2 * i] + list[2 * i + 1],
      to = list[2 * i + 2] - list[2 * i + 3]
    if (to <= from) continue
    // Lines drawn outwards may run into each other.
    if (inset < 0 && result.length > 0 && from <= result[result.length - 1])
      result[result.length - 1] = Math.max(to, result[result.length - 1])
    else result.push(from, to)
  }
  return Float64Array.from(result)
}

export const scanLength = (scan: Scan): number =>
  scan.reduce((sum, line) => {
    for (let i = 0; i + 1 < line.length; i += 2) sum += line[i + 1] - line[i]
    return sum
  }, 0)

/** What lies in both, line by line. */
export function scanBoth(a: Scan, b: Scan): Scan {
  return a.map((line, k) => {
    const other = b[k]
    const result: number[] = []
    let i = 0,
      j = 0
    while (i + 1 < line.length && j + 1 < other.length) {
      const from = Math.max(line[i], other[j]),
        to = Math.min(line[i + 1], other[j + 1])
      if (to > from) result.push(from, to)
      if (line[i + 1] < other[j + 1]) i += 2
      else j += 2
    }
    return Float64Array.from(result)
  })
}

/** What lies in `a` and not in `b`, line by line. */
export function scanLess(a: Scan, b: Scan): Scan {
  return a.map((line, k) => {
    const other = b[k]
    const result: number[] = []
    for (let i = 0, j = 0; i + 1 < line.length; i += 2) {
      let from = line[i]
      const to = line[i + 1]
      while (j + 1 < other.length && other[j + 1] <= from) j += 2
      let q = j
      for (; q + 1 < other.length && other[q] < to; q += 2) {
        if (other[q] > from) result.push(from, other[q])
        from = Math.max(from, other[q + 1])
      }
      if (to > from) result.push(from, to)
    }
    return Float64Array.from(result)
  })
}

/** Longest single interval. */
export const scanLongest = (scan: Scan): number =>
  scan.reduce((most, line) => {
    for (let i = 0; i + 1 < line.length; i += 2) most = Math.max(most, line[i + 1] - line[i])
    return most
  }, 0)

/** x and y exchanged, so that lines of constant x can be scanned. */
export const swapped = (loops: readonly Float64Array[]): Float64Array[] =>
  loops.map(loop => loop.map((_, i) => loop[i ^ 1]))
