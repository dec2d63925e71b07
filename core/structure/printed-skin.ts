/** What the printer lays down as a structural material: how stiff and strong along the span. SI. */
import type { Recipe } from '../document'
import type { Filament } from '../libraries'
import { beadThickness, relativeDensity } from '../printing'
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
 * Foamed by Gibson & Ashby: E ∝ ρ², σ ∝ ρ^1.5. A piece that stands on its end has its layers across the span:
 * tension pulls
 * at the bond between layers, compression presses them together and is borne as along the bead. Lying flat,
 * both run along the
 * bead. Shear in the skin's plane slides layers over each other either way.
 */
export function printedMaterial(recipe: Recipe, filament: Filament): PrintedMaterial {
  const density = relativeDensity(recipe, filament)
  const modulus = filament.modulus * density ** 2,
    strength = filament.strength * density ** 1.5
  const across = recipe.stance === 'standing'
  return {
    modulus: modulus * (across ? filament.acrossModulusShare : 1),
    shearModulus: (modulus * filament.acrossModulusShare) / (2 * (1 + POISSON)),
    tension: strength * (across ? filament.acrossShare : 1),
    compression: strength,
    shear: SHEAR_SHARE * strength * filament.acrossShare,
    across,
  }
}

/** Beads of a wall side by side: the outer ones, and those of a second skin. m. */
export const beadOf = (recipe: Recipe, filament: Filament): number => mmToM(beadThickness(recipe, filament))

/** Distance between whatever holds the skin from behind, m. */
export function skinSupport(recipe: Recipe, chord: number): number {
  if (recipe.lattice) return mmToM(recipe.lattice.pitchMm * Math.SQRT2)
  if (recipe.infillShare > 0.005) {
    // Lines of infill in two directions, a bead wide, lie 2w/f apart.
    return Math.min(chord, mmToM((2 * recipe.beadWidthMm) / recipe.infillShare))
  }
  return chord * 0.6
}
