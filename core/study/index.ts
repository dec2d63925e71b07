export { neediest, nudges, ranked, WINGS, type Nudge } from './nudges'
export { compareDesigns, type DesignComparison, type LedgerDifference, type PieceFate } from './compare-designs'
export { filamentSwaps, type FilamentSwap } from './filament-swap'
export { boreFactor, cutsForAll, scaleDesign, sizeChoices, sizeReport, type SizeReport } from './sizes'
