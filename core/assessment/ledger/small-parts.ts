/**
 * What everybody forgets to weigh: hinges, rods and horns, screws, wing bolts, catches, straps, finish. Reckoned
 * from the drawing until the maker says what they weigh, and never silently nothing. SI but for lofts, in mm.
 *
 * Masses of single pieces are the middle of what hobby hardware weighs, by its size and material; one standard
 * deviation is 30 % (`WHOLE_SPREAD`), of the finish 60 %.
 */
import { controlsOf, type Control, type Design, type Equipment, type SmallPart } from '../../document'
import { ALL_MOVING, placePoint, planAt, seatAbove, wingBoltPlaces, type SurfaceLoft } from '../../geometry'
import { NO_INERTIA, sumMass, type MassEntry } from '../../mass'
import { memoise } from '../../memo'
import { gToKg, mm2ToM2, mmToM, q, say, type Words } from '../../units'
import type { SmallPartReport } from '../report'
import { bodiesOf, type Designed, tailParts } from '../resolve'

/** One standard deviation of a reckoned small part, as a share of it. */
export const SMALL_SPREAD: Record<SmallPart, number> = {
  hinges: 0.3,
  linkages: 0.3,
  screws: 0.3,
  wingBolts: 0.3,
  closures: 0.3,
  straps: 0.3,
  finish: 0.6,
}
/** Of what the maker put on the scale. */
const WEIGHED_SIGMA = 0.0005

export const SMALL_NAMES: Record<SmallPart, string> = {
  hinges: 'Hinges',
  linkages: 'Rods, horns and clevises',
  screws: 'Screws of servos and motor',
  wingBolts: 'Bolts of wing and tail',
  closures: 'Magnets and catches',
  straps: 'Straps and hook tape',
  finish: 'Markings, tape and finish',
}

/** One hinge, kg; tape per metre of it. */
const HINGE_MASS: Record<Control['hinge']['kind'], number> = {
  'bought-strip': 0.0004,
  'printed-strip': 0.0003,
  pins: 0.0007,
  tape: 0.002,
}
const HORN = 0.0008,
  CLEVIS = 0.0007
/** Steel wire of 1 mm, and a plastic sleeve round it where it is longer than this, kg/m and m. */
const WIRE_PER_M = 7850 * Math.PI * 0.0005 ** 2,
  SLEEVE_PER_M = 0.0025,
  SLEEVED_FROM = 0.25
/** Two self-tapping screws with their grommets. */
const SERVO_SCREWS = 0.0005
/** A cap screw of 3 mm and 10 mm long with its washer, and one of 30 mm with its nut; by the cube of the size. */
const MOTOR_SCREW_3MM = 0.0008,
  WING_BOLT_3MM = 0.0026
/** A screw of 3 mm and 16 mm long, and the brass insert that it goes into. */
const TAIL_SCREW = 0.0016
/** Two magnets of 5 × 2 mm and what holds them. */
const CLOSURE = 0.0008
/** Hook-and-loop strap 20 mm wide and 250 mm long, and a strip of 100 mm under the battery, at 450 g/m². */
const STRAP = 0.45 * 0.02 * (0.25 + 0.1)
/** Markings, seam tape and touching up, over all skin; a coat of paint is five times as much. kg/m² */
const FINISH_AREAL = 0.005

interface Place {
  mass: number
  x: number
  y: number
  z: number
  name?: string
}

interface Reckoned {
  places: Place[]
  from: Words
}

type Resolved = Pick<Designed, 'doc' | 'surfaces' | 'spars' | 'wing' | 'body' | 'pods'>

/** Once a design: the ledger asks, and what is said of it. */
const reckon = memoise((airframe: Resolved): Record<SmallPart, Reckoned> => {
  return {
    hinges: hinges(airframe),
    linkages: linkages(airframe),
    screws: screws(airframe),
    wingBolts: wingBolts(airframe),
    closures: closures(airframe),
    straps: straps(airframe.doc),
    finish: finish(airframe),
  }
}, 4)

const PARTS = Object.keys(SMALL_NAMES) as SmallPart[]

