import { describe, expect, it } from 'vitest'
import type { Change } from '../change/change'
import type { Figure } from '../figures/figure'
import { coverageText, explainChange, formatChange, knownText } from './formatChange'
import { formatFigure } from './formatFigure'
import { formatDifference, formatShort, formatValue } from './formatValue'
import { formatCompact, formatCount, formatDuration, formatShare, formatSignedShare, oneDecimal } from './numbers'

const coverage = { expected: 1, present: 1, partial: [], unreported: [] }
const figure = (part: Partial<Figure>): Figure => ({
  metric: 'reach',
  exactness: 'exact',
  observations: 1,
  coverage,
  ...part,
})
const plain = (text: string) => text.replaceAll('\u202F', ' ')

describe('numbers on the page', () => {
  it('follow the locale', () => {
    expect(formatCount(412806, 'en-GB')).toBe('412,806')
    expect(formatCount(412806, 'de-DE')).toBe('412.806')
    expect(formatCount(-3, 'en-GB')).toBe('−3')
    expect(plain(formatShare(0.0512, 'de-DE'))).toBe('5,1 %')
  })

  it.each([
    [999, '999'],
    [1000, '1.0 k'],
    [41_049, '41.0 k'],
    [224_391, '224 k'],
    [999_499, '999 k'],
    [999_500, '1.0 M'],
    [12_345_678, '12.3 M'],
    [0, '0'],
  ])('shorten %d', (value, text) => expect(plain(formatCompact(value, 'en-GB'))).toBe(text))

  it.each([
    [9.4, '9.4 s'],
    [59.96, '60.0 s'],
    [96, '1 min 36 s'],
    [3725, '1 h 2 min'],
    [4_500_000, '1,250 h 0 min'],
  ])('write %d seconds as a length', (seconds, text) => expect(plain(formatDuration(seconds, 'en-GB'))).toBe(text))

  it('put ≈ before an estimate and its range beside it', () => {
    const text = formatFigure(figure({ value: 224_391, low: 112_402, high: 272_206, exactness: 'estimated' }), 'en-GB')
    expect(text).toMatchObject({ text: '≈ 224', unit: 'k', full: 'about 224,391, between 112,402 and 272,206' })
    expect(plain(text.range!)).toBe('112 to 273 k')
  })

  it('give a range where that is all that is known', () => {
    expect(plain(formatFigure(figure({ low: 41_000, high: 63_500, exactness: 'bounded' }), 'en-GB').text)).toBe(
      '41.0 to 63.5 k',
    )
    expect(plain(formatFigure(figure({ low: 41_000, exactness: 'bounded' }), 'en-GB').text)).toBe('at least 41.0 k')
    expect(plain(formatFigure(figure({ low: 900, high: 1200, exactness: 'bounded' }), 'en-GB').text)).toBe(
      '900 to 1.2 k',
    )
  })

  it('are rounded outward at the ends of a range: it never claims more than is known', () => {
    const ends = (low: number, high: number) =>
      plain(formatFigure(figure({ low, high, exactness: 'bounded' }), 'en-GB').text)
    expect(ends(19_063, 22_001)).toBe('19.0 to 22.1 k')
    expect(ends(19_000, 22_000)).toBe('19.0 to 22.0 k')
    expect(plain(formatShare(0.0516, 'en-GB', 'down'))).toBe('5.1 %')
    expect(plain(formatShare(0.0511, 'en-GB', 'up'))).toBe('5.2 %')
    // 0.07 × 100 is 7.000000000000001 in binary
    expect(plain(formatShare(0.07, 'en-GB', 'up'))).toBe('7.0 %')
    expect([-5.23, 5.23].map((value) => oneDecimal(value, 'en-GB', 'down'))).toEqual(['−5.3', '5.2'])
    expect(plain(formatDuration(96.4, 'en-GB', 'up'))).toBe('1 min 37 s')
  })

  it('say why there is none', () =>
    expect(formatFigure(figure({ reason: 'There is no data for these days.' }), 'en-GB')).toEqual({
      text: '—',
      unit: '',
      full: 'There is no data for these days.',
    }))

  it('carry a sign where a figure is a net one', () =>
    expect(formatFigure(figure({ metric: 'followers_net', value: 612 }), 'en-GB').text).toBe('+612'))
})

