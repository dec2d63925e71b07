export {
  jointEntries,
  ledgerOf,
  otherEntries,
  pieceEntry,
  sparEntries,
  WHOLE_SPREAD,
  wireEntries,
} from './mass-entries'
export { forecastOf } from './forecast'
export { reportSmallParts } from './small-parts'
export { strutReports } from './strut-reports'
export { createSparReports, sparPrice } from './spar-reports'
