/** What of its edges film has to lie on at a place along a surface of ribs. mm */
import { planAt, type HingedControl, type SparLine, type SurfaceLoft } from '../../geometry'

/** A spar this near to the nose holds the film there; share of the chord. */
const LEADING = 0.12
/** One that lies behind this, or within this before a hinge line, holds it behind. */
const TRAILING = 0.85,
  BEFORE_HINGE = 0.15
/** A spar's end this near still holds, mm. */
const END = 1

/** x in the surface's plane to which film reaches: before a control's gap; endless beside it. */
export function filmEnd(hinged: readonly HingedControl[], s: number): number {
  const control = hinged.find(item => s > item.from && s < item.to)
  return control ? control.hingeAt(s) - control.control.hinge.gapMm / 2 : Infinity
}

/** Does a spar carry it ahead, and behind: at the trailing edge, or before the hinge line where a control hangs? */
export function heldEdges(
  loft: SurfaceLoft,
  lines: readonly SparLine[],
  hinged: readonly HingedControl[],
  s: number,
): { ahead: boolean; behind: boolean } {
  const { lead, chord } = planAt(loft, s)
  const end = filmEnd(hinged, s),
    last = Number.isFinite(end) ? (end - lead) / chord : 1,
    least = Number.isFinite(end) ? last - BEFORE_HINGE : TRAILING
  const shares = lines
    .filter(line => s >= line.from - END && s <= line.to + END)
    .map(line => (line.at(s).x - lead) / chord)
  return {
    ahead: shares.some(share => share <= LEADING),
    behind: shares.some(share => share >= least && share <= last),
  }
}
