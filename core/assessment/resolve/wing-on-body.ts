/** What of the wing, and of spars in one piece, a body is shaped by; the very same objects while they stay. mm */
import { wingSeat, type CrossHole, type SparLine, type SurfaceLoft, type WingSeat } from '../../geometry'
import type { SurfaceName } from '../../document'

/** The seat of the wing's root: the body changes with that alone, not with every edit further out. */
export function createSeat(): (wing: SurfaceLoft) => WingSeat {
  let lastSeat: WingSeat | null = null
  return (wing: SurfaceLoft): WingSeat => {
    const seat = wingSeat(wing)
    const same =
      lastSeat &&
      lastSeat.lead === seat.lead &&
      lastSeat.chord === seat.chord &&
      lastSeat.n === seat.n &&
      lastSeat.z === seat.z &&
      lastSeat.outline.every((value, i) => value === seat.outline[i])
    if (!same) lastSeat = seat
    return lastSeat!
  }
}

/** Holes for spars in one piece through the middle, and the pivot of an all-moving tail, which is one of them. */
export function createCrossings(
  remembered: number,
): (
  surfaces: Partial<Record<SurfaceName, SurfaceLoft>>,
  spars: Partial<Record<SurfaceName, readonly SparLine[]>>,
) => CrossHole[] {
  const crossingsByText = new Map<string, CrossHole[]>()
  return (surfaces, spars) => {
    const found = [surfaces.wing, surfaces.second, surfaces.horizontal].flatMap(loft =>
      (loft?.mirror
        ? (spars[loft.name] ?? []).filter(line => line.spar.through && line.stock.shape === 'round')
        : []
      ).map((line): CrossHole => {
        const { x, n } = line.at(0)
        return {
          name: line.spar.name,
          x,
          z: loft!.origin[2] + n * Math.cos(loft!.cant),
          radius: line.stock.heightMm / 2 + line.spar.clearanceMm,
        }
      }),
    )
    // The very same list for the same holes, so that the body's shapes are known again.
    const text = JSON.stringify(found),
      known = crossingsByText.get(text)
    if (known) return known
    if (crossingsByText.size > remembered) crossingsByText.clear()
    crossingsByText.set(text, found)
    return found
  }
}
