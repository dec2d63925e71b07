/**
 * A printed wheel: a rim that turns on its axle, and a tyre that is stretched over it. Both are bodies of revolution,
 * printed lying on their side.
 */
import type { Leg, PrintedWheel } from '../document'
import { meshPieces } from './given-piece'
import type { PieceShape } from './piece'
import type { TriangleMesh } from './triangle-mesh'

/** A point of a profile: radius and height over the bed, mm. */
type Turned = readonly [number, number]

/** Play round the axle, mm of radius: printed bores come out small. */
const BORE_PLAY_MM = 0.15
/** A rim keeps at least so much plastic round its bore, mm. */
export const LEAST_RIM_MM = 1.5
/** Flanges keep a tyre from running off: at most so high and so wide, mm. */
const FLANGE_HIGH_MM = 1.5,
  FLANGE_WIDE_MM = 1.2
/** A tyre is printed so much smaller than its seat, and sits by its own stretch. */
export const TYRE_STRETCH = 0.02
/** Sides of the polygon that a circle is printed as; it has the area of the circle. */
const SIDES = 96
/** Steps of half a crown. */
const CROWN_STEPS = 8

export interface WheelForm {
  wheelMm: number
  widthMm: number
  axleMm: number
  /** Of the tyre under its crown; 0 where it has none. */
  thickMm: number
}

export const wheelForm = (
  { wheelMm }: Pick<Leg, 'wheelMm'>,
  { widthMm, axleMm, thickMm, tyre }: PrintedWheel,
): WheelForm => ({
  wheelMm,
  widthMm,
  axleMm,
  thickMm: tyre === null ? 0 : thickMm,
})

/** Plastic between bore and tyre, mm; under `LEAST_RIM_MM` there is no such wheel. */
export const rimLeftMm = ({ wheelMm, axleMm, thickMm }: WheelForm): number =>
  wheelMm / 2 - thickMm - axleMm / 2 - BORE_PLAY_MM

/** How high and how wide the flanges are: less on a thin tyre, none on a wheel without one. */
function flangeOf({ widthMm, thickMm }: WheelForm): { high: number; wide: number } {
  const wide = Math.min(FLANGE_WIDE_MM, widthMm / 6)
  return { wide, high: Math.min(FLANGE_HIGH_MM, thickMm / 3, widthMm / 6) }
}

/** Counter-clockwise with the radius to the right and the height up: what is turned to the rim. */
export function rimProfile(form: WheelForm): Turned[] {
  const bore = form.axleMm / 2 + BORE_PLAY_MM,
    outer = form.wheelMm / 2 - form.thickMm,
    top = form.widthMm
  if (form.thickMm === 0) {
    // Its edges are broken, as far as it is wide enough for that.
    const edge = Math.min(1, top / 6, (outer - bore) / 4)
    return [
      [bore, 0],
      [outer - edge, 0],
      [outer, edge],
      [outer, top - edge],
      [outer - edge, top],
      [bore, top],
    ]
  }
  // A flange comes down to the seat at 45°, so that the upper one hangs over nothing.
  const { high, wide } = flangeOf(form)
  return [
    [bore, 0],
    [outer + high, 0],
    [outer + high, wide],
    [outer, wide + high],
    [outer, top - wide - high],
    [outer + high, top - wide],
    [outer + high, top],
    [bore, top],
  ]
}

/** The same of the tyre, as it comes off the bed: its seat is `TYRE_STRETCH` smaller than the rim's. */
export function tyreProfile(form: WheelForm): Turned[] {
  const { high, wide } = flangeOf(form)
  const seat = (form.wheelMm / 2 - form.thickMm) * (1 - TYRE_STRETCH)
  const height = form.widthMm - 2 * wide,
    side = seat + high,
    crown = form.wheelMm / 2 - side
  const outside = Array.from({ length: 2 * CROWN_STEPS + 1 }, (_, i): Turned => {
    const turn = Math.PI * (i / (2 * CROWN_STEPS) - 0.5)
    return [side + crown * Math.cos(turn), (height / 2) * (1 + Math.sin(turn))]
  })
  return [[seat, height - high], [seat, high], ...outside]
}

