/** What every piece of a surface has: where its skin is lofted, its place on either side, its names. mm */
import type { PieceShape } from './piece'
import { placesWithin, stepped } from './places-along'
import { placePoint, type SurfaceLoft } from './surface-loft'

export type Sides = ReadonlyArray<PieceShape['side']>

/**
 * Between sections that are turned against each other or shaped differently the skin is not made of flat
 * facets: it is lofted in short steps there, so that triangles follow it. Elsewhere the stations do.
 */
const TWISTED_STEP = 18
export function skinHeights(loft: SurfaceLoft, from: number, to: number): number[] {
  const { stations } = loft
  return [
    from,
    ...placesWithin(
      stations.flatMap((station, i) => {
        const next = stations[i + 1]
        if (!next) return [station.s]
        const bent = station.shape !== next.shape || Math.abs(station.twist - next.twist) > 1e-4
        return bent ? stepped([station.s, next.s], TWISTED_STEP).slice(0, -1) : [station.s]
      }),
      from,
      to,
    ),
    to,
  ]
}

const LETTERS: Record<SurfaceLoft['name'], string> = {
  wing: 'W',
  second: 'S',
  winglet: 'L',
  horizontal: 'T',
  vertical: 'F',
}
export const placed = (loft: SurfaceLoft, side: PieceShape['side']) => (x: number, n: number, s: number) =>
  placePoint(loft, x, n, s, side === 'port' ? -1 : 1)
export function naming(loft: SurfaceLoft, side: PieceShape['side'], id: string, name: string, mark: string) {
  const tail = side === 'centre' ? ['', '', ''] : [`-${side}`, ` ${side}`, side === 'starboard' ? '·S' : '·P']
  return {
    id: `${loft.name}-${id}${tail[0]}`,
    name: `${loft.label} ${name}${tail[1]}`,
    mark: `${LETTERS[loft.name]}${mark}${tail[2]}`,
  }
}
