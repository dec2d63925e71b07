/** The core on its own thread: the page sends documents, this answers with what they amount to. */
import { expose, transfer } from 'comlink'
import Module from 'manifold-3d'
import wasmUrl from 'manifold-3d/manifold.wasm?url'
import { zipSync } from 'fflate'
import {
  createAssessor,
  noCuts,
  type Assessment,
  type HeatReport,
  type NoCut,
  type PitchTables,
  type WingName,
} from '../../core/assess'
import {
  compareDesigns,
  filamentSwaps,
  type DesignComparison,
  type FilamentSwap,
} from '../../core/study/compared'
import { cutsForAll, sizeReport, type SizeAsk, type SizeReport } from '../../core/study/sizes'
import { nudges, type Nudge } from '../../core/study/nudges'
import {
  study,
  createStudyKernel,
  type StudyKernel,
  type StudyProgress,
  type StudyResult,
  type StudyState,
  type Vary,
} from '../../core/study/combinations'
import {
  share,
  type Cuts,
  type Given,
  type PlatePiece,
  type Printer,
  type ProjectFile,
  type SurfaceName,
} from '../../core/document'
import {
  meshOf,
  pieceSolid,
  placedMesh,
  type PartName,
  type Piece,
  type SolidKernel,
  type TriangleMesh,
} from '../../core/geometry'
import { LIBRARIES } from '../../core/libraries'
import { writePlate, writeStl } from '../../core/printing'
import {
  balanceRemedies,
  balanceTemplates,
  flatSolid,
  wingSetFigures,
  type Remedy,
  type WingSetFigures,
} from '../../core/workshop/balance'
import {
  compareSchools,
  sectionReport,
  proposeAllCuts,
  type SchoolFigures,
  type SectionReport,
} from '../../core/workshop/advice'
import {
  exportPieces,
  previewGcode,
  readGivenParts,
  sliceEveryLayer,
  type EveryLayer,
  type GcodePreview,
  type GivenPart,
} from '../../core/workshop/export'
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
} from '../../core/workshop/print-room'
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
} from '../../core/workshop/build'
import { diagnose, type Diagnosis } from '../../core/workshop/diagnosis'
import { repairs, type Repair } from '../../core/workshop/repair'
import { flightCard, type FlightCard } from '../../core/workshop/card'
import {
  dummyMasses,
  survivingBalance,
  type DummyMasses,
  type Pull,
  type Throw,
} from '../../core/workshop/toss'
import {
  powerReport,
  pullOf,
  shelfOffers,
  standResult,
  type Offer,
  type PowerReport,
  type ShelfAsk,
  type StandResult,
} from '../../core/workshop/power'
import { mend, sparChoices, type Mending, type SparChoice } from '../../core/workshop/spine'

/** What is being reckoned is told apart from the answers, so that a call that is stopped can be named. */
const TELL_EVERY_MS = 250
let toldAt = 0
const at = (what: string) => {
  if (performance.now() - toldAt < TELL_EVERY_MS) return
  toldAt = performance.now()
  self.postMessage({ at: what })
}
const live = createAssessor(undefined, { at })
// Comparisons try other recipes; their own memory keeps the live one warm.
const aside = createAssessor(undefined, { at })
let space: StudyKernel | null = null
let last: ProjectFile | null = null
let drawn: Assessment['drawing'] | null = null
let kernel: Promise<SolidKernel> | null = null

const known = (doc: ProjectFile): ProjectFile => (last = share(last, doc))

async function loadKernel(): Promise<SolidKernel> {
  const module = await Module({ locateFile: () => wasmUrl })
  module.setup()
  return module
}
/** One that could not be loaded is asked for again the next time. */
const solids = (): Promise<SolidKernel> =>
  (kernel ??= loadKernel().catch(fault => {
    kernel = null
    throw fault
  }))

export interface PieceMesh {
  id: string
  part: string
  positions: Float32Array
  triangles: Uint32Array
}

/** Solids once made, while their piece keeps its shape; null where none can be made. */
const printed = new WeakMap<Piece['sectionAt'], { port?: TriangleMesh | null; other?: TriangleMesh | null }>()

