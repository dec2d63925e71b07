/**
 * The lift that a body or boom carries on between the halves of a surface. Where it fills the gap at the root,
 * the circulation goes through it, as the image of the halves does in slender-body theory: a strip without
 * camber, at the body's own incidence, with the root's chord (Lawrence & Flax, J. Aero. Sci. 21, 1954). SI but
 * for the lofts, which are in mm.
 */
import type { LatticeSurface } from '../../aero'
import type { Boom } from '../../document'
import type { BodyLoft, SurfaceLoft } from '../../geometry'
import { mmToM } from '../../units'
import type { HeldBoom } from '../resolve'

/** Share of the chord that a root may stand off the body and count as on it: fillet and boundary layer. */
const CLOSED = 0.03
/** A wing's own half thickness, as a share of the chord: a body within it is met. */
const HALF_THICKNESS = 0.06
/** Shares of the gap that are filled: under the first nothing is carried over, over the second all is. */
const FILLED = [0.5, 0.9] as const
/** Places along the root's chord at which the body's width is read, and heights across its thickness. */
const ALONG = 24
const ACROSS = 7
const STRIPS = 2

/** What lies between the halves, besides the body: a boom's axis and radius, mm. */
export interface BoomTube {
  boom: Boom
  diameterMm: number
}

/** What lies in the middle: a pair of booms is beside it, and fills no gap there. */
export const tubeOf = (boom: HeldBoom | null): BoomTube | null =>
  boom && boom.count === 1 ? { boom: boom.boom, diameterMm: boom.stock.heightMm } : null

/** Name of what is carried on of a surface; it belongs to the surface's group. */
export const carriedName = (name: string): string => `${name} carried`

/**
 * The strips that carry a mirrored surface's lift through the middle, leaking by as much of the gap as is open; or
 * null where nothing fills it.
 */
export function carriedOf(
  surface: LatticeSurface,
  loft: SurfaceLoft,
  body: BodyLoft | null,
  tube: BoomTube | null,
): { surface: LatticeSurface; carried: LatticeSurface } | null {
  const root = surface.stations[0]
  if (!surface.mirror || root.y < 1e-6) return null
  const level = Math.cos(loft.cant) ** 2
  const filled = level * filledShare(root.x, root.chord, root.z, root.y, body, tube)
  if (filled < 1e-4) return null
  const station = (y: number) => ({ ...root, y, twist: 0, slopeAt: () => 0 })
  return {
    surface: { ...surface, heldRoot: filled },
    carried: {
      name: carriedName(surface.name),
      group: surface.name,
      mirror: true,
      chordwise: surface.chordwise,
      spanwise: STRIPS,
      spacing: 'uniform',
      solid: filled,
      stations: [station(0), station(root.y)],
      joinedTip: true,
    },
  }
}

/** How much of the gap at the root body and boom fill, from 0 to 1. Smooth in every length. */
function filledShare(
  x: number,
  chord: number,
  z: number,
  gap: number,
  body: BodyLoft | null,
  tube: BoomTube | null,
): number {
  let sum = 0
  const cell = (chord / ALONG) * 1000
  for (let i = 0; i < ALONG; i++) {
    const at = x * 1000 + (i + 0.5) * cell
    sum += Math.max(
      ...[
        body && heldBy(body, body.from, body.to, bodyHalf),
        tube && heldBy(tube, tube.boom.fromMm, tube.boom.toMm, boomHalf),
      ].map(held => held?.(at) ?? 0),
    )
  }
  /** What one of them fills at a place, m; where it ends within the place, as much of it as it is there. */
  function heldBy<T>(what: T, from: number, to: number, half: (what: T, x: number, z: number) => number) {
    return (at: number): number => {
      const there = Math.min(
        1,
        Math.max(0, (Math.min(to, at + cell / 2) - Math.max(from, at - cell / 2)) / cell),
      )
      if (there === 0) return 0
      const place = Math.min(to, Math.max(from, at))
      let widest = 0
      for (let k = 0; k < ACROSS; k++)
        widest = Math.max(
          widest,
          half(what, place, (z + HALF_THICKNESS * chord * ((2 * k) / (ACROSS - 1) - 1)) * 1000),
        )
      return there * Math.min(gap, widest > 0 ? mmToM(widest) + CLOSED * chord : 0)
    }
  }
  const share = sum / ALONG / gap
  const t = Math.min(1, Math.max(0, (share - FILLED[0]) / (FILLED[1] - FILLED[0])))
  return t * t * (3 - 2 * t)
}

/** Half of the width of a body at a place and a height, mm. */
function bodyHalf(body: BodyLoft, x: number, z: number): number {
  const section = body.at(x)
  const power = 2 + 6 * section.squareness
  const up = Math.abs((2 * (z - section.z)) / Math.max(1e-6, section.height))
  return up < 1 ? (section.width / 2) * (1 - up ** power) ** (1 / power) : 0
}

const boomHalf = ({ boom, diameterMm }: BoomTube, _x: number, z: number): number =>
  Math.sqrt(Math.max(0, (diameterMm / 2) ** 2 - (z - boom.zMm) ** 2))
