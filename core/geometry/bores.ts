/**
 * Bores of spars and runs of cables through a surface, as prisms. A stretch where a bore would break out is
 * left out.
 */
import { cut, rectangle, reversed, type Feature } from './feature'
import { circle } from './polygon'
import { boreOutline, fitLimits, sparFit, type SparLine } from './spar-line'
import { gapAt, outlineAt, planAt, type SurfaceLoft } from './surface-loft'

/** One prism for each stretch over which the spar is covered with plastic. */
export function boreFeatures(loft: SurfaceLoft, line: SparLine): Feature[] {
  if (line.to - line.from < 0.1) return []
  const edges = [line.from, ...fitLimits(loft, line), line.to]
  return edges.slice(1).flatMap((to, i): Feature[] => {
    const from = edges[i],
      middle = (from + to) / 2
    const { above, below } = sparFit(loft, line, middle)
    if (to - from < 1e-6 || Math.min(above, below) < 0.05) return []
    return [
      cut(line.spar.name, from, to, reversed(boreOutline(line, from)), reversed(boreOutline(line, to)), true),
    ]
  })
}

/**
 * Width of the slit that makes the printer lay a bead down either side of it: the web between two caps, mm.
 */
const SLIT = 0.1
/** Plastic between slit and bore, mm. */
const SLIT_COVER = 0.9

/** Webs between the caps of a spar, where they stand far enough apart for one. */
export function webFeatures(lines: readonly SparLine[]): Feature[] {
  return lines
    .filter(line => line.part === 'top')
    .flatMap((top): Feature[] => {
      const bottom = lines.find(
        line => line.part === 'bottom' && line.spar.id.slice(0, -7) === top.spar.id.slice(0, -4),
      )
      if (!bottom || top.to - top.from < 1) return []
      const slit = (s: number) => {
        const a = bottom.at(s),
          b = top.at(s),
          half = top.stock.heightMm / 2 + top.spar.clearanceMm + SLIT_COVER
        return b.n - a.n > 2 * half + 1
          ? rectangle(a.x - SLIT / 2, a.n + half, a.x + SLIT / 2, b.n - half)
          : null
      }
      const foot = slit(top.from),
        head = slit(top.to)
      return foot && head
        ? [cut(`${top.spar.name.replace(/, top cap$/, '')}, web`, top.from, top.to, foot, head, true)]
        : []
    })
}

/** Plastic wanted round a run, mm. */
export const RUN_COVER = 0.6

export interface CableRun {
  name: string
  to: number
  share: number
  diameter: number
}

/**
 * A round run from the root to `to` at a share of the chord, at half height; null where the section is too
 * thin for it anywhere on the way, with the least height found.
 */
export function runFeatures(loft: SurfaceLoft, run: CableRun): { features: Feature[]; least: number } {
  const edges = [
    0,
    ...loft.stations.map(station => station.s).filter(s => s > 0.01 && s < run.to - 0.01),
    run.to,
  ]
  const middles = edges.map(s => {
    const { lead, chord } = planAt(loft, s)
    const x = lead + run.share * chord
    const gap = gapAt(outlineAt(loft, s), x)
    return { x, n: gap ? (gap.lower + gap.upper) / 2 : 0, height: gap ? gap.upper - gap.lower : 0 }
  })
  const least = Math.min(...middles.map(middle => middle.height))
  if (least < run.diameter + 2 * RUN_COVER) return { features: [], least }
  return {
    least,
    features: edges
      .slice(1)
      .map((to, i) =>
        cut(
          run.name,
          edges[i],
          to,
          circle(middles[i].x, middles[i].n, run.diameter / 2, false, 16),
          circle(middles[i + 1].x, middles[i + 1].n, run.diameter / 2, false, 16),
          true,
        ),
      ),
  }
}

export interface Bay {
  name: string
  from: number
  to: number
  x: number
  length: number
  top: number
}

/** Room round a component in its bay, mm. */
export const BAY_CLEARANCE = 0.3

/** A bay open through the lower skin, up to `top`. `room` is the plastic left over it, mm. */
export function bayFeature(loft: SurfaceLoft, bay: Bay): { feature: Feature; room: number } {
  const x0 = bay.x - bay.length / 2 - BAY_CLEARANCE,
    x1 = bay.x + bay.length / 2 + BAY_CLEARANCE,
    top = bay.top + BAY_CLEARANCE
  const from = bay.from - BAY_CLEARANCE,
    to = bay.to + BAY_CLEARANCE
  let room = Infinity
  for (const s of [from, to]) {
    const outline = outlineAt(loft, Math.min(loft.span, Math.max(0, s)))
    for (const x of [x0, (x0 + x1) / 2, x1])
      room = Math.min(room, (gapAt(outline, x)?.upper ?? -Infinity) - top)
  }
  const box = rectangle(x0, top - 400, x1, top)
  return { feature: cut(bay.name, from, to, box, box), room }
}
