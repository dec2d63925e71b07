/** What a change costs, told by the assessments before and after it. */
import type { Assessment } from '../assess'

/** An hour of printing counts like this many grams flown. */
export const HOUR_IN_GRAMS = 3

/** Hours of the pieces that come out otherwise; one that comes out as it was is not printed again. */
export function hoursAnew(before: Assessment, after: Assessment): number {
  const old = new Map(before.pieces.map(piece => [piece.id, piece]))
  return after.pieces
    .filter(
      piece =>
        Math.abs((old.get(piece.id)?.predictedG ?? 0) - piece.predictedG) > 0.002 * piece.predictedG ||
        old.get(piece.id)?.filament !== piece.filament,
    )
    .reduce((sum, piece) => sum + piece.hours, 0)
}

/** Filament and spar stock, in the document's currency. */
export const costOf = ({ totals, spars, struts }: Assessment): number =>
  totals.cost + [...spars, ...struts].reduce((sum, { price }) => sum + price, 0)

/** Findings that stop the build, those of strength and of targets apart. */
export const stops = ({ findings }: Assessment): number =>
  findings.filter(finding => finding.severity === 'stop' && !finding.target).length
