/** Of every filament, recipe and printer that has printed nothing accepted yet, one piece goes first. */
import { recipeOf, type ProjectFile, type Recipe } from '../../document'
import { WEIGH_LIMIT, type Assessment, type PieceReport } from '../../assess'

export interface Release {
  filament: string
  printer: string
  /** Names of the zones that are printed so. */
  zones: string[]
  /** The piece that goes first; null where something has been accepted already. */
  first: string | null
  /** Pieces that wait for it. */
  held: string[]
}

/** A representative piece has at least this share of the grams of the heaviest: a small one hides a heavy skin. */
const REPRESENTATIVE = 0.4

/** A recipe as far as it shows in a piece: a brim comes off, and the school is only where it began. */
const laidBy = ({ brimMm: _, school: __, ...recipe }: Recipe): string =>
  JSON.stringify(Object.entries(recipe).sort(([a], [b]) => (a < b ? -1 : 1)))

/** Ways of mending that want the piece once more. */
const ANEW: ReadonlySet<string> = new Set(['new-piece', 'stronger'])
/** Plates of a rest alone are named after their damage. */
export const MEND_PLATE = 'mend-'

/**
 * A piece is printed when as many plates with it are done as copies of it are wanted, or it was weighed, and it has
 * not been redesigned since.
 */
export function isPrinted(doc: ProjectFile, piece: PieceReport): boolean {
  if (piece.weighedG !== null) return true
  if (piece.outdatedG !== null) return false
  const done = doc.plates.filter(
    plate =>
      plate.state === 'done' &&
      !plate.id.startsWith(MEND_PLATE) &&
      plate.pieces.some(item => item.piece === piece.id),
  ).length
  return done > brokenCopies(doc, piece.id)
}

/** Copies of a piece that broke and are to be printed anew. */
export const brokenCopies = ({ damages }: Pick<ProjectFile, 'damages'>, piece: string): number =>
  damages.filter(
    damage =>
      damage.piece === piece && damage.state !== 'open' && damage.way !== null && ANEW.has(damage.way),
  ).length

export function releases(doc: ProjectFile, { pieces }: Pick<Assessment, 'pieces'>): Release[] {
  const groups = new Map<string, PieceReport[]>()
  const keyOf = (filament: string, printer: string, recipe: string) => `${filament} ${printer} ${recipe}`
  const accepted = new Set(doc.accepted.map(item => keyOf(item.filament, item.printer, laidBy(item.recipe))))
  for (const piece of pieces) {
    if (piece.printer === null) continue
    const key = keyOf(piece.filament, piece.printer, laidBy(recipeOf(doc, piece)))
    groups.set(key, [...(groups.get(key) ?? []), piece])
  }
  return [...groups].map(([key, group]): Release => {
    const { filament, printer } = group[0]
    const kind = { filament, printer: printer!, zones: [...new Set(group.map(piece => piece.zoneName))] }
    const waiting = group.filter(piece => !isPrinted(doc, piece))
    if (accepted.has(key)) return { ...kind, first: null, held: [] }
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
      ...kind,
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

export function firstPieceState(doc: ProjectFile, piece: PieceReport): FirstPiece {
  const check = doc.fileChecks.findLast(item => item.piece === piece.id)
  const offPercent = piece.weighedG === null ? null : 100 * (piece.weighedG / piece.predictedG - 1)
  const checked = check?.verdict === 'accepted'
  return {
    piece: piece.id,
    checked,
    offPercent,
    good: checked && offPercent !== null && Math.abs(offPercent) <= 100 * WEIGH_LIMIT,
  }
}
