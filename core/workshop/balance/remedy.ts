/**
 * A remedy for the balance: a change of the document, really assessed, with what it brings and what it costs.
 */
import type { Assessment, Assessor } from '../../assess'
import { apply, HOUR_IN_GRAMS, hoursAnew, type Change } from '../../change'
import type { ProjectFile } from '../../document'
import type { Words } from '../../units'

export interface Remedy {
  id: string
  kind: 'slide' | 'battery' | 'equipment' | 'nose' | 'nose-skin' | 'tail-skin' | 'ballast' | 'drop-ballast'
  title: Words
  detail: Words
  /** Differences ready to fly with payload; hours are those of what must be printed anew. */
  grams: number
  hours: number
  reserveAfter: number
  reserveChange: number
  cgAfterMm: number
  /** With payload, and without. */
  staticMarginAfterPct: number
  staticMarginEmptyAfterPct: number
  /** Distance of the worse of both from the band, % of the mean chord; nil inside. */
  outsidePct: number
  /** In the band with payload in and out. */
  reaches: boolean
  change: Change
}

/** What the balance lacks, in the terms that remedies need. mm and g. */
export interface Want {
  doc: ProjectFile
  before: Assessment
  /** Shift of the CG that would centre payload in and out in the band; negative is forward. */
  shiftMm: number
}

/** Payload in and out both count: the aim is the middle of the two in the middle of the band. */
export function wanted(doc: ProjectFile, before: Assessment): Want {
  const { cgMm, cgEmptyMm } = before.totals
  return { doc, before, shiftMm: before.flight.cgAimMm - (cgMm[0] + cgEmptyMm[0]) / 2 }
}

/** CG shift, as the mean of payload in and out, for each millimetre that a mass of so many grams moves. */
export const leverage = ({ before: { totals } }: Want, massG: number): number =>
  (massG / totals.massG + massG / totals.emptyMassG) / 2

const outside = ([low, high]: readonly [number, number], ...margins: number[]): number =>
  Math.max(0, ...margins.map(pct => Math.max(low - pct, pct - high)))

/**
 * Assesses a change and says what it did. `printed` is what has to be printed anew, h; the difference when it
 * is not said.
 */
export function judge(
  assessor: Assessor,
  want: Want,
  about: Pick<Remedy, 'id' | 'kind' | 'title' | 'detail'>,
  change: Change,
): Remedy {
  const { doc, before } = want
  const after = assessor.assess(apply(doc, change))
  const outsidePct = outside(
    doc.brief.staticMarginPct,
    after.flight.staticMarginPct,
    after.flight.staticMarginEmptyPct,
  )
  return {
    ...about,
    change,
    grams: after.totals.massG - before.totals.massG,
    hours: hoursAnew(before, after),
    reserveAfter: after.strength.reserve,
    reserveChange: after.strength.reserve - before.strength.reserve,
    cgAfterMm: after.totals.cgMm[0],
    staticMarginAfterPct: after.flight.staticMarginPct,
    staticMarginEmptyAfterPct: after.flight.staticMarginEmptyPct,
    outsidePct,
    reaches: outsidePct <= 1e-9,
  }
}

/** A wing that would break counts like this many grams flown. */
const BROKEN_IN_GRAMS = 1000
/**
 * What doing it costs besides, in grams: a part unscrewed and wired anew, a pack bought. A battery slides for
 * nothing.
 */
export const TROUBLE_IN_GRAMS: Record<Remedy['kind'], number> = {
  slide: 0,
  battery: 5,
  equipment: 2,
  nose: 0,
  'nose-skin': 0,
  'tail-skin': 0,
  ballast: 0,
  'drop-ballast': 0,
}

/** What a remedy costs, in grams. A lighter pack is no gain of the remedy's: it holds less. */
export const harm = (remedy: Remedy): number =>
  (remedy.kind === 'battery' ? Math.max(0, remedy.grams) : remedy.grams) +
  HOUR_IN_GRAMS * remedy.hours +
  TROUBLE_IN_GRAMS[remedy.kind] +
  (remedy.reserveAfter < 1 && remedy.reserveChange < -1e-9 ? BROKEN_IN_GRAMS : 0)

/** Those that reach the band first, least harm before more; then those that fall short, nearest first. */
export const ranked = (remedies: readonly Remedy[]): Remedy[] =>
  [...remedies].sort(
    (a, b) =>
      Number(b.reaches) - Number(a.reaches) ||
      (a.reaches ? harm(a) - harm(b) : a.outsidePct - b.outsidePct || harm(a) - harm(b)),
  )

export const half = (value: number): number => Math.round(2 * value) / 2
export const way = (shift: number): string => (shift < 0 ? 'forward' : 'aft')
