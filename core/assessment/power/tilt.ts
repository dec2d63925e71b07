/**
 * Motors that turn up about an axis across the aircraft: where that moves the balance point, what they lift, what the
 * servo and the spar in their middle bear. SI inside, places in mm.
 */
import type { Equipment, Tilt } from '../../document'
import { gapAt, outlineAt, placePoint, planAt, type SurfaceLoft } from '../../geometry'
import { FRESH, running } from '../../power'
import { degToRad, gToKg, mmToM } from '../../units'
import type { FlightFigures, PlanFigures, TiltReport } from '../report'
import type { Airframe } from '../resolve'
import { propulsionOf } from './propulsion'

const GRAVITY = 9.80665
/** Friction of bearings, gusts, and what a propeller that is turned fights back with: on top of thrust and weight. */
const SERVO_MARGIN = 2
/**
 * A wing under a propeller is a plate across its stream: drag coefficient, and the stream's speed there over that in the
 * disc, between 1 there and 2 far below.
 */
const PLATE = 1.2,
  STREAM = 1.5
/** Strips of a disc, and places along the chord in it, at which the wing is looked for. */
const STRIPS = 40,
  LOOKS = 9
/** Turned by less than this a disc does not come over the wing, °. */
const OVER_WING = 30

type Place = readonly [x: number, z: number]

/** Turned nose up about an axis: what lay ahead of it comes to lie over it. */
export const turnedUp = ([x, z]: Place, [ax, az]: Place, deg: number): [x: number, z: number] => {
  const [dx, dz] = [x - ax, z - az],
    [c, s] = [Math.cos(degToRad(deg)), Math.sin(degToRad(deg))]
  return [ax + dx * c + dz * s, az - dx * s + dz * c]
}

const count = ({ pair }: Equipment) => (pair ? 2 : 1)

/** Where the axis lies at the outermost of what turns: on the spar, where one carries them. */
function axisOf({ spars, surfaces }: Airframe, tilt: Tilt, outermost: number): [x: number, z: number] {
  for (const loft of Object.values(surfaces)) {
    const line = spars[loft.name]?.find(own => own.spar.id === tilt.spar)
    if (!line) continue
    const s = Math.min(line.to, Math.max(line.from, outermost - loft.origin[1]))
    const { x, n } = line.at(s)
    const [px, , pz] = placePoint(loft, x, n, s, 1)
    return [px, pz]
  }
  return [tilt.xMm, tilt.zMm]
}

/**
 * What becomes of it; null without anything that turns. `cgMm` and `massG` are those of the whole, as drawn.
 */
export function tiltOf(
  frame: Airframe,
  { massG, cgMm }: { massG: number; cgMm: readonly [number, number, number] },
  { neutralPointMm }: Pick<FlightFigures, 'neutralPointMm'>,
  { macMm }: Pick<PlanFigures, 'macMm'>,
): TiltReport | null {
  const { doc } = frame,
    { tilt } = doc
  const items = tilt ? doc.equipment.filter(item => tilt.items.includes(item.id)) : []
  if (!tilt || items.length === 0) return null
  const outermost = Math.max(...items.map(item => Math.abs(item.yMm)))
  const axis = axisOf(frame, tilt, outermost)
  const up = (item: Equipment) => turnedUp([item.xMm, item.zMm], axis, tilt.upDeg)
  const turnedG = items.reduce((sum, item) => sum + count(item) * item.massG, 0)
  const moved = (k: 0 | 1) =>
    items.reduce((sum, item) => sum + count(item) * item.massG * (up(item)[k] - [item.xMm, item.zMm][k]), 0) /
    Math.max(1e-9, massG)
  const upMm: [number, number] = [cgMm[0] + moved(0), cgMm[2] + moved(1)]

  const { propulsion } = propulsionOf(doc)
  const hub = items.find(item => item.kind === 'propeller')
  const turning = items.filter(item => item.kind === 'motor').reduce((sum, item) => sum + count(item), 0)
  const thrust = propulsion
    ? (Math.max(0, running(propulsion.drive, 1, 0, FRESH).thrust) * turning) / propulsion.drive.motors
    : 0
  const radius = hub ? Math.max(hub.sizeMm[1], hub.sizeMm[2]) / 2 : 0
  const wings = (['wing', 'second'] as const).flatMap(name => frame.surfaces[name] ?? [])
  const download = hub ? 0.5 * PLATE * STREAM ** 2 * 0.5 * shaded(wings, hub, up(hub), radius, tilt.upDeg) : 0
  const weight = gToKg(massG) * GRAVITY

  // Off the axis: the thrust line, and the middle of what turns where that lies level with it.
  const middle = ([0, 1] as const).map(
    k =>
      items.reduce((sum, item) => sum + count(item) * item.massG * [item.xMm, item.zMm][k], 0) /
      Math.max(1e-9, turnedG),
  )
  const torque =
    thrust * mmToM(hub ? Math.abs(hub.zMm - axis[1]) : 0) +
    gToKg(turnedG) * GRAVITY * mmToM(Math.hypot(middle[0] - axis[0], middle[1] - axis[1]))

  const servo = doc.equipment.find(item => item.id === tilt.servo && item.servo)
  return {
    axisMm: axis,
    upDeg: tilt.upDeg,
    turnedG,
    places: items.map(item => {
      const [x, z] = up(item)
      return { id: item.id, name: item.name, atMm: [x, item.yMm, z], pair: item.pair }
    }),
    forwardMm: [cgMm[0], cgMm[2]],
    upMm,
    marginUpPct: (100 * (neutralPointMm - upMm[0])) / macMm,
    lift:
      propulsion && hub && turning > 0
        ? {
            thrustN: thrust,
            download,
            toWeight: (thrust * Math.sin(degToRad(tilt.upDeg)) * (1 - download)) / Math.max(1e-9, weight),
            leverMm: up(hub)[0] - upMm[0],
          }
        : null,
    servo: servo
      ? {
          name: servo.name,
          asksNcm: (100 * SERVO_MARGIN * torque * tilt.gear) / count(servo),
          hasNcm: servo.servo!.torqueNcm,
          reachesDeg: 2 * servo.servo!.travelDeg * tilt.gear,
        }
      : null,
    spar: sparInTorsion(frame, tilt, torque, outermost - Math.abs(servo?.yMm ?? 0)),
    gapMm: hub && tilt.upDeg >= OVER_WING ? gapOver(wings, hub, up(hub), radius, tilt.upDeg) : null,
  }
}

