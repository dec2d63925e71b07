export {
  compareDesigns,
  type DesignComparison,
  type LedgerDifference,
  type PieceFate,
} from './compare-designs'
export { type FilamentSwap, filamentSwaps } from './filament-swap'