/** Rows of the ledger; a figure of the maker's lies where the reckoned one does. */
export function smallPartEntries(airframe: Resolved): MassEntry[] {
  const reckoned = reckon(airframe)
  return PARTS.flatMap(part => {
    const told = airframe.doc.allowances.smallParts[part]
    const { mass, x, y, z } = sumMass(
      reckoned[part].places.map(place => ({ ...place, ...EMPTY, id: '', name: '' })),
    )
    const total = told === null ? mass : gToKg(told)
    if (total <= 0) return []
    const at = mass > 0 ? { x, y, z } : middleOf(airframe)
    return [
      {
        ...EMPTY,
        id: `small-${part}`,
        name: SMALL_NAMES[part],
        mass: total,
        ...at,
        source: told === null ? 'reckoned' : 'listed',
        sigma: told === null ? SMALL_SPREAD[part] * total : WEIGHED_SIGMA,
        own: mass > 0 ? spreadInertia(reckoned[part].places, { mass, x, y, z }, total) : NO_INERTIA,
      },
    ]
  })
}

const EMPTY = {
  group: 'small',
  sigma: 0,
  common: null,
  source: 'reckoned',
  drops: false,
  own: NO_INERTIA,
} as const satisfies Partial<MassEntry>

/** Points about their own middle, scaled to what the row weighs. */
function spreadInertia(places: readonly Place[], middle: Place, total: number): MassEntry['own'] {
  const sum = { xx: 0, yy: 0, zz: 0, xz: 0 }
  for (const { mass, ...at } of places) {
    const [x, y, z] = [at.x - middle.x, at.y - middle.y, at.z - middle.z]
    sum.xx += mass * (y * y + z * z)
    sum.yy += mass * (x * x + z * z)
    sum.zz += mass * (x * x + y * y)
    sum.xz += mass * x * z
  }
  const by = total / middle.mass
  return { xx: by * sum.xx, yy: by * sum.yy, zz: by * sum.zz, xz: by * sum.xz }
}

export function reportSmallParts(airframe: Resolved): SmallPartReport[] {
  const reckoned = reckon(airframe)
  return PARTS.map(part => {
    const told = airframe.doc.allowances.smallParts[part]
    const reckonedG = 1000 * reckoned[part].places.reduce((sum, place) => sum + place.mass, 0)
    return {
      part,
      name: SMALL_NAMES[part],
      reckonedG,
      massG: told ?? reckonedG,
      confirmed: told !== null,
      from: reckoned[part].from,
    }
  })
}

/** Quarter chord of the wing, in the middle: where a row stands that the drawing has no place for. */
const middleOf = ({ wing }: Resolved) => ({
  x: mmToM(wing.ends[0].lead + wing.ends[0].chord / 4),
  y: 0,
  z: mmToM(wing.origin[2]),
})

const sidesOf = (loft: SurfaceLoft): readonly (1 | -1)[] => (loft.mirror ? [1, -1] : [1])

interface Moved {
  loft: SurfaceLoft
  control: Control
  /** Span covered and its middle, m; hinge line at the middle on either side. */
  length: number
  at(side: 1 | -1): { x: number; y: number; z: number }
}

const moved = ({ doc, surfaces }: Resolved): Moved[] =>
  Object.values(surfaces).flatMap(loft =>
    controlsOf(doc, loft.name).map(control => {
      const s = ((control.fromShare + control.toShare) / 2) * loft.span
      const { chord, lead, n } = planAt(loft, s)
      return {
        loft,
        control,
        length: mmToM(Math.max(0, control.toShare - control.fromShare) * loft.span),
        at: (side: 1 | -1) => {
          const share = control.chordShare >= ALL_MOVING ? 0.25 : 1 - control.chordShare
          const [x, y, z] = placePoint(loft, lead + share * chord, n, s, side).map(mmToM)
          return { x, y, z }
        },
      }
    }),
  )

