/**
 * What a strip of wing asks its section: how much it can lift and what it drags at a Reynolds number.
 * Measured polars speak where there are any, the computed ones otherwise, between Reynolds numbers by their
 * logarithm.
 */
import type { MeasuredPolar } from '../document'
import {
  bandAt,
  baseDrag,
  BUBBLE_RANGE,
  firstMaximum,
  sectionPolar,
  type SectionPolar,
} from './section-polar'
import type { SectionFlow } from './section-panels'

export interface SectionModel {
  source: 'measured' | 'computed'
  /** Greatest lift coefficient, and one standard deviation of it. */
  limit(reynolds: number): { cl: number; band: number }
  /** Drag coefficient at a lift coefficient; held beyond the ends of the polar. */
  drag(cl: number, reynolds: number): number
  alphaZeroLift: number
  clAlpha: number
  cmQuarter: number
}

/** Reynolds numbers that computed polars stand at: each double the one before, from 10 000 to 10 million. */
const GRID = Array.from({ length: 11 }, (_, i) => 1e4 * 2 ** i)
/** A measured polar's own scatter. */
const MEASURED_BAND = 0.05

/** Polars of a section whose edge is closed, by their place in the grid: what an open edge adds is no work. */
const closedPolars = new WeakMap<SectionFlow, SectionPolar[]>()
function closedPolar(flow: SectionFlow, i: number): SectionPolar {
  const known = closedPolars.get(flow) ?? []
  closedPolars.set(flow, known)
  return (known[i] ??= sectionPolar(flow, GRID[i]))
}

interface Curve {
  reynolds: number
  clMax: number
  band: number
  cls: readonly number[]
  cds: readonly number[]
}

/**
 * Lift that a flat plate reaches before its long bubble fails, and one standard deviation: plates of 2 % are measured to
 * give 0.7 to 0.75 from Re 80 000 to 200 000 (Pelletier & Mueller, J. Aircraft 37, 2000). The one pass knows no bubble
 * that closes behind a sharp nose, and ends at half of it.
 */
const PLATE_LIFT = 0.65,
  PLATE_BAND = 0.1

/** `plate`: a flat one. */
export function sectionModel(
  flow: SectionFlow,
  gap: number,
  measured: readonly MeasuredPolar[],
  plate = false,
): SectionModel {
  const base = { alphaZeroLift: flow.alphaZeroLift, clAlpha: flow.clAlpha, cmQuarter: flow.cmQuarter }
  if (measured.length > 0) {
    const curves = [...measured].sort((a, b) => a.reynolds - b.reynolds).map(measuredCurve)
    return {
      ...base,
      source: 'measured',
      ...between(
        curves.map(curve => curve.reynolds),
        i => curves[i],
      ),
    }
  }
  const own: Curve[] = [],
    known: Curve[] = []
  const solved = (i: number) => computedCurve(closedPolar(flow, i), gap)
  const ownCurve = (i: number): Curve => (own[i] ??= plate ? bubbled(solved(i), flow) : solved(i))
  // Thinner air by Reynolds number never lifts more: where the guess at a bubble says so, the next number's
  // limit holds.
  const curve = (i: number): Curve =>
    (known[i] ??=
      GRID[i] < BUBBLE_RANGE
        ? { ...ownCurve(i), clMax: Math.min(ownCurve(i).clMax, curve(i + 1).clMax) }
        : ownCurve(i))
  return { ...base, source: 'computed', ...between(GRID, curve) }
}

function between(grid: readonly number[], curve: (i: number) => Curve): Pick<SectionModel, 'limit' | 'drag'> {
  const mix = (reynolds: number, value: (curve: Curve) => number): number => {
    const next = grid.findIndex(r => r >= reynolds)
    if (next <= 0) return value(curve(next === 0 ? 0 : grid.length - 1))
    const t = Math.log(reynolds / grid[next - 1]) / Math.log(grid[next] / grid[next - 1])
    const a = value(curve(next - 1))
    return a + (value(curve(next)) - a) * t
  }
  return {
    limit: re => ({ cl: mix(re, c => c.clMax), band: mix(re, c => c.band) }),
    drag: (cl, re) => mix(re, c => dragOf(c, cl)),
  }
}

function dragOf({ cls, cds }: Curve, cl: number): number {
  let k = 1
  while (k < cls.length - 1 && cls[k] < cl) k++
  const t = Math.min(1, Math.max(0, (cl - cls[k - 1]) / (cls[k] - cls[k - 1] || 1)))
  return cds[k - 1] + (cds[k] - cds[k - 1]) * t
}

/** The stretch on which lift rises with incidence, so that lift names a point. */
function risingCurve(
  reynolds: number,
  points: ReadonlyArray<{ cl: number; cd: number }>,
  clMax: number,
  band: number,
): Curve {
  const top = points.findIndex(p => p.cl >= clMax - 1e-9)
  let first = Math.max(0, top)
  while (first > 0 && points[first - 1].cl < points[first].cl) first--
  const kept = points.slice(first, Math.max(first + 2, top + 1))
  return { reynolds, clMax, band, cls: kept.map(p => p.cl), cds: kept.map(p => p.cd) }
}

const computedCurve = ({ reynolds, points, clMax }: SectionPolar, gap: number): Curve =>
  risingCurve(
    reynolds,
    points.map(({ cl, cd, friction }) => ({ cl, cd: cd + baseDrag(friction, gap) })),
    clMax,
    bandAt(reynolds).clMaxBand,
  )

/** Carried on to what a plate lifts; without suction at its nose all of its force stands square on it. */
function bubbled(curve: Curve, { clAlpha }: SectionFlow): Curve {
  if (curve.clMax >= PLATE_LIFT) return curve
  const least = Math.min(...curve.cds)
  const square = least + PLATE_LIFT * Math.tan(PLATE_LIFT / clAlpha)
  return {
    ...curve,
    clMax: PLATE_LIFT,
    band: PLATE_BAND,
    cls: [...curve.cls, PLATE_LIFT],
    cds: [...curve.cds, Math.max(square, curve.cds.at(-1)!)],
  }
}

const measuredCurve = ({ reynolds, points }: MeasuredPolar): Curve => {
  const plain = points.map(([, cl, cd]) => ({ cl, cd }))
  return risingCurve(reynolds, plain, firstMaximum(plain).cl, MEASURED_BAND)
}
