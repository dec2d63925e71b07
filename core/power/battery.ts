/**
 * A lithium-polymer pack: its open voltage over charge, and a resistance that grows as it empties, cools and
 * ages. SI
 */
import { monotoneCubic } from '../geometry'

export interface Battery {
  cells: number
  /** A·s when new. */
  charge: number
  /** Of the whole pack, half full, at 25 °C, new, Ω. */
  resistance: number
  /** Of the cells while flying, °C. */
  temperatureC: number
  /** 0 for new, 1 for one that is worn out. */
  age: number
}

/** Of a cell, V, by the share of charge that is left: a rested cell, typical of the kind. */
const LEFT = [0, 0.05, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 1]
const VOLTS = [3.3, 3.52, 3.62, 3.7, 3.74, 3.77, 3.81, 3.86, 3.93, 4.0, 4.09, 4.18]
const curve = monotoneCubic(LEFT, VOLTS)

export const openVoltage = ({ cells }: Pick<Battery, 'cells'>, left: number): number => cells * curve(left)

/** Share of charge at which a drive is said to stand, pull and fly fast: nearly full, as a launch is. */
export const FRESH = 0.95

/** Resistance of a cell times its charge, Ω·Ah: ordinary packs, on the safe side; half of it for very good ones. */
export const CELL_OHM_AH = 0.014
export const usualResistance = (cells: number, capacityMah: number): number =>
  (cells * CELL_OHM_AH) / (capacityMah / 1000)

/**
 * Twice as much at 2 °C, and the last fifth of the charge costs up to six tenths more; worn out, twice as much
 * again.
 */
const PER_KELVIN = 0.03,
  EMPTYING = 0.6,
  EMPTYING_FROM = 0.2
export function resistanceAt({ resistance, temperatureC, age }: Battery, left: number): number {
  const cold = Math.exp(PER_KELVIN * (25 - Math.max(-40, Math.min(40, temperatureC))))
  const low = Math.max(0, 1 - Math.max(0, left) / EMPTYING_FROM)
  return resistance * cold * (1 + EMPTYING * low ** 2) * (1 + age)
}

/** What can be taken out, A·s: a quarter is lost by one that is worn out, and 0.6 % for each kelvin under 25 °C. */
export const usableCharge = ({ charge, temperatureC, age }: Battery): number =>
  charge * (1 - 0.25 * age) * Math.max(0.4, 1 - 0.006 * Math.max(0, 25 - temperatureC))
