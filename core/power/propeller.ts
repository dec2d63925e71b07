/**
 * A propeller by blade elements and momentum (Glauert 1935; tip and hub loss after Prandtl), each ring solved
 * for the one angle of its inflow, at rest as in flight (after Ning 2014 with the ratio of both momentum
 * equations). Quasi-steady, in line with the flow, the wake not contracted. SI
 */
import { keptByRotation, type BladeSection, type SectionForce } from './blade-section'
import { bladeAt, type Blades } from './blade'
import { rootBetween } from './root'

export interface Air {
  density: number
  /** Kinematic, m²/s. */
  viscosity: number
  /** Speed of sound, m/s; 343 where left out. */
  sound?: number
}

export interface PropellerPoint {
  speed: number
  /** rad/s */
  omega: number
  thrust: number
  torque: number
  /** V/nD */
  advance: number
  ct: number
  cp: number
  /** Thrust times speed over shaft power; 0 at rest and where nothing is pulled. */
  efficiency: number
  tipMach: number
}

/** One ring of the disc. */
export interface Ring {
  r: number
  width: number
  chord: number
  /** Angle of the flow to the plane of rotation, and incidence, rad. */
  inflow: number
  alpha: number
  cl: number
  cd: number
  reynolds: number
  /** What is added to the air at the disc: along the axis and round it, m/s. */
  along: number
  round: number
  thrust: number
  torque: number
  /** Tip and hub loss. */
  loss: number
}

/** Rings; cosine spacing keeps them small where the loss is. */
const RINGS = 22
const FLOOR = 1e-5
const SOUND = 343
/** Above this Mach number lift no longer grows, and drag does (Lock's fourth power). */
const MACH_TOP = 0.8,
  DRAG_RISE = 0.68

export interface Solved {
  point: PropellerPoint
  rings: Ring[]
}

/** `speed` not below nil, `omega` above nil. */
export function solvePropeller(
  blades: Blades,
  section: BladeSection,
  air: Air,
  omega: number,
  speed: number,
  rings = RINGS,
): Solved {
  const force: SectionForce = { cl: 0, cd: 0 }
  const { radius, root, count } = blades
  const found: Ring[] = []
  let thrust = 0,
    torque = 0
  for (let i = 0; i < rings; i++) {
    const edge = (k: number) => root + ((radius - root) * (1 - Math.cos((Math.PI * k) / rings))) / 2
    const from = edge(i),
      to = edge(i + 1)
    const ring = solveRing(blades, section, air, omega, speed, (from + to) / 2, to - from, force)
    found.push(ring)
    thrust += ring.thrust
    torque += ring.torque
  }
  const n = omega / (2 * Math.PI),
    diameter = 2 * radius
  const power = torque * omega
  return {
    rings: found,
    point: {
      speed,
      omega,
      thrust,
      torque,
      advance: speed / (n * diameter),
      ct: thrust / (air.density * n ** 2 * diameter ** 4),
      cp: power / (air.density * n ** 3 * diameter ** 5),
      efficiency: power > 0 && thrust > 0 ? (thrust * speed) / power : 0,
      tipMach: Math.hypot(omega * radius, speed) / (air.sound ?? SOUND),
    },
  }

  function solveRing(
    own: Blades,
    of: BladeSection,
    { density, viscosity, sound }: Air,
    spin: number,
    ahead: number,
    r: number,
    width: number,
    into: SectionForce,
  ): Ring {
    const { chord, twist } = bladeAt(own, r)
    const turning = spin * r
    const solidity = (count * chord) / (2 * Math.PI * r)
    const sized = Math.hypot(turning, ahead)
    const reynolds = (sized * chord) / viscosity
    const mach = Math.min(MACH_TOP, sized / (sound ?? SOUND))
    const stretch = 1 / Math.sqrt(1 - mach ** 2)
    const rise = mach > DRAG_RISE ? 20 * (mach - DRAG_RISE) ** 4 : 0
    const forces = (inflow: number) => {
      const alpha = twist - inflow
      of.at(alpha, reynolds, into)
      into.cl = stretch * keptByRotation(into.cl, alpha, of, chord / r)
      into.cd += rise
    }
    const lossAt = (inflow: number) => {
      const sine = Math.max(1e-9, Math.abs(Math.sin(inflow)))
      const tip = (count / 2) * ((radius - r) / (r * sine)),
        hub = (count / 2) * ((r - root) / (Math.max(1e-9, root) * sine))
      const share = (x: number) => (2 / Math.PI) * Math.acos(Math.exp(-Math.min(60, x)))
      return Math.max(1e-4, share(tip) * (root > 0 ? share(hub) : 1))
    }
    // Both momentum equations divided by each other: V (cosφ + κ') = Ωr (sinφ − κ), times sinφ.
    const residual = (inflow: number) => {
      forces(inflow)
      const sine = Math.sin(inflow),
        cosine = Math.cos(inflow)
      const share = solidity / (4 * lossAt(inflow))
      const normal = share * (into.cl * cosine - into.cd * sine),
        across = share * (into.cl * sine + into.cd * cosine)
      return ahead * (sine * cosine + across) - turning * (sine ** 2 - normal)
    }
    const inflow = rootBetween(residual, FLOOR, Math.PI / 2 - FLOOR, 1e-9)
    forces(inflow)
    const sine = Math.sin(inflow),
      cosine = Math.cos(inflow)
    const loss = lossAt(inflow)
    const share = solidity / (4 * loss * sine)
    const normal = into.cl * cosine - into.cd * sine,
      across = into.cl * sine + into.cd * cosine
    // Whichever side of the triangle is long gives the speed, so that neither rest nor standing blades divide by nil.
    const one = cosine + share * across,
      other = sine - share * normal
    const W = Math.sqrt((turning ** 2 + ahead ** 2) / Math.max(1e-12, one ** 2 + other ** 2))
    const pressure = (density * W ** 2 * chord * count * width) / 2
    return {
      r,
      width,
      chord,
      inflow,
      alpha: twist - inflow,
      cl: into.cl,
      cd: into.cd,
      reynolds,
      along: W * sine - ahead,
      round: turning - W * cosine,
      thrust: pressure * normal,
      torque: pressure * across * r,
      loss,
    }
  }
}

/** Greatest thrust at rest of a disc for a shaft power: (2ρA P²)^⅓. */
export const idealThrust = (power: number, radius: number, density: number): number =>
  Math.cbrt(2 * density * Math.PI * radius ** 2 * Math.max(0, power) ** 2)
