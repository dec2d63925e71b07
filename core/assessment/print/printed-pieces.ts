/** Every piece printed: mass, hours, bed, printer. Memoised piece by piece on its shape and its zone. */
import { printedAs, type Printer, type ProjectFile, type Zone } from '../../document'
import {
  fitsBed,
  hullOf,
  isSheet,
  polygonArea,
  polygonPerimeter,
  standingBox,
  turnedExtent,
  type Piece,
  type StandingBox,
} from '../../geometry'
import type { Filament } from '../../libraries'
import { assignPrinters, lies, lyingPrint, printPiece, samplePiece, type PiecePrint } from '../../printing'
import { gToKg, kgToG, mm3ToM3, sToHours } from '../../units'
import type { Designed } from '../resolve'
import type { PieceReport, PrinterReport } from '../report'
import { sheetPrint } from './sheet-print'

export interface PrintedPiece {
  piece: Piece
  filament: Filament
  print: PiecePrint
  box: StandingBox
  outsideMm2: number
  narrowMm: number
}

/** Share of a bed that pieces standing together can cover. */
const PLATE_SHARE = 0.6

/** A prediction that moved by more than this since the weighing belongs to another design of the piece. */
const SAME_DESIGN = 0.01

interface Printed {
  zone: Zone
  filament: Filament
  print: PiecePrint
}

/** Recipes remembered for each shape: the present one and what comparisons and nudges try. */
const REMEMBERED = 18

export interface Printing {
  all(airframe: Designed): PrintedPiece[]
  /** Of one alone, a port piece as its starboard twin. */
  one(airframe: Pick<Designed, 'filamentOf'>, piece: Piece): PrintedPiece
}

/**
 * A piece prints alike as long as its section function, zone and filament are the same: `sectionAt` is a new
 * one when the shape is.
 */
export function createPrinting(at: (what: string) => void = () => {}): Printing {
  const prints = new WeakMap<Piece['sectionAt'], Printed[]>()
  const shapes = new WeakMap<Piece['sectionAt'], { box: StandingBox; outsideMm2: number; narrowMm: number }>()
  const printOf = (piece: Piece, filament: Filament): PiecePrint => {
    const list = prints.get(piece.sectionAt) ?? []
    const known = list.find(item => item.zone === piece.zone && item.filament === filament)
    if (known) return known.print
    at(piece.name)
    const standing = printPiece(piece, filament)
    const laid = lies(piece) ? lyingPrint(piece, filament, standing) : standing
    const print = isSheet(piece) ? sheetPrint(piece, filament, laid) : laid
    prints.set(piece.sectionAt, [...list.slice(1 - REMEMBERED), { zone: piece.zone, filament, print }])
    return print
  }
  const one = (airframe: Pick<Designed, 'filamentOf'>, piece: Piece): PrintedPiece => {
    const filament = airframe.filamentOf(piece.zone)
    const shape = shapes.get(piece.sectionAt) ?? {
      box: standingBox(piece),
      outsideMm2: outsideOf(piece),
      narrowMm: narrowFoot(piece),
    }
    shapes.set(piece.sectionAt, shape)
    const print = printOf(piece, filament)
    return { piece, filament, print, ...shape, ...(lies(piece) ? lyingShape(piece, shape, print) : {}) }
  }
  return {
    one,
    all: airframe => {
      const twins = new Map<Piece['sectionAt'], PrintedPiece>()
      return airframe.pieces.map(piece => {
        const twin = twins.get(piece.sectionAt),
          printed = twin ? mirrored(twin, piece) : one(airframe, piece)
        if (!twin) twins.set(piece.sectionAt, printed)
        return printed
      })
    },
  }
}

/** Outer skin, holes left out, mm². */
const outsideOf = (piece: Piece): number =>
  samplePiece(piece).samples.reduce(
    (sum, { section, weight }) =>
      sum +
      weight *
        section.reduce(
          (around, loop) => around + (polygonArea(loop).area > 0 ? polygonPerimeter(loop) : 0),
          0,
        ),
    0,
  )

