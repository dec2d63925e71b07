/**
 * Brushless outrunners and speed controllers in the sizes of small electric models. Made up, but typical in
 * mass, resistance and no-load current for their size and winding.
 */
import type { MotorSpec } from '../document'

export interface MotorOnShelf extends MotorSpec {
  id: string
  name: string
  massG: number
  /** Length, diameter, diameter, mm. */
  sizeMm: readonly [number, number, number]
  price: number
}

const motor = (
  size: string,
  rpmPerVolt: number,
  resistanceOhm: number,
  noLoadA: number,
  maxA: number,
  massG: number,
  [length, diameter]: [number, number],
  price: number,
): MotorOnShelf => ({
  id: `motor-${size}-${rpmPerVolt}`,
  name: `Motor ${size}, ${rpmPerVolt} rpm/V`,
  rpmPerVolt,
  resistanceOhm,
  noLoadA,
  maxA,
  massG,
  sizeMm: [length, diameter, diameter],
  price,
})

export const MOTORS: readonly MotorOnShelf[] = [
  motor('1404', 2800, 0.16, 0.4, 9, 10, [17, 18], 11),
  motor('1806', 2300, 0.11, 0.55, 14, 20, [24, 23], 12),
  motor('1806', 1400, 0.24, 0.35, 9, 20, [24, 23], 12),
  motor('2205', 2300, 0.075, 0.8, 22, 28, [30, 28], 13),
  motor('2208', 1450, 0.11, 0.6, 15, 39, [27, 28], 14),
  motor('2212', 1000, 0.09, 0.6, 16, 56, [30, 28], 15),
  motor('2212', 1400, 0.065, 0.9, 20, 56, [30, 28], 15),
  motor('2216', 900, 0.08, 0.7, 22, 72, [34, 28], 18),
  motor('2814', 1000, 0.045, 1.2, 32, 105, [37, 35], 24),
  motor('2836', 750, 0.06, 1, 28, 120, [40, 36], 26),
  motor('2040', 3900, 0.04, 1.6, 35, 68, [40, 22], 24),
]

export interface ControllerOnShelf {
  id: string
  name: string
  limitA: number
  resistanceOhm: number
  massG: number
  sizeMm: readonly [number, number, number]
  price: number
}

const controller = (
  limitA: number,
  resistanceOhm: number,
  massG: number,
  sizeMm: [number, number, number],
  price: number,
): ControllerOnShelf => ({
  id: `controller-${limitA}`,
  name: `Speed controller ${limitA} A`,
  limitA,
  resistanceOhm,
  massG,
  sizeMm,
  price,
})

export const CONTROLLERS: readonly ControllerOnShelf[] = [
  controller(12, 0.012, 9, [28, 16, 7], 9),
  controller(20, 0.008, 14, [38, 18, 8], 11),
  controller(30, 0.006, 27, [48, 24, 9], 13),
  controller(40, 0.0045, 34, [56, 25, 10], 17),
  controller(60, 0.003, 52, [66, 30, 13], 28),
]
