/** What stretches, presses and bends the body: in flight, at the launch and on landing. SI. */
import type { MassEntry } from '../../mass'
import { bungeeAcceleration, bungeeLoadFactor, throwAcceleration } from '../../structure'
import { GRAVITY, mmToM, q, say, type Words } from '../../units'
import { airOf, planOf, type SolvedFlight } from '../flight'
import { shareOf } from './wing-loads'
import type { GearReport } from '../report'
import type { Designed } from '../resolve'

/** Tail surfaces lift at most about so much with everything hard over. */
export const TAIL_CL = 0.9

/** Standing thrust over weight, where it pulls on the body: more than all but the wildest drives give. */
const THRUST = 2

/** What a section of the body bears, one thing at a time: N·m, and N along it. */
export interface BodyBears {
  /** Its ends hanging down, which stretches its top; and bent the other way. */
  hogging: number
  sagging: number
  stretched: number
  pressed: number
  /** Share of it that is left in still air in the sun, where a launch is held. */
  launch: number
}

/** All that lies beyond a place as seen from the CG: Σm·|x − at| (kg·m), Σm (kg), Σm·z (kg·m). */
export interface Beyond {
  moment: number
  mass: number
  rise: number
}

/** Of a design: the wing carries the body over half a chord round the CG, the tail pushes its end, the motor its own. */
export interface BodyForces {
  /** Greatest and least load factor. */
  n: number
  least: number
  /** Half the stretch over which the wing holds it, m. */
  held: number
  /** The tailplane with its elevator hard over at cruise: place, m, and force, N. */
  tail: { x: number; force: number } | null
  /** Of two wings: where each lifts, m, and its share of the weight; none of one, which holds the body itself. */
  wings: Array<{ x: number; share: number }>
  /** Motors in the middle, m. */
  motor: { x: number; z: number } | null
  launch: 'hand' | 'bungee' | 'none'
  throwMs: number
  bungeeN: number
  /** Half the stretch that the ground holds, m, and how hard it pushes, over the weight; nothing where a net does. */
  contact: number
  factor: number
}

export function bodyForces(
  airframe: Designed,
  flight: SolvedFlight,
  contact: number,
  alpha: number,
): Omit<BodyForces, 'n' | 'least' | 'factor'> {
  const { plan } = flight,
    { horizontal, wing, second } = airframe.surfaces,
    { brief, equipment } = airframe.doc
  const level = horizontal ? planOf(horizontal) : null
  const pressure = (airOf(airframe.doc).density * brief.cruiseMs ** 2) / 2
  const half = airframe.body ? airframe.body.at(airframe.body.from).width / 2 : 0
  const motor = equipment.find(item => item.kind === 'motor' && Math.abs(item.yMm) <= Math.max(20, half))
  return {
    held: plan.mac / 2,
    tail: level && { x: level.macLead + level.mac / 4, force: pressure * level.area * TAIL_CL },
    wings: second
      ? [wing!, second].map(loft => {
          const { mac, macLead } = planOf(loft)
          return { x: macLead + mac / 4, share: shareOf(flight, loft.name, alpha) }
        })
      : [],
    motor: motor ? { x: mmToM(motor.xMm), z: mmToM(motor.zMm) } : null,
    launch: brief.launch === 'hand' || brief.launch === 'bungee' ? brief.launch : 'none',
    throwMs: brief.throwMs,
    bungeeN: brief.bungeeN,
    contact,
  }
}

/** Half the stretch that a belly lies on, share of the body's length. */
const CONTACT = 0.2
/**
 * Stretch over which the ground holds the body, m: legs push at one place; a belly lies on the ground round
 * the CG.
 */
export const contactLength = (body: { from: number; to: number }, gear: Pick<GearReport, 'on'>): number =>
  gear.on === 'legs' ? 1e-3 : CONTACT * mmToM(body.to - body.from)

/**
 * Moment at a place of the body that is held at its CG and hangs `factor` times as heavy, N·m: `beyond` is Σm·|x − at|
 * of all that lies beyond the place as seen from the CG, kg·m, `contact` half the stretch that holds it.
 */
export function hangingMoment(
  at: number,
  cg: number,
  mass: number,
  beyond: number,
  contact: number,
  factor: number,
): number {
  const lain = Math.max(0, contact - Math.abs(at - cg))
  return factor * GRAVITY * Math.max(0, beyond - (mass * lain * lain) / (4 * contact))
}

export const BODY_CASES = [
  'landing',
  'pull-up',
  'pushed over',
  'elevator hard over at cruise',
  'elevator hard over, nose down',
  'launch',
] as const
export type BodyCase = (typeof BODY_CASES)[number]

