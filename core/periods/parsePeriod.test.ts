import { describe, expect, it } from 'vitest'
import { parsePeriod } from './parsePeriod'

const complete = '2026-10-28'
const meaning = (words: string, until = complete) => {
  const { from, to } = parsePeriod(words, until).period
  return `${from} ${to}`
}

describe('periods in words', () => {
  it.each([
    ['last month', '2026-09-01 2026-09-30'],
    ['last 90 days', '2026-07-31 2026-10-28'],
    ['2026', '2026-01-01 2026-10-28'],
    ['2025', '2025-01-01 2025-12-31'],
    ['Q3 2026', '2026-07-01 2026-09-30'],
    ['2026 Q3', '2026-07-01 2026-09-30'],
    ['H1 2026', '2026-01-01 2026-06-30'],
    ['week 40 2026', '2026-09-28 2026-10-04'],
    ['14 Sep to 3 Oct', '2026-09-14 2026-10-03'],
    ['14 sept – 3 oct', '2026-09-14 2026-10-03'],
    ['20 Dec to 4 Jan', '2025-12-20 2026-01-04'],
    ['1 to 28 October 2026', '2026-10-01 2026-10-28'],
    ['last-28-days', '2026-10-01 2026-10-28'],
    ['2026-10-01..2026-10-28', '2026-10-01 2026-10-28'],
    ['yesterday', '2026-10-28 2026-10-28'],
    ['this month', '2026-10-01 2026-10-28'],
    ['last week', '2026-10-19 2026-10-25'],
    ['this week', '2026-10-26 2026-10-28'],
    ['last 4 weeks', '2026-10-01 2026-10-28'],
    ['last 12 months', '2025-10-01 2026-09-30'],
    ['last quarter', '2026-07-01 2026-09-30'],
    ['last year', '2025-01-01 2025-12-31'],
    ['February', '2026-02-01 2026-02-28'],
    ['December', '2025-12-01 2025-12-31'],
    ['Oct 2025 to Feb 2026', '2025-10-01 2026-02-28'],
    ['2026-02', '2026-02-01 2026-02-28'],
    ['28 Oct 2025', '2025-10-28 2025-10-28'],
    ['October 3rd, 2026', '2026-10-03 2026-10-03'],
  ])('%s', (words, days) => expect(meaning(words)).toBe(days))

  it('crosses the year and the leap day', () => {
    expect(meaning('last month', '2027-01-15')).toBe('2026-12-01 2026-12-31')
    expect(meaning('last quarter', '2027-02-01')).toBe('2026-10-01 2026-12-31')
    expect(meaning('Feb 2028', '2028-06-01')).toBe('2028-02-01 2028-02-29')
    expect(meaning('last month', '2026-10-31')).toBe('2026-10-01 2026-10-31')
  })

  it('says whether the same words mean other days tomorrow, and whether the period is running', () => {
    expect(parsePeriod('last 28 days', complete)).toMatchObject({ rolling: true, running: false })
    expect(parsePeriod('this month', complete)).toMatchObject({ rolling: true, running: true })
    expect(parsePeriod('Q3 2026', complete)).toMatchObject({ rolling: false, running: false })
    expect(parsePeriod('2026', complete)).toMatchObject({ rolling: false, running: true })
  })

  it.each([
    ['', 'Write a period'], ['whenever', 'Write a period'], ['Q5 2026', 'quarters 1 to 4'], ['week 54 2026', 'has no week 54'], ['30 Feb 2026', 'There is no 30 February in 2026.'],
    ['3 Oct 2026 to 14 Sep 2026', 'would end'], ['2030', 'no complete day yet'], ['last 0 days', 'at least one day'], ['this month to', 'Write a period'],
  ])('refuses "%s" with a sentence', (words, sentence) => expect(() => parsePeriod(words, complete)).toThrow(sentence))

  it('has no complete day of the month on its first', () => {
    expect(() => parsePeriod('this month', '2026-10-31')).toThrow('no complete day yet')
  })
})
