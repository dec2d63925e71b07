/** The body as a beam with holes, and the wing's hold on it. SI inside. */
import { seatLine, wingSeat } from '../../geometry'
import type { Body, Zone } from '../../document'
import type { MassEntry } from '../../mass'
import { mmToM, q, say } from '../../units'
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
import { bodySection, type Way } from './body-section'
import { weakerInStillAir } from './still-air'

type Opening = Body['openings'][number]

/** Just inside of what is cut out, mm. */
const INSIDE = 0.5
/** A section of the body: where, the height of its own middle, mm, what it bears, and how it gives out first. */
export interface BodyStation {
  xMm: number
  middleMm: number
  opening: Opening | null
  zone: Zone
  bears: BodyBears
  modes: Record<Way, string>
}

/**
 * Sections at the openings' ends and middles and wherever the body's shape breaks; what they bear knows
 * nothing of masses.
 */
export function bodyStations(airframe: Designed): BodyStation[] {
  const { body, doc } = airframe
  if (!body || !doc.body) return []
  const { openings } = doc.body,
    here = openings.filter(opening => opening.toMm > body.from && opening.fromMm < body.to)
  const stations = [
    ...here.flatMap(o =>
      [o.fromMm + INSIDE, (o.fromMm + o.toMm) / 2, o.toMm - INSIDE].map(x => ({ x, opening: o })),
    ),
    ...body.breaks.slice(1, -1).map(x => ({ x, opening: null })),
    ...mouthsOf(airframe).map(x => ({ x, opening: here.find(o => x > o.fromMm && x < o.toMm) ?? null })),
    ...seatedAt(airframe).map(x => ({ x, opening: here.find(o => x > o.fromMm && x < o.toMm) ?? null })),
  ].filter(({ x }) => x > body.from + 2 && x < body.to - 2)
  return stations.map(({ x, opening }): BodyStation => {
    const zone = airframe.zoneAt(body, x)
    const section = bodySection(
      body,
      openings,
      zone,
      airframe.warm.filamentOf(zone),
      x,
      opening !== null,
      ...seatAt(airframe, x),
      airframe.duct,
      ...Object.values(airframe.slots),
    )
    return {
      ...section,
      xMm: x,
      opening,
      zone,
      bears: {
        ...section.bears,
        launch: 1 / weakerInStillAir(airframe, [airframe.filamentOf(zone).softeningC]),
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

/**
 * Where skin may be missing: along a duct at its own stations and the middles between them, along a slot at its middle
 * and just inside of its ends.
 */
const mouthsOf = ({ duct, slots }: Designed): number[] => [
  ...(duct ? duct.breaks.flatMap((at, i, all) => (i === 0 ? [at] : [(all[i - 1] + at) / 2, at])) : []),
  ...Object.values(slots).flatMap(({ from, to }) => [from + INSIDE, (from + to) / 2, to - INSIDE]),
]

/** Heights between which the wing's seat takes the skin away at a place; from above to below where there is none. */
function seatAt({ doc, wing, body }: Designed, x: number): [from: number, to: number] {
  if (!doc.body?.saddle || !body) return NO_SEAT
  const seat = seatLine(body, wingSeat(wing), doc.body.saddle)
  if (x < seat.from || x > seat.to) return NO_SEAT
  return seat.high ? [seat.at(x), Infinity] : [-Infinity, seat.at(x)]
}
const NO_SEAT: [number, number] = [Infinity, -Infinity]
