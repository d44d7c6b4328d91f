import { randomDuplication } from '../reach/randomDuplication'

/** What a step of a working does with its operands. */
export type Operation =
  | 'given'
  | 'sum'
  | 'difference'
  | 'quotient'
  | 'largest'
  | 'smallest'
  | 'middle'
  | 'random duplication'

/**
 * One step of a working: a named value and, unless it is given, the operation and operands that make it.
 * `random duplication` takes the universe first and then the reaches.
 */
export interface Working {
  label: string
  operation: Operation
  value: number
  operands?: Working[]
}

/** What an operation makes of its operands' values. */
export function apply(operation: Exclude<Operation, 'given'>, values: readonly number[]): number {
  const [first = 0, ...rest] = values
  switch (operation) {
    case 'sum':
      return values.reduce((total, value) => total + value, 0)
    case 'difference':
      return rest.reduce((left, value) => left - value, first)
    case 'quotient':
      return first / rest[0]!
    case 'largest':
      return Math.max(...values)
    case 'smallest':
      return Math.min(...values)
    case 'middle':
      return values.reduce((total, value) => total + value, 0) / values.length
    case 'random duplication':
      return randomDuplication(first, rest)
  }
}

/**
 * Computes a working again from its given values alone.
 *
 * @returns the value that the whole tree makes
 * @throws  Error when a step has lost its operands
 */
export function recompute(working: Working): number {
  if (working.operation === 'given') return working.value
  if (!working.operands) throw new Error(`"${working.label}" has no operands`)
  return apply(working.operation, working.operands.map(recompute))
}

/**
 * Builds workings. Every value of a figure is made by one of these steps, so that the figure and its working cannot
 * differ; the operands are kept only where somebody asked to see them.
 */
export interface Calculator {
  /** Whether operands are kept; labels that take work to make can be left out where they are not. */
  explains: boolean
  given: (label: string, value: number) => Working
  step: (label: string, operation: Exclude<Operation, 'given'>, operands: Working[]) => Working
}

/**
 * @param explain  whether steps keep their operands
 * @example        calculator(true).step('All', 'sum', [one, two])
 */
export const calculator = (explain: boolean): Calculator => (explain ? KEEPING : QUIET)

const made = (explains: boolean): Calculator => ({
  explains,
  given: (label, value) => ({ label, operation: 'given', value }),
  step: (label, operation, operands) => {
    const value = apply(
      operation,
      operands.map((operand) => operand.value),
    )
    return explains ? { label, operation, value, operands } : { label, operation, value }
  },
})
const [KEEPING, QUIET] = [made(true), made(false)]
