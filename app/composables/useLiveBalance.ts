/**
 * Where it balances at this very frame: the assessed balance, shifted by what has been moved since. Moving a mass moves
 * the centre by its moment over the whole mass, so this is exact until the worker's full answer replaces it.
 */
import type { ProjectFile } from '../../core/document'
import { useAssessment } from '~/stores/assessment'
import { useProject } from '~/stores/project'

type Point = [number, number, number]

/** Moments (g·mm) by which equipment has moved between two documents that hold the same things; null where more than places changed. */
function movedMoments(before: ProjectFile, after: ProjectFile): { all: Point, staying: Point } | null {
  if (before.equipment === after.equipment) return { all: [0, 0, 0], staying: [0, 0, 0] }
  if (before.equipment.length !== after.equipment.length) return null
  const all: Point = [0, 0, 0], staying: Point = [0, 0, 0]
  for (const [i, item] of after.equipment.entries()) {
    const old = before.equipment[i]!
    if (old === item) continue
    if (old.id !== item.id || old.massG !== item.massG || old.pair !== item.pair || old.drops !== item.drops) return null
    const n = item.pair ? 2 : 1
    // A pair moves to both sides: its middle stays in the plane of symmetry.
    const moment: Point = [n * item.massG * (item.xMm - old.xMm), item.pair ? 0 : item.massG * (item.yMm - old.yMm), n * item.massG * (item.zMm - old.zMm)]
    moment.forEach((value, k) => {
      all[k] += value
      if (!item.drops) staying[k] += value
    })
  }
  return { all, staying }
}

export function useLiveBalance() {
  const project = useProject()
  const assessment = useAssessment()
  return computed(() => {
    const { totals, flight, plan } = assessment.current!
    const moved = project.doc && assessment.assessed ? movedMoments(assessment.assessed, project.doc) : null
    const shifted = (place: Point, moment: Point | undefined, mass: number): Point => place.map((value, k) => value + (moment ? moment[k]! / mass : 0)) as Point
    const cg = shifted(totals.cgMm, moved?.all, totals.massG), empty = shifted(totals.cgEmptyMm, moved?.staying, totals.emptyMassG)
    const margin = (x: number) => (100 * (flight.neutralPointMm - x)) / plan.macMm
    return { cg, empty, marginPct: margin(cg[0]), marginEmptyPct: margin(empty[0]) }
  })
}
