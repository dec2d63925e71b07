/** The tail boom under tail loads and at touchdown, and what its give costs the tail. SI inside. */
import { sumMass, type MassEntry } from '../mass'
import { boomModes, boomStiffness, boreBears, beadOf, printedMaterial, sinkSpeed, socketForce, tailEffectiveness, tailWhip } from '../structure'
import { zoneOr } from '../geometry'
import { GRAVITY, mmToM, radToDeg } from '../units'
import type { Airframe } from './airframe'
import { airOf, planOf, type SolvedFlight } from './flight-of'
import type { BoomReport, GearReport, PlaceReport } from './structure-types'

/** Tail surfaces lift at most about so much with everything hard over. */
const TAIL_CL = 0.9

interface Tail { area: number, slope: number, x: number, fin: { area: number, x: number, height: number } | null }

/** Area, place of lift and slope of the tail, and of the fin over the boom's middle. */
function tailOf(airframe: Airframe, flight: SolvedFlight, boomZ: number): Tail | null {
  const { horizontal, vertical } = airframe.surfaces
  if (!horizontal && !vertical) return null
  const slopeOf = (name: 'horizontal' | 'vertical', area: number) => {
    const own = flight.lift.strips.filter(strip => strip.surface === name)
    return own.reduce((sum, strip) => sum + strip.clPerRad * strip.chord * strip.width, 0) * (name === 'horizontal' && horizontal!.mirror ? 2 : 1) / Math.max(1e-9, area)
  }
  const level = horizontal ? planOf(horizontal) : null, up = vertical ? planOf(vertical) : null
  const flat = (loft: typeof vertical) => loft!.ends.slice(1).reduce((sum, b, i) => sum + (mmToM(b.s - loft!.ends[i].s) * mmToM(b.chord + loft!.ends[i].chord)) / 2, 0) * (loft!.mirror ? 2 : 1)
  const area = level ? level.area : 0
  return {
    area, slope: level ? slopeOf('horizontal', area) : 0, x: level ? level.macLead + level.mac / 4 : up!.macLead + up!.mac / 4,
    fin: vertical && up ? { area: flat(vertical), x: up.macLead + up.mac / 4, height: mmToM(vertical.origin[2]) + mmToM(vertical.span) * 0.45 * Math.sin(vertical.cant) - boomZ } : horizontal && Math.abs(horizontal.cant) > 0.1 ? { area: flat(horizontal) * Math.sin(horizontal.cant) ** 2, x: level!.macLead + level!.mac / 4, height: mmToM(horizontal.span) * 0.4 * Math.sin(horizontal.cant) } : null,
  }
}

export function boomOf(airframe: Airframe, flight: SolvedFlight, entries: readonly MassEntry[], gear: GearReport): { report: BoomReport | null, places: PlaceReport[] } {
  const { boom, body, doc } = airframe
  const tail = boom && tailOf(airframe, flight, mmToM(boom.boom.zMm))
  // Where it leaves the body, or its front end where no body holds it.
  const heldAt = boom ? mmToM(Math.max(boom.boom.fromMm, Math.min(body?.to ?? boom.boom.fromMm, boom.boom.toMm))) : 0
  if (!boom || !tail || tail.x - heldAt < 0.03) return { report: null, places: [] }
  const length = tail.x - heldAt, { stock } = boom
  const stiff = boomStiffness(stock, length), { density } = airOf(doc), { brief } = doc
  const pressure = (speed: number) => (density * speed * speed) / 2
  const factor = brief.safetyFactor
  const lifted = pressure(brief.cruiseMs) * tail.area * TAIL_CL
  const sideways = tail.fin ? pressure(brief.cruiseMs) * tail.fin.area * TAIL_CL : 0
  const torque = tail.fin ? sideways * tail.fin.height : 0
  const behind = sumMass(entries.filter(entry => entry.id !== 'boom' && entry.x > heldAt + 0.6 * length && entry.group !== 'glue' && entry.group !== 'wire'))
  const whip = tailWhip(stiff, length, behind.mass, gear.factor * GRAVITY, sinkSpeed(mmToM(brief.dropMm), GRAVITY) / Math.max(1e-6, gear.factor * GRAVITY))
  const cases = [
    { case: 'elevator hard over at cruise', moment: lifted * length, shear: lifted, torque: 0, words: `${lifted.toFixed(1)} N of tail lift at ${(1000 * length).toFixed(0)} mm` },
    ...(tail.fin ? [{ case: 'rudder hard over at cruise', moment: sideways * (tail.fin.x - heldAt), shear: sideways, torque: Math.abs(torque), words: `${sideways.toFixed(1)} N at the fin, ${Math.abs(torque).toFixed(2)} N·m of twist` }] : []),
    ...(gear.on === 'net' ? [] : [{ case: 'touchdown', moment: whip.force * length, shear: whip.force, torque: 0, words: `tail of ${(1000 * behind.mass).toFixed(0)} g whips down with ${whip.force.toFixed(1)} N (${whip.factor.toFixed(1)} times the braking)` }]),
  ]
  const zone = body ? zoneOr(doc.zones, body.zoneAt(body.to - 1)) : doc.zones[0]
  const plastic = printedMaterial({ ...zone.recipe, stance: 'standing' }, airframe.filamentOf(zone))
  const bears = boreBears(0.58 * plastic.compression, (2 + zone.recipe.walls) * beadOf(zone.recipe, airframe.filamentOf(zone)))
  const worst = (mode: string, reserveOf: (c: typeof cases[number]) => number, remedy: string): PlaceReport => {
    const found = cases.map(c => ({ c, reserve: reserveOf(c) })).reduce((a, b) => (b.reserve < a.reserve ? b : a))
    return { id: `boom-${mode.replaceAll(' ', '-')}`, part: 'boom', label: 'Boom', xMm: 1000 * heldAt, mode, case: found.c.case, reserve: Math.min(1e4, found.reserve), words: found.c.words, remedy, subject: 'boom' }
  }
  const modesOf = (c: typeof cases[number]) => boomModes(stock, c.moment * factor, c.shear * factor, c.torque * factor)
  const socket = mmToM(Math.max(1, doc.boom!.socketMm || 5))
  return {
    places: [
      worst('boom bending', c => modesOf(c).bending, 'a size more of boom'), worst('boom flattening', c => modesOf(c).flattening, 'a thicker-walled boom'), worst('boom twist and shear', c => modesOf(c).shear, 'a size more of boom'),
      ...(body ? [worst('boom in its socket', c => bears / Math.max(1e-9, socketForce(c.moment * factor, c.shear * factor, socket)), 'a longer socket')] : []),
    ],
    report: {
      lengthMm: 1000 * length, effectCruise: tailEffectiveness(pressure(brief.cruiseMs), tail.slope, tail.area, length, stiff.EI), effectTop: tailEffectiveness(pressure(brief.topSpeedMs), tail.slope, tail.area, length, stiff.EI),
      twistDeg: radToDeg((Math.abs(torque) * length) / stiff.GJ), whip: { ...whip, sinkMs: gear.sinkMs },
    },
  }
}
