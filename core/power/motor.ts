/** A brushless motor behind its controller, in three figures: speed constant, resistance, current at no load. SI */

export interface Motor {
  /** rad/s per volt. */
  kv: number
  resistance: number
  /** A, taken as the same at every speed. */
  noLoad: number
}

/** Of the controller when fully open, Ω; chopping the current costs up to as much again towards no throttle. */
export const controllerResistance = (resistance: number, throttle: number): number =>
  resistance * (2 - throttle)

export const torqueOf = ({ kv, noLoad }: Motor, current: number): number => (current - noLoad) / kv
export const currentFor = ({ kv, noLoad }: Motor, torque: number): number => torque * kv + noLoad

/** Where efficiency is greatest at a voltage, A: √(I₀ V/R). */
export const bestCurrent = ({ resistance, noLoad }: Motor, volts: number): number =>
  Math.sqrt((noLoad * volts) / Math.max(1e-9, resistance))
