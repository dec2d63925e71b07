/**
 * What a section of the body bears: a thin shell with hatches and the wing's seat cut out of it. SI inside, places in
 * mm.
 */
import type { Body, Zone } from '../../document'
import {
  bodyOutlineAt,
  holdsPoint,
  polygonPerimeter,
  type BodyLoft,
  type DuctLoft,
  type Slot,
} from '../../geometry'
import type { Filament } from '../../libraries'
import { memoise } from '../../memo'
import {
  beadOf,
  bendingStiffness,
  curvatures,
  outstandWidth,
  POISSON,
  printedMaterial,
  SHELL_KNOCKDOWN as SHELL_SHARE,
  type ThinWalled,
} from '../../structure'
import { mmToM, mToMm } from '../../units'

type Opening = Body['openings'][number]

/**
 * Stress at the corner of a cut-out over that beside it: a rounded rectangle with its corners a fifth of its
 * width.
 */
const CORNER = 2.5
/** A free edge buckles like a plate held on one side: k. */
const EDGE_FACTOR = 0.43

export type Way = 'hogging' | 'sagging' | 'stretched' | 'pressed'

export interface BodySection {
  /** Height of its own middle, mm. */
  middleMm: number
  /** N·m or N, by which way it is bent or drawn, and how it gives out first. */
  bears: Record<Way, number>
  modes: Record<Way, string>
}

/** Stations of several designs: what is tried beside the present one. */
const REMEMBERED = 96

/**
 * At `x` of a body with these openings, printed by a zone in a filament; a hatch is there where `hatched`. Between
 * `seatFrom` and `seatTo` the wing's seat takes the skin away; nowhere where the first is above the second. Known
 * again while the same shape is asked for. A duct takes the skin that it comes through, which is a hatch's mouth then;
 * its own walls help, and are not counted. Where slots for a tail part the skin, the stronger part counts alone: what
 * joins them lies before the slot and behind it.
 */
export const bodySection = memoise(
  (
    body: BodyLoft,
    openings: readonly Opening[],
    zone: Zone,
    filament: Filament,
    x: number,
    hatched: boolean,
    seatFrom: number,
    seatTo: number,
    duct: DuctLoft | null,
    ...slots: readonly Slot[]
  ): BodySection => {
    const outline = bodyOutlineAt(body, x)
    const plastic = printedMaterial(
        { ...zone.recipe, stance: 'standing' },
        filament,
        polygonPerimeter(outline),
      ),
      wall = zone.recipe.walls * beadOf(zone.recipe, filament)
    const cut = openings.filter(o => x > o.fromMm && x < o.toMm)
    const ways = duct?.outlinesAt(x) ?? [],
      slits = slots.flatMap(slot => slot.outlinesAt(x))
    const section = shellSection(outline, body.at(x).z, cut, [...ways, ...slits], plastic.modulus * wall, [
      seatFrom,
      seatTo,
    ])
    const mouth = mouthOf(
      hatched,
      ways.some(way => comesThrough(outline, way)),
      slits.length > 0,
    )
    const { width, height } = body.at(x),
      radius = mmToM(width + height) / 4
    // A flat strip held on one side, and half the help that the curve of a whole shell gives.
    const edge =
      ((EDGE_FACTOR * Math.PI ** 2) / (12 * (1 - POISSON ** 2))) * (wall / mmToM(0.35 * height)) ** 2 +
      (0.5 * SHELL_SHARE * wall) / (radius * Math.sqrt(3 * (1 - POISSON ** 2)))
    // Past its buckling it carries beside the corner alone, until what is left is crushed (EN 1993-1-5, 4.4).
    const crushed = plastic.compression / plastic.modulus,
      collapses = crushed * outstandWidth(crushed / edge)
    // Of what stretches and presses by so much per unit of load.
    const gives = (stretch: number, press: number): [mode: string, bears: number] =>
      (
        [
          [
            mouth ? `corner of ${mouth}` : 'body in bending',
            plastic.tension / (plastic.modulus * stretch * (mouth ? CORNER : 1)),
          ],
          [`edge of ${mouth} collapses`, mouth ? collapses / press : Infinity],
          ['body crushed', crushed / press],
        ] as Array<[string, number]>
      ).reduce((a, b) => (b[1] < a[1] ? b : a))
    const waysOf = (part: ThinWalled) => {
      const stiff = bendingStiffness(part)
      // Under 1 N·m. Ends that hang down stretch the top.
      const { alongX, alongY } = curvatures(stiff, 1, 0)
      let most = 1e-12,
        least = -1e-12
      for (const { a, b } of part.walls) {
        for (const node of [a, b]) {
          const strain = alongX * (part.x[node] - stiff.x) + alongY * (part.y[node] - stiff.y)
          most = Math.max(most, strain)
          least = Math.min(least, strain)
        }
      }
      const along = 1 / Math.max(1e-12, stiff.EA)
      return {
        y: stiff.y,
        hogging: gives(most, -least),
        sagging: gives(-least, most),
        stretched: gives(along, 1e-12),
        pressed: gives(1e-12, along),
      }
    }
    const parts = (slits.length > 0 ? apart(section) : [section]).filter(({ walls }) => walls.length > 0)
    if (parts.length === 0) return NOTHING_LEFT
    const bent = parts.map(waysOf)
    const each = <T>(pick: (way: [string, number]) => T): Record<Way, T> => {
      const strongest = (way: Way) => pick(bent.map(own => own[way]).reduce((a, b) => (b[1] > a[1] ? b : a)))
      return {
        hogging: strongest('hogging'),
        sagging: strongest('sagging'),
        stretched: strongest('stretched'),
        pressed: strongest('pressed'),
      }
    }
    return {
      middleMm: mToMm(bent[0].y),
      bears: each(([, bears]) => bears),
      modes: each(([mode]) => mode),
    }
  },
  REMEMBERED,
)

