/** Natural cubic spline through (t_i, v_i), t rising: second derivatives by one tridiagonal sweep. */
export function naturalCubic(t: ArrayLike<number>, v: ArrayLike<number>): (at: number) => number {
  const n = t.length
  const bend = new Float64Array(n),
    work = new Float64Array(n)
  for (let i = 1; i < n - 1; i++) {
    const share = (t[i] - t[i - 1]) / (t[i + 1] - t[i - 1])
    const p = share * bend[i - 1] + 2
    bend[i] = (share - 1) / p
    const jump = (v[i + 1] - v[i]) / (t[i + 1] - t[i]) - (v[i] - v[i - 1]) / (t[i] - t[i - 1])
    work[i] = ((6 * jump) / (t[i + 1] - t[i - 1]) - share * work[i - 1]) / p
  }
  for (let i = n - 2; i >= 0; i--) bend[i] = bend[i] * bend[i + 1] + work[i]
  let k = 0
  return at => {
    // Callers mostly walk along the curve: begin where the last one ended.
    if (at < t[k]) k = 0
    while (k < n - 2 && at > t[k + 1]) k++
    const h = t[k + 1] - t[k]
    const a = (t[k + 1] - at) / h,
      b = (at - t[k]) / h
    return a * v[k] + b * v[k + 1] + (((a ** 3 - a) * bend[k] + (b ** 3 - b) * bend[k + 1]) * h * h) / 6
  }
}
