/**
 * What weighings teach about the pieces that are still to come. The logarithm of weighed over predicted mass is an
 * offset of the filament, one of the printer, one of the recipe, a slope in the piece's size and the piece's own
 * scatter; all normal, with priors that are shares of the whole spread. Weighings make them known by linear Bayesian
 * regression (Gelman et al., Bayesian Data Analysis, ch. 14 and 15); what is left to print inherits their mean and
 * their covariance. SI.
 */
import { inverse, Matrix } from 'ml-matrix'

export type Cause = 'filament' | 'printer' | 'recipe'

export interface PieceMass {
  id: string
  predicted: number
  /** Null until it lay on the scale. */
  weighed: number | null
  causes: Readonly<Record<Cause, string>>
}

/** Shares of the whole spread, as variances: they add up to one. */
export const PRIOR: Readonly<Record<Cause | 'own', number>> = {
  filament: 0.52,
  recipe: 0.2,
  printer: 0.1,
  own: 0.18,
}
/** Of e times the size, as a share of the whole spread: small pieces begin and end more often. */
export const SIZE = 0.2
/** One standard deviation of the scale, kg. */
const SCALE = 0.0005
/** A weighing so many standard deviations off what the others say teaches nothing. */
export const OUTLIER = 4

export interface Learned {
  /** Expected logarithm of true over predicted mass, and its standard deviation, for every piece in order. */
  mean: Float64Array
  sigma: Float64Array
  /**
   * One standard deviation of Σ weight·mass over the pieces not weighed, with everything that they share. `readings`:
   * by how much each weighed piece's reading counts in the same sum. What a reading is off it is off there and in what
   * it teaches of the rest, the same way: twice that covariance is in the answer, the readings' own variance is not.
   */
  spreadOf(weights: ArrayLike<number>, readings: ArrayLike<number>): number
  /** What is known of each cause now. */
  offsets: Array<{ cause: Cause; name: string; mean: number; sigma: number }>
  /** Of weighed pieces: standard deviations off what the others say; those past `OUTLIER` were left out. */
  surprise: Map<string, number>
}

/** `spread`: one standard deviation of a printed mass from everything, as a share (5 % is usual). */
export function learnMasses(pieces: readonly PieceMass[], spread: number): Learned {
  const names = new Map<string, number>()
  const columns: Array<{ cause: Cause; name: string }> = []
  for (const { causes } of pieces)
    for (const cause of ['filament', 'printer', 'recipe'] as const) {
      const key = `${cause} ${causes[cause]}`
      if (names.has(key)) continue
      names.set(key, columns.length)
      columns.push({ cause, name: causes[cause] })
    }
  const dims = columns.length + 1
  const s = Math.max(1e-4, spread)
  const prior = [...columns.map(({ cause }) => PRIOR[cause] * s * s), (SIZE * s) ** 2]
  const logs = pieces.map(({ predicted }) => Math.log(Math.max(1e-6, predicted)))
  const middle = logs.reduce((sum, value) => sum + value, 0) / Math.max(1, logs.length)
  const rows = pieces.map(({ causes }, i) => {
    const row = new Float64Array(dims)
    for (const cause of ['filament', 'printer', 'recipe'] as const)
      row[names.get(`${cause} ${causes[cause]}`)!] = 1
    row[dims - 1] = logs[i] - middle
    return row
  })
  const own = PRIOR.own * s * s
  const noise = pieces.map(({ predicted }) => own + (SCALE / Math.max(1e-6, predicted)) ** 2)
  const weighed = pieces.flatMap((piece, i) => (piece.weighed !== null && piece.weighed > 0 ? [i] : []))
  const off = (i: number) => Math.log(pieces[i].weighed! / Math.max(1e-6, pieces[i].predicted))

  const surprise = new Map<string, number>()
  let teaching = weighed
  let fit = regress(rows, noise, prior, teaching, off)
  for (;;) {
    let worst = -1,
      most = OUTLIER
    for (const i of teaching) {
      // Left out itself, from what it weighs in its own estimate.
      const h = Math.min(0.999, quadratic(fit.covariance, rows[i]) / noise[i])
      const z = (off(i) - dot(rows[i], fit.mean)) / Math.sqrt(noise[i] * (1 - h))
      surprise.set(pieces[i].id, z)
      if (Math.abs(z) > most && teaching.length > 2) [worst, most] = [i, Math.abs(z)]
    }
    if (worst < 0) break
    teaching = teaching.filter(i => i !== worst)
    fit = regress(rows, noise, prior, teaching, off)
  }
  const mean = Float64Array.from(rows, (row, i) => (pieces[i].weighed === null ? dot(row, fit.mean) : off(i)))
  const sigma = Float64Array.from(rows, (row, i) =>
    pieces[i].weighed === null
      ? Math.sqrt(quadratic(fit.covariance, row) + own)
      : SCALE / Math.max(1e-6, pieces[i].weighed),
  )
  return {
    mean,
    sigma,
    surprise,
    offsets: columns.map(({ cause, name }, k) => ({
      cause,
      name,
      mean: fit.mean[k],
      sigma: Math.sqrt(Math.max(0, fit.covariance.get(k, k))),
    })),
    spreadOf: (weights, readings) => {
      const shared = new Float64Array(dims),
        read = new Float64Array(dims)
      let alone = 0
      rows.forEach((row, i) => {
        if (pieces[i].weighed !== null) return
        for (let k = 0; k < dims; k++) shared[k] += weights[i] * row[k]
        alone += weights[i] ** 2 * own
      })
      // A reading off by e moves its logarithm by e/m, and the offsets by Λ⁻¹·x/D of that.
      for (const i of teaching)
        for (let k = 0; k < dims; k++)
          read[k] += (readings[i] * SCALE ** 2 * rows[i][k]) / (Math.max(1e-6, pieces[i].weighed!) * noise[i])
      const both = dot(shared, fit.covariance.mmul(Matrix.columnVector(read)).to1DArray())
      return Math.sqrt(Math.max(0, quadratic(fit.covariance, shared) + alone + 2 * both))
    },
  }
}

const dot = (a: ArrayLike<number>, b: ArrayLike<number>): number => {
  let sum = 0
  for (let k = 0; k < a.length; k++) sum += a[k] * b[k]
  return sum
}

function quadratic(matrix: Matrix, v: ArrayLike<number>): number {
  let sum = 0
  for (let i = 0; i < v.length; i++) {
    if (v[i] === 0) continue
    for (let j = 0; j < v.length; j++) if (v[j] !== 0) sum += v[i] * v[j] * matrix.get(i, j)
  }
  return sum
}

/** Posterior of the offsets: precision Λ = T⁻¹ + XᵀD⁻¹X, mean Λ⁻¹XᵀD⁻¹y. */
function regress(
  rows: readonly Float64Array[],
  noise: readonly number[],
  prior: readonly number[],
  teaching: readonly number[],
  off: (i: number) => number,
): { mean: number[]; covariance: Matrix } {
  const dims = prior.length
  const precision = Matrix.diag(prior.map(value => 1 / value))
  const right = new Float64Array(dims)
  for (const i of teaching) {
    const y = off(i)
    for (let a = 0; a < dims; a++) {
      if (rows[i][a] === 0) continue
      right[a] += (rows[i][a] * y) / noise[i]
      for (let b = 0; b < dims; b++)
        if (rows[i][b] !== 0) precision.set(a, b, precision.get(a, b) + (rows[i][a] * rows[i][b]) / noise[i])
    }
  }
  const covariance = inverse(precision)
  const mean = Array.from({ length: dims }, (_, a) => dot(covariance.getRow(a), right))
  return { mean, covariance }
}
