/** Struts where they stand, and whether a wing's root is held by body or boom. mm */
import type { Strut, StrutEnd, SurfaceName } from '../../document'
import { gapAt, outlineAt, placePoint, planAt, type BodyLoft, type SurfaceLoft } from '../../geometry'
import type { Stock } from '../../libraries'
import type { HeldBoom } from './held-boom'

export type Point = readonly [number, number, number]

/** An end on a surface: its place along the span, within it. Null on the body. */
export interface StrutFoot {
  surface: SurfaceName
  s: number
}

/** The starboard one of a pair. */
export interface StandingStrut {
  strut: Strut
  stock: Stock
  ends: readonly [Point, Point]
  feet: readonly [StrutFoot | null, StrutFoot | null]
  lengthMm: number
}

type Surfaces = Partial<Record<SurfaceName, SurfaceLoft>>

/** Null where what one of its ends stands on is not there, or both are one place. */
export function standingStrut(strut: Strut, stock: Stock, surfaces: Surfaces): StandingStrut | null {
  const [from, to] = [strut.from, strut.to].map(end => standsAt(end, surfaces))
  if (!from || !to) return null
  const lengthMm = Math.hypot(...from.at.map((value, axis) => to.at[axis] - value))
  return lengthMm < 1 ? null : { strut, stock, ends: [from.at, to.at], feet: [from.foot, to.foot], lengthMm }
}

function standsAt(end: StrutEnd, surfaces: Surfaces): { at: Point; foot: StrutFoot | null } | null {
  if (end.on === 'body') return { at: [end.xMm, end.yMm, end.zMm], foot: null }
  const loft = surfaces[end.on]
  if (!loft) return null
  const s = Math.min(loft.span, end.alongMm),
    { lead, chord } = planAt(loft, s)
  // At the nose and the trailing edge the section has no height.
  const x = lead + chord * Math.min(0.98, Math.max(0.02, end.share)),
    gap = gapAt(outlineAt(loft, s), x)
  return {
    at: placePoint(loft, x, gap ? (gap.lower + gap.upper) / 2 : 0, s, 1),
    foot: { surface: end.on, s },
  }
}

/** Sides on which a strut stands. */
export const strutSides = ({ pair }: Strut): ReadonlyArray<1 | -1> => (pair ? [1, -1] : [1])

/** A root this near to the skin of a body, or to a boom, is glued to it, mm. */
const TOUCHES = 4

/** Is the root of a wing in the body or against it, or on a boom? Then that holds it; else struts must. */
export function rootHeld(loft: SurfaceLoft, body: BodyLoft | null, boom: HeldBoom | null): boolean {
  const { lead, chord } = loft.stations[0],
    outline = outlineAt(loft, 0),
    x = lead + 0.3 * chord,
    gap = gapAt(outline, x)
  const [, y, z] = placePoint(loft, x, gap ? (gap.lower + gap.upper) / 2 : 0, 0, 1),
    half = gap ? (gap.upper - gap.lower) / 2 : 0
  const reaches = (from: number, to: number) => lead < to && lead + chord > from
  if (body && reaches(body.from, body.to)) {
    const own = body.at(Math.min(body.to, Math.max(body.from, x)))
    if (
      Math.abs(z - own.z) <= own.height / 2 + half + TOUCHES &&
      Math.abs(y) <= own.width / 2 + half + TOUCHES
    )
      return true
  }
  if (!boom || !reaches(boom.boom.fromMm, boom.boom.toMm)) return false
  const radius = boom.stock.heightMm / 2
  return Math.hypot(Math.abs(y) - boom.boom.yMm, z - boom.boom.zMm) <= radius + half + TOUCHES
}
