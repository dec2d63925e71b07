/** The body as a beam with holes, and the wing's hold on it. SI inside. */
import { bodyOutlineAt, BOLT, wingBoltPlaces, wingSeat, zoneOr } from '../geometry'
import type { MassEntry } from '../mass'
import { beadOf, bendingStiffness, curvatures, POISSON, printedMaterial, SHELL_KNOCKDOWN as SHELL_SHARE, type ThinWalled } from '../structure'
import { GRAVITY, mmToM } from '../units'
import type { Airframe } from './airframe'
import type { GearReport, PlaceReport } from './structure-types'

/** Stress at the corner of a cut-out over that beside it: a rounded rectangle with its corners a fifth of its width. */
const CORNER = 2.5
/** A free edge buckles like a plate held on one side: k. */
const EDGE_FACTOR = 0.43
/** Half the stretch that a belly lies on, share of the body's length. */
const CONTACT = 0.2
/** A cross beam that takes a wing bolt: depth and width of solid plastic, m. */
const BEAM = { depth: 0.008, width: mmToM(BOLT.boss) }

/** Body sections with openings cut out, under the landing's braking of what lies beyond them. */
export function bodyPlaces(airframe: Airframe, entries: readonly MassEntry[], cg: number, gear: GearReport): PlaceReport[] {
  const { body, doc } = airframe
  if (!body || !doc.body || gear.on === 'net') return []
  const factor = doc.brief.safetyFactor, n = gear.factor
  const mass = entries.reduce((sum, entry) => sum + entry.mass, 0)
  // Legs push at one place; a belly lies on the ground over a stretch round the CG.
  const contact = gear.on === 'legs' ? 1e-3 : CONTACT * mmToM(body.to - body.from)
  const openings = doc.body.openings.filter(opening => opening.toMm > body.from && opening.fromMm < body.to)
  const stations = [...openings.flatMap(o => [o.fromMm + 0.5, (o.fromMm + o.toMm) / 2, o.toMm - 0.5].map(x => ({ x, opening: o }))), ...body.breaks.slice(1, -1).map(x => ({ x, opening: null }))]
    .filter(({ x }) => x > body.from + 2 && x < body.to - 2)
  const places = stations.map(({ x, opening }): PlaceReport => {
    const at = mmToM(x), ahead = at < cg
    const beyond = entries.filter(entry => (ahead ? entry.x < at : entry.x > at)).reduce((sum, entry) => sum + entry.mass * Math.abs(entry.x - at), 0)
    const lain = Math.max(0, contact - Math.abs(at - cg))
    const moment = n * GRAVITY * Math.max(0, beyond - (mass * lain * lain) / (4 * contact))
    const zone = zoneOr(doc.zones, body.zoneAt(x)), filament = airframe.filamentOf(zone)
    const plastic = printedMaterial({ ...zone.recipe, stance: 'standing' }, filament), wall = zone.recipe.walls * beadOf(zone.recipe, filament)
    const cut = openings.filter(o => x > o.fromMm && x < o.toMm)
    const section = shellSection(bodyOutlineAt(body, x), body.at(x).z, cut, plastic.modulus * wall)
    const stiff = bendingStiffness(section)
    // Ends that are braked from below hang down: the top is stretched.
    const { alongX, alongY } = curvatures(stiff, moment * factor, 0)
    let most = 1e-12, least = -1e-12
    for (const { a, b } of section.walls) {
      for (const node of [a, b]) {
        const strain = alongX * (section.x[node] - stiff.x) + alongY * (section.y[node] - stiff.y)
        most = Math.max(most, strain)
        least = Math.min(least, strain)
      }
    }
    const stressed = opening ? CORNER : 1
    const tension = plastic.tension / (plastic.modulus * most * stressed)
    const { width, height } = body.at(x), radius = mmToM(width + height) / 4
    // A flat strip held on one side, and half the help that the curve of a whole shell gives.
    const edge = ((EDGE_FACTOR * Math.PI ** 2) / (12 * (1 - POISSON ** 2))) * (wall / mmToM(0.35 * height)) ** 2 + (0.5 * SHELL_SHARE * wall) / (radius * Math.sqrt(3 * (1 - POISSON ** 2)))
    const buckles = opening ? edge / -least : Infinity
    const compression = plastic.compression / (plastic.modulus * -least)
    const [mode, reserve] = ([[opening ? 'corner of a hatch' : 'body in bending', tension], ['edge of a hatch buckles', buckles], ['body crushed', compression]] as Array<[string, number]>).reduce((a, b) => (b[1] < a[1] ? b : a))
    return {
      id: `body-${Math.round(x)}`, part: 'body', label: opening ? opening.name : 'Body', xMm: x, mode, case: 'landing', reserve: Math.min(1e4, reserve), words: `${moment.toFixed(2)} N·m × ${factor} at ${n.toFixed(1)} g`, remedy: opening ? 'another bead in this zone, or a smaller hatch' : 'another bead in this zone', subject: opening?.id ?? zone.id,
    }
  })
  // One place an opening: the worst of its front, middle and rear.
  return places.filter(place => !places.some(other => other.subject === place.subject && other.label === place.label && place.label !== 'Body' && (other.reserve < place.reserve || (other.reserve === place.reserve && other.xMm < place.xMm))))
}

