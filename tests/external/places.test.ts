import OpeningHours from 'opening_hours'
import { describe, expect, it } from 'vitest'
import { dayFromNumber, dayNumber } from '../../core/days/day'
import { placesFromJsonLd } from '../../core/places/localBusiness'
import { openOn, readHours } from '../../core/places/openingHours'
import { answering } from '../../core/reviews/answering'
import { kaplanMeier, medianWait } from '../../core/statistics/kaplanMeier'
import { unit } from '../../demo/random'
import { e164 } from '../../core/places/phone'
import { placeSchema } from '../../shared/read/places'

/**
 * Remission in weeks under 6-MP, 21 patients: Freireich EJ et al. (1963), Blood 21:699–716, as told in the textbooks of
 * survival analysis (Collett, Modelling Survival Data in Medical Research; Kleinbaum & Klein, Survival Analysis). Those
 * after the bar were still in remission.
 */
const ENDED = [6, 6, 6, 7, 10, 13, 16, 22, 23]
const GOING_ON = [6, 9, 10, 11, 17, 19, 20, 25, 32, 32, 34, 35]
const PATIENTS = [
  ...ENDED.map((time) => ({ time, isOver: true })),
  ...GOING_ON.map((time) => ({ time, isOver: false })),
]

describe('waits that are not over (Kaplan & Meier 1958)', () => {
  it('give the published table of the 6-MP patients', () => {
    expect(kaplanMeier(PATIENTS).map(({ time, waiting }) => [time, Number(waiting.toFixed(3))])).toEqual([
      [6, 0.857],
      [7, 0.807],
      [10, 0.753],
      [13, 0.69],
      [16, 0.627],
      [22, 0.538],
      [23, 0.448],
    ])
    expect(kaplanMeier(PATIENTS).map(({ atRisk }) => atRisk)).toEqual([21, 17, 15, 12, 11, 7, 6])
  })

  it('have its published median, 23 weeks, and the controls’, 8', () => {
    expect(medianWait(kaplanMeier(PATIENTS))).toBe(23)
    const controls = [1, 1, 2, 2, 3, 4, 4, 5, 5, 8, 8, 8, 8, 11, 11, 12, 12, 15, 17, 22, 23]
    expect(medianWait(kaplanMeier(controls.map((time) => ({ time, isOver: true }))))).toBe(8)
  })

  it('are no wait that ended, when answers to reviews are told', () => {
    const HOUR = 3_600_000
    const now = 1000 * HOUR
    const reviews = PATIENTS.map(({ time, isOver }) =>
      isOver
        ? { writtenAt: 0, answeredAt: time * HOUR }
        : // those still waiting were written so many hours ago
          { writtenAt: now - time * HOUR },
    )
    expect(answering(reviews, 48, now).medianHours).toBe(23)
    // a mean of the answers alone would say 12, as if nobody waited
    expect(ENDED.reduce((sum, time) => sum + time, 0) / ENDED.length).toBeCloseTo(12.1, 1)
  })
})

