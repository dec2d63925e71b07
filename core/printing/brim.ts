/** Loops laid side by side round the foot of a piece, in its first layer. mm. */
import type { Recipe } from '../document'
import { grown, polygonArea, polygonPerimeter, type Section } from '../geometry'

const loopsOf = (recipe: Recipe): number => Math.floor(recipe.brimMm / recipe.beadWidthMm + 1e-9)

/**
 * Length of the brim round a foot without slits: loop i is longer than its outline by 2π(i − ½)w, as long as the
 * outline is nowhere hollowed out more sharply than the loop lies away from it.
 */
export function brimLength(foot: Section | null, recipe: Recipe): number {
  const count = loopsOf(recipe)
  if (!foot || count === 0) return 0
  return foot
    .filter(loop => polygonArea(loop).area > 0)
    .reduce(
      (sum, loop) => sum + count * polygonPerimeter(loop) + Math.PI * count * count * recipe.beadWidthMm,
      0,
    )
}

/** The loops themselves, from the outside in, round any foot: slits of webs close, neighbours flow together. */
export function brimLoops(foot: Section, recipe: Recipe): Float64Array[] {
  const count = loopsOf(recipe)
  return Array.from({ length: count }, (_, i) => (count - i - 0.5) * recipe.beadWidthMm).flatMap(away =>
    // Outside alone: a brim within the piece could not be peeled off.
    grown(foot, away).filter(loop => polygonArea(loop).area > 0),
  )
}
