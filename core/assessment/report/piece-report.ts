/** What is said of every printed piece, in mm, g and h. */
import type { Joint } from '../../document'
import type { PartName } from '../../geometry'
import type { BeadLengths } from '../../printing'

export interface PieceReport {
  id: string
  name: string
  mark: string
  part: PartName
  kind: string
  side: string
  /** A rib under film: the stretch that it is one of; null for anything else. */
  ribOf: string | null
  /** Cut from a sheet of foam, and not printed. */
  sheet: boolean
  zone: string
  zoneName: string
  /** It stays as it was printed, whatever its zone says. */
  asPrinted: boolean
  filament: string
  filamentName: string
  recipe: string
  predictedG: number
  weighedG: number | null
  /** A weighing of an earlier design of this piece, not counted. */
  outdatedG: number | null
  /** Weighed where known, else predicted. */
  massG: number
  hours: number
  /** The same without the plate's overhead. */
  machineHours: number
  cost: number
  printer: string | null
  printerName: string
  layers: number
  lengthMm: number
  boxMm: [number, number, number]
  turnDeg: number
  fits: boolean
  fromMm: number
  toMm: number
  centreMm: [number, number, number]
  /** Printed mass per outside area, g/dm². */
  areaMassGdm2: number
  /** Pushed through the nozzle, brim and all. */
  filamentG: number
  beadsMm: BeadLengths
  /** Laid beyond 45° of the layer below, and the longest stretch to be bridged. */
  overhangMm2: number
  bridgeMm: number
  joints: { foot: Joint | null; head: Joint | null }
  /** Height over the narrower side of its foot, brim counted. */
  slender: number
  brimMm: number
}

export interface PrinterReport {
  id: string
  name: string
  hours: number
  pieces: number
}
