/**
 * A motor beside the middle stops while its twin pulls at full throttle. The rudder must hold the yawing moment:
 * the live one's thrust on its arm, and the dead propeller's drag on the other, against all the throw there is,
 * without sideslip. Bank towards the live motor and sideslip help a pilot who is quick; neither is counted. SI
 */
import { FRESH, rootBetween, running } from '../../power'
import { mmToM } from '../../units'
import type { ProjectFile } from '../../document'
import type { Propulsion } from './propulsion'

export interface OneMotor {
  /** From the middle to the thrust line, m. */
  arm: number
  /** Slower than this the rudder does not hold it, m/s; null: not at any speed it flies at. */
  heldFromMs: number | null
}

/** Drag of a propeller that does not turn, of its disc: see the drag of the airframe. */
export const STANDING = 0.06 * 0.5

/** Searched up to so many times the top speed. */
const BEYOND = 2

/** `rudder`: yawing moment of full rudder for each Pa of dynamic pressure, m³. Null where no pair of motors stands. */
export function oneMotor(
  doc: ProjectFile,
  { drive, turns }: Pick<Propulsion, 'drive' | 'turns'>,
  rudder: number,
  density: number,
): OneMotor | null {
  const outermost = Math.max(
    0,
    ...doc.equipment.filter(item => item.kind === 'motor' && item.pair).map(item => Math.abs(item.yMm)),
  )
  if (outermost === 0 || drive.motors < 2) return null
  const arm = mmToM(outermost),
    one = { ...drive, motors: 1 }
  const disc = (Math.PI / 4) * mmToM(Math.max(turns.item.sizeMm[1], turns.item.sizeMm[2])) ** 2
  const left = (speed: number) => {
    const pressure = (density * speed * speed) / 2
    const thrust = Math.max(0, running(one, 1, speed, FRESH).thrust)
    return pressure * rudder - arm * (thrust + pressure * STANDING * disc)
  }
  const most = BEYOND * doc.brief.topSpeedMs
  if (left(most) < 0) return { arm, heldFromMs: null }
  return { arm, heldFromMs: rootBetween(left, 0, most, 0.001) }
}