/** Millimetres cubed of a profile turned about the axis, after Pappus; exact for what is printed, too. */
export const turnedVolume = (profile: readonly Turned[]): number =>
  profile.reduce((sum, [r, z], i) => {
    const [s, w] = profile[(i + 1) % profile.length]
    // ∮ π r² dz along a straight edge.
    return sum + (Math.PI / 3) * (r * r + r * s + s * s) * (w - z)
  }, 0)

/** The closed mesh of a profile turned about the axis: rings of polygons that have the area of their circle. */
export function turned(profile: readonly Turned[]): TriangleMesh {
  const step = (2 * Math.PI) / SIDES,
    out = Math.sqrt(step / Math.sin(step))
  const positions = new Float32Array(3 * SIDES * profile.length),
    triangles = new Uint32Array(6 * SIDES * profile.length)
  profile.forEach(([r, z], i) => {
    const next = (i + 1) % profile.length
    for (let k = 0; k < SIDES; k++) {
      positions.set([out * r * Math.cos(k * step), out * r * Math.sin(k * step), z], 3 * (i * SIDES + k))
      const [a, b, c, d] = [
        i * SIDES + k,
        i * SIDES + ((k + 1) % SIDES),
        next * SIDES + ((k + 1) % SIDES),
        next * SIDES + k,
      ]
      triangles.set([a, b, c, a, c, d], 6 * (i * SIDES + k))
    }
  })
  return { positions, triangles }
}

export interface WheelShapes {
  rim: { mesh: TriangleMesh; height: number }
  tyre: { mesh: TriangleMesh; height: number } | null
}

/** Null where no rim is left between axle and tyre. */
export function wheelShapes(form: WheelForm): WheelShapes | null {
  if (rimLeftMm(form) < LEAST_RIM_MM) return null
  const of = (profile: Turned[]) => ({
    mesh: turned(profile),
    height: Math.max(...profile.map(([, z]) => z)),
  })
  return { rim: of(rimProfile(form)), tyre: form.thickMm > 0 ? of(tyreProfile(form)) : null }
}

/** What weighings, printers and steps call the pieces of a leg's wheel. */
export const wheelPrefix = ({ id }: Pick<Leg, 'id'>): string => `gear-${id}-`

/** Is a piece of a leg's wheel? The name of one leg may begin with that of another. */
export const isWheelOf = (leg: Pick<Leg, 'id'>, { id }: { id: string }): boolean =>
  id.startsWith(wheelPrefix(leg)) &&
  /^(rim|tyre|wheel)(-starboard|-port)?$/.test(id.slice(wheelPrefix(leg).length))

/** Rims and tyres of a leg, on the axle. `index`: which leg it is. */
export function wheelPieces(
  leg: Leg,
  wheel: PrintedWheel,
  { rim, tyre }: WheelShapes,
  index: number,
): PieceShape[] {
  const stands = {
    kind: 'wheel' as const,
    part: 'body' as const,
    lies: 'span' as const,
    xMm: leg.xMm,
    yMm: leg.yMm + leg.splayMm,
    zMm: leg.zMm - leg.dropMm,
    turnDeg: 0,
    pair: leg.pair,
  }
  const named = (what: string, zone: string, letter: string) => ({
    ...stands,
    zone,
    id: `${wheelPrefix(leg)}${what}`,
    name: `${leg.name}, ${what}`,
    mark: `${letter}${index + 1}`,
  })
  return [
    ...meshPieces(named(tyre ? 'rim' : 'wheel', wheel.zone, 'R'), rim),
    ...(tyre && wheel.tyre !== null ? meshPieces(named('tyre', wheel.tyre, 'Y'), tyre) : []),
  ]
}
