/** How a recipe counts the bead that it lays, and how far apart beads lie. mm. */
import type { Recipe } from './schema'

type Bead = Pick<Recipe, 'beadWidthMm' | 'layerHeightMm' | 'beadForm'>

/** Section of a bead with round sides, mm²: (w − h)·h + π·h²/4, for w ≥ h. */
export const roundedBead = (widthMm: number, heightMm: number): number =>
  (widthMm - heightMm) * heightMm + (Math.PI * heightMm ** 2) / 4

/** Section of a full bead, mm². */
export const beadSection = ({ beadWidthMm: w, layerHeightMm: h, beadForm }: Bead): number =>
  beadForm === 'rounded' ? roundedBead(w, h) : w * h

/**
 * Distance of neighbouring beads, mm, at which they fill the layer: section over height. Round sides overlap by
 * h(1 − π/4); rectangular ones stand side by side.
 */
export const beadSpacing = (bead: Bead): number => beadSection(bead) / bead.layerHeightMm

/** How deep the middle of wall i (from 1) lies, mm. */
export const wallDepth = (bead: Bead, i: number): number => bead.beadWidthMm / 2 + (i - 1) * beadSpacing(bead)

/** How deep the walls reach before what is laid inside begins, mm: half a spacing past the innermost. */
export const wallsReach = (recipe: Bead & Pick<Recipe, 'walls'>): number =>
  wallDepth(recipe, recipe.walls) + beadSpacing(recipe) / 2

/** How thick so many beads side by side stand, mm. */
export const beadsThick = (bead: Bead, count: number): number =>
  bead.beadWidthMm + (count - 1) * beadSpacing(bead)
