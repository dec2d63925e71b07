export { sliceEveryLayer, type EveryLayer } from './every-layer'
export { exportPieces, piecesCsv, uniqueNames, type ExportedFile } from './export-pieces'
export { LAID_KINDS, previewGcode, type GcodePreview } from './gcode-preview'
export { readGivenParts, refuseTooLarge, refuseTooMany, type GivenPart } from './given-parts'
