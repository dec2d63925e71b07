/** Seconds for a layer: its runs replayed under acceleration, a corner speed and a cap on melted volume, with travel and retraction. */
import type { Printer, Recipe } from '../document'
import type { Filament } from '../libraries'
import { beadArea } from './bead'
import type { LayerRuns } from './layer-runs'
import { replayMoves, type MoveList } from './motion'

/** Speed that the printer's and the filament's melting rate allow for this recipe, mm/s. */
export function cappedSpeed(wanted: number, recipe: Recipe, filament: Filament, printer: Printer): number {
  const melted = beadArea(recipe.beadWidthMm, recipe.layerHeightMm) * recipe.flow
  return Math.min(wanted, Math.min(printer.flowMm3S, filament.maxFlowMm3S) / melted)
}

/** A hop shorter than this is part of the bead, mm. */
const NO_HOP = 0.05
/** Travel longer than this pulls the filament back first, mm. */
const RETRACT_OVER = 2

export interface LayerTime { seconds: number, travelMm: number }

/** A spiral never leaves the part: what is not joined in it is reached without travel or retraction. */
export function layerTime(runs: LayerRuns, recipe: Recipe, filament: Filament, printer: Printer): LayerTime {
  const wall = cappedSpeed(printer.wallSpeedMmS, recipe, filament, printer)
  const fill = cappedSpeed(printer.infillSpeedMmS, recipe, filament, printer)
  const moves: MoveList = { length: [], speed: [], dx: [], dy: [], dz: [] }
  const add = (length: number, speed: number, dx: number, dy: number) => {
    moves.length.push(length)
    moves.speed.push(speed)
    moves.dx.push(dx)
    moves.dy.push(dy)
    moves.dz.push(0)
  }
  let travelMm = 0
  for (let i = 0; i < runs.kind.length; i++) {
    if (i > 0 && !runs.joined[i] && !recipe.spiral) {
      const hx = runs.x0[i] - runs.x1[i - 1], hy = runs.y0[i] - runs.y1[i - 1], hop = Math.hypot(hx, hy)
      if (hop > NO_HOP) {
        const pull = hop > RETRACT_OVER && printer.retractMm > 0
        if (pull) add(printer.retractMm, printer.retractMmS, 0, 0)
        add(hop, printer.travelSpeedMmS, hx / hop, hy / hop)
        if (pull) add(printer.retractMm, printer.retractMmS, 0, 0)
        travelMm += hop
      }
    }
    const dx = runs.x1[i] - runs.x0[i], dy = runs.y1[i] - runs.y0[i], length = Math.hypot(dx, dy)
    if (length > 0) add(length * runs.scale[i], runs.kind[i] === 'infill' || runs.kind[i] === 'solid' ? fill : wall, dx / length, dy / length)
  }
  return { seconds: Math.max(printer.layerMinS, replayMoves(moves, printer.accelMmS2, printer.cornerMmS)), travelMm }
}
