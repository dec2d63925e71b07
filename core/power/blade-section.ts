/**
 * What a blade's section lifts and drags at any incidence and Reynolds number: our own polars as far as they hold, a
 * plate beyond them, and the lift that rotation keeps near the hub.
 */
import { sectionPolar, type SectionFlow } from '../aero'

export interface SectionForce {
  cl: number
  cd: number
}

export interface BladeSection {
  /** Lift slope per rad and zero-lift angle, rad, of flow that is attached. */
  clAlpha: number
  alphaZeroLift: number
  /** At an incidence, −π/2 to π/2, and a Reynolds number; written into `into`. */
  at(alpha: number, reynolds: number, into: SectionForce): void
}

/** Reynolds numbers that polars stand at. */
const GRID = [4e4, 8e4, 1.6e5, 3.2e5, 6.4e5]
const RAD = Math.PI / 180
/** Of the tables, rad: incidence from −90° to 90°. */
const STEP = RAD / 2,
  COUNT = 361
/** Attached flow ends there on the lower side: nothing flies a blade upside down for long. */
const LOWEST = -8 * RAD
/** Drag of a blade square to the flow (Hoerner: a plate of aspect ratio 8). */
const SQUARE = 1.11 + 0.018 * 8
/**
 * Blades as they are moulded or printed, blunt at the edges and rough, drag half as much again as the clean
 * section: on the safe side, until a thrust stand says otherwise. With it C_P at rest lies in the middle of
 * what small propellers show.
 */
const ROUGH = 1.5

export function bladeSection(flow: SectionFlow, gap = 0): BladeSection {
  const tables: Array<{ cl: Float64Array; cd: Float64Array }> = []
  const table = (i: number) => (tables[i] ??= tableAt(flow, GRID[i], gap))
  return {
    clAlpha: flow.clAlpha,
    alphaZeroLift: flow.alphaZeroLift,
    at(alpha, reynolds, into) {
      const place = Math.min(COUNT - 1.000001, Math.max(0, (alpha + Math.PI / 2) / STEP))
      const i = Math.floor(place),
        t = place - i
      const level = Math.min(GRID.length - 1.000001, Math.max(0, Math.log2(Math.max(1, reynolds) / GRID[0])))
      const k = Math.floor(level),
        s = level - k
      const low = table(k),
        high = s > 0 ? table(k + 1) : low
      const clLow = low.cl[i] + t * (low.cl[i + 1] - low.cl[i]),
        cdLow = low.cd[i] + t * (low.cd[i + 1] - low.cd[i])
      into.cl = clLow + s * (high.cl[i] + t * (high.cl[i + 1] - high.cl[i]) - clLow)
      into.cd = cdLow + s * (high.cd[i] + t * (high.cd[i + 1] - high.cd[i]) - cdLow)
      // Slower than any polar that can be trusted: friction grows as a laminar plate's, lift is held.
      if (reynolds < GRID[0]) into.cd *= Math.min(3, Math.sqrt(GRID[0] / Math.max(1, reynolds)))
    },
  }
}

/** The polar up to its greatest lift, and from there a plate's (Viterna & Corrigan 1982), without a step. */
function tableAt(flow: SectionFlow, reynolds: number, gap: number) {
  const polar = sectionPolar(flow, reynolds, gap, LOWEST, 18 * RAD)
  const top = Math.max(
    1,
    polar.points.findIndex(point => point.alpha >= polar.alphaMax - 1e-9),
  )
  const points = smoothed(polar.points.slice(0, top + 1)).map(point => ({ ...point, cd: ROUGH * point.cd }))
  const upper = plateFrom(points[points.length - 1])
  const lower = plateFrom({ ...points[0], alpha: -points[0].alpha, cl: Math.max(0.05, -points[0].cl) })
  const cl = new Float64Array(COUNT),
    cd = new Float64Array(COUNT)
  for (let i = 0; i < COUNT; i++) {
    const alpha = -Math.PI / 2 + i * STEP
    if (alpha > points[points.length - 1].alpha) ({ cl: cl[i], cd: cd[i] } = upper(alpha))
    else if (alpha < points[0].alpha) {
      const found = lower(-alpha)
      cl[i] = -found.cl
      cd[i] = found.cd
    } else {
      let k = 1
      while (k < points.length - 1 && points[k].alpha < alpha) k++
      const [a, b] = [points[k - 1], points[k]]
      const t = (alpha - a.alpha) / (b.alpha - a.alpha)
      cl[i] = a.cl + t * (b.cl - a.cl)
      cd[i] = a.cd + t * (b.cd - a.cd)
    }
  }
  return { cl, cd }
}

interface Place extends SectionForce {
  alpha: number
}

/** One pass of a boundary layer is rough from degree to degree; a blade sees the run of it. */
const smoothed = (points: readonly Place[]): Place[] =>
  points.map(({ alpha, cl, cd }, i) => {
    const a = points[i - 1],
      b = points[i + 1]
    return a && b
      ? { alpha, cl: (a.cl + 2 * cl + b.cl) / 4, cd: (a.cd + 2 * cd + b.cd) / 4 }
      : { alpha, cl, cd }
  })

function plateFrom({ alpha: at, cl, cd }: Place): (alpha: number) => SectionForce {
  const sine = Math.sin(at),
    cosine = Math.cos(at)
  const lift = ((cl - SQUARE * sine * cosine) * sine) / cosine ** 2
  const drag = (cd - SQUARE * sine ** 2) / cosine
  return alpha => ({
    cl: (SQUARE / 2) * Math.sin(2 * alpha) + (lift * Math.cos(alpha) ** 2) / Math.sin(alpha),
    cd: SQUARE * Math.sin(alpha) ** 2 + drag * Math.cos(alpha),
  })
}

/** Lift that rotation keeps attached is kept up to there and gone at the second, rad. */
const KEPT = 30 * RAD,
  GONE = 50 * RAD

/**
 * Rotation draws the separated layer outwards: 3 (c/r)² of what potential flow would lift above the section's own
 * (Snel, Houwink & Bosschers 1994).
 */
export function keptByRotation(
  cl: number,
  alpha: number,
  section: BladeSection,
  chordToRadius: number,
): number {
  if (alpha <= 0 || alpha >= GONE) return cl
  const potential = section.clAlpha * Math.sin(alpha - section.alphaZeroLift)
  const left = alpha < KEPT ? 1 : (1 + Math.cos((Math.PI * (alpha - KEPT)) / (GONE - KEPT))) / 2
  return cl + Math.min(1, 3 * chordToRadius ** 2) * left * Math.max(0, potential - cl)
}
