/** Time of a chain of straight moves under one acceleration, slowing at corners. Lengths mm, speeds mm/s. */

/** Unit directions; (0, 0, 0) for a move of the extruder alone, which starts and ends at rest. */
export interface MoveList {
  length: ArrayLike<number>
  speed: ArrayLike<number>
  dx: ArrayLike<number>
  dy: ArrayLike<number>
  dz: ArrayLike<number>
}

let entry = new Float64Array(1024)

/**
 * Speed at a corner is what changes the velocity vector by no more than `corner`: v ≤ corner / (2 sin(θ/2));
 * straight
 * on is not slowed. A backward pass makes sure that every corner can be reached by braking, a forward pass by
 * speeding up.
 * Starts and ends at rest. `count` moves from the beginning of the list.
 */
export function replayMoves(
  { length, speed, dx, dy, dz }: MoveList,
  accel: number,
  corner: number,
  count = length.length,
): number {
  if (entry.length <= count) entry = new Float64Array(2 * count + 2)
  entry[0] = 0
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
  let time = 0
  for (let i = 0; i < count; i++) {
    const v0 = entry[i],
      reach = v0 * v0 + 2 * accel * length[i]
    if (entry[i + 1] * entry[i + 1] > reach) entry[i + 1] = Math.sqrt(reach)
    time += moveTime(length[i], v0, entry[i + 1], speed[i], accel)
  }
  return time
}

/** One move from v0 to v1 with a cruise at most: trapezoid, or triangle when it is too short to reach it. */
export function moveTime(length: number, v0: number, v1: number, cruise: number, accel: number): number {
  const top = Math.max(v0, v1, cruise)
  const ramps = (2 * top * top - v0 * v0 - v1 * v1) / (2 * accel)
  if (ramps <= length) return (2 * top - v0 - v1) / accel + (length - ramps) / top
  const peak = Math.sqrt((2 * accel * length + v0 * v0 + v1 * v1) / 2)
  return (2 * peak - v0 - v1) / accel
}
