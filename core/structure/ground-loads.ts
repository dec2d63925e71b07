/** What launches and landings do to the airframe besides flying it. SI. */

/** An arm speeds the aircraft up over about this way, m. */
const ARM_WAY = 1.1
/** Grass, and a belly that gives, stop a belly landing over about this, m; a net over about so much. */
export const BELLY_STROKE = 0.025
const NET_WAY = 1

/** Steady acceleration of a hand throw that lets go at `speed`, m/s²: v²/2s. */
export const throwAcceleration = (speed: number): number => (speed * speed) / (2 * ARM_WAY)
/** Of a bungee's pull, forward, m/s². */
export const bungeeAcceleration = (pull: number, mass: number): number => pull / mass
/**
 * Load factor while a bungee pulls it up at about 45°: the lift bears the weight and that part of the pull.
 */
export const bungeeLoadFactor = (pull: number, weight: number): number => 1 + (pull * Math.SQRT1_2) / weight
/** Deceleration in a net, m/s². */
export const netDeceleration = (speed: number): number => (speed * speed) / (2 * NET_WAY)

/** Sink speed of a drop from a height, m/s. */
export const sinkSpeed = (height: number, gravity: number): number => Math.sqrt(2 * gravity * height)

/**
 * A wingtip that strikes the ground first at the sink speed: the aircraft's mass as felt at the tip, 1/(1/m +
 * y²/I_roll), on the wing as a spring of stiffness k: F = v·√(k·m_tip). Held by nothing else: an upper bound
 * for that speed.
 */
export function tipStrike(
  speed: number,
  stiffness: number,
  mass: number,
  rollInertia: number,
  y: number,
): { force: number; tipMass: number } {
  const tipMass = 1 / (1 / mass + (y * y) / rollInertia)
  return { force: speed * Math.sqrt(stiffness * tipMass), tipMass }
}
