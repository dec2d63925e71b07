/** Jigs as they are printed: solids, grams, minutes, plates. Left out of the ledger: they never fly. */
import type { ProjectFile, Recipe } from '../../document'
import type { SolidKernel, TriangleMesh } from '../../geometry'
import { LIBRARIES, recipeById, type Filament, type Libraries } from '../../libraries'
import { packPlates, sliceModel, writeStl, writeThreeMf } from '../../printing'
import type { Jig } from './jigs'

export interface JigPrint extends Jig {
  massG: number
  minutes: number
  /** Width and depth as it lies, mm. */
  sizeMm: [number, number]
  /** Larger than every bed. */
  tooLarge: boolean
}
export interface JigPlate {
  printer: string
  bedMm: [number, number]
  places: Array<{ jig: string; xMm: number; yMm: number }>
}
export interface JigPrints {
  filament: string
  jigs: JigPrint[]
  plates: JigPlate[]
}

/** What is at hand and stiff: the heaviest filament of the project, else the first of the library. */
function jigFilament(doc: ProjectFile, { filaments }: Libraries): Filament {
  const own = filaments.filter(item => doc.zones.some(zone => zone.filament === item.id) && !item.expansion)
  return own[0] ?? filaments.find(item => !item.expansion) ?? filaments[0]
}

function jigRecipe(filament: Filament): Recipe {
  return {
    ...recipeById('bead-infill', filament),
    walls: 2,
    infillShare: 0.1,
    layerHeightMm: 0.3,
    baseLayers: 2,
    topLayers: 2,
    spiral: false,
    lattice: null,
    brimMm: 0,
  }
}

/** Lying on the bed, its lowest corner at the origin. */
export function jigMesh(
  kernel: SolidKernel,
  { loops, thicknessMm }: Pick<Jig, 'loops' | 'thicknessMm'>,
): TriangleMesh {
  const polygons = loops.map(loop =>
    Array.from({ length: loop.length / 2 }, (_, i): [number, number] => [loop[2 * i], loop[2 * i + 1]]),
  )
  const solid = kernel.Manifold.extrude(polygons, thicknessMm)
  const mesh = solid.getMesh()
  solid.delete()
  const positions = Float32Array.from(
    { length: mesh.numVert * 3 },
    (_, i) => mesh.vertProperties[Math.floor(i / 3) * mesh.numProp + (i % 3)],
  )
  let x0 = Infinity,
    y0 = Infinity
  for (let i = 0; i < positions.length; i += 3) {
    x0 = Math.min(x0, positions[i])
    y0 = Math.min(y0, positions[i + 1])
  }
  for (let i = 0; i < positions.length; i += 3) {
    positions[i] -= x0
    positions[i + 1] -= y0
  }
  return { positions, triangles: Uint32Array.from(mesh.triVerts) }
}

const extent = (mesh: TriangleMesh): [number, number] => {
  let x = 0,
    y = 0
  for (let i = 0; i < mesh.positions.length; i += 3) {
    x = Math.max(x, mesh.positions[i])
    y = Math.max(y, mesh.positions[i + 1])
  }
  return [x, y]
}

export function jigPrints(
  kernel: SolidKernel,
  doc: ProjectFile,
  list: readonly Jig[],
  libraries: Libraries = LIBRARIES,
): { prints: JigPrints; files: Array<{ name: string; bytes: Uint8Array }> } {
  const filament = jigFilament(doc, libraries)
  const recipe = jigRecipe(filament)
  // The largest bed takes them: they come in no hurry.
  const printer = [...doc.printers].sort((a, b) => b.bedMm[0] * b.bedMm[1] - a.bedMm[0] * a.bedMm[1])[0]
  const meshes = new Map(list.map(jig => [jig.id, jigMesh(kernel, jig)]))
  const prints = list.map((jig): JigPrint => {
    const mesh = meshes.get(jig.id)!
    const sliced = sliceModel(mesh, recipe, filament, printer)
    const sizeMm = extent(mesh)
    return {
      ...jig,
      massG: 1000 * sliced.mass,
      minutes: sliced.seconds / 60,
      sizeMm,
      tooLarge: sizeMm[0] > printer.bedMm[0] || sizeMm[1] > printer.bedMm[1],
    }
  })
  const copies = prints
    .filter(jig => !jig.tooLarge)
    .flatMap(jig => Array.from({ length: jig.count }, (_, i) => ({ jig, id: `${jig.id}#${i + 1}` })))
  const plates = packPlates(
    copies.map(({ jig, id }) => ({ id, width: jig.sizeMm[0], depth: jig.sizeMm[1], alone: false })),
    printer.bedMm,
  ).map((places): JigPlate => ({
    printer: printer.name,
    bedMm: [printer.bedMm[0], printer.bedMm[1]],
    places: places.map(({ id, x, y }) => ({ jig: id.replace(/#\d+$/, ''), xMm: x, yMm: y })),
  }))
  const byId = new Map(prints.map(jig => [jig.id, jig]))
  return {
    prints: { filament: filament.name, jigs: prints, plates },
    files: [
      ...prints.map(jig => ({
        name: `${jig.mark}-${jig.id}${jig.count > 1 ? `-print-${jig.count}` : ''}.stl`,
        bytes: writeStl(meshes.get(jig.id)!, `${jig.mark} ${jig.name}`),
      })),
      ...plates.map((plate, i) => ({
        name: `plates/jigs-${String(i + 1).padStart(2, '0')}.3mf`,
        bytes: writeThreeMf(
          plate.places.map(({ jig, xMm, yMm }) => ({
            name: `${byId.get(jig)!.mark} ${byId.get(jig)!.name}`,
            mesh: meshes.get(jig)!,
            place: [xMm, yMm],
          })),
        ),
      })),
    ],
  }
}
