/** Places off the wing that carry, tabulated by the options of the zone that each is printed in. SI. */
import { surfaceOf } from '../../document'
import { MASS, MOMENT, readBeyond, WHIP } from './sums'
import type { Tables } from './tables'
import type { WingState } from './wing-classes'
import type { Airframe } from '../../assessment/resolve'
import {
  beamUnder,
  seatOf,
  bodyStations,
  bodyCases,
  bodyForces,
  bodyReserve,
  contactLength,
  placeReserve,
  type BodyBears,
  boomFrame,
  boomReserves,
  borneBehind,
  hungOf,
  liftedBehind,
  whipOf,
  type BoomFrame,
  createTailSurfaces,
  tailPlaces,
  TAILS,
  type TailHeld,
} from '../../assessment/strength'
import type { SolvedFlight } from '../../assessment/flight'
import type { Gives } from '../../structure'
import { SPREAD_OF } from '../../assessment/findings'
import { mmToM } from '../../units'

/** Least reserve of all places, and the spread of the mode that decides. */
export interface Held {
  reserve: number
  spread: number
}

/** A figure by the options of one zone; `dim` is −1 where the zone does not vary. */
interface ByOption {
  dim: number
  values: Float64Array
}
const at = ({ dim, values }: ByOption, picks: ArrayLike<number>): number => values[dim < 0 ? 0 : picks[dim]]

export interface HeldInput {
  tables: Tables
  flight: SolvedFlight
  alphaStall: number
  landsOn: 'legs' | 'belly' | 'net'
}

export function heldPlaces({
  tables,
  flight,
  alphaStall,
  landsOn,
}: HeldInput): (sums: Float64Array, picks: ArrayLike<number>, wing: WingState, out: Held) => void {
  const { list, doc, layout } = tables
  const first = tables.airframeAt(list.map(() => 0))
  const byOption = (zone: string, value: (airframe: Airframe) => number): ByOption => {
    const dim = list.findIndex(item => item.key === `zone:${zone}`)
    return {
      dim,
      values:
        dim < 0
          ? Float64Array.of(value(first))
          : Float64Array.from(list[dim].options, (_, i) =>
              value(tables.airframeAt(list.map((__, k) => (k === dim ? i : 0)))),
            ),
    }
  }
  const safety = doc.brief.safetyFactor,
    { body } = first
  const stations = bodyStations(first)
  const bears = bearsOf(
    stations.map(station => station.zone.id),
    tables,
  )
  const forces = {
    ...bodyForces(first, flight, body ? contactLength(body, { on: landsOn }) : 0, alphaStall),
    n: 1,
    least: 0,
    factor: 0,
  }
  const beyond = { moment: 0, mass: 0, rise: 0 }
  const holder = first.boom?.holder
  const rear = holder ? first.zoneAt(holder, holder.to - 1).id : doc.zones[0].id
  const frame = boomFrame(first)
  // The tube itself and its socket in the print, apart: their scatter differs.
  const least = (own: BoomFrame, load: { moment: number; shear: number; torque: number }, gives: Gives) => {
    const { bending, flattening, shear, socket } = boomReserves(own, load, safety)
    return gives === 'plastic' ? socket : Math.min(bending, flattening, shear)
  }
  const second = borneBehind(first, flight, alphaStall),
    standsAt = (frame && liftedBehind(frame, second, 1, 1)?.arm) ?? 0
  const booms = !frame
    ? []
    : (['stock', 'plastic'] as const).map(gives => ({
        gives,
        flown: byOption(rear, airframe =>
          boomFrame(airframe)!.cases.reduce(
            (worst, load) => Math.min(worst, least(boomFrame(airframe)!, load, gives)),
            1e4,
          ),
        ),
        // Everything that 1 N at its end does grows with it.
        pushed: byOption(rear, airframe =>
          least(boomFrame(airframe)!, { moment: frame.length, shear: 1, torque: 0 }, gives),
        ),
        // The same where a second wing stands on it.
        lifted: byOption(rear, airframe =>
          least(boomFrame(airframe)!, { moment: standsAt, shear: 1, torque: 0 }, gives),
        ),
      }))
  const tails = tailTables(tables)
  const seat = seatOf(first),
    seatBears = seat && byOption(seat.zone.id, airframe => seatOf(airframe)!.bears)
  const beams = new Map<number, ByOption>()
  const beamAt = (x: number): ByOption => {
    const known =
      beams.get(x) ?? byOption(beamUnder(first, x).zone.id, airframe => beamUnder(airframe, x).bears)
    beams.set(x, known)
    return known
  }
  return (sums, picks, wing, out) => {
    const mass = sums[MASS],
      cg = sums[MOMENT] / mass
    let reserve = 1e4,
      spread = SPREAD_OF.plastic
    forces.n = wing.n
    forces.least = wing.least
    if (forces.wings.length === 2) {
      forces.wings[0].share = wing.firstShare
      forces.wings[1].share = wing.secondShare
    }
    forces.factor = landsOn === 'net' ? 0 : wing.factor
    for (let j = 0; j < stations.length; j++) {
      const x = layout.body[j],
        { dim, values } = bears[j],
        own = values[dim < 0 ? 0 : picks[dim]]
      readBeyond(sums, layout, j, x < cg, beyond)
      bodyCases(x, mmToM(stations[j].middleMm), cg, mass, beyond, forces, (of, moment, axial) => {
        const borne = bodyReserve(own, of, moment * safety, axial * safety)
        if (borne < reserve) reserve = borne
      })
    }
    if (wing.pull > 0)
      reserve = Math.min(reserve, placeReserve(at(beamAt(wing.boltX), picks), wing.pull * safety))
    if (seatBears && wing.pressed > 0)
      reserve = Math.min(reserve, placeReserve(at(seatBears, picks), wing.pressed * safety))
    for (const tail of tails) {
      const own = tail(picks)
      if (own.reserve < reserve) {
        reserve = own.reserve
        spread = own.spread
      }
    }
    for (const { gives, flown, pushed, lifted } of booms) {
      const whip = landsOn === 'net' ? 0 : whipOf(frame!, sums[WHIP], wing.factor, doc.brief.dropMm).force
      const force = Math.max(whip, hungOf(frame!, sums[WHIP], wing.n)),
        borne =
          liftedBehind(frame!, second && { ...second, share: wing.secondShare }, mass, wing.n)?.force ?? 0
      const boom = Math.min(
        at(flown, picks),
        at(pushed, picks) / Math.max(1e-12, force),
        at(lifted, picks) / Math.max(1e-12, borne),
      )
      if (boom < reserve) {
        reserve = boom
        spread = SPREAD_OF[gives]
      }
    }
    out.reserve = reserve
    out.spread = spread
  }
}

