/**
 * What a piece in a machine file is like: sizes, beads, layers, what lies inside. Nothing is known of the
 * piece yet.
 */
import { hullOf, polygonArea, polygonPerimeter } from '../../geometry'
import type { KeptLayer } from './piece-in-file'
import type { FilePiece } from './read-file'

export interface LayerShape {
  layer: KeptLayer
  /** Height over the piece's foot as a share of all. */
  at: number
  /** Hull of what is laid, counter-clockwise, its area (mm²) and perimeter (mm). */
  hull: Float64Array
  area: number
  perimeter: number
}

export interface PieceFigures {
  heightMm: number
  layers: number
  layerHeightMm: number
  spiral: boolean
  /** Plastic of a millimetre of bead, mm². */
  perMm: number
  shapes: LayerShape[]
}

/** The middle one of values in their order; null of none. */
export function medianOf(values: readonly number[]): number | null {
  const sorted = [...values].sort((a, b) => a - b)
  return sorted[sorted.length >> 1] ?? null
}

export function pieceFigures({ found, kept }: FilePiece): PieceFigures {
  const { layers } = found
  const spiral = found.risingMm > 0.5 * (found.laidMm - (layers[0]?.length ?? 0))
  const top = found.max[2]
  const steps = layers.slice(1).map((layer, i) => layer.z - layers[i].z)
  // The first layer may be thicker: the others say how high one is. A spiral's loops rise by one.
  const layerHeightMm = medianOf(steps.filter(step => step > 1e-3)) ?? layers[0]?.z ?? 0
  return {
    heightMm: top,
    layers: layers.length,
    layerHeightMm,
    spiral,
    perMm: beadPlastic(kept),
    shapes: kept.map(layer => shapeOf(layer, top)),
  }
}

/** The middle of all stretches by length: neither seams nor half beads move it. */
function beadPlastic(kept: readonly KeptLayer[]): number {
  const rates: Array<[rate: number, length: number]> = []
  for (const { index, segments } of kept) {
    if (index < 2 && kept.length > 4) continue
    for (let i = 0; i < segments.length; i += 5) {
      const length = Math.hypot(segments[i + 2] - segments[i], segments[i + 3] - segments[i + 1])
      if (length > 0.2) rates.push([segments[i + 4] / length, length])
    }
  }
  rates.sort((a, b) => a[0] - b[0])
  const half = rates.reduce((sum, [, length]) => sum + length, 0) / 2
  let sum = 0
  for (const [rate, length] of rates) {
    sum += length
    if (sum >= half) return rate
  }
  return 0
}

function shapeOf(layer: KeptLayer, top: number): LayerShape {
  // Each stretch is its two ends and its plastic.
  const hull = hullOf(Float64Array.from(layer.segments.filter((_, i) => i % 5 !== 4)))
  return {
    layer,
    at: top > 0 ? layer.z / top : 0,
    hull,
    area: Math.abs(polygonArea(hull).area),
    perimeter: polygonPerimeter(hull),
  }
}
