/** See `assessment/flight/pitch-model`: an aircraft in the vertical plane as plain data. SI, rad */
export interface PitchTables {
  mass: number
  inertia: number
  area: number
  chord: number
  span: number
  density: number
  gravity: number
  /** Where it balances, and where it would be neutral, aft of the nose, m. */
  cgX: number
  neutralX: number
  stallSpeed: number
  clMax: number
  clZero: number
  clAlpha: number
  CLq: number
  Cmq: number
  /** Incidences of the tables: from, and step. */
  alphaFrom: number
  alphaStep: number
  CL: number[]
  /** About the CG. */
  Cm: number[]
  /** Per radian, trailing edge down, and how far it goes; null without one. */
  elevator: { CL: number; Cm: number; up: number; down: number } | null
  speeds: number[]
  elevators: number[]
  /** CD by elevator, incidence and speed; its induced part by elevator and incidence. */
  drag: number[][][]
  induced: number[][]
  /** The part of CD that goes when propellers turn. */
  standingPropeller: number
  /**
   * Degrees of elevator that one of the whole tail is worth, leading edge up as trailing edge down; null
   * without one.
   */
  tailDeg: number | null
  plates: Array<{ share: number; arm: number }>
}
