/** Blades against each other: where their mass lies, and what one that is heavier pulls. SI */
import { bladeAt, type Blades } from './blade'

/** Thickness falls about so along a blade, so mass goes with the chord squared times it; same law as in its stress. */
const thinning = (share: number): number => 0.2 - 0.1 * share

/** Radius of a blade's centre of mass, m. */
export function bladeCentre(blades: Blades): number {
  let mass = 0,
    moment = 0
  for (let i = 0; i < 80; i++) {
    const r = blades.root + ((i + 0.5) / 80) * (blades.radius - blades.root)
    const own = bladeAt(blades, r).chord ** 2 * thinning(r / blades.radius)
    mass += own
    moment += own * r
  }
  return moment / mass
}

export interface Unbalance {
  /** Mass times radius that is left over, kg·m, and the force it pulls with, N. */
  moment: number
  force: number
  /** To take off each blade at `at`, kg. */
  trim: number[]
  /** Radius at which it is taken off, m. */
  at: number
}

/** Blades evenly round; `masses` in the order of turning, kg. */
export function unbalance(blades: Blades, masses: readonly number[], omega: number): Unbalance {
  const centre = bladeCentre(blades)
  const at = 0.85 * blades.radius
  let x = 0,
    y = 0
  masses.forEach((mass, i) => {
    const angle = (2 * Math.PI * i) / masses.length
    x += mass * Math.cos(angle)
    y += mass * Math.sin(angle)
  })
  const moment = Math.hypot(x, y) * centre
  const least = Math.min(...masses)
  return { moment, force: moment * omega ** 2, trim: masses.map(mass => ((mass - least) * centre) / at), at }
}
