/**
 * The motor behind the wing, between two booms that carry the tail: nothing ahead of the body, and the propeller out of
 * the grass. mm, °
 */
import type { Control, Equipment, Pod, ProjectFile, Surface } from '../../document'
import { gapAt, loftSurface, seatAbove } from '../../geometry'
import { stockOr, type Libraries } from '../../libraries'
import { bodySize, bodyStation, hatches, mountWidth } from '../body'
import { fitted, loadOf, loadSize } from '../fitted'
import { part } from '../kit'
import { half, whole, type Draft } from '../sketch'
import { straightWing, tailRod, TAPE, wingPlan, wingSpars, type Drawn } from '../wing'
import { bodyZones, tailZone, wingZones } from '../zones'

/** Between a propeller's tip and a boom. */
const CLEAR = 16
/** Of each fin, height over mean chord, and tip chord over root chord. */
const FIN = { aspect: 1.3, taper: 0.65 }
/** What holds a boom begins and ends at these shares of the chord there. */
const HOLDER = { from: 0.08, to: 1.12 }
/** The battery goes as far ahead as the body is as wide as it, a share of the nose. */
const BAY_FROM = 0.14
/** Battery and hatch ahead of the wing. */
export const leastAhead = ({ sketch: { kit } }: Draft): number => 0.7 * kit.battery.sizeMm[0] + 50

export function pusher(draft: Draft, libraries: Libraries): Drawn {
  const { purpose, sketch } = draft,
    { kit } = sketch
  const plan = wingPlan(draft),
    n = sketch.noseMm,
    c = plan.rootMm
  const { width, height } = bodySize(draft)
  const wing = straightWing(draft, n, height / 2 + 4, 2)
  const mean = sketch.areaMm2 / (2 * plan.halfMm),
    arm = sketch.arm * mean
  const boom = stockOr(libraries, sketch.boom)
  const y = half(kit.turns.diameterMm / 2 + CLEAR + boom.heightMm / 2)
  const { pod: holder, lengthMm: held } = boomHolder(wing, y, boom.heightMm)
  const tailAt = n + c / 4 + arm
  const tail = tailBetween(draft, tailAt, y, holder.zMm, boom.heightMm / 2, mean)
  const back = mountWidth(draft),
    rear = n + c + 4,
    motorAt = rear + kit.motor.sizeMm[0] / 2
  const loadMm = loadSize(loadOf(draft)),
    loadAt = n + 0.25 * c
  const hatchFrom = whole(0.26 * n)
  const hatch: [number, number] = [
    hatchFrom,
    whole(Math.max(hatchFrom + 30, Math.min(n - 22, hatchFrom + kit.battery.sizeMm[0] + 50))),
  ]
  const bay: [number, number] = [
    whole(BAY_FROM * n),
    whole(loadOf(draft) > 0 ? loadAt - loadMm[0] / 2 - 4 : n + 0.35 * c),
  ]
  const put = fitted(draft)
  const [servoLong] = kit.servo.sizeMm
  const paired = (items: Equipment[]): Equipment[] => items.map(item => ({ ...item, pair: true }))
  const end = tail.vertical!.xMm + tail.vertical!.rootChordMm
  return {
    wing,
    tail,
    body: {
      stations: [
        bodyStation(0, [0.4 * width, 0.4 * height], 0, 0.1, 'nose'),
        bodyStation(BAY_FROM * n, [0.9 * width, 0.88 * height], 0, 0.3, 'nose'),
        bodyStation(0.4 * n, [width, 0.97 * height], 1, 0.3, 'nose'),
        bodyStation(n - 10, [width, height], 3, 0.28, 'body'),
        bodyStation(n + 0.5 * c, [width, height], 4, 0.3, 'body'),
        bodyStation(rear, [back, back], 3, 0, 'body'),
      ],
      firewall: null,
      openings: hatches(draft, hatch, loadAt, width),
      saddle: { clearanceMm: 0.3, bolts: sketch.bolts, boltMm: 3 },
    },
    pods: [holder],
    boom: {
      stock: sketch.boom,
      yMm: y,
      fromMm: half(holder.xMm + 0.35 * held),
      toMm: half(Math.min(end + 4, holder.xMm + 0.35 * held + boom.lengthMm)),
      zMm: holder.zMm,
      socketMm: whole(Math.max(40, 3.3 * boom.heightMm)),
    },
    zones: [...bodyZones(draft, false), ...wingZones(draft), tailZone(draft)],
    spars: [
      ...wingSpars(draft, wing, libraries),
      tailRod('tail-rod', 'Tailplane rod', 'horizontal', 0.9 * tail.horizontal!.panels[0].spanMm),
      tailRod('fin-rod', 'Fin rod', 'vertical', 0.72 * tail.vertical!.panels[0].spanMm),
    ],
    equipment: [
      ...put.battery([half((bay[0] + bay[1]) / 2), 0, half(-0.36 * height + kit.battery.sizeMm[2] / 2)], bay),
      ...put.motor([half(motorAt), 0, 3]),
      ...put.propeller([half(motorAt + kit.motor.sizeMm[0] / 2 + 8), 0, 3], [10, 12]),
      part('motor-mount', 'Motor mount, plywood', 'hardware', 5, [half(rear - 3), 0, 3], [4, back, back]),
      ...put.controller([half(n + 0.78 * c), 0, half(height / 2 - kit.controller.sizeMm[2] - 8)]),
      ...put.receiver([half(n + 0.58 * c), 0, 8]),
      ...paired(
        put.servo('elevator-servo', 'Elevator servo', [
          half(holder.xMm + held + servoLong / 2 + 4),
          y,
          half(holder.zMm - boom.heightMm / 2 - kit.servo.sizeMm[2] / 2),
        ]),
      ),
      ...(purpose.ailerons ? put.wingServos('aileron-servo', 'Aileron servo', wing, [0.57, 0.5]) : []),
      ...put.load([half(loadAt), 0, half(-height / 2 + loadMm[2] / 2 + 6)]),
    ],
    gear: [],
  }
}

