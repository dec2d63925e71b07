/** Pieces side by side on plates: shelves across the bed, deepest first. */

export interface PlateItem {
  id: string
  width: number
  depth: number
  alone: boolean
}
export interface PlacedItem {
  id: string
  x: number
  y: number
}

/** Air kept round every piece for the nozzle and a brim, mm. */
export const PLATE_GAP = 6

/**
 * First-fit decreasing depth (Coffman et al. 1980, for strips) on beds of width × depth (mm); a piece that
 * must be alone gets a plate of its own, in its middle. Places are lower left corners. Throws where a piece
 * is larger than the bed.
 */
export function packPlates(
  items: readonly PlateItem[],
  bed: readonly [number, number, number],
): PlacedItem[][] {
  const [bedWidth, bedDepth] = bed
  const plates: Array<{
    placed: PlacedItem[]
    shelves: Array<{ y: number; depth: number; x: number }>
    closed: boolean
  }> = []
  for (const item of [...items].sort((a, b) => b.depth - a.depth || b.width - a.width)) {
    if (item.width > bedWidth + 1e-6 || item.depth > bedDepth + 1e-6)
      throw new Error(
        `${item.id} (${item.width.toFixed(0)} × ${item.depth.toFixed(0)} mm) does not fit the bed`,
      )
    if (item.alone) {
      plates.push({
        placed: [{ id: item.id, x: (bedWidth - item.width) / 2, y: (bedDepth - item.depth) / 2 }],
        shelves: [],
        closed: true,
      })
      continue
    }
    let done = false
    for (const plate of plates) {
      if (plate.closed || done) continue
      const shelf = plate.shelves.find(
        row => item.depth <= row.depth + 1e-6 && row.x + item.width <= bedWidth + 1e-6,
      )
      if (shelf) {
        plate.placed.push({ id: item.id, x: shelf.x, y: shelf.y })
        shelf.x += item.width + PLATE_GAP
        done = true
        continue
      }
      const last = plate.shelves[plate.shelves.length - 1]
      const y = last.y + last.depth + PLATE_GAP
      if (y + item.depth > bedDepth + 1e-6) continue
      plate.shelves.push({ y, depth: item.depth, x: item.width + PLATE_GAP })
      plate.placed.push({ id: item.id, x: 0, y })
      done = true
    }
    if (!done)
      plates.push({
        placed: [{ id: item.id, x: 0, y: 0 }],
        shelves: [{ y: 0, depth: item.depth, x: item.width + PLATE_GAP }],
        closed: false,
      })
  }
  return plates.map(plate => plate.placed)
}
