/** The tail boom under tail loads and at touchdown, and what its give costs the tail. SI inside. */
import { sumMass, type MassEntry } from '../../mass'
import {
  type BoomStiffness,
  boomModes,
  boomStiffness,
  boreBears,
  beadOf,
  printedMaterial,
  sinkSpeed,
  socketForce,
  tailWhip,
} from '../../structure'
import type { Stock } from '../../libraries'
import { GRAVITY, mmToM, radToDeg, q, say, type Words } from '../../units'
import type { Designed } from '../resolve'
import { airOf, planOf, type SolvedFlight } from '../flight'
import { TAIL_CL } from './body-cases'
import { shareOf } from './wing-loads'
import type { BoomReport, GearReport, PlaceReport } from '../report'

interface Tail {
  area: number
  x: number
  fin: { area: number; x: number; height: number } | null
}

/** Area and place of lift of the tail, and of the fin over the boom's middle. */
function tailOf(airframe: Designed, boomZ: number): Tail | null {
  // Of a tandem without a tail the rear wing is what the boom carries.
  const { vertical, second } = airframe.surfaces,
    horizontal = airframe.surfaces.horizontal ?? (vertical ? undefined : second)
  if (!horizontal && !vertical) return null
  const level = horizontal ? planOf(horizontal) : null,
    up = vertical ? planOf(vertical) : null
  const flat = (loft: typeof vertical) =>
    loft!.ends
      .slice(1)
      .reduce(
        (sum, b, i) => sum + (mmToM(b.s - loft!.ends[i].s) * mmToM(b.chord + loft!.ends[i].chord)) / 2,
        0,
      ) * (loft!.mirror ? 2 : 1)
  const area = level ? level.area : 0
  return {
    area,
    x: level ? level.macLead + level.mac / 4 : up!.macLead + up!.mac / 4,
    fin:
      vertical && up
        ? {
            area: flat(vertical),
            x: up.macLead + up.mac / 4,
            height: mmToM(vertical.origin[2]) + mmToM(vertical.span) * 0.45 * Math.sin(vertical.cant) - boomZ,
          }
        : horizontal && Math.abs(horizontal.cant) > 0.1
          ? {
              area: flat(horizontal) * Math.sin(horizontal.cant) ** 2,
              x: level!.macLead + level!.mac / 4,
              height: mmToM(horizontal.span) * 0.4 * Math.sin(horizontal.cant),
            }
          : null,
  }
}

/** A second wing that may stand on the boom: where it lifts, m, and its share of the weight. */
export interface BorneBehind {
  label: string
  x: number
  share: number
}

/** Null without one. */
export function borneBehind(
  { surfaces }: Designed,
  solved: SolvedFlight,
  alphaStall: number,
): BorneBehind | null {
  if (!surfaces.second) return null
  const { mac, macLead } = planOf(surfaces.second)
  return {
    label: surfaces.second.label,
    x: macLead + mac / 4,
    share: shareOf(solved, 'second', alphaStall),
  }
}

/** What it lifts at n g, N a boom, with its arm from where the boom is held, m; null where it stands on no boom. */
export function liftedBehind(
  { heldAt, count }: BoomFrame,
  second: BorneBehind | null,
  mass: number,
  n: number,
): { force: number; arm: number } | null {
  if (!second || second.x <= heldAt) return null
  return { force: (n * GRAVITY * mass * second.share) / count, arm: second.x - heldAt }
}

interface BoomCase {
  case: string
  moment: number
  shear: number
  torque: number
  words: Words
}

/** The boom as it stands out of the body: all that does not depend on masses. */
export interface BoomFrame {
  stock: Stock
  /** One, or two alike that share the load. */
  count: number
  /** Where the body lets go of it, and how far the tail's lift is from there, m. */
  heldAt: number
  length: number
  tail: Tail
  stiff: BoomStiffness
  /** Elevator and rudder hard over. */
  cases: readonly BoomCase[]
  torque: number
  /** Of its bore in the body, N/m, and how deep it sits, m; null without a body. */
  bears: number | null
  socket: number
}

/** Null without a boom, a tail, or anything between them. */
export function boomFrame(airframe: Designed): BoomFrame | null {
  const { boom, doc } = airframe
  const tail = boom && tailOf(airframe, mmToM(boom.boom.zMm))
  // Where it leaves the body, or its front end where no body holds it.
  const heldAt = boom ? mmToM(boom.heldMm) : 0
  if (!boom || !tail || tail.x - heldAt < 0.03) return null
  const length = tail.x - heldAt,
    { density } = airOf(doc),
    { brief } = doc
  const pressure = (density * brief.cruiseMs * brief.cruiseMs) / 2
  // A pair shares what the tail does to it; that the tailplane between them stiffens both is not counted.
  const lifted = (pressure * tail.area * TAIL_CL) / boom.count,
    sideways = tail.fin ? (pressure * tail.fin.area * TAIL_CL) / boom.count : 0
  const torque = tail.fin ? sideways * tail.fin.height : 0
  const { holder } = boom
  const zone = holder ? airframe.zoneAt(holder, holder.to - 1) : doc.zones[0],
    filament = airframe.warm.filamentOf(zone)
  return {
    stock: boom.stock,
    count: boom.count,
    heldAt,
    length,
    tail,
    torque,
    stiff: boomStiffness(boom.stock, length),
    socket: mmToM(Math.max(1, doc.boom!.socketMm || 5)),
    bears: holder
      ? boreBears(
          0.58 * printedMaterial({ ...zone.recipe, stance: 'standing' }, filament).compression,
          (2 + zone.recipe.walls) * beadOf(zone.recipe, filament),
        )
      : null,
    cases: [
      {
        case: 'elevator hard over at cruise',
        moment: lifted * length,
        shear: lifted,
        torque: 0,
        words: say`${q(lifted, 'N', 1)} of tail lift at ${q(1000 * length, 'mm', 0)}`,
      },
      ...(tail.fin
        ? [
            {
              case: 'rudder hard over at cruise',
              moment: sideways * (tail.fin.x - heldAt),
              shear: sideways,
              torque: Math.abs(torque),
              words: say`${q(sideways, 'N', 1)} at the fin, ${q(Math.abs(torque), 'N·m', 2)} of twist`,
            },
          ]
        : []),
    ],
  }
}

