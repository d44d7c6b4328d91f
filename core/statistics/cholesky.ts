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
 * Solves L·X = B by forward substitution, for as many right sides at once as B has columns.
 *
 * @param right    n rows of `columns` numbers each
 * @returns        X, as B is laid out
 * @example        forwardSolve(Float64Array.of(2, 0, 1, 2), Float64Array.of(4, 6), 2) // 2, 2
 */
export function forwardSolve(lower: Float64Array, right: Float64Array, n: number, columns = 1): Float64Array {
  const x = Float64Array.from(right)
  for (let row = 0; row < n; row++) {
    const own = row * columns
    for (let k = 0; k < row; k++) {
      const factor = lower[row * n + k]!
      if (factor === 0) continue
      const other = k * columns
      for (let column = 0; column < columns; column++) x[own + column]! -= factor * x[other + column]!
    }
    const diagonal = lower[row * n + row]!
    for (let column = 0; column < columns; column++) x[own + column]! /= diagonal
  }
  return x
}
