/**
 * A tail on a boom that bends: its own load turns it back, the more the faster the air. The loads of a flow are linear
 * in the flow, so that how far it turns is too: θ = κ·F·θ₁ with F = F(flow) + F(θ), from which θ follows at once.
 */
import type { Flow, SolvedFlows, Turn } from './flows'
import type { Circulation } from './lattice'

/** What carries the tail: where it is held, m aft, and its bending stiffness, N·m². */
export interface TailSpring {
  heldM: number
  EI: number
}

export interface SoftTail {
  /** Share of a force on the tail that the boom leaves at a dynamic pressure, Pa: vertical, and sideways. */
  left(axis: Turn, pressure: number): number
  /** The same flows with the tail turned by its loads at a dynamic pressure. */
  at(pressure: number): SolvedFlows
}

const TURNS: readonly Turn[] = ['pitch', 'yaw']

/**
 * Null where nothing is carried, or nothing of it stands aft of where the boom is held. The end of a cantilever of
 * length l under a force F turns by F·l²/2EI; l goes to where the tail's own turning puts its force. Twist of the boom
 * and weights are left out.
 */
export function softTail(flows: SolvedFlows, spring: TailSpring): SoftTail | null {
  const { panels } = flows.lattice
  if (!(spring.EI > 0) || panels.carried.every(value => value === 0)) return null
  const compliance = (axis: Turn): number => {
    const { force, moment } = carriedForce(flows, flows.turn(axis), axis)
    const arm = Math.abs(force) > 1e-9 ? moment / force - spring.heldM : 0
    return arm > 0 ? arm ** 2 / (2 * spring.EI) : 0
  }
  const axes = {
    pitch: { give: compliance('pitch'), own: carriedForce(flows, flows.turn('pitch'), 'pitch').force },
    yaw: { give: compliance('yaw'), own: carriedForce(flows, flows.turn('yaw'), 'yaw').force },
  }
  if (axes.pitch.give === 0 && axes.yaw.give === 0) return null
  const known = new Map<string, number>()
  const unit = (axis: Turn, key: string, of: () => Circulation | null): number => {
    const name = `${axis} ${key}`
    if (!known.has(name)) {
      const gamma = of()
      known.set(name, gamma ? carriedForce(flows, gamma, axis).force : 0)
    }
    return known.get(name)!
  }
  /** Force of a flow on what is carried, over twice the pressure, m². */
  const forceOf = (flow: Flow, axis: Turn): number => {
    let sum = 0
    flow.wind.forEach((value, k) => {
      if (value !== 0) sum += value * unit(axis, `wind ${k}`, () => flows.wind(k))
    })
    flow.spin.forEach((value, k) => {
      if (value !== 0) sum += value * unit(axis, `spin ${k}`, () => flows.spin(k))
    })
    for (const { id, sense, angle } of flow.deflections ?? [])
      if (angle !== 0) sum += angle * unit(axis, `${id} ${sense}`, () => flows.control(id, sense))
    return sum
  }
  const left = (axis: Turn, pressure: number) =>
    1 / (1 + axes[axis].give * 2 * pressure * Math.abs(axes[axis].own))
  return {
    left,
    at: pressure => ({
      ...flows,
      settled: flow => {
        const [pitch, yaw] = TURNS.map(axis => {
          // Up bends the trailing edges up; to starboard bends them to starboard. Either eases its own force.
          const sense = axis === 'pitch' ? -1 : 1
          return axes[axis].give === 0
            ? 0
            : sense * axes[axis].give * 2 * pressure * forceOf(flow, axis) * left(axis, pressure)
        })
        return { ...flow, turned: { pitch, yaw } }
      },
    }),
  }
}

/** Force on what is carried in the stream ahead, over ρV², and its moment about the origin; up, or to starboard. */
function carriedForce(
  { lattice: { panels } }: SolvedFlows,
  gamma: Circulation,
  axis: Turn,
): { force: number; moment: number } {
  const { a, b, carried, mirrored } = panels
  let force = 0,
    moment = 0
  for (let i = 0; i < panels.count; i++) {
    if (carried[i] === 0) continue
    const x = (a[3 * i] + b[3 * i]) / 2
    // F = Γ·V × l, and the port twin runs the other way up.
    const twin = mirrored[i] === 1 ? gamma.port[i] : 0
    const own =
      axis === 'pitch'
        ? (gamma.starboard[i] + twin) * (b[3 * i + 1] - a[3 * i + 1])
        : (twin - gamma.starboard[i]) * (b[3 * i + 2] - a[3 * i + 2])
    force += own
    moment += own * x
  }
  return { force, moment }
}
