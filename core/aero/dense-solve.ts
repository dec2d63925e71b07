/**
 * LU factorisation with partial pivoting on a flat row-major matrix, by blocks (Golub & Van Loan 3.2.11 and
 * 3.4.1); many right-hand sides. Nearly all of the work is the update of the rest by four pivot rows at a
 * time on two rows at once, so that each number fetched is used several times.
 */

export interface Factorised {
  size: number
  lu: Float64Array
  pivot: Int32Array
}

/** Columns factorised before the rest is brought up to date; a multiple of four. */
const BLOCK = 32

/**
 * Factorises in place. Throws when a column has no pivot (a singular matrix is a programmer's fault here).
 */
export function factorise(matrix: Float64Array, size: number): Factorised {
  const pivot = new Int32Array(size)
  for (let from = 0; from < size; from += BLOCK) {
    const to = Math.min(size, from + BLOCK)
    factoriseColumns(matrix, size, from, to, pivot)
    solveBlockRows(matrix, size, from, to)
    updateRest(matrix, size, from, to)
  }
  return { size, lu: matrix, pivot }
}

function factoriseColumns(a: Float64Array, size: number, from: number, to: number, pivot: Int32Array): void {
  for (let k = from; k < to; k++) {
    let best = k
    for (let i = k + 1; i < size; i++) if (Math.abs(a[i * size + k]) > Math.abs(a[best * size + k])) best = i
    pivot[k] = best
    if (best !== k) swapRows(a, size, k, best)
    const diagonal = a[k * size + k]
    if (diagonal === 0 || Number.isNaN(diagonal)) throw new Error(`singular matrix at column ${k}`)
    for (let i = k + 1; i < size; i++) {
      const at = i * size
      const factor = a[at + k] / diagonal
      a[at + k] = factor
      if (factor !== 0) for (let j = k + 1; j < to; j++) a[at + j] -= factor * a[k * size + j]
    }
  }
}

function swapRows(matrix: Float64Array, size: number, a: number, b: number): void {
  for (let j = 0; j < size; j++) {
    const kept = matrix[a * size + j]
    matrix[a * size + j] = matrix[b * size + j]
    matrix[b * size + j] = kept
  }
}

/** The block's own rows, right of it: what lies above each row within the block is taken off. */
function solveBlockRows(a: Float64Array, size: number, from: number, to: number): void {
  for (let i = from + 1; i < to; i++) {
    for (let k = from; k < i; k++) {
      const factor = a[i * size + k]
      for (let j = to; j < size; j++) a[i * size + j] -= factor * a[k * size + j]
    }
  }
}

function updateRest(a: Float64Array, size: number, from: number, to: number): void {
  let i = to
  for (; i + 1 < size; i += 2) {
    const p = i * size,
      q = p + size
    let k = from
    for (; k + 3 < to; k += 4) {
      const p0 = a[p + k],
        p1 = a[p + k + 1],
        p2 = a[p + k + 2],
        p3 = a[p + k + 3]
      const q0 = a[q + k],
        q1 = a[q + k + 1],
        q2 = a[q + k + 2],
        q3 = a[q + k + 3]
      const r0 = k * size,
        r1 = r0 + size,
        r2 = r1 + size,
        r3 = r2 + size
      for (let j = to; j < size; j++) {
        const u0 = a[r0 + j],
          u1 = a[r1 + j],
          u2 = a[r2 + j],
          u3 = a[r3 + j]
        a[p + j] -= p0 * u0 + p1 * u1 + p2 * u2 + p3 * u3
        a[q + j] -= q0 * u0 + q1 * u1 + q2 * u2 + q3 * u3
      }
    }
    for (; k < to; k++) {
      updateRow(a, p, a[p + k], k * size, to, size)
      updateRow(a, q, a[q + k], k * size, to, size)
    }
  }
  if (i < size) for (let k = from; k < to; k++) updateRow(a, i * size, a[i * size + k], k * size, to, size)
}

function updateRow(
  a: Float64Array,
  row: number,
  factor: number,
  pivotRow: number,
  to: number,
  size: number,
): void {
  for (let j = to; j < size; j++) a[row + j] -= factor * a[pivotRow + j]
}

/** Solution for one right-hand side; the input is left alone. */
export function solve({ size, lu, pivot }: Factorised, rhs: Float64Array): Float64Array {
  const x = rhs.slice()
  for (let k = 0; k < size; k++) {
    const kept = x[k]
    x[k] = x[pivot[k]]
    x[pivot[k]] = kept
  }
  for (let i = 1; i < size; i++) {
    let sum = x[i]
    for (let j = 0; j < i; j++) sum -= lu[i * size + j] * x[j]
    x[i] = sum
  }
  for (let i = size - 1; i >= 0; i--) {
    let sum = x[i]
    for (let j = i + 1; j < size; j++) sum -= lu[i * size + j] * x[j]
    x[i] = sum / lu[i * size + i]
  }
  return x
}
