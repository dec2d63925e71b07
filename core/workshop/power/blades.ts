/** Blades on the scale: what they shake with at full revolutions, and what to take off. */
import { propulsionOf, type Propulsion } from '../../assess'
import type { ProjectFile } from '../../document'
import { bladeCentre, FRESH, running, unbalance } from '../../power'
import { kgToG, gToKg, mToMm, q, say, type Words } from '../../units'

export interface BladeBalance {
  rpm: number
  forceN: number
  /** Against the weight of the whole aircraft. */
  toWeight: number
  trimG: number[]
  atMm: number
  centreMm: number
  reading: Words
  ok: boolean
}

/** Pull to one side that is put up with, N for each newton of weight. */
const BEARABLE = 0.05

/** Null where blades are not all weighed, or nothing turns them. */
export function bladeBalance(doc: ProjectFile, weightN: number): BladeBalance | null {
  const { propulsion } = propulsionOf(doc)
  const masses = doc.power.bladesG
  const blades = propulsion?.turns.blades
  if (!propulsion || !blades || masses.length !== blades.count) return null
  const omega = fullOf(propulsion)
  const { force, trim, at } = unbalance(blades, masses.map(gToKg), omega)
  const trimG = trim.map(kgToG)
  const heaviest = trimG.indexOf(Math.max(...trimG))
  const ok = force <= BEARABLE * weightN
  const rpm = (omega * 60) / (2 * Math.PI)
  return {
    rpm,
    forceN: force,
    toWeight: force / weightN,
    trimG,
    atMm: mToMm(at),
    centreMm: mToMm(bladeCentre(blades)),
    ok,
    reading: ok
      ? say`They pull ${q(force, 'N', 2)} to one side at ${q(rpm, 'rev/min', 0)}: even enough`
      : say`They pull ${q(force, 'N', 1)} to one side at ${q(rpm, 'rev/min', 0)}: take ${q(Math.max(...trimG), 'g', 2)} off blade ${heaviest + 1} at ${q(mToMm(at), 'mm', 0)} from the axis, behind, and weigh again`,
  }
}

const fullOf = ({ drive }: Propulsion): number => running(drive, 1, 0, FRESH).omega