/** The skin's outline as walls; those inside an opening are left out. y to starboard, z up. */
function shellSection(outline: Float64Array, middle: number, openings: ReadonlyArray<{ side: string, widthMm: number }>, Et: number): ThinWalled {
  const count = outline.length / 2
  const x = Array.from({ length: count }, (_, i) => mmToM(outline[2 * i])), y = Array.from({ length: count }, (_, i) => mmToM(outline[2 * i + 1]))
  const open = (a: number, b: number) => {
    const py = (outline[2 * a] + outline[2 * b]) / 2, pz = (outline[2 * a + 1] + outline[2 * b + 1]) / 2
    return openings.some(({ side, widthMm }) => (side === 'top' && pz > middle && Math.abs(py) < widthMm / 2) || (side === 'bottom' && pz < middle && Math.abs(py) < widthMm / 2) || (side === 'starboard' && py > 0 && Math.abs(pz - middle) < widthMm / 2) || (side === 'port' && py < 0 && Math.abs(pz - middle) < widthMm / 2))
  }
  const walls = Array.from({ length: count }, (_, i) => ({ a: i, b: (i + 1) % count, Et, Gt: 0 })).filter(({ a, b }) => !open(a, b))
  return { x, y, walls, spars: [] }
}

/** Net lift that the wing hands to the body, N, and where it acts, m aft of the nose; what its own weight presses on the seat in a landing, N. */
export interface WingHold { lift: number, x: number, pressed: number }

/** The wing presses on the edges of its seat: the shell's walls on both sides, along the chord. */
export function seatPlaces({ body, doc, wing, filamentOf }: Airframe, hold: WingHold): PlaceReport[] {
  if (!body || !doc.body?.saddle || hold.pressed <= 0) return []
  const { lead, chord } = wingSeat(wing), xMm = lead + chord / 2
  const from = Math.max(lead, body.from), to = Math.min(lead + chord, body.to)
  if (to - from < 5) return []
  const zone = zoneOr(doc.zones, body.zoneAt(xMm)), filament = filamentOf(zone)
  const wall = zone.recipe.walls * beadOf(zone.recipe, filament)
  // Layers stand across the body there: pressed edgeways, along the bead.
  const holds = printedMaterial({ ...zone.recipe, stance: 'standing' }, filament).compression * 2 * wall * mmToM(to - from)
  return [{ id: 'wing-seat', part: 'body', label: 'Wing\'s seat', xMm, mode: 'edges of the seat crushed', case: 'landing', reserve: Math.min(1e4, holds / (hold.pressed * doc.brief.safetyFactor)), words: `${hold.pressed.toFixed(0)} N × ${doc.brief.safetyFactor}; its edges bear ${holds.toFixed(0)} N`, remedy: 'another bead in this zone', subject: 'seat' }]
}

/** Bolts share the wing's pull by their places; each pulls on a cross beam of solid plastic, held at both sides of the body. */
export function boltPlaces(airframe: Airframe, hold: WingHold): PlaceReport[] {
  const { body, doc, wing } = airframe
  const bolts = doc.body?.saddle?.bolts ?? 0
  if (!body || bolts === 0) return []
  const places = wingBoltPlaces(wingSeat(wing), bolts).map(mmToM)
  const middle = places.reduce((sum, x) => sum + x, 0) / bolts
  const spread = places.reduce((sum, x) => sum + (x - middle) ** 2, 0)
  const pulls = places.map(x => hold.lift / bolts + (spread > 0 ? (hold.lift * (hold.x - middle) * (x - middle)) / spread : 0))
  const factor = doc.brief.safetyFactor
  const most = pulls.reduce((best, pull, i) => (pull > pulls[best] ? i : best), 0)
  const xMm = 1000 * places[most]
  const zone = zoneOr(doc.zones, body.zoneAt(xMm)), filament = airframe.filamentOf(zone)
  const plastic = printedMaterial({ ...zone.recipe, stance: 'flat' }, filament)
  const width = mmToM(body.at(Math.min(body.to, Math.max(body.from, xMm))).width)
  // Simply held at both sides, the pull in the middle: σ = (F·W/4)/(b·d²/6).
  const holds = (plastic.tension * BEAM.width * BEAM.depth ** 2) / 6 / (width / 4)
  return [{ id: 'wing-bolt', part: 'body', label: 'Wing bolt', xMm, mode: 'beam under a wing bolt', case: 'pull-up', reserve: Math.min(1e4, holds / Math.max(1e-9, pulls[most] * factor)), words: `${pulls[most].toFixed(0)} N on one bolt × ${factor}; its beam bears ${holds.toFixed(0)} N`, remedy: bolts < 4 ? 'another wing bolt' : 'a stronger filament in this zone', subject: 'saddle' }]
}
