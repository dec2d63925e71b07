/** What can still be printed otherwise: pieces of which neither side has been begun. */
import type { Assessment, PieceReport } from '../../assess'
import { pairOf, printedAs, type ProjectFile } from '../../document'
import { isPrinted } from '../print-room'

export interface Begun {
  /** Printed, printing, or the mirror image of such a one: it is to match. */
  begun: PieceReport[]
  rest: PieceReport[]
}

export function begunPieces(doc: ProjectFile, { pieces }: Pick<Assessment, 'pieces'>): Begun {
  const printing = new Set(
    doc.plates.flatMap(plate => (plate.state === 'printing' ? plate.pieces.map(({ piece }) => piece) : [])),
  )
  const pairs = new Set(
    pieces
      .filter(piece => printing.has(piece.id) || isPrinted(doc, piece) || printedAs(doc, piece.id))
      .map(piece => pairOf(piece.id)),
  )
  return {
    begun: pieces.filter(piece => pairs.has(pairOf(piece.id))),
    rest: pieces.filter(piece => !pairs.has(pairOf(piece.id))),
  }
}
