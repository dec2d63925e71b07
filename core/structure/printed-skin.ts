/** What the printer lays down as a structural material: how stiff and strong along the span. SI. */
import { beadSpacing, type Recipe } from '../document'
import type { Filament } from '../libraries'
import { beadFill, beadThickness, relativeDensity } from '../printing'
import { mmToM } from '../units'
import { layerBond, layerSeconds } from './layer-bond'

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
  /** Cut from a sheet: no layers, and thick for its section. */
  sheet: boolean
}

export const POISSON = 0.35
/** A bead this full is as good as a full one; at the other share beads hardly touch. */
const FULL = 0.95,
  APART = 0.5
/** What is left where beads only lie beside each other. */
const LOOSE = 0.02

/**
 * Share of strength and stiffness that a starved bead keeps, besides being thinner: beads that do not fill their
 * room touch along a part of their sides, and below a half lie loose.
 */
export const beadsTouch = (fill: number): number =>
  Math.max(LOOSE, Math.min(1, LOOSE + ((1 - LOOSE) * (fill - APART)) / (FULL - APART)))

/** Plastic shears at about this share of its tensile strength (von Mises 0.58). */
const SHEAR_SHARE = 0.58

/**
 * Foamed by Gibson & Ashby: E ∝ ρ², σ ∝ ρ^1.5. A piece that stands on its end has its layers across the span:
 * tension pulls at the bond between layers, compression presses them together and is borne as along the bead.
 * Lying flat, both run along the bead. Shear in the skin's plane slides layers over each other either way. `aroundMm`:
 * how far a layer's outer wall goes round, which says how long it takes; left out, it takes what data sheets take.
 */
export function printedMaterial(
  recipe: Recipe,
  filament: Filament,
  aroundMm: number | null = null,
): PrintedMaterial {
  const density = relativeDensity(recipe, filament)
  const touching = beadsTouch(beadFill(recipe, filament))
  const modulus = filament.modulus * density ** 2 * touching,
    strength = filament.strength * density ** 1.5 * touching
  const sheet = filament.family === 'sheet',
    across = recipe.stance === 'standing' && !sheet
  // Large sections are laid slowly, on plastic that has cooled.
  const bond =
    across && aroundMm !== null && filament.laidMmS
      ? layerBond(layerSeconds(aroundMm, recipe, filament.laidMmS), filament)
      : 1
  const acrossShare = Math.min(1, filament.acrossShare * bond)
  return {
    modulus: modulus * (across ? filament.acrossModulusShare : 1),
    shearModulus: (modulus * filament.acrossModulusShare) / (2 * (1 + POISSON)),
    // The bond between layers suffers twice: it is narrower, and gaps begin the crack.
    tension: strength * (across ? acrossShare * touching : 1),
    compression: strength,
    shear: SHEAR_SHARE * strength * acrossShare * touching,
    across,
    sheet,
  }
}

/** Beads of a wall side by side: the outer ones, and those of a second skin. m. */
export const beadOf = (recipe: Recipe, filament: Filament): number => mmToM(beadThickness(recipe, filament))

/** A skin that nothing holds from behind buckles over about this share of the chord. */
const UNHELD = 0.6

const diamond = (leanDeg: number): number => {
  const lean = (leanDeg * Math.PI) / 180
  return Math.cos(lean) + Math.sin(lean)
}

/** Distance between whatever holds the skin from behind, m. */
export function skinSupport(recipe: Recipe, chord: number): number {
  // Upright webs hold it every pitch; leaning ones, which touch where they turn, on diamonds of 2·pitch: p·√2 at 45°.
  const webs = recipe.lattice ? mmToM(recipe.lattice.pitchMm) * diamond(recipe.lattice.leanDeg) : Infinity
  // Lines of infill in two directions lie two spacings over f apart.
  const lines = recipe.infillShare > 0 ? mmToM((2 * beadSpacing(recipe)) / recipe.infillShare) : Infinity
  return Math.min(webs, lines, UNHELD * chord)
}
