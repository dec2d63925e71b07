/** A glider told by a handful of figures: what a textbook would give. SI, per radian. */
import { blended, edgesFor, LEAST, squareDrag, stallOf, type Plates } from './separated'
import type { Glider } from './fly'

export interface SimpleGlider {
  mass: number
  inertia: number
  area: number
  chord: number
  span?: number
  density: number
  gravity?: number
  CL0: number
  CLalpha: number
  CD0: number
  /** CD = CD0 + k·CL². */
  k: number
  Cm0: number
  Cmalpha: number
  CLq: number
  Cmq: number
  /** Per radian of elevator, trailing edge down. */
  CLelevator?: number
  Cmelevator?: number
  /** Left out: it never stalls. */
  CLmax?: number | null
}

export function simpleGlider(given: SimpleGlider): Glider {
  const span = given.span ?? given.area / given.chord
  const attached = (alpha: number, elevator: number) => {
    const CL = given.CL0 + given.CLalpha * alpha + (given.CLelevator ?? 0) * elevator
    const induced = given.k * CL ** 2
    return {
      CL,
      CD: given.CD0 + induced,
      induced,
      Cm: given.Cm0 + given.Cmalpha * alpha + (given.Cmelevator ?? 0) * elevator,
    }
  }
  const plates: Plates = {
    square: squareDrag(span ** 2 / given.area),
    // Pitching to and fro past the stall as the moment did before it: the plate's middle, seen from the CG.
    parts: [{ share: 1, arm: given.CLalpha > 0 ? -given.Cmalpha / given.CLalpha + 0.25 : 0.25 }],
    stall: stallOf(given.CLmax ?? 1, LEAST * (given.CLmax ?? 1), given.CL0, given.CLalpha),
  }
  const edges =
    given.CLmax === null || given.CLmax === undefined
      ? null
      : edgesFor(alpha => attached(alpha, 0).CL, plates, given.CLmax, LEAST * given.CLmax)
  return {
    mass: given.mass,
    inertia: given.inertia,
    area: given.area,
    chord: given.chord,
    span,
    density: given.density,
    gravity: given.gravity ?? 9.80665,
    CLq: given.CLq,
    Cmq: given.Cmq,
    at: (alpha, _speed, elevator) => {
      const here = attached(alpha, elevator)
      return edges ? blended(alpha, here, plates, edges) : here
    },
  }
}
