/** What it takes to stay level at a speed: drag in trim, with the thrust line's moment. SI */
import type { PitchTables } from '../../assess'
import { rootBetween } from '../../power'
import type { Glider } from '../../toss'

export interface LevelFlight {
  speed: number
  drag: number
  alpha: number
  /** Trailing edge down, rad. */
  elevator: number
  /** More than the wing lifts, or more than the elevator's throw. */
  possible: boolean
}

/**
 * Lift is taken as the weight. `pull` and `under` turn the nose up: thrust, N, along a line that passes so
 * far under the CG.
 */
export function levelAt(
  glider: Glider,
  tables: PitchTables,
  speed: number,
  pull = 0,
  under = 0,
): LevelFlight {
  const pressure = (glider.density * speed ** 2 * glider.area) / 2
  const wanted = (glider.mass * glider.gravity) / pressure
  const stall = (tables.clMax - tables.clZero) / tables.clAlpha
  const moment = (pull * under) / (pressure * glider.chord)
  const alphaAt = (deflection: number) => liftingAt(glider, wanted, speed, deflection, stall)
  // Moment left at a deflection, the incidence always lifting the weight: one rising or falling curve.
  const left = (deflection: number) => glider.at(alphaAt(deflection), speed, deflection).Cm + moment
  const elevator = tables.elevator && Math.abs(tables.elevator.Cm) > 1e-6 ? trimmed(left, tables.elevator) : 0
  const alpha = alphaAt(elevator)
  const { CL, CD, Cm } = glider.at(alpha, speed, elevator)
  return {
    speed,
    drag: pressure * Math.max(1e-4, CD - tables.standingPropeller),
    alpha,
    elevator,
    possible: CL > 0.97 * wanted && (!tables.elevator || Math.abs(Cm + moment) < 0.02),
  }
}

function liftingAt(glider: Glider, wanted: number, speed: number, elevator: number, stall: number): number {
  let low = -0.25,
    high = stall
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2
    if (glider.at(middle, speed, elevator).CL < wanted) low = middle
    else high = middle
  }
  return (low + high) / 2
}

/** Within the throws; where no deflection holds it, the end that leaves less. */
const trimmed = (left: (deflection: number) => number, { up, down }: { up: number; down: number }): number =>
  up + down > 1e-9 ? rootBetween(left, -up, down, 1e-6) : 0
