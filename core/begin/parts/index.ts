export { fromParts, type FromParts, type SortedPart } from './from-parts'
export { guessRole, type PartFile, type PartRole } from './sort-parts'
