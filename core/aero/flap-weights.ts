/**
 * How a plain flap turns the panels of a strip. With a few panels the hinge seldom falls on an edge; the
 * weights are those nearest to the share of each panel behind the hinge that give the lift and the
 * quarter-chord moment of thin-aerofoil theory (Glauert 1927) exactly in two dimensions.
 */

/**
 * Lift by a flap against lift by incidence, and quarter-chord moment per radian, for a flap of share E of the
 * chord.
 */
export function flapTheory(chordShare: number): { effectiveness: number; cmPerRad: number } {
  const hinge = Math.acos(Math.min(1, Math.max(-1, 2 * chordShare - 1)))
  // Hinge at x = 1 − E = (1 − cos θ)/2, so cos θ = 2E − 1.
  return {
    effectiveness: 1 - (hinge - Math.sin(hinge)) / Math.PI,
    cmPerRad: -(Math.sin(hinge) * (1 - Math.cos(hinge))) / 2,
  }
}

/** Weights of n panels, nose first. An all-moving surface (share 1) turns them all by one. */
export function flapWeights(n: number, chordShare: number): Float64Array {
  const share = Float64Array.from({ length: n }, (_, k) =>
    Math.min(1, Math.max(0, k + 1 - n * (1 - chordShare))),
  )
  if (n < 2 || chordShare >= 0.999) return share
  const { lift, moment } = unitLoads(n)
  const theory = flapTheory(chordShare)
  const dot = (a: Float64Array, b: Float64Array) => a.reduce((sum, v, i) => sum + v * b[i], 0)
  const wantLift = 2 * Math.PI * theory.effectiveness - dot(lift, share),
    wantMoment = theory.cmPerRad - dot(moment, share)
  // Least change of the weights that meets both: w += Cᵀ(CCᵀ)⁻¹·want.
  const ll = dot(lift, lift),
    lm = dot(lift, moment),
    mm = dot(moment, moment)
  const determinant = ll * mm - lm * lm
  const p = (wantLift * mm - wantMoment * lm) / determinant,
    q = (wantMoment * ll - wantLift * lm) / determinant
  return share.map((value, k) => value + p * lift[k] + q * moment[k])
}

/**
 * Lift and quarter-chord moment coefficients that one radian of slope on each panel alone makes, by point
 * vortices.
 */
function unitLoads(n: number): { lift: Float64Array; moment: Float64Array } {
  const lift = new Float64Array(n),
    moment = new Float64Array(n)
  // Downwash at ¾ of panel i from unit vortices at ¼ of panel j: 1/(2π(x_i − x_j)); inverted column by
  // column.
  const inverse = invert(
    Array.from({ length: n }, (_, i) =>
      Array.from({ length: n }, (_, j) => 1 / (2 * Math.PI * ((i + 0.5 - j) / n))),
    ),
  )
  for (let k = 0; k < n; k++) {
    for (let j = 0; j < n; j++) {
      const gamma = inverse[j][k]
      lift[k] += 2 * gamma
      moment[k] -= 2 * gamma * ((j + 0.25) / n - 0.25)
    }
  }
  return { lift, moment }
}

/** Gauss–Jordan for the few rows of a strip. */
function invert(matrix: number[][]): number[][] {
  const n = matrix.length
  const rows = matrix.map((row, i) => [...row, ...Array.from({ length: n }, (_, j) => Number(i === j))])
  for (let k = 0; k < n; k++) {
    const best = rows
      .slice(k)
      .reduce((top, row, i) => (Math.abs(row[k]) > Math.abs(rows[top][k]) ? i + k : top), k)
    const swapped = rows[k]
    rows[k] = rows[best]
    rows[best] = swapped
    const diagonal = rows[k][k]
    for (let j = 0; j < 2 * n; j++) rows[k][j] /= diagonal
    for (let i = 0; i < n; i++) {
      const factor = rows[i][k]
      if (i !== k && factor !== 0) for (let j = 0; j < 2 * n; j++) rows[i][j] -= factor * rows[k][j]
    }
  }
  return rows.map(row => row.slice(n))
}
