import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { dayField } from '../platform/dayField'
import { AGAINST } from '../../core/periods/comparison'
import { mappingSchema } from '../gather/imports'
import { noteSchema } from './notes'
import { parseScope, scopeAddress } from './scope'
import { againstField, periodField, whoField } from './scopeFields'
import { signInSchema } from '../platform/people'
import { blockSchema } from '../report/blocks'
import { shareSchema } from '../report/editions'
import { reportSchema } from '../report/reports'

describe('the scope in the address', () => {
  it('is the default where it says nothing, and leaves the default out', () => {
    expect(parseScope({})).toEqual({ who: [], sets: [], period: 'last-28-days', against: 'before' })
    expect(scopeAddress(parseScope({}))).toEqual({})
  })

  it('is the same after a way through the address', () => {
    const scope = fc.record({
      who: fc.uniqueArray(fc.integer({ min: 1, max: 9999 })),
      sets: fc.uniqueArray(fc.integer({ min: 1, max: 99 })),
      period: fc.constantFrom('last-7-days', '2026-10-01..2026-10-28', 'last-28-days'),
      against: fc.constantFrom(...AGAINST),
    })
    fc.assert(
      fc.property(scope, (given) => {
        expect(parseScope(scopeAddress(given))).toEqual(given)
      }),
    )
  })

  it('keeps sets apart from profiles', () =>
    expect(parseScope({ who: 's3,5,s1' })).toMatchObject({ who: [5], sets: [3, 1] }))

  it.each([
    [{ who: '1;2' }, 'Choose profiles from the list.'],
    [{ who: '-1' }, 'Choose profiles'],
    [{ against: 'x'.repeat(61) }, 'Compare with the days before'],
    [{ period: 'x'.repeat(61) }, '60'],
    [{ who: ['1', '2'] }, 'Choose profiles from the list.'],
    [{ period: ['2026', '2025'] }, 'period is one text'],
  ])('refuses %j with a sentence', (query, sentence) => {
    expect(() => parseScope(query)).toThrow(sentence)
  })

  it('is read by the same rules as what is kept of a scope', () => {
    const fields = { who: whoField(), period: periodField(), against: againstField() }
    const sentence = (check: () => unknown) => {
      try {
        check()
      } catch (error) {
        return (error as Error).message
      }
      return undefined
    }
    const value = fc.oneof(
      fc.string({ maxLength: 80 }),
      fc.stringMatching(/^(all|s?[0-9]{1,10}|tintype|cork|,)(,(s?[0-9]{1,10}|tintype|cork|x)){0,4}$/),
      fc.integer({ min: 3990, max: 4010 }).map((length) => '1,'.repeat(length).slice(0, length)),
      fc.array(fc.string(), { maxLength: 2 }),
    )
    fc.assert(
      fc.property(fc.constantFrom('who', 'period', 'against'), value, (name, given) => {
        expect(sentence(() => parseScope({ [name]: given }))).toBe(
          sentence(() => fields[name].validateSync(given, { abortEarly: true })),
        )
      }),
      { numRuns: 500 },
    )
  })
})

describe('what people write', () => {
  const problems = (
    schema: { validateSync: (value: unknown, options: object) => unknown },
    value: unknown,
  ): string[] => {
    try {
      schema.validateSync(value, { abortEarly: false })
      return []
    } catch (error) {
      return (error as { errors: string[] }).errors
    }
  }

  it('is a note with a day and a few words', () => {
    expect(problems(noteSchema, { from: '2026-10-01', to: '2026-10-01', title: 'x' })).toEqual([])
    expect(problems(noteSchema, { from: '', to: '1 Oct', title: '  ' })).toEqual(
      expect.arrayContaining(['Choose a day.', 'Say in a few words what happened.']),
    )
    expect(problems(noteSchema, { from: '2026-10-01', to: '2026-10-01', title: 'x'.repeat(121) })).toEqual([
      'Keep the first line under 120 characters.',
    ])
  })

  it('is an address and a password', () => {
    expect(problems(signInSchema, {})).toEqual(expect.arrayContaining(['Write your address.', 'Write your password.']))
    expect(problems(signInSchema, { email: 'nobody', password: 'x' })).toEqual(['That is not a mail address.'])
  })

  it('is a link that lives for a while', () => {
    expect(shareSchema.validateSync({})).toEqual({ days: 30, reader: '' })
    expect(problems(shareSchema, { days: 0 })).toEqual(['A link lives for a day at least.'])
    expect(problems(shareSchema, { days: 1000 })).toEqual(['A link lives for a year at the most.'])
  })

  it('is a report of known blocks', () => {
    const block = blockSchema.validateSync({ id: 'a', kind: 'text' })
    expect(block).toEqual({
      id: 'a',
      kind: 'text',
      title: '',
      metrics: [],
      option: '',
      who: 'all',
      text: '',
      comment: '',
    })
    expect(problems(blockSchema, { id: 'a', kind: 'text', who: 'us' })).toEqual(['Choose profiles from the list.'])
    expect(problems(blockSchema, { id: 'a', kind: 'pie' })).not.toEqual([])
    expect(problems(reportSchema, { title: '', period: 'x', against: 'before', blocks: [], version: 1 })).toEqual([
      'A report needs a title.',
    ])
    expect(
      problems(reportSchema, {
        title: 'x',
        period: 'x',
        against: 'before',
        blocks: Array.from({ length: 61 }, () => block),
        version: 1,
      }),
    ).toEqual(['A report can have 60 blocks.'])
  })

  it('is a matching with an order of dates that somebody has chosen', () => {
    expect(problems(mappingSchema, { targets: ['day', 'impressions'], decimal: 'point' })).toEqual([
      'Say in which order the dates give day and month.',
    ])
    expect(
      problems(mappingSchema, { targets: ['day', 'magic'], decimal: 'point', dateOrder: 'year-month-day' }),
    ).not.toEqual([])
  })
})

describe('a day that somebody chooses', () => {
  it.each([
    ['2026-10-28', true],
    ['2028-02-29', true],
    ['2026-02-29', false],
    ['2026-00-10', false],
    ['9999-12-31', false],
    ['1969-12-31', false],
    ['28/10/2026', false],
    ['', false],
  ])('%s: %s', (given, isOne) => {
    expect(dayField().isValidSync(given)).toBe(isOne)
  })
  it('is refused with a sentence', () =>
    expect(() => dayField().validateSync('2026-00-10')).toThrow('There is no day 2026-00-10. Choose another.'))
})
