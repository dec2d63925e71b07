/** A propeller's blades as stations along the radius. SI, angles in rad. */

export interface BladeStation {
  /** From the axis, m. */
  r: number
  chord: number
  /** Of the chord line over the plane of rotation. */
  twist: number
}

export interface Blades {
  count: number
  /** To the tip, m. */
  radius: number
  /** Where the blade begins: hub, spinner or yoke, m. */
  root: number
  /** From root to tip. */
  stations: readonly BladeStation[]
}

/** How broad a blade is at its broadest, share of the radius. */
export const CHORD_LAWS = { narrow: 0.155, medium: 0.185, broad: 0.24 } as const
export type ChordLaw = keyof typeof CHORD_LAWS

/**
 * Chord from the hub to the tip at every tenth of the radius, share of the greatest: a rounded blade of common
 * form.
 */
const FORM = [0.5, 0.66, 0.82, 0.94, 1, 1, 0.95, 0.86, 0.73, 0.54, 0.12]
const ROOT = 0.12,
  FOLDING_ROOT = 0.18

function formAt(share: number): number {
  const place = Math.min(9.999999, Math.max(0, 10 * share))
  const i = Math.floor(place),
    t = place - i
  const at = (k: number) => FORM[Math.min(10, Math.max(0, k))]
  const [a, b, c, d] = [at(i - 1), at(i), at(i + 1), at(i + 2)]
  return b + (t / 2) * (c - a + t * (2 * a - 5 * b + 4 * c - d + t * (3 * (b - c) + d - a)))
}

/** Chord law and one pitch all along, as propellers are sold: β = atan(p / 2πr). */
export function bladesOf(spec: {
  diameter: number
  pitch: number
  count: number
  law: ChordLaw
  folding?: boolean
}): Blades {
  const radius = spec.diameter / 2
  const from = spec.folding ? FOLDING_ROOT : ROOT
  const stations = Array.from({ length: 23 }, (_, i) => {
    const share = from + ((1 - from) * i) / 22
    return {
      r: share * radius,
      chord: CHORD_LAWS[spec.law] * formAt(share) * radius,
      twist: Math.atan(spec.pitch / (2 * Math.PI * share * radius)),
    }
  })
  return { count: spec.count, radius, root: from * radius, stations }
}

/** Chord and twist at a radius, straight between stations, held beyond them. */
export function bladeAt({ stations }: Blades, r: number): { chord: number; twist: number } {
  let k = 1
  while (k < stations.length - 1 && stations[k].r < r) k++
  const [a, b] = [stations[k - 1], stations[k]]
  const t = Math.min(1, Math.max(0, (r - a.r) / Math.max(1e-12, b.r - a.r)))
  return { chord: a.chord + t * (b.chord - a.chord), twist: a.twist + t * (b.twist - a.twist) }
}
