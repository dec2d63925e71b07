/** What the printer lays down as a structural material: how thick the skin is at each edge, and how stiff and strong along the span. SI. */
import type { Recipe } from '../document'
import type { Filament } from '../libraries'
import { beadThickness, relativeDensity, type InsetField } from '../printing'
import { mmToM } from '../units'

export interface PrintedMaterial {
  /** Young's modulus along the span, and shear modulus in the skin's plane, Pa. */
  modulus: number
  shearModulus: number
  /** Along the span in tension, in compression, and in shear in the skin's plane, Pa. */
  tension: number
  compression: number
  shear: number
  /** Layers cross the span, so that tension pulls them apart. */
  across: boolean
}

export const POISSON = 0.35
/** Plastic shears at about this share of its tensile strength (von Mises 0.58). */
const SHEAR_SHARE = 0.58

/**
 * Foamed by Gibson & Ashby: E ∝ ρ², σ ∝ ρ^1.5. A piece that stands on its end has its layers across the span: tension pulls
 * at the bond between layers, compression presses them together and is borne as along the bead. Lying flat, both run along the
 * bead. Shear in the skin's plane slides layers over each other either way.
 */
export function printedMaterial(recipe: Recipe, filament: Filament): PrintedMaterial {
  const density = relativeDensity(recipe, filament)
  const modulus = filament.modulus * density ** 2, strength = filament.strength * density ** 1.5
  const across = recipe.stance === 'standing'
  return {
    modulus: modulus * (across ? filament.acrossModulusShare : 1), shearModulus: (modulus * filament.acrossModulusShare) / (2 * (1 + POISSON)),
    tension: strength * (across ? filament.acrossShare : 1), compression: strength, shear: SHEAR_SHARE * strength * filament.acrossShare, across,
  }
}

/** Beads of a wall side by side: the outer ones, and those of a second skin. m. */
export const beadOf = (recipe: Recipe, filament: Filament): number => mmToM(beadThickness(recipe, filament))

/**
 * Thickness of the outer skin at an edge, m. Standing, walls run round the section. Flat, the layers are horizontal cuts: walls
 * give `walls·w` measured level, so `|n_x|` of it across the skin, and base or top layers `count·h·|n_y|`. Never more than there is room for.
 */
export function skinThickness(field: InsetField, recipe: Recipe, bead: number): (edge: number) => number {
  const room = (e: number) => mmToM(field.depth[e])
  if (recipe.stance === 'standing') return e => Math.min(recipe.walls * bead, room(e))
  const layer = mmToM(recipe.layerHeightMm) * Math.min(1, bead / mmToM(recipe.beadWidthMm) + 0.1)
  // Inward normals: a skin seen from below has its normal pointing up.
  return e => Math.min(recipe.walls * bead * Math.abs(field.normalX[e]) + (field.normalY[e] < 0 ? recipe.topLayers : recipe.baseLayers) * layer * Math.abs(field.normalY[e]), room(e))
}

/** Distance between whatever holds the skin from behind, m. */
export function skinSupport(recipe: Recipe, chord: number): number {
  if (recipe.lattice) return mmToM(recipe.lattice.pitchMm * Math.SQRT2)
  if (recipe.infillShare > 0.005) {
    // Lines of infill in two directions, a bead wide, lie 2w/f apart.
    return Math.min(chord, mmToM((2 * recipe.beadWidthMm) / recipe.infillShare))
  }
  return chord * 0.6
}
