/** The small wing ahead, the motor behind: a body whose wing lies aft, with fins at its tips. mm, ° */
import type { BodyStation, Surface } from '../../document'
import type { Libraries } from '../../libraries'
import { part } from '../kit'
import { half, whole, type Draft } from '../sketch'
import { placeAt, straightWing, TAPE, underSkin, wingPlan, wingSpars, type Drawn } from '../wing'
import { bodyZones, tailZone, wingZones } from '../zones'
import { bodySize, loadSize, motorSpecOf, specOf } from './tailed'

/** Area of the canard over the wing's, and its aspect ratio. */
const AREA = 0.21,
  ASPECT = 6
/** Wing swept so far at its leading edge, over its chord's fall, so that tip fins have an arm. */
const SWEPT = 0.2

/** Battery, hatch and the canard's seat ahead of the wing, mm. */
export const leastFore = ({ sketch: { kit } }: Draft): number => 0.7 * kit.battery.sizeMm[0] + 120

export function canard(draft: Draft, libraries: Libraries): Drawn {
  const { purpose, sketch, wishes } = draft,
    { kit } = sketch
  const plan = wingPlan(draft),
    n = sketch.noseMm,
    c = plan.rootMm
  const { width, height } = bodySize(draft)
  const straight = straightWing(draft, n, height / 2 + 4, 1)
  const wing: Surface = {
    ...straight,
    panels: straight.panels.map(panel => ({ ...panel, sweepMm: half(panel.sweepMm + SWEPT * panel.spanMm) })),
  }
  const end = placeAt(wing, 1)
  const span = 2 * plan.halfMm,
    mean = sketch.areaMm2 / span
  const foreArea = AREA * sketch.areaMm2,
    foreHalf = Math.sqrt(ASPECT * foreArea) / 2,
    foreChord = foreArea / (2 * foreHalf)
  const foreAt = 42
  const rear = n + c + 4
  // Behind the aim of the balance, which lies ahead of the wing's quarter chord.
  const finArm = end.lead + 0.55 * end.chord - (n - 0.3 * mean)
  const finArea = Math.min(
    (sketch.fin * 0.5 * purpose.finVolume * sketch.areaMm2 * span) / finArm,
    0.1 * sketch.areaMm2,
  )
  const finRoot = Math.min(0.92 * end.chord, Math.sqrt((2 * finArea) / (1.64 * 0.9))),
    finHigh = (2 * finArea) / (1.64 * finRoot)
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
  const load = wishes.payloadG ?? purpose.payloadG,
    loadMm = loadSize(load)
  const loadAt = n + 0.16 * c
  const { battery, controller, receiver, servo, motor, propeller } = kit
  const [long, thin, tall] = servo.sizeMm
  const servoSpec = { torqueNcm: servo.torqueNcm, travelDeg: servo.travelDeg }
  const back = Math.max(motor.sizeMm[1] + 14, 34)
  const hatch: [number, number] = [
    whole(foreAt + foreChord + 14),
    whole(Math.max(foreAt + foreChord + 44, Math.min(n - 22, foreAt + foreChord + 44 + battery.sizeMm[0]))),
  ]
  const bay: [number, number] = [16, whole(load > 0 ? loadAt - loadMm[0] / 2 - 4 : n + 0.3 * c)]
  const motorAt = rear + motor.sizeMm[0] / 2
  return {
    wing,
    tail: {
      kind: 'canard',
      horizontal: {
        xMm: foreAt,
        yMm: 0,
        zMm: half(0.36 * height + 2),
        incidenceDeg: sketch.tailDeg,
        cantDeg: 0,
        mirror: true,
        rootChordMm: half(1.12 * foreChord),
        rootAerofoil: purpose.section,
        twistAxisShare: 0.25,
        tip: { kind: 'rounded', lengthMm: 8 },
        panels: [
          {
            spanMm: half(foreHalf),
            tipChordMm: half(0.88 * foreChord),
            sweepMm: half(0.12 * foreChord),
            dihedralDeg: 0,
            tipTwistDeg: 0,
            tipAerofoil: purpose.section,
            zone: 'tail',
          },
        ],
        controls: [
          {
            piece: 1,
            name: 'Elevator',
            kind: 'elevator',
            fromShare: 0.22,
            toShare: 0.96,
            chordShare: 0.3,
            throwUpDeg: 15,
            throwDownDeg: 15,
            hinge: TAPE,
            linkage: { servo: 'elevator-servo', armMm: 8, hornMm: 14 },
          },
        ],
      },
      vertical: {
        xMm: half(end.lead + 0.98 * end.chord - finRoot),
        yMm: half(end.y - 4),
        zMm: half(end.z + 4),
        incidenceDeg: 0,
        cantDeg: 85,
        mirror: true,
        rootChordMm: half(finRoot),
        rootAerofoil: 'naca0008',
        twistAxisShare: 0.25,
        tip: { kind: 'faired', lengthMm: whole(0.17 * finHigh) },
        panels: [
          {
            spanMm: half(finHigh),
            tipChordMm: half(0.64 * finRoot),
            sweepMm: half(0.4 * finHigh),
            dihedralDeg: 0,
            tipTwistDeg: 0,
            tipAerofoil: 'naca0008',
            zone: 'tail',
          },
        ],
        controls: [],
      },
    },
    body: {
      stations: [
        station(0, 22, 22, 0, 0, 'nose'),
        station(40, 0.7 * width, 0.72 * height, 0, 0.15, 'nose'),
        station(Math.min(0.5 * n, 40 + battery.sizeMm[0]), width, 0.97 * height, 1, 0.25, 'body'),
        station(n + 0.35 * c, width, height, 4, 0.3, 'body'),
        station(rear, back, back, 2, 0, 'body'),
      ],
      firewall: null,
      openings: [
        {
          id: 'battery-hatch',
          name: 'battery hatch',
          side: 'top',
          fromMm: hatch[0],
          toMm: hatch[1],
          widthMm: whole(Math.min(0.7 * width, battery.sizeMm[1] + 6)),
        },
        ...(load > 0
          ? [
              {
                id: 'load-hatch',
                name: 'load hatch',
                side: 'bottom' as const,
                fromMm: whole(loadAt - loadMm[0] / 2 - 4),
                toMm: whole(loadAt + loadMm[0] / 2 + 4),
                widthMm: whole(Math.min(0.72 * width, loadMm[1] + 6)),
              },
            ]
          : []),
      ],
      saddle: { clearanceMm: 0.3, bolts: sketch.bolts, boltMm: 3 },
    },
    boom: null,
    zones: [...bodyZones(draft, false), ...wingZones(draft), tailZone(draft)],
    spars: [
      ...wingSpars(draft, wing, libraries),
      {
        id: 'canard-rod',
        name: 'Canard rod',
        stock: 'rod-3',
        surface: 'horizontal',
        fromMm: 0,
        toMm: whole(0.75 * foreHalf),
        rootShare: 0.3,
        tipShare: 0.3,
        clearanceMm: 0.15,
        through: true,
        fixing: 'bonded',
        lay: 'middle',
        route: 'straight',
      },
    ],
    equipment: [
      part(
        'battery',
        battery.name,
        'battery',
        battery.massG,
        [half((bay[0] + bay[1]) / 2), 0, half(-height / 2 + battery.sizeMm[2] / 2 + 8)],
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
      part('motor', motor.name, 'motor', motor.massG, [half(motorAt), 0, 2], motor.sizeMm, {
        motor: motorSpecOf(motor),
      }),
      part(
        'propeller',
        propeller.name,
        'propeller',
        propeller.massG,
        [half(motorAt + motor.sizeMm[0] / 2 + 8), 0, 2],
        [10, propeller.diameterMm, 12],
        {
          propeller: specOf(propeller),
        },
      ),
      part('motor-mount', 'Motor mount, plywood', 'hardware', 5, [half(rear - 3), 0, 2], [4, back, back]),
      part(
        'controller',
        controller.name,
        'speed-controller',
        controller.massG,
        [half(n + 0.72 * c), 0, -6],
        controller.sizeMm,
        {
          controller: { limitA: controller.limitA, resistanceOhm: controller.resistanceOhm },
        },
      ),
      part(
        'receiver',
        receiver.name,
        'receiver',
        receiver.massG,
        [half(n + 0.62 * c), 0, 8],
        receiver.sizeMm,
      ),
      part(
        'elevator-servo',
        `Elevator servo, ${servo.massG} g`,
        'servo',
        servo.massG,
        [half(hatch[0] + long / 2), 0, half(0.3 * height)],
        servo.sizeMm,
        {
          servo: servoSpec,
        },
      ),
      ...(purpose.ailerons
        ? [
            part(
              'aileron-servo',
              `Aileron servo, ${servo.massG} g`,
              'servo',
              servo.massG,
              underSkin(wing, 0.57, 0.5, long, thin),
              [long, tall, thin],
              {
                pair: true,
                pocket: { surface: 'wing' as const, cableMm: 4 },
                servo: servoSpec,
              },
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
              [half(loadAt), 0, half(-height / 2 + loadMm[2] / 2 + 6)],
              loadMm,
            ),
          ]
        : []),
    ],
    gear: [],
  }
}
