/**
 * Rods from servo to horn as they are made: where the holes are, how long the rod is, what the servo turns at the full
 * throws. A four-bar linkage in its own plane, solved exactly. mm, °
 */
import type { Control, Equipment, ProjectFile } from '../../document'
import { placePoint, planAt, throwMm, type SurfaceLoft } from '../../geometry'
import { siteOf, type Airframe } from '../../assess'
import { q, say, type Words } from '../../units'

export interface LinkageSheet {
  id: string
  name: string
  servo: string
  side: 'starboard' | 'port' | 'centre'
  /** From the servo's axis to the hinge line. */
  distanceMm: number
  armMm: number
  hornMm: number
  /** Between the holes, servo and surface at their middles. */
  rodMm: number
  /** The servo's turn at the throws; null where the linkage locks before. */
  servoUpDeg: number | null
  servoDownDeg: number | null
  travelDeg: number | null
  throwUpMm: number
  throwDownMm: number
  /** Where the rod runs. */
  runs: 'above' | 'below'
  channel: string
  /** What to set at the transmitter, and how the arm stands at neutral. */
  setUp: Words
  trouble: Words | null
}

const RAD = Math.PI / 180

/**
 * The servo's turn for a surface turned by `deg` (positive where the horn leans away from the servo): holes
 * at the end of the arm and of the horn stay a rod apart. Null where no turn under a right angle does it.
 */
export function servoTurn(distance: number, arm: number, horn: number, deg: number): number | null {
  const rod = Math.hypot(distance, horn - arm)
  const x = distance + horn * Math.sin(deg * RAD),
    y = horn * Math.cos(deg * RAD)
  // arm (sin t, cos t) is a rod from (x, y): x sin t + y cos t = (x² + y² + arm² − rod²) / 2 arm.
  const reach = Math.hypot(x, y)
  const cosine = (x * x + y * y + arm * arm - rod * rod) / (2 * arm * reach)
  if (Math.abs(cosine) > 1) return null
  const turn = (Math.atan2(x, y) - Math.acos(cosine)) / RAD
  return Math.abs(turn) < 90 ? turn : null
}

const CHANNELS: Record<Control['kind'], string> = {
  aileron: 'aileron',
  elevator: 'elevator',
  rudder: 'rudder',
  elevon: 'elevator and aileron mixed',
  ruddervator: 'elevator and rudder mixed',
  flap: 'flap',
}

export function linkageSheets(airframe: Airframe): LinkageSheet[] {
  const { doc } = airframe
  return siteOf(airframe).moving.flatMap(({ chain, control, hinged, joined }): LinkageSheet[] => {
    const { linkage } = control
    const servo = doc.equipment.find(item => item.id === linkage?.servo)
    if (!linkage || !servo) return []
    if (joined && chain.side === 'port') return []
    const loft = airframe.surfaces[chain.part as 'wing']!
    const sign = chain.side === 'port' ? -1 : 1
    // The horn stands across from its servo, or at the end of the surface that is nearest to it.
    const s = nearestPlace(loft, hinged.from, hinged.to, servo)
    const at = placePoint(loft, hinged.hingeAt(s), planAt(loft, s).n, s, sign)
    const axis = [servo.xMm, servo.pair ? Math.abs(servo.yMm) * sign : servo.yMm, servo.zMm]
    const distanceMm = Math.hypot(at[0] - axis[0], at[1] - axis[1], at[2] - axis[2])
    const turn = (deg: number) => servoTurn(distanceMm, linkage.armMm, linkage.hornMm, deg)
    const hinge = planAt(loft, s).chord * control.chordShare
    // A horn under the surface leans away from the servo when the surface goes up, one above it when it goes down.
    const runs = servo.pocket ? ('below' as const) : ('above' as const)
    const away = runs === 'below' ? 1 : -1
    const [up, down] = [turn(away * control.throwUpDeg), turn(-away * control.throwDownDeg)]
    const travelDeg = servo.servo?.travelDeg ?? null
    return [
      {
        id: `${chain.part}-${control.piece}-${chain.side}`,
        name: `${control.name}${sideOf(chain, joined)}`,
        servo: servo.name,
        side: chain.side,
        distanceMm,
        armMm: linkage.armMm,
        hornMm: linkage.hornMm,
        rodMm: Math.hypot(distanceMm, linkage.hornMm - linkage.armMm),
        servoUpDeg: up === null ? null : Math.abs(up),
        servoDownDeg: down === null ? null : Math.abs(down),
        travelDeg,
        throwUpMm: throwMm(hinge, control.throwUpDeg),
        throwDownMm: throwMm(hinge, control.throwDownDeg),
        runs,
        channel: CHANNELS[control.kind],
        setUp: setUpOf(control, up, down),
        trouble: troubleOf(control, up, down, travelDeg),
      },
    ]
  })
}

