/** Mass, middle, inertia, filament and hours of a piece, from sampled sections integrated along its height. */
import type { Printer, Recipe } from '../document'
import { polygonArea, polygonPerimeter, type Piece, type Section } from '../geometry'
import type { Filament } from '../libraries'
import { memoise } from '../memo'
import { mm3ToM3, mmToM } from '../units'
import { beadArea } from './bead'
import { insetField } from './inset-field'
import { layerBeads, layLayer, type Layer } from './lay'
import { layerRuns } from './layer-runs'
import { layerTime } from './layer-time'
import { addBeads, massFigures, noBeads, type MassFigures } from './mass-moments'
import { hanging, openShare, scanGrid, scanSection } from './open-area'
import { samplePiece, type PieceSamples } from './sample-sections'
import { divideEdges } from './divide-edges'

export interface BeadLengths { outerWall: number, innerWall: number, lattice: number, infill: number, solid: number, brim: number }

export interface PiecePrint {
  /** kg, brim left out: it is torn off. */
  mass: number
  /** Middle of the beads, aircraft axes, mm. */
  centre: [number, number, number]
  /** About its middle, axes parallel to the aircraft's, kg·m². */
  inertia: MassFigures['inertia']
  layers: number
  /** mm */
  lengths: BeadLengths
  /** Volume pushed through the nozzle, brim and all, mm³. */
  filamentMm3: number
  /** What is laid over nothing: beyond 45° of the layer below, mm²; and the longest stretch that must be bridged, mm. */
  overhangMm2: number
  bridgeMm: number
  /** Seconds on a printer, plate overhead left out. */
  seconds(printer: Printer): number
}

/** Layers round a sample that are timed where lines are few; far enough apart for webs to have moved on, odd so that both ways of infill come up. */
const PHASES = 5, PHASE_STEP = 7

/** Lines across a section when two are compared. */
const SCAN_LINES = 60

export interface OpenFace { u: number, way: -1 | 1, section: Section, layer: Layer, share: number, layers: number }

export const ZERO_LENGTHS: BeadLengths = { outerWall: 0, innerWall: 0, lattice: 0, infill: 0, solid: 0, brim: 0 }

/** Brim loops lie side by side round the foot: loop i is longer than the outline by 2π(i − ½)w. */
export function brimLength(foot: Section | null, recipe: Recipe): number {
  const loops = Math.floor(recipe.brimMm / recipe.beadWidthMm + 1e-9)
  if (!foot || loops === 0) return 0
  const outside = foot.filter(loop => polygonArea(loop).area > 0)
  return outside.reduce((sum, loop) => sum + loops * polygonPerimeter(loop) + Math.PI * loops * loops * recipe.beadWidthMm, 0)
}

export function printPiece(piece: Piece, filament: Filament): PiecePrint {
  const { recipe } = piece.zone
  const shape = samplePiece(piece)
  const h = recipe.layerHeightMm
  const laid = shape.samples.map(sample => layLayer(sample.field, recipe))
  const lengths = { ...ZERO_LENGTHS }
  const sums = noBeads()
  let overhangMm2 = 0
  shape.samples.forEach(({ u, weight, leaning }, i) => {
    const layer = laid[i], count = weight / h
    lengths.outerWall += layer.outerWall * count
    lengths.innerWall += layer.innerWall * count
    lengths.lattice += layer.lattice * count
    lengths.infill += layer.infill * count
    const { x, y, xx, yy, xy } = layer.sum
    addBeads(sums, u, weight, layerBeads(layer) * count, { x: x * count, y: y * count, xx: xx * count, yy: yy * count, xy: xy * count })
    overhangMm2 += leaning * weight
  })
  const faces = openFaces(shape, recipe)
  for (const { u, way, layer, share, layers } of faces) {
    const length = share * layer.solidExtra * layers
    lengths.solid += length
    const { x, y, xx, yy, xy } = layer.inside
    addBeads(sums, u + (way * layers * h) / 2, layers * h, length, { x: x * length, y: y * length, xx: xx * length, yy: yy * length, xy: xy * length })
  }
  lengths.brim = brimLength(shape.jumps[0].above, recipe)
  const bridges = shape.jumps.slice(1, -1).map(({ below, above }) => bridge(below!, above!))
  const area = beadArea(recipe.beadWidthMm, h)
  const mass = mm3ToM3(sums.length * area * recipe.flow) * filament.density
  const { centre, inertia } = massFigures(sums, piece.place)
  const scale = mass * mmToM(1) ** 2
  return {
    mass, centre, inertia: { xx: inertia.xx * scale, yy: inertia.yy * scale, zz: inertia.zz * scale, xy: inertia.xy * scale, xz: inertia.xz * scale, yz: inertia.yz * scale },
    layers: Math.max(1, Math.round((piece.to + piece.proud - piece.from) / h)), lengths, filamentMm3: (sums.length + lengths.brim) * area * recipe.flow,
    overhangMm2: overhangMm2 + bridges.reduce((sum, found) => sum + found.area, 0), bridgeMm: Math.max(0, ...bridges.map(found => found.span)),
    seconds: memoise((printer: Printer) => secondsOn(shape, laid, faces, recipe, filament, printer), 12),
  }
}

