/** What a turning blade bears at its worst place: its own pull outwards, and thrust that bends it forward. SI */
import type { PropellerSpec } from '../../document'
import { bladeAt, type Blades } from '../../power'

/** Density, and what it bears in use with a margin for notches and wear, Pa. */
export const BLADE_MATERIALS: Record<PropellerSpec['material'], { density: number; bears: number }> = {
  moulded: { density: 1250, bears: 35e6 },
  wood: { density: 700, bears: 25e6 },
  carbon: { density: 1550, bears: 150e6 },
  // Layers run along the blade or they do not; across them little is left.
  printed: { density: 1240, bears: 9e6 },
}

/**
 * Thickness over chord at the root and at the tip; share of the box round a section that it fills, and of its
 * W = bh²/6.
 */
const THICK = 0.2,
  THIN = 0.1
const FILLS = 0.7,
  BENDS = 0.55

export interface Loaded {
  r: number
  thrust: number
}

/** Greatest stress, Pa, where at most, share of the radius. `rings` bear thrust of all blades together. */
export function bladeStress(
  blades: Blades,
  material: PropellerSpec['material'],
  omega: number,
  rings: readonly Loaded[],
): { stress: number; at: number; bears: number } {
  const { density, bears } = BLADE_MATERIALS[material]
  const places = 60
  const step = (blades.radius - blades.root) / places
  let pull = 0,
    stress = 0,
    at = 0
  for (let i = places - 1; i >= 0; i--) {
    const r = blades.root + (i + 0.5) * step
    const { chord } = bladeAt(blades, r)
    const share = r / blades.radius
    const thick = chord * (THICK + (THIN - THICK) * share)
    const area = FILLS * chord * thick
    pull += density * area * step * r * omega ** 2
    const bending = rings.reduce(
      (sum, ring) => sum + (Math.max(0, ring.r - r) * ring.thrust) / blades.count,
      0,
    )
    const modulus = (BENDS * chord * thick ** 2) / 6
    const own = pull / area + Math.abs(bending) / modulus
    // Towards the tip nothing is left to break off; rounding would speak there.
    if (share < 0.9 && own > stress) [stress, at] = [own, share]
  }
  return { stress, at, bears }
}
