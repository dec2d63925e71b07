/** Flat parts laid on sheets of a size, as many of each as are wanted. mm */
import { packPlates, PLATE_GAP } from '../../printing'
import type { FlatPart } from './flat-parts'

export interface PlacedPart {
  part: FlatPart
  /** Lowest corner, from the lower left of the sheet. */
  xMm: number
  yMm: number
  /** A quarter turn to the left. */
  turned: boolean
}

export interface FlatSheets {
  sizeMm: readonly [number, number]
  sheets: PlacedPart[][]
  /** Larger than a sheet either way round. */
  tooLarge: FlatPart[]
}

/** Left free along the edges. */
const EDGE = PLATE_GAP / 2

export function flatSheets(parts: readonly FlatPart[], sizeMm: readonly [number, number]): FlatSheets {
  const room = sizeMm.map(side => side - 2 * EDGE)
  const lying = (part: FlatPart): boolean | null => {
    if (part.widthMm <= room[0] && part.heightMm <= room[1]) return false
    return part.heightMm <= room[0] && part.widthMm <= room[1] ? true : null
  }
  const fitting = parts.filter(part => lying(part) !== null)
  const copies = fitting.flatMap(part =>
    Array.from({ length: part.count }, (_, i) => ({ key: `${part.id} ${i}`, part })),
  )
  const byKey = new Map(copies.map(copy => [copy.key, copy.part]))
  const placed = packPlates(
    copies.map(({ key, part }) => {
      const turned = lying(part)!
      return {
        id: key,
        width: turned ? part.heightMm : part.widthMm,
        depth: turned ? part.widthMm : part.heightMm,
        alone: false,
      }
    }),
    [room[0], room[1], 0],
  )
  return {
    sizeMm,
    sheets: placed.map(sheet =>
      sheet.map(({ id, x, y }) => {
        const part = byKey.get(id)!
        return { part, xMm: x + EDGE, yMm: y + EDGE, turned: lying(part)! }
      }),
    ),
    tooLarge: parts.filter(part => lying(part) === null),
  }
}

/** Its edges where it lies. */
export const placedLoops = ({ part, xMm, yMm, turned }: PlacedPart): Float64Array[] =>
  part.loops.map(loop =>
    Float64Array.from(loop, (value, i) => {
      if (!turned) return value + (i % 2 === 0 ? xMm : yMm)
      // (x, y) → (h − y, x)
      return i % 2 === 0 ? xMm + part.heightMm - loop[i + 1] : yMm + loop[i - 1]
    }),
  )

/** Where its mark is written: in its middle. */
export const markAt = ({ part, xMm, yMm, turned }: PlacedPart): [number, number] => [
  xMm + (turned ? part.heightMm : part.widthMm) / 2,
  yMm + (turned ? part.widthMm : part.heightMm) / 2,
]
