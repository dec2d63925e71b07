/** The body as a beam with holes, and the wing's hold on it. SI inside. */
import { bodyOutlineAt, polygonPerimeter, seatLine, wingSeat } from '../../geometry'
import type { Body, Zone } from '../../document'
import type { MassEntry } from '../../mass'
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
import { mmToM, mToMm, q, say } from '../../units'
import type { Designed } from '../resolve'
import type { PlaceReport } from '../report'
import {
  beyondOf,
  bodyCases,
  bodyReserve,
  caseWords,
  type BodyBears,
  type BodyForces,
  type BodyLoad,
} from './body-cases'
import { weakerInStillAir } from './still-air'

type Opening = Body['openings'][number]

/**
 * Stress at the corner of a cut-out over that beside it: a rounded rectangle with its corners a fifth of its
 * width.
 */
const CORNER = 2.5
/** A free edge buckles like a plate held on one side: k. */
const EDGE_FACTOR = 0.43
/** Just inside of what is cut out, mm. */
const INSIDE = 0.5
/** A section of the body: where, the height of its own middle, mm, what it bears, and how it gives out first. */
export interface BodyStation {
  xMm: number
  middleMm: number
  opening: Opening | null
  zone: Zone
  bears: BodyBears
  modes: Record<Exclude<keyof BodyBears, 'launch'>, string>
}

/**
 * Sections at the openings' ends and middles and wherever the body's shape breaks; what they bear knows
 * nothing of masses.
 */
export function bodyStations(airframe: Designed): BodyStation[] {
  const { body, doc } = airframe
  if (!body || !doc.body) return []
  const openings = doc.body.openings.filter(opening => opening.toMm > body.from && opening.fromMm < body.to)
  const stations = [
    ...openings.flatMap(o =>
      [o.fromMm + INSIDE, (o.fromMm + o.toMm) / 2, o.toMm - INSIDE].map(x => ({ x, opening: o })),
    ),
    ...body.breaks.slice(1, -1).map(x => ({ x, opening: null })),
    ...seatedAt(airframe).map(x => ({ x, opening: openings.find(o => x > o.fromMm && x < o.toMm) ?? null })),
  ].filter(({ x }) => x > body.from + 2 && x < body.to - 2)
  return stations.map(({ x, opening }): BodyStation => {
    const zone = airframe.zoneAt(body, x),
      filament = airframe.warm.filamentOf(zone)
    const outline = bodyOutlineAt(body, x)
    const plastic = printedMaterial(
        { ...zone.recipe, stance: 'standing' },
        filament,
        polygonPerimeter(outline),
      ),
      wall = zone.recipe.walls * beadOf(zone.recipe, filament)
    const cut = openings.filter(o => x > o.fromMm && x < o.toMm)
    const section = shellSection(outline, body.at(x).z, cut, plastic.modulus * wall, seatAt(airframe, x))
    const stiff = bendingStiffness(section)
    // Under 1 N·m. Ends that hang down stretch the top.
    const { alongX, alongY } = curvatures(stiff, 1, 0)
    let most = 1e-12,
      least = -1e-12
    for (const { a, b } of section.walls) {
      for (const node of [a, b]) {
        const strain = alongX * (section.x[node] - stiff.x) + alongY * (section.y[node] - stiff.y)
        most = Math.max(most, strain)
        least = Math.min(least, strain)
      }
    }
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
            opening ? 'corner of a hatch' : 'body in bending',
            plastic.tension / (plastic.modulus * stretch * (opening ? CORNER : 1)),
          ],
          ['edge of a hatch collapses', opening ? collapses / press : Infinity],
          ['body crushed', crushed / press],
        ] as Array<[string, number]>
      ).reduce((a, b) => (b[1] < a[1] ? b : a))
    const along = 1 / Math.max(1e-12, stiff.EA)
    const ways = {
      hogging: gives(most, -least),
      sagging: gives(-least, most),
      stretched: gives(along, 1e-12),
      pressed: gives(1e-12, along),
    }
    return {
      xMm: x,
      middleMm: mToMm(stiff.y),
      opening,
      zone,
      bears: {
        hogging: ways.hogging[1],
        sagging: ways.sagging[1],
        stretched: ways.stretched[1],
        pressed: ways.pressed[1],
        launch: 1 / weakerInStillAir(airframe, [airframe.filamentOf(zone).softeningC]),
      },
      modes: {
        hogging: ways.hogging[0],
        sagging: ways.sagging[0],
        stretched: ways.stretched[0],
        pressed: ways.pressed[0],
      },
    }
  })
}

