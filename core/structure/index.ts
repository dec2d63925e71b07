export { solveBeam, type BeamInput, type BeamResult } from './beam'
export { boomModes, boomStiffness, tailWhip, type BoomStiffness } from './boom'
export { boreBears, endForce, socketForce } from './bearing'
export { drop, forceAt, together, workTo, type Drop, type ForceLine } from './drop'
export { BOWS, springBears, springIndex, type Coil } from './coil-spring'
export {
  coilOf,
  DRAG_SHARE,
  springOf,
  legBears,
  legForce,
  legMass,
  legMoments,
  mountBears,
  PRINTED_TYRE_GIVES,
  squashMm,
} from './gear-leg'
export {
  BELLY_STROKE,
  bungeeAcceleration,
  bungeeLoadFactor,
  netDeceleration,
  sinkSpeed,
  throwAcceleration,
  tipStrike,
} from './ground-loads'
export { shearAndMoment, lineAt, type SpanPoint } from './span-loads'
export { beadOf, POISSON, printedMaterial, skinSupport, type PrintedMaterial } from './printed-skin'
export {
  combinedBuckling,
  SHELL_KNOCKDOWN,
  sandwichThickness,
  shearBucklingStress,
  skinBucklingStress,
  wrinklingStress,
} from './skin-buckling'
export { reversalPressure, rollLeft, type Flap } from './aileron-effect'
export {
  collapseUnder,
  effectiveWidth,
  outstandWidth,
  shearAfterBuckling,
  stiffnessUnder,
} from './after-buckling'
export { flatteningMoment, shearForce, shearPeak } from './spar-modes'
export { bendingStiffness, curvatures, type BendingStiffness, type ThinWalled } from './thin-walled-section'
export { shearProperties, type ShearProperties } from './shear-flow'
export { closedAt, sparsAt, stationSection, type Meeting, type StationSection } from './station-section'
export { buildCovered, filmBears, filmShear, TIGHT, type Covering } from './covered-station'
export { buildStation, type StationBuild } from './wing-station'
export { stationModes, GLUE_STRENGTH, type StationLoad, type StationStrength } from './wing-strength'
export { decide, MODE_GIVES, PLENTY, type Gives, type Modes, type StrengthMode } from './strength-modes'
export {
  divergencePressure,
  flutterSpeed,
  lowestFrequencies,
  twistUnder,
  type FlutterStrip,
  type TwistStrip,
} from './span-twist'
export { envelope, gustIncrement, type CornerId, type Envelope } from './flight-loads'
export {
  COLOURS,
  HEAT_CASES,
  SHEET_C,
  skinTemperature,
  strengthLeft,
  type Colour,
  type HeatCase,
} from './heat'
