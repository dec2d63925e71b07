/** What a document amounts to before anything is computed from it: lofts, spar lines, pieces, materials. */
import type { Body, Design, Given, Pod, ProjectFile, SurfaceName, Zone } from '../../document'
import type { BodyLoft, DuctLoft, Piece, Slot, SparLine, SurfaceLoft } from '../../geometry'
import type { Filament } from '../../libraries'
import type { Covering } from '../../structure'
import type { HeldBoom } from './held-boom'
import type { StandingStrut } from './standing-struts'

/** A design as lofts, spar lines and pieces. */
export interface Designed {
  doc: Design
  surfaces: Partial<Record<SurfaceName, SurfaceLoft>>
  wing: SurfaceLoft
  spars: Partial<Record<SurfaceName, readonly SparLine[]>>
  body: BodyLoft | null
  /** Bodies beside it, where they stand. */
  pods: ReadonlyArray<{ pod: Pod; body: Body; loft: BodyLoft }>
  /** The way for air through the body; null without a body, too. */
  duct: DuctLoft | null
  /** For tails of sheet that are pushed into the body, by their surface. */
  slots: Partial<Record<SurfaceName, Slot>>
  boom: HeldBoom | null
  /** Where both their ends stand on something. */
  struts: readonly StandingStrut[]
  pieces: readonly Piece[]
  /** What trailing edges are opened to, mm. */
  edgeMm: Partial<Record<SurfaceName, number>>
  /** The zone of the piece of a body at a place, as that piece is printed. */
  zoneAt(body: BodyLoft, xMm: number): Zone
  /** As it is printed in a zone, at the temperature of its data sheet. */
  filamentOf(zone: Zone): Filament
  /** What a zone of ribs is built and covered with; null where it is printed as a shell. */
  coveringOf(zone: Zone): Covering | null
  /** The same in the air of the brief and under its sun, and spars likewise: what strength is reckoned with. */
  warm: {
    temperatureC: number
    filamentOf(zone: Zone): Filament
    lines(lines: readonly SparLine[]): readonly SparLine[]
  }
  /** References to libraries that found nothing: the name wanted, and what stands in for it. */
  missing: ReadonlyArray<{ where: string; id: string; used: string }>
  /** Given parts whose mesh cannot be read. */
  unreadable: readonly Given[]
}

/** The same with everything that the document says. */
export interface Airframe extends Designed {
  doc: ProjectFile
}
