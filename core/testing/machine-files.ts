/** Machine files of demo pieces, with whatever should be wrong about them. */
import { sharedAssessor } from '../assess'
import { DEMOS } from '../demo'
import type { Printer, ProjectFile, Recipe } from '../document'
import type { Piece } from '../geometry'
import { writePlate, type PlatePart, type WrittenPlate } from '../printing'
import { platePart } from '../workshop/print-room'

export const assessor = sharedAssessor()

/** The demo with short pieces where it is about a few layers of each kind: what is wrong with a file shows there too. */
export const SHORT: ProjectFile = {
  ...DEMOS[0],
  cuts: {
    wing: [250, 300, 350].map(pins),
    second: [],
    winglet: [],
    horizontal: [45].map(pins),
    vertical: [45].map(pins),
    body: DEMOS[0].cuts.body.map((cut, i) => (i === 1 ? { ...cut, atMm: 212 } : cut)),
  },
}
function pins(atMm: number, i: number) {
  return { atMm, joint: { kind: 'pins' as const, toleranceMm: 0.2 }, piece: i + 2 }
}

export function written(
  parts: PlatePart[],
  printer: Printer,
  filament: Parameters<typeof writePlate>[0]['filament'],
): { texts: string[]; figures: WrittenPlate } {
  const pen = writePlate({ parts, printer, filament }, filament.bedC)
  const texts: string[] = []
  for (let step = pen.next(); ; step = pen.next()) {
    if (step.done) return { texts, figures: step.value }
    texts.push(step.value)
  }
}

/** Of pieces that stand. */
export const noSolid = (): never => {
  throw new Error('no piece here lies on its side')
}

export interface Made {
  doc: ProjectFile
  piece: Piece
  printer: Printer
  texts: string[]
  figures: WrittenPlate
}

/** The file of a demo's piece, in a recipe that is not quite its own, turned on the bed. */
export function fileOf(
  id: string,
  change: Partial<Recipe> = {},
  { doc = DEMOS[0], turnDeg = 30, printer: more = {} as Partial<Printer> } = {},
): Made {
  const airframe = assessor.airframe(doc)
  const own = airframe.pieces.find(item => item.id === id)!
  const report = assessor.assess(doc).pieces.find(item => item.id === id)!
  const printer = { ...(doc.printers.find(item => item.id === report.printer) ?? doc.printers[0]), ...more }
  const piece = { ...own, zone: { ...own.zone, recipe: { ...own.zone.recipe, ...change } } }
  const part = platePart(piece, { xMm: 20, yMm: 15, turnDeg }, noSolid)
  return { doc, piece, printer, ...written([part], printer, airframe.filamentOf(own.zone)) }
}
