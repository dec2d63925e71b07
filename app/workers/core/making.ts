/** Printing, checking, building: what is made of a design. */
import { transfer } from 'comlink'
import { strToU8, zipSync } from 'fflate'
import type { Given, PlatePiece, Printer, ProjectFile } from '../../../core/document'
import { LIBRARIES } from '../../../core/libraries'
import { lies, lyingMesh, writePlate, writeStl } from '../../../core/printing'
import { balanceTemplates, flatSolid } from '../../../core/workshop/balance'
import {
  exportPieces,
  previewGcode,
  readGivenParts,
  sliceEveryLayer,
  type EveryLayer,
  type GcodePreview,
  type GivenPart,
} from '../../../core/workshop/export'
import {
  checkFile,
  planRoom,
  platePart,
  plateShapes,
  printedAsFound,
  shelfOf,
  type FileVerdict,
  type PlateShape,
  type RoomPlan,
  type Shelf,
} from '../../../core/workshop/print-room'
import {
  buildOrder,
  hardwareList,
  jigPrints,
  jigs,
  linkageSheets,
  type BuildOrder,
  type HardwareRow,
  type JigPrints,
  type LinkageSheet,
} from '../../../core/workshop/build'
import {
  flatParts,
  flatSheets,
  sheetDxf,
  sheetSvg,
  type FlatPart,
  type FlatSheets,
} from '../../../core/workshop/flat'
import { live, aside, known, solids, stopping, type Progress, unlessStopped, textOf } from './memory'

