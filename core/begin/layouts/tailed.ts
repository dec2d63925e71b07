/** A wing on a body with its tail behind: on a boom or at the end of the body; four tails. mm, ° */
import type { Control, ProjectFile, Surface } from '../../document'
import { withSecondWing } from '../../change'
import { stockOr, type Libraries } from '../../libraries'
import { bodySize, bodyStation, hatches, mountWidth } from '../body'
import { NO_CUTS } from '../no-cuts'
import { ducts } from '../ducts'
import { fitted, loadOf, loadSize } from '../fitted'
import { half, whole, type Draft } from '../sketch'
import { motorPods, mount } from '../pods'
import { straightWing, tailRod, TAPE, wingPlan, wingSpars, type Drawn } from '../wing'
import { bodyZones, tailZone, wingZones } from '../zones'

export type TailKind = 'low' | 'T' | 'V'

/** Aspect ratios and taper of tails, as is usual. */
const TAILPLANE = { aspect: 4.2, taper: 0.72 },
  FIN = { aspect: 1.35, taper: 0.62 }
/** Cant of a V-tail: about what parts its area between pitch and yaw as two surfaces would. */
const V_CANT = 38

/** The wing's leading edge behind the change from nose to body, mm. */
const BEHIND = 10

/** Shortest nose that holds the motor, and a hatch ahead of the wing that takes the battery in on a slant, mm. */
export const shortestNose = ({ sketch: { kit } }: Draft): number =>
  kit.motor.sizeMm[0] + 0.7 * kit.battery.sizeMm[0] + 30

/** Where the motors are on the wing: as long as the battery's hatch. */
export const shortestFree = ({ sketch: { kit } }: Draft): number => 0.7 * kit.battery.sizeMm[0] + 40

/** Chord share of a rudder, and its horn. */
const RUDDER = { share: 0.4, hornMm: 14 }
/** A twin's fin against its habit, and its rudder: one motor may stop. */
const TWIN_FIN = 1.8,
  TWIN_RUDDER = { share: 0.5, hornMm: 19 }

export interface TailedKind {
  tail: TailKind
  onBoom: boolean
  /** In the nose, in a pair of pods on the wing, a fan over it, or a pair of them under it. */
  drive?: 'nose' | 'pods' | 'fan' | 'fans'
  /** A second wing over the first, with half of the area each. */
  biplane?: boolean
}

