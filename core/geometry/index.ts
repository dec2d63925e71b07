export {
  shapeOf,
  shapeFromPoints,
  shapeFigures,
  thicknessAt,
  meanHeight,
  meanSlope,
  nacaMeanLine,
  nacaHalfThickness,
  cosinePlace,
  SIDE_POINTS,
  type AerofoilShape,
} from './aerofoil-shape'
export { sectionOutline, type SectionOutline } from './section-outline'
export { scaleSection } from './scale-section'
export { naturalCubic } from './natural-cubic'
export { parseCoordinates, formatCoordinates } from './coordinate-file'
export {
  loftSurface,
  outlineAt,
  chordFrameAt,
  planAt,
  panelAt,
  placePoint,
  gapAt,
  trailingEdgeMm,
  toSurface,
  type SurfaceLoft,
  type SurfaceShape,
  type LoftStation,
} from './surface-loft'
export { loftDuct, shareOutside, shareTaken, type DuctLoft } from './duct'
export { loftBody, bodyOutlineAt, bodySkinAt, type BodyLoft } from './body-loft'
export { sparLine, sparLines, sparFit, boreAt, type SparLine, type SparFit } from './spar-line'
export { standingBox, hullOf, fitsBed, usableCuts, inZone, zoneOr, type StandingBox } from './pieces'
export {
  alongBody,
  isSheet,
  turnsHanded,
  type Piece,
  type PieceShape,
  type PartName,
  type Section,
} from './piece'
export {
  cutSurface,
  type SheetShape,
  bays,
  hingedControls,
  type BayReport,
  type SurfaceParts,
  type Pocketed,
} from './surface-pieces'
export { rectangle } from './feature'
export { openShell } from './joints'
export { holdsPoint, insetVertices } from './polygon'
export { holdsInSlot, shareInBody, SLOT_AIR, slotOf, slotRoot, type Slot, type SlotRoot } from './slots'
export { placesWithin, stepped } from './places-along'
export { ribHoles, ribPlaces, type RibMark, type RibShape } from './ribs'
export { reuseShapes, sameShape, type KnownShapes } from './reuse-shapes'
export { cutBody, type RecipeOf } from './body-pieces'
export {
  gapToWing,
  POD_TOUCHES,
  podPrefix,
  podStanding,
  seatAbove,
  standingBody,
  standingStations,
} from './pod'
export {
  lidOutline,
  wingBoltPlaces,
  seatLine,
  wingSeat,
  type BoomSeat,
  type CrossHole,
  type WingSeat,
} from './body-features'
export { selfCrossing } from './self-crossing'
export {
  ALL_MOVING,
  hingedControl,
  throwMm,
  HINGE_SLOTS,
  slotRoom,
  type CutControl,
  type HingedControl,
} from './control-surface'
export { PIN, TONGUE, tongueWidth, wingBolt, shellThickness } from './joints'
export { platePlan } from './body-features'
export {
  LONGEST_GIVEN,
  MOST_CROSSED,
  MOST_GIVEN_TRIANGLES,
  givenPieces,
  givenShape,
  packMesh,
  unpackMesh,
  type GivenShape,
} from './given-piece'
export { type TriangleMesh } from './triangle-mesh'
export { hollowed } from './hollowed'
export { pieceSolid, meshOf, bodyVolume, type SolidKernel } from './solid'
export { weld, measureMesh, MAX_TRIANGLES, type MeshFigures } from './mesh'
export { createCutter, mostCrossed } from './cutter'
export { contoursAt, type Contours } from './contours'
export { placedMesh } from './display-mesh'
export { webMargin, webPattern, webSwing, type WebPattern } from './web-pattern'
export { slitsAt, webLengths, type WebLengths } from './web-slits'
export { slitOutlines, webAnchor, webbedSection, websOf } from './web-cuts'
export { proposeCuts } from './propose-cuts'
export { convexHull } from './convex-hull'
export { turnedBox } from './turned-box'
export { packBoxes, type Laid, type Sides } from './pack-boxes'
export { areaMoments, polygonArea, polygonPerimeter, turnedExtent, circle } from './polygon'
export { difference, grown, intersection, union } from './polygon-boolean'
export { boxOf, boxOfAll } from './feature'
export { monotoneCubic } from './monotone-cubic'
export { acrossTheBed, chordSolids, together, type ChordSolid } from './chord-solids'
export {
  isWheelOf,
  LEAST_RIM_MM,
  rimLeftMm,
  rimProfile,
  turnedVolume,
  TYRE_STRETCH,
  tyreProfile,
  wheelForm,
  wheelPieces,
  wheelPrefix,
  wheelShapes,
  type WheelForm,
} from './wheel-pieces'
