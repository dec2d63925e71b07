/** A piece as it should be laid, for holding a machine file against it. */
import type { ChordFrame, Printer, Recipe } from '../../document'
import type { Section } from '../../geometry'
import type { Filament } from '../../libraries'

export interface WantedPiece {
  id: string
  name: string
  heightMm: number
  recipe: Recipe
  filament: Filament
  printer: Printer
  /** What should come off the spool, g. */
  filamentG: number
  /** Sections as it stands on the bed, mm: without the slits of its webs, and with them. */
  plain(z: number): Section
  webbed(z: number): Section
  /** The chord of its surface there, as it lies; null in a body. */
  chordAt(z: number): ChordFrame | null
}
