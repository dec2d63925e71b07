/** Numbers for new pieces: one that has named a piece is never given to another. */
import type { Cuts, ProjectFile, Surface, SurfaceName } from './schema'

/** Piece ids that weighings, printers and marks of the document still speak of. */
const spokenOf = (doc: ProjectFile): string[] => [
  ...doc.weighIns.map(({ piece }) => piece),
  ...doc.asPrinted.map(({ piece }) => piece),
  ...Object.keys(doc.printerOf),
]

function free(
  doc: ProjectFile,
  prefix: string,
  least: number,
  taken: ReadonlyArray<{ piece: number }>,
): number {
  const spoken = spokenOf(doc)
    .filter(id => id.startsWith(prefix))
    .map(id => Number.parseInt(id.slice(prefix.length), 10))
    .filter(Number.isFinite)
  return Math.max(least - 1, ...taken.map(({ piece }) => piece), ...spoken) + 1
}

/** For the piece beyond a new cut. */
export const newPieceNumber = (doc: ProjectFile, part: keyof Cuts): number =>
  free(doc, `${part}-`, 2, doc.cuts[part])

/** For the moving pieces of a new control. */
export const newControlNumber = (doc: ProjectFile, part: SurfaceName, surface: Surface): number =>
  free(doc, `${part}-moving-`, 1, surface.controls)
