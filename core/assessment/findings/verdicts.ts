/** The four wings of consequence: each a figure, its target, margin, spread, and what it is made of. */
import type { ProjectFile } from '../../document'
import type { Gives } from '../../structure'
import type {
  LoadsReport,
  StrengthFigures,
  Station,
  Contribution,
  Verdict,
  WingName,
  Finding,
  PieceReport,
  FlightFigures,
  LedgerRow,
  PlanFigures,
} from '../report'
import { q, say, type Words } from '../../units'

type Totals = {
  massG: number
  massSpreadG: number
  cgMm: [number, number, number]
  cgSpreadMm: number
  hours: number
  finishHours: number
}

const state = (margin: number, slack: number): Verdict['state'] =>
  margin < 0 ? 'failing' : margin < slack ? 'tight' : 'good'
const bySize = (list: Contribution[]): Contribution[] =>
  list.sort((a, b) => Math.abs(b.value) - Math.abs(a.value))

export function weightVerdict(doc: ProjectFile, totals: Totals, ledger: readonly LedgerRow[]): Verdict {
  const target = doc.brief.targetMassG
  const margin = target - totals.massG
  return {
    wing: 'weight',
    label: 'Weight',
    value: totals.massG,
    unit: 'g',
    digits: 0,
    targetText: say`≤ ${q(target, 'g')}`,
    margin,
    spread: totals.massSpreadG,
    fill: Math.min(1, target / Math.max(1, totals.massG)),
    state: state(margin, totals.massSpreadG),
    contributions: bySize(
      ledger.map(row => ({ name: row.name, value: row.massG, unit: 'g', note: row.source })),
    ),
    reason:
      margin >= 0
        ? say`${q(margin, 'g', 0)} under the target, ready to fly with payload`
        : say`${q(-margin, 'g', 0)} over the target, ready to fly with payload`,
  }
}

/** Static margin in % of the mean chord; the contributions are each mass's moment about the aim. */
export function balanceVerdict(
  doc: ProjectFile,
  totals: Totals,
  flight: FlightFigures,
  plan: PlanFigures,
  ledger: readonly LedgerRow[],
): Verdict {
  const [low, high] = doc.brief.staticMarginPct
  const now = flight.staticMarginPct,
    empty = flight.staticMarginEmptyPct
  // Both with the payload aboard and without it; the worse one speaks.
  const marginOf = (pct: number) => Math.min(pct - low, high - pct)
  const margin = Math.min(marginOf(now), marginOf(empty))
  const spread = (100 * totals.cgSpreadMm) / plan.macMm
  const worse = marginOf(empty) < marginOf(now) ? empty : now
  const where = worse < low ? 'tail-heavy' : worse > high ? 'nose-heavy' : 'inside the band'
  return {
    wing: 'balance',
    label: 'Balance',
    value: now,
    unit: '% MAC',
    digits: 1,
    targetText: say`${low}–${q(high, '%')}`,
    margin,
    spread,
    fill: margin >= 0 ? 1 : Math.max(0, 1 + margin / Math.max(5, high - low)),
    state: state(margin, spread),
    contributions: bySize(
      ledger.map(row => ({
        name: row.name,
        value: (row.massG * (row.xMm - flight.cgAimMm)) / Math.max(1, totals.massG),
        unit: 'mm',
        note: 'shift of CG from the aim',
      })),
    ),
    reason: say`balances at ${q(totals.cgMm[0], 'mm', 0)}; aim ${q(flight.cgAimMm, 'mm', 0)}, neutral point ${q(flight.neutralPointMm, 'mm', 0)}: ${where}${worse === empty && empty !== now && margin < 0 ? ' once the payload is gone' : ''}`,
  }
}

/** Scatter of a reserve, as a share: what is bought is even, what is printed and glued is not. */
export const SPREAD_OF: Record<Gives, number> = { stock: 0.1, plastic: 0.25 }

