export { platePart, stand } from './stand'
export { layPlates, standsAlone, type PlateLayout } from './layout'
export { checkFile, printedAsFound, wantedPieces, type FileVerdict } from './check-file'
