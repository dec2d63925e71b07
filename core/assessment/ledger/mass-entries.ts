/** The mass ledger of an airframe: pieces, spars, boom, equipment, and glue and wire as shares. SI. */
import type { Equipment, Joint, Design } from '../../document'
import { isSheet, placePoint, polygonArea, zoneOr } from '../../geometry'
import { stockLinearMass } from '../../libraries'
import {
  boxInertia,
  NO_INERTIA,
  rodInertia,
  sumInertia,
  sumMass,
  type InertiaFigures,
  type MassEntry,
} from '../../mass'
import { gToKg, mmToM } from '../../units'
import { legMass } from '../../structure'
import { strutSides, type Designed } from '../resolve'
import type { PrintedPiece } from '../print'
import { filmEntries } from './film'
import { smallPartEntries } from './small-parts'

/** A kitchen or letter scale's one standard deviation, kg. */
export const SCALE_SIGMA = 0.0005
/** Of what is reckoned as a share of the whole, glue and wires: one standard deviation. */
export const WHOLE_SPREAD = 0.3
/** Stock's mass per metre varies by about this share. */
const STOCK_SIGMA = 0.04

export function ledgerOf(
  airframe: Designed,
  printed: readonly PrintedPiece[],
  weighed: ReadonlyMap<string, number>,
): MassEntry[] {
  const { doc } = airframe
  const entries: MassEntry[] = printed.map(item => pieceEntry(doc, item, weighed.get(item.piece.id)))
  const printedSum = sumMass(entries)
  entries.push(...sparEntries(airframe), ...jointEntries(printed), ...otherEntries(airframe))
  if (printedSum.mass > 0 && doc.allowances.glueShare > 0)
    entries.push(
      share(
        'glue',
        'Glue',
        printedSum,
        doc.allowances.glueShare,
        sumInertia(
          entries.filter(entry => entry.group === 'printed'),
          printedSum,
        ),
      ),
    )
  return [...entries, ...wireEntries(doc)]
}

/** Wires and plugs, a share of what is wired up. */
export function wireEntries(doc: Design): MassEntry[] {
  const entries = doc.equipment.filter(item => WIRED.has(item.kind)).flatMap(equipmentEntries),
    wired = sumMass(entries)
  return wired.mass > 0 && doc.allowances.wireShare > 0
    ? [share('wire', 'Wires and plugs', wired, doc.allowances.wireShare, sumInertia(entries, wired))]
    : []
}

/** A piece as it weighs, or as it should. */
export function pieceEntry(
  doc: Design,
  { piece, filament, print }: PrintedPiece,
  weighed: number | undefined,
): MassEntry {
  const mass = weighed ?? print.mass
  const sheet = isSheet(piece),
    spread = sheet ? filament.densityRange : doc.allowances.flowSpreadShare
  const reckoned = sheet ? ('reckoned' as const) : ('printed' as const),
    source = weighed === undefined ? reckoned : ('weighed' as const)
  const [x, y, z] = print.centre.map(mmToM)
  return {
    id: piece.id,
    name: piece.name,
    group: 'printed',
    mass,
    x,
    y,
    z,
    drops: false,
    own: scaled(print.inertia, print.mass > 0 ? mass / print.mass : 1),
    source,
    sigma: weighed === undefined ? mass * spread : SCALE_SIGMA,
    common: weighed === undefined ? filament.id : null,
  }
}

/** Legs, equipment, small parts, film and mends. */
export function otherEntries(airframe: Designed): MassEntry[] {
  const bought = [
    ...gearEntries(airframe),
    ...strutEntries(airframe),
    ...airframe.doc.equipment.flatMap(equipmentEntries),
    ...smallPartEntries(airframe),
    ...filmEntries(airframe),
  ]
  return [...bought, ...bounded(mendEntries(airframe.doc), bought)]
}

/** Mends together take away no more than this share of what was bought: beyond it the aircraft would weigh nothing. */
const MOST_MENDED_AWAY = 0.5

function bounded(mends: MassEntry[], bought: readonly MassEntry[]): MassEntry[] {
  const less = -mends.reduce((sum, entry) => sum + Math.min(0, entry.mass), 0),
    most = MOST_MENDED_AWAY * bought.reduce((sum, entry) => sum + entry.mass, 0)
  return less > most
    ? mends.map(entry => (entry.mass < 0 ? { ...entry, mass: (entry.mass * most) / less } : entry))
    : mends
}

