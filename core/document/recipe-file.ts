/** A recipe on its own, as a file: how a zone is printed, for another project or another maker. */
import { z } from 'zod'
import { recipeFromVersion1, recipeFromVersion2, recipeFromVersion3, recipeFromVersion4 } from './migrate'
import { DocumentError } from './fault'
import { parseJson } from './json'
import { pathText } from './read'
import { Recipe } from './schema/recipe'
export const RecipeFile = z.strictObject({
  format: z.literal('mariposa-recipe'),
  version: z.literal(5),
  name: z.string().min(1).max(200),
  filament: z.string().min(1).max(60),
  recipe: Recipe,
})
export type RecipeFile = z.infer<typeof RecipeFile>

export const writeRecipe = (file: Omit<RecipeFile, 'format' | 'version'>): string =>
  `${JSON.stringify({ format: 'mariposa-recipe', version: 5, ...file }, null, 2)}\n`

const STEPS = [recipeFromVersion1, recipeFromVersion2, recipeFromVersion3, recipeFromVersion4]

function broughtUp(raw: unknown): unknown {
  const loose = raw as { version?: unknown; recipe?: unknown } | null
  const version = loose?.version
  if (typeof version !== 'number' || !(version in [0, ...STEPS]) || version < 1) return raw
  const recipe = STEPS.slice(version - 1).reduce<unknown>((value, step) => step(value), loose!.recipe)
  return { ...loose, version: 5, recipe }
}

/** Throws `DocumentError` with the path and the reason. */
export function readRecipe(json: string): RecipeFile {
  const raw = parseJson(json, 'a recipe', { bytes: 100_000, values: 2000, depth: 8 })
  const parsed = RecipeFile.safeParse(broughtUp(raw))
  if (!parsed.success)
    throw new DocumentError(
      pathText(parsed.error.issues[0].path),
      parsed.error.issues[0].message.slice(0, 200),
    )
  return parsed.data
}
