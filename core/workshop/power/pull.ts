/** Thrust at full throttle as plain data, for a page to throw the aircraft with. */
import { propulsionOf, type Assessment } from '../../assess'
import type { ProjectFile } from '../../document'
import { FRESH, running } from '../../power'
import { degToRad, mmToM } from '../../units'
import type { Pull } from '../toss'

/** Speeds of the table, m/s. */
const STEP = 1.5,
  COUNT = 28

/** Null without a drive that can be reckoned. */
export function pullOf(doc: ProjectFile, { totals }: Pick<Assessment, 'totals'>): Pull | null {
  const { propulsion } = propulsionOf(doc)
  if (!propulsion) return null
  const speeds = Array.from({ length: COUNT }, (_, i) => i * STEP)
  return {
    speeds,
    newtons: speeds.map(speed => running(propulsion.drive, 1, speed, FRESH).thrust),
    angle: -degToRad(doc.power.downDeg),
    under: thrustLine(doc, totals, propulsion.turns.item),
    arm: mmToM(totals.cgMm[0] - propulsion.turns.item.xMm),
  }
}

/** How far the thrust line passes under the CG, m. Tilted down at the front, it passes higher behind. */
export function thrustLine(
  doc: ProjectFile,
  totals: Assessment['totals'],
  { xMm, zMm }: { xMm: number; zMm: number },
): number {
  const [cgX, , cgZ] = totals.cgMm
  return mmToM(cgZ - (zMm + Math.tan(degToRad(doc.power.downDeg)) * (cgX - xMm)))
}