/**
 * Port is starboard in a mirror: the same mass and hours, the centre and the products of inertia across the
 * plane of symmetry.
 */
function mirrored(twin: PrintedPiece, piece: Piece): PrintedPiece {
  const [x, y, z] = twin.print.centre
  const { inertia } = twin.print
  return {
    ...twin,
    piece,
    print: { ...twin.print, centre: [x, -y, z], inertia: { ...inertia, xy: -inertia.xy, yz: -inertia.yz } },
  }
}

/** Narrower side of the foot, mm. */
function narrowFoot(piece: Piece): number {
  const foot = samplePiece(piece).jumps[0].above() ?? []
  const points = hullOf(Float64Array.from(foot.flatMap(loop => Array.from(loop))))
  if (points.length === 0) return 0
  let narrow = Infinity
  for (let turn = 0; turn < Math.PI; turn += Math.PI / 24)
    narrow = Math.min(narrow, turnedExtent(points, turn)[0])
  return narrow
}

/** On its side: the span along the bed, the chord across it. It stands on nothing narrow then. */
function lyingShape(
  piece: Piece,
  { box }: { box: StandingBox },
  print: PiecePrint,
): Pick<PrintedPiece, 'box' | 'narrowMm'> {
  const across = Math.max(box.width, box.depth)
  return {
    box: {
      width: box.height,
      depth: across,
      height: print.layers * piece.zone.recipe.layerHeightMm,
      turnDeg: 0,
    },
    narrowMm: Math.min(box.height, across),
  }
}

/** Printers that can make a piece: the bed is large enough and the nozzle hot enough. */
export const capable = (printed: PrintedPiece, printer: Printer): boolean =>
  !isSheet(printed.piece) &&
  fitsBed(printed.box, printer.bedMm) &&
  printed.piece.zone.recipe.nozzleC <= printer.nozzleMaxC

/**
 * Seconds on a printer with the piece's share of the plate's overhead: all of it when it must be alone on its
 * plate.
 */
export function plateSeconds(printed: PrintedPiece, printer: Printer): number {
  if (isSheet(printed.piece)) return 0
  const share = printed.filament.onePieceAPlate
    ? 1
    : Math.min(
        1,
        (printed.box.width * printed.box.depth) / (PLATE_SHARE * printer.bedMm[0] * printer.bedMm[1]),
      )
  return printed.print.seconds(printer) + share * 60 * printer.plateOverheadMin
}

/** The last weighing of a piece, g, and whether it was of the piece as it is now. */
export function weighIn(
  doc: Pick<ProjectFile, 'weighIns'>,
  { piece, print }: PrintedPiece,
): { massG: number; same: boolean } | null {
  const entry = doc.weighIns.findLast(item => item.piece === piece.id)
  return entry
    ? { massG: entry.massG, same: Math.abs(gToKg(entry.predictedG) - print.mass) <= SAME_DESIGN * print.mass }
    : null
}

/** What a piece takes off the spool, skirts and all, kg. */
export const filamentKg = ({ print, filament }: Pick<PrintedPiece, 'print' | 'filament'>): number =>
  mm3ToM3(print.filamentMm3) * filament.density

/** Per kg: the maker's own last spool of it, or what it lists at. */
export const priceOf = (doc: Pick<ProjectFile, 'spools'>, filament: Filament): number =>
  doc.spools.findLast(spool => spool.filament === filament.id)?.pricePerKg ?? filament.pricePerKg

/** What the scale said, by piece: of pieces as they are now, kg, and of others of the same name, g. */
export interface Weighed {
  now: ReadonlyMap<string, number>
  outdatedG: ReadonlyMap<string, number>
}
export function weighedPieces(doc: Pick<ProjectFile, 'weighIns'>, printed: readonly PrintedPiece[]): Weighed {
  const now = new Map<string, number>(),
    outdatedG = new Map<string, number>()
  for (const item of printed) {
    const entry = weighIn(doc, item)
    if (entry?.same) now.set(item.piece.id, gToKg(entry.massG))
    else if (entry) outdatedG.set(item.piece.id, entry.massG)
  }
  return { now, outdatedG }
}

