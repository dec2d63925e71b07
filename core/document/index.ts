export * from './schema'
export { LIMITS, type LimitName } from './limits'
export { aerofoilOf, plateName, type SectionName } from './aerofoil-names'
export { readProject, checkProject, writeProject, pathText, MAX_PROJECT_BYTES, PRESENT_VERSION } from './read'
export { DocumentError } from './fault'
export { parseJson, type JsonLimits } from './json'
export { LEAST_THICKNESS, outlineFault } from './outline'
export type { Denser, PrintedSpar } from './schema'
export {
  denserOf,
  denserSpans,
  laysAlongChord,
  mostWalls,
  mostWallsReach,
  printedSparOf,
  printedSparSpan,
  type ChordFrame,
} from './along-chord'
export { beadSection, beadSpacing, beadsThick, roundedBead, wallDepth, wallsReach } from './bead'
export { NO_FIELD, NOT_BUILT, PRINTER_DEFAULTS, USUAL_POWER } from './migrate'
export { designOf, type Design, type PrinterOfDesign } from './design'
export { share } from './share'
export { canonical, fingerprint } from './fingerprint'
export { designParts, mergeCopies, partDifferences, type Copy, type PartDifference } from './merge'
export { readRecipe, writeRecipe, RecipeFile } from './recipe-file'
export { held, pairOf, printedAs, recipeOf, ribRecipe, sheetRecipe } from './as-printed'
export {
  allControls,
  carriesLift,
  controlsOf,
  flatTails,
  presentSurfaces,
  secondStands,
  SURFACE_NAMES,
  surfaceOf,
  tailInSlots,
  type Surfaced,
} from './surfaces-of'
export { newControlNumber, newPieceNumber } from './piece-numbers'
