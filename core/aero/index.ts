export { airAt, altitudeOf } from './atmosphere'
export { factorise, solve } from './dense-solve'
export {
  layPanels,
  type LatticeControl,
  type LatticeStation,
  type LatticeSurface,
  type Panels,
} from './panels'
export { flapTheory, flapWeights } from './flap-weights'
export { factoriseLattice, circulation, influence, normalFlow, type Circulation } from './lattice'
export { circulationOf, solveFlows, type ControlSense, type SolvedFlows } from './flows'
export {
  coefficientsAt,
  controlEffect,
  derivativesAt,
  steady,
  type Coefficients,
  type Deflection,
  type Derivatives,
  type Reference,
} from './derivatives'
export { stripCirculations } from './wake'
export { slopesOf, solveLift, type LiftSolution, type StripLift } from './lift'
export { softTail, type SoftTail, type TailSpring } from './soft-tail'
export { thinSection } from './thin-section'
export { solveSection, surfaceSpeed, pressureLoads, type SectionFlow } from './section-panels'
export {
  sectionPoint,
  sectionPolar,
  bandAt,
  firstMaximum,
  BUBBLE_RANGE,
  type SectionPoint,
  type SectionPolar,
} from './section-polar'
export { sectionModel, type SectionModel } from './section-model'
export { parsePolar } from './measured-polar'
export { CARRIES, findStall, stallSpeed, TIP_FROM, type Stall } from './stall'
export { trimAt, type Trim } from './trim'
export { hingeCoefficients, servoAngle, servoTorque } from './hinge-moment'
export { damping, halfTime, handling, period, type Handling, type Mode } from './handling'
export { bodyMoment, apparentMass } from './fuselage'
export { bodyDragArea, bodyForm, ellipsePerimeter, plateFriction } from './parasite'
export { planform } from './planform'
