/**
 * What comes out of `assess`: plain data in the units people read (mm, g, °, h), ready to send across a
 * worker.
 */
import type { Joint } from '../document'
import type { ControlReport, HandlingReport, RateReport, StallReport, TrimRow } from './flight-types'
import type { BeadLengths } from '../printing'
import type { StrengthFigures } from './structure-types'
import type { LoadsReport } from './load-types'

export type WingName = 'weight' | 'balance' | 'strength' | 'hours'

export interface Contribution {
  name: string
  value: number
  unit: string
  note?: string
}

export interface Verdict {
  wing: WingName
  label: string
  value: number
  unit: string
  digits: number
  /** In words with units, such as `≤ 850 g` or `6–14 %`. */
  targetText: string
  /** Positive when the target is met, in `unit`. */
  margin: number
  /** One standard deviation of `value`. */
  spread: number
  /** 0 hopeless, 1 target just met; how far the wing on screen fills. */
  fill: number
  state: 'good' | 'tight' | 'failing'
  contributions: Contribution[]
  reason: string
}

export interface Finding {
  code: string
  severity: 'stop' | 'warn' | 'note'
  where: string
  value: number
  limit: number
  unit: string
  text: string
  remedy: string
}

export interface PieceReport {
  id: string
  name: string
  mark: string
  part: string
  kind: string
  side: string
  zone: string
  zoneName: string
  filament: string
  filamentName: string
  recipe: string
  predictedG: number
  weighedG: number | null
  /** A weighing of an earlier design of this piece, not counted. */
  outdatedG: number | null
  /** Weighed where known, else predicted. */
  massG: number
  hours: number
  /** The same without the plate's overhead. */
  machineHours: number
  cost: number
  printer: string | null
  printerName: string
  layers: number
  lengthMm: number
  boxMm: [number, number, number]
  turnDeg: number
  fits: boolean
  fromMm: number
  toMm: number
  centreMm: [number, number, number]
  /** Printed mass per outside area, g/dm². */
  areaMassGdm2: number
  /** Pushed through the nozzle, brim and all. */
  filamentG: number
  beadsMm: BeadLengths
  /** Laid beyond 45° of the layer below, and the longest stretch to be bridged. */
  overhangMm2: number
  bridgeMm: number
  joints: { foot: Joint | null; head: Joint | null }
  /** Height over the narrower side of its foot, brim counted. */
  slender: number
  brimMm: number
}

export interface LedgerRow {
  id: string
  name: string
  group: string
  source: string
  massG: number
  sigmaG: number
  xMm: number
  yMm: number
  zMm: number
  drops: boolean
}

export interface PlanFigures {
  areaDm2: number
  spanMm: number
  macMm: number
  macLeadMm: number
  macSpanMm: number
  aspectRatio: number
  loadingGdm2: number
  cubicLoading: number
  tailVolume: number | null
  finVolume: number | null
}

export interface FlightFigures {
  clAlphaPerRad: number
  neutralPointMm: number
  bodyShiftMm: number
  staticMarginPct: number
  staticMarginEmptyPct: number
  cgRangeMm: [number, number]
  cgAimMm: number
  /** How well the neutral point itself is known, one standard deviation. */
  neutralPointSigmaMm: number
  /** Where the CG goes, with payload, when batteries slide from end to end of their bays. */
  cgReachMm: [number, number]
  /**
   * Chance that it balances in the band with payload in and out: as it stands, and with batteries where they
   * must be in their bays.
   */
  balanceChance: number
  balanceChanceSliding: number
  bestGlide: number
  stallMs: number
  clMax: number
  stallPlaceShare: number
  tipMarginDeg: number
  density: number
  spanEfficiency: number
  panels: number
}

export interface SparReport {
  id: string
  name: string
  surface: string
  massG: number
  price: number
  pieceMm: number
  /** Longest that the stock comes in. */ stockMm: number
  pieces: number
  gramsPerM: number
  stock: string
  fits: Array<{ s: number; above: number; below: number }>
  worstMm: number
  worstAt: number
  fromMm: number
  toMm: number
}

export interface PrinterReport {
  id: string
  name: string
  hours: number
  pieces: number
}

export interface Assessment {
  verdicts: Record<WingName, Verdict>
  findings: Finding[]
  pieces: PieceReport[]
  ledger: LedgerRow[]
  totals: {
    massG: number
    emptyMassG: number
    printedG: number
    massSpreadG: number
    cgMm: [number, number, number]
    cgEmptyMm: [number, number, number]
    cgSpreadMm: number
    massCgCorrelation: number
    hours: number
    finishHours: number
    filamentG: number
    cost: number
    forecastMassG: number
    forecastCgMm: number
    weighedCount: number
  }
  plan: PlanFigures
  flight: FlightFigures
  stall: StallReport
  trim: TrimRow[]
  /** Turn of the tailplane that lets it cruise without elevator, °. */
  tailIncidenceDeg: number | null
  handling: HandlingReport
  controls: ControlReport[]
  rates: RateReport[]
  loads: LoadsReport
  strength: StrengthFigures
  spars: SparReport[]
  printers: PrinterReport[]
  drawing: Drawing
}

export interface Outline {
  id: string
  part: string
  points: number[]
}
/** Outlines to scale, mm: plan in (x, y), side in (x, z), front in (y, z). */
export interface Drawing {
  plan: Outline[]
  side: Outline[]
  front: Outline[]
  spars: Array<{ id: string; plan: number[]; side: number[]; front: number[]; widthMm: number }>
  /** Landing-gear legs from mount to axle, aircraft axes. */
  legs: Array<{
    id: string
    mount: [number, number, number]
    axle: [number, number, number]
    widthMm: number
    wheelMm: number
  }>
  boom: { plan: number[]; side: number[]; widthMm: number } | null
  box: { minX: number; maxX: number; minY: number; maxY: number; minZ: number; maxZ: number }
}
