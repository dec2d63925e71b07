/** All pieces as solids for the printer: an STL a piece, a 3MF a plate, and a list. */
import Papa from 'papaparse'
import type { Airframe, PieceReport } from '../../assess'
import { denserOf, printedSparOf, recipeOf, type Printer, type Recipe } from '../../document'
import {
  chordSolids,
  isSheet,
  together,
  type Piece,
  type SolidKernel,
  type TriangleMesh,
} from '../../geometry'
import { createPrintableMeshes, writeStl, writeThreeMf } from '../../printing'
import { layPlates, stand } from '../print-room'

export interface ExportedFile {
  name: string
  bytes: Uint8Array
}

/** Names that no file system takes for one another: case says nothing, and the second one of a name is numbered. */
export function uniqueNames(): (wanted: string) => string {
  const taken = new Set<string>()
  return wanted => {
    const [, stem, end] = /^(.*?)(\.[^./]*)?$/s.exec(wanted)!
    let name = wanted
    for (let n = 2; taken.has(name.toLowerCase()); n++) name = `${stem}-${n}${end ?? ''}`
    taken.add(name.toLowerCase())
    return name
  }
}

/** Builds every piece in turn; `progress` may throw to stop. Solids are freed as they are written. */
export async function exportPieces(
  kernel: SolidKernel,
  airframe: Airframe,
  reports: readonly PieceReport[],
  progress: (done: number, of: number, name: string) => void | Promise<void>,
): Promise<ExportedFile[]> {
  const files: ExportedFile[] = []
  const nameOf = uniqueNames()
  const meshes = new Map<string, TriangleMesh>()
  const meshOfPiece = createPrintableMeshes(kernel)
  const printed = airframe.pieces.filter(piece => !isSheet(piece)),
    printedReports = reports.filter(piece => !piece.sheet)
  for (const [i, piece] of printed.entries()) {
    await progress(i, printed.length, piece.name)
    const mesh = meshOfPiece(piece)
    meshes.set(piece.id, mesh)
    files.push({ name: nameOf(`${piece.id}.stl`), bytes: writeStl(mesh, `${piece.mark} ${piece.name}`) })
    files.push(...chordFiles(piece, nameOf))
  }
  for (const printer of airframe.doc.printers)
    files.push(...plateFiles(printer, airframe, printedReports, meshes, nameOf))
  files.push({
    name: 'pieces.csv',
    bytes: encodeText(piecesCsv(printedReports, piece => recipeOf(airframe.doc, piece))),
  })
  return files
}

/** Beside a piece what a slicing program lays over it: for more walls, and for what is filled through. */
function chordFiles(piece: Piece, nameOf: (wanted: string) => string): ExportedFile[] {
  const solids = chordSolids(piece)
  return (['denser', 'printed-spar'] as const).flatMap(kind => {
    const own = solids.filter(item => item.kind === kind)
    if (own.length === 0) return []
    const mesh = together(own.map(item => item.mesh))
    return [
      { name: nameOf(`along-chord/${piece.id}-${kind}.stl`), bytes: writeStl(mesh, `${piece.mark} ${kind}`) },
    ]
  })
}

/**
 * What a printer prints, plate by plate: each piece turned to its least box, named with its mark, a filament
 * to itself where it oozes.
 */
function plateFiles(
  printer: Printer,
  airframe: Airframe,
  reports: readonly PieceReport[],
  meshes: ReadonlyMap<string, TriangleMesh>,
  nameOf: (wanted: string) => string,
): ExportedFile[] {
  const own = reports.filter(piece => piece.printer === printer.id && meshes.has(piece.id))
  const pieceOf = (id: string) => airframe.pieces.find(item => item.id === id)!
  const plates = layPlates(printer, own, pieceOf, piece => airframe.filamentOf(piece.zone))
  const counts = new Map<string, number>()
  return plates.map(({ filament, pieces }) => {
    const count = (counts.get(filament) ?? 0) + 1
    counts.set(filament, count)
    return {
      name: nameOf(`plates/${printer.id}-${filament}-${String(count).padStart(2, '0')}.3mf`),
      bytes: writeThreeMf(
        pieces.map(place => {
          const piece = pieceOf(place.piece)
          return {
            name: `${piece.mark} ${piece.name}`,
            mesh: turnedMesh(meshes.get(piece.id)!, stand(piece, place).turn),
            place: [place.xMm, place.yMm],
          }
        }),
      ),
    }
  })
}

