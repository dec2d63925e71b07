export { fromParts, type FromParts } from './from-parts'
export { guessRole, type PartFile, type PartRole, type SortedPart } from './sort-parts'
