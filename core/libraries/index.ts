import { FILAMENTS, type Filament } from './filaments'
import { SCHOOLS } from './schools'
import { STOCK, type Stock } from './stock'

export type { Filament } from './filaments'
export { stockArea, stockInertia, stockLinearMass, type Stock } from './stock'
export { expansionAt, recipeById, recipeFor, type School } from './schools'

export interface Libraries { filaments: readonly Filament[], stock: readonly Stock[], schools: typeof SCHOOLS }
/** What ships with the application. */
export const LIBRARIES: Libraries = { filaments: FILAMENTS, stock: STOCK, schools: SCHOOLS }
