/** The core on its own thread: the page sends documents, this answers with what they amount to. */
import { expose, transfer } from 'comlink'
import { noCuts, type Assessment, type NoCut } from '../../core/assess'
import type { CutPart, Cuts, ProjectFile, SurfaceName } from '../../core/document'
import {
  meshOf,
  pieceSolid,
  placedMesh,
  type Piece,
  type SolidKernel,
  type TriangleMesh,
} from '../../core/geometry'
import {
  partings,
  sectionReport,
  proposeAllCuts,
  type Partings,
  type SectionReport,
} from '../../core/workshop/advice'
import { choosing } from './core/choosing'
import { createReceiver } from './core/crossing'
import { flying } from './core/flying'
import { making } from './core/making'
import { live, aside, known, solids } from './core/memory'

let drawn: Assessment['drawing'] | null = null

export interface PieceMesh {
  id: string
  part: string
  positions: Float32Array
  triangles: Uint32Array
}

/** Solids once made, while their piece keeps its shape; null where none can be made. */
const printed = new WeakMap<Piece['sectionAt'], { port?: TriangleMesh | null; other?: TriangleMesh | null }>()

const drawing = {
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
  proposeCuts: (doc: ProjectFile): Cuts => proposeAllCuts(live.airframe(known(doc))),
  noCuts: (doc: ProjectFile, part: CutPart): NoCut[] => noCuts(live.airframe(known(doc)), part),
  /** What it comes to taken apart, and what would make that smaller. */
  travelling: (doc: ProjectFile): Partings => partings(aside, doc),
  /** How another design would be drawn, to lay over this one. */
  drawing: (doc: ProjectFile): Assessment['drawing'] => aside.assess(doc).drawing,
  section(doc: ProjectFile, surface: SurfaceName, sMm: number, alphaDeg: number): SectionReport | null {
    const own = known(doc)
    return sectionReport(aside.airframe(own), aside.assess(own), surface, sMm, alphaDeg)
  },
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
 * The first edits would otherwise pay for compiling the core: when nobody has asked for a while after the first
 * answer, a few edits of the same aircraft are tried aside, one at a time, so that a real one never waits behind more
 * than one of them. Each real one is one less to be tried.
 */
let cold = 5
let rest: ReturnType<typeof setTimeout>
function warmUp(doc: ProjectFile) {
  clearTimeout(rest)
  if (--cold <= 0) return
  const next = () => {
    const panels = doc.wing.panels.map((panel, i) =>
      i === 0 ? { ...panel, spanMm: panel.spanMm + cold } : panel,
    )
    aside.assess({ ...doc, wing: { ...doc.wing, panels } })
    if (--cold > 0) rest = setTimeout(next, 5)
  }
  rest = setTimeout(next, 400)
}

const api = { ...drawing, ...choosing, ...making, ...flying }
export type CoreApi = typeof api

const receive = createReceiver()
expose(
  Object.fromEntries(
    Object.entries(api).map(([name, work]) => [
      name,
      (...args: unknown[]) => (work as (...all: unknown[]) => unknown)(...args.map(receive)),
    ]),
  ),
)
