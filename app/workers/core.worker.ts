/** The core on its own thread: the page sends documents, this answers with what they amount to. */
import { expose, transfer } from 'comlink'
import Module from 'manifold-3d'
import wasmUrl from 'manifold-3d/manifold.wasm?url'
import { zipSync } from 'fflate'
import { createAssessor, type Assessment } from '../../core/assess'
import { share, type Cuts, type ProjectFile } from '../../core/document'
import { displayMesh, type SolidKernel } from '../../core/geometry'
import { LIBRARIES } from '../../core/libraries'
import { compareSchools, exportPieces, proposeAllCuts, type SchoolFigures } from '../../core/workshop'

const live = createAssessor()
// Comparisons try other recipes; their own memory keeps the live one warm.
const aside = createAssessor()
let last: ProjectFile | null = null
let drawn: Assessment['drawing'] | null = null
let kernel: Promise<SolidKernel> | null = null

const known = (doc: ProjectFile): ProjectFile => (last = share(last, doc))

async function loadKernel(): Promise<SolidKernel> {
  const module = await Module({ locateFile: () => wasmUrl })
  module.setup()
  return module
}

export interface PieceMesh { id: string, part: string, positions: Float32Array, triangles: Uint32Array }

const api = {
  /** The drawing is left out when the page has it already: most edits leave the outlines alone. */
  assess(doc: ProjectFile): Omit<Assessment, 'drawing'> & { drawing: Assessment['drawing'] | null } {
    const result = live.assess(known(doc))
    warmUp(doc)
    const drawing = result.drawing === drawn ? null : result.drawing
    drawn = result.drawing
    return { ...result, drawing }
  },
  meshes(doc: ProjectFile): PieceMesh[] {
    const meshes = live.airframe(known(doc)).pieces.map(piece => ({ id: piece.id, part: piece.part, ...displayMesh(piece) }))
    return transfer(meshes, meshes.flatMap(mesh => [mesh.positions.buffer, mesh.triangles.buffer]))
  },
  compare: (doc: ProjectFile, zone: string, filament: string): SchoolFigures[] => compareSchools(aside, LIBRARIES, doc, zone, filament),
  proposeCuts: (doc: ProjectFile): Cuts => proposeAllCuts(live.airframe(known(doc))),
  async exportZip(doc: ProjectFile, progress: (done: number, of: number, name: string) => boolean | Promise<boolean>): Promise<Uint8Array | null> {
    kernel ??= loadKernel()
    const airframe = aside.airframe(doc)
    const { pieces } = aside.assess(doc)
    try {
      const files = await exportPieces(await kernel, airframe, pieces, async (done, of, name) => {
        if (!await progress(done, of, name)) throw new Stopped()
      })
      const zip = zipSync(Object.fromEntries(files.map(file => [file.name, file.bytes])), { level: 6 })
      return transfer(zip, [zip.buffer])
    } catch (fault) {
      if (fault instanceof Stopped) return null
      throw fault
    }
  },
}

/**
 * The first edits would otherwise pay for compiling the core: right after the first answer, a few edits of the same
 * aircraft are tried aside, one at a time, so that a real one never waits behind more than one of them.
 */
let warm = false
function warmUp(doc: ProjectFile) {
  if (warm) return
  warm = true
  let left = 8
  const next = () => {
    const panels = doc.wing.panels.map((panel, i) => (i === 0 ? { ...panel, spanMm: panel.spanMm + left } : panel))
    aside.assess({ ...doc, wing: { ...doc.wing, panels } })
    if (--left > 0) setTimeout(next, 5)
  }
  setTimeout(next, 5)
}

class Stopped extends Error {}

export type CoreApi = typeof api
expose(api)

