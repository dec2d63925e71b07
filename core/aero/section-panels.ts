/**
 * Inviscid flow about a section: vorticity that runs linearly along straight panels, no flow through their
 * middles, and the Kutta condition (Katz & Plotkin, Low-Speed Aerodynamics, 11.4.2). Solved for two winds;
 * every incidence is a sum of both. Lengths in chords, speeds in the wind's.
 */
import { factorise, solve } from './dense-solve'

export interface SectionFlow {
  x: Float64Array
  y: Float64Array
  /**
   * Surface speed at each outline point, positive clockwise, so aft on top: wind along the chord, and across
   * it.
   */
  along: Float64Array
  across: Float64Array
  /**
   * Lift slope per rad, zero-lift angle rad, moment about the quarter chord at zero lift and its growth per
   * lift.
   */
  clAlpha: number
  alphaZeroLift: number
  cmQuarter: number
  cmPerCl: number
}

/** Outline closed at the trailing edge, anticlockwise from it over the top; at least 20 panels. */
export function solveSection({ x, y }: { x: Float64Array; y: Float64Array }): SectionFlow {
  const n = x.length - 1,
    size = n + 1
  const matrix = new Float64Array(size * size),
    along = new Float64Array(size),
    across = new Float64Array(size)
  const out = new Float64Array(4)
  for (let i = 0; i < n; i++) {
    const length = Math.hypot(x[i + 1] - x[i], y[i + 1] - y[i])
    const tx = (x[i + 1] - x[i]) / length,
      ty = (y[i + 1] - y[i]) / length
    const px = (x[i] + x[i + 1]) / 2,
      py = (y[i] + y[i + 1]) / 2
    // Outward normal of an outline that runs anticlockwise is to the right of the way.
    for (let j = 0; j < n; j++) {
      panelVelocity(px, py, x[j], y[j], x[j + 1], y[j + 1], i === j, out)
      matrix[i * size + j] += out[0] * ty - out[1] * tx
      matrix[i * size + j + 1] += out[2] * ty - out[3] * tx
    }
    along[i] = -ty
    across[i] = tx
  }
  matrix[n * size] = 1
  matrix[n * size + n] = 1
  const factors = factorise(matrix, size)
  const flow = { x, y, along: solve(factors, along), across: solve(factors, across) }
  // Circulation of each wind gives lift 2Γ/c, linear in cos α and sin α.
  const circulation = (gamma: Float64Array) => {
    let sum = 0
    for (let j = 0; j < n; j++)
      sum += ((gamma[j] + gamma[j + 1]) / 2) * Math.hypot(x[j + 1] - x[j], y[j + 1] - y[j])
    return sum
  }
  const [base, turned] = [2 * circulation(flow.along), 2 * circulation(flow.across)]
  const alphaZeroLift = -Math.atan2(base, turned)
  const idle = pressureLoads(flow, alphaZeroLift),
    lifting = pressureLoads(flow, alphaZeroLift + 0.1)
  return {
    ...flow,
    clAlpha: Math.hypot(base, turned),
    alphaZeroLift,
    cmQuarter: idle.cmQuarter,
    cmPerCl: (lifting.cmQuarter - idle.cmQuarter) / (lifting.cl - idle.cl),
  }
}

/**
 * Speed at (px, py) by unit vorticity at a panel's first and at its last end, falling linearly to the other:
 * (u, w) twice.
 */
function panelVelocity(
  px: number,
  py: number,
  ax: number,
  ay: number,
  bx: number,
  by: number,
  own: boolean,
  out: Float64Array,
): void {
  const length = Math.hypot(bx - ax, by - ay)
  const cos = (bx - ax) / length,
    sin = (by - ay) / length
  const x = (px - ax) * cos + (py - ay) * sin,
    z = -(px - ax) * sin + (py - ay) * cos
  const logs = own ? 0 : Math.log((x * x + z * z) / ((x - length) ** 2 + z * z)) / 2
  // Outside lies to the right of an anticlockwise panel, at z = 0−.
  const turn = own ? -Math.PI : Math.atan2(z, x - length) - Math.atan2(z, x)
  const u0 = turn / (2 * Math.PI),
    w0 = -logs / (2 * Math.PI)
  const u1 = -(z * logs - x * turn) / (2 * Math.PI),
    w1 = -(x * logs - length + z * turn) / (2 * Math.PI)
  const ua = u0 - u1 / length,
    wa = w0 - w1 / length,
    ub = u1 / length,
    wb = w1 / length
  out[0] = ua * cos - wa * sin
  out[1] = ua * sin + wa * cos
  out[2] = ub * cos - wb * sin
  out[3] = ub * sin + wb * cos
}

/**
 * Surface speed at every outline point at an incidence, rad; inside the air stands still, so it is the
 * vorticity itself.
 */
export const surfaceSpeed = (flow: Pick<SectionFlow, 'along' | 'across'>, alpha: number): Float64Array =>
  flow.along.map((value, i) => value * Math.cos(alpha) + flow.across[i] * Math.sin(alpha))

/** Lift, drag (nil but for the panels' coarseness) and quarter-chord moment from the pressure 1 − v². */
export function pressureLoads(
  flow: Pick<SectionFlow, 'x' | 'y' | 'along' | 'across'>,
  alpha: number,
): { cl: number; cd: number; cmQuarter: number } {
  const { x, y } = flow
  const speed = surfaceSpeed(flow, alpha)
  let fx = 0,
    fy = 0,
    moment = 0
  for (let i = 0; i + 1 < x.length; i++) {
    // Speed runs linearly along the panel: the mean of its square.
    const a = speed[i],
      b = speed[i + 1]
    const cp = 1 - (a * a + a * b + b * b) / 3
    const dx = x[i + 1] - x[i],
      dy = y[i + 1] - y[i]
    fx -= cp * dy
    fy += cp * dx
    moment -= cp * (dx * ((x[i] + x[i + 1]) / 2 - 0.25) + (dy * (y[i] + y[i + 1])) / 2)
  }
  return {
    cl: fy * Math.cos(alpha) - fx * Math.sin(alpha),
    cd: fx * Math.cos(alpha) + fy * Math.sin(alpha),
    cmQuarter: moment,
  }
}
