/** A wing on a body with its tail behind: on a boom or at the end of the body; four tails. mm, ° */
import type { BodyStation, Control, ProjectFile, Surface } from '../../document'
import { stockOr, type Libraries } from '../../libraries'
import { part } from '../kit'
import { half, whole, type Draft } from '../sketch'
import { straightWing, tailRod, TAPE, underSkin, wingPlan, wingSpars, type Drawn } from '../wing'
import { bodyZones, tailZone, wingZones } from '../zones'

export type TailKind = 'low' | 'T' | 'V'

/** Aspect ratios and taper of tails, as is usual. */
const TAILPLANE = { aspect: 4.2, taper: 0.72 },
  FIN = { aspect: 1.35, taper: 0.62 }
/** Cant of a V-tail: about what parts its area between pitch and yaw as two surfaces would. */
const V_CANT = 38

/** A hatch at most so wide, over the body's width. */
const HATCH_SHARE = 0.72
/** Room round what lies in a body, mm. */
const ROOM = 5
/** The wing's leading edge behind the change from nose to body, mm. */
const BEHIND = 10

/** Inner sizes that the body needs, mm. */
export function bodySize({ wishes, purpose, sketch: { kit } }: Draft): { width: number; height: number } {
  const load = loadSize(wishes.payloadG ?? purpose.payloadG)
  const { battery, controller, servo, motor } = kit
  return {
    width: Math.max(
      battery.sizeMm[1] + 2 * ROOM + 4,
      load[1] > 0 ? (load[1] + 8) / HATCH_SHARE : 0,
      2 * servo.sizeMm[1] + 12 + 2 * ROOM,
      motor.sizeMm[1] + 20,
    ),
    height: Math.max(
      battery.sizeMm[2] + controller.sizeMm[2] + 2 * ROOM + 10,
      load[2] + 2 * ROOM + 12,
      servo.sizeMm[2] + 2 * ROOM + 6,
      motor.sizeMm[1] + 20,
    ),
  }
}

/** A load of 0.8 g/cm³, half as long again as it is wide and high. */
export function loadSize(grams: number): [number, number, number] {
  if (grams <= 0) return [0, 0, 0]
  const side = Math.cbrt(grams / 0.8 / 1.5) * 10
  return [whole(1.5 * side), whole(side), whole(side)]
}

/** Shortest nose that holds the motor, and a hatch ahead of the wing that takes the battery in on a slant, mm. */
export const shortestNose = ({ sketch: { kit } }: Draft): number =>
  kit.motor.sizeMm[0] + 0.7 * kit.battery.sizeMm[0] + 30

