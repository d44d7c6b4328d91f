import { describe, expect, it } from 'vitest'
import type { CalendarEntry, CalendarView } from '~~/shared/plan/postCalendar'
import { clockOf, dayWords, entryWords, quietWords, silentWords } from './calendarWords'

describe('the calendar in words', () => {
  const view = {
    posts: 14,
    usual: 15,
    lastComplete: '2026-11-22',
    period: { from: '2026-11-16', to: '2026-11-22' },
  } as CalendarView
  it('says how many posts there were, and where there was none', () => {
    expect(silentWords({ ...view, silent: [{ from: '2026-11-18', to: '2026-11-18', days: 1 }] }, 'en-GB')).toEqual([
      '14 posts (a week usually has 15).',
      'Nothing on any network: 18 Nov 2026.',
    ])
    const { usual: _, ...month } = view
    const runs = Array.from({ length: 8 }, () => ({ from: '2026-11-14', to: '2026-11-18', days: 5 }))
    const [first, second] = silentWords({ ...month, posts: 1, lastComplete: '2026-11-20', silent: runs }, 'en-GB')
    expect(first).toBe('1 post so far.')
    expect(second).toMatch(/^Nothing on any network: 14 Nov – 18 Nov 2026; .* and 2 more\.$/)
  })
  it('says who is silent now', () => {
    const rhythm = { group: 'Murmur', perWeek: 1, before: 1, last: '2026-11-23', silentDays: 5 }
    expect(quietWords([{ ...rhythm, longest: { from: '2026-01-01', to: '2026-01-06', days: 6 } }])).toEqual([
      'Murmur has been silent since 24 Nov, 5 days; its longest pause in a year was 6.',
    ])
    expect(quietWords([rhythm])).toEqual(['Murmur has been silent since 24 Nov, 5 days, its longest pause in a year.'])
    expect(quietWords([{ ...rhythm, silentDays: 2 }])).toEqual([])
  })
  it('says times and entries', () => {
    expect([clockOf(0), clockOf(605), dayWords('2026-10-29', 'en-GB')]).toEqual(['00:00', '10:05', 'Thu 29'])
    const entry = {
      day: '2026-10-29',
      minutes: 1200,
      profileName: '@mossgate',
      networkName: 'Tintype',
      text: 'Moss.',
    } as CalendarEntry
    expect(entryWords({ ...entry, state: 'published' })).toBe('29 Oct 2026, 20:00, @mossgate on Tintype: Moss.')
    expect(entryWords({ ...entry, state: 'tried' })).toBe('29 Oct 2026, 20:00, @mossgate on Tintype: a try')
  })
})
