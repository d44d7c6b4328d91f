import type { ValidationError } from 'yup'
import type { ApiProblem } from './useApi'

/**
 * What is wrong with a form, by field: as its schema says before it is sent, or as the server answers.
 *
 * @param elsewhere  the field under which stands what belongs to none
 * @example problemsOf(new Error('No line.'), 'all') // { all: 'No line.' }
 */
export function problemsOf(error: unknown, elsewhere: string): Record<string, string> {
  const { inner } = error as ValidationError
  // a schema that stops at the first problem has it in itself, and none within
  const all = inner?.length === 0 ? [error as ValidationError] : inner
  if (all) return Object.fromEntries(all.map(({ path, message }) => [path || elsewhere, message]))
  const { fields = {} } = error as Partial<ApiProblem>
  return Object.keys(fields).length > 0 ? fields : { [elsewhere]: (error as Error).message }
}