type Progress = (done: number, of: number, name: string) => boolean | Promise<boolean>
class Stopped extends Error {}
const stopping = (progress: Progress) => async (done: number, of: number, name: string) => {
  if (!(await progress(done, of, name))) throw new Stopped()
}
/** Null where the maker stopped it. */
async function unlessStopped<T>(work: () => Promise<T>): Promise<T | null> {
  try {
    return await work()
  } catch (fault) {
    if (fault instanceof Stopped) return null
    throw fault
  }
}

const api = {
  /** The drawing is left out when the page has it already: most edits leave the outlines alone. */
  assess(doc: ProjectFile): Omit<Assessment, 'drawing'> & { drawing: Assessment['drawing'] | null } {
    const result = live.assess(known(doc))
    warmUp(doc)
    const drawing = result.drawing === drawn ? null : result.drawing
    drawn = result.drawing
    return { ...result, drawing }
  },
  /**
   * The very solids that are exported, each where it belongs; a piece that is no solid is left out, and a
   * finding names it.
   */
  async meshes(doc: ProjectFile): Promise<PieceMesh[]> {
    const own = await solids()
    const meshes = live.airframe(known(doc)).pieces.flatMap((piece): PieceMesh[] => {
      const mesh = printedMesh(own, piece)
      return mesh
        ? [
            {
              id: piece.id,
              part: piece.part,
              ...placedMesh(piece, { positions: mesh.positions, triangles: mesh.triangles.slice() }),
            },
          ]
        : []
    })
    return transfer(
      meshes,
      meshes.flatMap(mesh => [mesh.positions.buffer, mesh.triangles.buffer]),
    )
  },
  compare: (doc: ProjectFile, zone: string, filament: string): SchoolFigures[] =>
    compareSchools(aside, LIBRARIES, doc, zone, filament),
  proposeCuts: (doc: ProjectFile): Cuts => proposeAllCuts(live.airframe(known(doc))),
  noCuts: (doc: ProjectFile, part: PartName): NoCut[] => noCuts(live.airframe(known(doc)), part),
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
      const parts = own.flatMap(({ piece, place }) => (piece ? [platePart(piece, place)] : []))
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
  /** Ways to mend the balance, each really assessed; takes a second or two, so it goes aside. */
  remedies: (doc: ProjectFile): Remedy[] => balanceRemedies(aside, known(doc)),
  /** Ways to make the weakest place bear what it must; several seconds where nothing easy does. */
  mend: (doc: ProjectFile): Mending => mend(aside, known(doc)),
  sparChoices: (doc: ProjectFile): SparChoice[] => sparChoices(aside, known(doc)),
  /**
   * Steps that would help a wing, every so many of them; `progress` is told what was found so far, and false
   * stops.
   */
  nudges: (
    doc: ProjectFile,
    wing: WingName,
    part: [number, number],
    progress: (done: number, of: number, found: Nudge[]) => boolean | Promise<boolean>,
  ): Promise<Nudge[]> => {
    let told = 0
    return nudges(aside, known(doc), wing, part, (done, of, found) => {
      // Every message costs the page a little, and a search that is called off should soon know.
      if (performance.now() - told < 40) return true
      told = performance.now()
      return progress(done, of, found)
    })
  },
  /** Another design against this one; its drawing, to lay over this one. */
  compareDesigns: (
    from: ProjectFile,
    to: ProjectFile,
  ): { comparison: DesignComparison; drawing: Assessment['drawing'] } => {
    const before = aside.assess(from),
      after = aside.assess(to)
    return { comparison: compareDesigns(before, after), drawing: before.drawing }
  },
  filamentSwaps: (doc: ProjectFile, zone: string | null): FilamentSwap[] =>
    filamentSwaps(aside, known(doc), zone),
  /** One size after another: every answer is shown as it comes. */
  size: (doc: ProjectFile, ask: SizeAsk): SizeReport | null => sizeReport(aside, known(doc), ask),
  /** Cuts proposed for the largest size, brought down to the first. */
  cutsForAll: (largest: ProjectFile, factor: number): Cuts =>
    cutsForAll(proposeAllCuts(aside.airframe(largest)), factor),
  /**
   * Every combination of what may vary; told a few times a second, and false stops. `from` goes on where one
   * of the same space stood.
   */
  study: (
    doc: ProjectFile,
    vary: Vary,
    progress: (now: StudyProgress) => boolean | Promise<boolean>,
    from: StudyState | null,
  ): Promise<StudyResult> => {
    let told = 0
    return study(
      (space ??= createStudyKernel()),
      known(doc),
      vary,
      now => {
        if (performance.now() - told < 700) return true
        told = performance.now()
        return progress(now())
      },
      from,
    )
  },
  /** How another design would be drawn, to lay over this one. */
  drawing: (doc: ProjectFile): Assessment['drawing'] => aside.assess(doc).drawing,
  /** The aircraft in the vertical plane, for the page to toss, its thrust, and the bags that an empty shell wants. */
  tossing(
    doc: ProjectFile,
    payload: boolean,
  ): { tables: PitchTables; pull: Pull | null; dummies: DummyMasses | null } {
    const own = known(doc)
    const assessment = aside.assess(own)
    const tables = aside.flown(own).pitch(payload)
    return { tables, pull: pullOf(own, assessment), dummies: dummyMasses(own, assessment, tables) }
  },
  power(doc: ProjectFile): { report: PowerReport; stand: StandResult | null } {
    const own = known(doc)
    return {
      report: powerReport(own, aside.assess(own), aside.flown(own).pitch(true)),
      stand: standResult(own),
    }
  },
  /** Every propeller, pack or both of the shelf; null where the maker stopped it. */
  shelf(doc: ProjectFile, ask: ShelfAsk, progress: Progress): Promise<Offer[] | null> {
    const own = known(doc)
    return shelfOffers(own, aside.assess(own), aside.flown(own).pitch(true), LIBRARIES, ask, (done, of) =>
      progress(done, of, ''),
    )
  },
  /** What the flights that were logged say is off. */
  diagnose(doc: ProjectFile): Diagnosis {
    const own = known(doc)
    return diagnose(own, aside.assess(own), aside.flown(own).pitch(true))
  },
  /** Ways to mend a piece that broke at a place, mm. */
  repairs: (doc: ProjectFile, piece: string, atMm: number): Repair[] =>
    repairs(aside, known(doc), piece, atMm),
  flightCard: (doc: ProjectFile): FlightCard => flightCard(aside, known(doc)),
  /** How far the balance may move before this throw no longer glides; half a second of tosses. */
  survivingBalance: (tables: PitchTables, thrown: Throw): { foreMm: number; aftMm: number } =>
    survivingBalance(tables, thrown),
  heat: (doc: ProjectFile): HeatReport => aside.heat(known(doc)),
  wingSets: (doc: ProjectFile): WingSetFigures[] => wingSetFigures(aside, known(doc)),
  section(doc: ProjectFile, surface: SurfaceName, sMm: number, alphaDeg: number): SectionReport | null {
    const own = known(doc)
    return sectionReport(aside.airframe(own), aside.assess(own), surface, sMm, alphaDeg)
  },
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

async function* textOf(file: Blob): AsyncGenerator<string> {
  const decoder = new TextDecoder()
  const reader = file.stream().getReader()
  for (;;) {
    const { done, value } = await reader.read()
    if (done) break
    yield decoder.decode(value, { stream: true })
  }
  yield decoder.decode()
}

function printedMesh(own: SolidKernel, piece: Piece): TriangleMesh | null {
  const side = piece.side === 'port' ? 'port' : 'other'
  const kept = printed.get(piece.sectionAt) ?? {}
  printed.set(piece.sectionAt, kept)
  if (kept[side] !== undefined) return kept[side]
  try {
    const solid = pieceSolid(own, piece)
    kept[side] = meshOf(solid)
    solid.delete()
  } catch {
    kept[side] = null
  }
  return kept[side]
}

/**
 * The first edits would otherwise pay for compiling the core: right after the first answer, a few edits of
 * the same
 * aircraft are tried aside, one at a time, so that a real one never waits behind more than one of them.
 */
let warm = false
function warmUp(doc: ProjectFile) {
  if (warm) return
  warm = true
  let left = 8
  const next = () => {
    const panels = doc.wing.panels.map((panel, i) =>
      i === 0 ? { ...panel, spanMm: panel.spanMm + left } : panel,
    )
    aside.assess({ ...doc, wing: { ...doc.wing, panels } })
    if (--left > 0) setTimeout(next, 5)
  }
  setTimeout(next, 5)
}

export type CoreApi = typeof api
expose(api)
