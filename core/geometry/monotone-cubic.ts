/** Fritsch & Carlson (1980) monotone cubic interpolation: smooth, and never overshoots between stations. */
export function monotoneCubic(xs: readonly number[], ys: readonly number[]): (x: number) => number {
  const n = xs.length
  const secant = Array.from({ length: n - 1 }, (_, i) => (ys[i + 1] - ys[i]) / (xs[i + 1] - xs[i]))
  const slope = ys.map((_, i) => {
    if (i === 0) return secant[0]
    if (i === n - 1) return secant[n - 2]
    const a = secant[i - 1],
      b = secant[i]
    if (a * b <= 0) return 0
    // Weighted harmonic mean keeps monotone on uneven spacing (Fritsch & Butland).
    const h0 = xs[i] - xs[i - 1],
      h1 = xs[i + 1] - xs[i]
    const w0 = 2 * h1 + h0,
      w1 = h1 + 2 * h0
    return (w0 + w1) / (w0 / a + w1 / b)
  })
  return x => {
    if (x <= xs[0]) return ys[0]
    if (x >= xs[n - 1]) return ys[n - 1]
    let i = 0
    while (x > xs[i + 1]) i++
    const h = xs[i + 1] - xs[i]
    const t = (x - xs[i]) / h
    return (
      ys[i] * (1 + 2 * t) * (1 - t) ** 2 +
      slope[i] * h * t * (1 - t) ** 2 +
      ys[i + 1] * t * t * (3 - 2 * t) +
      slope[i + 1] * h * t * t * (t - 1)
    )
  }
}
