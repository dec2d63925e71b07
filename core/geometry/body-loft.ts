/** A body of rounded sections along x, in mm. Sections are superellipses; sizes run smoothly between stations. */
import type { Body } from '../document'
import { monotoneCubic } from './monotone-cubic'

/** Points round a section. */
export const ROUND_POINTS = 56

export interface BodyLoft {
  from: number
  to: number
  /** Width, height, middle height (mm) and squareness at x. */
  at(x: number): { width: number, height: number, z: number, squareness: number }
  breaks: readonly number[]
  zoneAt(x: number): string
}

export function loftBody(body: Body): BodyLoft {
  const xs = body.stations.map(station => station.xMm)
  const along = (pick: (station: Body['stations'][number]) => number) => monotoneCubic(xs, body.stations.map(pick))
  const width = along(s => s.widthMm), height = along(s => s.heightMm), z = along(s => s.zMm), squareness = along(s => s.squareness)
  return {
    from: xs[0], to: xs[xs.length - 1], breaks: xs,
    at: x => ({ width: width(x), height: height(x), z: z(x), squareness: squareness(x) }),
    zoneAt: x => body.stations.findLast((station, i) => station.xMm <= x && i < body.stations.length - 1)?.zone ?? body.stations[0].zone,
  }
}

/** Outline (y, z) at x, closed, counter-clockwise; starts at starboard. Exponent 2 (ellipse) to 8 (nearly a rectangle). */
export function bodyOutlineAt(loft: BodyLoft, x: number): Float64Array {
  const { width, height, z, squareness } = loft.at(x)
  const power = 2 / (2 + 6 * squareness)
  const outline = new Float64Array(2 * ROUND_POINTS)
  for (let i = 0; i < ROUND_POINTS; i++) {
    // The half step keeps points off the axes, so that the outline pairs top with bottom.
    const angle = (2 * Math.PI * (i + 0.5)) / ROUND_POINTS
    const cos = Math.cos(angle), sin = Math.sin(angle)
    outline[2 * i] = (width / 2) * Math.sign(cos) * Math.abs(cos) ** power
    outline[2 * i + 1] = z + (height / 2) * Math.sign(sin) * Math.abs(sin) ** power
  }
  return outline
}
