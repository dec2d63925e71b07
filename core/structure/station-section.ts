/** The shape of a wing's section as a structure: what does not depend on load, recipe or filament. mm. */
import { type SparLine, type SurfaceLoft, outlineAt, planAt } from '../geometry'
import { type InsetField, insetField } from '../printing'
import { mmToM } from '../units'

export interface StationSpar {
  line: SparLine
  x: number
  n: number
}

/** How two pieces meet at a station: nowhere, glued to each other, or apart so that spars alone carry. */
export type Meeting = 'none' | 'glued' | 'apart'

/** A spar's end at a station: how far it sits in its bore, and whether another spar goes on beside it. */
export interface SparEnd {
  line: SparLine
  inserted: number
  beside: boolean
}

/** The shape of a station: what does not depend on load, recipe or filament. */
export interface StationSection {
  /** mm along the span. */
  s: number
  chord: number
  outline: Float64Array
  field: InsetField
  spars: readonly StationSpar[]
  meeting: Meeting
  ends: readonly SparEnd[]
  /** Spars bent at this station. */
  bends: readonly SparLine[]
  /** Quarter of the chord, mm. */
  quarter: { x: number; n: number }
}

/** Which spars run through s; those not in one piece stop at the middle of the aircraft. */
export function sparsAt(lines: readonly SparLine[], s: number, middle: boolean): SparLine[] {
  return lines.filter(
    line => s >= line.from - 1e-6 && s <= line.to + 1e-6 && !(middle && s < 0.01 && !line.spar.through),
  )
}

/** A section's outline and what an inset meets in it, kept while the wing keeps its shape. */
const cut = new WeakMap<SurfaceLoft, Map<number, { outline: Float64Array; field: InsetField }>>()

function sectionOf(loft: SurfaceLoft, s: number): { outline: Float64Array; field: InsetField } {
  const own = cut.get(loft) ?? new Map<number, { outline: Float64Array; field: InsetField }>()
  cut.set(loft, own)
  const known = own.get(s)
  if (known) return known
  const outline = outlineAt(loft, s),
    section = { outline, field: insetField([outline]) }
  // A dragged spar end asks for new places without end.
  if (own.size > 400) own.clear()
  own.set(s, section)
  return section
}

export function stationSection(
  loft: SurfaceLoft,
  s: number,
  lines: readonly SparLine[],
  meeting: Meeting,
): StationSection {
  const plan = planAt(loft, s)
  const middle = loft.mirror
  const here = sparsAt(lines, s, middle)
  const ends = lines.flatMap((line): SparEnd[] => {
    const outer = Math.abs(s - line.to) < 0.2 && line.to < loft.span - 1
    const inner = Math.abs(s - line.from) < 0.2 && !line.spar.through
    if ((!outer && !inner) || line.to - line.from < 1) return []
    const beside =
      lines.some(other => other !== line && other.from < s - 1 && other.to > s + 1) ||
      (inner && s < 0.01 && lines.some(other => other.spar.through && other.to > s + 1))
    return [{ line, inserted: mmToM(line.to - line.from), beside }]
  })
  return {
    // Bores take nothing from the skin: walls run round them as well.
    s,
    ...sectionOf(loft, s),
    chord: mmToM(plan.chord),
    meeting,
    ends,
    spars: here.map(line => ({ line, ...line.at(s) })),
    bends: here.filter(
      line =>
        line.spar.route === 'bent' &&
        (loft.ends.some(end => Math.abs(end.s - s) < 0.2 && end.s > 0.01 && end.s < loft.span - 1) ||
          (s < 0.01 && line.spar.through)),
    ),
    quarter: { x: plan.lead + plan.chord / 4, n: plan.n },
  }
}
