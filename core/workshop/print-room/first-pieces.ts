/** Of every filament, recipe and printer that has printed nothing accepted yet, one piece goes first. */
import type { ProjectFile } from '../../document'
import type { Assessment, PieceReport } from '../../assess'

export interface Release {
  zone: string
  filament: string
  printer: string
  /** The piece that goes first; null where something has been accepted already. */
  first: string | null
  /** Pieces that wait for it. */
  held: string[]
}

/** A representative piece has at least this share of the grams of the heaviest: a small one hides a heavy skin. */
const REPRESENTATIVE = 0.4

const keyOf = (piece: Pick<PieceReport, 'zone' | 'filament' | 'printer'>): string =>
  `${piece.zone} ${piece.filament} ${piece.printer}`

/** A piece is printed when a plate with it is done, or it was weighed, and it has not been redesigned since. */
export function isPrinted(doc: ProjectFile, piece: PieceReport): boolean {
  if (piece.weighedG !== null) return true
  if (piece.outdatedG !== null) return false
  return doc.plates.some(
    plate => plate.state === 'done' && plate.pieces.some(item => item.piece === piece.id),
  )
}

export const isAccepted = (
  doc: ProjectFile,
  piece: Pick<PieceReport, 'zone' | 'filament' | 'printer'>,
): boolean =>
  doc.accepted.some(
    item => item.zone === piece.zone && item.filament === piece.filament && item.printer === piece.printer,
  )

export function releases(doc: ProjectFile, { pieces }: Pick<Assessment, 'pieces'>): Release[] {
  const groups = new Map<string, PieceReport[]>()
  for (const piece of pieces) {
    if (piece.printer === null) continue
    groups.set(keyOf(piece), [...(groups.get(keyOf(piece)) ?? []), piece])
  }
  return [...groups.values()].map(group => {
    const { zone, filament, printer } = group[0]
    const waiting = group.filter(piece => !isPrinted(doc, piece))
    if (isAccepted(doc, group[0])) return { zone, filament, printer: printer!, first: null, held: [] }
    // One that is printed and not looked at yet, or printing, is the first piece; else the lightest that stands for
    // the rest.
    const begun = group.find(
      piece =>
        isPrinted(doc, piece) ||
        doc.plates.some(
          plate => plate.state === 'printing' && plate.pieces.some(item => item.piece === piece.id),
        ),
    )
    const most = Math.max(...group.map(piece => piece.predictedG))
    const first =
      begun ??
      [...group]
        .sort((a, b) => a.predictedG - b.predictedG)
        .find(piece => piece.predictedG >= REPRESENTATIVE * most)!
    return {
      zone,
      filament,
      printer: printer!,
      first: first.id,
      held: waiting.filter(piece => piece.id !== first.id).map(piece => piece.id),
    }
  })
}

export interface FirstPiece {
  piece: string
  /** The machine file was held against it and accepted. */
  checked: boolean
  /** How far off the scale says it is, percent; null before it is weighed. */
  offPercent: number | null
  good: boolean
}

/** As much as a first piece may weigh more or less than it should, percent. */
export const FIRST_OFF = 7

export function firstPieceState(doc: ProjectFile, piece: PieceReport): FirstPiece {
  const check = doc.fileChecks.findLast(item => item.piece === piece.id)
  const offPercent = piece.weighedG === null ? null : 100 * (piece.weighedG / piece.predictedG - 1)
  const checked = check?.verdict === 'accepted'
  return {
    piece: piece.id,
    checked,
    offPercent,
    good: checked && offPercent !== null && Math.abs(offPercent) <= FIRST_OFF,
  }
}
