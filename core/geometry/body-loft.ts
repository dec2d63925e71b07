/**
 * A body of rounded sections along x, in mm. Sections are superellipses; sizes run smoothly between stations.
 */
import type { Body } from '../document'
import { monotoneCubic } from './monotone-cubic'
import { placesWithin, stepped } from './places-along'
/** Points round a section. */
export const ROUND_POINTS = 56

export interface BodyLoft {
  from: number
  to: number
  /** Width, height, middle height (mm) and squareness at x. */
  at(x: number): { width: number; height: number; z: number; squareness: number }
  breaks: readonly number[]
  /**
   * Stations and places between them, at most `SKIN_STEP` apart: between two of these the skin runs straight.
   */
  grid: readonly number[]
  zoneAt(x: number): string
}

/** Spacing at which the smooth curves between stations are followed, mm. */
const SKIN_STEP = 8

export function loftBody(stations: Body['stations']): BodyLoft {
  const xs = stations.map(station => station.xMm)
  const along = (pick: (station: Body['stations'][number]) => number) => monotoneCubic(xs, stations.map(pick))
  const width = along(s => s.widthMm),
    height = along(s => s.heightMm),
    z = along(s => s.zMm),
    squareness = along(s => s.squareness)
  return {
    from: xs[0],
    to: xs[xs.length - 1],
    breaks: xs,
    grid: stepped(xs, SKIN_STEP),
    at: x => ({ width: width(x), height: height(x), z: z(x), squareness: squareness(x) }),
    zoneAt: x =>
      stations.findLast((station, i) => station.xMm <= x && i < stations.length - 1)?.zone ??
      stations[0].zone,
  }
}

export const bodyOutlineAt = (loft: BodyLoft, x: number): Float64Array => bodyOutline(loft.at(x))

/**
 * Outline (y, z) of such a section, closed, counter-clockwise; starts at starboard. Exponent 2 (ellipse) to 8 (nearly a
 * rectangle).
 */
export function bodyOutline({ width, height, z, squareness }: ReturnType<BodyLoft['at']>): Float64Array {
  const power = 2 / (2 + 6 * squareness)
  const outline = new Float64Array(2 * ROUND_POINTS)
  for (let i = 0; i < ROUND_POINTS; i++) {
    // The half step keeps points off the axes, so that the outline pairs top with bottom.
    const angle = (2 * Math.PI * (i + 0.5)) / ROUND_POINTS
    const cos = Math.cos(angle),
      sin = Math.sin(angle)
    outline[2 * i] = (width / 2) * Math.sign(cos) * Math.abs(cos) ** power
    outline[2 * i + 1] = z + (height / 2) * Math.sign(sin) * Math.abs(sin) ** power
  }
  return outline
}

/** Ends and every grid place between them. */
export const bodyHeights = (loft: BodyLoft, from: number, to: number): number[] => [
  from,
  ...placesWithin(loft.grid, from, to),
  to,
]

const onGrid = new WeakMap<BodyLoft, Map<number, Float64Array>>()
function gridOutline(loft: BodyLoft, index: number): Float64Array {
  const kept = onGrid.get(loft) ?? new Map<number, Float64Array>()
  onGrid.set(loft, kept)
  const outline = kept.get(index) ?? bodyOutlineAt(loft, loft.grid[index])
  kept.set(index, outline)
  return outline
}

/** The skin as it is made: straight between grid places, so that sections and solids are the same. */
export function bodySkinAt(loft: BodyLoft, x: number): Float64Array {
  const { grid } = loft
  let i = 0
  while (i < grid.length - 2 && x > grid[i + 1]) i++
  const t = Math.min(1, Math.max(0, (x - grid[i]) / (grid[i + 1] - grid[i])))
  const a = gridOutline(loft, i),
    b = gridOutline(loft, i + 1)
  return a.map((value, k) => value + (b[k] - value) * t)
}