/**
 * What whips at the boom's end at touchdown: everything well behind where it is held, but for itself and what
 * is spread over the whole.
 */
export const whips = ({ heldAt, length }: BoomFrame, entry: MassEntry): boolean =>
  !/^boom(-starboard|-port)?$/.test(entry.id) &&
  entry.x > heldAt + 0.6 * length &&
  entry.group !== 'glue' &&
  entry.group !== 'wire'

/**
 * The tail's whip, of `behind` kg, when the landing brakes the body with `factor` times its weight from the
 * sink speed of the drop.
 */
export const whipOf = ({ stiff, length, count }: BoomFrame, behind: number, factor: number, dropMm: number) =>
  tailWhip(
    stiff,
    length,
    behind / count,
    factor * GRAVITY,
    sinkSpeed(mmToM(dropMm), GRAVITY) / Math.max(1e-6, factor * GRAVITY),
  )

/** What hangs at the boom's end in a pull-up, N a boom. */
export const hungOf = ({ count }: BoomFrame, behind: number, n: number): number =>
  (n * GRAVITY * behind) / count

/** Reserves of the boom under one case: the tube's own modes, and its socket's. */
export function boomReserves(
  { stock, bears, socket }: BoomFrame,
  { moment, shear, torque }: Pick<BoomCase, 'moment' | 'shear' | 'torque'>,
  safety: number,
): { bending: number; flattening: number; shear: number; socket: number } {
  return {
    ...boomModes(stock, moment * safety, shear * safety, torque * safety),
    socket:
      bears === null
        ? Infinity
        : bears / Math.max(1e-9, socketForce(moment * safety, shear * safety, socket)),
  }
}

const REMEDIES = {
  bending: ['boom bending', 'stock', 'a size more of boom'],
  flattening: ['boom flattening', 'stock', 'a thicker-walled boom'],
  shear: ['boom twist and shear', 'stock', 'a size more of boom'],
  socket: ['boom in its socket', 'plastic', 'a longer socket'],
} as const

export function boomOf(
  airframe: Designed,
  flight: SolvedFlight,
  entries: readonly MassEntry[],
  gear: GearReport,
  n: number,
  second: BorneBehind | null,
  mass: number,
): { report: BoomReport | null; places: PlaceReport[] } {
  const frame = boomFrame(airframe)
  if (!frame) return { report: null, places: [] }
  const { length, heldAt, stiff, torque } = frame,
    { brief } = airframe.doc
  const behind = sumMass(entries.filter(entry => whips(frame, entry)))
  const whip = whipOf(frame, behind.mass, gear.factor, brief.dropMm)
  const hung = hungOf(frame, behind.mass, n),
    lifted = liftedBehind(frame, second, mass, n)
  const cases = [
    ...frame.cases,
    {
      case: 'pull-up',
      moment: hung * length,
      shear: hung,
      torque: 0,
      words: say`tail of ${q((1000 * behind.mass) / frame.count, 'g', 0)} at ${q(n, 'gₙ', 1)}`,
    },
    ...(lifted
      ? [
          {
            case: 'pull-up',
            moment: lifted.force * lifted.arm,
            shear: lifted.force,
            torque: 0,
            words: say`${second!.label}: ${q(lifted.force, 'N', 1)} at ${q(n, 'gₙ', 1)}`,
          },
        ]
      : []),
    ...(gear.on === 'net'
      ? []
      : [
          {
            case: 'touchdown',
            moment: whip.force * length,
            shear: whip.force,
            torque: 0,
            words: say`tail of ${q((1000 * behind.mass) / frame.count, 'g', 0)} whips down with ${q(whip.force, 'N', 1)} (${q(whip.factor, '', 1)} times the braking)`,
          },
        ]),
  ]
  const found = cases.map(item => ({ item, reserves: boomReserves(frame, item, brief.safetyFactor) }))
  const places = (
    ['bending', 'flattening', 'shear', ...(frame.bears === null ? [] : ['socket' as const])] as const
  ).map((key): PlaceReport => {
    const worst = found.reduce((a, b) => (b.reserves[key] < a.reserves[key] ? b : a)),
      [mode, gives, remedy] = REMEDIES[key]
    return {
      id: `boom-${mode.replaceAll(' ', '-')}`,
      part: 'boom',
      label: frame.count > 1 ? 'Booms' : 'Boom',
      xMm: 1000 * heldAt,
      mode,
      gives,
      case: worst.item.case,
      reserve: Math.min(1e4, worst.reserves[key]),
      words: worst.item.words,
      remedy,
      subject: 'boom',
    }
  })
  return {
    places,
    report: {
      lengthMm: 1000 * length,
      leftCruise: flight.tailLeft(brief.cruiseMs),
      leftTop: flight.tailLeft(brief.topSpeedMs),
      twistDeg: radToDeg((Math.abs(torque) * length) / stiff.GJ),
      whip: { ...whip, sinkMs: gear.sinkMs },
    },
  }
}
