/** Every propeller, every pack, or both, in place of what is in: what each would make of the aircraft. */
import {
  airOfField,
  batteryOf,
  propulsionOf,
  turnedBy,
  type Assessment,
  type PitchTables,
} from '../../assess'
import { corrected, type Drive } from '../../power'
import type { Equipment, ProjectFile, PropellerSpec } from '../../document'
import type { Libraries } from '../../libraries'
import { FRESH, running } from '../../power'
import { GRAVITY, gToKg, mmToM } from '../../units'
import { gliderOf } from '../toss'
import { dragCurve } from './drag-curve'
import { flightPlan } from './flight-plan'
import { throttleFor } from './power'
import { reachOf } from './reach'

export interface Offer {
  id: string
  /** Of the shelf; null keeps what is in. */
  propeller: string | null
  pack: string | null
  name: string
  diameterMm: number
  pitchMm: number
  thrustN: number
  toWeight: number
  currentA: number
  powerW: number
  minutes: number | null
  levelMaxMs: number | null
  climbMs: number | null
  /** Whole aircraft, and against now, g. */
  massG: number
  byG: number
  /**
   * Where it balances once the pack has slid in its bay towards the middle of the band, mm; and where the pack
   * then lies.
   */
  cgMm: number
  packMm: number | null
  balances: boolean
  /** What it passes: names of limits. */
  over: Array<'motor' | 'controller' | 'pack' | 'pitch'>
  /** Passes no limit and balances, and no other such has both more pull and more minutes. */
  front: boolean
  now: boolean
  price: number
}

export type ShelfAsk = 'propellers' | 'packs' | 'both'

const RPM = 60 / (2 * Math.PI)

/** Empty where there is no propeller and battery to change. `told` may stop by returning false. */
export async function shelfOffers(
  doc: ProjectFile,
  assessment: Assessment,
  tables: PitchTables,
  libraries: Libraries,
  ask: ShelfAsk,
  told: (done: number, of: number) => boolean | Promise<boolean> = () => true,
): Promise<Offer[] | null> {
  const { propulsion } = propulsionOf(doc)
  if (!propulsion || !propulsion.turns.propeller) return []
  const own = propulsion.turns.propeller
  const pack = propulsion.packs[0]
  const propellers: Array<{
    id: string | null
    name: string
    spec: PropellerSpec
    massG: number
    price: number
  }> = [
    { id: null, name: propulsion.turns.item.name, spec: own, massG: propulsion.turns.item.massG, price: 0 },
    ...(ask === 'packs'
      ? []
      : libraries.propellers
          .filter(item => (item.folding === own.folding || ask === 'both') && !sameAs(item, own))
          .map(item => ({ id: item.id, name: item.name, spec: item, massG: item.massG, price: item.price }))),
  ]
  const packs: Array<{ id: string | null; name: string; item: Equipment; price: number }> = [
    { id: null, name: pack.name, item: pack, price: 0 },
    ...(ask === 'propellers' || propulsion.packs.length > 1
      ? []
      : libraries.batteries
          .filter(
            item =>
              (item.cells === pack.battery!.cells || ask === 'packs') &&
              !(item.cells === pack.battery!.cells && item.capacityMah === pack.battery!.capacityMah),
          )
          .map(item => ({
            id: item.id,
            name: item.name,
            price: item.price,
            item: packOf(pack, item.name, item.massG, [...item.sizeMm], {
              ...pack.battery!,
              cells: item.cells,
              capacityMah: item.capacityMah,
              resistanceOhm: null,
            }),
          }))),
  ]
  const drag = dragCurve(gliderOf(tables), tables)
  const air = airOfField(doc)
  const offers: Offer[] = []
  const of = propellers.length * packs.length
  for (const propeller of propellers) {
    const turned = corrected(turnedBy(propeller.spec, air), doc.power.learned)
    for (const other of packs) {
      const battery = other.id
        ? batteryOf([other.item], doc.power, doc.brief.fieldTemperatureC)
        : propulsion.drive.battery
      const drive: Drive = { ...propulsion.drive, turned, battery }
      const byG =
        (propeller.massG - propulsion.turns.item.massG) * (propulsion.turns.item.pair ? 2 : 1) +
        (other.item.massG - pack.massG) * (pack.pair ? 2 : 1)
      offers.push({
        ...offerOf(doc, tables, drag.heavier(1 + gToKg(byG) / tables.mass), drive, gToKg(byG)),
        ...balanced(assessment, propulsion.turns.item, propeller.massG, pack, other.item),
        id: `${propeller.id ?? 'own'}+${other.id ?? 'own'}`,
        propeller: propeller.id,
        pack: other.id,
        name: [ask === 'packs' ? '' : propeller.name, ask === 'propellers' ? '' : other.name]
          .filter(Boolean)
          .join(', '),
        diameterMm: propeller.spec.diameterMm,
        pitchMm: propeller.spec.pitchMm,
        massG: assessment.totals.massG + byG,
        byG,
        over: passed(tables, drive, propulsion, propeller.spec, other.item),
        front: false,
        now: propeller.id === null && other.id === null,
        price: propeller.price + other.price,
      })
    }
    if (!(await told(offers.length, of))) return null
  }
  return offers.map(offer => ({
    ...offer,
    front: sound(offer) && !offers.some(other => better(other, offer)),
  }))
}

/** What is in already, by another name. */
const sameAs = (a: PropellerSpec, b: PropellerSpec): boolean =>
  Math.abs(a.diameterMm - b.diameterMm) < 2 &&
  Math.abs(a.pitchMm - b.pitchMm) < 2 &&
  a.blades === b.blades &&
  a.folding === b.folding

