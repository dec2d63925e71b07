export {
  jointEntries,
  ledgerOf,
  otherEntries,
  pieceEntry,
  sparEntries,
  WHOLE_SPREAD,
  wireEntries,
} from './mass-entries'
export { createSparReports, sparPrice } from './spar-reports'
