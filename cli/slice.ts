import { measureMesh, weld } from '../core/geometry'
import { MAX_LAYERS, readStl, readThreeMf, sliceModel } from '../core/printing'
import { DocumentError } from '../core/document'
import { kgToG, sToHours } from '../core/units'
import type { Arguments } from './answer'
import { printerFrom, recipeFrom } from './printing-input'

/** A model sliced in full: bead lengths, mass and hours by the recipe. */
export function sliceVerb({ options, readBytes }: Arguments): unknown {
  const { recipe, filament } = recipeFrom(options.recipe)
  const { printer } = printerFrom(options.printer)
  const bytes = readBytes()
  const zipped = bytes[0] === 0x50 && bytes[1] === 0x4b
  const objects = zipped ? readThreeMf(bytes).map(object => object.corners) : [readStl(bytes)]
  const corners = new Float32Array(objects.reduce((sum, object) => sum + object.length, 0))
  objects.reduce((at, object) => {
    corners.set(object, at)
    return at + object.length
  }, 0)
  const mesh = weld(corners)
  const { volume, surface, watertight, openEdges, min, max } = measureMesh(mesh)
  checkModel(max.map((value, i) => value - min[i]) as [number, number, number], volume, recipe.layerHeightMm)
  const sliced = sliceModel(mesh, recipe, filament, printer)
  const [x, y, z] = sliced.centre
  return {
    volumeMm3: Math.abs(volume),
    surfaceMm2: surface,
    watertight,
    openEdges,
    bboxMm: max.map((value, i) => value - min[i]),
    layers: sliced.layers,
    lengthsMm: sliced.lengths,
    extrudedMm3: sliced.extrudedMm3,
    filamentMm3: sliced.filamentMm3,
    massG: kgToG(sliced.mass),
    hours: sToHours(sliced.seconds),
    centreMm: { x, y, z },
    inertiaKgM2: sliced.inertia,
    overhangMm2: sliced.overhangMm2,
    bridgeMm: sliced.bridgeMm,
    openLayers: sliced.openLayers,
    filament: filament.id,
  }
}

/** Sides past this are a model in another unit, mm. */
const LONGEST = 3000

function checkModel(size: readonly [number, number, number], volume: number, layerHeightMm: number): void {
  const said = `${size.map(side => Number(side.toPrecision(3))).join(' × ')} mm`
  if (Math.max(...size) > LONGEST)
    throw new DocumentError('', `the model is ${said}; at most ${LONGEST} mm a side. Is it in another unit?`)
  // Flat, or inside out by half: nothing of it could be said by volume.
  if (!(Math.abs(volume) > 1e-6)) throw new DocumentError('', `the model is ${said} and holds no volume`)
  const layers = Math.round(size[2] / layerHeightMm)
  if (layers > MAX_LAYERS)
    throw new DocumentError('', `${layers} layers of ${layerHeightMm} mm; at most ${MAX_LAYERS}`)
}
