/** What of a section lies where a recipe asks for more along the chord. mm */
import {
  denserOf,
  denserSpans,
  mostWallsReach,
  printedSparOf,
  printedSparSpan,
  wallsReach,
  type ChordFrame,
  type Recipe,
} from '../document'
import type { Section } from '../geometry'
import { insetLoops, type InsetField } from './inset-field'

type Span = readonly [from: number, to: number]

/**
 * What of a bead that runs along an edge, `depth` inside it, lies in stretches of the chord, as a share of it: a bead
 * across the chord comes and goes over its own width.
 */
function shareIn(
  field: InsetField,
  { aft: [ax, ay] }: ChordFrame,
  { beadWidthMm }: Recipe,
  spans: readonly Span[],
) {
  const { midX, midY, normalX, normalY, length } = field
  return (e: number, depth: number): number => {
    const inward = ax * normalX[e] + ay * normalY[e]
    const middle = ax * midX[e] + ay * midY[e] + depth * inward,
      half = (length[e] * Math.abs(ax * normalY[e] - ay * normalX[e]) + beadWidthMm * Math.abs(inward)) / 2
    const inside = spans.reduce(
      (sum, [from, to]) => sum + Math.max(0, Math.min(middle + half, to) - Math.max(middle - half, from)),
      0,
    )
    return Math.min(1, inside / (2 * half))
  }
}

/** Of a bead along an edge, the share that is laid where there are more walls, and how many more; null where none are. */
export function denserEdges(
  field: InsetField,
  recipe: Recipe,
): { walls: number; share: (edge: number, depth: number) => number } | null {
  const denser = denserOf(recipe)
  if (!denser || !field.frame) return null
  return { walls: denser.walls, share: shareIn(field, field.frame, recipe, denserSpans(denser, field.frame)) }
}

/** Of each edge, the share that lies over a printed spar; null where there is none. */
export function sparEdges(field: InsetField, recipe: Recipe): ((edge: number) => number) | null {
  const spar = printedSparOf(recipe)
  if (!spar || !field.frame) return null
  const share = shareIn(field, field.frame, recipe, [printedSparSpan(spar, field.frame)])
  return e => share(e, recipe.beadWidthMm / 2)
}

/** What of loops lies in the printed spar's stretch of the chord; null where the recipe has none. */
export function inPrintedSpar(field: InsetField, recipe: Recipe, loops: () => Section): Section | null {
  const spar = printedSparOf(recipe)
  if (!spar || !field.frame) return null
  return between(loops(), field.frame, ...printedSparSpan(spar, field.frame))
}

/**
 * What lies within the walls and beside a printed spar, where walls are more and where they are not: the room of infill.
 * Null where nothing differs along the chord, and it is all that lies within the walls.
 */
export function openInside(field: InsetField, recipe: Recipe): Section | null {
  const { frame } = field
  const denser = denserOf(recipe),
    spar = printedSparOf(recipe)
  if (!frame || (!denser && !spar)) return null
  const [, nose] = denser ? denserSpans(denser, frame)[0] : [0, -Infinity],
    [rear] = denser ? denserSpans(denser, frame)[1] : [Infinity]
  const [from, to] = spar ? printedSparSpan(spar, frame) : [Infinity, Infinity]
  const plain = insetLoops(field, wallsReach(recipe))
  const dense = denser ? insetLoops(field, mostWallsReach(recipe)) : plain
  const parts: Array<[Section, number, number]> = [
    [dense, -Infinity, nose],
    [plain, nose, rear],
    [dense, rear, Infinity],
  ]
  return parts.flatMap(([loops, low, high]) =>
    [
      [low, Math.min(high, from)],
      [Math.max(low, to), high],
    ].flatMap(([a, b]) => (b > a ? between(loops, frame, a, b) : [])),
  )
}

/**
 * Loops between two lines across the chord. What a line cuts in two runs to and fro along it, which adds nothing to
 * area, moments or scan lines.
 */
export const between = (
  loops: Section,
  { aft }: Pick<ChordFrame, 'aft'>,
  from: number,
  to: number,
): Section =>
  loops
    .map(loop => {
      const behind = from > -Infinity ? halved(loop, aft, from, 1) : loop
      return to < Infinity ? halved(behind, aft, to, -1) : behind
    })
    .filter(loop => loop.length >= 6)

/** What of a loop lies on one side of a line: aft of it for 1, ahead for −1 (Sutherland & Hodgman 1974). */
function halved(loop: Float64Array, [ax, ay]: ChordFrame['aft'], at: number, side: 1 | -1): Float64Array {
  const points: number[] = []
  for (let i = 0, j = loop.length - 2; i < loop.length; j = i, i += 2) {
    const before = side * (ax * loop[j] + ay * loop[j + 1] - at),
      here = side * (ax * loop[i] + ay * loop[i + 1] - at)
    if (before >= 0 !== here >= 0) {
      const t = before / (before - here)
      points.push(loop[j] + (loop[i] - loop[j]) * t, loop[j + 1] + (loop[i + 1] - loop[j + 1]) * t)
    }
    if (here >= 0) points.push(loop[i], loop[i + 1])
  }
  return Float64Array.from(points)
}
