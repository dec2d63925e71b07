export { Aerofoil, MeasuredPolar } from './aerofoil'
export { Calibration, Printer, Spool, type DayHours } from './bench'
export { Body, BodyStation, Boom, Firewall, Opening, Saddle } from './body'
export { Brief } from './brief'
export { Build, type BuildNote, type BuildTick, GlueId } from './build'
export { Cuts, Joint, type Cut, type CutPart } from './cuts'
export { Duct, type DuctStation } from './duct'
export {
  Allowances,
  Equipment,
  NO_SPECS,
  RECKONED,
  USUAL_C,
  type SmallPart,
  type SmallParts,
} from './equipment'
export { Coil, Leg, PrintedWheel } from './gear'
export { Given } from './given'
export { Field, type Flown, type Look, type Pack, type PackTest } from './field'
export { Flight, TRACK_SAMPLES, type FlightSign, type Track } from './flight'
export { Check, Measured, Proof, WeighIn } from './log'
export { BREAKS, type Break, type Damage, type Way, type Wish } from './mending'
export { Pod } from './pod'
export {
  Power,
  type FanSpec,
  type FlightPart,
  type Learned,
  type MotorSpec,
  PropellerSpec,
  type StandPoint,
} from './power'
export {
  FAULTS,
  type Acceptance,
  type AsPrinted,
  type FileCheck,
  type PlatePiece,
  type PlateRecord,
  type PrintFault,
} from './print-room'
export { ProjectFile } from './project'
export { Recipe, Zone } from './recipe'
export type { Denser, PrintedSpar } from './recipe'
export type { Ribs } from './ribs'
export type { Sheet } from './sheet'
export { Spar, SurfaceName } from './spine'
export { Strut, StrutEnd } from './strut'
export { Control, Hinge, Linkage, Panel, Surface, Tail, Tip, WingSet } from './surface'
export { Winglet } from './winglet'
export { Tilt } from './tilt'
export { Tracing } from './tracing'
