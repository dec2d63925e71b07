/** Which stretches of plastic belong to one piece: cells of the bed that touch each other, near enough. mm */

/** Side of a cell; pieces stand further apart than two of them. */
const CELL = 1.5
/** A file that lays in more cells than this is none of a model aircraft's plates. */
const MOST_CELLS = 4_000_000

const keyOf = (cx: number, cy: number): number => (cx + 32_768) * 65_536 + (cy + 32_768)

export interface Islands {
  count: number
  /** Number of the island that a place belongs to; −1 where nothing was marked. */
  at(x: number, y: number): number
  boxes: Array<[number, number, number, number]>
}

/** Cells that plastic was laid in. */
export class LaidCells {
  private readonly cells = new Set<number>()

  get full(): boolean {
    return this.cells.size > MOST_CELLS
  }

  mark(x0: number, y0: number, x1: number, y1: number): void {
    // An even number, so that the middle, by which a stretch is known, is marked as well.
    const steps = 2 * Math.min(10_000, Math.max(1, Math.ceil(Math.hypot(x1 - x0, y1 - y0) / (1.4 * CELL))))
    for (let i = 0; i <= steps; i++) {
      const t = i / steps
      const cx = Math.floor((x0 + t * (x1 - x0)) / CELL),
        cy = Math.floor((y0 + t * (y1 - y0)) / CELL)
      if (Math.abs(cx) < 32_000 && Math.abs(cy) < 32_000) this.cells.add(keyOf(cx, cy))
    }
  }

  /** For each of these islands the one of `others` that it lies under, or −1. */
  hostsIn(own: Islands, others: Islands): Int32Array {
    const hosts = new Int32Array(own.count).fill(-1)
    for (const key of this.cells) {
      const x = (Math.floor(key / 65_536) - 32_768 + 0.5) * CELL,
        y = ((key % 65_536) - 32_768 + 0.5) * CELL
      const other = others.at(x, y)
      if (other >= 0) hosts[own.at(x, y)] = other
    }
    return hosts
  }

  /** Islands of cells no further apart than one empty cell; what lies within another's box belongs to it. */
  islands(): Islands {
    const of = new Map<number, number>()
    const boxes: Array<[number, number, number, number]> = []
    for (const start of this.cells) {
      if (of.has(start)) continue
      const box: [number, number, number, number] = [Infinity, Infinity, -Infinity, -Infinity]
      const waiting = [start]
      of.set(start, boxes.length)
      while (waiting.length > 0) {
        const key = waiting.pop()!
        const cx = Math.floor(key / 65_536) - 32_768,
          cy = (key % 65_536) - 32_768
        box[0] = Math.min(box[0], cx * CELL)
        box[1] = Math.min(box[1], cy * CELL)
        box[2] = Math.max(box[2], (cx + 1) * CELL)
        box[3] = Math.max(box[3], (cy + 1) * CELL)
        for (let dx = -2; dx <= 2; dx++)
          for (let dy = -2; dy <= 2; dy++) {
            const next = keyOf(cx + dx, cy + dy)
            if (this.cells.has(next) && !of.has(next)) {
              of.set(next, boxes.length)
              waiting.push(next)
            }
          }
      }
      boxes.push(box)
    }
    const within = (a: number, b: number): boolean =>
      a !== b &&
      boxes[a][0] >= boxes[b][0] &&
      boxes[a][1] >= boxes[b][1] &&
      boxes[a][2] <= boxes[b][2] &&
      boxes[a][3] <= boxes[b][3]
    const host = boxes.map((_, a) => boxes.findIndex((_other, b) => within(a, b)))
    const top = (a: number): number => (host[a] < 0 ? a : top(host[a]))
    const kept = boxes.map((_, a) => a).filter(a => host[a] < 0)
    const number = new Map(kept.map((a, i) => [a, i]))
    return {
      count: kept.length,
      boxes: kept.map(a => boxes[a]),
      at: (x, y) => {
        const own = of.get(keyOf(Math.floor(x / CELL), Math.floor(y / CELL)))
        return own === undefined ? -1 : number.get(top(own))!
      },
    }
  }
}
