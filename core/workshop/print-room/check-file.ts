/** A machine file from anywhere, held against the pieces of the project. */
import { DocumentError, pairOf, type ProjectFile, type Recipe } from '../../document'
import { webbedSection, webPattern, websOf, type Piece } from '../../geometry'
import type { Airframe, Assessment } from '../../assess'
import {
  comparePiece,
  identify,
  lies,
  readMachineFile,
  type PieceCheck,
  type ReadFile,
  type Source,
  type WantedPiece,
} from '../../printing'
import { stand } from './stand'

export interface FileVerdict {
  file: ReadFile['figures']
  pieces: PieceCheck[]
  /** Things in the file that are none of the project's pieces. */
  strangers: number
}

/** Pieces as they should be laid. What lies on its side is checked by eye: its layers are not its sections. */
export function wantedPieces(airframe: Airframe, assessment: Assessment): WantedPiece[] {
  return airframe.pieces.flatMap((piece): WantedPiece[] => {
    const report = assessment.pieces.find(item => item.id === piece.id)
    if (!report || report.sheet || lies(piece)) return []
    return [wantedPiece(airframe, piece, report.filamentG, report.printer)]
  })
}

function wantedPiece(
  airframe: Airframe,
  piece: Piece,
  filamentG: number,
  printer: string | null,
): WantedPiece {
  const { toBed, chordToBed } = stand(piece, { xMm: 0, yMm: 0, turnDeg: 0 })
  const pattern = piece.mesh ? null : webPattern(piece.zone.recipe)
  const { doc } = airframe
  return {
    id: piece.id,
    name: piece.name,
    heightMm: piece.to + piece.proud - piece.from,
    recipe: piece.zone.recipe,
    filament: airframe.filamentOf(piece.zone),
    printer: doc.printers.find(item => item.id === printer) ?? doc.printers[0],
    filamentG,
    chordAt: z => chordToBed(piece.chordAt(piece.from + z)),
    plain: z => toBed(piece.sectionAt(piece.from + z)),
    webbed: z => toBed(webbedSection(piece, pattern ? websOf(piece, pattern) : [], piece.from + z)),
  }
}

/** `pieceId`: what it is said to be; found from the shape where it is left out. Throws `DocumentError`. */
export async function checkFile(
  source: Source,
  airframe: Airframe,
  assessment: Assessment,
  pieceId: string | null,
  progress?: (characters: number) => void | Promise<void>,
): Promise<FileVerdict> {
  const all = wantedPieces(airframe, assessment)
  const asked = pieceId === null ? null : all.find(item => item.id === pieceId)
  if (asked === undefined)
    throw new DocumentError(
      'piece',
      `there is no piece "${pieceId!.slice(0, 60)}" that stands on its end; there are ${all.map(item => item.id).join(', ')}`,
    )
  const printer = (asked ?? all[0])?.printer ?? airframe.doc.printers[0]
  const file = await readMachineFile(source, printer, progress)
  if (file.pieces.length === 0) throw new DocumentError('', 'lays no plastic')
  let strangers = 0
  const pieces = file.pieces.flatMap((own, i): PieceCheck[] => {
    // What was asked for is the largest; others on the plate are found by their shape.
    const wanted = asked && i === largest(file) ? asked : identify(own, all)
    if (!wanted) {
      strangers++
      return []
    }
    return [comparePiece(own, file, wanted)]
  })
  return { file: file.figures, pieces, strangers }
}

const largest = ({ pieces }: ReadFile): number =>
  pieces.reduce((best, { found }, i) => (found.plasticMm3 > pieces[best].found.plasticMm3 ? i : best), 0)

/** The design with a piece's whole zone printed as the file has it. */
export function printedAsFound(doc: ProjectFile, piece: Piece, asFound: Recipe): ProjectFile {
  return {
    ...doc,
    asPrinted: doc.asPrinted.filter(item => item.piece !== pairOf(piece.id)),
    zones: doc.zones.map(zone => (zone.id === piece.zone.id ? { ...zone, recipe: asFound } : zone)),
  }
}
