/** Every way to bring the balance to the middle of the band, assessed and ranked. */
import type { Assessor } from '../../assess'
import { admissible } from '../../change'
import type { ProjectFile } from '../../document'
import { LIBRARIES, type Libraries } from '../../libraries'
import { longerNose, otherSkins } from './airframe-remedies'
import { ballast, equipmentMoves, otherBatteries, slides, withoutBallast } from './equipment-remedies'
import { ranked, wanted, type Remedy } from './remedy'

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