/** What every body station bears, by the options of its zone: one airframe for each option of each zone. */
function bearsOf(
  zones: readonly string[],
  { list, airframeAt }: Tables,
): Array<{ dim: number; values: BodyBears[] }> {
  const dims = zones.map(zone => list.findIndex(item => item.key === `zone:${zone}`))
  const bears = new Map(
    [...new Set(dims)].map(
      dim =>
        [
          dim,
          (dim < 0 ? [0] : [...list[dim].options.keys()]).map(i =>
            bodyStations(airframeAt(list.map((_, k) => (k === dim ? i : 0)))).map(station => station.bears),
          ),
        ] as const,
    ),
  )
  return dims.map((dim, j) => ({ dim, values: bears.get(dim)!.map(row => row[j]) }))
}

/**
 * Least reserve of each tail surface hard over, by the options of its zones and spars; reckoned as they are asked for.
 * Masses say nothing.
 */
function tailTables({ list, doc, pieces, airframeAt }: Tables): Array<(picks: ArrayLike<number>) => Held> {
  const held = createTailSurfaces()
  const { surfaces } = airframeAt(list.map(() => 0))
  return TAILS.filter(name => surfaces[name]).map(name => {
    const zones = new Set([
      ...pieces.filter(({ piece }) => piece.part === name).map(({ piece }) => piece.zone.id),
      ...surfaceOf(doc, name)!.panels.map(panel => panel.zone),
    ])
    const dims = [...list.keys()].filter(
      k =>
        (list[k].key.startsWith('zone:') && zones.has(list[k].key.slice('zone:'.length))) ||
        doc.spars.some(spar => spar.surface === name && list[k].key === `spar:${spar.id}`),
    )
    const known: Array<Held | undefined> = []
    return picks => {
      let index = 0
      for (const dim of dims) index = index * list[dim].options.length + picks[dim]
      return (known[index] ??= leastOf(
        held(airframeAt(list.map((_, k) => (dims.includes(k) ? picks[k] : 0)))).filter(
          ({ loft }) => loft.name === name,
        ),
      ))
    }
  })
}

function leastOf(held: readonly TailHeld[]): Held {
  const [{ reserve, gives }] = tailPlaces(held)
  return { reserve, spread: SPREAD_OF[gives] }
}