const none = <T>(value: T): Record<Way, T> => ({
  hogging: value,
  sagging: value,
  stretched: value,
  pressed: value,
})
/** All of the skin is cut away. */
const NOTHING_LEFT: BodySection = { middleMm: 0, bears: none(1e-9), modes: none('nothing left of the body') }

/** What is cut out of the skin, worst first; null where it is whole. */
function mouthOf(hatched: boolean, ducted: boolean, slotted: boolean): string | null {
  if (hatched) return 'a hatch'
  if (ducted) return 'the duct'
  return slotted ? 'a slot' : null
}

/** Walls that hang together. */
function apart(section: ThinWalled): ThinWalled[] {
  const heads = section.x.map((_, i) => i)
  const head = (i: number): number => (heads[i] === i ? i : (heads[i] = head(heads[i])))
  for (const { a, b } of section.walls) heads[head(a)] = head(b)
  const groups = new Map<number, ThinWalled['walls'][number][]>()
  for (const wall of section.walls) groups.set(head(wall.a), [...(groups.get(head(wall.a)) ?? []), wall])
  return [...groups.values()].map(walls => ({ ...section, walls }))
}

/** Part of a straight wall, from 0 at its beginning to 1 at its end. */
type Part = readonly [from: number, to: number]

/** That of the stretch from a to b that lies between two bounds. */
function within(a: number, b: number, from: number, to: number): Part {
  if (Math.abs(b - a) < 1e-9) return a > from && a < to ? [0, 1] : [0, 0]
  const [p, q] = [(from - a) / (b - a), (to - a) / (b - a)]
  return [Math.max(0, Math.min(p, q)), Math.min(1, Math.max(p, q))]
}
const both = (a: Part, b: Part): Part => [Math.max(a[0], b[0]), Math.min(a[1], b[1])]
type Point = readonly [y: number, z: number]

