/** Mass, middle, filament and hours of a piece, from sampled slices integrated along its height. */
import type { Printer } from '../document'
import type { Piece } from '../geometry'
import type { Filament } from '../libraries'
import { mm3ToM3 } from '../units'
import { memoise } from '../memo'
import { beadArea } from './bead'
import { insetField } from './inset-field'
import { layerBeads, layLayer, type Layer } from './lay'
import { layerTime } from './layer-time'

export interface PiecePrint {
  /** kg */
  mass: number
  /** Middle of the beads, aircraft axes, mm. */
  centre: [number, number, number]
  layers: number
  /** Bead lengths, mm. */
  lengths: { outerWall: number, innerWall: number, lattice: number, infill: number, solid: number }
  /** Volume of filament pushed through the nozzle, mm³. */
  filamentMm3: number
  /** Seconds on a printer, plate overhead left out. */
  seconds(printer: Printer): number
}

/** Sampled layers of a piece with Simpson weights (mm of height each stands for). */
export interface SampledLayer { u: number, weight: number, layer: Layer }

/**
 * Simpson's rule between the breaks of a piece: exact for the areas of a ruled loft (quadratic along the span)
 * and for perimeters that run linearly. Bodies curve, so they take more intervals.
 */
export function sampleLayers(piece: Piece, recipe = piece.zone.recipe): SampledLayer[] {
  const edges = [piece.from, ...piece.breaks, piece.to]
  const intervals = piece.part === 'body' ? 2 : 1
  const samples: SampledLayer[] = []
  for (let i = 0; i + 1 < edges.length; i++) {
    const length = edges[i + 1] - edges[i]
    const steps = 2 * intervals
    for (let k = 0; k <= steps; k++) {
      // Just inside the ends: a bore that starts at a break belongs to one side of it only.
      const t = Math.min(1 - 1e-6, Math.max(1e-6, k / steps))
      const u = edges[i] + t * length
      const weight = ((k === 0 || k === steps ? 1 : k % 2 ? 4 : 2) * length) / (3 * steps)
      samples.push({ u, weight, layer: layLayer(insetField(piece.sliceAt(u)), recipe) })
    }
  }
  return samples
}

export function printPiece(piece: Piece, filament: Filament): PiecePrint {
  const { recipe } = piece.zone
  const samples = sampleLayers(piece)
  const perLayer = 1 / recipe.layerHeightMm
  const lengths = { outerWall: 0, innerWall: 0, lattice: 0, infill: 0, solid: 0 }
  let beads = 0, cx = 0, cy = 0, cz = 0
  const place = (a: number, b: number, u: number, length: number) => {
    const [x, y, z] = piece.place(a, b, u)
    beads += length
    cx += length * x
    cy += length * y
    cz += length * z
  }
  for (const { u, weight, layer } of samples) {
    const count = weight * perLayer
    lengths.outerWall += layer.outerWall * count
    lengths.innerWall += layer.innerWall * count
    lengths.lattice += layer.lattice * count
    lengths.infill += layer.infill * count
    place(layer.x, layer.y, u, layerBeads(layer) * count)
  }
  const covers = [[piece.closedBase ? recipe.baseLayers : 0, samples[0]], [piece.closedTop ? recipe.topLayers : 0, samples[samples.length - 1]]] as const
  for (const [count, sample] of covers) {
    if (recipe.spiral || count === 0) continue
    lengths.solid += sample.layer.solidExtra * count
    place(sample.layer.x, sample.layer.y, sample.u, sample.layer.solidExtra * count)
  }
  const filamentMm3 = beads * beadArea(recipe.beadWidthMm, recipe.layerHeightMm) * recipe.flow
  return {
    mass: mm3ToM3(filamentMm3) * filament.density,
    centre: [cx / beads, cy / beads, cz / beads],
    layers: Math.max(1, Math.round((piece.to - piece.from) * perLayer)),
    lengths, filamentMm3,
    seconds: memoise((printer: Printer) => {
      let time = 0
      for (const { weight, layer } of samples) time += weight * perLayer * layerTime(layer, recipe, filament, printer, false)
      for (const [count, sample] of covers) {
        if (recipe.spiral || count === 0) continue
        time += count * (layerTime(sample.layer, recipe, filament, printer, true) - layerTime(sample.layer, recipe, filament, printer, false))
      }
      return time
    }, 12),
  }
}
