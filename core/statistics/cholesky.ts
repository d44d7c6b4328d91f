/**
 * The lower triangle L of a symmetric positive definite matrix A = L·Lᵀ (Golub GH, Van Loan CF, Matrix Computations,
 * 4th ed. 2013, algorithm 4.2.1), row by row in one array.
 *
 * @param matrix  n·n numbers, of which the lower triangle is read
 * @throws        RangeError when it is not positive definite
 * @example       cholesky(Float64Array.of(4, 2, 2, 5), 2) // 2, 0, 1, 2
 */
export function cholesky(matrix: Float64Array, n: number): Float64Array {
  const lower = new Float64Array(n * n)
  for (let row = 0; row < n; row++) {
    for (let column = 0; column <= row; column++) {
      let rest = matrix[row * n + column]!
      for (let k = 0; k < column; k++) rest -= lower[row * n + k]! * lower[column * n + k]!
      if (row === column && !(rest > 0)) throw new RangeError('the matrix is not positive definite')
      lower[row * n + column] = row === column ? Math.sqrt(rest) : rest / lower[column * n + column]!
    }
  }
  return lower
}

/**
 * Solves L·x = b by forward substitution.
 *
 * @example forwardSolve(Float64Array.of(2, 0, 1, 2), Float64Array.of(4, 6), 2) // 2, 2
 */
export function forwardSolve(lower: Float64Array, right: Float64Array, n: number): Float64Array {
  const x = new Float64Array(n)
  for (let row = 0; row < n; row++) {
    let rest = right[row]!
    for (let k = 0; k < row; k++) rest -= lower[row * n + k]! * x[k]!
    x[row] = rest / lower[row * n + row]!
  }
  return x
}
