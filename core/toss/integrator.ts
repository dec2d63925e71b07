/** The adaptive integrator of the package (Cash & Karp 1990, fifth order), which ships no types. */
// @ts-expect-error -- there is no declaration file to find
import untyped from 'ode45-cash-karp'

export interface Integrator {
  y: Float64Array
  t: number
  dt: number
  /** One step within the tolerance; false at the limit. */
  step(limit?: number): boolean
}
type Derivative = (into: Float64Array, y: Float64Array, t: number) => void

export const integrator = untyped as (
  y0: Float64Array,
  derivative: Derivative,
  t0: number,
  dt0: number,
  options: {
    tol: number
    dtMinMag: number
    verbose: boolean
    /** What an error of each figure is told against. */
    errorScaleFunction(i: number): number
  },
) => Integrator
