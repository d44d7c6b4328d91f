import { describe, expect, it } from 'vitest'
import { cholesky, forwardSolve } from './cholesky'

describe('cholesky', () => {
  it('parts a matrix into a triangle and its mirror', () => {
    const lower = cholesky(Float64Array.of(4, 2, 2, 5), 2)
    expect([...lower]).toEqual([2, 0, 1, 2])
    expect([...forwardSolve(lower, Float64Array.of(4, 6), 2)]).toEqual([2, 2])
    // two right sides at once
    expect([...forwardSolve(lower, Float64Array.of(4, 2, 6, 5), 2, 2)]).toEqual([2, 1, 2, 2])
  })
  it('refuses a matrix that is not positive definite', () => {
    expect(() => cholesky(Float64Array.of(1, 2, 2, 1), 2)).toThrow(RangeError)
  })
})