/** Turned about the vertical by `turn` (rad) and moved to the first quadrant. */
function turnedMesh({ positions, triangles }: TriangleMesh, turn: number): TriangleMesh {
  const cos = Math.cos(turn),
    sin = Math.sin(turn)
  const turned = new Float32Array(positions.length)
  let x0 = Infinity,
    y0 = Infinity
  for (let i = 0; i < positions.length; i += 3) {
    turned[i] = positions[i] * cos - positions[i + 1] * sin
    turned[i + 1] = positions[i] * sin + positions[i + 1] * cos
    turned[i + 2] = positions[i + 2]
    x0 = Math.min(x0, turned[i])
    y0 = Math.min(y0, turned[i + 1])
  }
  for (let i = 0; i < turned.length; i += 3) {
    turned[i] -= x0
    turned[i + 1] -= y0
  }
  return { positions: turned, triangles }
}

/** UTF-8 without the DOM's encoder, which core code does not have: names may hold any letter. */
export function encodeText(text: string): Uint8Array {
  const escaped = unescape(encodeURIComponent(text.replace(/\p{Surrogate}/gu, '?')))
  return Uint8Array.from(escaped, c => c.charCodeAt(0))
}

const percent = (share: number | undefined) => (share === undefined ? '' : Math.round(100 * share))

const COLUMNS: ReadonlyArray<[string, (piece: PieceReport, recipe: Recipe) => string | number]> = [
  ['file', p => `${p.id}.stl`],
  ['mark', p => p.mark],
  ['name', p => p.name],
  ['zone', p => p.zoneName],
  ['filament', p => p.filamentName],
  ['recipe', p => p.recipe],
  ['printer', p => p.printerName],
  ['turn_deg', p => p.turnDeg],
  ['width_mm', p => p.boxMm[0].toFixed(1)],
  ['depth_mm', p => p.boxMm[1].toFixed(1)],
  ['height_mm', p => p.boxMm[2].toFixed(1)],
  ['brim_mm', p => p.brimMm],
  ['mass_g', p => p.predictedG.toFixed(2)],
  ['filament_g', p => p.filamentG.toFixed(2)],
  ['hours', p => p.hours.toFixed(2)],
  ['layers', p => p.layers],
  ['walls', (_, recipe) => recipe.walls],
  ['bead_mm', (_, recipe) => recipe.beadWidthMm],
  ['layer_mm', (_, recipe) => recipe.layerHeightMm],
  ['infill_pct', (_, recipe) => Math.round(100 * recipe.infillShare)],
  ['base_layers', (_, recipe) => recipe.baseLayers],
  ['top_layers', (_, recipe) => recipe.topLayers],
  ['flow', (_, recipe) => recipe.flow],
  ['nozzle_c', (_, recipe) => recipe.nozzleC],
  ['spiral', (_, recipe) => (recipe.spiral ? 'yes' : 'no')],
  ['gap_closing_under_mm', (_, recipe) => recipe.lattice?.slitMm ?? ''],
  ['second_skin_mm', (_, recipe) => recipe.skinGapMm ?? ''],
  ['more_walls', (_, recipe) => denserOf(recipe)?.walls ?? ''],
  ['more_walls_to_pct', (_, recipe) => percent(denserOf(recipe)?.noseTo)],
  ['more_walls_from_pct', (_, recipe) => percent(denserOf(recipe)?.rearFrom)],
  ['printed_spar_mm', (_, recipe) => printedSparOf(recipe)?.widthMm ?? ''],
  ['printed_spar_at_pct', (_, recipe) => percent(printedSparOf(recipe)?.atShare)],
  ['joint_foot', p => p.joints.foot?.kind ?? ''],
  ['joint_head', p => p.joints.head?.kind ?? ''],
]

/** RFC 4180, a line a piece. Cells that a spreadsheet would take for a formula get a leading apostrophe. */
export function piecesCsv(reports: readonly PieceReport[], recipeOf: (piece: PieceReport) => Recipe): string {
  const rows = reports.map(piece => COLUMNS.map(([, value]) => value(piece, recipeOf(piece))))
  // What a spreadsheet would take for a formula is text, also behind spaces and line breaks.
  return `${Papa.unparse({ fields: COLUMNS.map(([name]) => name), data: rows }, { escapeFormulae: /^\s*[=+\-@]/ })}\r\n`
}
