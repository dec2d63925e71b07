/**
 * Load factors that flight puts on the wing: pull-up, gusts, and the envelope of speed against load factor.
 * SI.
 */

export interface GustInput {
  density: number
  speed: number
  gust: number
  clAlpha: number
  area: number
  chord: number
  mass: number
  gravity: number
}

/**
 * Change of load factor by a gust of vertical speed U: Δn = K_g·ρ·U·V·CL_α·S/(2W), with the alleviation
 * K_g = 0.88μ/(5.3 + μ) and the mass ratio μ = 2m/(ρ·c̄·CL_α·S) (Pratt, NACA TR 1206). Small changes of
 * incidence.
 */
export function gustIncrement({ density, speed, gust, clAlpha, area, chord, mass, gravity }: GustInput): {
  increment: number
  alleviation: number
  massRatio: number
} {
  const massRatio = (2 * mass) / (density * chord * clAlpha * area)
  const alleviation = (0.88 * massRatio) / (5.3 + massRatio)
  return {
    increment: (alleviation * density * gust * speed * clAlpha * area) / (2 * mass * gravity),
    alleviation,
    massRatio,
  }
}

export interface EnvelopeInput {
  stallSpeed: number
  cruise: number
  topSpeed: number
  limit: number
  /** Change of load factor by the gust at cruise and by half of it at top speed. */ gustCruise: number
  gustTop: number
}

export interface Envelope {
  /**
   * What the stall lets it pull and the limit allows, upwards and (at 40 % of both) downwards, at rising
   * speeds.
   */
  pull: Array<{ speed: number; up: number; down: number }>
  /** Gust lines from 1 g. */
  gusts: Array<{ speed: number; up: number; down: number }>
  /**
   * Greatest load factor of all, where, and by what; a gust at a speed where the wing would stall first
   * counts as the stall.
   */
  governing: { n: number; speed: number; by: string }
  /**
   * The corners that the wing is held against: speed and load factor together, since the sections' own moments
   * twist with the square of the speed. What lies between two of them is borne where both are.
   */
  corners: Corner[]
}

export interface Corner {
  id: CornerId
  n: number
  speed: number
  by: string
}
export type CornerId =
  'pull' | 'pull-top' | 'gust' | 'gust-top' | 'dive' | 'push' | 'push-top' | 'gust-down' | 'gust-down-top'

/**
 * Inverted flight is flown at this share of the upright limit, and a wing's inverted stall comes at as much
 * of its lift.
 */
const INVERTED = 0.4

export function envelope({
  stallSpeed,
  cruise,
  topSpeed,
  limit,
  gustCruise,
  gustTop,
}: EnvelopeInput): Envelope {
  const top = Math.max(topSpeed, cruise, stallSpeed * 1.2)
  const stalls = (speed: number) => (speed / stallSpeed) ** 2
  const steps = 48
  const pull = Array.from({ length: steps + 1 }, (_, i) => {
    const speed = (top * i) / steps
    return { speed, up: Math.min(limit, stalls(speed)), down: -INVERTED * Math.min(limit, stalls(speed)) }
  })
  const gusts = [
    { speed: 0, up: 1, down: 1 },
    { speed: cruise, up: 1 + gustCruise, down: 1 - gustCruise },
    { speed: top, up: 1 + gustTop, down: 1 - gustTop },
  ]
  // Where the stall comes before the limit at every speed that is flown, the limit stands at the fastest.
  const manoeuvre = Math.min(stallSpeed * Math.sqrt(limit), top)
  const up = [
    { id: 'pull', n: limit, speed: manoeuvre, by: 'pull-up' },
    { id: 'pull-top', n: Math.min(limit, Math.max(1, stalls(top))), speed: top, by: 'pull-up at top speed' },
    { id: 'gust', n: Math.min(1 + gustCruise, stalls(cruise)), speed: cruise, by: 'gust at cruise' },
    { id: 'gust-top', n: Math.min(1 + gustTop, stalls(top)), speed: top, by: 'gust at top speed' },
  ] satisfies Corner[]
  const down = [
    { id: 'push', n: -INVERTED * limit, speed: manoeuvre, by: 'pushed over' },
    { id: 'push-top', n: -INVERTED * limit, speed: top, by: 'pushed over at top speed' },
    {
      id: 'gust-down',
      n: Math.max(1 - gustCruise, -INVERTED * stalls(cruise)),
      speed: cruise,
      by: 'gust down at cruise',
    },
    {
      id: 'gust-down-top',
      n: Math.max(1 - gustTop, -INVERTED * stalls(top)),
      speed: top,
      by: 'gust down at top speed',
    },
  ] satisfies Corner[]
  const corners: Corner[] = [
    ...up.filter(corner => !corner.id.startsWith('gust') || corner.n > limit || corner.speed < manoeuvre),
    { id: 'dive', n: 1, speed: top, by: 'top speed' },
    ...down.filter(corner => !corner.id.startsWith('gust') || corner.n < -INVERTED * limit),
  ]
  return { pull, gusts, corners, governing: up.reduce((a, b) => (b.n > a.n ? b : a)) }
}