function secondsOn({ samples, jumps }: PieceSamples, laid: readonly Layer[], faces: readonly OpenFace[], recipe: Recipe, filament: Filament, printer: Printer): number {
  const perLayer = 1 / recipe.layerHeightMm
  let time = 0
  samples.forEach(({ section, field, weight, u }, i) => {
    // Layer numbers as they would be there: they decide which way infill runs and where webs stand. Where lines are few,
    // how many a layer meets is chance, so that neighbours are averaged.
    const index = Math.round((u - jumps[0].u) * perLayer)
    const few = laid[i].infill + laid[i].lattice > 0 && recipe.infillShare < 0.3
    const tries = few ? PHASES : 1
    for (let k = 0; k < tries; k++) time += ((weight * perLayer) / tries) * layerTime(layerRuns(section, field, laid[i], recipe, index + PHASE_STEP * k, 0), recipe, filament, printer).seconds
  })
  for (const { section, layer, share, layers } of faces) {
    const field = insetField(section.map(loop => divideEdges(loop, 6)))
    const solid = layerTime(layerRuns(section, field, layer, recipe, 0, share), recipe, filament, printer).seconds
    time += layers * (solid - layerTime(layerRuns(section, field, layer, recipe, 0, 0), recipe, filament, printer).seconds)
  }
  const brim = brimLength(jumps[0].above, recipe)
  return time + brim / printer.wallSpeedMmS
}

/** Ends and jumps that are open above or below, with the layers that are laid solid there. */
function openFaces({ jumps }: PieceSamples, recipe: Recipe): OpenFace[] {
  if (recipe.spiral || (recipe.baseLayers === 0 && recipe.topLayers === 0)) return []
  const face = (u: number, way: -1 | 1, own: Section, other: Section | null, layers: number): OpenFace[] => {
    if (layers === 0 || own.length === 0) return []
    const layer = layLayer(insetField(own.map(loop => divideEdges(loop, 6))), recipe)
    if (other === null) return [{ u, way, section: own, layer, share: 1, layers }]
    const grid = gridOver([own])
    const share = openShare(scanSection(own, grid, recipe.walls * recipe.beadWidthMm), [scanSection(other, grid)])
    return share > 1e-3 ? [{ u, way, section: own, layer, share, layers }] : []
  }
  return jumps.flatMap(({ u, below, above }) => [
    ...(above ? face(u, 1, above, below, recipe.baseLayers) : []), ...(below ? face(u, -1, below, above, recipe.topLayers) : []),
  ])
}

function gridOver(sections: readonly Section[]) {
  let x0 = Infinity, y0 = Infinity, x1 = -Infinity, y1 = -Infinity
  for (const section of sections) {
    for (const loop of section) {
      for (let i = 0; i < loop.length; i += 2) {
        x0 = Math.min(x0, loop[i]); x1 = Math.max(x1, loop[i])
        y0 = Math.min(y0, loop[i + 1]); y1 = Math.max(y1, loop[i + 1])
      }
    }
  }
  return scanGrid(x0, y0, x1, y1, SCAN_LINES)
}

/** What lies over nothing just above a jump. A bead's width of it carries itself. */
function bridge(below: Section, above: Section): { area: number, span: number } {
  if (above.length === 0) return { area: 0, span: 0 }
  const grid = gridOver([above])
  return hanging(scanSection(above, grid), scanSection(below, grid, -0.25), grid)
}
