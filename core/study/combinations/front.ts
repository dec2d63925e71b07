/**
 * Which points are not beaten: no other is as good in all four and better in one. Flat arrays, so that
 * millions of points can be tried.
 */

/** The first three the less the better, the last the more the better. */
export type Objectives = readonly [number, number, number, number]

/** Is `a` at least as good everywhere and better somewhere? */
export const dominates = (a: Objectives, b: Objectives): boolean =>
  a[0] <= b[0] &&
  a[1] <= b[1] &&
  a[2] <= b[2] &&
  a[3] >= b[3] &&
  (a[0] < b[0] || a[1] < b[1] || a[2] < b[2] || a[3] > b[3])

/**
 * A front that points are put into one by one, with those they beat taken out. Equal points stay side by
 * side.
 */
export class Front {
  count = 0
  private a = new Float64Array(256)
  private b = new Float64Array(256)
  private c = new Float64Array(256)
  private d = new Float64Array(256)
  private ids = new Float64Array(256)

  /**
   * Is there a point that beats this one? With a bound from above for `d`, what is beaten is beaten whatever
   * its own is.
   */
  beats(a: number, b: number, c: number, d: number): boolean {
    for (let i = 0; i < this.count; i++) {
      if (
        this.a[i] <= a &&
        this.b[i] <= b &&
        this.c[i] <= c &&
        this.d[i] >= d &&
        (this.a[i] < a || this.b[i] < b || this.c[i] < c || this.d[i] > d)
      ) {
        // What beats one beats many: it is tried earlier next time.
        if (i > 0) this.swap(i, i >> 1)
        return true
      }
    }
    return false
  }

  /** Whether the point is on the front now; `id` says which it is. */
  add(a: number, b: number, c: number, d: number, id: number): boolean {
    if (this.beats(a, b, c, d)) return false
    let kept = 0
    for (let i = 0; i < this.count; i++) {
      const beaten =
        a <= this.a[i] &&
        b <= this.b[i] &&
        c <= this.c[i] &&
        d >= this.d[i] &&
        (a < this.a[i] || b < this.b[i] || c < this.c[i] || d > this.d[i])
      if (beaten) continue
      if (kept !== i) this.move(i, kept)
      kept++
    }
    this.count = kept
    if (this.count === this.ids.length) this.grow()
    this.put(this.count++, a, b, c, d, id)
    return true
  }

  /** Ids of the points, lightest (least `a`) first. */
  list(): number[] {
    return Array.from({ length: this.count }, (_, i) => i)
      .sort((i, j) => this.a[i] - this.a[j] || this.b[i] - this.b[j] || this.ids[i] - this.ids[j])
      .map(i => this.ids[i])
  }

  /** Least `a` of all; infinite where there is none. */
  least(): number {
    let least = Infinity
    for (let i = 0; i < this.count; i++) least = Math.min(least, this.a[i])
    return least
  }

  private put(i: number, a: number, b: number, c: number, d: number, id: number) {
    this.a[i] = a
    this.b[i] = b
    this.c[i] = c
    this.d[i] = d
    this.ids[i] = id
  }
  private move(from: number, to: number) {
    this.put(to, this.a[from], this.b[from], this.c[from], this.d[from], this.ids[from])
  }
  private swap(i: number, j: number) {
    const [a, b, c, d, id] = [this.a[i], this.b[i], this.c[i], this.d[i], this.ids[i]]
    this.move(j, i)
    this.put(j, a, b, c, d, id)
  }
  private grow() {
    const larger = (from: Float64Array) => {
      const to = new Float64Array(2 * from.length)
      to.set(from)
      return to
    }
    this.a = larger(this.a)
    this.b = larger(this.b)
    this.c = larger(this.c)
    this.d = larger(this.d)
    this.ids = larger(this.ids)
  }
}
