/** Whether an aircraft, taken apart, goes into the box or boot that it must travel in. */
import { packBoxes, type Laid, type Sides } from '../../geometry'
import { dimensions, q, say, type Words } from '../../units'
import type { Finding } from '../report'
import type { Designed } from '../resolve'
import { carriedParts, type Carried } from './carried'

/** Foam or a folded towel round every part, mm on each side. */
export const PADDING_MM = 4

export interface Travel {
  parts: Carried[]
  /** Longest side of the longest part, mm. */
  longestMm: number
  boxMm: Sides | null
  /** Round every part, mm on each side. */
  paddingMm: number
  /** How the parts lie in the box, padding and all, in their order; null where no way was found, or there is no box. */
  laid: Laid[] | null
  /** Why it does not go in; null where it does, or there is no box. */
  why: Words | null
}

/** `boxMm`: inside of the box, in any order of its sides; null where nobody asks. Sizes come without padding. */
export function travelOf(design: Designed, boxMm: Sides | null): Travel {
  const parts = carriedParts(design)
  const longestMm = Math.max(0, ...parts.map(part => part.sizeMm[0]))
  const laid = boxMm && packBoxes(parts.map(padded), boxMm)
  return {
    parts,
    longestMm,
    boxMm,
    paddingMm: PADDING_MM,
    laid,
    why: boxMm && !laid ? whyNot(parts, boxMm) : null,
  }
}

/** Larger ones than this many times are not looked for. */
const MOST_LARGER = 8

/** The least box of the same proportions that everything goes into, padding and all, mm: rounded up. */
export function largerBox(parts: readonly Carried[], boxMm: Sides): Sides {
  const goes = (by: number) => packBoxes(parts.map(padded), times(boxMm, by)) !== null
  let [low, high] = [1, MOST_LARGER]
  while (high - low > 0.005) {
    const middle = (low + high) / 2
    if (goes(middle)) high = middle
    else low = middle
  }
  return times(boxMm, high).map(Math.ceil) as unknown as Sides
}
const times = ([a, b, c]: Sides, by: number): Sides => [a * by, b * by, c * by]
const padded = ({ sizeMm: [a, b, c] }: Carried): Sides => [
  a + 2 * PADDING_MM,
  b + 2 * PADDING_MM,
  c + 2 * PADDING_MM,
]

function whyNot(parts: readonly Carried[], boxMm: Sides): Words {
  const alone = parts.find(part => !packBoxes([padded(part)], boxMm))
  if (alone)
    return say`${alone.name} (${dimensions(alone.sizeMm, 0)}) does not go into a box of ${dimensions(boxMm, 0)} by itself`
  const [full, own] = [volume(boxMm), parts.reduce((sum, part) => sum + volume(padded(part)), 0)]
  return own > full
    ? say`the boxes round ${q(parts.length, '', 0)} parts fill ${q((100 * own) / full, '%', 0)} of it`
    : say`no way was found to lay the boxes round ${q(parts.length, '', 0)} parts beside each other in it, though they fill ${q((100 * own) / full, '%', 0)} alone`
}
const volume = ([a, b, c]: Sides) => a * b * c

/** The finding of the brief: that it does not go into its box. */
export function travelProblems(design: Designed, boxMm: Sides | null): Finding[] {
  if (!boxMm) return []
  const { why, longestMm } = travelOf(design, boxMm)
  if (!why) return []
  return [
    {
      code: 'travel-box',
      stations: ['brief', 'split'],
      severity: 'warn',
      where: 'Taken apart',
      value: longestMm,
      limit: Math.max(...boxMm),
      unit: 'mm',
      text: say`Taken apart it does not go into its box: ${why}`,
      remedy: 'Split, To travel: a joint that is only bolted, halves that part, or a larger box (Brief)',
    },
  ]
}
