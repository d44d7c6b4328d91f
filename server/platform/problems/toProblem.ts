import { ValidationError } from 'yup'
import { Unreadable } from '../../../core/unreadable'
import { badRequest, Problem } from './problem'

/**
 * What somebody is told of an error. Only what was thrown for a person is told to them; everything else is a fault of
 * ours, whatever kind of error it is, and that nothing was changed is said only where nothing could be.
 */
export function toProblem(error: unknown, isReading: boolean): Problem {
  if (error instanceof Problem) return error
  if (error instanceof ValidationError)
    return badRequest(error.errors.join(' '), {
      fields: Object.fromEntries(error.inner.map((inner) => [inner.path, inner.message])),
    })
  if (error instanceof Unreadable) return badRequest(error.message)
  const again = isReading
    ? 'Nothing was changed. Try again in a moment.'
    : 'It is not known whether it was carried out: look before you try again.'
  return new Problem(
    500,
    'Something went wrong here',
    `The request could not be answered as it should. ${again} The log says what it was.`,
  )
}
