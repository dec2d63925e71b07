export {
  jointEntries,
  ledgerOf,
  otherEntries,
  pieceEntry,
  sparEntries,
  WHOLE_SPREAD,
  wireEntries,
} from './mass-entries'
export { coveredStretches, LAPS, type Covered } from './film'
export { forecastOf } from './forecast'
export { reportSmallParts } from './small-parts'
export { createSparReports, sparPrice } from './spar-reports'
