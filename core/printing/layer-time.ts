/** Seconds for a layer, from the lengths of its runs under acceleration, a corner speed and a cap on melted volume. */
import type { Printer, Recipe } from '../document'
import type { Filament } from '../libraries'
import { beadArea } from './bead'
import type { Layer } from './lay'

/** Time of one straight run that enters and leaves at the corner speed, s. Lengths mm, speeds mm/s, mm/s². */
export function runTime(length: number, speed: number, accel: number, corner: number): number {
  if (length <= 0) return 0
  const entry = Math.min(corner, speed)
  const ramp = (speed ** 2 - entry ** 2) / accel
  if (ramp <= length) return (2 * (speed - entry)) / accel + (length - ramp) / speed
  const peak = Math.sqrt(entry ** 2 + accel * length)
  return (2 * (peak - entry)) / accel
}

/** Speed that the printer's and the filament's melting rate allow for this recipe, mm/s. */
export function cappedSpeed(wanted: number, recipe: Recipe, filament: Filament, printer: Printer): number {
  const melted = beadArea(recipe.beadWidthMm, recipe.layerHeightMm) * recipe.flow
  return Math.min(wanted, Math.min(printer.flowMm3S, filament.maxFlowMm3S) / melted)
}

/** Straight runs that a contour of smooth curves makes: it slows only at its corners, taken as two a loop. */
const CONTOUR_RUNS = 2

export function layerTime(layer: Layer, recipe: Recipe, filament: Filament, printer: Printer, solid: boolean): number {
  const wall = cappedSpeed(printer.wallSpeedMmS, recipe, filament, printer)
  const fill = cappedSpeed(printer.infillSpeedMmS, recipe, filament, printer)
  const contour = layer.outerWall + layer.innerWall
  const loops = Math.max(1, layer.loops)
  let time = CONTOUR_RUNS * loops * runTime(contour / (CONTOUR_RUNS * loops), wall, printer.accelMmS2, printer.cornerMmS)
  const straight = layer.infill + layer.lattice + (solid ? layer.solidExtra : 0)
  if (straight > 0) {
    const runs = Math.max(1, straight / layer.run)
    time += runs * runTime(straight / runs, recipe.spiral ? wall : fill, printer.accelMmS2, printer.cornerMmS)
  }
  // A spiral never leaves the part; anything else travels about a quarter of its outline to each loop and to the infill.
  const travels = recipe.spiral ? 0 : layer.loops + (straight > 0 ? 2 : 0)
  time += travels * runTime(layer.outerWall / 4, printer.travelSpeedMmS, printer.accelMmS2, printer.cornerMmS)
  return Math.max(printer.layerMinS, time)
}
