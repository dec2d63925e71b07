/** Ribs of a surface that is covered with film: where they stand, and the holes that make them light. mm */
import type { Ribs } from '../document'
import { boxOf, cut, featureAt, type Feature } from './feature'
import { gapAt, outlineAt, planAt, type SurfaceLoft } from './surface-loft'

/** What of the ribs of a zone shapes them. */
export type RibShape = Pick<Ribs, 'pitchMm' | 'thicknessMm' | 'rimMm'> & { zone: string }

/** A place at which a rib must stand: beyond it (1), before it (−1), or astride (0). */
export interface RibMark {
  at: number
  side: -1 | 0 | 1
}

/** Ribs nearer to each other than this, or than three times their thickness, are one; mm. */
const APART = 10
/** Ribs of one stretch at most; further apart than was asked for rather than more. */
const MOST_RIBS = 60

/**
 * Where ribs begin, rising: one at either end of a stretch, one at every mark, and between them as many more as keep
 * them within the pitch, evenly. A mark is left out where its rib would stand close to one that was marked before it.
 */
export function ribPlaces(
  from: number,
  to: number,
  { pitchMm, thicknessMm }: Pick<RibShape, 'pitchMm' | 'thicknessMm'>,
  marks: readonly RibMark[],
): number[] {
  const feet = [from, Math.max(from, to - thicknessMm)]
  for (const { at, side } of marks) {
    const foot = at + ((side - 1) / 2) * thicknessMm
    const free = feet.every(other => Math.abs(other - foot) >= Math.max(APART, 3 * thicknessMm))
    if (foot > from && foot < to - thicknessMm && free) feet.push(foot)
  }
  feet.sort((a, b) => a - b)
  const pitch = Math.max(pitchMm, 2 * thicknessMm, (to - from) / MOST_RIBS)
  return feet.flatMap((foot, i) => {
    const next = feet[i + 1]
    if (next === undefined) return [foot]
    const bays = Math.max(1, Math.ceil((next - foot) / pitch - 1e-9))
    return Array.from({ length: bays }, (_, k) => foot + ((next - foot) * k) / bays)
  })
}

/** A hole is at least so high, and so long; mm. */
const LEAST_HOLE = 4
/** A hole is at most so many times as long as the section is high: what is left stands as a post. */
const LONGEST_HOLE = 1.8
/** Points along either side of a hole. */
const HOLE_POINTS = 7
/** Places at which the section's height is asked along the chord. */
const LOOKS = 64

/**
 * Holes of a rib between two places along the span: a rim is left along the skin, beside the features that lie there,
 * and as posts between holes. None where the section is too thin.
 */
export function ribHoles(
  loft: SurfaceLoft,
  from: number,
  to: number,
  { rimMm }: Pick<RibShape, 'rimMm'>,
  features: readonly Feature[],
): Feature[] {
  const middle = (from + to) / 2
  const outline = outlineAt(loft, middle),
    { lead, chord } = planAt(loft, middle)
  const height = (x: number) => {
    const gap = gapAt(outline, x)
    return gap ? gap.upper - gap.lower : 0
  }
  const open = (x: number) => height(x) >= 2 * rimMm + LEAST_HOLE
  const taken = features.map(feature => {
    const box = boxOf(featureAt(feature, Math.min(feature.to, Math.max(feature.from, middle))))
    return [box[0] - rimMm, box[2] + rimMm] as const
  })
  const free = (x: number) => taken.every(([a, b]) => x <= a || x >= b)
  // Edges of what is free are found to a hundredth of a look.
  const places = Array.from({ length: LOOKS + 1 }, (_, i) => lead + (chord * i) / LOOKS)
  const fits = (x: number) => open(x) && free(x)
  const edge = (inside: number, outside: number): number => {
    let a = inside,
      b = outside
    for (let k = 0; k < 12; k++) {
      const x = (a + b) / 2
      if (fits(x)) a = x
      else b = x
    }
    return a
  }
  const holes: Feature[] = []
  for (let i = 0; i < places.length; i++) {
    if (!fits(places[i])) continue
    let j = i
    while (j + 1 < places.length && fits(places[j + 1])) j++
    const a = i > 0 ? edge(places[i], places[i - 1]) : places[i],
      b = j + 1 < places.length ? edge(places[j], places[j + 1]) : places[j]
    holes.push(...between(a, b))
    i = j
  }
  return holes

  function between(a: number, b: number): Feature[] {
    const most = LONGEST_HOLE * Math.max(height(a), height((a + b) / 2), height(b))
    const count = Math.max(1, Math.ceil((b - a + rimMm) / (most + rimMm)))
    const length = (b - a - (count - 1) * rimMm) / count
    if (length < LEAST_HOLE) return []
    return Array.from({ length: count }, (_, k) => {
      const x0 = a + k * (length + rimMm)
      const at = Array.from({ length: HOLE_POINTS }, (_, p) => x0 + (length * p) / (HOLE_POINTS - 1))
      const gaps = at.map(x => gapAt(outline, x)!)
      const along = [...at.keys()]
      const loop = Float64Array.from([
        ...along.flatMap(p => [at[p], gaps[p].lower + rimMm]),
        ...along.reverse().flatMap(p => [at[p], gaps[p].upper - rimMm]),
      ])
      return cut('hole of a rib', from - 1, to + 1, loop, loop, true)
    })
  }
}