function sideOf({ side }: { side: LinkageSheet['side'] }, joined: boolean): string {
  if (side === 'centre') return ''
  return joined ? ', both halves' : `, ${side}`
}

function nearestPlace(loft: SurfaceLoft, from: number, to: number, servo: Equipment): number {
  const across = Math.abs(servo.yMm) - loft.origin[1]
  const s = across * Math.cos(loft.cant) + (servo.zMm - loft.origin[2]) * Math.sin(loft.cant)
  return Math.min(to - 0.1 * (to - from), Math.max(from + 0.1 * (to - from), s))
}

/**
 * The lesser throw as a share of the greater is what the transmitter is told; unequal turns of the servo are
 * its limits.
 */
function setUpOf({ kind, throwUpDeg, throwDownDeg }: Control, up: number | null, down: number | null): Words {
  const bend = 'Z-bend at the arm, clevis or keeper at the horn'
  if (up === null || down === null) return bend
  const [a, b] = [Math.abs(up), Math.abs(down)]
  if (kind === 'flap')
    return say`${bend}. Flap: arm turned ${q((b - a) / 2, '°', 0)} away from its middle at neutral, so that ${q(throwDownDeg, '°', 0)} down and ${q(throwUpDeg, '°', 0)} up use the servo's travel both ways`
  const most = Math.max(a, b)
  if (most === 0 || Math.abs(throwUpDeg - throwDownDeg) < 0.5) return say`${bend}. Alike up and down`
  return say`${bend}. Differential: limit ${a > b ? 'down' : 'up'} to ${q((100 * Math.min(a, b)) / most, '%', 0)} of ${a > b ? 'up' : 'down'} at the transmitter`
}

function troubleOf(
  { throwUpDeg, throwDownDeg }: Control,
  up: number | null,
  down: number | null,
  travelDeg: number | null,
): Words | null {
  if (up === null || down === null)
    return say`the linkage locks before ${q(up === null ? throwUpDeg : throwDownDeg, '°', 0)}: a longer arm, or a shorter horn`
  const most = Math.max(Math.abs(up), Math.abs(down))
  if (travelDeg !== null && most > travelDeg)
    return say`the servo would have to turn ${q(most, '°', 0)} and turns ${q(travelDeg, '°', 0)}: a longer arm, or a shorter horn`
  return null
}

/** What to note of each channel: travel that the linkage asks for, sub-trim to be found on the bench. */
export const channelList = (doc: ProjectFile, sheets: readonly LinkageSheet[]) =>
  doc.equipment
    .filter(item => item.kind === 'servo')
    .map(item => {
      const own = sheets.filter(sheet => sheet.servo === item.name)
      return {
        servo: item.name,
        count: item.pair ? 2 : 1,
        moves: own.map(sheet => sheet.name),
        channel: own[0]?.channel ?? 'none yet',
        upDeg: own[0]?.servoUpDeg ?? null,
        downDeg: own[0]?.servoDownDeg ?? null,
      }
    })
