/** Distance of a place from a stretch, mm. */
export function toStretch(px: number, py: number, ax: number, ay: number, bx: number, by: number): number {
  const dx = bx - ax,
    dy = by - ay,
    length = dx * dx + dy * dy
  const t = length > 0 ? Math.min(1, Math.max(0, ((px - ax) * dx + (py - ay) * dy) / length)) : 0
  return Math.hypot(ax + t * dx - px, ay + t * dy - py)
}
