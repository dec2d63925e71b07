/** A swept wing with reflexed sections, a pusher behind it and fins at its tips. mm, ° */
import type { ProjectFile, Surface } from '../../document'
import type { Libraries } from '../../libraries'
import { degToRad } from '../../units'
import { fitted, loadOf, loadSize } from '../fitted'
import { half, whole, type Draft } from '../sketch'
import { CLEARANCE, placeAt, sparReach, STRIP, type Drawn } from '../wing'
import { tipFins } from '../tip-fins'
import { wingZones, solidZone } from '../zones'

/**
 * Chords at the end of the middle part and at the tip over that of the root; the middle part's share of the
 * half span.
 */
const MIDDLE = 0.86,
  TIP = 0.56,
  INNER = 0.28
/** Mean chord over the root's. */
export const MEAN = (INNER * (1 + MIDDLE)) / 2 + ((1 - INNER) * (MIDDLE + TIP)) / 2
const ROOT_SECTION = 'naca23112',
  TIP_SECTION = 'naca23110'
const ROOT_THICK = 0.12
/** Skins over and under what lies inside, mm. */
const COVER = 5

/** The root is thick enough for the pack: least area, mm². A load hangs below. */
export function leastWing({ sketch }: Draft): number {
  const root = (sketch.kit.battery.sizeMm[2] + COVER) / ROOT_THICK
  return (root * MEAN) ** 2 * sketch.aspect
}

const rootOf = ({ sketch }: Draft): number =>
  sketch.areaMm2 / (Math.sqrt(sketch.aspect * sketch.areaMm2) * MEAN)

export function flyingWing(draft: Draft, libraries: Libraries): Drawn {
  const { purpose, sketch } = draft,
    { kit } = sketch
  const span = Math.sqrt(sketch.aspect * sketch.areaMm2) / 2,
    root = rootOf(draft)
  const swept = Math.tan(degToRad(sketch.sweepDeg))
  const wing: Surface = {
    xMm: 0,
    yMm: 0,
    zMm: 0,
    incidenceDeg: 0,
    cantDeg: 0,
    mirror: true,
    rootChordMm: half(root),
    rootAerofoil: ROOT_SECTION,
    twistAxisShare: 0.25,
    tip: { kind: 'rounded', lengthMm: 14 },
    panels: [
      {
        spanMm: half(INNER * span),
        tipChordMm: half(MIDDLE * root),
        sweepMm: half(swept * INNER * span),
        dihedralDeg: 0,
        tipTwistDeg: 0,
        tipAerofoil: ROOT_SECTION,
        zone: 'centre',
      },
      {
        spanMm: Math.floor(2 * span) / 2 - half(INNER * span),
        tipChordMm: half(TIP * root),
        sweepMm: half(swept * (1 - INNER) * span),
        dihedralDeg: 1,
        tipTwistDeg: -sketch.washoutDeg,
        tipAerofoil: TIP_SECTION,
        zone: 'wing-outer',
      },
    ],
    controls: [
      {
        piece: 1,
        name: 'Elevons',
        kind: 'elevon',
        fromShare: 0.34,
        toShare: 0.95,
        chordShare: 0.22,
        throwUpDeg: 15,
        throwDownDeg: 12,
        hinge: STRIP,
        linkage: { servo: 'elevon-servo', armMm: 8, hornMm: 14 },
      },
    ],
  }
  const end = placeAt(wing, 1)
  // Each fin of half the usual area, its arm the sweep's.
  const wingArm = end.lead + 0.55 * end.chord - placeAt(wing, 0.42).lead - 0.25 * root * MEAN
  const finArea = Math.min(
    (sketch.fin * 0.5 * purpose.finVolume * 0.75 * sketch.areaMm2 * 2 * span) / Math.max(0.3 * root, wingArm),
    0.09 * sketch.areaMm2,
  )
  const loadMm = loadSize(loadOf(draft))
  const { battery, controller, receiver, motor } = kit
  const bay: [number, number] = [whole(-0.05 * root), whole(0.5 * root)]
  const motorAt = root + motor.sizeMm[0] / 2
  const reach = sparReach(wing, sketch.spar, Math.min(0.88, sketch.reach + 0.04), libraries)
  const put = fitted(draft)
  const equipment: ProjectFile['equipment'] = [
    ...put.battery([half(bay[0] + battery.sizeMm[0] / 2 + 6), 0, 5], bay),
    ...put.motor([half(motorAt), 0, 4]),
    ...put.propeller([half(motorAt + motor.sizeMm[0] / 2 + 10), 0, 4], [10, 12]),
    ...put.controller([half(0.36 * root), half(battery.sizeMm[1] / 2 + controller.sizeMm[1] / 2 + 6), 5]),
    ...put.receiver([half(0.25 * root), half(-battery.sizeMm[1] / 2 - receiver.sizeMm[1] / 2 - 6), 5]),
    ...put.wingServos('elevon-servo', 'Elevon servo', wing, [0.38, 0.55]),
    ...put.load([half(0.3 * root), 0, half(-0.03 * root - loadMm[2] / 2)]),
  ]
  return {
    wing,
    tail: {
      kind: 'none',
      screws: 0,
      slots: false,
      horizontal: null,
      vertical: tipFins(wing, finArea, 1.15, 'wing-outer'),
    },
    body: null,
    boom: null,
    zones: [solidZone(draft), wingZones(draft)[1]],
    spars: [
      {
        id: 'main-spar',
        name: 'Main spar',
        stock: sketch.spar,
        surface: 'wing',
        fromMm: 10,
        toMm: whole(reach * span),
        rootShare: 0.42,
        tipShare: 0.32,
        clearanceMm: CLEARANCE,
        through: false,
        fixing: 'bonded',
        lay: 'middle',
        route: 'straight',
      },
    ],
    equipment,
    gear: [],
  }
}