/** `timed` false: no hours, where nobody asks for them. */
export function reportPieces(
  doc: Pick<ProjectFile, 'printers' | 'printerOf' | 'spools' | 'asPrinted'>,
  printed: readonly PrintedPiece[],
  { now, outdatedG }: Weighed,
  timed = true,
): { pieces: PieceReport[]; printers: PrinterReport[] } {
  const onPlate = timed ? plateSeconds : () => 0
  const seconds = printed.map(
    p =>
      new Map(
        doc.printers.filter(printer => capable(p, printer)).map(printer => [printer.id, onPlate(p, printer)]),
      ),
  )
  const { printerOf } = assignPrinters(
    printed.flatMap((p, i) =>
      isSheet(p.piece)
        ? []
        : [{ piece: p.piece.id, secondsOn: seconds[i], wanted: doc.printerOf[p.piece.id] }],
    ),
    doc.printers,
  )
  const pieces = printed.map((p, i): PieceReport => {
    const { piece, filament, print, box } = p
    const printer = printerOf.get(piece.id) ?? null,
      sheet = isSheet(piece)
    // No printer can make it: its hours on the first one still count, so that the total does not shrink.
    const time = printer ? seconds[i].get(printer)! : onPlate(p, doc.printers[0])
    const onScale = now.get(piece.id),
      mass = onScale ?? print.mass
    return {
      id: piece.id,
      name: piece.name,
      mark: piece.mark,
      part: piece.part,
      kind: piece.kind,
      ribOf: piece.ribOf,
      sheet,
      side: piece.side,
      zone: piece.zone.id,
      zoneName: piece.zone.name,
      filament: filament.id,
      filamentName: filament.name,
      recipe: piece.zone.recipe.school,
      asPrinted: printedAs(doc, piece.id) !== null,
      predictedG: kgToG(print.mass),
      weighedG: onScale === undefined ? null : kgToG(onScale),
      outdatedG: outdatedG.get(piece.id) ?? null,
      massG: kgToG(mass),
      hours: sToHours(time),
      machineHours: timed
        ? sToHours(print.seconds(doc.printers.find(item => item.id === printer) ?? doc.printers[0]))
        : 0,
      cost: filamentKg(p) * priceOf(doc, filament),
      printer,
      printerName:
        doc.printers.find(item => item.id === printer)?.name ?? (sheet ? 'cut by hand' : 'no printer fits'),
      layers: print.layers,
      lengthMm: piece.to + piece.proud - piece.from,
      boxMm: [box.width, box.depth, box.height],
      turnDeg: box.turnDeg,
      fits: printer !== null || sheet,
      fromMm: piece.from,
      toMm: piece.to,
      centreMm: print.centre,
      // An opening may leave a piece without any skin.
      areaMassGdm2: p.outsideMm2 > 0 ? (kgToG(print.mass) / p.outsideMm2) * 1e4 : 0,
      beadsMm: print.lengths,
      filamentG: sheet ? 0 : kgToG(filamentKg(p)),
      overhangMm2: print.overhangMm2,
      bridgeMm: print.bridgeMm,
      joints: piece.joints,
      // What is cut lies where it likes.
      slender: sheet ? 0 : box.height / Math.max(0.1, p.narrowMm + 2 * piece.zone.recipe.brimMm),
      brimMm: piece.zone.recipe.brimMm,
    }
  })
  const printers = doc.printers.map((printer): PrinterReport => {
    const own = pieces.filter(piece => piece.printer === printer.id)
    return {
      id: printer.id,
      name: printer.name,
      hours: own.reduce((sum, piece) => sum + piece.hours, 0),
      pieces: own.length,
    }
  })
  return { pieces, printers }
}