/** Body sections with openings and the wing's seat cut out, each under the worst of the body's cases. */
export function bodyPlaces(
  airframe: Designed,
  entries: readonly MassEntry[],
  cg: number,
  forces: BodyForces,
): PlaceReport[] {
  const { body, doc } = airframe
  if (!body || !doc.body) return []
  const safety = doc.brief.safetyFactor
  const mass = entries.reduce((sum, entry) => sum + entry.mass, 0)
  const places = bodyStations(airframe).map(({ xMm, middleMm, opening, zone, bears, modes }): PlaceReport => {
    const at = mmToM(xMm)
    let worst: BodyLoad = { case: 'pull-up', moment: 0, axial: 0 },
      reserve = Infinity
    bodyCases(at, mmToM(middleMm), cg, mass, beyondOf(entries, at, cg), forces, (of, moment, axial) => {
      const own = bodyReserve(bears, of, moment * safety, axial * safety)
      if (own >= reserve) return
      reserve = own
      worst = { case: of, moment, axial }
    })
    const { moment, axial } = worst
    const bent = moment > 0 ? 'hogging' : 'sagging',
      drawn = axial > 0 ? 'stretched' : 'pressed'
    return {
      id: `body-${Math.round(xMm)}`,
      part: 'body',
      label: opening ? opening.name : 'Body',
      xMm,
      mode: modes[Math.abs(moment) / bears[bent] >= Math.abs(axial) / bears[drawn] ? bent : drawn],
      gives: 'plastic',
      case: worst.case,
      reserve,
      words: say`${q(Math.abs(moment), 'N·m', 2)}${axial === 0 ? '' : say` and ${q(Math.abs(axial), 'N', 0)} along it`} × ${safety} ${caseWords(worst, forces)}`,
      remedy: opening ? 'another bead in this zone, or a smaller hatch' : 'another bead in this zone',
      subject: opening?.id ?? zone.id,
    }
  })
  // One place an opening: the worst of its front, middle and rear.
  return places.filter(
    place =>
      !places.some(
        other =>
          other.subject === place.subject &&
          other.label === place.label &&
          place.label !== 'Body' &&
          (other.reserve < place.reserve || (other.reserve === place.reserve && other.xMm < place.xMm)),
      ),
  )
}

/** Of a place: what it bears over what acts there; more than 10⁴ is as good as nothing acting. */
export const placeReserve = (bears: number, acts: number): number =>
  Math.min(1e4, bears / Math.max(1e-12, acts))

/** Part of a straight wall, from 0 at its beginning to 1 at its end. */
type Part = readonly [from: number, to: number]

/** That of the stretch from a to b that lies between two bounds. */
function within(a: number, b: number, from: number, to: number): Part {
  if (Math.abs(b - a) < 1e-9) return a > from && a < to ? [0, 1] : [0, 0]
  const [p, q] = [(from - a) / (b - a), (to - a) / (b - a)]
  return [Math.max(0, Math.min(p, q)), Math.min(1, Math.max(p, q))]
}
const both = (a: Part, b: Part): Part => [Math.max(a[0], b[0]), Math.min(a[1], b[1])]
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
 * Where the section is least under the wing: a quarter of the chord from either end of its seat; and just inside of
 * both ends, where a hatch may reach under it.
 */
function seatedAt({ doc, wing, body }: Designed): number[] {
  if (!doc.body?.saddle || !body) return []
  const seat = wingSeat(wing),
    { lead, chord } = seat,
    { from, to } = seatLine(body, seat, doc.body.saddle)
  return [from + INSIDE, lead + chord / 4, lead + (3 * chord) / 4, to - INSIDE]
}

/** Heights between which the wing's seat takes the skin away at a place; null where there is none. */
function seatAt({ doc, wing, body }: Designed, x: number): { from: number; to: number } | null {
  if (!doc.body?.saddle || !body) return null
  const seat = seatLine(body, wingSeat(wing), doc.body.saddle)
  if (x < seat.from || x > seat.to) return null
  return seat.high ? { from: seat.at(x), to: Infinity } : { from: -Infinity, to: seat.at(x) }
}

/**
 * The skin's outline as walls, without what openings and the seat take: a wall that is cut ends where it is cut, so that
 * a mouth a little wider takes a little more. y to starboard, z up.
 */
function shellSection(
  outline: Float64Array,
  middle: number,
  openings: ReadonlyArray<Pick<Opening, 'side' | 'widthMm'>>,
  Et: number,
  seat: { from: number; to: number } | null,
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
    return seat ? [...openly, within(za, zb, seat.from, seat.to)] : openly
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
