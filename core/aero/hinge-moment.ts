/**
 * Moment about the hinge of a plain flap by thin-aerofoil theory (Glauert 1927): the pressure of an incidence
 * and of a deflection on the part behind the hinge. Per flap chord squared, positive trailing edge down. Real
 * layers take a quarter or so off; nothing is taken off here, so servos are judged on the safe side.
 */

export interface HingeCoefficients {
  /** Per radian of incidence of the section, and of deflection. */ perAlpha: number
  perDeflection: number
}

/**
 * Flap of share E of the chord, 0 < E ≤ 1; by Gauss–Chebyshev points, the pressure's peak at the hinge has no
 * arm there.
 */
export function hingeCoefficients(chordShare: number): HingeCoefficients {
  const e = Math.min(1, Math.max(0.01, chordShare))
  const hinge = Math.acos(2 * e - 1)
  const steps = 600,
    h = (Math.PI - hinge) / steps
  let alpha = 0,
    deflection = 0
  for (let i = 0; i < steps; i++) {
    const theta = hinge + (i + 0.5) * h
    const x = (1 - Math.cos(theta)) / 2
    const weight = (x - (1 - e)) * (Math.sin(theta) / 2) * h
    const cot = 1 / Math.tan(theta / 2)
    // Pressure difference over q: 4·cot(θ/2) for incidence; a flap has its own share of it, and Σ 2 sin nθ_h
    // sin nθ/nπ in closed form.
    alpha -= 4 * cot * weight
    const peak =
      hinge <= 0 ? 0 : Math.log(Math.abs(Math.sin((theta + hinge) / 2) / Math.sin((theta - hinge) / 2)))
    deflection -= 4 * ((1 - hinge / Math.PI) * cot + peak / Math.PI) * weight
  }
  return { perAlpha: alpha / e ** 2, perDeflection: deflection / e ** 2 }
}

/**
 * Rod between a servo's arm and a horn, both square to it at rest, and long against both. Lengths in any one
 * unit, angles rad.
 */
export interface RodGeometry {
  arm: number
  horn: number
}

/** Turn of the servo for a deflection: arm·sin θ = horn·sin δ; null when the arm is too short to reach it. */
export function servoAngle({ arm, horn }: RodGeometry, deflection: number): number | null {
  const sine = (horn / arm) * Math.sin(Math.abs(deflection))
  return sine > 1 ? null : Math.asin(sine)
}

/** Torque at the servo for a moment about the hinge, by virtual work: T·dθ = H·dδ. Null when out of reach. */
export function servoTorque(rod: RodGeometry, hingeMoment: number, deflection: number): number | null {
  const angle = servoAngle(rod, deflection)
  if (angle === null) return null
  return Math.abs(hingeMoment) * ((rod.arm * Math.cos(angle)) / (rod.horn * Math.cos(deflection)))
}