export function tailed(draft: Draft, tail: TailKind, onBoom: boolean, libraries: Libraries): Drawn {
  const { purpose, sketch, wishes } = draft,
    { kit } = sketch
  const plan = wingPlan(draft),
    n = sketch.noseMm,
    c = plan.rootMm
  const { width, height } = bodySize(draft)
  const boom = stockOr(libraries, sketch.boom)
  const wing = straightWing(draft, n, height / 2 + 4, 2)
  const mean = sketch.areaMm2 / (2 * plan.halfMm)
  const armMm = sketch.arm * mean
  // Quarter chords that far apart.
  const tailAt = n + c / 4 + armMm
  const tailZ = 6
  const tailDepth = onBoom ? boom.heightMm / 2 : 9
  const surfaces = tailSurfaces(draft, tail, tailAt, tailZ, tailDepth, mean)
  const rear = Math.max(
    ...[surfaces.horizontal, surfaces.vertical].flatMap(item =>
      item ? [item.xMm + (tail === 'T' && item === surfaces.horizontal ? 0 : item.rootChordMm)] : [],
    ),
  )
  const station = (
    xMm: number,
    widthMm: number,
    heightMm: number,
    zMm: number,
    squareness: number,
    zone: string,
  ): BodyStation => ({
    xMm: half(xMm),
    widthMm: half(widthMm),
    heightMm: half(heightMm),
    zMm: half(zMm),
    squareness,
    zone,
  })
  const front = Math.max(kit.motor.sizeMm[1] + 14, 34)
  const end = boom.heightMm + 14
  const podEnd = n + 1.45 * c
  const stations = [
    station(0, front, front, 0, 0, 'nose'),
    station(0.3 * n, front + 0.7 * (width - front), front + 0.7 * (height - front), 0, 0.12, 'nose'),
    station(0.62 * n, width, 0.97 * height, 1, 0.25, 'nose'),
    station(n - BEHIND, width, height, 3, 0.28, 'body'),
    station(n + 0.35 * c, width, height, 4, 0.3, 'body'),
    station(n + 0.9 * c, 0.82 * width, 0.8 * height, 5, 0.2, 'body'),
    ...(onBoom
      ? [station(podEnd, end, end, tailZ, 0, 'body')]
      : [
          station(podEnd, 0.58 * width, 0.58 * height, tailZ, 0.1, 'rear'),
          station(rear, 18, 22, tailZ, 0, 'rear'),
        ]),
  ]
  // Where the battery lies in a long nose; no longer than a lid that can be printed.
  const hatchFrom = whole(Math.max(kit.motor.sizeMm[0] + 10, 0.3 * n))
  const hatch: [number, number] = [
    hatchFrom,
    whole(Math.max(hatchFrom + 30, Math.min(n - BEHIND - 12, hatchFrom + kit.battery.sizeMm[0] + 50))),
  ]
  const load = wishes.payloadG ?? purpose.payloadG
  const loadMm = loadSize(load)
  const servoSpec = { torqueNcm: kit.servo.torqueNcm, travelDeg: kit.servo.travelDeg }
  const [long, thin, tall] = kit.servo.sizeMm
  const motorAt = kit.motor.sizeMm[0] / 2 - 1
  const servoAt = n + 0.8 * c
  const { battery } = kit
  const bay: [number, number] = [whole(kit.motor.sizeMm[0] + 8), whole(n + 0.6 * c)]
  const equipment: ProjectFile['equipment'] = [
    part(
      'propeller',
      kit.propeller.name,
      'propeller',
      kit.propeller.massG,
      [-14, 0, 0],
      [24, kit.propeller.diameterMm, 20],
      { propeller: specOf(kit.propeller) },
    ),
    part('motor', kit.motor.name, 'motor', kit.motor.massG, [motorAt, 0, 0], kit.motor.sizeMm, {
      motor: motorSpecOf(kit.motor),
    }),
    part(
      'controller',
      kit.controller.name,
      'speed-controller',
      kit.controller.massG,
      [half(n + 0.1 * c), 0, half(height / 2 - kit.controller.sizeMm[2] - 6)],
      kit.controller.sizeMm,
      { controller: { limitA: kit.controller.limitA, resistanceOhm: kit.controller.resistanceOhm } },
    ),
    part(
      'battery',
      battery.name,
      'battery',
      battery.massG,
      [half((bay[0] + Math.min(bay[1], n + 10)) / 2), 0, half(-height / 2 + battery.sizeMm[2] / 2 + 8)],
      battery.sizeMm,
      {
        bay,
        battery: {
          cells: battery.cells,
          capacityMah: battery.capacityMah,
          resistanceOhm: null,
          continuousC: 20,
        },
      },
    ),
    part(
      'receiver',
      kit.receiver.name,
      'receiver',
      kit.receiver.massG,
      [n + 0.55 * c, 0, 8],
      kit.receiver.sizeMm,
    ),
    ...(['elevator-servo', 'rudder-servo'] as const).map((id, i) =>
      part(
        id,
        `${tail === 'V' ? `Tail servo ${i + 1}` : i === 0 ? 'Elevator servo' : 'Rudder servo'}, ${kit.servo.massG} g`,
        'servo',
        kit.servo.massG,
        [servoAt, (i === 0 ? 1 : -1) * (thin / 2 + 4), 4],
        kit.servo.sizeMm,
        { servo: servoSpec },
      ),
    ),
    ...(purpose.ailerons
      ? [
          part(
            'aileron-servo',
            `Aileron servo, ${kit.servo.massG} g`,
            'servo',
            kit.servo.massG,
            underSkin(wing, 0.57, 0.5, long, thin),
            [long, tall, thin],
            { pair: true, pocket: { surface: 'wing', cableMm: 4 }, servo: servoSpec },
          ),
        ]
      : []),
    ...(load > 0
      ? [
          part(
            'load',
            wishes.purpose === 'camera' ? 'Camera' : 'Load',
            'payload',
            load,
            [half(n + 0.3 * c), 0, half(-height / 2 + loadMm[2] / 2 + 6)],
            loadMm,
          ),
        ]
      : []),
  ]
  return {
    wing,
    tail: surfaces.tail,
    body: {
      stations,
      firewall: {
        thicknessMm: sketch.firewallMm,
        bolts: 4,
        boltCircleMm: Math.max(12, whole(0.8 * kit.motor.sizeMm[1])),
        boltMm: 3.2,
        shaftMm: 10,
      },
      openings: [
        {
          id: 'battery-hatch',
          name: 'battery hatch',
          side: 'top',
          fromMm: hatch[0],
          toMm: hatch[1],
          widthMm: whole(Math.min(HATCH_SHARE * width, battery.sizeMm[1] + 6)),
        },
        ...(load > 0
          ? [
              {
                id: 'load-hatch',
                name: 'load hatch',
                side: 'bottom' as const,
                fromMm: whole(n + 0.3 * c - loadMm[0] / 2 - 4),
                toMm: whole(n + 0.3 * c + loadMm[0] / 2 + 4),
                widthMm: whole(Math.min(HATCH_SHARE * width, loadMm[1] + 6)),
              },
            ]
          : []),
      ],
      saddle: { clearanceMm: 0.3, bolts: sketch.bolts, boltMm: 3 },
    },
    boom: onBoom
      ? {
          stock: sketch.boom,
          fromMm: half(podEnd - 0.5 * c),
          toMm: half(Math.min(rear + 4, podEnd - 0.5 * c + boom.lengthMm)),
          zMm: tailZ,
          socketMm: whole(Math.max(40, 3.3 * boom.heightMm)),
        }
      : null,
    zones: [...bodyZones(draft, !onBoom), ...wingZones(draft), tailZone(draft)],
    spars: [
      ...wingSpars(draft, wing, libraries),
      ...(surfaces.horizontal
        ? [tailRod('tail-rod', 'Tailplane rod', 'horizontal', 0.72 * surfaces.horizontal.panels[0].spanMm)]
        : []),
      ...(surfaces.vertical
        ? [tailRod('fin-rod', 'Fin rod', 'vertical', 0.72 * surfaces.vertical.panels[0].spanMm)]
        : []),
    ],
    equipment,
    gear: wishes.landing === 'wheels' || wishes.launch === 'wheels' ? [legs(draft, n, width, height)] : [],
  }
}

