/**
 * Past the stall: strips let go one after the other, and what has let go is a plate across the flow. Attached and
 * separated flow are blended smoothly; the blend is placed so that lift never passes the greatest that was computed.
 */
import type { Airfoil } from './fly'

export interface Plates {
  /** Drag of the plate square to the flow: 1.11 + 0.018 times the aspect ratio (Hoerner; Viterna & Janetzke 1982). */
  square: number
  /** Surfaces by their share of the wing's area, and how far aft of the CG their middle is, in mean chords. */
  parts: ReadonlyArray<{ share: number; arm: number }>
  /** Greatest lift either way, and the incidence of attached flow at which it is reached; all above nil. */
  stall: { up: { CL: number; alpha: number }; down: { CL: number; alpha: number } }
}

export const squareDrag = (aspectRatio: number): number => 1.11 + 0.018 * Math.min(50, aspectRatio)

/** Least lift, as a share of the greatest: sections are cambered. */
export const LEAST = -0.65

/** Where attached lift would reach its bounds, on its straight line; not under 3°. */
export function stallOf(clMax: number, clMin: number, clZero: number, clAlpha: number): Plates['stall'] {
  const at = (CL: number) => Math.max(0.05, Math.min(0.7, Math.abs((CL - clZero) / Math.max(0.1, clAlpha))))
  return { up: { CL: clMax, alpha: at(clMax) }, down: { CL: -clMin, alpha: at(clMin) } }
}

/** From the first strip that lets go to the last, rad. */
const WIDTH = (9 * Math.PI) / 180

/** Nothing before, all after, without a kink at either end. */
function share(alpha: number, at: number): number {
  const t = Math.max(0, Math.min(1, (alpha - at) / WIDTH + 0.5))
  return t ** 3 * (10 - 15 * t + 6 * t * t)
}

/**
 * What the greatest lift falls to once all strips have let go: thin sections at small Reynolds numbers lose a
 * fifth.
 */
const STALLED = 0.8

/**
 * Past the stall, per wing area (Viterna & Corrigan 1982): a plate's lift and drag, with what makes lift go
 * on from where it stalled and run out towards the plate's own. The normal force acts at the middle of the
 * surfaces.
 */
export function plate(alpha: number, { square, parts, stall }: Plates): Pick<Airfoil, 'CL' | 'CD' | 'Cm'> {
  const sine = Math.sin(alpha),
    cosine = Math.cos(alpha)
  const { CL: most, alpha: at } = alpha >= 0 ? stall.up : stall.down
  const s = Math.sin(at),
    near = s * s
  const left = ((STALLED * most - square * s * Math.cos(at)) * (s * s + near)) / (Math.cos(at) ** 2 * s)
  // Backwards through the air nothing of the stall is left.
  const CL = square * sine * cosine + (cosine > 0 ? (left * cosine ** 2 * sine) / (sine ** 2 + near) : 0)
  const CD = square * sine ** 2
  const total = parts.reduce((sum, part) => sum + part.share, 0)
  const arm = parts.reduce((sum, part) => sum + part.share * part.arm, 0) / Math.max(1e-9, total)
  return { CL, CD, Cm: -arm * (CL * cosine + CD * sine) }
}

export interface Edges {
  up: number
  down: number
}

/** Incidences at which half has let go, so that the greatest and least lift are those given. */
export function edgesFor(
  attached: (alpha: number) => number,
  plates: Plates,
  clMax: number,
  clMin: number,
): Edges {
  const peak = (at: number, sign: 1 | -1) => {
    let most = -Infinity
    // As far as strips let go: a plate far beyond may lift as much again, and says nothing of the stall.
    const far = at + WIDTH / 2
    for (let i = 0; i <= 160; i++) {
      const alpha = sign * (i / 160) * far
      const gone = share(sign * alpha, at)
      most = Math.max(most, sign * ((1 - gone) * attached(alpha) + gone * plate(alpha, plates).CL))
    }
    return most
  }
  const find = (wanted: number, sign: 1 | -1) => {
    let low = 0.01,
      high = 0.9
    for (let i = 0; i < 40; i++) {
      const middle = (low + high) / 2
      if (peak(middle, sign) > wanted) high = middle
      else low = middle
    }
    return (low + high) / 2
  }
  return { up: find(clMax, 1), down: find(-clMin, -1) }
}

/** Attached flow as far as it holds, the plate beyond. */
export function blended(alpha: number, attached: Airfoil, plates: Plates, edges: Edges): Airfoil {
  const gone = Math.max(share(alpha, edges.up), share(-alpha, edges.down))
  const flat = plate(alpha, plates)
  return {
    CL: (1 - gone) * attached.CL + gone * flat.CL,
    CD: (1 - gone) * attached.CD + gone * (flat.CD + attached.CD - attached.induced),
    Cm: (1 - gone) * attached.Cm + gone * flat.Cm,
    induced: (1 - gone) * attached.induced,
  }
}