/** Which parts of the straight wall from a to b lie inside of a loop. */
export function insideOf(loop: Float64Array, [ay, az]: Point, [by, bz]: Point): Part[] {
  const count = loop.length / 2,
    places = [0, 1]
  for (let i = 0, j = count - 1; i < count; j = i++) {
    const [py, pz] = [loop[2 * j], loop[2 * j + 1]],
      [ey, ez] = [loop[2 * i] - py, loop[2 * i + 1] - pz]
    const across = (by - ay) * ez - (bz - az) * ey
    if (across === 0) continue
    const t = ((py - ay) * ez - (pz - az) * ey) / across,
      s = ((py - ay) * (bz - az) - (pz - az) * (by - ay)) / across
    if (t > 0 && t < 1 && s >= 0 && s <= 1) places.push(t)
  }
  places.sort((p, q) => p - q)
  return places.slice(1).flatMap((to, i): Part[] => {
    const t = (places[i] + to) / 2
    return to > places[i] && holdsPoint(loop, ay + t * (by - ay), az + t * (bz - az)) ? [[places[i], to]] : []
  })
}

/** Does a duct take any of the skin? */
const comesThrough = (outline: Float64Array, duct: Float64Array): boolean => {
  for (let i = 0; i < outline.length; i += 2) if (holdsPoint(duct, outline[i], outline[i + 1])) return true
  for (let i = 0; i < duct.length; i += 2) if (!holdsPoint(outline, duct[i], duct[i + 1])) return true
  return false
}

/** What is left of a wall when parts of it are taken. */
function leftOf(taken: readonly Part[]): Part[] {
  const left: Part[] = []
  let from = 0
  for (const [start, end] of taken.filter(part => part[1] > part[0]).sort((a, b) => a[0] - b[0])) {
    if (start > from) left.push([from, start])
    from = Math.max(from, end)
  }
  return from < 1 ? [...left, [from, 1]] : left
}

/**
 * The skin's outline as walls, without what openings and the seat take: a wall that is cut ends where it is cut, so that
 * a mouth a little wider takes a little more. y to starboard, z up.
 */
function shellSection(
  outline: Float64Array,
  middle: number,
  openings: ReadonlyArray<Pick<Opening, 'side' | 'widthMm'>>,
  ducts: readonly Float64Array[],
  Et: number,
  seat: readonly [from: number, to: number],
): ThinWalled {
  const count = outline.length / 2
  const x = Array.from({ length: count }, (_, i) => mmToM(outline[2 * i])),
    y = Array.from({ length: count }, (_, i) => mmToM(outline[2 * i + 1]))
  const takenOf = (a: number, b: number): Part[] => {
    const [ya, za, yb, zb] = [outline[2 * a], outline[2 * a + 1], outline[2 * b], outline[2 * b + 1]]
    const openly = openings.map(({ side, widthMm }) => {
      const half = widthMm / 2,
        upright = side === 'top' || side === 'bottom',
        [near, far] = side === 'top' || side === 'starboard' ? [0, Infinity] : [-Infinity, 0]
      return upright
        ? both(within(ya, yb, -half, half), within(za, zb, middle + near, middle + far))
        : both(within(za, zb, middle - half, middle + half), within(ya, yb, near, far))
    })
    return [
      ...openly,
      ...ducts.flatMap(duct => insideOf(duct, [ya, za], [yb, zb])),
      ...(seat[1] > seat[0] ? [within(za, zb, ...seat)] : []),
    ]
  }
  const at = (a: number, b: number, share: number) => {
    if (share === 0) return a
    if (share === 1) return b
    x.push(x[a] + (x[b] - x[a]) * share)
    y.push(y[a] + (y[b] - y[a]) * share)
    return x.length - 1
  }
  const walls = Array.from({ length: count }, (_, a) => ({ a, b: (a + 1) % count })).flatMap(({ a, b }) =>
    leftOf(takenOf(a, b)).map(([from, to]) => ({ a: at(a, b, from), b: at(a, b, to), Et, Gt: 0 })),
  )
  return { x, y, walls, spars: [] }
}
