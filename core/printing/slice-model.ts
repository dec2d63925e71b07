/** A given model sliced in full: every layer's contours, walls, infill, base and top skins, to mass and hours. */
import type { Printer, Recipe } from '../document'
import type { TriangleMesh } from '../geometry'
import type { Filament } from '../libraries'
import { mm3ToM3 } from '../units'
import { beadArea } from './bead'
import { contoursAt } from './contours'
import { insetFieldOf } from './inset-field'
import { layerBeads, layLayer, type Layer } from './lay'
import { layerTime } from './layer-time'
import { measureMesh, type MeshFigures } from './mesh'
import { scanBoth, scanLength, scanLoops, type Scan } from './scanlines'

export interface SlicedModel {
  mesh: MeshFigures
  layers: number
  /** mm */
  lengths: { outerWall: number, innerWall: number, lattice: number, infill: number, solid: number, travel: number }
  extrudedMm3: number
  /** kg */
  mass: number
  /** Middle of the beads, mm, in the model's own axes. */
  centre: [number, number, number]
  seconds: number
  /** Layers in which a gap in the mesh left a contour open. */
  openLayers: number
}

/** Long straight edges are divided to this, so that each part sees what lies opposite it, mm. */
const LONGEST_EDGE = 3
/** Scan lines across the model for finding what is open above or below. */
const SCAN_LINES = 160

/** Layers at midplanes, `layerHeightMm` thick, from the model's lowest point. `each` is told how far it is and may stop it by throwing. */
export function sliceModel(mesh: TriangleMesh, recipe: Recipe, filament: Filament, printer: Printer, each: (done: number, of: number) => void = () => {}): SlicedModel {
  const figures = measureMesh(mesh)
  const height = figures.max[2] - figures.min[2]
  const layers = Math.max(1, Math.round(height / recipe.layerHeightMm))
  const heights = Array.from({ length: layers }, (_, k) => figures.min[2] + (k + 0.5) * (height / layers))
  const contours = contoursAt(mesh, heights)
  const spacing = Math.max(recipe.beadWidthMm, (figures.max[1] - figures.min[1]) / SCAN_LINES)
  const lines = Math.max(1, Math.ceil((figures.max[1] - figures.min[1]) / spacing))
  const scans = recipe.spiral ? [] : contours.map(({ loops }) => scanLoops(loops, figures.min[1], spacing, lines))
  const lengths = { outerWall: 0, innerWall: 0, lattice: 0, infill: 0, solid: 0, travel: 0 }
  let beads = 0, x = 0, y = 0, z = 0, seconds = 0, openLayers = 0
  // A layer lies as thick as the model divides evenly: its beads stand for that height.
  const thickness = height / layers / recipe.layerHeightMm
  for (const [k, { loops, open }] of contours.entries()) {
    each(k, layers)
    if (open > 0) openLayers++
    if (loops.length === 0) continue
    const whole = layLayer(insetFieldOf(loops.map(loop => divideEdges(loop, LONGEST_EDGE)), Infinity), recipe)
    const layer = { ...whole, loops: recipe.spiral ? 0 : recipe.walls * loops.length, solidExtra: whole.solidExtra * (recipe.spiral ? 0 : openShare(scans, k, recipe)) }
    const laid = (layerBeads(layer) + layer.solidExtra) * thickness
    lengths.outerWall += layer.outerWall * thickness
    lengths.innerWall += layer.innerWall * thickness
    lengths.lattice += layer.lattice * thickness
    lengths.infill += layer.infill * thickness
    lengths.solid += layer.solidExtra * thickness
    lengths.travel += recipe.spiral ? 0 : travelLength(layer)
    beads += laid
    x += laid * layer.x
    y += laid * layer.y
    z += laid * heights[k]
    seconds += layerTime(layer, recipe, filament, printer, true)
  }
  const extrudedMm3 = beads * beadArea(recipe.beadWidthMm, recipe.layerHeightMm) * recipe.flow
  return {
    mesh: figures, layers, lengths, extrudedMm3, mass: mm3ToM3(extrudedMm3) * filament.density,
    centre: beads > 0 ? [x / beads, y / beads, z / beads] : [0, 0, 0], seconds: seconds + 60 * printer.plateOverheadMin, openLayers,
  }
}

/** The same travels that the time of a layer counts: a quarter of the outline to each loop and to the infill. */
const travelLength = (layer: Layer): number => (layer.loops + (layer.infill + layer.lattice + layer.solidExtra > 0 ? 2 : 0)) * (layer.outerWall / 4)

/** Share of layer k that is open within `baseLayers` below or `topLayers` above it, and so is laid solid. */
function openShare(scans: readonly Scan[], k: number, recipe: Recipe): number {
  const whole = scanLength(scans[k])
  if (whole === 0) return 0
  let covered = scans[k]
  const { baseLayers, topLayers } = recipe
  if (k < baseLayers || k + topLayers >= scans.length) return 1
  for (let d = 1; d <= baseLayers; d++) covered = scanBoth(covered, scans[k - d])
  for (let d = 1; d <= topLayers; d++) covered = scanBoth(covered, scans[k + d])
  return 1 - scanLength(covered) / whole
}

/** Inserts points so that no edge is longer than `longest`. */
export function divideEdges(loop: Float64Array, longest: number): Float64Array {
  const points: number[] = []
  const count = loop.length / 2
  for (let i = 0; i < count; i++) {
    const j = (i + 1) % count
    const parts = Math.max(1, Math.ceil(Math.hypot(loop[2 * j] - loop[2 * i], loop[2 * j + 1] - loop[2 * i + 1]) / longest))
    for (let p = 0; p < parts; p++) points.push(loop[2 * i] + ((loop[2 * j] - loop[2 * i]) * p) / parts, loop[2 * i + 1] + ((loop[2 * j + 1] - loop[2 * i + 1]) * p) / parts)
  }
  return Float64Array.from(points)
}
