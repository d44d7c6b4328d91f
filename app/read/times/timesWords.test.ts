import { describe, expect, it } from 'vitest'
import type { TimesView } from '~~/shared/read/times'
import {
  chanceWords,
  fullestWords,
  leftOutWords,
  slotsWords,
  slotTakenWords,
  takenWords,
  thereWords,
} from './timesWords'

const LOCALE = 'en-GB'
const posts = { counted: 312, paid: 0, young: 0, unknown: 0, isCut: false }
const period = { from: '2025-10-30', to: '2026-10-28' }
const chance = { days: 0.4, hours: 0.005, slots: 0.02, shuffles: 199, isBeyond: true }

describe('times in words', () => {
  it('say by what it matters when posts are published, or that nothing stands out', () => {
    expect(chanceWords({ chance, posts, period }, LOCALE)).toBe(
      'Among 312 posts of the 52 weeks up to 28 Oct 2026 it matters when they are published: by the hour and the slot. ' +
        'Chance alone sets weekdays as far apart in 40.0\u202F% of shuffles, hours in fewer than 1 of 199 shuffles, ' +
        'one slot in 2.0\u202F% of shuffles.',
    )
    expect(chanceWords({ chance: { ...chance, isBeyond: false }, posts, period }, LOCALE)).toContain(
      'no day and no hour stands out',
    )
    expect(chanceWords({ posts: { ...posts, counted: 1 }, period }, LOCALE)).toContain('Only 1 post of these weeks')
    expect(chanceWords({ posts: { ...posts, counted: 0 }, period }, LOCALE)).toContain('nothing is known')
  })
  it('say what is left out', () => {
    expect(leftOutWords({ ...posts, paid: 1, young: 2, isCut: true }, LOCALE)).toBe(
      'Left out: 1 post with paid impressions, 2 posts younger than a week. Only the newest 20,000 posts are looked at.',
    )
    expect(leftOutWords(posts, LOCALE)).toBe('')
  })
  it('say why a slot that did well may not be among them', () => {
    expect([takenWords(0), takenWords(1)]).toEqual([
      '',
      'One post is planned or tried in the coming week: a slot is taken for the profiles that post near it, and free for the others.',
    ])
    const post = { profile: 1, profileName: 'Skarle, Commons', at: Date.parse('2026-10-29T12:30Z'), text: 'Open' }
    const asked = { zone: 'Europe/London', locale: LOCALE }
    expect(slotTakenWords([{ ...post, id: 4 }], false, asked)).toBe(
      'Taken for Skarle, Commons: Thu 29 Oct, 12:30, “Open”. Free for the others.',
    )
    const long = { ...post, id: 4, text: 'The last dahlias go to bed this week. Which one should we keep?' }
    expect(slotTakenWords([long], false, asked)).toContain('“The last dahlias go to bed this week. …”')
    expect(slotTakenWords([post, post, post], true, asked)).toContain('a try; 1 more. Not counted.')
  })
  it('say of whom the audience is, and which hours are alike', () => {
    const slot = (at: number, ofAll: number, group: number) => ({
      slot: at,
      people: 1,
      ofAll,
      ofFullest: 1,
      days: 5,
      group,
    })
    const there = {
      slots: [slot(92, 0.3, 1), slot(20, 0.29, 1), slot(3, 0.1, 2), null],
      followers: 2500,
      profiles: 2,
      networks: [
        { name: 'Tintype', isConverted: false },
        { name: 'Zoetrope', isConverted: true },
      ],
      to: '2026-10-28',
      days: 35,
    }
    expect(thereWords({ there }, LOCALE)).toContain('Zoetrope: converted from the hours of people’s own day')
    expect(fullestWords({ there })).toBe('The fullest hour is Thursday 20:00; 1 more cannot be told apart from it.')
    expect(thereWords({ whyNotThere: 'No network tells it.' }, LOCALE)).toBe('No network tells it.')
    expect(fullestWords({})).toBe('')
  })
  it('say how many slots chance alone would put above usual', () => {
    const lifts = Array.from({ length: 168 }, (_, at) => ({
      slot: at,
      posts: 3,
      missing: 0,
      mean: 0,
      spread: 1,
      ...(at < 40 && { lift: { value: 0.1, low: at < 7 ? 0.01 : -0.1, high: 0.3 } }),
    })) as TimesView['lifts']
    expect(slotsWords({ lifts })).toContain(
      '40 of 168 slots have the three posts that a lift needs; the interval of 7 lies',
    )
    expect(slotsWords({ lifts })).toContain('chance alone would put about 4')
    expect(slotsWords({ lifts: [] })).toBe('')
  })
})
