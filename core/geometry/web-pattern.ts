/**
 * Webs of one unbroken bead: slits cut from a skin nearly through to the other, so that whatever slices the solid
 * lays skin, webs and the walls round bores as one closed loop. The nozzle runs out along a slit and back beside
 * itself; the blind end fuses to the bead of the far skin. mm, in the section's plane, and u along the piece.
 *
 * Lanes lie a pitch apart, from the main bore outwards, and open in turn through the upper and the lower skin. In
 * its lane a web leans to and fro as the piece grows, its neighbours the other way, so that they touch bead to bead
 * where they turn: diamonds from above, and still one loop. Every hole hangs on a slit through the nearest plastic
 * below it, and is held from above by a blind one.
 */
import { beadsThick, type Recipe } from '../document'

/** Slits of a recipe: none where it has no webs, or lies on its side. */
export function webPattern(recipe: Recipe): WebPattern | null {
  if (!recipe.lattice || recipe.stance === 'flat') return null
  return { ...recipe.lattice, thickMm: beadsThick(recipe, recipe.walls) }
}

export interface WebPattern {
  /** Distance of neighbouring lanes. */
  pitchMm: number
  slitMm: number
  /** By how much the bead at a slit's blind end overlaps what it ends against. */
  overlapMm: number
  /** From upright, along the chord. */
  leanDeg: number
  /** How thick the beads on one side of a slit stand. */
  thickMm: number
}

/** Plastic that stays between a slit and whatever lies beside it: beads of both, less the overlap. */
export const webMargin = ({ thickMm, overlapMm }: WebPattern): number =>
  Math.max(1.05 * thickMm, 2 * thickMm - overlapMm)

/** Slit to slit, or to a bore's slit, middle to middle. */
export const clearance = (pattern: WebPattern): number => pattern.slitMm + webMargin(pattern)

/** How far a web wanders to either side of its lane's middle. */
export const webSwing = (pattern: WebPattern): number =>
  pattern.leanDeg > 0 ? Math.max(0, (pattern.pitchMm - clearance(pattern)) / 2) : 0

/** Height over which a web goes to and fro once. */
export const webPeriod = (pattern: WebPattern): number =>
  (4 * webSwing(pattern)) / Math.tan((pattern.leanDeg * Math.PI) / 180)

/** Heights at which slits are placed; what runs straight over several is one prism in the end. */
export const STEP = 1

/** How far a web goes from one height that is looked at to the next. */
export const wanderOf = (pattern: WebPattern): number =>
  webSwing(pattern) > 0 ? STEP * Math.tan((pattern.leanDeg * Math.PI) / 180) : 0
