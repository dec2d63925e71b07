/**
 * The one front door: a document goes in, an assessment comes out. An assessor remembers its stages, so an
 * edit recomputes what depends on it; documents must be immutable and share structure (see `share`).
 */
import type { ProjectFile } from './document'
import { LIBRARIES, stockLinearMass, type Libraries } from './libraries'
import { massSpread, sumMass, type MassEntry } from './mass'
import { memoise } from './memo'
import { kgM2ToGDm2, kgToG, m2ToDm2, mmToM, mToMm } from './units'
import { createResolver, type Airframe, type Designed, createDrawing } from './assessment/resolve'
import {
  findProblems,
  powerProblems,
  balanceVerdict,
  hoursVerdict,
  SPREAD_OF,
  strengthVerdict,
  tiltProblems,
  verdictFindings,
  weightVerdict,
} from './assessment/findings'
import { createFlown, type Flown, planOf, type SolvedFlight } from './assessment/flight'
import { forecastOf, ledgerOf, createSparReports, reportSmallParts, strutReports } from './assessment/ledger'
import { tiltOf } from './assessment/power'
import { loadsOf, heatOf, createStrength } from './assessment/strength'
import { travelProblems } from './assessment/travel'
import { createPrinting, reportPieces, weighedPieces } from './assessment/print'
import type { HeatReport, Assessment, LedgerRow, PlanFigures } from './assessment/report'

export type {
  ControlReport,
  HandlingReport,
  ModeReport,
  RateReport,
  StallReport,
  TrimRow,
} from './assessment/report'
export type { HeatReport, LoadsReport } from './assessment/report'
export type {
  BoomReport,
  CaseReport,
  GearReport,
  PlaceReport,
  ProofReport,
  StrengthFigures,
  TwistReport,
} from './assessment/report'
export type { Contribution, Verdict, WingName } from './assessment/report'
export type { Finding } from './assessment/report'
export type { PieceReport, PitchTables, StallCase } from './assessment/report'
export type { Drawing } from './assessment/report'
export type {
  Assessment,
  Forecast,
  LedgerRow,
  SmallPartReport,
  SparReport,
  StrutReport,
} from './assessment/report'
export type { Airframe } from './assessment/resolve'
export { calibratedFilaments } from './assessment/resolve'
export {
  bodiesOf,
  coveredStretches,
  filmEnd,
  heldEdges,
  gluedOver,
  LAPS,
  noCuts,
  tailParts,
  type NoCut,
  type StandingBody,
} from './assessment/resolve'
export {
  asGraph,
  BENCHES,
  buildGraph,
  RULES,
  siteOf,
  type Bench,
  type BuildGraph,
  type BuildStep,
  type Gate,
  type Need,
  type StepKind,
} from './assessment/build'
export {
  airOfField,
  batteryOf,
  bladesFrom,
  BLADE_SECTION,
  ductOf,
  fanFrom,
  motorOf,
  ordinarySection,
  oneMotor,
  propulsionOf,
  turnedBy,
  turnedUp,
  type Duct,
  type Propulsion,
} from './assessment/power'
export { largerBox, PADDING_MM, travelOf, type Carried, type Travel } from './assessment/travel'
export { coverWanted, WEIGH_LIMIT } from './assessment/findings'
export { splintSpar } from './assessment/strength'

export interface Assessor {
  assess(doc: ProjectFile): Assessment
  /** The resolved airframe of the same document, for exports and pictures. */
  airframe(doc: ProjectFile): Airframe
  /** What flight makes of it, from the same memory: for searches that put designs together themselves. */
  flown(doc: ProjectFile): Flown
  /** What sun and air leave of it; several times the work of strength, so apart. */
  heat(doc: ProjectFile): HeatReport
}

/**
 * `stations`: how many places along the half span are held against every load; breaks, cuts and spar ends
 * come on top. `hours` false: none are reckoned, all are 0. `at` is told what is being computed as it begins: a stage, or a piece that is printed anew.
 */