/** What mends have added where they are, or taken away; one that is chosen is reckoned as if it were done. */
const mendEntries = ({ damages }: Design): MassEntry[] =>
  damages
    .filter(damage => damage.state !== 'open' && damage.massG !== 0)
    .map(({ id, piece, massG, placeMm }) => ({
      id: `mend-${id}`,
      name: `Mend of ${piece}`,
      group: 'joint' as const,
      mass: gToKg(massG),
      x: mmToM(placeMm[0]),
      y: mmToM(placeMm[1]),
      z: mmToM(placeMm[2]),
      sigma: MEND_SPREAD * gToKg(Math.abs(massG)),
      common: null,
      source: 'listed' as const,
      drops: false,
      own: NO_INERTIA,
    }))
/** Glue and filler go on by hand. */
const MEND_SPREAD = 0.3

const scaled = ({ xx, yy, zz, xz }: InertiaFigures, by: number): InertiaFigures => ({
  xx: by * xx,
  yy: by * yy,
  zz: by * zz,
  xz: by * xz,
})

const WIRED = new Set<Equipment['kind']>(['motor', 'speed-controller', 'receiver', 'servo', 'sensor'])

/** Spread over what it belongs to, in mass as in inertia. */
const share = (
  group: 'glue' | 'wire',
  name: string,
  of: { mass: number; x: number; y: number; z: number },
  part: number,
  inertia: InertiaFigures,
): MassEntry => ({
  own: scaled(inertia, part),
  id: group,
  name,
  group,
  mass: of.mass * part,
  x: of.x,
  y: of.y,
  z: of.z,
  sigma: WHOLE_SPREAD * of.mass * part,
  common: null,
  source: 'share',
  drops: false,
})

function equipmentEntries(item: Equipment): MassEntry[] {
  const sides = item.pair ? [1, -1] : [1]
  return sides.map(side => ({
    id: item.pair ? `${item.id}-${side > 0 ? 'starboard' : 'port'}` : item.id,
    name: item.pair ? `${item.name} ${side > 0 ? 'starboard' : 'port'}` : item.name,
    group: item.kind === 'payload' ? 'payload' : 'equipment',
    mass: gToKg(item.massG),
    x: mmToM(item.xMm),
    y: side * mmToM(item.yMm),
    z: mmToM(item.zMm),
    sigma: gToKg(item.spreadG),
    common: null,
    source: item.weighed ? 'weighed' : 'listed',
    drops: item.drops,
    own: boxInertia(gToKg(item.massG), mmToM(item.sizeMm[0]), mmToM(item.sizeMm[1]), mmToM(item.sizeMm[2])),
  }))
}

/** Legs at half their height, wheels at the axle. */
const gearEntries = (airframe: Designed): MassEntry[] =>
  airframe.doc.gear
    .flatMap(leg =>
      (leg.pair ? ([1, -1] as const) : ([1] as const)).map((side): MassEntry => {
        const own = legMass(leg, airframe.filamentOf(zoneOr(airframe.doc.zones, leg.zone)).density),
          wheel = gToKg(leg.wheelG),
          mass = own + wheel
        const down = mass > 0 ? (own / 2 + wheel) / mass : 0
        return {
          id: leg.pair ? `${leg.id}-${side > 0 ? 'starboard' : 'port'}` : leg.id,
          name: leg.pair ? `${leg.name} ${side > 0 ? 'starboard' : 'port'}` : leg.name,
          group: 'equipment',
          mass,
          x: mmToM(leg.xMm),
          y: side * mmToM(leg.yMm + down * leg.splayMm),
          z: mmToM(leg.zMm - down * leg.dropMm),
          sigma: 0.05 * mass,
          common: null,
          source: 'listed',
          drops: false,
          own: NO_INERTIA,
        }
      }),
    )
    .filter(entry => entry.mass > 0)

