/** How thick the skin of a printed section is, standing on its end or lying on its side. mm */
import { beadSpacing, wallDepth, type Recipe } from '../document'
import { denserEdges } from './along-chord'
import type { InsetField } from './inset-field'

/**
 * Thickness at an edge, for beads that fill `bead` mm each. Standing, walls run round the section. Lying,
 * layers are level cuts: walls reach `walls·bead` in from the outline measured level, so |n_x| of it across the skin,
 * and base or top layers fill what lies within `count·h` of the open, so `count·h·|n_y|`. Both begin at the skin: the
 * deeper one counts, not their sum. Never more than there is room for.
 */
export function skinThicknessMm(field: InsetField, recipe: Recipe, bead: number): (edge: number) => number {
  if (recipe.stance === 'standing') {
    const walls = wallsAsked(field, recipe)
    return e => Math.min(walls(e) * bead, field.depth[e])
  }
  const layer = recipe.layerHeightMm * Math.min(1, bead / beadSpacing(recipe))
  // Inward normals: a skin on top has its normal pointing down.
  return e =>
    Math.min(
      Math.max(
        recipe.walls * bead * Math.abs(field.normalX[e]),
        (field.normalY[e] < 0 ? recipe.topLayers : recipe.baseLayers) * layer * Math.abs(field.normalY[e]),
      ),
      field.depth[e],
    )
}

/** Walls of a standing piece at an edge, where there is room for them: in part where an edge lies in part in more. */
export function wallsAsked(field: InsetField, recipe: Recipe): (edge: number) => number {
  const more = denserEdges(field, recipe)
  return more
    ? e => recipe.walls + more.walls * more.share(e, wallDepth(recipe, recipe.walls + 1))
    : () => recipe.walls
}
