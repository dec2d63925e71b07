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
  for (let i = 0; i < ALONG; i++) {
    const at = (x + ((i + 0.5) / ALONG) * chord) * 1000
    let widest = 0
    for (let k = 0; k < ACROSS; k++) {
      const height = (z + HALF_THICKNESS * chord * ((2 * k) / (ACROSS - 1) - 1)) * 1000
      widest = Math.max(widest, halfWidth(at, height, body, tube))
    }
    sum += Math.min(gap, widest > 0 ? mmToM(widest) + CLOSED * chord : 0)
  }
  const share = sum / ALONG / gap
  const t = Math.min(1, Math.max(0, (share - FILLED[0]) / (FILLED[1] - FILLED[0])))
  return t * t * (3 - 2 * t)
}

/** Half of the width of body or boom at a height, mm. */
function halfWidth(x: number, z: number, body: BodyLoft | null, tube: BoomTube | null): number {
  let half = 0
  if (body && x >= body.from && x <= body.to) {
    const section = body.at(x)
    const power = 2 + 6 * section.squareness
    const up = Math.abs((2 * (z - section.z)) / Math.max(1e-6, section.height))
    if (up < 1) half = (section.width / 2) * (1 - up ** power) ** (1 / power)
  }
  if (tube && x >= tube.boom.fromMm && x <= tube.boom.toMm) {
    const radius = tube.diameterMm / 2
    half = Math.max(half, Math.sqrt(Math.max(0, radius ** 2 - (z - tube.boom.zMm) ** 2)))
  }
  return half
}
