/**
 * Seconds for a layer: its runs replayed under acceleration, a corner speed and a cap on melted volume, with
 * travel and retraction.
 */
import { beadSection, type Printer, type Recipe } from '../document'
import type { Filament } from '../libraries'
import type { LayerRuns } from './layer-runs'
import { replayMoves } from './motion'

/** Speed that the printer's and the filament's melting rate allow for this recipe, mm/s. */
export function cappedSpeed(wanted: number, recipe: Recipe, filament: Filament, printer: Printer): number {
  const melted = beadSection(recipe) * recipe.flow
  return Math.min(wanted, Math.min(printer.flowMm3S, filament.maxFlowMm3S) / melted)
}

/** A hop shorter than this is part of the bead, mm. */
const NO_HOP = 0.05
/** Travel longer than this pulls the filament back first, mm. */
const RETRACT_OVER = 2

/**
 * What the nozzle does in a layer, the same for every printer: directions and lengths, and which speed each
 * move has.
 */
export interface LayerMoves {
  length: Float64Array
  dx: Float64Array
  dy: Float64Array
  what: Uint8Array
  travelMm: number
}
const WALL = 0,
  FILL = 1,
  TRAVEL = 2,
  PULL = 3

/** A spiral never leaves the part: what is not joined in it is reached without travel or retraction. */
export function layerMoves(runs: LayerRuns, recipe: Recipe): LayerMoves {
  const runCount = runs.kind.length
  const length = new Float64Array(4 * runCount),
    dx = new Float64Array(4 * runCount),
    dy = new Float64Array(4 * runCount),
    what = new Uint8Array(4 * runCount)
  let count = 0,
    travelMm = 0
  for (let i = 0; i < runCount; i++) {
    if (i > 0 && !runs.joined[i] && !recipe.spiral) {
      const hx = runs.x0[i] - runs.x1[i - 1],
        hy = runs.y0[i] - runs.y1[i - 1],
        hop = Math.sqrt(hx * hx + hy * hy)
      if (hop > NO_HOP) {
        if (hop > RETRACT_OVER) what[count++] = PULL
        length[count] = hop
        dx[count] = hx / hop
        dy[count] = hy / hop
        what[count++] = TRAVEL
        if (hop > RETRACT_OVER) what[count++] = PULL
        travelMm += hop
      }
    }
    const x = runs.x1[i] - runs.x0[i],
      y = runs.y1[i] - runs.y0[i],
      own = Math.sqrt(x * x + y * y)
    if (own === 0) continue
    length[count] = own * runs.scale[i]
    dx[count] = x / own
    dy[count] = y / own
    what[count++] = runs.kind[i] === 'infill' || runs.kind[i] === 'solid' ? FILL : WALL
  }
  return {
    length: length.subarray(0, count),
    dx: dx.subarray(0, count),
    dy: dy.subarray(0, count),
    what: what.subarray(0, count),
    travelMm,
  }
}

let lengths = new Float64Array(1024),
  speeds = new Float64Array(1024),
  flat = new Float64Array(1024)

/** Seconds on a printer; never less than its least layer time. */
export function movesTime(
  { length, dx, dy, what }: LayerMoves,
  recipe: Recipe,
  filament: Filament,
  printer: Printer,
): number {
  const count = what.length
  if (lengths.length < count) {
    lengths = new Float64Array(2 * count)
    speeds = new Float64Array(2 * count)
    flat = new Float64Array(2 * count)
  }
  const own = [
    cappedSpeed(printer.wallSpeedMmS, recipe, filament, printer),
    cappedSpeed(printer.infillSpeedMmS, recipe, filament, printer),
    printer.travelSpeedMmS,
    printer.retractMmS,
  ]
  for (let i = 0; i < count; i++) {
    lengths[i] = what[i] === PULL ? printer.retractMm : length[i]
    speeds[i] = own[what[i]]
  }
  return Math.max(
    printer.layerMinS,
    replayMoves(
      { length: lengths, speed: speeds, dx, dy, dz: flat },
      printer.accelMmS2,
      printer.cornerMmS,
      count,
    ),
  )
}

export interface LayerTime {
  seconds: number
  travelMm: number
}

/** Both at once, for a layer that is timed on one printer. */
export function layerTime(runs: LayerRuns, recipe: Recipe, filament: Filament, printer: Printer): LayerTime {
  const moves = layerMoves(runs, recipe)
  return { seconds: movesTime(moves, recipe, filament, printer), travelMm: moves.travelMm }
}
