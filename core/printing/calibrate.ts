/**
 * Foaming filament calibrated on one test piece: its mass and wall thickness give the expansion at that
 * temperature.
 */

export interface TestPiece {
  /** What the scale said, g; and what the same piece weighs at flow 1 without foaming, g. */
  massG: number
  solidMassG: number
  /** Wall measured with a caliper, and the bead width that was set, mm. */
  wallMm: number
  beadWidthMm: number
  /** Flow that was set. */
  flow: number
}
export interface Calibration {
  expansion: number
  flow: number
  fill: number
  massShare: number
}

/**
 * Plastic laid is massG/solidMassG of a solid bead; the wall stands wallMm/beadWidthMm as wide as the bead
 * was meant. Expansion is volume over plastic: X = (wall/bead)/(mass/solid). `flow` is what fills the bead,
 * 1/X; `fill` is how full it was; `massShare` against the flow that was set says whether the extruder pushes
 * what it is told.
 */
export function calibrate({ massG, solidMassG, wallMm, beadWidthMm, flow }: TestPiece): Calibration {
  const massShare = massG / solidMassG
  const fill = wallMm / beadWidthMm
  const expansion = fill / massShare
  // An extruder that pushes more than it is told is told less.
  return { expansion, fill, massShare, flow: (1 / expansion) * (flow / massShare) }
}

/**
 * A test tube open at both ends: one bead round, mass in grams of unfoamed plastic at flow 1. Diameter is to
 * the bead's middle.
 */
export const tubeMassG = (
  diameterMm: number,
  heightMm: number,
  beadAreaMm2: number,
  layerHeightMm: number,
  density: number,
): number => Math.PI * diameterMm * (heightMm / layerHeightMm) * beadAreaMm2 * density * 1e-6
