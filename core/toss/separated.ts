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
}

export const squareDrag = (aspectRatio: number): number => 1.11 + 0.018 * Math.min(50, aspectRatio)

/** From the first strip that lets go to the last, rad. */
const WIDTH = (9 * Math.PI) / 180

/** Nothing before, all after, without a kink at either end. */
function share(alpha: number, at: number): number {
  const t = Math.max(0, Math.min(1, (alpha - at) / WIDTH + 0.5))
  return t ** 3 * (10 - 15 * t + 6 * t * t)
}

/** Of the plate at an incidence, per wing area. */
export function plate(alpha: number, { square, parts }: Plates): Pick<Airfoil, 'CL' | 'CD' | 'Cm'> {
  const normal = square * Math.sin(alpha)
  const total = parts.reduce((sum, part) => sum + part.share, 0)
  return {
    CL: total * normal * Math.cos(alpha),
    CD: total * normal * Math.sin(alpha),
    Cm: -parts.reduce((sum, part) => sum + part.share * part.arm, 0) * normal,
  }
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
    for (let i = 0; i <= 160; i++) {
      const alpha = sign * ((i / 160) * 0.7)
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