export interface BodyLoad {
  case: BodyCase
  /** Positive where the ends hang down, N·m, and where it is stretched, N. */
  moment: number
  axial: number
}

/** How far beyond a place, as seen from the CG, something acts, m. */
const lever = (x: number, at: number, ahead: boolean): number => Math.max(0, ahead ? at - x : x - at)

/** Half the width of a hand, or of what a hook is let into, m. */
const HAND = 0.04
/** Share of what goes along the body that has come together so far from where it is held, over `half` to either side. */
const taken = (at: number, cg: number, half: number): number => Math.min(1, Math.abs(at - cg) / half)

/**
 * Every case at a place, one after the other into `take`. `middle` is the height of the section's own middle, m: what
 * pushes along the body above or below it bends it.
 */
export function bodyCases(
  at: number,
  middle: number,
  cg: number,
  mass: number,
  beyond: Beyond,
  forces: BodyForces,
  take: (of: BodyCase, moment: number, axial: number) => void,
): void {
  const { n, least, held, tail, wings, motor, launch, contact, factor } = forces
  const hangs = (times: number, over = held) => hangingMoment(at, cg, mass, beyond.moment, over, times)
  const ahead = at < cg
  if (factor > 0) take('landing', hangs(factor, contact), 0)
  // Between a motor and the wing its thrust pulls, or pushes from behind, at full throttle; along the wing it fades.
  const pulls = motor === null || motor.x > at === ahead ? 0 : ahead ? 1 : -1
  const thrust = pulls * taken(at, cg, held) * THRUST * mass * GRAVITY
  take('pull-up', hangs(n) + (motor ? thrust * (motor.z - middle) : 0), thrust)
  if (least < 0) take('pushed over', -hangs(-least), 0)
  // Where two wings stand apart, what lies between them hangs from both.
  const lifted = GRAVITY * mass * wings.reduce((sum, { x, share }) => sum + share * lever(x, at, ahead), 0)
  if (lifted > 0) {
    take('pull-up', hangs(n) - n * lifted, thrust)
    if (least < 0) take('pushed over', -hangs(-least) - least * lifted, 0)
  }
  const arm = tail && !ahead ? lever(tail.x, at, false) : 0
  if (arm > 0) {
    take('elevator hard over at cruise', hangs(1) + tail!.force * arm, 0)
    take('elevator hard over, nose down', hangs(1) - tail!.force * arm, 0)
  }
  if (launch === 'none') return
  // It is held, or pulled, at its CG: what lies ahead is pushed along, what lies behind is dragged.
  const forward =
    launch === 'hand' ? throwAcceleration(forces.throwMs) : bungeeAcceleration(forces.bungeeN, mass)
  const lifts = launch === 'hand' ? 1 : bungeeLoadFactor(forces.bungeeN, mass * GRAVITY)
  const way = (ahead ? -1 : 1) * taken(at, cg, HAND)
  take(
    'launch',
    hangs(lifts) + way * forward * (beyond.rise - middle * beyond.mass),
    way * forward * beyond.mass,
  )
}

/**
 * How many times a case is borne, with bending and what goes along the body added up where each is worst, which errs on
 * the safe side.
 */
export function bodyReserve(bears: BodyBears, of: BodyCase, moment: number, axial: number): number {
  const used =
    Math.abs(moment) / (moment > 0 ? bears.hogging : bears.sagging) +
    Math.abs(axial) / (axial > 0 ? bears.stretched : bears.pressed)
  return Math.min(1e4, (of === 'launch' ? bears.launch : 1) / Math.max(1e-12, used))
}

/** What lies beyond a place. */
export function beyondOf(entries: readonly MassEntry[], at: number, cg: number): Beyond {
  const sums: Beyond = { moment: 0, mass: 0, rise: 0 }
  for (const { x, z, mass } of entries) {
    if (at < cg ? x >= at : x <= at) continue
    sums.moment += mass * Math.abs(x - at)
    sums.mass += mass
    sums.rise += mass * z
  }
  return sums
}

export function caseWords({ case: of }: BodyLoad, forces: BodyForces): Words {
  switch (of) {
    case 'landing':
      return say`at ${q(forces.factor, 'gₙ', 1)}`
    case 'pull-up':
      return forces.motor
        ? say`at ${q(forces.n, 'gₙ', 1)} and full throttle`
        : say`at ${q(forces.n, 'gₙ', 1)}`
    case 'pushed over':
      return say`at −${q(-forces.least, 'gₙ', 1)}`
    case 'launch':
      return forces.launch === 'hand'
        ? say`let go at ${q(forces.throwMs, 'm/s', 1)}`
        : say`pulled with ${q(forces.bungeeN, 'N', 0)}`
    default:
      return 'with the tail pushing'
  }
}
