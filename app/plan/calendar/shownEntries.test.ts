import { describe, expect, it } from 'vitest'
import type { PlannedHead } from '~~/shared/plan/plannedPosts'
import type { CalendarEntry } from '~~/shared/plan/postCalendar'
import { isMovable, isWanted, joinedEntries } from './shownEntries'

const posting = {
  profile: 1,
  profileName: 'Gardens',
  networkName: 'Murmur',
  network: 'murmur',
  state: '' as const,
  isByHand: false,
  refusal: '',
}
const plan = (over: Partial<PlannedHead> = {}): PlannedHead => ({
  id: 7,
  state: 'draft',
  version: 1,
  at: 2000,
  day: '2026-10-29',
  minutes: 600,
  text: 'A text',
  heading: '',
  writtenName: 'Jory',
  postings: [posting],
  ...over,
})
const out: CalendarEntry = {
  state: 'published',
  profile: 1,
  id: 'a',
  at: 1000,
  day: '2026-10-29',
  minutes: 590,
  profileName: 'Gardens',
  networkName: 'Murmur',
  format: 'text',
  text: 'Out',
}

describe('the entries of a calendar', () => {
  it('have what is planned beside what is out, in their order', () => {
    const entries = joinedEntries([out], [plan({ at: 500 }), plan({ id: 8, at: undefined })])
    expect(entries.map(({ state, id }) => [state, id])).toEqual([
      ['planned', '7'],
      ['published', 'a'],
    ])
    expect(entries.map(isMovable)).toEqual([true, false])
  })
  it('have a post once that is out', () => {
    const published = (remoteId: string) =>
      plan({ state: 'published', postings: [{ ...posting, state: 'published', remoteId }] })
    expect(joinedEntries([out], [published('a')]).length).toBe(1)
    expect(joinedEntries([out], [published('b')]).map(isMovable)).toEqual([false, false])
  })
  it('are narrowed by what they need, whom they are for and who wrote them', () => {
    const wanted = (over: object, part: Partial<PlannedHead> = {}) =>
      isWanted(plan(part), { state: '', by: '', ...over })
    expect([wanted({}), wanted({ state: 'open' }), wanted({ state: 'needs' }), wanted({ state: 'published' })]).toEqual(
      [true, true, false, false],
    )
    expect(wanted({ state: 'needs' }, { postings: [{ ...posting, state: 'to do' }] })).toBe(true)
    expect([wanted({ profiles: [2] }), wanted({ profiles: [1] }), wanted({ by: 'Ada' })]).toEqual([false, true, false])
  })
})
