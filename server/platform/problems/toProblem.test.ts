import { describe, expect, it } from 'vitest'
import { object, string } from 'yup'
import { parsePeriod } from '../../../core/periods/parsePeriod'
import { conflict } from './problem'
import { toProblem } from './toProblem'

const thrown = (work: () => unknown): unknown => {
  try {
    work()
  } catch (error) {
    return error
  }
  return undefined
}

describe('what somebody is told of an error', () => {
  it('is the sentence that was made for them', () => {
    expect(toProblem(conflict('Somebody else was faster.'), false)).toMatchObject({
      status: 409,
      detail: 'Somebody else was faster.',
    })
    expect(
      toProblem(
        thrown(() => parsePeriod('whenever', '2026-10-28')),
        true,
      ),
    ).toMatchObject({ status: 400, detail: expect.stringContaining('Write a period') as string })
    expect(
      toProblem(
        thrown(() => object({ name: string().required('Give it a name.') }).validateSync({}, { abortEarly: false })),
        false,
      ),
    ).toMatchObject({ status: 400, detail: 'Give it a name.', more: { fields: { name: 'Give it a name.' } } })
  })

  it.each([
    ['a number out of range', () => (1).toFixed(-1)],
    ['an array of no length', () => new Array(-1)],
    ['something that is not there', () => (undefined as unknown as { x: number }).x],
    [
      'words of the database',
      () => {
        throw Object.assign(new Error('Unknown column secret'), { errno: 1054 })
      },
    ],
    [
      'an error that looks like a mistake of theirs',
      () => {
        throw Object.assign(new Error('inner words'), { statusCode: 400 })
      },
    ],
  ])('is, for %s, that it is a fault of ours, and nothing of it', (_, work) => {
    const error = thrown(work)
    const problem = toProblem(error, true)
    expect([problem.status, problem.detail]).toEqual([
      500,
      'The request could not be answered as it should. Nothing was changed. Try again in a moment. The log says what it was.',
    ])
    // where something may have been written, nobody says that nothing was
    expect(toProblem(error, false).detail).not.toContain('Nothing was changed')
  })
})
