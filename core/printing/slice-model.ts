/**
 * A model sliced in full: every layer's contours, walls, infill, base and top skins and moves, to mass and
 * hours.
 */
import { beadSection, type ChordFrame, type Printer, type Recipe } from '../document'
import { contoursAt, measureMesh, polygonPerimeter, type MeshFigures, type TriangleMesh } from '../geometry'
import type { Filament } from '../libraries'
import { mm3ToM3, mmToM } from '../units'
import { divideSection } from './divide-edges'
import { insetField, insetLoops, type InsetField } from './inset-field'
import { layerBeads, layLayer, recipeReach } from './lay'
import { layerRuns } from './layer-runs'
import { cappedSpeed, FIRST_SPEED, layerTime } from './layer-time'
import { addBeads, massFigures, noBeads, type MassFigures } from './mass-moments'
import { hanging, scanGrid, scanSection } from './open-area'
import type { BeadLengths } from './print-piece'
import { brimLoops } from './brim'
import { createSolidShare } from './solid-share'

export interface SlicedModel {
  mesh: MeshFigures
  layers: number
  /** mm */
  lengths: BeadLengths & { travel: number }
  /** Brim left out of the part's own; `filamentMm3` has it in. */
  extrudedMm3: number
  filamentMm3: number
  /** kg */
  mass: number
  /** Middle of the beads, mm, in the model's own axes; inertia about it, kg·m². */
  centre: [number, number, number]
  inertia: MassFigures['inertia']
  seconds: number
  /** Laid beyond 45° of the layer below, mm²; longest stretch of it the shorter way, mm. */
  overhangMm2: number
  bridgeMm: number
  /** Layers in which a gap in the mesh left a contour open. */
  openLayers: number
}

/** Long straight edges are divided to this, mm. */
const LONGEST_EDGE = 2.5
/** Scan lines across the model for finding what hangs over nothing. */
const HANG_LINES = 48
/** More layers than this are a wrong layer height or a model in the wrong unit. */
export const MAX_LAYERS = 60_000

/**
 * Layers at midplanes, `layerHeightMm` thick, from the model's lowest point. `each` is told how far it is and
 * may stop it by throwing. `chordAt`: the chord of what it is a piece of, at a height of the model; without it nothing is
 * laid along one.
 */
export function sliceModel(
  mesh: TriangleMesh,
  recipe: Recipe,
  filament: Filament,
  printer: Printer,
  each: (done: number, of: number) => void = () => {},
  chordAt: (z: number) => ChordFrame | null = () => null,
): SlicedModel {
  const figures = measureMesh(mesh)
  const { min, max } = figures
  const height = max[2] - min[2]
  const layers = Math.min(MAX_LAYERS, Math.max(1, Math.round(height / recipe.layerHeightMm)))
  const heights = Array.from({ length: layers }, (_, k) => min[2] + (k + 0.5) * (height / layers))
  const contours = contoursAt(mesh, heights)
  const hang = scanGrid(min[0], min[1], max[0], max[1], HANG_LINES)
  const solidShare = createSolidShare(k => contours[k].loops, layers, recipe, [
    min[0],
    min[1],
    max[0],
    max[1],
  ])
  const lengths = {
    outerWall: 0,
    innerWall: 0,
    lattice: 0,
    infill: 0,
    solid: 0,
    brim: brimLoops(contours[0].loops, recipe).reduce((sum, loop) => sum + polygonPerimeter(loop), 0),
    travel: 0,
  }
  const sums = noBeads()
  let before: InsetField | null = null
  let seconds = 0,
    openLayers = 0,
    overhangMm2 = 0,
    bridgeMm = 0
  // A layer lies as thick as the model divides evenly: its beads stand for that height.
  const step = height / layers
  const thickness = step / recipe.layerHeightMm
  const reach = recipeReach(recipe)
  for (const [k, { loops, open }] of contours.entries()) {
    each(k, layers)
    if (open > 0) openLayers++
    if (loops.length === 0) continue
    const field = insetField(divideSection(loops, LONGEST_EDGE), reach, chordAt(heights[k]))
    const layer = layLayer(field, recipe)
    const share = solidShare(k, field)
    const solid = share * layer.solidExtra * thickness
    lengths.outerWall += layer.outerWall * thickness
    lengths.innerWall += layer.innerWall * thickness
    lengths.lattice += layer.lattice * thickness
    lengths.infill += layer.infill * thickness
    lengths.solid += layer.spar * thickness
    lengths.solid += solid
    const { sum, inside } = layer
    addBeads(sums, heights[k], step, layerBeads(layer) * thickness + solid, {
      x: sum.x * thickness + inside.x * solid,
      y: sum.y * thickness + inside.y * solid,
      xx: sum.xx * thickness + inside.xx * solid,
      yy: sum.yy * thickness + inside.yy * solid,
      xy: sum.xy * thickness + inside.xy * solid,
    })
    const time = layerTime(
      layerRuns(field, layer, recipe, k, share),
      recipe,
      filament,
      printer,
      k === 0 ? FIRST_SPEED : 1,
    )
    seconds += time.seconds
    lengths.travel += time.travelMm
    if (before) {
      // Up to 45° a layer leans on the one below: it carries what lies within a layer's height of its
      // outline.
      const over = hanging(scanSection(loops, hang), scanSection(insetLoops(before, -step), hang), hang)
      overhangMm2 += over.area
      if (over.span > recipe.beadWidthMm) bridgeMm = Math.max(bridgeMm, over.span)
    }
    before = field
  }
  const area = beadSection(recipe) * recipe.flow
  const extrudedMm3 = sums.length * area
  const mass = mm3ToM3(extrudedMm3) * filament.density
  const { centre, inertia } = massFigures(sums, (x, y, z) => [x, y, z])
  const scale = mass * mmToM(1) ** 2
  return {
    mesh: figures,
    layers,
    lengths,
    extrudedMm3,
    filamentMm3: extrudedMm3 + lengths.brim * area,
    mass,
    centre,
    inertia: {
      xx: inertia.xx * scale,
      yy: inertia.yy * scale,
      zz: inertia.zz * scale,
      xy: inertia.xy * scale,
      xz: inertia.xz * scale,
      yz: inertia.yz * scale,
    },
    seconds:
      seconds +
      lengths.brim / (FIRST_SPEED * cappedSpeed(printer.wallSpeedMmS, recipe, filament, printer)) +
      60 * printer.plateOverheadMin,
    overhangMm2,
    bridgeMm,
    openLayers,
  }
}
