/** The design of another aircraft, as it was before anything of it was printed, weighed or flown. */
import { NO_FIELD, NOT_BUILT, type ProjectFile } from '../document'

/**
 * What was learned of filaments, printers and drive stays, and the pilot's own packs and rules; what happened to that
 * aircraft goes.
 */
export const asNew = (doc: ProjectFile): ProjectFile => ({
  ...doc,
  plates: [],
  accepted: [],
  asPrinted: [],
  fileChecks: [],
  build: { ...NOT_BUILT, glues: doc.build.glues, people: doc.build.people },
  proofs: [],
  weighIns: [],
  measured: { massG: null, cgMm: null, thrustG: null, dragShare: null, scales: null },
  checks: [],
  flights: [],
  tracks: [],
  field: { ...NO_FIELD, packs: doc.field.packs, rules: doc.field.rules, lookEvery: doc.field.lookEvery },
  damages: [],
  wishes: [],
})
