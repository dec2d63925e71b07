/**
 * Where it balances after things were moved, from the assessment before: a mass moved shifts the centre by
 * its moment over the whole.
 */
import type { Assessment } from '../../assess'
import type { ProjectFile } from '../../document'

type Point = [number, number, number]

export interface MovedBalance {
  cg: Point
  empty: Point
  marginPct: number
  marginEmptyPct: number
}

/**
 * Moments (g·mm) by which equipment has moved between two documents that hold the same things; null where
 * more than places changed.
 */
function movedMoments(before: ProjectFile, after: ProjectFile): { all: Point; staying: Point } | null {
  const all: Point = [0, 0, 0],
    staying: Point = [0, 0, 0]
  if (before.equipment === after.equipment) return { all, staying }
  if (before.equipment.length !== after.equipment.length) return null
  for (const [i, item] of after.equipment.entries()) {
    const old = before.equipment[i]
    if (old === item) continue
    if (old.id !== item.id || old.massG !== item.massG || old.pair !== item.pair || old.drops !== item.drops)
      return null
    const n = item.pair ? 2 : 1
    // A pair moves to both sides: its middle stays in the plane of symmetry.
    const moment: Point = [
      n * item.massG * (item.xMm - old.xMm),
      item.pair ? 0 : item.massG * (item.yMm - old.yMm),
      n * item.massG * (item.zMm - old.zMm),
    ]
    moment.forEach((value, k) => {
      all[k] += value
      if (!item.drops) staying[k] += value
    })
  }
  return { all, staying }
}

/**
 * Exact for components; wires, a share of what they belong to, follow with the full assessment. While more
 * than places has changed it stays where it was assessed.
 */
export function movedBalance(
  before: ProjectFile,
  { totals, flight, plan }: Pick<Assessment, 'totals' | 'flight' | 'plan'>,
  after: ProjectFile,
): MovedBalance {
  const moved = movedMoments(before, after)
  const shifted = (place: Point, moment: Point | undefined, mass: number): Point =>
    place.map((value, k) => value + (moment ? moment[k] / mass : 0)) as Point
  const cg = shifted(totals.cgMm, moved?.all, totals.massG),
    empty = shifted(totals.cgEmptyMm, moved?.staying, totals.emptyMassG)
  const margin = (x: number) => (100 * (flight.neutralPointMm - x)) / plan.macMm
  return { cg, empty, marginPct: margin(cg[0]), marginEmptyPct: margin(empty[0]) }
}
