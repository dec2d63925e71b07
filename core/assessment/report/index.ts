export type {
  Assessment,
  FlightFigures,
  Forecast,
  ForecastFigures,
  LedgerRow,
  PlanFigures,
  SmallPartReport,
  SparReport,
  StrutReport,
} from './assessment'
export type { Drawing, Outline } from './drawing'
export type { Finding, Station } from './finding'
export type {
  ControlReport,
  ForeplaneStall,
  HandlingReport,
  TurnInertia,
  ModeReport,
  RateReport,
  StallCase,
  StallReport,
  TrimRow,
} from './flight-report'
export type { HeatReport, LoadsReport } from './load-report'
export type { PitchTables } from './pitch-tables'
export type { PieceReport, PrinterReport } from './piece-report'
export type {
  BoomReport,
  CaseReport,
  GearReport,
  SpringReport,
  PlaceReport,
  ProofReport,
  StrengthFigures,
  TwistReport,
} from './strength-report'
export type { TiltReport } from './tilt-report'
export type { Contribution, Verdict, WingName } from './verdict'
