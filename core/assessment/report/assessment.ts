/**
 * What comes out of `assess`: plain data in the units people read (mm, g, °, h), ready to send across a
 * worker.
 */
import type { SmallPart } from '../../document'
import type { Words } from '../../units'
import type { ControlReport, HandlingReport, RateReport, StallReport, TrimRow } from './flight-report'
import type { StrengthFigures } from './strength-report'
import type { LoadsReport } from './load-report'
import type { Drawing } from './drawing'
import type { Finding } from './finding'
import type { PieceReport, PrinterReport } from './piece-report'
import type { TiltReport } from './tilt-report'
import type { WingName, Verdict } from './verdict'

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

/** What everybody forgets to weigh, one row a kind. */
export interface SmallPartReport {
  part: SmallPart
  name: string
  reckonedG: number
  /** What counts: the maker's figure, or what is reckoned. */
  massG: number
  confirmed: boolean
  /** What the figure is reckoned from. */
  from: Words
}

export interface ForecastFigures {
  massG: number
  massSigmaG: number
  cgMm: number
  cgSigmaMm: number
  /** Chances that the flying weight is met, and that it balances in the band, payload in and out. */
  chanceWeight: number
  chanceBalance: number
}

/** What it will weigh, learned from what has been weighed. */
export interface Forecast extends ForecastFigures {
  /** Grams that are still to come, and the factor by which they would have to differ for the target to be met. */
  restG: number
  restFactor: number | null
  /** What is known now of every filament, printer and recipe, % heavier than predicted. */
  offsets: Array<{
    cause: 'filament' | 'printer' | 'recipe'
    name: string
    percent: number
    sigmaPercent: number
  }>
  /** Weighed pieces by how far, in standard deviations, they are off what the others say. */
  surprises: Array<{ piece: string; z: number }>
  /** Before the first weighing, and after each. */
  stages: Array<ForecastFigures & { piece: string | null }>
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
  /** Yawing moment of full rudder for each Pa of dynamic pressure, m³; 0 without one. */
  rudderYawM3: number
  stallMs: number
  clMax: number
  stallPlaceShare: number
  tipMarginDeg: number
  density: number
  spanEfficiency: number
  /** Pairs of surfaces that are neither joined nor clear of each other: names. */
  between: Array<[string, string]>
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

export interface StrutReport {
  id: string
  name: string
  stock: string
  /** A pair is two. */
  pieces: number
  /** From end to end, mm; mass and price of all of them. */
  lengthMm: number
  massG: number
  price: number
}

export interface Assessment {
  verdicts: Record<WingName, Verdict>
  findings: Finding[]
  pieces: PieceReport[]
  ledger: LedgerRow[]
  smallParts: SmallPartReport[]
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
    weighedCount: number
  }
  forecast: Forecast
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
  struts: StrutReport[]
  printers: PrinterReport[]
  /** Null where no motor turns up. */
  tilt: TiltReport | null
  drawing: Drawing
}
