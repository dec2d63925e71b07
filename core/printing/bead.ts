/** What a laid bead weighs and how full it is. */
import { beadSection, beadSpacing, type Recipe } from '../document'
import { expansionAt, type Filament } from '../libraries'

/** Kilograms laid per mm of bead: section × flow × density of the unfoamed filament. */
export const beadMassPerMm = (recipe: Recipe, filament: Filament): number =>
  beadSection(recipe) * recipe.flow * filament.density * 1e-9

/**
 * How full the bead is: expansion times flow. 1 is right; below 0.95 starved and weak, above 1.05 proud and
 * heavy to sand.
 */
export const beadFill = (recipe: Recipe, filament: Filament): number =>
  expansionAt(filament, recipe.nozzleC) * recipe.flow

/** Density of the laid plastic against solid filament; foam that is not starved keeps the flow's share. */
export const relativeDensity = (recipe: Recipe, filament: Filament): number =>
  Math.min(
    1,
    filament.expansion ? Math.max(recipe.flow, 1 / expansionAt(filament, recipe.nozzleC)) : recipe.flow,
  )

/** Wall thickness that carries load, mm: bead section over layer height, less where the bead is starved. */
export const beadThickness = (recipe: Recipe, filament: Filament): number =>
  beadSpacing(recipe) * Math.min(1, beadFill(recipe, filament))