function hinges(airframe: Resolved): Reckoned {
  const hinged = moved(airframe).filter(({ control }) => control.chordShare < ALL_MOVING)
  const places = hinged.flatMap(({ loft, control, length, at }) => {
    const { kind, count } = control.hinge
    const mass = HINGE_MASS[kind] * (kind === 'tape' ? length : count)
    return sidesOf(loft).map(side => ({ mass, ...at(side) }))
  })
  const pieces = hinged.reduce(
    (sum, { loft, control }) =>
      sum + (control.hinge.kind === 'tape' ? 0 : control.hinge.count * sidesOf(loft).length),
    0,
  )
  const taped = hinged.reduce(
    (sum, { loft, control, length }) =>
      sum + (control.hinge.kind === 'tape' ? length * sidesOf(loft).length : 0),
    0,
  )
  const parts = [
    ...(pieces > 0 ? [say`${pieces} hinges`] : []),
    ...(taped > 0 ? [say`${q(1000 * taped, 'mm', 0)} of tape`] : []),
  ]
  if (parts.length === 0) return { places, from: 'no control is hinged' }
  return { places, from: parts.length === 1 ? parts[0] : say`${parts[0]} and ${parts[1]}` }
}

/** From a servo's middle to its control's hinge line; a servo that is nowhere gets a short rod. */
const SHORT_ROD = 0.08

function linkages(airframe: Resolved): Reckoned {
  const { doc } = airframe
  const servos = new Map(doc.equipment.map(item => [item.id, item]))
  let length = 0,
    horns = 0
  const places = moved(airframe).flatMap(({ loft, control, at }): Place[] => {
    const servo = control.linkage?.servo ? servos.get(control.linkage.servo) : undefined
    // A wing's halves have a rod each; a tail's are joined, unless each has its servo.
    const sides: readonly (1 | -1)[] =
      loft.mirror && (loft.name === 'wing' || servo?.pair || control.kind === 'ruddervator') ? [1, -1] : [1]
    return sides.map(side => {
      const horn = at(side)
      const from = servo ? servoPlace(servo, servo.pair ? side : 1) : horn
      const rod = servo ? Math.hypot(horn.x - from.x, horn.y - from.y, horn.z - from.z) : SHORT_ROD
      length += rod
      horns++
      return {
        mass: HORN + 2 * CLEVIS + rod * (WIRE_PER_M + (rod > SLEEVED_FROM ? SLEEVE_PER_M : 0)),
        x: (horn.x + from.x) / 2,
        y: sides.length === 1 && loft.mirror ? 0 : (horn.y + from.y) / 2,
        z: (horn.z + from.z) / 2,
      }
    })
  })
  return {
    places,
    from: horns === 0 ? 'nothing is moved' : say`${horns} horns, ${q(1000 * length, 'mm', 0)} of steel wire`,
  }
}

const servoPlace = (item: Equipment, side: 1 | -1) => ({
  x: mmToM(item.xMm),
  y: side * mmToM(item.yMm),
  z: mmToM(item.zMm),
})

function screws(airframe: Resolved): Reckoned {
  const { doc } = airframe
  const servos = doc.equipment.filter(item => item.kind === 'servo')
  const places: Place[] = servos.flatMap(item =>
    (item.pair ? ([1, -1] as const) : ([1] as const)).map(side => ({
      mass: SERVO_SCREWS,
      ...servoPlace(item, side),
    })),
  )
  let motorScrews = 0
  for (const { body, loft, ys } of bodiesOf(airframe)) {
    const wall = body.firewall
    if (!wall || wall.bolts === 0) continue
    motorScrews += ys.length * wall.bolts
    places.push(
      ...ys.map(y => ({
        mass: wall.bolts * MOTOR_SCREW_3MM * (wall.boltMm / 3) ** 3,
        x: mmToM(loft.from),
        y: mmToM(y),
        z: mmToM(loft.at(loft.from).z),
      })),
    )
  }
  const count = servos.reduce((sum, item) => sum + (item.pair ? 2 : 1), 0)
  return { places, from: say`${count} servos, ${motorScrews} screws of the motor` }
}

