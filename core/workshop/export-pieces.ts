/** All pieces as solids for the printer: one STL a piece, and a list. */
import type { Airframe, PieceReport } from '../assess'
import { meshOf, pieceSolid, type SolidKernel } from '../geometry'
import { writeStl } from '../printing'

export interface ExportedFile { name: string, bytes: Uint8Array }

/** Builds every piece in turn; `progress` may throw to stop. Solids are freed as they are written. */
export async function exportPieces(kernel: SolidKernel, airframe: Airframe, reports: readonly PieceReport[], progress: (done: number, of: number, name: string) => void | Promise<void>): Promise<ExportedFile[]> {
  const files: ExportedFile[] = []
  for (const [i, piece] of airframe.pieces.entries()) {
    await progress(i, airframe.pieces.length, piece.name)
    const solid = pieceSolid(kernel, piece)
    try {
      files.push({ name: `${piece.id}.stl`, bytes: writeStl(meshOf(solid), piece.name) })
    } finally {
      solid.delete()
    }
  }
  files.push({ name: 'pieces.csv', bytes: encodeText(piecesCsv(reports)) })
  return files
}

/** UTF-8 without the DOM's encoder, which core code does not have: names may hold any letter. */
export function encodeText(text: string): Uint8Array {
  const escaped = unescape(encodeURIComponent(text.replace(/\p{Surrogate}/gu, '?')))
  return Uint8Array.from(escaped, c => c.charCodeAt(0))
}

const COLUMNS: ReadonlyArray<[string, (piece: PieceReport) => string | number]> = [
  ['file', p => `${p.id}.stl`], ['name', p => p.name], ['zone', p => p.zoneName], ['filament', p => p.filamentName], ['recipe', p => p.recipe], ['printer', p => p.printerName],
  ['turn_deg', p => p.turnDeg], ['width_mm', p => p.boxMm[0].toFixed(1)], ['depth_mm', p => p.boxMm[1].toFixed(1)], ['height_mm', p => p.boxMm[2].toFixed(1)],
  ['mass_g', p => p.predictedG.toFixed(2)], ['hours', p => p.hours.toFixed(2)], ['layers', p => p.layers],
]

/** RFC 4180, a line a piece. Cells that a spreadsheet would take for a formula get a leading apostrophe. */
export function piecesCsv(reports: readonly PieceReport[]): string {
  const cell = (value: string | number) => {
    const text = typeof value === 'string' && /^[=+\-@\t]/.test(value) ? `'${value}` : String(value)
    return /[",\r\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text
  }
  return `${[COLUMNS.map(([name]) => name), ...reports.map(piece => COLUMNS.map(([, value]) => cell(value(piece))))].map(row => row.join(',')).join('\r\n')}\r\n`
}
