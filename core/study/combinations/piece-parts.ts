/**
 * What one piece brings to an aircraft, by the options that it depends on: printed once with the real kernel,
 * kept while its shape and zone stay.
 */
import type { ProjectFile, Zone } from '../../document'
import { sameShape, shellThickness, type Piece, type PieceShape } from '../../geometry'
import type { MassEntry } from '../../mass'
import { gToKg, kgToG, sToHours } from '../../units'
import type { Airframe } from '../../assessment/resolve'
import { jointEntries, pieceEntry } from '../../assessment/ledger'
import { capable, createPrinting, filamentKg, plateSeconds, priceOf, weighIn } from '../../assessment/print'

export interface PiecePart {
  /** Itself, and what its joint's hardware weighs. SI. */
  entries: MassEntry[]
  hours: number
  cost: number
  /** Null where no printer can make it. */
  printer: string | null
  filament: string
  /** g off the spool that are still to be printed. */
  wantedG: number
}

/** Which printer makes which piece, frozen for a study so that hours add. */
export type PrinterOf = Readonly<Record<string, string>>

/** Shapes of one piece remembered. */
const SHAPES = 60

export interface PieceParts {
  part(airframe: Airframe, piece: Piece, printerOf: PrinterOf): PiecePart
}

/**
 * Everything that matters besides shape and zone must stay the same for as long as this lives: printers,
 * spools, weighings and allowances.
 * A piece stays on its printer; where that one cannot make it, it goes to whichever takes least time.
 */
export function createPieceParts(): PieceParts {
  const printing = createPrinting()
  const known = new Map<string, PieceShape[]>()
  const parts = new WeakMap<PieceShape['sectionAt'], Map<string, Map<Zone, PiecePart>>>()
  /** The function that the same shape had before. */
  const sectionOf = (piece: Piece): PieceShape['sectionAt'] => {
    const list = known.get(piece.id) ?? []
    const found =
      list.find(item => item.sectionAt === piece.sectionAt) ?? list.find(item => sameShape(item, piece))
    if (found) return found.sectionAt
    known.set(piece.id, [...list.slice(1 - SHAPES), piece])
    return piece.sectionAt
  }
  return {
    part(airframe, piece, printerOf) {
      const section = sectionOf(piece),
        own = parts.get(section) ?? new Map<string, Map<Zone, PiecePart>>()
      parts.set(section, own)
      const byZone = own.get(piece.id) ?? new Map<Zone, PiecePart>()
      own.set(piece.id, byZone)
      let part = byZone.get(piece.zone)
      if (!part) {
        part = partOf(airframe, printing.one(airframe, { ...piece, sectionAt: section }), printerOf[piece.id])
        byZone.set(piece.zone, part)
      }
      return part
    },
  }
}

function partOf(
  { doc }: Airframe,
  printed: ReturnType<ReturnType<typeof createPrinting>['one']>,
  wanted: string | undefined,
): PiecePart {
  const { filament } = printed
  const able = doc.printers.filter(printer => capable(printed, printer))
  const printer =
    able.find(item => item.id === wanted) ??
    able.reduce<ProjectFile['printers'][number] | null>(
      (a, b) => (a && plateSeconds(printed, a) <= plateSeconds(printed, b) ? a : b),
      null,
    )
  const scale = weighIn(doc, printed),
    weighed = scale?.same ? gToKg(scale.massG) : undefined
  return {
    // A port piece balances as its starboard twin does: only x counts.
    entries: [pieceEntry(doc, printed, weighed), ...jointEntries([printed])],
    hours: sToHours(plateSeconds(printed, printer ?? doc.printers[0])),
    cost: filamentKg(printed) * priceOf(doc, filament),
    printer: printer?.id ?? null,
    filament: filament.id,
    wantedG: weighed === undefined ? kgToG(filamentKg(printed)) : 0,
  }
}

/** What of a recipe its neighbours' joints depend on. */
export const jointSignature = ({ recipe }: Zone): string => `${shellThickness(recipe)}|${recipe.beadWidthMm}`