function wingBolts(airframe: Resolved): Reckoned {
  const { wing } = airframe
  const places: Place[] = []
  const sizes = new Set<number>()
  for (const { body, ys } of bodiesOf(airframe)) {
    const { saddle } = body
    if (!saddle || saddle.bolts === 0) continue
    for (const y of ys) {
      const seat = seatAbove(wing, y)
      if (!seat) continue
      sizes.add(saddle.boltMm)
      places.push(
        ...wingBoltPlaces(seat, saddle.bolts).map(x => ({
          mass: WING_BOLT_3MM * (saddle.boltMm / 3) ** 3,
          x: mmToM(x),
          y: mmToM(y),
          z: mmToM(seat.z),
        })),
      )
    }
  }
  const tail = tailScrews(airframe)
  if (places.length + tail.length === 0) return { places, from: 'no bolt holds wing or tail' }
  const ofWing = say`${places.length} bolts of ${q(Math.max(0, ...sizes), 'mm', 0)} in steel`,
    ofTail = say`${tail.length} screws of the tail with their inserts`
  return {
    places: [...places, ...tail],
    from: tail.length === 0 ? ofWing : places.length === 0 ? ofTail : say`${ofWing}, ${ofTail}`,
  }
}

/** Of a tail that comes off: at the root of each surface, on its half chord. */
function tailScrews(airframe: Resolved): Place[] {
  const { doc, surfaces } = airframe
  return (['horizontal', 'vertical'] as const).flatMap(name =>
    tailParts(airframe, name).flatMap(side => {
      const {
        stations: [root],
        origin: [, y, z],
        mirror,
      } = surfaces[name]!
      return Array.from({ length: doc.tail.screws }, (): Place => ({
        mass: TAIL_SCREW,
        x: mmToM(root.lead + root.chord / 2),
        y: mmToM(mirror ? side * y : y),
        z: mmToM(z),
      }))
    }),
  )
}

function closures(airframe: Resolved): Reckoned {
  const places = bodiesOf(airframe).flatMap(({ body, loft, ys }) =>
    body.openings.flatMap(({ fromMm, toMm }) =>
      ys.map(y => ({
        mass: 2 * CLOSURE,
        x: mmToM((fromMm + toMm) / 2),
        y: mmToM(y),
        z: mmToM(loft.at((fromMm + toMm) / 2).z),
      })),
    ),
  )
  if (places.length === 0) return { places, from: 'no hatch' }
  return { places, from: say`two pairs for each of ${places.length} hatches` }
}

function straps(doc: Design): Reckoned {
  const batteries = doc.equipment.filter(item => item.kind === 'battery')
  if (batteries.length === 0) return { places: [], from: 'no battery' }
  return {
    places: batteries.flatMap(item => {
      // The strap stays in the bay while the battery slides.
      const x = item.bay ? (item.bay[0] + item.bay[1]) / 2 : item.xMm
      return (item.pair ? ([1, -1] as const) : ([1] as const)).map(side => ({
        mass: STRAP,
        ...servoPlace({ ...item, xMm: x }, side),
      }))
    }),
    from: say`${q(250, 'mm', 0)} of strap and a strip of hook tape for each battery`,
  }
}

function finish(airframe: Resolved): Reckoned {
  const { surfaces } = airframe
  const places: Place[] = []
  let area = 0
  for (const loft of Object.values(surfaces))
    for (let i = 0; i + 1 < loft.ends.length; i++) {
      const s = (loft.ends[i].s + loft.ends[i + 1].s) / 2
      const { chord, lead, n } = planAt(loft, s)
      const skin =
        2 *
        mm2ToM2(((loft.ends[i].chord + loft.ends[i + 1].chord) / 2) * (loft.ends[i + 1].s - loft.ends[i].s))
      for (const side of sidesOf(loft)) {
        const [x, y, z] = placePoint(loft, lead + chord / 2, n, s, side).map(mmToM)
        area += skin
        places.push({ mass: FINISH_AREAL * skin, x, y, z })
      }
    }
  for (const { loft, ys } of bodiesOf(airframe))
    for (let i = 0; i + 1 < loft.grid.length; i++) {
      const x = (loft.grid[i] + loft.grid[i + 1]) / 2
      const { width, height, z } = loft.at(x)
      const skin = mm2ToM2(((Math.PI * (width + height)) / 2) * (loft.grid[i + 1] - loft.grid[i]))
      for (const y of ys) {
        area += skin
        places.push({ mass: FINISH_AREAL * skin, x: mmToM(x), y: mmToM(y), z: mmToM(z) })
      }
    }
  return {
    places,
    from: say`${q(100 * area, 'dm²', 0)} of skin at ${q(1000 * FINISH_AREAL, 'g/m²', 0)}; a coat of paint is five times that`,
  }
}
