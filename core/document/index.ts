export * from './schema'
export { LIMITS, type LimitName } from './limits'
export { aerofoilOf, type NacaName } from './aerofoil-names'
export {
  readProject,
  checkProject,
  writeProject,
  pathText,
  DocumentError,
  MAX_PROJECT_BYTES,
  PRESENT_VERSION,
} from './read'
export { share } from './share'
export { readRecipe, writeRecipe, RecipeFile } from './recipe-file'
export { newControlNumber, newPieceNumber } from './piece-numbers'
