/** Compression springs wound of round steel wire, ends closed and ground. SI. */

/** Of patented music wire: 80 to 82.7 GPa in shear, the thinner the stiffer (Shigley, table 10-5). */
const STEEL = { shearModulus: 80e9, density: 7850 }
/**
 * Tensile strength of music wire by its diameter, Pa for d in mm: 2211·d^−0.145 MPa (Shigley, table 10-4, 0.1 to 6.5 mm).
 * In shear it yields at 0.45 of that, before it has been pressed solid once.
 */
const strengthOf = (wireMm: number): number => 0.45 * 2211e6 * wireMm ** -0.145
/** A coil is wound over a core at least so many times as thick as its wire, or the formulas say nothing. */
const LEAST_INDEX = 1.5
/** Between flat ends it bows out where it is so many times as long as its coil is wide. */
export const BOWS = 5.26

export interface Coil {
  /** Diameter of the wire, and of the coil to the middle of the wire, m. */
  wire: number
  coil: number
  /** Turns that give; two more lie flat at the ends. */
  turns: number
  /** Length with nothing on it, m. */
  free: number
}

/** Coil over wire. */
export const springIndex = ({ wire, coil }: Coil): number => coil / wire

/** k = G·d⁴ / (8·D³·n), N/m. */
export const springRate = ({ wire, coil, turns }: Coil): number =>
  (STEEL.shearModulus * wire ** 4) / (8 * coil ** 3 * turns)

/** How far it goes until turn lies on turn, m; 0 where it is wound solid. */
export const springTravel = ({ wire, turns, free }: Coil): number => Math.max(0, free - wire * (turns + 2))

/**
 * Force at which the inside of the coil yields, N: τ = K·8·F·D/(π·d³) with Wahl's K = (4C − 1)/(4C − 4) + 0.615/C, which
 * counts the wire's bend and the shear across it. Below an index of 1.5 that of 1.5.
 */
export function springBears(own: Coil): number {
  const C = Math.max(LEAST_INDEX, springIndex(own))
  const wahl = (4 * C - 1) / (4 * C - 4) + 0.615 / C
  return (strengthOf(own.wire * 1000) * Math.PI * own.wire ** 3) / (8 * own.coil * wahl)
}

/** kg. */
export const springMass = ({ wire, coil, turns }: Coil): number =>
  STEEL.density * (Math.PI / 4) * wire ** 2 * Math.PI * coil * (turns + 2)
