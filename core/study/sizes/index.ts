export { type FittingGap, type Fittings, fittingsFor, gapsOf } from './size-fittings'
export {
  boreFactor,
  cutsForAll,
  scaleDesign,
  type SizeAsk,
  sizeChoices,
  sizeReport,
  type SizeReport,
} from './sizes'
