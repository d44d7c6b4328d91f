import { describe, expect, it } from 'vitest'
import { apply, calculator, recompute, type Working } from './working'

describe('the steps of a working', () => {
  it.each([
    ['sum', [1, 2, 3], 6],
    ['difference', [10, 2, 3], 5],
    ['quotient', [6, 4], 1.5],
    ['largest', [1, 9, 3], 9],
    ['smallest', [4, 2, 8], 2],
    ['middle', [2, 5], 3.5],
    ['random duplication', [100, 40, 30], 58],
    ['sum', [], 0],
  ] as const)('%s of %j', (operation, values, result) => {
    expect(apply(operation, values)).toBeCloseTo(result, 12)
  })

  it('keep their operands only where somebody asks', () => {
    const build = (explain: boolean) => {
      const calc = calculator(explain)
      return calc.step('Rate', 'quotient', [
        calc.step('Both', 'sum', [calc.given('a', 2), calc.given('b', 4)]),
        calc.given('of', 12),
      ])
    }
    expect(build(false)).toEqual({ label: 'Rate', operation: 'quotient', value: 0.5 })
    expect(build(true).value).toBe(0.5)
    expect(recompute(build(true))).toBe(0.5)
    expect(() => recompute(build(false))).toThrow('"Rate" has no operands')
  })

  it('are computed again from what is given alone, whatever they say they are', () => {
    const forged: Working = {
      label: 'All',
      operation: 'sum',
      value: 999,
      operands: [
        { label: 'a', operation: 'given', value: 1 },
        { label: 'b', operation: 'given', value: 2 },
      ],
    }
    expect(recompute(forged)).toBe(3)
  })
})
