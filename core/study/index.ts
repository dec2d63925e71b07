export { neediest, nudges, ranked, WINGS, type Nudge } from './nudges'
export {
  compareDesigns,
  type DesignComparison,
  type LedgerDifference,
  type PieceFate,
} from './compare-designs'
export { filamentSwaps, type FilamentSwap } from './filament-swap'
export {
  boreFactor,
  cutsForAll,
  scaleDesign,
  sizeChoices,
  sizeReport,
  type SizeAsk,
  type SizeReport,
} from './sizes'
export { fittingsFor, gapsOf, type FittingGap, type Fittings } from './size-fittings'
export {
  createStudyKernel,
  study,
  type StudyKernel,
  type StudyPoint,
  type StudyProgress,
  type StudyResult,
  type StudyState,
} from './study'
export { designOf } from './design-of'
export { dimensions, MOST_COMBINATIONS, readVary, type Dimension, type Vary, type ZoneOption } from './vary'
export { dominates, Front, type Objectives } from './front'
export { chanceOfAll } from './robust'
