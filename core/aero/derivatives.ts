/**
 * Coefficients and derivatives about a point in stability axes, all from the flows of one factorisation.
 * Signs are the field's: β with the wind from starboard, roll to starboard, nose up and nose to starboard
 * positive. Rates are made dimensionless with b/2V (roll, yaw) and c̄/2V (pitch). Per radian throughout.
 */
import type { ControlSense, Flow, SolvedFlows } from './flows'
import { loadTable } from './load-table'
import { addLoads, type Loads } from './loads'

export interface Reference {
  area: number
  chord: number
  span: number
  x: number
}

/** Where moments are taken: usually the CG. m */
export interface MomentPoint {
  x: number
  z: number
}

export interface Deflection {
  id: string
  sense: ControlSense
  angle: number
}

/** CL, side force, and roll, pitch and yaw moments. CD is the induced part alone. */
export interface Coefficients {
  CL: number
  CD: number
  CY: number
  Cl: number
  Cm: number
  Cn: number
}

export interface Derivatives {
  at: Coefficients
  alpha: Coefficients
  beta: Coefficients
  p: Coefficients
  q: Coefficients
  r: Coefficients
  controls: Array<{ id: string; sense: ControlSense } & Coefficients>
}

/**
 * Unit vectors of stability axes in aircraft axes: with the wind, lift, and the axes that roll, pitch and yaw
 * turn about.
 */
const axesAt = (alpha: number) => {
  const c = Math.cos(alpha),
    s = Math.sin(alpha)
  return { drag: [c, 0, s], lift: [-s, 0, c], roll: [-c, 0, -s], yaw: [s, 0, -c] } as const
}
const dot = (a: readonly number[], b: readonly number[]): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]

function coefficients({ force, moment }: Loads, alpha: number, reference: Reference): Coefficients {
  const axes = axesAt(alpha)
  const k = 2 / reference.area
  return {
    CL: k * dot(force, axes.lift),
    CD: k * dot(force, axes.drag),
    CY: k * force[1],
    Cl: (k * dot(moment, axes.roll)) / reference.span,
    Cm: (k * moment[1]) / reference.chord,
    Cn: (k * dot(moment, axes.yaw)) / reference.span,
  }
}

/** Straight flight at an incidence with controls set. */
export const steady = (alpha: number, deflections: readonly Deflection[]): Flow => ({
  wind: [Math.cos(alpha), 0, Math.sin(alpha)],
  spin: [0, 0, 0],
  deflections,
})

/** Bound and wake loads of a state. */
function loadsOf(flows: SolvedFlows, state: Flow, about: readonly [number, number, number]): Loads {
  const table = loadTable(flows)
  const settled = flows.settled(state)
  return addLoads(table.bound(settled, settled, about), table.wake(settled, settled, about))
}

/**
 * Change of the loads for a small change of the state: circulation's and velocity's, each with the other as
 * it was.
 */
function changeOf(flows: SolvedFlows, from: Flow, by: Flow, about: readonly [number, number, number]): Loads {
  const table = loadTable(flows)
  const base = flows.settled(from),
    change = flows.settled(by)
  return addLoads(
    table.bound(change, base, about),
    table.bound(base, change, about),
    table.wake(change, base, about),
    table.wake(base, change, about),
  )
}

/** Coefficients in steady straight flight at an incidence of the x axis, rad, with controls set. */
export function coefficientsAt(
  flows: SolvedFlows,
  alpha: number,
  deflections: readonly Deflection[],
  point: MomentPoint,
  reference: Reference,
): Coefficients {
  return coefficients(loadsOf(flows, steady(alpha, deflections), [point.x, 0, point.z]), alpha, reference)
}

/** What one radian of a control does to the coefficients at an incidence. */
export function controlEffect(
  flows: SolvedFlows,
  alpha: number,
  control: Omit<Deflection, 'angle'>,
  point: MomentPoint,
  reference: Reference,
): Coefficients {
  const base = steady(alpha, [])
  const change: Flow = { wind: [0, 0, 0], spin: [0, 0, 0], deflections: [{ ...control, angle: 1 }] }
  return coefficients(changeOf(flows, base, change, [point.x, 0, point.z]), alpha, reference)
}

export function derivativesAt(
  flows: SolvedFlows,
  alpha: number,
  deflections: readonly Deflection[],
  point: MomentPoint,
  reference: Reference,
): Derivatives {
  const about: [number, number, number] = [point.x, 0, point.z]
  const axes = axesAt(alpha)
  const base = steady(alpha, deflections)
  const by = (flow: Flow) => coefficients(changeOf(flows, base, flow, about), alpha, reference)
  /** Turning about an axis through the moment point at one dimensionless unit. */
  const turning = (axis: readonly [number, number, number], rate: number) => {
    const spin: [number, number, number] = [axis[0] * rate, axis[1] * rate, axis[2] * rate]
    // Air at the origin moves by −ω × (0 − point).
    return by({ spin, wind: [spin[1] * point.z, spin[2] * point.x - spin[0] * point.z, -spin[1] * point.x] })
  }
  const still = [0, 0, 0] as const
  return {
    at: coefficients(loadsOf(flows, base, about), alpha, reference),
    alpha: by({ wind: [-Math.sin(alpha), 0, Math.cos(alpha)], spin: still }),
    beta: by({ wind: [0, -1, 0], spin: still }),
    p: turning(axes.roll, 2 / reference.span),
    q: turning([0, 1, 0], 2 / reference.chord),
    r: turning(axes.yaw, 2 / reference.span),
    controls: flows.controls.map(({ id, sense }) => ({
      id,
      sense,
      ...by({ wind: still, spin: still, deflections: [{ id, sense, angle: 1 }] }),
    })),
  }
}
