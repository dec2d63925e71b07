/** The body's hold on the wing: the seat that it is pressed on and the bolts that pull it down. SI inside. */
import type { Zone } from '../../document'
import { wingSeat, wingBoltPlaces, wingBolt } from '../../geometry'
import { beadOf, printedMaterial } from '../../structure'
import { mmToM, q, say } from '../../units'
import { placeReserve } from './body-beam'
import type { PlaceReport } from '../report'
import type { Designed } from '../resolve'

/**
 * Net lift that the wing hands to the body, N, and its moment about the nose, N·m; what its own weight presses on
 * the seat in a landing, N.
 */
export interface WingHold {
  lift: number
  moment: number
  pressed: number
}

/**
 * What presses and pulls on a body by its wing, N, where it bears `bears`; null where there is no such place.
 */
export interface HeldPlace {
  xMm: number
  zone: Zone
  bears: number
}

/** The edges of the wing's seat: the shell's walls on both sides, along the chord. */
export function seatOf(airframe: Designed): HeldPlace | null {
  const { body, doc, wing, warm } = airframe
  if (!body || !doc.body?.saddle) return null
  const { lead, chord } = wingSeat(wing),
    xMm = lead + chord / 2
  const from = Math.max(lead, body.from),
    to = Math.min(lead + chord, body.to)
  if (to - from < 5) return null
  const zone = airframe.zoneAt(body, xMm),
    filament = warm.filamentOf(zone)
  const wall = zone.recipe.walls * beadOf(zone.recipe, filament)
  // Layers stand across the body there: pressed edgeways, along the bead.
  return {
    xMm,
    zone,
    bears:
      printedMaterial({ ...zone.recipe, stance: 'standing' }, filament).compression *
      2 *
      wall *
      mmToM(to - from),
  }
}

export function seatPlaces(airframe: Designed, hold: WingHold): PlaceReport[] {
  const seat = hold.pressed > 0 ? seatOf(airframe) : null,
    factor = airframe.doc.brief.safetyFactor
  return seat
    ? [
        {
          id: 'wing-seat',
          part: 'body',
          label: "Wing's seat",
          xMm: seat.xMm,
          mode: 'edges of the seat crushed',
          gives: 'plastic',
          case: 'landing',
          reserve: placeReserve(seat.bears, hold.pressed * factor),
          words: say`${q(hold.pressed, 'N', 0)} × ${factor}; its edges bear ${q(seat.bears, 'N', 0)}`,
          remedy: 'another bead in this zone',
          subject: 'seat',
        },
      ]
    : []
}

/** Bolts share the wing's pull by their places, N: the place of the one that pulls most, m, and its pull. */
export function boltPull(
  { body, doc, wing }: Designed,
  hold: Pick<WingHold, 'lift' | 'moment'>,
): { x: number; pull: number } | null {
  const bolts = doc.body?.saddle?.bolts ?? 0
  if (!body || bolts === 0) return null
  const places = wingBoltPlaces(wingSeat(wing), bolts).map(mmToM)
  const middle = places.reduce((sum, x) => sum + x, 0) / bolts
  const spread = places.reduce((sum, x) => sum + (x - middle) ** 2, 0)
  return places
    .map(x => ({
      x,
      pull:
        hold.lift / bolts + (spread > 0 ? ((hold.moment - hold.lift * middle) * (x - middle)) / spread : 0),
    }))
    .reduce((a, b) => (b.pull > a.pull ? b : a))
}

/**
 * A bolt pulls on a cross beam of solid plastic, held at both sides of the body, the pull in the middle: σ =
 * (F·W/4)/(b·d²/6).
 */
export function beamUnder(airframe: Designed, x: number): HeldPlace {
  const { body, doc, warm } = airframe
  const { boss, beam } = wingBolt(doc.body!.saddle!.boltMm),
    xMm = 1000 * x,
    zone = airframe.zoneAt(body!, xMm)
  const plastic = printedMaterial({ ...zone.recipe, stance: 'flat' }, warm.filamentOf(zone))
  const width = mmToM(body!.at(Math.min(body!.to, Math.max(body!.from, xMm))).width)
  return { xMm, zone, bears: (plastic.tension * mmToM(boss) * mmToM(beam) ** 2) / 6 / (width / 4) }
}

export function boltPlaces(airframe: Designed, hold: WingHold): PlaceReport[] {
  const most = boltPull(airframe, hold),
    { brief, body } = airframe.doc
  if (!most) return []
  const { xMm, bears } = beamUnder(airframe, most.x),
    factor = brief.safetyFactor
  return [
    {
      id: 'wing-bolt',
      part: 'body',
      label: 'Wing bolt',
      xMm,
      mode: 'beam under a wing bolt',
      gives: 'plastic',
      case: 'pull-up',
      reserve: placeReserve(bears, most.pull * factor),
      words: say`${q(most.pull, 'N', 0)} on one bolt × ${factor}; its beam bears ${q(bears, 'N', 0)}`,
      remedy: (body?.saddle?.bolts ?? 0) < 4 ? 'another wing bolt' : 'a stronger filament in this zone',
      subject: 'saddle',
    },
  ]
}
