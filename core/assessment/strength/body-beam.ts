/** The body as a beam with holes, and the wing's hold on it. SI inside. */
import { bodyOutlineAt, zoneOr, type BodyLoft } from '../../geometry'
import type { Body, Zone } from '../../document'
import type { MassEntry } from '../../mass'
import {
  beadOf,
  bendingStiffness,
  curvatures,
  POISSON,
  printedMaterial,
  SHELL_KNOCKDOWN as SHELL_SHARE,
  type ThinWalled,
} from '../../structure'
import { GRAVITY, mmToM, q, say } from '../../units'
import type { Airframe } from '../resolve'
import type { GearReport, PlaceReport } from '../report'

type Opening = Body['openings'][number]

/**
 * Stress at the corner of a cut-out over that beside it: a rounded rectangle with its corners a fifth of its
 * width.
 */
const CORNER = 2.5
/** A free edge buckles like a plate held on one side: k. */
const EDGE_FACTOR = 0.43
/** Half the stretch that a belly lies on, share of the body's length. */
const CONTACT = 0.2
/**
 * A section of the body that the landing bends: where, what it bears there at most, N·m, and how it gives out
 * first.
 */
export interface BodyStation {
  xMm: number
  opening: Opening | null
  zone: Zone
  bears: number
  mode: string
}

/**
 * Sections at the openings' ends and middles and wherever the body's shape breaks; what they bear knows
 * nothing of masses.
 */
export function bodyStations(airframe: Airframe): BodyStation[] {
  const { body, doc } = airframe
  if (!body || !doc.body) return []
  const openings = doc.body.openings.filter(opening => opening.toMm > body.from && opening.fromMm < body.to)
  const stations = [
    ...openings.flatMap(o =>
      [o.fromMm + 0.5, (o.fromMm + o.toMm) / 2, o.toMm - 0.5].map(x => ({ x, opening: o })),
    ),
    ...body.breaks.slice(1, -1).map(x => ({ x, opening: null })),
  ].filter(({ x }) => x > body.from + 2 && x < body.to - 2)
  return stations.map(({ x, opening }): BodyStation => {
    const zone = zoneOr(doc.zones, body.zoneAt(x)),
      filament = airframe.warm.filamentOf(zone)
    const plastic = printedMaterial({ ...zone.recipe, stance: 'standing' }, filament),
      wall = zone.recipe.walls * beadOf(zone.recipe, filament)
    const cut = openings.filter(o => x > o.fromMm && x < o.toMm)
    const section = shellSection(bodyOutlineAt(body, x), body.at(x).z, cut, plastic.modulus * wall)
    const stiff = bendingStiffness(section)
    // Under 1 N·m. Ends that are braked from below hang down: the top is stretched.
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
    const tension = plastic.tension / (plastic.modulus * most * (opening ? CORNER : 1))
    const { width, height } = body.at(x),
      radius = mmToM(width + height) / 4
    // A flat strip held on one side, and half the help that the curve of a whole shell gives.
    const edge =
      ((EDGE_FACTOR * Math.PI ** 2) / (12 * (1 - POISSON ** 2))) * (wall / mmToM(0.35 * height)) ** 2 +
      (0.5 * SHELL_SHARE * wall) / (radius * Math.sqrt(3 * (1 - POISSON ** 2)))
    const [mode, bears] = (
      [
        [opening ? 'corner of a hatch' : 'body in bending', tension],
        ['edge of a hatch buckles', opening ? edge / -least : Infinity],
        ['body crushed', plastic.compression / (plastic.modulus * -least)],
      ] as Array<[string, number]>
    ).reduce((a, b) => (b[1] < a[1] ? b : a))
    return { xMm: x, opening, zone, bears, mode }
  })
}

/**
 * Stretch over which the ground holds the body, m: legs push at one place; a belly lies on the ground round
 * the CG.
 */
export const contactLength = (body: BodyLoft, gear: Pick<GearReport, 'on'>): number =>
  gear.on === 'legs' ? 1e-3 : CONTACT * mmToM(body.to - body.from)

/**
 * Moment of the landing at a place of the body, N·m: `beyond` is Σm·|x − at| of all that lies beyond it as
 * seen from the CG, kg·m.
 */
export function landingMoment(
  at: number,
  cg: number,
  mass: number,
  beyond: number,
  contact: number,
  factor: number,
): number {
  const lain = Math.max(0, contact - Math.abs(at - cg))
  return factor * GRAVITY * Math.max(0, beyond - (mass * lain * lain) / (4 * contact))
}

/** Body sections with openings cut out, under the landing's braking of what lies beyond them. */
export function bodyPlaces(
  airframe: Airframe,
  entries: readonly MassEntry[],
  cg: number,
  gear: GearReport,
): PlaceReport[] {
  const { body, doc } = airframe
  if (!body || !doc.body || gear.on === 'net') return []
  const safety = doc.brief.safetyFactor,
    n = gear.factor
  const mass = entries.reduce((sum, entry) => sum + entry.mass, 0),
    contact = contactLength(body, gear)
  const places = bodyStations(airframe).map(({ xMm, opening, zone, bears, mode }): PlaceReport => {
    const at = mmToM(xMm),
      ahead = at < cg
    const beyond = entries
      .filter(entry => (ahead ? entry.x < at : entry.x > at))
      .reduce((sum, entry) => sum + entry.mass * Math.abs(entry.x - at), 0)
    const moment = landingMoment(at, cg, mass, beyond, contact, n)
    return {
      id: `body-${Math.round(xMm)}`,
      part: 'body',
      label: opening ? opening.name : 'Body',
      xMm,
      mode,
      gives: 'plastic',
      case: 'landing',
      reserve: placeReserve(bears, moment * safety),
      words: say`${q(moment, 'N·m', 2)} × ${safety} at ${q(n, 'gₙ', 1)}`,
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

/** The skin's outline as walls; those inside an opening are left out. y to starboard, z up. */
function shellSection(
  outline: Float64Array,
  middle: number,
  openings: ReadonlyArray<{ side: string; widthMm: number }>,
  Et: number,
): ThinWalled {
  const count = outline.length / 2
  const x = Array.from({ length: count }, (_, i) => mmToM(outline[2 * i])),
    y = Array.from({ length: count }, (_, i) => mmToM(outline[2 * i + 1]))
  const open = (a: number, b: number) => {
    const py = (outline[2 * a] + outline[2 * b]) / 2,
      pz = (outline[2 * a + 1] + outline[2 * b + 1]) / 2
    return openings.some(
      ({ side, widthMm }) =>
        (side === 'top' && pz > middle && Math.abs(py) < widthMm / 2) ||
        (side === 'bottom' && pz < middle && Math.abs(py) < widthMm / 2) ||
        (side === 'starboard' && py > 0 && Math.abs(pz - middle) < widthMm / 2) ||
        (side === 'port' && py < 0 && Math.abs(pz - middle) < widthMm / 2),
    )
  }
  const walls = Array.from({ length: count }, (_, i) => ({ a: i, b: (i + 1) % count, Et, Gt: 0 })).filter(
    ({ a, b }) => !open(a, b),
  )
  return { x, y, walls, spars: [] }
}