/** Two wires ahead of the balance, long enough for the propeller; the tail rests on its skid. */
function legs({ sketch }: Draft, n: number, width: number, height: number): ProjectFile['gear'][number] {
  const mountZ = -height / 2 + 5
  const dropMm = Math.max(45, sketch.kit.propeller.diameterMm / 2 + 22 + mountZ - 24)
  return {
    id: 'main-leg',
    name: 'Main leg',
    kind: 'wire',
    xMm: half(n - 2),
    yMm: half(0.3 * width),
    zMm: half(mountZ),
    dropMm: half(dropMm),
    splayMm: half(0.7 * dropMm),
    thicknessMm: sketch.legMm,
    widthMm: 8,
    zone: 'body',
    springNmm: 5,
    travelMm: 10,
    wheelMm: 48,
    tyreMm: 8,
    wheelG: 8,
    pair: true,
    mount: { lengthMm: 30, widthMm: 20, depthMm: 4 },
  }
}

export const specOf = ({
  diameterMm,
  pitchMm,
  blades,
  chord,
  folding,
  material,
}: Draft['sketch']['kit']['propeller']) => ({
  diameterMm,
  pitchMm,
  blades,
  chord,
  folding,
  material,
})
export const motorSpecOf = ({
  rpmPerVolt,
  resistanceOhm,
  noLoadA,
  maxA,
}: Draft['sketch']['kit']['motor']) => ({
  rpmPerVolt,
  resistanceOhm,
  noLoadA,
  maxA,
})

