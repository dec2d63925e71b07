/** LU factorisation with partial pivoting (Golub & Van Loan 3.4.1) on a flat row-major matrix; many right-hand sides. */

export interface Factorised { size: number, lu: Float64Array, pivot: Int32Array }

/** Factorises in place. Throws when a column has no pivot (a singular matrix is a programmer's fault here). */
export function factorise(matrix: Float64Array, size: number): Factorised {
  const pivot = new Int32Array(size)
  for (let k = 0; k < size; k++) {
    let best = k
    for (let i = k + 1; i < size; i++) if (Math.abs(matrix[i * size + k]) > Math.abs(matrix[best * size + k])) best = i
    pivot[k] = best
    if (best !== k) swapRows(matrix, size, k, best)
    const diagonal = matrix[k * size + k]
    if (diagonal === 0) throw new Error(`singular matrix at column ${k}`)
    const rowK = matrix.subarray(k * size, (k + 1) * size)
    for (let i = k + 1; i < size; i++) {
      const at = i * size
      const factor = matrix[at + k] / diagonal
      if (factor === 0) continue
      matrix[at + k] = factor
      for (let j = k + 1; j < size; j++) matrix[at + j] -= factor * rowK[j]
    }
  }
  return { size, lu: matrix, pivot }
}

function swapRows(matrix: Float64Array, size: number, a: number, b: number): void {
  for (let j = 0; j < size; j++) {
    const kept = matrix[a * size + j]
    matrix[a * size + j] = matrix[b * size + j]
    matrix[b * size + j] = kept
  }
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
