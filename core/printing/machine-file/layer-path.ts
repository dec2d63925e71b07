/** A layer's runs as moves of a nozzle on a plate: where it goes, what it pushes, how fast. mm, mm/s. */
import { NO_HOP, RETRACT_OVER } from '../layer-time'
import type { LayerRuns, RunKind } from '../layer-runs'

export type MoveKind = RunKind | 'brim' | 'travel' | 'pull' | 'push'

/** Flat, one entry a move; the nozzle stands where the move before it ended. */
export interface PlateMoves {
  x: number[]
  y: number[]
  /** Length of bead, mm: what goes through the nozzle is this times the bead's section. 0 for travel. */
  bead: number[]
  kind: MoveKind[]
}

export const noMoves = (): PlateMoves => ({ x: [], y: [], bead: [], kind: [] })

/** Two runs within this of one line, as the sine of the angle between them, are one move. */
const STRAIGHT = 2e-4

/**
 * Appends the runs of one part to the moves of its layer. Gaps of a wall that is laid on are laid too; the whole
 * wall then has exactly the bead that was counted. `spiral` never leaves the part.
 */
export function addRuns(moves: PlateMoves, runs: LayerRuns, spiral: boolean): void {
  const count = runs.kind.length
  for (let i = 0; i < count;) {
    // A chain: what is laid without leaving off.
    let end = i + 1
    while (end < count && (runs.joined[end] || spiral || hop(runs, end) <= NO_HOP)) end++
    addChain(moves, runs, i, end, spiral && moves.x.length > 0)
    i = end
  }
}

const hop = (runs: LayerRuns, i: number): number =>
  Math.hypot(runs.x0[i] - runs.x1[i - 1], runs.y0[i] - runs.y1[i - 1])

function addChain(moves: PlateMoves, runs: LayerRuns, from: number, to: number, on: boolean): void {
  let counted = 0,
    gaps = 0
  for (let i = from; i < to; i++) {
    counted += runs.scale[i] * Math.hypot(runs.x1[i] - runs.x0[i], runs.y1[i] - runs.y0[i])
    if (i > from && hop(runs, i) > NO_HOP) gaps += runs.scale[i] * hop(runs, i)
  }
  const share = counted > 0 ? counted / (counted + gaps) : 1
  const last = moves.x.length - 1
  const away = on ? Math.hypot(runs.x0[from] - moves.x[last], runs.y0[from] - moves.y[last]) : 0
  // A spiral goes on from where the loop below ended.
  if (!on) travelTo(moves, runs.x0[from], runs.y0[from])
  else if (away > NO_HOP) lay(moves, runs.x0[from], runs.y0[from], away * runs.scale[from], runs.kind[from])
  for (let i = from; i < to; i++) {
    if (i > from) {
      const gap = hop(runs, i)
      // A lesser one is bridged by the run itself: a move of its own would only brake the nozzle.
      if (gap > NO_HOP) lay(moves, runs.x0[i], runs.y0[i], gap * runs.scale[i] * share, runs.kind[i])
    }
    const length = Math.hypot(runs.x1[i] - runs.x0[i], runs.y1[i] - runs.y0[i])
    if (length > 0) lay(moves, runs.x1[i], runs.y1[i], length * runs.scale[i] * share, runs.kind[i])
  }
}

/** Moves there without laying anything; a long way pulls the filament back first. */
export function travelTo(moves: PlateMoves, x: number, y: number): void {
  const last = moves.x.length - 1
  const away = last < 0 ? Infinity : Math.hypot(x - moves.x[last], y - moves.y[last])
  if (away <= 1e-4) return
  if (last >= 0 && away > RETRACT_OVER) push(moves, moves.x[last], moves.y[last], 0, 'pull')
  push(moves, x, y, 0, 'travel')
  if (last >= 0 && away > RETRACT_OVER) push(moves, x, y, 0, 'push')
}

function push(moves: PlateMoves, x: number, y: number, bead: number, kind: MoveKind): void {
  moves.x.push(x)
  moves.y.push(y)
  moves.bead.push(bead)
  moves.kind.push(kind)
}

/** Lays on; a move that goes straight on from the one before it, as thick, makes that one longer. */
export function lay(moves: PlateMoves, x: number, y: number, bead: number, kind: MoveKind): void {
  const last = moves.x.length - 1
  if (last >= 0 && Math.abs(x - moves.x[last]) < 1e-6 && Math.abs(y - moves.y[last]) < 1e-6) return
  if (last >= 1 && moves.kind[last] === kind && moves.bead[last] > 0) {
    const ax = moves.x[last] - moves.x[last - 1],
      ay = moves.y[last] - moves.y[last - 1],
      bx = x - moves.x[last],
      by = y - moves.y[last]
    const a = Math.hypot(ax, ay),
      b = Math.hypot(bx, by)
    if (
      a > 0 &&
      b > 0 &&
      Math.abs(ax * by - ay * bx) < STRAIGHT * a * b &&
      ax * bx + ay * by > 0 &&
      Math.abs(bead / b - moves.bead[last] / a) < 1e-3
    ) {
      moves.x[last] = x
      moves.y[last] = y
      moves.bead[last] += bead
      return
    }
  }
  push(moves, x, y, bead, kind)
}
