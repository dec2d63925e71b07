export { flatParts, type FlatPart } from './flat-parts'
export { flatSheets, markAt, placedLoops, type FlatSheets, type PlacedPart } from './sheets'
export { sheetDxf, sheetSvg } from './outline-files'
