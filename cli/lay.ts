import { createAssessor } from '../core/assess'
import { DocumentError, readProject } from '../core/document'
import { writePlate } from '../core/printing'
import { layPlates, platePart } from '../core/workshop/print-room'
import type { Arguments } from './answer'
import { lyingSolids } from './solids'

/** A piece as a machine file for one of the project's printers, where the plate would have it. */
export async function layVerb({ options, read }: Arguments): Promise<string> {
  const doc = readProject(read())
  const assessor = createAssessor()
  const airframe = assessor.airframe(doc),
    { pieces } = assessor.assess(doc)
  const piece = airframe.pieces.find(item => item.id === options.piece)
  if (!piece)
    throw new DocumentError('--piece', `wants one of ${airframe.pieces.map(item => item.id).join(', ')}`)
  const report = pieces.find(item => item.id === piece.id)!
  const wanted = options.printer ?? report.printer
  const printer = doc.printers.find(item => item.id === wanted)
  if (!printer)
    throw new DocumentError('--printer', `wants one of ${doc.printers.map(item => item.id).join(', ')}`)
  const filament = airframe.filamentOf(piece.zone)
  let plates
  try {
    plates = layPlates(
      printer,
      [report],
      () => piece,
      () => filament,
    )
  } catch (fault) {
    throw new DocumentError(printer.name, (fault as Error).message)
  }
  const part = platePart(piece, plates[0].pieces[0], await lyingSolids([piece]))
  return [...writePlate({ parts: [part], printer, filament }, filament.bedC)].join('')
}
