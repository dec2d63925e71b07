/**
 * Moments of inertia of one thing, kg·m². xx is ∫y²+z²; xz is the product ∫xz (no sign taken into it). Aircraft
 * axes: x aft, z up.
 */
export interface InertiaFigures {
  xx: number
  yy: number
  zz: number
  xz: number
}

export const NO_INERTIA: InertiaFigures = { xx: 0, yy: 0, zz: 0, xz: 0 }