export function createAssessor(
  libraries: Libraries = LIBRARIES,
  {
    stations,
    at,
    hours: timed = true,
  }: { stations?: number; at?: (what: string) => void; hours?: boolean } = {},
): Assessor {
  const { airframe, designed } = createResolver(libraries, at)
  const { all } = createPrinting(at)
  const fly = createFlown(at)
  const strengthOf = createStrength(stations)
  const draw = createDrawing()
  const reportSpars = createSparReports()
  // Each is computed once for a design: what is only noted, asked or moved on a plate reaches none of them.
  const printed = memoise(all, REMEMBERED)
  const weighed = memoise((design: Designed) => {
    const pieces = printed(design)
    at?.('weights')
    const scale = weighedPieces(design.doc, pieces)
    const entries = ledgerOf(design, pieces, scale.now)
    const sum = sumMass(entries)
    return {
      scale,
      entries,
      sum,
      empty: sumMass(entries.filter(entry => !entry.drops)),
      spread: massSpread(entries),
    }
  }, REMEMBERED)
  const flown = memoise((design: Designed) => {
    const { entries } = weighed(design)
    at?.('flight')
    return fly(design, entries)
  }, REMEMBERED)
  const loaded = memoise((design: Designed) => {
    const { solved, stall } = flown(design)
    return loadsOf(design, solved, weighed(design).sum.mass, stall.speedMs)
  }, REMEMBERED)
  const borne = memoise((design: Designed) => {
    const { entries, sum } = weighed(design),
      flight = flown(design),
      loads = loaded(design)
    at?.('strength')
    return strengthOf(design, flight, entries, sum.mass, loads)
  }, REMEMBERED)
  return {
    airframe,
    flown: doc => flown(designed(doc)),
    heat(doc) {
      const design = designed(doc)
      const { entries, sum } = weighed(design),
        flight = flown(design)
      return heatOf(
        design,
        libraries.filaments,
        frame => strengthOf(frame, flight, entries, sum.mass, loaded(design)).reserve,
      )
    },
    assess(doc) {
      const design = designed(doc),
        frame = airframe(doc)
      const { scale, entries, sum, empty, spread } = weighed(design)
      const { solved, flight, stall, trim, tailIncidenceDeg, handling, controls, rates } = flown(design)
      const loads = loaded(design),
        strength = borne(design)
      at?.('plates')
      const { pieces, printers } = reportPieces(doc, printed(design), scale, timed)
      at?.('verdicts')
      const plan = planFigures(design, solved, sum.mass)
      const ledger = entries.map(rowOf)
      const hours = pieces.reduce((total, piece) => total + piece.hours, 0)
      const totals: Assessment['totals'] = {
        massG: kgToG(sum.mass),
        emptyMassG: kgToG(empty.mass),
        printedG: pieces.reduce((total, piece) => total + (piece.sheet ? 0 : piece.massG), 0),
        massSpreadG: kgToG(spread.mass),
        cgMm: [mToMm(sum.x), mToMm(sum.y), mToMm(sum.z)],
        cgEmptyMm: [mToMm(empty.x), mToMm(empty.y), mToMm(empty.z)],
        cgSpreadMm: mToMm(spread.x),
        massCgCorrelation: spread.correlation,
        hours,
        finishHours: Math.max(0, ...printers.map(printer => printer.hours)),
        filamentG: pieces.reduce((total, piece) => total + piece.filamentG, 0),
        cost: pieces.reduce((total, piece) => total + piece.cost, 0),
        weighedCount: pieces.filter(piece => piece.weighedG !== null).length,
      }
      const smallParts = reportSmallParts(design)
      const spars = reportSpars(design, entries)
      const verdicts = {
        weight: weightVerdict(doc, totals, ledger),
        balance: balanceVerdict(doc, totals, flight, plan, ledger),
        strength: strengthVerdict(doc, strength, loads, SPREAD_OF[strength.gives]),
        hours: hoursVerdict(doc, totals, pieces),
      }
      const tilt = tiltOf(frame, totals, flight, plan)
      const findings = [
        ...verdictFindings(verdicts, strength),
        ...findProblems(
          frame,
          { pieces, smallParts, spars, flight, plan, stall, trim, handling, controls, strength },
          flown(design).stallCases,
        ),
        ...powerProblems(doc, flown(design)),
        ...tiltProblems(frame, tilt, flight.cgRangeMm, plan.macMm),
        ...travelProblems(frame, doc.brief.travelBoxMm),
      ]
      return {
        verdicts,
        findings,
        pieces,
        ledger,
        smallParts,
        forecast: forecastOf(doc, entries, pieces, {
          massG: doc.brief.targetMassG,
          cgRangeMm: flight.cgRangeMm,
          neutralPointSigmaMm: flight.neutralPointSigmaMm,
        }),
        totals,
        plan,
        flight,
        stall,
        trim,
        tailIncidenceDeg,
        handling,
        controls,
        rates,
        loads,
        strength,
        spars,
        struts: strutReports(design),
        printers,
        tilt,
        // Drawn when it is asked for: what only compares figures draws nothing.
        get drawing() {
          return draw(frame)
        },
      }
    },
  }
}

