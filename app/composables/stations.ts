/**
 * The flight path: stations in the order of the work, each with its question and its state for this aircraft.
 */
import type { Assessment } from '../../core/assess'
import type { ProjectFile } from '../../core/document'
import { readiness } from '../../core/workshop'

export type StationId =
  | 'brief'
  | 'shape'
  | 'skin'
  | 'spine'
  | 'split'
  | 'print'
  | 'weigh'
  | 'balance'
  | 'choose'
  | 'prove'
  | 'maiden'
  | 'log'
export type StationState = 'settled' | 'going' | 'attention' | 'untouched'

/** `designs`: the design is still open there, and single changes are offered. */
export const STATIONS: ReadonlyArray<{ id: StationId; label: string; question: string; designs?: boolean }> =
  [
    { id: 'brief', label: 'Brief', question: 'What must it do, and is that in proportion?', designs: true },
    { id: 'shape', label: 'Shape', question: 'How is it laid out?', designs: true },
    { id: 'skin', label: 'Skin', question: 'Which filament and which walls, where?', designs: true },
    { id: 'spine', label: 'Spine', question: 'What carries the wing?', designs: true },
    { id: 'split', label: 'Split', question: 'Where is it cut to fit the bed?', designs: true },
    { id: 'print', label: 'Print', question: 'Which piece on which printer, and how long?', designs: true },
    { id: 'weigh', label: 'Weigh', question: 'Does the scale agree?' },
    {
      id: 'balance',
      label: 'Balance',
      question: 'Where does it balance, and where should it?',
      designs: true,
    },
    { id: 'choose', label: 'Choose', question: 'What would another choice make of it?', designs: true },
    { id: 'prove', label: 'Prove', question: 'Does it bear on the ground what was computed?' },
    { id: 'maiden', label: 'Maiden', question: 'Go, or not yet?' },
    { id: 'log', label: 'Log', question: 'What did it teach?' },
  ]

export const isStation = (id: string): id is StationId => STATIONS.some(station => station.id === id)

/** Which findings belong to which station. */
export const FINDINGS_AT: Partial<Record<StationId, RegExp>> = {
  brief: /^(stall-fast|span-over|weight-failing|hours-failing)$/,
  shape:
    /^(tip-stall|trim-hard|mode-|handling-|servo-short|bay-|run-|hinge-|control-|section-|lid-|firewall-)/,
  skin: /^(lies-|bead-|nozzle-|enclosure|heat|unknown-|zones-)/,
  spine: /^(spar-|stock-|strength-failing|weak-|twist-|boom-|gear-)/,
  split: /^(piece-|cut-through|joint-|stands-|long-bridge|given-)/,
  print: /^(spool-short|hours-failing)$/,
  weigh: /^weighs-off$/,
  balance: /^(outside-bay|balance-failing)$/,
}

/** A wing that bends so much more than computed is not the wing that was computed. */
export const SOFT = 0.75

export function stationState(
  id: StationId,
  doc: ProjectFile,
  assessment: Assessment,
  touched: ReadonlySet<string>,
): StationState {
  const pattern = FINDINGS_AT[id]
  const found = pattern ? assessment.findings.filter(finding => pattern.test(finding.code)) : []
  if (found.some(finding => finding.severity === 'stop')) return 'attention'
  if (id === 'weigh')
    return doc.weighIns.length === 0
      ? 'untouched'
      : found.length
        ? 'attention'
        : assessment.totals.weighedCount < assessment.pieces.length
          ? 'going'
          : 'settled'
  if (id === 'maiden') {
    const { verdict, items } = readiness(doc, assessment)
    return verdict === 'go'
      ? 'settled'
      : verdict === 'no-go'
        ? 'attention'
        : items.some(item => item.byHand && item.state === 'go')
          ? 'going'
          : 'untouched'
  }
  // There is something left to choose as long as a wing misses its target.
  if (id === 'choose')
    return Object.values(assessment.verdicts).some(verdict => verdict.state === 'failing')
      ? 'going'
      : 'settled'
  if (id === 'prove')
    return doc.proofs.length === 0
      ? 'untouched'
      : assessment.strength.proofs.some(proof => proof.ratio !== null && proof.ratio < SOFT)
        ? 'attention'
        : doc.proofs.some(proof => proof.measured === null)
          ? 'going'
          : 'settled'
  if (id === 'log') return doc.flights.length ? 'going' : 'untouched'
  if (found.some(finding => finding.severity === 'warn')) return 'going'
  return touched.has(id) || found.length === 0 ? 'settled' : 'going'
}
