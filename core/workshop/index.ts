export { compareSchools, withZone, type SchoolFigures } from './compare-schools'
export {
  admissible,
  apply as applyRemedy,
  balanceRemedies,
  batterySlide,
  harm,
  hoursAnew,
  HOUR_IN_GRAMS,
  type Change,
  type Remedy,
} from './remedies'
export { larger as largerStock, smaller as smallerStock } from './strengthen/steps'
export { readiness, THRUST_SHARE, type ReadinessItem } from './readiness'
export { proportions, type Proportion } from './proportions'
export { proposeAllCuts } from './proposals'
export { controlThrows, hingeLines, type Throw } from './throws'
export { sliceEveryLayer, type EveryLayer } from './every-layer'
export { exportPieces, piecesCsv, type ExportedFile } from './export-pieces'
export { readGivenParts, MAX_PART_BYTES, type GivenPart } from './given-parts'
export { previewGcode, type GcodePreview } from './gcode-preview'
export { fromTwoScales, PLACE_SIGMA_MM, SCALE_SIGMA_G, type ScaleReading } from './two-scales'
export { presentWing, swapWingSet, wingSetFigures, withWingSet, type WingSetFigures } from './wing-sets'
export { balanceTemplates, flatSolid, type FlatPart, type Templates } from './balance-templates'
export { sectionReport, type InSection, type PolarCurve, type SectionReport } from './section-report'
export { movedBalance, type MovedBalance } from './moved-balance'
export { costOf, mend, stops, type Mending, type Strengthening } from './strengthen/mend'
export { weaknesses, type Weakness } from './strengthen/weakness'
export { sparChoices, type SparChoice } from './strengthen/spar-choices'
export { cuttingPlan, KERF_MM, type CuttingPlan } from './cutting-plan'
export { inspectionList, type InspectionItem } from './inspection'
export { suggestProof } from './proof-plan'
