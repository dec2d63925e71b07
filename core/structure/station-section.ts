/** The shape of a wing's section as a structure: what does not depend on load, recipe or filament. mm. */
import {
  chordFrameAt,
  cosinePlace,
  outlineAt,
  planAt,
  SIDE_POINTS,
  type SparLine,
  type SurfaceLoft,
} from '../geometry'
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
  /** Of what carries, m. */
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
const cut = new WeakMap<SurfaceLoft, Map<string, { outline: Float64Array; field: InsetField }>>()

function sectionOf(loft: SurfaceLoft, s: number, rear: number): { outline: Float64Array; field: InsetField } {
  const own = cut.get(loft) ?? new Map<string, { outline: Float64Array; field: InsetField }>()
  cut.set(loft, own)
  const key = `${s} ${rear}`,
    known = own.get(key)
  if (known) return known
  const outline = closedAt(outlineAt(loft, s), rear),
    section = { outline, field: insetField([outline], Infinity, chordFrameAt(loft, s)) }
  // A dragged spar end asks for new places without end.
  if (own.size > 400) own.clear()
  own.set(key, section)
  return section
}

/**
 * What of an outline lies before x, closed there by an upright wall: a section of less chord with a blunt edge, its
 * points spread along either side as they are along a whole one, so that nothing jumps where x passes one of them.
 */
export function closedAt(outline: Float64Array, x: number): Float64Array {
  const last = SIDE_POINTS - 1,
    count = outline.length / 2
  if (count !== 2 * SIDE_POINTS - 1 || Math.min(outline[0], outline[2 * (count - 1)]) <= x) return outline
  const closed = outline.slice(),
    nose = outline[2 * last]
  for (const way of [-1, 1]) {
    let k = 1
    for (let i = 1; i <= last; i++) {
      const at = nose + (x - nose) * cosinePlace(i, SIDE_POINTS)
      while (k < last && outline[2 * (last + way * k)] < at) k++
      const a = 2 * (last + way * (k - 1)),
        b = 2 * (last + way * k)
      const t = (at - outline[a]) / Math.max(1e-9, outline[b] - outline[a])
      closed[2 * (last + way * i)] = at
      closed[2 * (last + way * i) + 1] = outline[a + 1] + (outline[b + 1] - outline[a + 1]) * t
    }
  }
  return closed
}

/** `rear`: where a control is cut out of it, mm aft of the nose; what moves carries nothing. */
export function stationSection(
  loft: SurfaceLoft,
  s: number,
  lines: readonly SparLine[],
  meeting: Meeting,
  rear = Infinity,
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
    ...sectionOf(loft, s, rear),
    chord: mmToM(Math.min(plan.chord, rear - plan.lead)),
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