const control = (
  name: string,
  kind: Control['kind'],
  servo: string,
  chordShare: number,
  deg: number,
): Control => ({
  piece: 1,
  name,
  kind,
  fromShare: 0.04,
  toShare: 1,
  chordShare,
  throwUpDeg: deg,
  throwDownDeg: deg,
  hinge: TAPE,
  linkage: { servo, armMm: 8, hornMm: 14 },
})

function tailSurfaces(
  { purpose, sketch }: Draft,
  kind: TailKind,
  quarterAt: number,
  z: number,
  depth: number,
  mean: number,
): { tail: ProjectFile['tail']; horizontal: Surface | null; vertical: Surface | null } {
  const arm = sketch.arm * mean,
    span = Math.sqrt(sketch.aspect * sketch.areaMm2)
  const flat = (purpose.tailVolume * sketch.areaMm2 * mean) / arm,
    upright = (sketch.fin * purpose.finVolume * sketch.areaMm2 * span) / arm
  /** `area` of one half, or of a fin; `reach` along the surface. */
  const surface = (
    area: number,
    reach: number,
    taper: number,
    sweep: number,
    more: Partial<Surface>,
    controls: Control[],
  ): Surface => {
    const root = (2 * area) / (reach * (1 + taper))
    const sweepMm = sweep * root * (1 - taper)
    // Mean quarter chord at `quarterAt`: half the sweep, and a quarter of the mean chord.
    const xMm = quarterAt - sweepMm / 2 - (root * (1 + taper)) / 8
    return {
      xMm: half(xMm),
      yMm: 0,
      zMm: z,
      incidenceDeg: 0,
      cantDeg: 0,
      mirror: true,
      rootChordMm: half(root),
      rootAerofoil: 'naca0009',
      twistAxisShare: 0.25,
      tip: { kind: 'rounded', lengthMm: 8 },
      panels: [
        {
          spanMm: half(reach),
          tipChordMm: half(taper * root),
          sweepMm: half(sweepMm),
          dihedralDeg: 0,
          tipTwistDeg: 0,
          tipAerofoil: 'naca0009',
          zone: 'tail',
        },
      ],
      controls,
      ...more,
    }
  }
  if (kind === 'V') {
    // cos² of the cant counts in pitch and sin² in yaw (Purser and Campbell, NACA TR 823).
    const area = Math.max(
      flat / Math.cos((V_CANT * Math.PI) / 180) ** 2,
      upright / Math.sin((V_CANT * Math.PI) / 180) ** 2,
    )
    const reach = Math.sqrt(TAILPLANE.aspect * area) / 2
    const horizontal = surface(
      area / 2,
      reach,
      TAILPLANE.taper,
      0.6,
      { cantDeg: V_CANT, yMm: half(depth * 0.5), zMm: half(z + depth * 0.6), incidenceDeg: sketch.tailDeg },
      [control('Ruddervators', 'ruddervator', 'elevator-servo', 0.35, 18)],
    )
    return { tail: { kind: 'V', horizontal, vertical: null }, horizontal, vertical: null }
  }
  const finReach = Math.sqrt(FIN.aspect * upright)
  const vertical = surface(
    upright,
    finReach,
    FIN.taper,
    kind === 'T' ? 1 : 0.85,
    { cantDeg: 90, mirror: false, zMm: half(z + depth + 2) },
    [control('Rudder', 'rudder', 'rudder-servo', 0.4, 25)],
  )
  const reach = Math.sqrt(TAILPLANE.aspect * flat) / 2
  const horizontal = surface(
    flat / 2,
    reach,
    TAILPLANE.taper,
    0.7,
    kind === 'T'
      ? { zMm: half(z + depth + 2 + finReach), incidenceDeg: sketch.tailDeg }
      : { yMm: half(depth), incidenceDeg: sketch.tailDeg },
    [control('Elevator', 'elevator', 'elevator-servo', 0.35, 15)],
  )
  return {
    tail: { kind: kind === 'T' ? 'T' : 'conventional', horizontal, vertical },
    horizontal,
    vertical,
  }
}
