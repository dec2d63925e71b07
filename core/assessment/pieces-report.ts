/** Every piece printed: mass, hours, bed, printer. Memoised piece by piece on its shape and its zone. */
import type { Printer, Zone } from '../document'
import { fitsBed, polygonPerimeter, standingBox, type Piece } from '../geometry'
import type { Filament } from '../libraries'
import { memoise } from '../memo'
import { assignPrinters, printPiece, type PiecePrint } from '../printing'
import { gToKg, kgToG, sToHours } from '../units'
import type { Airframe } from './airframe'
import type { PieceReport, PrinterReport } from './types'

export interface PrintedPiece { piece: Piece, filament: Filament, print: PiecePrint, box: ReturnType<typeof standingBox>, outsideMm2: number }

/** Share of a bed that pieces standing together can cover. */
const PLATE_SHARE = 0.6

/** A prediction that moved by more than this since the weighing belongs to another design of the piece. */
const SAME_DESIGN = 0.01

/** A piece prints alike as long as its section function, span and zone are the same: `sliceAt` changes identity with the loft or its spars. */
type PieceKey = (loft: unknown, lines: unknown, from: number, to: number, zone: Zone) => PrintedPiece

export function createPrinting(): (airframe: Airframe) => PrintedPiece[] {
  const caches = new Map<string, { use: PieceKey, give(piece: Piece, filament: Filament): void }>()
  const cacheOf = (slot: string) => {
    let current: { piece: Piece, filament: Filament }
    const cached = caches.get(slot)
    if (cached) return cached
    const made = {
      use: memoise((_loft: unknown, _lines: unknown, _from: number, _to: number, _zone: Zone): PrintedPiece => printOne(current.piece, current.filament), 2),
      give(piece: Piece, filament: Filament) { current = { piece, filament } },
    }
    caches.set(slot, made)
    return made
  }
  return (airframe) => {
    const twins = new Map<string, PrintedPiece>()
    return airframe.pieces.map((piece) => {
      const slot = piece.id.replace(/-(starboard|port)$/, '')
      const twin = twins.get(slot)
      if (twin) return mirrored(twin, piece)
      const filament = airframe.filamentOf(piece.zone)
      const cache = cacheOf(slot)
      cache.give(piece, filament)
      const loft = piece.part === 'body' ? airframe.body : airframe.surfaces[piece.part]
      const lines = piece.part === 'body' ? airframe.doc.boom : airframe.spars[piece.part]
      const printed = cache.use(loft, lines, piece.from, piece.to, piece.zone)
      // Same shape, but the document's piece object is new: keep its name and neighbours.
      const fresh = { ...printed, piece }
      twins.set(slot, fresh)
      return fresh
    })
  }
}

function printOne(piece: Piece, filament: Filament): PrintedPiece {
  const edges = [piece.from, ...piece.breaks, piece.to]
  let outsideMm2 = 0
  for (let i = 0; i + 1 < edges.length; i++) {
    outsideMm2 += ((edges[i + 1] - edges[i]) * (polygonPerimeter(piece.sliceAt(edges[i]).outer) + polygonPerimeter(piece.sliceAt(edges[i + 1]).outer))) / 2
  }
  return { piece, filament, print: printPiece(piece, filament), box: standingBox(piece), outsideMm2 }
}

/** Port is starboard in a mirror: the same mass and hours, the centre across the plane of symmetry. */
function mirrored(twin: PrintedPiece, piece: Piece): PrintedPiece {
  const [x, y, z] = twin.print.centre
  return { ...twin, piece, print: { ...twin.print, centre: [x, -y, z] } }
}

/** Printers that can make a piece: the bed is large enough and the nozzle hot enough. */
export const capable = (printed: PrintedPiece, printer: Printer): boolean =>
  fitsBed(printed.box, printer.bedMm) && printed.piece.zone.recipe.nozzleC <= printer.nozzleMaxC

/** Seconds on a printer with the piece's share of the plate's overhead: all of it when it must be alone on its plate. */
export function plateSeconds(printed: PrintedPiece, printer: Printer): number {
  const share = printed.filament.onePieceAPlate ? 1 : Math.min(1, (printed.box.width * printed.box.depth) / (PLATE_SHARE * printer.bedMm[0] * printer.bedMm[1]))
  return printed.print.seconds(printer) + share * 60 * printer.plateOverheadMin
}

export function reportPieces(airframe: Airframe, printed: readonly PrintedPiece[]): { pieces: PieceReport[], printers: PrinterReport[], weighed: Map<string, number> } {
  const { doc } = airframe
  const seconds = printed.map(p => new Map(doc.printers.filter(printer => capable(p, printer)).map(printer => [printer.id, plateSeconds(p, printer)])))
  const { printerOf } = assignPrinters(printed.map((p, i) => ({ piece: p.piece.id, secondsOn: seconds[i], wanted: doc.printerOf[p.piece.id] })), doc.printers)
  const weighed = new Map<string, number>()
  const outdated = new Map<string, number>()
  printed.forEach(({ piece, print }) => {
    const entry = doc.weighIns.findLast(item => item.piece === piece.id)
    if (!entry) return
    const same = Math.abs(gToKg(entry.predictedG) - print.mass) <= SAME_DESIGN * print.mass
    if (same) weighed.set(piece.id, gToKg(entry.massG))
    else outdated.set(piece.id, entry.massG)
  })
  const prices = new Map(doc.spools.map(spool => [spool.filament, spool.pricePerKg]))
  const pieces = printed.map((p, i): PieceReport => {
    const { piece, filament, print, box } = p
    const printer = printerOf.get(piece.id) ?? null
    // No printer can make it: its hours on the first one still count, so that the total does not shrink.
    const time = printer ? seconds[i].get(printer)! : plateSeconds(p, doc.printers[0])
    const mass = weighed.get(piece.id) ?? print.mass
    return {
      id: piece.id, name: piece.name, part: piece.part, side: piece.side, zone: piece.zone.id, zoneName: piece.zone.name, filament: filament.id, filamentName: filament.name,
      recipe: piece.zone.recipe.school, predictedG: kgToG(print.mass), weighedG: weighed.has(piece.id) ? kgToG(mass) : null, outdatedG: outdated.get(piece.id) ?? null, massG: kgToG(mass),
      hours: sToHours(time), cost: print.mass * (prices.get(filament.id) ?? filament.pricePerKg), printer, printerName: doc.printers.find(item => item.id === printer)?.name ?? 'no printer fits',
      layers: print.layers, lengthMm: piece.to - piece.from, boxMm: [box.width, box.depth, box.height], turnDeg: box.turnDeg, fits: printer !== null,
      fromMm: piece.from, toMm: piece.to, centreMm: print.centre, areaMassGdm2: (kgToG(print.mass) / p.outsideMm2) * 1e4, beadsMm: print.lengths,
    }
  })
  const printers = doc.printers.map((printer): PrinterReport => {
    const own = pieces.filter(piece => piece.printer === printer.id)
    return { id: printer.id, name: printer.name, hours: own.reduce((sum, piece) => sum + piece.hours, 0), pieces: own.length }
  })
  return { pieces, printers, weighed }
}
