/** What of a recipe depends on where along the chord a place lies: denser nose and rear, and a printed spar. mm. */
import { beadSpacing, wallDepth, wallsReach } from './bead'
import type { Denser, PrintedSpar, Recipe } from './schema'

/**
 * A chord that shares of it are taken along: which way is aft in the section's axes, how far that way its nose lies,
 * and its length.
 */
export interface ChordFrame {
  aft: readonly [x: number, y: number]
  lead: number
  chord: number
}

/**
 * Whether what is set along the chord can be laid: a slicing program takes it from solids laid over a standing piece,
 * and has nowhere to put it in a spiral, beside webs or between two skins.
 */
export const laysAlongChord = (
  recipe: Pick<Recipe, 'spiral' | 'lattice' | 'skinGapMm' | 'stance'>,
): boolean => !recipe.spiral && !recipe.lattice && !recipe.skinGapMm && recipe.stance === 'standing'

export const denserOf = (recipe: Recipe): Denser | null => (laysAlongChord(recipe) ? recipe.denser : null)
export const printedSparOf = (recipe: Recipe): PrintedSpar | null =>
  laysAlongChord(recipe) ? recipe.printedSpar : null

/** Stretches of what is aft, from and to, in which a section has more walls: the nose, and the rear. */
export function denserSpans({ noseTo, rearFrom }: Denser, { lead, chord }: ChordFrame) {
  const from = Math.max(noseTo, rearFrom)
  return [
    [lead, lead + noseTo * chord],
    [lead + from * chord, lead + chord],
  ] as const
}

/** From and to, aft. */
export const printedSparSpan = (
  { atShare, widthMm }: PrintedSpar,
  { lead, chord }: ChordFrame,
): readonly [number, number] => [lead + atShare * chord - widthMm / 2, lead + atShare * chord + widthMm / 2]

/** Walls that a recipe lays at most anywhere. */
export const mostWalls = (recipe: Recipe): number => recipe.walls + (denserOf(recipe)?.walls ?? 0)

/** How deep its walls reach at most, mm. */
export const mostWallsReach = (recipe: Recipe): number =>
  denserOf(recipe) ? wallDepth(recipe, mostWalls(recipe)) + beadSpacing(recipe) / 2 : wallsReach(recipe)
