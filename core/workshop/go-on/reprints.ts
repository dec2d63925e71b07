/** Printed pieces that would come out lighter if they were printed again. */
import type { Assessment, Assessor } from '../../assess'
import type { ProjectFile } from '../../document'

/** Less than this is not worth another recipe, nor another print, g. */
export const WORTH_G = 0.2
/** Weighed pieces that are looked at, those first that surprise most; and that are told. */
const TRIED = 10,
  TOLD = 5

/** A printed piece that would come out lighter if it were printed again as it is. */
export interface Reprint {
  piece: string
  name: string
  weighedG: number
  expectedG: number
  hours: number
  filamentG: number
  chanceWeight: number
}

/** What each weighed piece would be expected to weigh if the others alone were known, where that is clearly less. */
export function reprintsOf(assessor: Assessor, doc: ProjectFile, before: Assessment): Reprint[] {
  const heavy = before.forecast.surprises
    .filter(({ z }) => z > 0)
    .slice(0, TRIED)
    .map(({ piece }) => piece)
  return before.pieces
    .filter(piece => heavy.includes(piece.id))
    .flatMap((piece): Reprint[] => {
      const without = assessor.assess({
        ...doc,
        weighIns: doc.weighIns.filter(item => item.piece !== piece.id),
      })
      const saves = before.forecast.massG - without.forecast.massG
      return saves > Math.max(WORTH_G, 0.02 * piece.massG)
        ? [
            {
              piece: piece.id,
              name: piece.name,
              weighedG: piece.weighedG!,
              expectedG: piece.weighedG! - saves,
              hours: piece.hours,
              filamentG: piece.filamentG,
              chanceWeight: without.forecast.chanceWeight,
            },
          ]
        : []
    })
    .sort((a, b) => b.weighedG - b.expectedG - (a.weighedG - a.expectedG))
    .slice(0, TOLD)
}
