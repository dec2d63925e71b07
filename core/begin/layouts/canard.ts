/** The small wing ahead, the motor behind: a body whose wing lies aft, with fins at its tips. mm, ° */
import type { Surface } from '../../document'
import type { Libraries } from '../../libraries'
import { bodySize, bodyStation, hatches, mountWidth } from '../body'
import { fitted, loadOf, loadSize } from '../fitted'
import { part } from '../kit'
import { half, whole, type Draft } from '../sketch'
import { tipFins } from '../tip-fins'
import { placeAt, straightWing, TAPE, wingPlan, wingSpars, type Drawn } from '../wing'
import { bodyZones, tailZone, wingZones } from '../zones'

/** Area of the canard over the wing's, and its aspect ratio. */
const AREA = 0.21,
  ASPECT = 6
/** Of its tip fins, height over mean chord. */
const FIN_ASPECT = 1.1
/** Wing swept so far at its leading edge, over its chord's fall, so that tip fins have an arm. */
const SWEPT = 0.2

/** Battery, hatch and the canard's seat ahead of the wing, mm. */
export const leastFore = ({ sketch: { kit } }: Draft): number => 0.7 * kit.battery.sizeMm[0] + 120

export function canard(draft: Draft, libraries: Libraries): Drawn {
  const { purpose, sketch } = draft,
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
  const loadMm = loadSize(loadOf(draft))
  const loadAt = n + 0.16 * c
  const { battery, motor, servo } = kit
  const back = mountWidth(draft)
  const put = fitted(draft)
  const hatch: [number, number] = [
    whole(foreAt + foreChord + 14),
    whole(Math.max(foreAt + foreChord + 44, Math.min(n - 22, foreAt + foreChord + 44 + battery.sizeMm[0]))),
  ]
  const bay: [number, number] = [16, whole(loadOf(draft) > 0 ? loadAt - loadMm[0] / 2 - 4 : n + 0.3 * c)]
  const motorAt = rear + motor.sizeMm[0] / 2
  return {
    wing,
    tail: {
      kind: 'canard',
      screws: 0,
      slots: false,
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
      vertical: tipFins(wing, finArea, FIN_ASPECT, 'tail'),
    },
    body: {
      stations: [
        bodyStation(0, [22, 22], 0, 0, 'nose'),
        bodyStation(40, [0.7 * width, 0.72 * height], 0, 0.15, 'nose'),
        bodyStation(Math.min(0.5 * n, 40 + battery.sizeMm[0]), [width, 0.97 * height], 1, 0.25, 'body'),
        bodyStation(n + 0.35 * c, [width, height], 4, 0.3, 'body'),
        bodyStation(rear, [back, back], 2, 0, 'body'),
      ],
      firewall: null,
      openings: hatches(draft, hatch, loadAt, width),
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
      ...put.battery([half((bay[0] + bay[1]) / 2), 0, half(-height / 2 + battery.sizeMm[2] / 2 + 8)], bay),
      ...put.motor([half(motorAt), 0, 2]),
      ...put.propeller([half(motorAt + motor.sizeMm[0] / 2 + 8), 0, 2], [10, 12]),
      part('motor-mount', 'Motor mount, plywood', 'hardware', 5, [half(rear - 3), 0, 2], [4, back, back]),
      ...put.controller([half(n + 0.72 * c), 0, -6]),
      ...put.receiver([half(n + 0.62 * c), 0, 8]),
      ...put.servo('elevator-servo', 'Elevator servo', [
        half(hatch[0] + servo.sizeMm[0] / 2),
        0,
        half(0.3 * height),
      ]),
      ...(purpose.ailerons ? put.wingServos('aileron-servo', 'Aileron servo', wing, [0.57, 0.5]) : []),
      ...put.load([half(loadAt), 0, half(-height / 2 + loadMm[2] / 2 + 6)]),
    ],
    gear: [],
  }
}