/** Designs whose stages are remembered whole: to and fro of an edit. */
const REMEMBERED = 4

const shared = new WeakMap<Libraries, Assessor>()

/** One assessor per libraries, for whoever does not mind what it remembers of others; see `createAssessor`. */
export function sharedAssessor(libraries: Libraries = LIBRARIES): Assessor {
  if (!shared.has(libraries)) shared.set(libraries, createAssessor(libraries))
  return shared.get(libraries)!
}

export const assess = (doc: ProjectFile, libraries: Libraries = LIBRARIES): Assessment =>
  sharedAssessor(libraries).assess(doc)

const rowOf = (entry: MassEntry): LedgerRow => ({
  id: entry.id,
  name: entry.name,
  group: entry.group,
  source: entry.source,
  massG: kgToG(entry.mass),
  sigmaG: kgToG(entry.sigma),
  xMm: mToMm(entry.x),
  yMm: mToMm(entry.y),
  zMm: mToMm(entry.z),
  drops: entry.drops,
})

function planFigures(airframe: Designed, { plan }: SolvedFlight, mass: number): PlanFigures {
  const volume = (name: 'horizontal' | 'vertical', length: number) => {
    const loft = airframe.surfaces[name]
    if (!loft) return null
    const own = planOf(loft)
    const sides = loft.mirror ? 2 : 1
    const chordArea = loft.ends
      .slice(1)
      .reduce((sum, b, i) => sum + (mmToM(b.s - loft.ends[i].s) * mmToM(b.chord + loft.ends[i].chord)) / 2, 0)
    // A V-tail counts with the square of its cant's cosine as a tailplane (Purser & Campbell, NACA TR 823).
    const part = name === 'horizontal' ? Math.cos(loft.cant) ** 2 : Math.sin(loft.cant) ** 2
    const arm = own.macLead + own.mac / 4 - (plan.macLead + plan.mac / 4)
    return (sides * chordArea * part * arm) / (plan.area * length)
  }
  return {
    areaDm2: m2ToDm2(plan.area),
    spanMm: mToMm(plan.span),
    macMm: mToMm(plan.mac),
    macLeadMm: mToMm(plan.macLead),
    macSpanMm: mToMm(plan.macSpan),
    aspectRatio: plan.span ** 2 / plan.area,
    loadingGdm2: kgM2ToGDm2(mass / plan.area),
    cubicLoading: mass / plan.area ** 1.5,
    tailVolume: volume('horizontal', plan.mac),
    finVolume: volume('vertical', plan.span),
  }
}

/** Grams per metre of a stock entry, for lists. */
export const stockGramsPerMetre = (id: string, libraries: Libraries = LIBRARIES): number => {
  const stock = libraries.stock.find(item => item.id === id)
  return stock ? kgToG(stockLinearMass(stock)) : 0
}
