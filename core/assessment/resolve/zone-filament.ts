/**
 * A filament as a zone's recipe and the printers at hand make it: how far it foams at the speed it is laid,
 * and how well its layers hold.
 */
import { beadSection, type PrinterOfDesign, type Recipe } from '../../document'
import type { Filament } from '../../libraries'

/**
 * Expansion curves hold for plastic that is fed at this rate, mm³/s; faster, less of the agent has time to act:
 * X − 1 goes with (1 − e^(−k·Q₀/Q)) of first-order decay in the time that the melt stays in the nozzle.
 */
const CURVE_FLOW = 4
const DECAY = 2.5

/** Share of X − 1 that is left at a rate, 1 at the curve's own. */
export const foamAtRate = (flowMm3S: number): number =>
  (1 - Math.exp((-DECAY * CURVE_FLOW) / Math.max(1e-3, flowMm3S))) / (1 - Math.exp(-DECAY))

/**
 * What a hot nozzle and a warm box are worth to the bond of layers, in half ranges of what is usual for the
 * filament: from the middle of its temperatures to an end, and from an open printer to a closed one.
 */
const HOT_NOZZLE = 0.6
const WARM_BOX = 0.4

/** What of the printers decides how a filament comes out. */
export interface Makers {
  /** The fastest, mm/s and mm³/s. */
  wallSpeedMmS: number
  flowMm3S: number
  /** The slowest, mm/s and mm³/s. */
  slowMmS: number
  slowMm3S: number
  /** All of them stand in a box. */
  boxed: boolean
}
export const makersOf = (printers: readonly PrinterOfDesign[]): Makers => ({
  wallSpeedMmS: Math.max(...printers.map(printer => printer.wallSpeedMmS)),
  flowMm3S: Math.max(...printers.map(printer => printer.flowMm3S)),
  slowMmS: Math.min(...printers.map(printer => printer.wallSpeedMmS)),
  slowMm3S: Math.min(...printers.map(printer => printer.flowMm3S)),
  boxed: printers.every(printer => printer.enclosed),
})

/**
 * The fastest of the printers decides on foam, which it lays least of; the slowest on layers, which it lays coldest.
 * `calibrated` curves are as the maker printed.
 */
export function zoneFilament(
  filament: Filament,
  recipe: Recipe,
  { wallSpeedMmS, flowMm3S, slowMmS, slowMm3S, boxed }: Makers,
  calibrated: boolean,
): Filament {
  const melts = Math.min(filament.maxFlowMm3S, flowMm3S)
  const bead = beadSection(recipe) * recipe.flow
  const rate = Math.min(melts, wallSpeedMmS * bead)
  const foam = filament.expansion && !calibrated ? foamAtRate(rate) : 1
  const [low, high] = filament.nozzleC
  const hot = Math.max(-1, Math.min(1, (2 * recipe.nozzleC - low - high) / Math.max(1, high - low)))
  const open = filament.needsEnclosure ? -1 : 0
  const bond = 1 + filament.acrossRange * (HOT_NOZZLE * hot + WARM_BOX * (boxed ? 1 : open))
  return {
    ...filament,
    acrossShare: Math.min(1, filament.acrossShare * bond),
    laidMmS: Math.min(slowMmS, Math.min(filament.maxFlowMm3S, slowMm3S) / bead),
    expansion:
      filament.expansion?.map(([celsius, x]) => [celsius, Math.max(1, 1 + (x - 1) * foam)] as const) ?? null,
  }
}