/** Struts from end to end, with what holds their ends. */
const strutEntries = ({ struts }: Designed): MassEntry[] =>
  struts.flatMap(({ strut, stock, ends, lengthMm }) =>
    strutSides(strut).map((side): MassEntry => {
      const [a, b] = ends.map(([x, y, z]) => [x, side * y, z].map(mmToM))
      const rod = mmToM(lengthMm) * stockLinearMass(stock),
        mass = rod + gToKg(2 * strut.fittingG)
      const where = !strut.pair ? '' : side > 0 ? ' starboard' : ' port'
      return {
        id: `${strut.id}${where.replace(' ', '-')}`,
        name: `${strut.name}${where}`,
        group: 'spar',
        mass,
        x: (a[0] + b[0]) / 2,
        y: (a[1] + b[1]) / 2,
        z: (a[2] + b[2]) / 2,
        sigma: STOCK_SIGMA * rod + WHOLE_SPREAD * gToKg(2 * strut.fittingG),
        common: null,
        source: 'listed',
        drops: false,
        // Fittings at both ends turn like three times their mass along it.
        own: rodInertia(rod + 3 * gToKg(2 * strut.fittingG), b[0] - a[0], b[1] - a[1], b[2] - a[2]),
      }
    }),
  )

/** Pins, tongues and bolts, at the joint they hold. */
export const jointEntries = (printed: readonly PrintedPiece[]): MassEntry[] =>
  printed.flatMap(({ piece }): MassEntry[] => {
    if (piece.hardwareG === 0) return []
    const skin = piece.skinAt(piece.to) ?? piece.skinAt(piece.from)!
    const { x: a, y: b } = polygonArea(skin)
    const [x, y, z] = piece.place(a, b, piece.to).map(mmToM)
    const mass = gToKg(piece.hardwareG)
    return [
      {
        id: `joint-${piece.id}`,
        name: `${JOINT_WORDS[piece.joints.head!.kind]}, head of ${piece.name}`,
        group: 'joint',
        mass,
        x,
        y,
        z,
        sigma: 0.1 * mass,
        common: null,
        source: 'listed',
        drops: false,
        own: NO_INERTIA,
      },
    ]
  })
const JOINT_WORDS: Record<Joint['kind'], string> = {
  butt: 'Glue face',
  lip: 'Lip',
  pins: 'Pins',
  tongue: 'Tongue',
  bolts: 'Bolts',
  plug: 'Pins of a plug',
}

export function sparEntries({
  surfaces,
  spars,
  boom,
}: Pick<Designed, 'surfaces' | 'spars' | 'boom'>): MassEntry[] {
  const entries: MassEntry[] = []
  for (const loft of Object.values(surfaces)) {
    for (const line of spars[loft.name] ?? []) {
      const a = line.at(line.from),
        b = line.at(line.to)
      const length = mmToM(Math.hypot(line.to - line.from, b.x - a.x, b.n - a.n))
      const mass = length * stockLinearMass(line.stock)
      if (mass === 0) continue
      for (const side of loft.mirror ? ([1, -1] as const) : ([1] as const)) {
        const [x, y, z] = placePoint(
          loft,
          (a.x + b.x) / 2,
          (a.n + b.n) / 2,
          (line.from + line.to) / 2,
          side,
        ).map(mmToM)
        const ends = [line.from, line.to].map((s, i) =>
          placePoint(loft, (i ? b : a).x, (i ? b : a).n, s, side).map(mmToM),
        )
        const where = !loft.mirror ? '' : side > 0 ? ' starboard' : ' port'
        entries.push({
          id: `${line.spar.id}${where.replace(' ', '-')}`,
          name: `${line.spar.name}${where}`,
          group: 'spar',
          mass,
          x,
          y,
          z,
          sigma: STOCK_SIGMA * mass,
          common: line.spar.id,
          source: 'listed',
          drops: false,
          own: rodInertia(mass, ends[1][0] - ends[0][0], ends[1][1] - ends[0][1], ends[1][2] - ends[0][2]),
        })
      }
    }
  }
  if (boom) {
    const { fromMm, toMm, yMm, zMm } = boom.boom
    const mass = mmToM(toMm - fromMm) * stockLinearMass(boom.stock)
    for (const [tail, side] of boom.count > 1
      ? ([
          [' starboard', 1],
          [' port', -1],
        ] as const)
      : ([['', 0]] as const))
      entries.push({
        id: `boom${tail.replace(' ', '-')}`,
        name: `Boom${tail}`,
        group: 'spar',
        mass,
        x: mmToM((fromMm + toMm) / 2),
        y: side * mmToM(yMm),
        z: mmToM(zMm),
        sigma: STOCK_SIGMA * mass,
        common: null,
        source: 'listed',
        drops: false,
        own: rodInertia(mass, mmToM(toMm - fromMm), 0, 0),
      })
  }
  return entries
}
