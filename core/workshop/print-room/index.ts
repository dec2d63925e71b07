export { platePart, plateShapes, stand, type PlateShape } from './stand'
export { layPlates, standsAlone, type PlateLayout } from './layout'
export { checkFile, printedAsFound, wantedPieces, type FileVerdict } from './check-file'
export { hoursAfter, momentAt, planRoom, type PlannedPlate, type RoomPlan } from './plan'
export {
  brokenCopies,
  firstPieceState,
  isPrinted,
  releases,
  type FirstPiece,
  type Release,
} from './first-pieces'
export { shelfOf, spoolFor, type Shelf, type SpoolUse } from './spools'
export { FAULT_NAMES, faultRemedies, type FaultRemedy } from './faults'
export { within } from './day-hours'
export { FIGURE, scaleLine, Settling } from './scale-line'
