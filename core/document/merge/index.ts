export { designParts } from './design-parts'
export { mergeCopies, partDifferences, type Copy, type PartDifference } from './merge'
