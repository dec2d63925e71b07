/** The shape of a wing's section as a structure: what does not depend on load, recipe or filament. mm. */
import { outlineAt, planAt, SIDE_POINTS, type SparLine, type SurfaceLoft } from '../geometry'
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
const cut = new WeakMap<SurfaceLoft, Map<string, { outline: Float64Array; field: InsetField }>>()

function sectionOf(loft: SurfaceLoft, s: number, rear: number): { outline: Float64Array; field: InsetField } {
  const own = cut.get(loft) ?? new Map<string, { outline: Float64Array; field: InsetField }>()
  cut.set(loft, own)
  const key = `${s} ${rear}`,
    known = own.get(key)
  if (known) return known
  const outline = closedAt(outlineAt(loft, s), rear),
    section = { outline, field: insetField([outline]) }
  // A dragged spar end asks for new places without end.
  if (own.size > 400) own.clear()
  own.set(key, section)
  return section
}

/**
 * What of an outline lies before x, closed there by an upright wall: as many points, those behind stand along the wall,
 * so that points of either side keep their numbers.
 */
export function closedAt(outline: Float64Array, x: number): Float64Array {
  const last = SIDE_POINTS - 1,
    points = outline.length / 2
  if (points !== 2 * SIDE_POINTS - 1 || !(outline[0] > x || outline[2 * (points - 1)] > x)) return outline
  const closed = outline.slice()
  // From the nose to the rear end, along either side.
  const heights = ([1, -1] as const).map(way => {
    for (let k = 1; k <= last; k++) {
      const [a, b] = [last - way * (k - 1), last - way * k]
      const [xa, xb] = [outline[2 * a], outline[2 * b]]
      if (xb > x)
        return {
          first: k,
          y: outline[2 * a + 1] + ((outline[2 * b + 1] - outline[2 * a + 1]) * (x - xa)) / (xb - xa),
        }
    }
    return { first: last + 1, y: outline[2 * (last - way * last) + 1] }
  })
  const middle = (heights[0].y + heights[1].y) / 2
  heights.forEach(({ first, y }, side) => {
    for (let k = first; k <= last; k++) {
      const at = last - (side === 0 ? 1 : -1) * k
      closed[2 * at] = x
      closed[2 * at + 1] = y + ((middle - y) * (k - first)) / Math.max(1, last - first + 0.5)
    }
  })
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
