/** Every way to bring the balance to the middle of the band, assessed and ranked. */
import type { Assessor } from '../../assess'
import { checkProject, DocumentError, type ProjectFile } from '../../document'
import { LIBRARIES, type Libraries } from '../../libraries'
import { longerNose, otherSkins } from './airframe-remedies'
import { ballast, equipmentMoves, otherBatteries, slides, withoutBallast } from './equipment-remedies'
import { ranked, wanted, type Remedy } from './remedy'

export { apply, harm, hoursAnew, HOUR_IN_GRAMS, type Change, type Remedy } from './remedy'
export { batterySlide } from './equipment-remedies'
export { stretchNose } from './airframe-remedies'

/** Nearer to the middle than this needs no remedy, mm. */
export const NEAR_ENOUGH = 0.5

/** `assessor` should be one of its own: the candidates would push the live one's memory out. */
export function balanceRemedies(
  assessor: Assessor,
  doc: ProjectFile,
  libraries: Libraries = LIBRARIES,
): Remedy[] {
  const want = wanted(doc, assessor.assess(doc))
  if (Math.abs(want.shiftMm) < NEAR_ENOUGH) return ranked(withoutBallast(assessor, want))
  const candidates = [
    ...slides(assessor, want),
    ...otherBatteries(assessor, want, libraries),
    ...equipmentMoves(assessor, want),
    ...withoutBallast(assessor, want),
    ...ballast(assessor, want),
    ...otherSkins(assessor, want, libraries),
    ...longerNose(assessor, want),
  ]
  return ranked(candidates.filter(remedy => admissible({ ...doc, ...remedy.change })))
}

/** Near the limits of a figure a remedy may ask for more than a project file can say. */
export function admissible(doc: ProjectFile): boolean {
  try {
    checkProject(doc)
    return true
  } catch (fault) {
    if (fault instanceof DocumentError) return false
    throw fault
  }
}