/** Each half of the spar holds half of what turns, from the servo out. */
function sparInTorsion(
  { spars, doc }: Airframe,
  tilt: Tilt,
  torque: number,
  lengthMm: number,
): TiltReport['spar'] {
  const line = Object.values(spars)
    .flat()
    .find(own => own.spar.id === tilt.spar)
  if (!line || line.stock.shape !== 'round') return null
  const { heightMm, boreMm, shearModulus, shearStrength } = line.stock
  const own = torque / 2,
    outside = mmToM(heightMm)
  const polar = (Math.PI / 32) * (outside ** 4 - mmToM(boreMm) ** 4)
  const stress = (own * outside) / 2 / polar
  return {
    name: line.spar.name,
    torqueNcm: 100 * own,
    reserve: Math.min(1e4, shearStrength / Math.max(1e-9, doc.brief.safetyFactor * stress)),
    twistDeg: Math.min(720, (own * mmToM(Math.max(0, lengthMm)) * 180) / Math.PI / (shearModulus * polar)),
  }
}

/** The wing's edges at a distance from the middle, where it has any there. */
function edgesAt(loft: SurfaceLoft, y: number): { s: number; lead: number; chord: number } | null {
  const s = (Math.abs(y) - loft.origin[1]) / Math.max(1e-6, Math.cos(loft.cant))
  if (s < 0 || s > loft.span) return null
  const { lead, chord } = planAt(loft, s)
  return { s, lead, chord }
}

/** Strips of a disc seen from above: their y, half their length along the aircraft, and their width. */
function* strips({ yMm }: Equipment, radius: number, upDeg: number) {
  const flat = Math.max(0, Math.sin(degToRad(upDeg)))
  // Even in the angle, so that the ends of the disc are as fine as they are short.
  for (let i = 0; i < STRIPS; i++) {
    const angle = (Math.PI * (i + 0.5)) / STRIPS
    yield {
      y: yMm - radius * Math.cos(angle),
      half: radius * Math.sin(angle) * flat,
      width: radius * Math.sin(angle) * (Math.PI / STRIPS),
    }
  }
}

/** How much of the disc's own area lies over wings, 0 to 1. */
function shaded(
  wings: readonly SurfaceLoft[],
  hub: Equipment,
  [x]: Place,
  radius: number,
  upDeg: number,
): number {
  if (radius <= 0) return 0
  let area = 0
  for (const { y, half, width } of strips(hub, radius, upDeg))
    for (const loft of wings) {
      const edges = edgesAt(loft, y)
      if (!edges) continue
      const from = Math.max(x - half, edges.lead),
        to = Math.min(x + half, edges.lead + edges.chord)
      area += width * Math.max(0, to - from)
    }
  return Math.min(1, area / (Math.PI * radius ** 2))
}

/** Least air between the disc and the upper skin under it. */
function gapOver(
  wings: readonly SurfaceLoft[],
  hub: Equipment,
  [x, z]: Place,
  radius: number,
  upDeg: number,
): number | null {
  const fall = 1 / Math.tan(degToRad(upDeg))
  let least = Infinity
  for (const { y, half } of strips(hub, radius, upDeg))
    for (const loft of wings) {
      const edges = edgesAt(loft, y)
      if (!edges) continue
      const from = Math.max(x - half, edges.lead),
        to = Math.min(x + half, edges.lead + edges.chord)
      if (to <= from) continue
      const outline = outlineAt(loft, edges.s)
      for (let i = 0; i < LOOKS; i++) {
        const at = from + ((to - from) * (i + 0.5)) / LOOKS
        const skin = gapAt(outline, at)
        if (!skin) continue
        const [, , top] = placePoint(loft, at, skin.upper, edges.s, 1)
        least = Math.min(least, z + (at - x) * fall - top)
      }
    }
  return Number.isFinite(least) ? least : null
}
