/** Weighted linear least squares of a few columns; `covariance` is the inverse of the weighted normal matrix. */
export type LinearFit = { coefficients: number[]; covariance: number[][]; chi2: number }

/**
 * Solves min sum w (y - sum c_k x_k)^2 by Cholesky on scaled columns.
 * @param columns - one array per coefficient, each as long as `y`
 * @param weights - 1 / variance of each sample
 * @returns the fit, or null when the columns are not independent
 */
export function fitLinear(columns: readonly Float64Array[], y: Float64Array, weights: Float64Array): LinearFit | null {
  const k = columns.length
  const scale = columns.map((column) => Math.sqrt(sumOf(y.length, (i) => at(weights, i) * at(column, i) ** 2)) || 1)
  const normal = columns.map((a, r) => columns.map((b, c) => sumOf(y.length, (i) => at(weights, i) * at(a, i) * at(b, i)) / ((scale[r] as number) * (scale[c] as number))))
  const right = columns.map((a, r) => sumOf(y.length, (i) => at(weights, i) * at(a, i) * at(y, i)) / (scale[r] as number))
  const inverse = invertSymmetric(normal)
  if (!inverse) return null
  const coefficients = inverse.map((row, r) => row.reduce((sum, v, c) => sum + v * (right[c] as number), 0) / (scale[r] as number))
  const covariance = inverse.map((row, r) => row.map((v, c) => v / ((scale[r] as number) * (scale[c] as number))))
  const chi2 = sumOf(y.length, (i) => {
    let model = 0
    for (let c = 0; c < k; c++) model += (coefficients[c] as number) * at(columns[c] as Float64Array, i)
    return at(weights, i) * (at(y, i) - model) ** 2
  })
  return { coefficients, covariance, chi2 }
}

const at = (values: Float64Array, i: number): number => values[i] as number

function sumOf(n: number, term: (i: number) => number): number {
  let sum = 0
  for (let i = 0; i < n; i++) sum += term(i)
  return sum
}

/** Gauss-Jordan inverse of a small symmetric positive matrix with unit diagonal; null when it is near singular. */
function invertSymmetric(matrix: readonly (readonly number[])[]): number[][] | null {
  const n = matrix.length
  const work = matrix.map((row, r) => [...row, ...row.map((_, c) => (c === r ? 1 : 0))])
  for (let p = 0; p < n; p++) {
    const pivotRow = work[p] as number[]
    const pivot = pivotRow[p] as number
    if (!(Math.abs(pivot) > 1e-10)) return null
    for (let c = 0; c < 2 * n; c++) pivotRow[c] = (pivotRow[c] as number) / pivot
    for (let r = 0; r < n; r++) {
      if (r === p) continue
      const row = work[r] as number[]
      const factor = row[p] as number
      for (let c = 0; c < 2 * n; c++) row[c] = (row[c] as number) - factor * (pivotRow[c] as number)
    }
  }
  return work.map((row) => row.slice(n))
}