export function tailed(
  given: Draft,
  { tail, onBoom, drive = 'nose', biplane = false }: TailedKind,
  libraries: Libraries,
): Drawn {
  const twin = drive === 'pods' || drive === 'fans',
    free = drive !== 'nose'
  const draft = twin ? { ...given, sketch: { ...given.sketch, fin: TWIN_FIN * given.sketch.fin } } : given
  const { purpose, sketch, wishes } = draft,
    { kit } = sketch
  const winged = biplane ? { ...draft, sketch: { ...sketch, areaMm2: sketch.areaMm2 / 2 } } : draft
  const plan = wingPlan(winged),
    n = sketch.noseMm,
    c = plan.rootMm
  const { width, height } = bodySize(draft)
  const boom = stockOr(libraries, sketch.boom)
  const wing = straightWing(winged, n, height / 2 + 4, 2)
  const mean = winged.sketch.areaMm2 / (2 * plan.halfMm)
  const armMm = sketch.arm * mean
  // Quarter chords that far apart.
  const tailAt = n + c / 4 + armMm
  const tailZ = 6
  const tailDepth = onBoom ? boom.heightMm / 2 : 9
  const surfaces = tailSurfaces(
    draft,
    tail,
    tailAt,
    tailZ,
    tailDepth,
    mean,
    2 * plan.halfMm,
    twin ? TWIN_RUDDER : RUDDER,
  )
  const rear = Math.max(
    ...[surfaces.horizontal, surfaces.vertical].flatMap(item =>
      item ? [item.xMm + (tail === 'T' && item === surfaces.horizontal ? 0 : item.rootChordMm)] : [],
    ),
  )
  const front = free ? 0.5 * Math.min(width, height) : mountWidth(draft)
  const motorLong = free ? 0 : kit.motor.sizeMm[0]
  const pods = drive === 'pods' ? motorPods(draft, wing, width) : null,
    fans = drive === 'fan' || drive === 'fans' ? ducts(draft, wing, twin) : null
  const end = boom.heightMm + 14
  const podEnd = n + 1.45 * c
  const stations = [
    bodyStation(0, [front, front], 0, 0, 'nose'),
    bodyStation(0.3 * n, [front + 0.7 * (width - front), front + 0.7 * (height - front)], 0, 0.12, 'nose'),
    bodyStation(0.62 * n, [width, 0.97 * height], 1, 0.25, 'nose'),
    bodyStation(n - BEHIND, [width, height], 3, 0.28, 'body'),
    bodyStation(n + 0.35 * c, [width, height], 4, 0.3, 'body'),
    bodyStation(n + 0.9 * c, [0.82 * width, 0.8 * height], 5, 0.2, 'body'),
    ...(onBoom
      ? [bodyStation(podEnd, [end, end], tailZ, 0, 'body')]
      : [
          bodyStation(podEnd, [0.58 * width, 0.58 * height], tailZ, 0.1, 'rear'),
          bodyStation(rear, [18, 22], tailZ, 0, 'rear'),
        ]),
  ]
  // Where the battery lies in a long nose; no longer than a lid that can be printed.
  const hatchFrom = whole(Math.max(motorLong + 10, 0.3 * n))
  const hatch: [number, number] = [
    hatchFrom,
    whole(Math.max(hatchFrom + 30, Math.min(n - BEHIND - 12, hatchFrom + kit.battery.sizeMm[0] + 50))),
  ]
  const loadMm = loadSize(loadOf(draft)),
    loadAt = n + 0.3 * c
  const thin = kit.servo.sizeMm[1]
  const bay: [number, number] = [whole(motorLong + 8), whole(n + 0.6 * c)]
  const put = fitted(draft)
  const tailServo = ['Elevator servo', 'Rudder servo'] as const
  const equipment: ProjectFile['equipment'] = [
    ...((pods ?? fans)?.equipment ?? [
      ...put.propeller([-14, 0, 0], [24, 20]),
      ...put.motor([kit.motor.sizeMm[0] / 2 - 1, 0, 0]),
      ...put.controller([half(n + 0.1 * c), 0, half(height / 2 - kit.controller.sizeMm[2] - 6)]),
    ]),
    ...(drive === 'fan'
      ? put.controller([half(n + 0.1 * c), 0, half(height / 2 - kit.controller.sizeMm[2] - 6)])
      : []),
    ...put.battery(
      [half((bay[0] + Math.min(bay[1], n + 10)) / 2), 0, half(-height / 2 + kit.battery.sizeMm[2] / 2 + 8)],
      bay,
    ),
    ...put.receiver([n + 0.55 * c, 0, 8]),
    ...(['elevator-servo', 'rudder-servo'] as const).flatMap((id, i) =>
      put.servo(id, tail === 'V' ? `Tail servo ${i + 1}` : tailServo[i], [
        n + 0.8 * c,
        (i === 0 ? 1 : -1) * (thin / 2 + 4),
        4,
      ]),
    ),
    ...(purpose.ailerons ? put.wingServos('aileron-servo', 'Aileron servo', wing, [0.57, 0.5]) : []),
    ...put.load([half(loadAt), 0, half(-height / 2 + loadMm[2] / 2 + 6)]),
  ]
  const drawn: Drawn = {
    wing,
    tail: surfaces.tail,
    body: {
      stations,
      firewall: free ? null : mount(draft),
      openings: hatches(draft, hatch, loadAt, width),
      saddle: { clearanceMm: 0.3, bolts: sketch.bolts, boltMm: 3 },
    },
    pods: (pods ?? fans)?.pods ?? [],
    boom: onBoom
      ? {
          stock: sketch.boom,
          yMm: 0,
          fromMm: half(podEnd - 0.5 * c),
          toMm: half(Math.min(rear + 4, podEnd - 0.5 * c + boom.lengthMm)),
          zMm: tailZ,
          socketMm: whole(Math.max(40, 3.3 * boom.heightMm)),
        }
      : null,
    zones: [...bodyZones(draft, !onBoom), ...wingZones(draft), tailZone(draft), ...(fans ? [fans.zone] : [])],
    spars: [
      ...wingSpars(winged, wing, libraries),
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
  return biplane ? { ...drawn, ...withSecondWing({ ...ALONE, ...drawn }, 'over') } : drawn
}

/** What a drawing says nothing of. */
const ALONE = { second: null, struts: [], cuts: NO_CUTS }

/** Two wires ahead of the balance, long enough for the propeller; the tail rests on its skid. */
function legs({ sketch }: Draft, n: number, width: number, height: number): ProjectFile['gear'][number] {
  const mountZ = -height / 2 + 5
  const dropMm = Math.max(45, sketch.kit.turns.diameterMm / 2 + 22 + mountZ - 24)
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
    coil: null,
    wheelMm: 48,
    tyreMm: 8,
    wheelG: 8,
    printedWheel: null,
    pair: true,
    mount: { lengthMm: 30, widthMm: 20, depthMm: 4 },
  }
}

const control = (
  name: string,
  kind: Control['kind'],
  servo: string,
  chordShare: number,
  deg: number,
  hornMm = 14,
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
  linkage: { servo, armMm: 8, hornMm },
})

function tailSurfaces(
  { purpose, sketch }: Draft,
  kind: TailKind,
  quarterAt: number,
  z: number,
  depth: number,
  mean: number,
  span: number,
  rudder: { share: number; hornMm: number },
): { tail: ProjectFile['tail']; horizontal: Surface | null; vertical: Surface | null } {
  const arm = sketch.arm * mean
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
    return {
      tail: { kind: 'V', screws: 0, slots: false, horizontal, vertical: null },
      horizontal,
      vertical: null,
    }
  }
  const finReach = Math.sqrt(FIN.aspect * upright)
  const vertical = surface(
    upright,
    finReach,
    FIN.taper,
    kind === 'T' ? 1 : 0.85,
    { cantDeg: 90, mirror: false, zMm: half(z + depth + 2) },
    [control('Rudder', 'rudder', 'rudder-servo', rudder.share, 25, rudder.hornMm)],
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
    tail: { kind: kind === 'T' ? 'T' : 'conventional', screws: 0, slots: false, horizontal, vertical },
    horizontal,
    vertical,
  }
}
