import { describe, expect, it } from 'vitest'
import { AmbiguousPeriod, parsePeriod } from './parsePeriod'

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
    expect(parsePeriod('last 28 days', complete)).toEqual({
      period: { from: '2026-10-01', to: '2026-10-28' },
      rolling: true,
    })
    expect(parsePeriod('this month', complete)).toMatchObject({ rolling: true, running: 'month' })
    expect(parsePeriod('Q3 2026', complete)).not.toHaveProperty('running')
    expect(parsePeriod('2026', complete)).toMatchObject({ rolling: false, running: 'year' })
  })

  it.each([
    ['', 'Write a period'],
    ['whenever', 'Write a period'],
    ['Q5 2026', 'quarters 1 to 4'],
    ['week 54 2026', 'has no week 54'],
    ['30 Feb 2026', 'There is no 30 February in 2026.'],
    ['3 Oct 2026 to 14 Sep 2026', 'would end'],
    ['2030', 'no complete day yet'],
    ['last 0 days', 'at least one day'],
    ['this month to', 'Write a period'],
  ])('refuses "%s" with a sentence', (words, sentence) => expect(() => parsePeriod(words, complete)).toThrow(sentence))

  it('has no complete day of the month on its first', () => {
    expect(() => parsePeriod('this month', '2026-10-31')).toThrow('no complete day yet')
  })

  it.each([
    ['Nov to Dec', '2025-11-01 2025-12-31'],
    ['Sep–Oct 2026', '2026-09-01 2026-10-31'],
    ['Sep-Oct', '2026-09-01 2026-10-31'],
    ['1–28 Oct 2026', '2026-10-01 2026-10-28'],
    ['1-28 Oct 2026', '2026-10-01 2026-10-28'],
    ['Dec to Jan', '2025-12-01 2026-01-31'],
    ['MTD', '2026-11-01 2026-11-25'],
    ['qtd', '2026-10-01 2026-11-25'],
    ['YTD', '2026-01-01 2026-11-25'],
    ['year to date', '2026-01-01 2026-11-25'],
    ['today', '2026-11-25 2026-11-25'],
    ['W53', '2020-12-28 2021-01-03'],
    ['this half', '2026-07-01 2026-11-25'],
    ['2026-q3', '2026-07-01 2026-09-30'],
    ['2026-h1', '2026-01-01 2026-06-30'],
    ['q3-2025', '2025-07-01 2025-09-30'],
    ['Oct 3', '2026-10-03 2026-10-03'],
    ['26 Nov', '2025-11-26 2025-11-26'],
  ])('%s, on 26 November', (words, days) => expect(meaning(words, '2026-11-25')).toBe(days))

  it.each([
    ['W53', '2026-12-28 2027-01-03'],
    ['Q4', '2026-10-01 2026-12-31'],
    ['H2', '2026-07-01 2026-12-31'],
    ['Q1', '2027-01-01 2027-01-12'],
    ['W52', '2026-12-21 2026-12-27'],
  ])('%s, in January', (words, days) => expect(meaning(words, '2027-01-12')).toBe(days))

  it('says that today is not over', () => expect(parsePeriod('today', complete).remark).toContain('not over yet'))

  const readings = (words: string) => {
    try {
      parsePeriod(words, '2026-11-25')
      return []
    } catch (error) {
      expect(error).toBeInstanceOf(AmbiguousPeriod)
      return (error as AmbiguousPeriod).readings.map((reading) => reading.words)
    }
  }
  it.each([
    ['Nov 26', ['2025-11-26', '2026-11']],
    ['Feb 24', ['2026-02-24', '2024-02']],
    ['5/6/2026', ['2026-06-05', '2026-05-06']],
    ['5.6.2026', ['2026-06-05', '2026-05-06']],
    ['13/6/2026', ['2026-06-13']],
    ['6/6/2026', ['2026-06-06']],
  ])('asks about "%s"', (words, offered) => {
    expect(readings(words)).toEqual(offered)
    for (const reading of offered) expect(() => parsePeriod(reading, '2026-11-25')).not.toThrow()
  })

  it.each([
    ['1890', '1970'],
    ['0026', '1970'],
    ['Q3 0026', '1970'],
    ['1 Jan 1900', '1970'],
    ['Nov 1960 to Dec 1961', '1970'],
    ['W54', 'weeks 1 to 52'],
    ['40/50/2026', 'is no day'],
  ])('refuses "%s"', (words, sentence) => expect(() => parsePeriod(words, complete)).toThrow(sentence))
})
