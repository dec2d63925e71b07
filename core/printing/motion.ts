/** Time of a chain of straight moves under one acceleration, slowing at corners. Lengths mm, speeds mm/s. */

/** Unit directions; (0, 0, 0) for a move of the extruder alone, which starts and ends at rest. */
export interface MoveList {
  length: ArrayLike<number>
  speed: ArrayLike<number>
  dx: ArrayLike<number>
  dy: ArrayLike<number>
  dz: ArrayLike<number>
  /** How many like it a move stands for; once each where nothing is said. */
  times?: ArrayLike<number>
}

type Row = Exclude<keyof MoveList, 'times'>

let entry = new Float64Array(1024)

/**
 * Speeds at which the moves are entered, into `entry`: a corner's is what changes the velocity vector by no more
 * than `corner`, v ≤ corner / (2 sin(θ/2)); straight on is not slowed. A backward pass makes sure that every
 * corner can be reached by braking, a forward pass by speeding up. Begins with `start`, ends at rest.
 */
function planEntries(
  { speed, length, dx, dy, dz }: MoveList,
  accel: number,
  corner: number,
  count: number,
  start: number,
) {
  if (entry.length <= count) entry = new Float64Array(2 * count + 2)
  entry[0] = start
  entry[count] = 0
  for (let i = 1; i < count; i++) {
    const ax = dx[i - 1],
      ay = dy[i - 1],
      az = dz[i - 1],
      bx = dx[i],
      by = dy[i],
      bz = dz[i]
    if ((bx === 0 && by === 0 && bz === 0) || (ax === 0 && ay === 0 && az === 0)) {
      entry[i] = 0
      continue
    }
    const change = Math.sqrt((bx - ax) * (bx - ax) + (by - ay) * (by - ay) + (bz - az) * (bz - az))
    const slower = speed[i] < speed[i - 1] ? speed[i] : speed[i - 1]
    entry[i] = change * slower <= corner ? slower : corner / change
  }
  for (let i = count - 1; i >= 0; i--) {
    const reach = entry[i + 1] * entry[i + 1] + 2 * accel * length[i]
    if (entry[i] * entry[i] > reach) entry[i] = Math.sqrt(reach)
  }
  for (let i = 0; i < count; i++) {
    const reach = entry[i] * entry[i] + 2 * accel * length[i]
    if (entry[i + 1] * entry[i + 1] > reach) entry[i + 1] = Math.sqrt(reach)
  }
}

function timeOf({ length, speed, times }: MoveList, accel: number, count: number): number {
  let time = 0
  for (let i = 0; i < count; i++)
    time += (times ? times[i] : 1) * moveTime(length[i], entry[i], entry[i + 1], speed[i], accel)
  return time
}

/** Seconds from rest to rest. `count` moves from the beginning of the list. */
export function replayMoves(
  list: MoveList,
  accel: number,
  corner: number,
  count = list.length.length,
): number {
  planEntries(list, accel, corner, count, 0)
  return timeOf(list, accel, count)
}

/** Moves held at once, and at most, where braking takes longer than they last. */
const BLOCK = 65_536,
  LARGEST_BLOCK = 2_097_152

/**
 * The same for a chain of any length, a block at a time: what lies further ahead than the braking distance
 * changes nothing.
 */
export class MoveReplay {
  private list = block(BLOCK)
  private count = 0
  private start = 0
  private seconds = 0
  constructor(
    private readonly accel: number,
    private readonly corner: number,
  ) {}

  add(length: number, speed: number, dx: number, dy: number, dz: number): void {
    if (this.count === this.list.length.length) this.release()
    const { list, count } = this
    list.length[count] = length
    list.speed[count] = speed
    list.dx[count] = dx
    list.dy[count] = dy
    list.dz[count] = dz
    this.count++
  }

  /** Seconds from rest to rest. */
  finish(): number {
    planEntries(this.list, this.accel, this.corner, this.count, this.start)
    this.seconds += timeOf(this.list, this.accel, this.count)
    this.count = 0
    this.start = 0
    return this.seconds
  }

  /** Counts what no later move can change. */
  private release(): void {
    const { list, count, accel } = this
    let ahead = 0,
      fastest = 0,
      sure = count
    do {
      sure--
      ahead += list.length[sure]
      fastest = Math.max(fastest, list.speed[sure])
    } while (sure > 0 && 2 * accel * ahead < fastest * fastest)
    if (sure < count / 2) {
      // Braking takes nearly all of it: more is looked at, or, where that would be endless, it is braked here.
      if (count < LARGEST_BLOCK) {
        this.list = block(2 * count, list)
        return
      }
      sure = count
    }
    planEntries(list, accel, this.corner, count, this.start)
    this.seconds += timeOf(list, accel, sure)
    this.start = entry[sure]
    for (const row of Object.values(list)) row.copyWithin(0, sure, count)
    this.count = count - sure
  }
}

function block(size: number, from?: Record<Row, Float64Array>): Record<Row, Float64Array> {
  const row = (name: Row) => {
    const made = new Float64Array(size)
    if (from) made.set(from[name])
    return made
  }
  return { length: row('length'), speed: row('speed'), dx: row('dx'), dy: row('dy'), dz: row('dz') }
}

/** One move from v0 to v1 with a cruise at most: trapezoid, or triangle when it is too short to reach it. */
export function moveTime(length: number, v0: number, v1: number, cruise: number, accel: number): number {
  const top = Math.max(v0, v1, cruise)
  const ramps = (2 * top * top - v0 * v0 - v1 * v1) / (2 * accel)
  if (ramps <= length) return (2 * top - v0 - v1) / accel + (length - ramps) / top
  const peak = Math.sqrt((2 * accel * length + v0 * v0 + v1 * v1) / 2)
  return (2 * peak - v0 - v1) / accel
}
