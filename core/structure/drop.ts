/** A drop onto legs or the belly: where the energy goes. SI. */

/** Force against travel, straight between points, from (0, 0); it goes on with the last slope. */
export type ForceLine = ReadonlyArray<{ travel: number; force: number }>

/** Legs side by side: forces add at the same travel. */
export function together(lines: readonly ForceLine[]): ForceLine {
  const travels = [...new Set(lines.flatMap(line => line.map(point => point.travel)))].sort((a, b) => a - b)
  return travels.map(travel => ({
    travel,
    force: lines.reduce((sum, line) => sum + forceAt(line, travel), 0),
  }))
}

export function forceAt(line: ForceLine, travel: number): number {
  let i = 1
  while (i < line.length - 1 && travel > line[i].travel) i++
  const a = line[i - 1],
    b = line[i]
  return a.force + ((b.force - a.force) * (travel - a.travel)) / (b.travel - a.travel)
}

/** Work taken up to a travel, J. */
export function workTo(line: ForceLine, travel: number): number {
  let work = 0
  for (let i = 1; i < line.length; i++) {
    const from = line[i - 1].travel
    const to = i === line.length - 1 ? travel : Math.min(travel, line[i].travel)
    if (to <= from) break
    work += ((forceAt(line, from) + forceAt(line, to)) / 2) * (to - from)
  }
  return work
}

export interface Drop {
  travel: number
  force: number
  factor: number
  fall: number
  work: number
}

/**
 * Travel at which the legs have taken m·g·(h + x), the peak force, and that over the weight. `height` from
 * wheels to ground, m.
 */
export function drop(line: ForceLine, mass: number, height: number, gravity: number): Drop {
  const weight = mass * gravity
  const short = (x: number) => workTo(line, x) < weight * (height + x)
  let low = 0,
    high = Math.max(1e-4, line[line.length - 1].travel)
  while (short(high) && high < 100) high *= 2
  for (let i = 0; i < 80; i++) {
    const middle = (low + high) / 2
    if (short(middle)) low = middle
    else high = middle
  }
  const force = forceAt(line, high)
  return {
    travel: high,
    force,
    // What weighs nothing does not land.
    factor: weight > 0 ? force / weight : 0,
    fall: weight * (height + high),
    work: workTo(line, high),
  }
}
