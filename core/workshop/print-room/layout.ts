/** Plates: which pieces stand together on a bed, turned to their least box and side by side. mm */
import type { Filament } from '../../libraries'
import type { PlatePiece, Printer } from '../../document'
import type { Piece } from '../../geometry'
import { packPlates } from '../../printing'
import type { PieceReport } from '../../assess'

export interface PlateLayout {
  printer: string
  filament: string
  pieces: PlatePiece[]
}

/** The front edge of a bed is left to the line that is wiped there, where there is room, mm. */
const FRONT = 6

/** A filament that oozes wants a plate for each piece, and so does a spiral, which never travels. */
export const standsAlone = (piece: Piece, filament: Filament): boolean =>
  filament.onePieceAPlate || piece.zone.recipe.spiral

/**
 * Plates of one printer for these pieces: those of one filament, temperature and layer height together, in the order
 * in which they are given.
 */
export function layPlates(
  printer: Printer,
  reports: readonly PieceReport[],
  pieceOf: (id: string) => Piece,
  filamentOf: (piece: Piece) => Filament,
): PlateLayout[] {
  const groups = new Map<string, PieceReport[]>()
  for (const report of reports) {
    const { recipe } = pieceOf(report.id).zone
    const key = `${report.filament} ${recipe.nozzleC} ${recipe.layerHeightMm}`
    groups.set(key, [...(groups.get(key) ?? []), report])
  }
  return [...groups.values()].flatMap(group => {
    const turned = new Map(group.map(report => [report.id, bedTurn(report, printer)]))
    // A brim needs room as well, where the bed has it.
    const brimOf = (report: PieceReport): number => {
      const [width, depth] = turned.get(report.id)!.size
      const room = Math.min(printer.bedMm[0] - width, printer.bedMm[1] - depth) / 2
      return Math.max(0, Math.min(report.brimMm, room))
    }
    const deepest = Math.max(...group.map(report => turned.get(report.id)!.size[1] + 2 * brimOf(report)))
    const front = Math.min(FRONT, Math.max(0, printer.bedMm[1] - deepest))
    const plates = packPlates(
      group.map(report => {
        const [width, depth] = turned.get(report.id)!.size
        const piece = pieceOf(report.id)
        return {
          id: report.id,
          width: width + 2 * brimOf(report),
          depth: depth + 2 * brimOf(report),
          alone: standsAlone(piece, filamentOf(piece)),
        }
      }),
      [printer.bedMm[0], printer.bedMm[1] - front, printer.bedMm[2]],
    )
    return plates.map(plate => ({
      printer: printer.id,
      filament: group[0].filament,
      pieces: plate.map(({ id, x, y }): PlatePiece => {
        const brim = brimOf(group.find(report => report.id === id)!)
        return { piece: id, xMm: x + brim, yMm: y + brim + front, turnDeg: turned.get(id)!.turnDeg }
      }),
    }))
  })
}

/** The report's turn, a quarter further where the longer side only goes along the bed's longer one. */
function bedTurn(
  { boxMm, turnDeg }: PieceReport,
  { bedMm }: Printer,
): { turnDeg: number; size: [number, number] } {
  const fits = boxMm[0] <= bedMm[0] + 1e-6 && boxMm[1] <= bedMm[1] + 1e-6
  return fits
    ? { turnDeg, size: [boxMm[0], boxMm[1]] }
    : { turnDeg: turnDeg + 90, size: [boxMm[1], boxMm[0]] }
}
