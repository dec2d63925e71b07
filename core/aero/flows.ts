/**
 * Flows over a solved lattice: the air's speed along three axes, three rotations and every control, each
 * solved once for a unit of it; any state of flight is a sum of these. Unit speed and density; x aft, y
 * starboard, z up.
 */
import {
  circulation,
  factoriseLattice,
  normalFlow,
  type Circulation,
  type Lattice,
  type NormalFlow,
} from './lattice'
import type { Panels } from './panels'

/** Both halves together, or one against the other (starboard's edge up, port's down, when positive). */
export type ControlSense = 'together' | 'opposed'

/** Air's velocity at the origin, the aircraft's rotation about it (rad/s per m/s), and deflections, rad. */
export interface Flow {
  wind: readonly [x: number, y: number, z: number]
  spin: readonly [x: number, y: number, z: number]
  deflections?: ReadonlyArray<{ id: string; sense: ControlSense; angle: number }>
  /** By how much what is carried softly is turned, rad: trailing edges down, and to starboard. */
  turned?: Readonly<Record<Turn, number>>
}
/** Ways in which what is carried softly turns. */
export type Turn = 'pitch' | 'yaw'

export interface SolvedFlows {
  lattice: Lattice
  /**
   * Circulation for one unit of air along an axis, of turning about it, of a control; solved when first asked
   * for.
   */
  wind(axis: number): Circulation
  spin(axis: number): Circulation
  control(id: string, sense: ControlSense): Circulation | null
  /** For one radian by which all that is carried softly turns. */
  turn(axis: Turn): Circulation
  /** A state with what follows from it by itself: how far its own loads turn what is carried softly. Linear. */
  settled(flow: Flow): Flow
  /** Every control with the senses it can be moved in. */
  controls: ReadonlyArray<{ id: string; sense: ControlSense }>
}

const AXES = [
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1],
] as const
const STILL = [0, 0, 0] as const

/** Air's velocity relative to the aircraft: the wind less the aircraft's own turning, ω × r. */
export function velocityOf({
  wind,
  spin,
}: Pick<Flow, 'wind' | 'spin'>): (x: number, y: number, z: number, out: Float64Array) => void {
  return (x, y, z, out) => {
    out[0] = wind[0] - (spin[1] * z - spin[2] * y)
    out[1] = wind[1] - (spin[2] * x - spin[0] * z)
    out[2] = wind[2] - (spin[0] * y - spin[1] * x)
  }
}

/**
 * Factorises once; six motions, and each control together and, where it has a twin, opposed, are then one
 * solution each.
 */
export function solveFlows(panels: Panels): SolvedFlows {
  const lattice = factoriseLattice(panels)
  const known = new Map<string, Circulation>()
  const remember = (key: string, make: () => Circulation) => {
    if (!known.has(key)) known.set(key, make())
    return known.get(key)!
  }
  const moving = (flow: Pick<Flow, 'wind' | 'spin'>) =>
    circulation(lattice, normalFlow(panels, velocityOf(flow)))
  return {
    lattice,
    controls: [...panels.controls.keys()].flatMap(id => sensesOf(panels, id).map(sense => ({ id, sense }))),
    wind: axis => remember(`wind ${axis}`, () => moving({ wind: AXES[axis], spin: STILL })),
    spin: axis => remember(`spin ${axis}`, () => moving({ wind: STILL, spin: AXES[axis] })),
    control: (id, sense) => {
      const weights = panels.controls.get(id)
      return weights
        ? remember(`${id} ${sense}`, () => circulation(lattice, deflectionFlow(panels, weights, sense)))
        : null
    },
    turn: axis => remember(`turn ${axis}`, () => circulation(lattice, turnFlow(panels, axis))),
    settled: flow => flow,
  }
}

const sensesOf = (panels: Panels, id: string): ControlSense[] => {
  const weights = panels.controls.get(id)!
  return weights.some((weight, i) => weight !== 0 && panels.mirrored[i] === 1)
    ? ['together', 'opposed']
    : ['together']
}

/** One radian, trailing edge down (for a fin: to starboard); opposed has the starboard edge up. */
function deflectionFlow(panels: Panels, weights: Float64Array, sense: ControlSense): NormalFlow {
  const flip = sense === 'opposed' ? -1 : 1
  return {
    starboard: weights.map(w => flip * w),
    port: weights.map((w, i) => (panels.mirrored[i] === 1 ? w : 0)),
  }
}

/** All that is carried turned by one radian as one piece: its normals lean, by their own directions. */
function turnFlow(panels: Panels, axis: Turn): NormalFlow {
  // A fin's trailing edge to starboard lifts to port.
  const by = (i: number) =>
    panels.carried[i] * (axis === 'pitch' ? panels.normal[2 * i + 1] : -panels.normal[2 * i])
  const starboard = Float64Array.from({ length: panels.count }, (_, i) => by(i))
  const across = axis === 'pitch' ? 1 : -1
  return { starboard, port: starboard.map((value, i) => (panels.mirrored[i] === 1 ? across * value : 0)) }
}

/** Sum of the unit circulations in the proportions of a flow. */
export function circulationOf(flows: SolvedFlows, flow: Flow): Circulation {
  const { count } = flows.lattice.panels
  const sum: Circulation = { starboard: new Float64Array(count), port: new Float64Array(count) }
  const add = (part: Circulation | null, factor: number) => {
    if (!part) return
    for (let i = 0; i < count; i++) {
      sum.starboard[i] += factor * part.starboard[i]
      sum.port[i] += factor * part.port[i]
    }
  }
  flow.wind.forEach((value, k) => {
    if (value !== 0) add(flows.wind(k), value)
  })
  flow.spin.forEach((value, k) => {
    if (value !== 0) add(flows.spin(k), value)
  })
  for (const { id, sense, angle } of flow.deflections ?? [])
    if (angle !== 0) add(flows.control(id, sense), angle)
  for (const axis of ['pitch', 'yaw'] as const)
    if (flow.turned?.[axis]) add(flows.turn(axis), flow.turned[axis])
  return sum
}
