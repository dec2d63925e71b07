/**
 * Seconds for a layer: its runs replayed under acceleration, a corner speed and a cap on melted volume, with
 * travel and retraction.
 */
import { beadSection, type Printer, type Recipe } from '../document'
import type { Filament } from '../libraries'
import { narrowed, only } from '../memo'
import type { LayerRuns } from './layer-runs'
import { replayMoves } from './motion'

const PACE = [
  'wallSpeedMmS',
  'infillSpeedMmS',
  'travelSpeedMmS',
  'accelMmS2',
  'cornerMmS',
  'flowMm3S',
  'layerMinS',
  'retractMm',
  'retractMmS',
] as const satisfies ReadonlyArray<keyof Printer>
/** What of a printer decides how fast it lays: times stay known while its name, bed, hours or spool change. */
export type PrinterPace = Pick<Printer, (typeof PACE)[number]>
export const paceOf: (printer: PrinterPace) => PrinterPace = narrowed(only(...PACE))

/** Speed that the printer's and the filament's melting rate allow for this recipe, mm/s. */
export function cappedSpeed(
  wanted: number,
  recipe: Recipe,
  filament: Filament,
  printer: PrinterPace,
): number {
  const melted = beadSection(recipe) * recipe.flow
  return Math.min(wanted, Math.min(printer.flowMm3S, filament.maxFlowMm3S) / melted)
}

/** The first layer is laid at this share of the speed, brim and all. */
export const FIRST_SPEED = 0.5
/** A hop shorter than this is part of the bead, mm. */
export const NO_HOP = 0.05
/** Travel longer than this pulls the filament back first, mm. */
export const RETRACT_OVER = 2

/**
 * What the nozzle does in a layer, the same for every printer: directions and lengths, and which speed each
 * move has.
 */
export interface LayerMoves {
  length: Float64Array
  dx: Float64Array
  dy: Float64Array
  what: Uint8Array
  /** How many like it a move stands for. */
  times: Float64Array
  travelMm: number
}
const WALL = 0,
  FILL = 1,
  TRAVEL = 2,
  PULL = 3

/** Off a run's own line by less than this, a hop to it leads along it, mm. */
const ON_LINE = 1e-6

/** Where moves are written down before it is known how many they are: of most runs one comes, of some four. */
const noted = (size: number) => ({
  length: new Float64Array(size),
  dx: new Float64Array(size),
  dy: new Float64Array(size),
  what: new Uint8Array(size),
  times: new Float64Array(size),
})
let desk = noted(4096)

/** A spiral never leaves the part: what is not joined in it is reached without travel or retraction. */
export function layerMoves(runs: LayerRuns, recipe: Recipe): LayerMoves {
  const runCount = runs.kind.length
  if (desk.what.length < 4 * runCount + 4) desk = noted(8 * runCount + 8)
  const { length, dx, dy, what, times } = desk
  let count = 0,
    travelMm = 0
  const pull = (hop: number, like: number) => {
    if (hop <= RETRACT_OVER) return
    length[count] = dx[count] = dy[count] = 0
    times[count] = like
    what[count++] = PULL
  }
  const travel = (hx: number, hy: number, like = 1, along = false) => {
    // Lines that stand for several are so much closer to each other; a gap within a line is as wide as it is drawn.
    const drawn = Math.sqrt(hx * hx + hy * hy),
      hop = along ? drawn : drawn / like
    if (hop <= NO_HOP) return
    pull(hop, like)
    length[count] = hop
    dx[count] = hx / drawn
    dy[count] = hy / drawn
    times[count] = like
    what[count++] = TRAVEL
    pull(hop, like)
    travelMm += hop * like
  }
  for (let i = 0; i < runCount; i++) {
    const x = runs.x1[i] - runs.x0[i],
      y = runs.y1[i] - runs.y0[i],
      own = Math.sqrt(x * x + y * y)
    if (i > 0 && !runs.joined[i] && !recipe.spiral) {
      const hx = runs.x0[i] - runs.x1[i - 1],
        hy = runs.y0[i] - runs.y1[i - 1]
      travel(hx, hy, Math.min(runs.times[i - 1], runs.times[i]), Math.abs(hx * y - hy * x) < ON_LINE * own)
    }
    if (own === 0) continue
    length[count] = own * runs.scale[i]
    dx[count] = x / own
    dy[count] = y / own
    times[count] = runs.times[i]
    what[count++] = runs.kind[i] === 'infill' || runs.kind[i] === 'solid' ? FILL : WALL
  }
  // Back to where the next layer begins, as good as where this one did.
  if (runCount > 0 && !recipe.spiral)
    travel(runs.x0[0] - runs.x1[runCount - 1], runs.y0[0] - runs.y1[runCount - 1])
  return {
    length: length.slice(0, count),
    dx: dx.slice(0, count),
    dy: dy.slice(0, count),
    what: what.slice(0, count),
    times: times.slice(0, count),
    travelMm,
  }
}

let lengths = new Float64Array(1024),
  speeds = new Float64Array(1024),
  flat = new Float64Array(1024)

/** Seconds on a printer at a share of its speed, its least layer time left out. */
export function unboundTime(
  { length, dx, dy, what, times }: LayerMoves,
  recipe: Recipe,
  filament: Filament,
  printer: PrinterPace,
  share = 1,
): number {
  const count = what.length
  if (lengths.length < count) {
    lengths = new Float64Array(2 * count)
    speeds = new Float64Array(2 * count)
    flat = new Float64Array(2 * count)
  }
  const own = [
    share * cappedSpeed(printer.wallSpeedMmS, recipe, filament, printer),
    share * cappedSpeed(printer.infillSpeedMmS, recipe, filament, printer),
    printer.travelSpeedMmS,
    printer.retractMmS,
  ]
  for (let i = 0; i < count; i++) {
    lengths[i] = what[i] === PULL ? printer.retractMm : length[i]
    speeds[i] = own[what[i]]
  }
  return replayMoves(
    { length: lengths, speed: speeds, dx, dy, dz: flat, times },
    printer.accelMmS2,
    printer.cornerMmS,
    count,
  )
}

/** The same, and never less than the printer's least layer time. */
export const movesTime = (...of: Parameters<typeof unboundTime>): number =>
  Math.max(of[3].layerMinS, unboundTime(...of))

export interface LayerTime {
  seconds: number
  travelMm: number
}

/** Both at once, for a layer that is timed on one printer. */
export function layerTime(
  runs: LayerRuns,
  recipe: Recipe,
  filament: Filament,
  printer: PrinterPace,
  share = 1,
): LayerTime {
  const moves = layerMoves(runs, recipe)
  return { seconds: movesTime(moves, recipe, filament, printer, share), travelMm: moves.travelMm }
}