const packOf = (
  item: Equipment,
  name: string,
  massG: number,
  sizeMm: Equipment['sizeMm'],
  battery: NonNullable<Equipment['battery']>,
): Equipment => ({ ...item, name, massG, sizeMm, battery })

function offerOf(
  doc: ProjectFile,
  tables: PitchTables,
  drag: (speed: number) => number,
  drive: Drive,
  added: number,
): Pick<Offer, 'thrustN' | 'toWeight' | 'currentA' | 'powerW' | 'minutes' | 'levelMaxMs' | 'climbMs'> {
  const mass = tables.mass + added
  const stall = Math.max(0.5, tables.stallSpeed) * Math.sqrt(mass / tables.mass)
  const rest = running(drive, 1, 0, FRESH)
  const { levelMax, climb } = reachOf(
    speed => running(drive, 1, speed, FRESH).thrust,
    drag,
    stall,
    mass * GRAVITY,
  )
  const cruise = Math.max(stall, doc.brief.cruiseMs)
  const plan = flightPlan(
    drive,
    doc.power.plan,
    doc.power.reservePct,
    { launch: doc.brief.throwMs, climb: climb?.atMs ?? 1.3 * stall, cruise },
    left => throttleFor(drag(cruise), throttle => running(drive, throttle, cruise, left).thrust),
  )
  return {
    thrustN: rest.thrust,
    toWeight: rest.thrust / (mass * GRAVITY),
    currentA: rest.current,
    powerW: rest.power,
    minutes: plan.parts.every(part => part.enough || part.flownS < part.seconds) ? plan.canMinutes : 0,
    levelMaxMs: levelMax,
    climbMs: climb?.ms ?? null,
  }
}

function passed(
  tables: PitchTables,
  drive: Drive,
  { motorSpec, controller }: { motorSpec: { maxA: number }; controller: Equipment | null },
  spec: PropellerSpec,
  pack: Equipment,
): Offer['over'] {
  const rest = running(drive, 1, 0, FRESH)
  const { capacityMah, continuousC } = pack.battery!
  const over: Offer['over'] = []
  if (rest.motorCurrent > motorSpec.maxA) over.push('motor')
  if (rest.motorCurrent > (controller?.controller?.limitA ?? Infinity)) over.push('controller')
  if (rest.current > ((pack.pair ? 2 : 1) * continuousC * capacityMah) / 1000) over.push('pack')
  if ((mmToM(spec.pitchMm) * rest.omega * RPM) / 60 < 2.5 * tables.stallSpeed) over.push('pitch')
  return over
}

/** Masses changed, then the pack slid in its bay as near to the middle of the band as it goes. */
function balanced(
  { totals, flight }: Assessment,
  propeller: Equipment,
  propellerG: number,
  pack: Equipment,
  other: Equipment,
): Pick<Offer, 'cgMm' | 'packMm' | 'balances'> {
  const two = (item: Equipment) => (item.pair ? 2 : 1)
  const mass =
    totals.massG + (propellerG - propeller.massG) * two(propeller) + (other.massG - pack.massG) * two(pack)
  const without =
    totals.massG * totals.cgMm[0] +
    (propellerG - propeller.massG) * two(propeller) * propeller.xMm -
    pack.massG * two(pack) * pack.xMm
  const cgWith = (x: number) => (without + other.massG * two(pack) * x) / mass
  const [fore, aft] = flight.cgRangeMm
  let packMm: number | null = null
  if (pack.bay && other.massG > 0) {
    const wish = (flight.cgAimMm * mass - without) / (other.massG * two(pack))
    const low = pack.bay[0] + other.sizeMm[0] / 2,
      high = Math.max(low, pack.bay[1] - other.sizeMm[0] / 2)
    packMm = Math.round(2 * Math.min(high, Math.max(low, wish))) / 2
  }
  const cgMm = cgWith(packMm ?? pack.xMm)
  return { cgMm, packMm, balances: cgMm >= fore - 0.05 && cgMm <= aft + 0.05 }
}

const sound = (offer: Offer): boolean => offer.over.length === 0 && offer.balances

/** Of those that pass no limit and balance: more pull and more minutes, and nothing less of either. */
const better = (a: Offer, b: Offer): boolean => {
  const [ma, mb] = [a.minutes ?? Infinity, b.minutes ?? Infinity]
  return sound(a) && a.toWeight >= b.toWeight && ma >= mb && (a.toWeight > b.toWeight || ma > mb)
}

/** What taking an offer changes: what it names, its figures, and the pack where it belongs. */
export function taken(doc: ProjectFile, libraries: Libraries, offer: Offer): Pick<ProjectFile, 'equipment'> {
  const { propulsion } = propulsionOf(doc)
  if (!propulsion) return doc
  const propeller = libraries.propellers.find(item => item.id === offer.propeller)
  const pack = libraries.batteries.find(item => item.id === offer.pack)
  return {
    equipment: doc.equipment.map(item => {
      if (propeller && item.kind === 'propeller' && item.propeller) {
        const { diameterMm, pitchMm, blades, chord, folding, material } = propeller
        return {
          ...item,
          name: propeller.name,
          massG: propeller.massG,
          weighed: false,
          sizeMm: [item.sizeMm[0], diameterMm, item.sizeMm[2]] as Equipment['sizeMm'],
          propeller: { diameterMm, pitchMm, blades, chord, folding, material },
        }
      }
      if (item.id !== propulsion.packs[0].id) return item
      const moved = offer.packMm === null ? item : { ...item, xMm: offer.packMm }
      if (!pack) return moved
      return {
        ...moved,
        name: pack.name,
        massG: pack.massG,
        weighed: false,
        sizeMm: [...pack.sizeMm] as Equipment['sizeMm'],
        battery: { ...item.battery!, cells: pack.cells, capacityMah: pack.capacityMah, resistanceOhm: null },
      }
    }),
  }
}
