/** Time of a chain of straight moves under one acceleration, slowing at corners. Lengths mm, speeds mm/s. */

/** Unit directions; (0, 0, 0) for a move of the extruder alone, which starts and ends at rest. */
export interface MoveList { length: number[], speed: number[], dx: number[], dy: number[], dz: number[] }

/**
 * Speed at a corner is what changes the velocity vector by no more than `corner`: v ≤ corner / (2 sin(θ/2)); straight
 * on is not slowed. A backward pass makes sure that every corner can be reached by braking, a forward pass by speeding up.
 */
export function replayMoves({ length, speed, dx, dy, dz }: MoveList, accel: number, corner: number): number {
  const count = length.length
  const entry = new Float64Array(count + 1)
  for (let i = 1; i < count; i++) {
    const still = (dx[i] === 0 && dy[i] === 0 && dz[i] === 0) || (dx[i - 1] === 0 && dy[i - 1] === 0 && dz[i - 1] === 0)
    const change = Math.hypot(dx[i] - dx[i - 1], dy[i] - dy[i - 1], dz[i] - dz[i - 1])
    const allowed = still ? 0 : change < 1e-9 ? Infinity : corner / change
    entry[i] = Math.min(allowed, speed[i], speed[i - 1])
  }
  for (let i = count - 1; i >= 0; i--) entry[i] = Math.min(entry[i], Math.sqrt(entry[i + 1] ** 2 + 2 * accel * length[i]))
  let time = 0
  for (let i = 0; i < count; i++) {
    const v0 = entry[i]
    entry[i + 1] = Math.min(entry[i + 1], Math.sqrt(v0 ** 2 + 2 * accel * length[i]))
    time += moveTime(length[i], v0, entry[i + 1], speed[i], accel)
  }
  return time
}

/** One move from v0 to v1 with a cruise at most: trapezoid, or triangle when it is too short to reach it. */
export function moveTime(length: number, v0: number, v1: number, cruise: number, accel: number): number {
  const top = Math.max(v0, v1, cruise)
  const ramps = (2 * top ** 2 - v0 ** 2 - v1 ** 2) / (2 * accel)
  if (ramps <= length) return (2 * top - v0 - v1) / accel + (length - ramps) / top
  const peak = Math.sqrt((2 * accel * length + v0 ** 2 + v1 ** 2) / 2)
  return (2 * peak - v0 - v1) / accel
}
