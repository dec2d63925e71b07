/** Which points are not beaten: no other is as light, as quick, as cheap and as strong, and better in one of these. */

export interface Objectives { massG: number, hours: number, cost: number, reserveFactor: number }

/** Is `a` at least as good everywhere and better somewhere? */
export function dominates(a: Objectives, b: Objectives): boolean {
  return a.massG <= b.massG && a.hours <= b.hours && a.cost <= b.cost && a.reserveFactor >= b.reserveFactor
    && (a.massG < b.massG || a.hours < b.hours || a.cost < b.cost || a.reserveFactor > b.reserveFactor)
}

/** A front that points are put into one by one, with those they beat taken out. Equal points stay side by side. */
export class Front<P extends Objectives> {
  points: P[] = []

  /** Whether the point is on the front now. */
  add(point: P): boolean {
    for (const other of this.points) if (dominates(other, point)) return false
    this.points = [...this.points.filter(other => !dominates(point, other)), point]
    return true
  }
}