describe('opening hours beside the package opening_hours, on 200 expressions', () => {
  const DAYS = ['Mo', 'Tu', 'We', 'Th', 'Fr', 'Sa', 'Su']
  const TIMES = [
    '09:00-17:00',
    '08:30-12:00,13:15-18:00',
    '00:00-24:00',
    'off',
    '10:00-11:00,10:30-12:00',
    '06:00-23:59',
    '07:00-09:00,12:00-14:00,18:00-22:00',
  ]
  const DATES = [
    'Apr-Oct',
    'Nov-Mar',
    'Dec 25-26',
    'Dec 24-Jan 06',
    '2026 Nov 02',
    '2026 Dec 24-2027 Jan 02',
    'Jun',
    'Jan 01',
  ]
  const pick = <T>(from: readonly T[], ...key: (string | number)[]): T => from[Math.floor(unit(...key) * from.length)]!
  const expression = (index: number): string =>
    Array.from({ length: 1 + Math.floor(unit(index, 'rules') * 3) }, (_, rule) => {
      const key = [index, rule] as const
      const from = Math.floor(unit(...key, 'from') * 7)
      const to = Math.floor(unit(...key, 'to') * 7)
      const days = pick(['', DAYS[from]!, `${DAYS[from]}-${DAYS[to]}`, `${DAYS[from]},${DAYS[to]}`], ...key, 'days')
      const dates = rule > 0 && unit(...key, 'dated') < 0.6 ? pick(DATES, ...key, 'dates') : ''
      return [dates, days || (rule > 0 && !dates ? 'Mo-Su' : ''), pick(TIMES, ...key, 'times')]
        .filter(Boolean)
        .join(' ')
    }).join('; ')
  const EXPRESSIONS = Array.from({ length: 200 }, (_, index) => expression(index))
  const FIRST = '2026-10-28'
  const LENGTH = 400

  /** The minutes of some days in which the package says that it is open, counted from the first midnight on. */
  function theirs(text: string): [number, number][] {
    const at = (days: number) => new Date(2026, 9, 28 + days)
    const minute = (date: Date) =>
      (dayNumber(
        `${date.getFullYear()}-${String(date.getMonth() + 1).padStart(2, '0')}-${String(date.getDate()).padStart(2, '0')}`,
      ) -
        dayNumber(FIRST)) *
        1440 +
      date.getHours() * 60 +
      date.getMinutes()
    return joined(
      new OpeningHours(text).getOpenIntervals(at(0), at(LENGTH)).map(([from, to]) => [minute(from), minute(to)]),
    )
  }
  const ours = (text: string): [number, number][] =>
    joined(
      Array.from({ length: LENGTH }, (_, index) =>
        openOn(readHours(text), dayFromNumber(dayNumber(FIRST) + index)).map(({ from, to }): [number, number] => [
          index * 1440 + from,
          index * 1440 + to,
        ]),
      ).flat(),
    )
  /** Spans that touch as one, so that only what is meant is compared. */
  function joined(spans: readonly [number, number][]): [number, number][] {
    const result: [number, number][] = []
    for (const [from, to] of [...spans].sort((a, b) => a[0] - b[0])) {
      const last = result.at(-1)
      if (last && from <= last[1]) last[1] = Math.max(last[1], to)
      else result.push([from, to])
    }
    return result
  }

  it('mean the same', () => {
    expect(new Set(EXPRESSIONS).size).toBeGreaterThan(150)
    for (const text of EXPRESSIONS) expect(ours(text), text).toEqual(theirs(text))
  }, 240_000)
})

describe('telephone numbers by ITU-T E.164', () => {
  it('have + and up to 15 digits, however they are written', () => {
    // numbers that are set aside for drama (Ofcom; North American Numbering Plan 555-01xx), so that they are nobody's
    expect(e164('020 7946 0018', 'GB')).toBe('+442079460018')
    expect(e164('+44 (0)20 7946 0018', '')).toBe('+442079460018')
    expect(e164('(212) 555-0123', 'US')).toBe('+12125550123')
    expect(e164('+49 30 23125 000', 'GB')).toBe('+493023125000')
    const problemOf = (phone: string, country = '') => {
      try {
        placeSchema.validateSync({ name: 'A place', phone, country })
        return ''
      } catch (error) {
        return (error as Error).message
      }
    }
    expect(problemOf('020 7946 0018', 'GB')).toBe('')
    expect(problemOf('020 7946 0018')).toMatch(/with its country/)
    expect(problemOf('+4420794600181234567')).toMatch(/with its country/)
    expect(problemOf('call us')).toMatch(/with its country/)
  })
})

describe('LocalBusiness of schema.org', () => {
  it('is read as its own page writes it (example of a store with hours; value from memory)', () => {
    const [place] = placesFromJsonLd({
      '@context': 'https://schema.org',
      '@type': 'Store',
      'name': 'The Linen Chest',
      'url': 'https://www.linen.example',
      'telephone': '+1-212-555-0123',
      'address': {
        '@type': 'PostalAddress',
        'streetAddress': '1 Quay',
        'addressLocality': 'Skarle',
        'postalCode': 'X1',
        'addressCountry': 'GB',
      },
      'geo': { '@type': 'GeoCoordinates', 'latitude': 40.75, 'longitude': '-73.98' },
      'openingHoursSpecification': [
        {
          '@type': 'OpeningHoursSpecification',
          'closes': '17:00:00',
          'dayOfWeek': 'https://schema.org/Sunday',
          'opens': '09:00:00',
        },
        {
          '@type': 'OpeningHoursSpecification',
          'closes': '19:00:00',
          'dayOfWeek': ['Monday', 'Tuesday'],
          'opens': '09:00:00',
        },
      ],
    })
    expect(place).toMatchObject({
      name: 'The Linen Chest',
      lat: 40.75,
      lon: -73.98,
      street: '1 Quay',
      hours: 'Mo-Tu 09:00-19:00; We-Sa off; Su 09:00-17:00',
    })
  })
})
