/**
 * One piece as a machine file lays it, gathered stretch by stretch: its layers, and all that lies in some of them.
 * Found from moves alone; mm and mm³.
 */
import { toStretch } from './stretch'

export interface FoundLayer {
  /** Height at which it ends. */
  z: number
  /** Laid length and plastic. */
  length: number
  plasticMm3: number
  /** Stretches laid without leaving off. */
  chains: number
}

/** A layer with every stretch: x0, y0, x1, y1, plastic, and the number of the chain it belongs to. */
export interface KeptLayer extends FoundLayer {
  index: number
  segments: Float32Array
  chainOf: Int32Array
}

/** Layers kept whole at the foot and at the head, and about so many between. */
const ENDS = 14,
  BETWEEN = 24
/** A layer has no more stretches than this; what is more is counted and not kept. */
const MOST_SEGMENTS = 20_000
/** A way shorter than this is part of the bead: too short for the plastic of its own to be written. */
const JOINED = 0.3
/** Rising less than this is level. */
const LEVEL = 1e-4
/**
 * A loop is round when it comes back this near to where it began, mm, having been away by this share of the piece's
 * diagonal: out along a web and back is not round.
 */
const BACK = 1,
  AWAY = 0.3,
  LOST = 1.5

export class PieceInFile {
  readonly layers: FoundLayer[] = []
  readonly min: [number, number, number] = [Infinity, Infinity, Infinity]
  readonly max: [number, number, number] = [-Infinity, -Infinity, -Infinity]
  /** Length laid while rising, of all after the first layer. */
  risingMm = 0
  laidMm = 0
  plasticMm3 = 0
  /** Ways without plastic within the piece between its first and last layer. */
  travels = 0
  private readonly foot: KeptLayer[] = []
  private readonly middle: KeptLayer[] = []
  private readonly head: KeptLayer[] = []
  private stride = 1
  private open: FoundLayer | null = null
  private segments: number[] = []
  private chainOf: number[] = []
  private began: [number, number] = [0, 0]
  private away = 0
  private rose = false
  private lastLoop = 0
  private at: [number, number, number] | null = null

  add(x0: number, y0: number, z0: number, x1: number, y1: number, z1: number, plasticMm3: number): void {
    const length = Math.hypot(x1 - x0, y1 - y0)
    const joined =
      this.at !== null &&
      Math.hypot(x0 - this.at[0], y0 - this.at[1]) < JOINED &&
      Math.abs(z0 - this.at[2]) < JOINED / 10
    // Short stretches of a spiral are level to the last digit that is written.
    const rises = z1 > z0 || (this.rose && joined && z1 === z0)
    if (!this.open) this.begin(x0, y0)
    else if (rises && !this.rose) this.next(x0, y0)
    else if (!rises && Math.abs(z1 - this.open.z) > LEVEL && !this.rising(z1)) this.next(x0, y0, z1)
    const layer = this.open!
    if (!joined) {
      layer.chains++
      if (this.layers.length > 0) this.travels++
    }
    layer.z = Math.max(layer.z, z1)
    layer.length += length
    layer.plasticMm3 += plasticMm3
    if (this.segments.length < 5 * MOST_SEGMENTS) {
      this.segments.push(x0, y0, x1, y1, plasticMm3)
      this.chainOf.push(layer.chains)
    }
    this.laidMm += length
    this.plasticMm3 += plasticMm3
    if (rises) this.risingMm += length
    for (const [i, low, high] of [
      [0, Math.min(x0, x1), Math.max(x0, x1)],
      [1, Math.min(y0, y1), Math.max(y0, y1)],
      [2, z1, z1],
    ] as const) {
      this.min[i] = Math.min(this.min[i], low)
      this.max[i] = Math.max(this.max[i], high)
    }
    this.at = [x1, y1, z1]
    // A loop that rises has no end of its own: it is round when it comes by where it began.
    const from = Math.hypot(x1 - this.began[0], y1 - this.began[1])
    this.away = Math.max(this.away, from)
    this.rose = rises
    const across = Math.hypot(this.max[0] - this.min[0], this.max[1] - this.min[1])
    if (!rises) return
    const round = this.away > AWAY * across && toStretch(this.began[0], this.began[1], x0, y0, x1, y1) < BACK
    // Where the section jumps, the loop no longer comes by: it is let go at its length and begun anew there.
    const lost = this.lastLoop > 0 && layer.length > LOST * this.lastLoop
    if (round) this.lastLoop = layer.length
    if (round || lost) this.next(x1, y1)
  }

  /** A spiral that levels out at its head carries on with its last layer. */
  private rising(z1: number): boolean {
    return this.at !== null && Math.abs(z1 - this.at[2]) < LEVEL && this.risingMm > 0.5 * this.laidMm
  }

  private begin(x: number, y: number): void {
    this.open = { z: -Infinity, length: 0, plasticMm3: 0, chains: 0 }
    this.segments = []
    this.chainOf = []
    this.began = [x, y]
    this.away = 0
  }

  private next(x: number, y: number, z = Infinity): void {
    // What was laid first and higher than what follows is a line that was wiped.
    if (this.layers.length === 0 && this.open && z < this.open.z - LEVEL) this.forget()
    else this.close()
    this.begin(x, y)
  }

  private forget(): void {
    this.laidMm = this.plasticMm3 = this.travels = 0
    this.min.fill(Infinity)
    this.max.fill(-Infinity)
  }

  private close(): void {
    const layer = this.open
    if (!layer || layer.length === 0) return
    layer.chains = Math.max(1, layer.chains)
    const index = this.layers.length
    this.layers.push(layer)
    const kept = (): KeptLayer => ({
      ...layer,
      index,
      segments: Float32Array.from(this.segments),
      chainOf: Int32Array.from(this.chainOf),
    })
    if (index < ENDS) {
      this.foot.push(kept())
      return
    }
    if (index % this.stride === 0) {
      this.middle.push(kept())
      if (this.middle.length > 2 * BETWEEN) {
        this.stride *= 2
        const even = this.middle.filter(item => item.index % this.stride === 0)
        this.middle.length = 0
        this.middle.push(...even)
      }
    }
    this.head.push(kept())
    if (this.head.length > ENDS) this.head.shift()
  }

  /** All kept layers in their order, once the file has ended. */
  end(): KeptLayer[] {
    this.close()
    this.open = null
    const all = new Map([...this.foot, ...this.middle, ...this.head].map(layer => [layer.index, layer]))
    return [...all.values()].sort((a, b) => a.index - b.index)
  }
}
