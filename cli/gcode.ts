import { createReplay } from '../core/printing'
import { LIBRARIES } from '../core/libraries'
import { DocumentError } from '../core/document'
import { sToHours } from '../core/units'
import type { Arguments } from './answer'
import { printerFrom } from './printing-input'

/** Machine code replayed: what it pushes, how long it takes, how far it reaches. */
export function gcodeVerb({ options, chunks }: Arguments): unknown {
  const { printer, filamentDiameterMm } = printerFrom(options.printer)
  const filament = LIBRARIES.filaments.find(item => item.id === (options.filament ?? 'pla'))
  if (!filament)
    throw new DocumentError(
      '--filament',
      `is not in the library: ${LIBRARIES.filaments.map(item => item.id).join(', ')}`,
    )
  const replay = createReplay(printer, filamentDiameterMm)
  for (const part of chunks()) replay.push(part)
  const { filamentMm, extrudedMm3, seconds, layers, bbox, moves } = replay.end()
  return {
    filamentMm,
    extrudedMm3,
    massG: extrudedMm3 * filament.density * 1e-6,
    hours: sToHours(seconds),
    layers,
    bboxMm: bbox,
    moves,
  }
}
