/** Which of the project's pieces a piece in a file is. */
import { medianOf, pieceFigures, type PieceFigures } from './figures'
import { wantedLength } from './inside'
import { looksAt, mostlyMirrored, SAME, shapesAtLooks, unlike } from './looks'
import type { FilePiece } from './read-file'
import type { WantedPiece } from './wanted'

/** Which of the project's pieces this is; null where none is like it. Twins in a mirror are told apart. */
export function identify(own: FilePiece, all: readonly WantedPiece[]): WantedPiece | null {
  const figures = pieceFigures(own)
  const scored = all
    .map(wanted => ({ wanted, score: unlike(figures, wanted) }))
    .filter(item => item.score < SAME)
    .sort((a, b) => a.score - b.score)
  if (scored.length === 0) return null
  const near = scored.filter(item => item.score < scored[0].score + 0.02)
  const byFit = near
    .map(item => ({ ...item, turned: mostlyMirrored(looksAt(figures, item.wanted)) }))
    .sort((a, b) => Number(a.turned) - Number(b.turned) || a.score - b.score)
  // Pieces of one skin differ in what is inside.
  const alike = byFit.filter(item => item.turned === byFit[0].turned)
  if (alike.length < 2) return byFit[0].wanted
  return alike
    .map(({ wanted }) => ({ wanted, off: lengthOff(figures, wanted) }))
    .sort((a, b) => a.off - b.off)[0].wanted
}

/** How far the laid lengths are off those of a piece, as logarithms: what is off everywhere alike says nothing. */
function lengthOff(figures: PieceFigures, wanted: WantedPiece): number {
  const ratios = shapesAtLooks(figures).flatMap(shape => {
    const laid = wantedLength(
      wanted.webbed(shape.at * wanted.heightMm),
      wanted.recipe,
      wanted.chordAt(shape.at * wanted.heightMm),
    )
    return laid > 0 ? [Math.log(shape.layer.length / laid)] : []
  })
  const middle = medianOf(ratios) ?? 0
  return ratios.reduce((sum, ratio) => sum + Math.abs(ratio - middle), 0)
}
