/**
 * The modes of small disturbances about level flight in stability axes (Etkin & Reid, Dynamics of Flight, ch.
 * 4 and 6): two systems of four states. Quasi-steady; thrust does not change with speed; lag of downwash is
 * left out, so pitch is damped a little more than said here.
 */
import { EigenvalueDecomposition, Matrix } from 'ml-matrix'
import type { Derivatives, Reference } from './derivatives'

export interface Inertia {
  /** kg·m² about the CG: roll, pitch, yaw, and the product ∫xz with x forward and z down. */ xx: number
  yy: number
  zz: number
  xz: number
}

export interface FlightState {
  mass: number
  speed: number
  density: number
  gravity: number
  reference: Reference
  inertia: Inertia
  /** Drag of all kinds, and its slope per rad. */ CD: number
  CDalpha: number
}

export interface Mode {
  /** 1/s; negative decays. */
  growth: number
  /** rad/s; nil for one that does not swing. */
  frequency: number
}

const modesOf = (matrix: number[][]): Mode[] => {
  // The decomposition turns round for ever on a figure that is none.
  if (!matrix.flat().every(Number.isFinite)) return []
  const found = new EigenvalueDecomposition(new Matrix(matrix))
  return found.realEigenvalues
    .map((growth, i) => ({ growth, frequency: found.imaginaryEigenvalues[i] }))
    .filter(mode => mode.frequency >= 0)
}

/** States: forward speed, downward speed (m/s), pitch rate, pitch angle. */
export function longitudinalMatrix(
  d: Derivatives,
  { mass, speed, density, gravity, reference: { area, chord }, inertia, CD, CDalpha }: FlightState,
): number[][] {
  const force = (density * speed * area) / (2 * mass),
    moment = (density * speed * area * chord) / (2 * inertia.yy)
  const half = chord / (2 * speed)
  return [
    [-2 * force * CD, force * (d.at.CL - CDalpha), 0, -gravity],
    [-2 * force * d.at.CL, -force * (d.alpha.CL + CD), speed * (1 - force * half * d.q.CL), 0],
    [0, moment * d.alpha.Cm, moment * half * speed * d.q.Cm, 0],
    [0, 0, 1, 0],
  ]
}

/** States: sideslip, roll rate, yaw rate, bank. */
export function lateralMatrix(
  d: Derivatives,
  { mass, speed, density, gravity, reference: { area, span }, inertia }: FlightState,
): number[][] {
  const q = (density * speed * speed) / 2
  const half = span / (2 * speed)
  const side = (q * area) / (mass * speed)
  const [l, n] = [
    (['beta', 'p', 'r'] as const).map(k => q * area * span * d[k].Cl * (k === 'beta' ? 1 : half)),
    (['beta', 'p', 'r'] as const).map(k => q * area * span * d[k].Cn * (k === 'beta' ? 1 : half)),
  ]
  // Roll and yaw accelerations with the product of inertia: [Ixx −Ixz; −Ixz Izz]⁻¹ [L; N].
  const determinant = inertia.xx * inertia.zz - inertia.xz ** 2
  const roll = l.map((value, i) => (inertia.zz * value + inertia.xz * n[i]) / determinant),
    yaw = n.map((value, i) => (inertia.xx * value + inertia.xz * l[i]) / determinant)
  return [
    [side * d.beta.CY, side * half * d.p.CY, side * half * d.r.CY - 1, gravity / speed],
    [roll[0], roll[1], roll[2], 0],
    [yaw[0], yaw[1], yaw[2], 0],
    [0, 1, 0, 0],
  ]
}

export interface Handling {
  /** Slow swing between speed and height; fast swing in pitch. Two modes each when they do not swing. */
  phugoid: Mode[]
  shortPeriod: Mode[]
  roll: Mode
  spiral: Mode
  dutchRoll: Mode[]
}

/**
 * Sorts the modes: the fast pair in pitch is the short period; of the lateral ones the swing is the Dutch
 * roll, the fastest other one roll.
 */
export function handling(d: Derivatives, state: FlightState): Handling {
  const size = (mode: Mode) => Math.hypot(mode.growth, mode.frequency)
  const pitch = modesOf(longitudinalMatrix(d, state)).sort((a, b) => size(a) - size(b))
  const swings = pitch.filter(mode => mode.frequency > 0)
  const still = pitch.filter(mode => mode.frequency === 0)
  const pairs: Record<number, () => [Mode[], Mode[]]> = {
    0: () => [pitch.slice(0, 2), pitch.slice(2)],
    1: () => (size(swings[0]) > size(still[0]) ? [still, swings] : [swings, still]),
    2: () => [[swings[0]], [swings[1]]],
  }
  const [slow, fast] = pairs[swings.length]()
  const lateral = modesOf(lateralMatrix(d, state))
  const steady = lateral.filter(mode => mode.frequency === 0).sort((a, b) => a.growth - b.growth)
  const dutch = lateral.filter(mode => mode.frequency > 0).sort((a, b) => size(b) - size(a))
  if (steady.length >= 2) {
    // The quickest to die is roll; the slowest of all is the spiral; two others are a Dutch roll that does
    // not swing.
    const roll = steady[0],
      spiral = steady.slice(1).reduce((a, b) => (Math.abs(b.growth) < Math.abs(a.growth) ? b : a))
    return {
      phugoid: slow,
      shortPeriod: fast,
      roll,
      spiral,
      dutchRoll: dutch.length ? dutch : steady.filter(mode => mode !== roll && mode !== spiral),
    }
  }
  // Roll and spiral have joined into a slow swing of their own.
  return {
    phugoid: slow,
    shortPeriod: fast,
    roll: dutch[1] ?? dutch[0],
    spiral: dutch[1] ?? dutch[0],
    dutchRoll: dutch.slice(0, 1),
  }
}

/** Time to half, or to double when it grows, s; infinite when neither. */
export const halfTime = ({ growth }: Mode): number => (growth === 0 ? Infinity : Math.LN2 / Math.abs(growth))
/** Share of critical damping, and period in s (infinite without a swing). */
export const damping = (mode: Mode): number => -mode.growth / (Math.hypot(mode.growth, mode.frequency) || 1)
export const period = ({ frequency }: Mode): number => (frequency > 0 ? (2 * Math.PI) / frequency : Infinity)
