/**
 * Full fidelity: every piece as the solid that is exported, every layer sliced, every move replayed on its
 * printer.
 */
import type { Airframe, PieceReport } from '../../assess'
import { isSheet, meshOf, pieceSolid, type SolidKernel } from '../../geometry'
import { sliceModel } from '../../printing'
import { kgToG, sToHours } from '../../units'

export interface EveryLayer {
  piece: string
  massG: number
  /** Plate overhead left out. */
  hours: number
  travelM: number
  overhangMm2: number
  bridgeMm: number
  layers: number
  /** What the live estimate says of the same. */
  liveMassG: number
  liveHours: number
}

/** Port pieces are their twins in a mirror and are not sliced again. `progress` may throw to stop. */
export async function sliceEveryLayer(
  kernel: SolidKernel,
  airframe: Airframe,
  reports: readonly PieceReport[],
  progress: (done: number, of: number, name: string) => void | Promise<void>,
): Promise<EveryLayer[]> {
  const own = airframe.pieces.filter(piece => piece.side !== 'port' && !isSheet(piece))
  const found: EveryLayer[] = []
  for (const [i, piece] of own.entries()) {
    await progress(i, own.length, piece.name)
    const report = reports.find(item => item.id === piece.id)!
    const printer = {
      ...(airframe.doc.printers.find(item => item.id === report.printer) ?? airframe.doc.printers[0]),
      plateOverheadMin: 0,
    }
    const solid = pieceSolid(kernel, piece)
    const mesh = meshOf(solid)
    solid.delete()
    const full = sliceModel(mesh, piece.zone.recipe, airframe.filamentOf(piece.zone), printer, undefined, z =>
      piece.chordAt(piece.from + z),
    )
    found.push({
      piece: piece.id,
      massG: kgToG(full.mass),
      hours: sToHours(full.seconds),
      travelM: full.lengths.travel / 1000,
      overhangMm2: full.overhangMm2,
      bridgeMm: full.bridgeMm,
      layers: full.layers,
      liveMassG: report.predictedG,
      liveHours: report.machineHours,
    })
  }
  return found
}
