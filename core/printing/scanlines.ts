/**
 * Where a layer is plastic, as intervals along parallel lines: differences between layers need no polygon
 * booleans.
 */

/** Sorted, non-overlapping intervals [from, to, from, to, …] of each line. */
export type Scan = Float64Array[]

/**
 * Lines at y = (k + ½)·spacing from `minY`; inside is what the loops go round counter-clockwise more often than
 * clockwise, so that what an offset turns inside out, at a neck that it closes, is outside. `inset` (mm) draws every
 * crossing inwards as an offset of the outline by so much would: by inset over the sine of the angle at which line and
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
        crossings[k].push(x0 + ((x1 - x0) * (y - y0)) / (y1 - y0), y1 < y0 ? reach : -reach, y1 < y0 ? 1 : -1)
      }
    }
  }
  return crossings.map(list => intervals(list, inset))
}

/** Crossings, each with how far it is drawn along and whether it goes in (1) or out (−1), sorted and paired. */
function intervals(list: number[], inset: number): Float64Array {
  // A handful a line: sorted by insertion, without making objects.
  for (let i = 3; i < list.length; i += 3) {
    const x = list[i],
      drawn = list[i + 1],
      way = list[i + 2]
    let j = i - 3
    for (; j >= 0 && list[j] > x; j -= 3) {
      list[j + 3] = list[j]
      list[j + 4] = list[j + 1]
      list[j + 5] = list[j + 2]
    }
    list[j + 3] = x
    list[j + 4] = drawn
    list[j + 5] = way
  }
  const result: number[] = []
  let round = 0,
    from = 0
  for (let i = 0; i < list.length; i += 3) {
    const before = round
    round += list[i + 2]
    const x = list[i] + list[i + 1]
    if (before === 0 && round === 1) from = x
    if (before !== 1 || round !== 0 || x <= from) continue
    // Lines drawn outwards may run into each other.
    if (inset < 0 && result.length > 0 && from <= result[result.length - 1])
      result[result.length - 1] = Math.max(x, result[result.length - 1])
    else result.push(from, x)
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

/** x and y exchanged, so that lines of constant x can be scanned; gone round the other way, so that inside stays so. */
export const swapped = (loops: readonly Float64Array[]): Float64Array[] =>
  loops.map(loop => loop.map((_, i) => loop[loop.length - 1 - i]))
