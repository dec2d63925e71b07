/**
 * Two states of a design side by side: what each wing says, what changed in the ledger, what must be printed
 * anew and what carries over.
 */
import type { Assessment, WingName } from '../../assess'
import { WINGS } from '../nudges'

export interface LedgerDifference {
  id: string
  name: string
  beforeG: number
  afterG: number
  /** Moved along the length, mm. */ shiftMm: number
}
export interface PieceFate {
  id: string
  name: string
  fate: 'carries over' | 'printed anew' | 'new' | 'left out'
  beforeG: number
  afterG: number
  hours: number
}

export interface DesignComparison {
  verdicts: Array<{
    wing: WingName
    label: string
    unit: string
    digits: number
    before: number
    after: number
    better: boolean | null
  }>
  ledger: LedgerDifference[]
  pieces: PieceFate[]
  /** Of what is printed anew or new, with what carries over left out. */
  hours: number
  grams: number
}

/**
 * Ledger rows closer than this are the same, g and mm; pieces closer than this share of their mass are the
 * same print.
 */
const SAME_G = 0.05,
  SAME_MM = 0.5,
  SAME_PRINT = 0.002

export function compareDesigns(before: Assessment, after: Assessment): DesignComparison {
  const pieces = piecesOf(before, after)
  const anew = pieces.filter(piece => piece.fate === 'printed anew' || piece.fate === 'new')
  return {
    verdicts: WINGS.map(wing => {
      const a = before.verdicts[wing],
        b = after.verdicts[wing]
      return {
        wing,
        label: a.label,
        unit: a.unit,
        digits: a.digits,
        before: a.value,
        after: b.value,
        better: Math.abs(a.margin - b.margin) < 0.5 * 10 ** -a.digits ? null : b.margin > a.margin,
      }
    }),
    ledger: ledgerOf(before, after),
    pieces,
    hours: anew.reduce((sum, piece) => sum + piece.hours, 0),
    grams: anew.reduce((sum, piece) => sum + piece.afterG, 0),
  }
}

/** Largest change of mass times distance first, a change of mass before a move. */
function ledgerOf(before: Assessment, after: Assessment): LedgerDifference[] {
  const old = new Map(before.ledger.map(row => [row.id, row])),
    now = new Map(after.ledger.map(row => [row.id, row]))
  return [...new Set([...old.keys(), ...now.keys()])]
    .map((id): LedgerDifference => {
      const a = old.get(id),
        b = now.get(id)
      return {
        id,
        name: (b ?? a)!.name,
        beforeG: a?.massG ?? 0,
        afterG: b?.massG ?? 0,
        shiftMm: a && b ? b.xMm - a.xMm : 0,
      }
    })
    .filter(row => Math.abs(row.afterG - row.beforeG) > SAME_G || Math.abs(row.shiftMm) > SAME_MM)
    .sort(
      (a, b) =>
        Math.abs(b.afterG - b.beforeG) - Math.abs(a.afterG - a.beforeG) ||
        Math.abs(b.shiftMm * b.afterG) - Math.abs(a.shiftMm * a.afterG),
    )
}

/** A piece carries over when it comes off the printer as it was: the same filament, mass, length and box. */
function piecesOf(before: Assessment, after: Assessment): PieceFate[] {
  const old = new Map(before.pieces.map(piece => [piece.id, piece]))
  const kept = after.pieces.map((piece): PieceFate => {
    const was = old.get(piece.id)
    old.delete(piece.id)
    const same =
      was &&
      was.filament === piece.filament &&
      was.recipe === piece.recipe &&
      Math.abs(was.predictedG - piece.predictedG) <= SAME_PRINT * piece.predictedG &&
      was.boxMm.every((value, i) => Math.abs(value - piece.boxMm[i]) < 0.05) &&
      Math.abs(was.overhangMm2 - piece.overhangMm2) <= 0.01 * (piece.overhangMm2 + 10)
    return {
      id: piece.id,
      name: piece.name,
      fate: !was ? 'new' : same ? 'carries over' : 'printed anew',
      beforeG: was?.predictedG ?? 0,
      afterG: piece.predictedG,
      hours: piece.hours,
    }
  })
  return [
    ...kept,
    ...[...old.values()].map((piece): PieceFate => ({
      id: piece.id,
      name: piece.name,
      fate: 'left out',
      beforeG: piece.predictedG,
      afterG: 0,
      hours: 0,
    })),
  ]
}
