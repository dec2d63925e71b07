/** How thick the skin of a printed section is, standing on its end or lying on its side. mm */
import { beadSpacing, type Recipe } from '../document'
import type { InsetField } from './inset-field'

/**
 * Thickness at an edge, for beads that fill `bead` mm each. Standing, walls run round the section. Lying,
 * layers are level cuts: walls reach `walls·bead` in from the outline measured level, so |n_x| of it across the skin,
 * and base or top layers fill what lies within `count·h` of the open, so `count·h·|n_y|`. Both begin at the skin: the
 * deeper one counts, not their sum. Never more than there is room for.
 */
export function skinThicknessMm(field: InsetField, recipe: Recipe, bead: number): (edge: number) => number {
  if (recipe.stance === 'standing') return e => Math.min(recipe.walls * bead, field.depth[e])
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