/** A slender body under the wing that a boom runs into, glued to it, one a side. */
function boomHolder(wing: Surface, y: number, boomMm: number): { pod: Pod; lengthMm: number } {
  const seat = seatAbove(loftSurface('wing', 'Wing', wing, [], 1), y)!
  const xMm = half(seat.lead + HOLDER.from * seat.chord),
    lengthMm = half((HOLDER.to - HOLDER.from) * seat.chord)
  const size = boomMm + 14
  const under = Math.min(
    ...[0.2, 0.4, 0.6, 0.8].map(
      share => gapAt(seat.outline, seat.lead + share * seat.chord)?.lower ?? seat.n,
    ),
  )
  // Its upper part stands in the lower skin, so that there is something to glue.
  const zMm = half(seat.z + under - size / 2 + 5)
  const station = (share: number, own: number) => ({
    xMm: half(share * lengthMm),
    widthMm: half(own),
    heightMm: half(own),
    zMm: 0,
    squareness: 0,
    zone: 'body',
  })
  const pod: Pod = {
    id: 'boom-holder',
    name: 'Boom holder',
    piece: 1,
    xMm,
    yMm: y,
    zMm,
    pair: true,
    duct: null,
    cuts: [],
    body: {
      stations: [station(0, 0.55 * size), station(0.2, size), station(0.8, size), station(1, size)],
      firewall: null,
      openings: [],
      saddle: { clearanceMm: 0.3, bolts: 0, boltMm: 3 },
    },
  }
  return { pod, lengthMm }
}

/** A tailplane from boom to boom, and a fin on either. */
function tailBetween(
  { purpose, sketch }: Draft,
  quarterAt: number,
  y: number,
  z: number,
  depth: number,
  mean: number,
): ProjectFile['tail'] {
  const arm = sketch.arm * mean,
    span = Math.sqrt(sketch.aspect * sketch.areaMm2)
  const flat = (purpose.tailVolume * sketch.areaMm2 * mean) / arm,
    upright = (sketch.fin * purpose.finVolume * sketch.areaMm2 * span) / arm / 2
  const chord = flat / (2 * y)
  const reach = Math.sqrt(FIN.aspect * upright),
    root = (2 * upright) / (reach * (1 + FIN.taper)),
    sweepMm = 0.8 * root * (1 - FIN.taper)
  const common = { twistAxisShare: 0.25, rootAerofoil: 'naca0009' }
  const panel = (spanMm: number, tipChordMm: number, sweep: number) => ({
    spanMm: half(spanMm),
    tipChordMm: half(tipChordMm),
    sweepMm: half(sweep),
    dihedralDeg: 0,
    tipTwistDeg: 0,
    tipAerofoil: 'naca0009',
    zone: 'tail',
  })
  const elevator: Control = {
    piece: 1,
    name: 'Elevator',
    kind: 'elevator',
    fromShare: 0.04,
    toShare: 0.92,
    chordShare: 0.42,
    throwUpDeg: 18,
    throwDownDeg: 15,
    hinge: TAPE,
    linkage: { servo: 'elevator-servo', armMm: 8, hornMm: 17 },
  }
  return {
    kind: 'conventional',
    screws: 0,
    slots: false,
    horizontal: {
      ...common,
      xMm: half(quarterAt - chord / 4),
      yMm: 0,
      zMm: half(z),
      incidenceDeg: sketch.tailDeg,
      cantDeg: 0,
      mirror: true,
      rootChordMm: half(chord),
      tip: { kind: 'flat', lengthMm: 1 },
      panels: [panel(y - depth, chord, 0)],
      controls: [elevator],
    },
    vertical: {
      ...common,
      xMm: half(quarterAt - sweepMm / 2 - (root * (1 + FIN.taper)) / 8),
      yMm: y,
      zMm: half(z + depth + 1),
      incidenceDeg: 0,
      cantDeg: 90,
      mirror: true,
      rootChordMm: half(root),
      tip: { kind: 'rounded', lengthMm: 8 },
      panels: [panel(reach, FIN.taper * root, sweepMm)],
      controls: [],
    },
  }
}