export function strengthVerdict(
  doc: ProjectFile,
  strength: StrengthFigures,
  loads: LoadsReport,
  materialSpread: number,
): Verdict {
  const { n, by } = loads.governing
  const margin = strength.reserve - 1
  const rows = [
    ...strength.stations.map(station => ({
      name: say`${q(station.s, 'mm', 0)} out: ${station.mode}`,
      value: station.reserve,
      note: station.case,
    })),
    ...strength.places.map(place => ({
      name: `${place.label}: ${place.mode}`,
      value: place.reserve,
      note: place.case,
    })),
  ]
  return {
    wing: 'strength',
    label: 'Strength',
    value: strength.reserve,
    unit: '× reserve',
    digits: 2,
    targetText: say`≥ ${q(1, '', 2)} at ${q(n, 'gₙ', by === 'pull-up' ? 0 : 1)} × ${doc.brief.safetyFactor}`,
    margin,
    spread: strength.reserve * materialSpread,
    fill: Math.min(1, strength.reserve),
    state: state(margin, strength.reserve * materialSpread),
    contributions: rows
      .sort((a, b) => a.value - b.value)
      .slice(0, 14)
      .map(row => ({ ...row, unit: '×' })),
    reason: say`${strength.mode} is the first to go, ${strength.where}; ${strength.case}${by === 'pull-up' ? '' : `; the ${by} is more than the pull-up`}`,
  }
}

/** Print-time estimates scatter by about a tenth between the plan and the clock. */
export const TIME_SPREAD = 0.1

export function hoursVerdict(doc: ProjectFile, totals: Totals, pieces: readonly PieceReport[]): Verdict {
  const target = doc.brief.printHours
  const margin = target - totals.hours
  return {
    wing: 'hours',
    label: 'Hours',
    value: totals.hours,
    unit: 'h',
    digits: 1,
    targetText: say`≤ ${q(target, 'h')}`,
    margin,
    spread: totals.hours * TIME_SPREAD,
    fill: Math.min(1, target / Math.max(0.1, totals.hours)),
    state: state(margin, totals.hours * TIME_SPREAD),
    contributions: bySize(
      pieces.map(piece => ({ name: piece.name, value: piece.hours, unit: 'h', note: piece.printerName })),
    ),
    reason: say`all printers added; side by side they finish in ${q(totals.finishHours, 'h', 1)}`,
  }
}

/** Where a wing that misses its target is said. */
const SEEN_AT: Record<WingName, readonly Station[]> = {
  weight: ['brief'],
  balance: ['balance'],
  strength: ['spine'],
  hours: ['brief', 'print'],
}

/** A verdict that fails is a finding too, so that the list of findings is complete by itself. */
export function verdictFindings(
  verdicts: Record<WingName, Verdict>,
  { part, places }: Pick<StrengthFigures, 'part' | 'places'>,
): Finding[] {
  const remedies: Record<WingName, Words> = {
    weight: 'Skin: one bead less, or a lighter filament away from the motor',
    balance: 'Balance: move the battery, or take the ballast it computes',
    strength:
      part === 'wing'
        ? 'Spine: a larger tube, or run it past the place named'
        : say`Spine: ${places[0].remedy}`,
    hours: 'Skin: fewer beads or a thicker layer; Split: fewer pieces alone on a plate',
  }
  return Object.values(verdicts)
    .filter(verdict => verdict.state === 'failing')
    .map(verdict => ({
      code: `${verdict.wing}-failing`,
      stations: SEEN_AT[verdict.wing],
      target: true,
      severity: verdict.wing === 'hours' ? 'warn' : 'stop',
      where: verdict.label,
      value: verdict.value,
      limit: verdict.value + verdict.margin,
      unit: verdict.unit,
      text: say`${verdict.label}: ${q(verdict.value, '', verdict.digits)} ${verdict.unit}, target ${verdict.targetText}; ${verdict.reason}`,
      remedy: remedies[verdict.wing],
    }))
}