export const making = {
  exportZip: (doc: ProjectFile, progress: Progress): Promise<Uint8Array | null> =>
    unlessStopped(async () => {
      const files = await exportPieces(
        await solids(),
        aside.airframe(doc),
        aside.assess(doc).pieces,
        stopping(progress),
      )
      const zip = zipSync(Object.fromEntries(files.map(file => [file.name, file.bytes])), { level: 6 })
      return transfer(zip, [zip.buffer])
    }),
  everyLayer: (doc: ProjectFile, progress: Progress): Promise<EveryLayer[] | null> =>
    unlessStopped(async () =>
      sliceEveryLayer(await solids(), aside.airframe(doc), aside.assess(doc).pieces, stopping(progress)),
    ),
  /** The file is read as it is replayed; it never lies in memory as a whole. */
  gcode: async (file: Blob, printer: Printer): Promise<GcodePreview> => {
    const preview = await previewGcode(textOf(file), printer)
    return transfer(preview, [preview.segments.buffer, preview.kinds.buffer, preview.speeds.buffer])
  },
  /** Plates, their times and the spools, as of the maker's own now. */
  planRoom: (doc: ProjectFile, now: string): { plan: RoomPlan; shelf: Shelf } => {
    const own = known(doc)
    const plan = planRoom(own, live.airframe(own), live.assess(own), now)
    return { plan, shelf: shelfOf(own, plan.plates, LIBRARIES.filaments) }
  },
  /** Every step of the build in order, what to have for it, and the rods. */
  buildOrder: (
    doc: ProjectFile,
  ): { order: BuildOrder; hardware: HardwareRow[]; linkages: LinkageSheet[] } => {
    const own = known(doc)
    const airframe = live.airframe(own)
    const order = buildOrder(airframe)
    return {
      order,
      hardware: hardwareList(airframe, live.assess(own), order),
      linkages: linkageSheets(airframe),
    }
  },
  /** Aids for the build as they would be printed, and as files in one archive. */
  async jigs(doc: ProjectFile): Promise<{ prints: JigPrints; zip: Uint8Array }> {
    const own = known(doc)
    const { prints, files } = jigPrints(await solids(), own, jigs(aside.airframe(own), aside.assess(own)))
    const zip = zipSync(Object.fromEntries(files.map(file => [file.name, file.bytes])), { level: 6 })
    return transfer({ prints, zip }, [zip.buffer])
  },
  /** Flat parts on sheets of a size, and as SVG and DXF in one archive. */
  async flatParts(
    doc: ProjectFile,
    size: [number, number],
  ): Promise<{ parts: FlatPart[]; laid: FlatSheets; zip: Uint8Array }> {
    const own = known(doc)
    const parts = flatParts(aside.airframe(own), aside.assess(own))
    const laid = flatSheets(parts, size)
    const files: Record<string, Uint8Array> = {}
    for (const [i, placed] of laid.sheets.entries()) {
      files[`sheet-${i + 1}.svg`] = strToU8(sheetSvg(placed, size))
      files[`sheet-${i + 1}.dxf`] = strToU8(await sheetDxf(placed))
    }
    const zip = zipSync(files, { level: 6 })
    return transfer({ parts, laid, zip }, [zip.buffer])
  },
  /** Outlines of pieces as they stand on a bed, mm. */
  plateShapes: (doc: ProjectFile, places: PlatePiece[]): PlateShape[] =>
    plateShapes(live.airframe(known(doc)), places),
  /** A plate as a machine file, with the picture of what was written; null where the maker stopped it. */
  machineFile: (
    doc: ProjectFile,
    printer: string,
    places: PlatePiece[],
    progress: Progress,
  ): Promise<{ file: Blob; preview: GcodePreview } | null> =>
    unlessStopped(async () => {
      const airframe = aside.airframe(doc)
      const own = places.map(place => ({
        piece: airframe.pieces.find(item => item.id === place.piece),
        place,
      }))
      // Solids are loaded only where something lies on its side.
      const kernel = own.some(({ piece }) => piece && lies(piece)) ? await solids() : null
      const parts = own.flatMap(({ piece, place }) =>
        piece ? [platePart(piece, place, item => lyingMesh(kernel!, item))] : [],
      )
      const machine = doc.printers.find(item => item.id === printer) ?? doc.printers[0]
      const filament = airframe.filamentOf(own[0]!.piece!.zone)
      const texts: string[] = []
      const layers = Math.max(...parts.map(part => Math.round(part.heightMm / part.recipe.layerHeightMm)))
      const tell = stopping(progress)
      for (const text of writePlate({ parts, printer: machine, filament }, filament.bedC)) {
        texts.push(text)
        if (texts.length % 20 === 0) await tell(Math.min(layers, texts.length), layers, 'layers')
      }
      const preview = await previewGcode(texts, machine)
      return transfer({ file: new Blob(texts, { type: 'text/plain' }), preview }, [
        preview.segments.buffer,
        preview.kinds.buffer,
        preview.speeds.buffer,
      ])
    }),
  /** A machine file from anywhere against the pieces; read as a stream, twice. */
  checkFile: (
    doc: ProjectFile,
    file: Blob,
    piece: string | null,
    progress: Progress,
  ): Promise<(FileVerdict & { reserves: Record<string, number>; reserve: number }) | null> =>
    unlessStopped(async () => {
      const airframe = aside.airframe(doc),
        assessment = aside.assess(doc)
      const tell = stopping(progress)
      const verdict = await checkFile(
        () => textOf(file),
        airframe,
        assessment,
        piece,
        async read => {
          await tell(read, 2 * file.size, 'reading')
        },
      )
      const reserves = Object.fromEntries(
        verdict.pieces
          .filter(item => item.differs.length > 0)
          .map(item => {
            const own = airframe.pieces.find(other => other.id === item.piece)!
            return [item.piece, aside.assess(printedAsFound(doc, own, item.asFound)).strength.reserve]
          }),
      )
      return { ...verdict, reserves, reserve: assessment.strength.reserve }
    }),
  /** Cradle and marking gauge as STL files in one archive; null where the band lies off the wing's root. */
  async balanceTemplates(doc: ProjectFile): Promise<Uint8Array | null> {
    const templates = balanceTemplates(aside.airframe(doc), aside.assess(doc))
    if (!templates) return null
    const own = await solids()
    const zip = zipSync(
      Object.fromEntries(
        templates.parts.map(part => [
          `${part.name}${part.count > 1 ? `-print-${part.count}` : ''}.stl`,
          writeStl(flatSolid(own, part), `${part.name}: ${part.note}`),
        ]),
      ),
      { level: 6 },
    )
    return transfer(zip, [zip.buffer])
  },
  readGiven: (name: string, bytes: Uint8Array): GivenPart[] => readGivenParts(name, bytes),
  /**
   * What a given part would weigh as it stands, in a zone of this document: the same figures as once it is
   * taken in.
   */
  weighGiven(doc: ProjectFile, given: Given): { massG: number; hours: number; cost: number } | null {
    const { pieces } = aside.assess({ ...doc, given: [...doc.given, given] })
    const own = pieces.filter(piece => piece.id === given.id || piece.id.startsWith(`${given.id}-`))
    return own.length
      ? {
          massG: own.reduce((sum, p) => sum + p.predictedG, 0),
          hours: own.reduce((sum, p) => sum + p.hours, 0),
          cost: own.reduce((sum, p) => sum + p.cost, 0),
        }
      : null
  },
}
