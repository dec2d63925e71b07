/** How well a layer takes to the one below it, by the time that has gone by. */
import type { Recipe } from '../document'
import type { Filament } from '../libraries'

/** What data sheets are measured at: layers of bars that take about so long, s. */
const USUAL_S = 15
/**
 * Half ranges of the filament that four times as long costs, in the limit; from series of tensile bars printed upright,
 * which lose a tenth to a fifth from a quarter of a minute to a minute.
 */
const COOLED = 0.6
const FOUR_TIMES = Math.log(4)

/** Seconds of a layer whose walls go round so far, mm; the way of the webs and infill is left out. */
export const layerSeconds = (
  aroundMm: number,
  { walls, skinGapMm }: Pick<Recipe, 'walls' | 'skinGapMm'>,
  speedMmS: number,
): number => (aroundMm * (walls + (skinGapMm ? 1 : 0))) / speedMmS

/**
 * Factor on the strength between layers that take so long: `1 − 0.6·r·tanh(ln(t/15 s)/ln 4)` for the filament's half
 * range r. Quicker ones than those of data sheets are credited with nothing: pieces share a plate, and the printer slows
 * down for small layers.
 */
export const layerBond = (seconds: number, { acrossRange }: Pick<Filament, 'acrossRange'>): number =>
  1 - COOLED * acrossRange * Math.tanh(Math.max(0, Math.log(Math.max(1e-6, seconds) / USUAL_S)) / FOUR_TIMES)