describe('changes of a proportion', () => {
  it.each([
    [0.0871, '+8.7'],
    [-0.146, '−14.6'],
    [0, '0.0'],
  ])('%d carries its sign', (value, text) => {
    expect(formatSignedShare(value, 'en-GB').slice(0, -2)).toBe(text)
  })
})

describe('values by their unit', () => {
  it.each([
    [1.44, 'times', '1.4', '1.4'],
    [0.0512, 'share', '5.1 %', '5.1 %'],
    [96, 'seconds', '1 min 36 s', '1 min 36 s'],
    [224_391, 'people', '224,391', '224 k'],
  ] as const)('%d %s', (value, unit, full, short) => {
    expect([plain(formatValue(value, unit, 'en-GB')), plain(formatShort(value, unit, 'en-GB'))]).toEqual([full, short])
  })
  it.each([
    [0.0031, 'share', '+0.31 pt'],
    [-0.00001, 'share', '0.00 pt'],
    [-2.5, 'seconds', '−2.5 s'],
    [1413, 'count', '+1,413'],
    [0, 'count', '0'],
  ] as const)('a difference of %d %s', (value, unit, text) => {
    expect(plain(formatDifference(value, unit, 'en-GB'))).toBe(text)
  })
})

describe('changes on the page', () => {
  const change = (part: Partial<Change>): Change => ({
    direction: 'up',
    judgement: 'better',
    approximate: false,
    small: false,
    ...part,
  })
  it('are in percent for counts and in points for rates', () => {
    expect(
      plain(
        formatChange(
          'impressions',
          change({ from: 348_655, to: 412_806, difference: 64_151, relative: 0.184 }),
          'en-GB',
        ).text,
      ),
    ).toBe('18.4 % from 348,655')
    expect(
      plain(
        formatChange(
          'engagement_by_reach',
          change({ from: 0.044, to: 0.051, difference: 0.007, relative: 0.159 }),
          'en-GB',
        ).text,
      ),
    ).toBe('0.7 pt from 4.4 %')
  })
  it('mark a small base, an estimate and a base that is not above zero', () => {
    expect(
      plain(formatChange('clicks', change({ from: 2, to: 4, difference: 2, relative: 1, small: true }), 'en-GB').text),
    ).toBe('100.0 % from 2, small base')
    expect(
      plain(
        formatChange(
          'reach',
          change({ from: 171_000, to: 224_000, difference: 53_000, relative: 0.31, approximate: true }),
          'en-GB',
        ).text,
      ),
    ).toBe('about 31.0 % from 171 k')
    expect(formatChange('followers_net', change({ from: -5, to: 7, difference: 12 }), 'en-GB').text).toBe('12 from −5')
  })
  it('say that nothing changed, or that it cannot be told', () => {
    expect(formatChange('posts', change({ from: 4, to: 4, difference: 0, direction: 'same' }), 'en-GB')).toMatchObject({
      mark: '',
      text: 'no change',
    })
    expect(plain(formatChange('reach', change({ direction: 'unknown', low: -0.1, high: 0.2 }), 'en-GB').text)).toBe(
      'cannot be told: −10.0 % to +20.0 %',
    )
    expect(
      formatChange('reach', change({ direction: 'unknown', reason: 'There is no figure for the comparison.' }), 'en-GB')
        .text,
    ).toBe('nothing to compare with')
    expect(
      formatChange(
        'reach',
        change({ direction: 'unknown', isUnclear: true, low: -0.1, high: 0.2, judgement: 'neutral' }),
        'en-GB',
      ),
    ).toMatchObject({ mark: '', text: 'no clear change' })
  })
  it('of a rate are in points between ranges too', () => {
    const between = change({ direction: 'up', low: 0.344, high: 0.618, differenceLow: 0.021, differenceHigh: 0.034 })
    expect(plain(formatChange('engagement_by_reach', between, 'en-GB').text)).toBe('+2.1 pt to +3.4 pt')
    expect(plain(formatChange('reach', between, 'en-GB').text)).toBe('+34.4 % to +61.8 %')
  })
  it('say both numbers where they rest on less than the value beside them', () => {
    const paired = change({
      from: 11_606,
      to: 10_378,
      difference: -1228,
      relative: -0.1058,
      direction: 'down',
      judgement: 'worse',
    })
    expect(plain(formatChange('interactions', paired, 'en-GB', 10_556).text)).toBe(
      '10.6 % : 10,378 from 11,606'.replace(' :', ':'),
    )
    expect(plain(formatChange('interactions', paired, 'en-GB', 10_378).text)).toBe('10.6 % from 11,606')
    expect(plain(formatChange('interactions', paired, 'en-GB', 10_556).short)).toBe('10.6 %')
  })
  it('say that they are as usual, or may be nothing, without a mark for what is not clear', () => {
    const usual = { scale: 'relative' as const, low: -0.12, high: 0.09, count: 13, isWithin: true }
    expect(
      plain(
        formatChange(
          'impressions',
          change({ from: 100, to: 105, difference: 5, relative: 0.05, judgement: 'neutral', usual }),
          'en-GB',
        ).text,
      ),
    ).toBe('5.0 % from 100, as usual')
    expect(
      formatChange(
        'followers_net',
        change({
          from: 672,
          to: 671,
          difference: -1,
          relative: -0.001,
          direction: 'down',
          judgement: 'neutral',
          isUnclear: true,
        }),
        'en-GB',
      ),
    ).toMatchObject({ mark: '', text: 'no clear change from +672', short: 'no clear change' })
  })
  it('mark a small base of a rate too', () => {
    expect(
      plain(
        formatChange('click_rate', change({ from: 0.1, to: 0.2, difference: 0.1, relative: 1, small: true }), 'en-GB')
          .text,
      ),
    ).toBe('10.0 pt from 10.0 %, small base')
  })
  it('give a count by the day where the periods are not equally long', () => {
    const months = change({
      from: 3000,
      to: 3060,
      difference: 60,
      relative: 0.02,
      judgement: 'neutral',
      perDay: { from: 100, to: 98.7, relative: -0.013 },
    })
    expect(plain(formatChange('impressions', months, 'en-GB').text)).toBe('2.0 % from 3,000 (a day −1.3 %)')
  })
  it('are explained in sentences, with the rule', () => {
    const paired = change({
      from: 11_606,
      to: 10_378,
      difference: -1228,
      relative: -0.1058,
      direction: 'down',
      judgement: 'neutral',
      basis: 'over the 26 of 28 days with data in both periods',
      usual: { scale: 'relative', low: -0.12, high: 0.09, count: 13, isWithin: true },
    })
    expect(explainChange('interactions', paired, 'en-GB').map(plain)).toEqual([
      'It rests on 10,378 now and 11,606 then, over the 26 of 28 days with data in both periods.',
      'Four of five such changes over the past year lay between −12.0 % and +9.0 % (13 comparisons). This one is ' +
        'among them: as usual, so neither better nor worse.',
    ])
    const rate = change({
      from: 0.05,
      to: 0.06,
      difference: 0.01,
      relative: 0.2,
      usual: { scale: 'relative', low: -0.1, high: 0.1, count: 12, isWithin: false },
      small: true,
      isUnclear: true,
    })
    expect(explainChange('click_rate', rate, 'en-GB').map(plain).slice(1)).toEqual([
      'No clear change: the ranges of the two meet, so what is not known may be all of it.',
      'Four of five such changes over the past year lay between −0.5 pt and +0.5 pt (12 comparisons). This one is not.',
      'A small base: fewer than 30 in the denominator in one of the periods.',
    ])
  })
})

describe('what a figure rests on', () => {
  it('is said where something is missing', () => {
    expect(coverageText(coverage, 'en-GB')).toBe('')
    expect(
      coverageText(
        { expected: 28, present: 20, partial: [{ profile: 1, present: 20, expected: 28 }], unreported: [] },
        'en-GB',
      ),
    ).toBe('on 20 of 28 days')
    expect(
      coverageText(
        { expected: 56, present: 20, partial: [{ profile: 1, present: 20, expected: 28 }], unreported: [] },
        'en-GB',
      ),
    ).toBe('on 20 of 56 profile-days')
    expect(
      coverageText(
        { expected: 8, present: 7, partial: [{ profile: 1, present: 0, expected: 1 }], unreported: [] },
        'en-GB',
      ),
    ).toBe('of 7 of 8 profiles')
    expect(
      knownText(
        figure({
          value: 0.1,
          coverage: { expected: 2, present: 1, partial: [{ profile: 1, present: 1, expected: 2 }], unreported: [] },
        }),
        'en-GB',
      ),
    ).toBe('exact on 1 of 2 days')
    expect(knownText(figure({ reason: 'There is no data for these days.' }), 'en-GB')).toBe(
      'There is no data for these days.',
    )
  })
})
