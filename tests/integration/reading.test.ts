import { beforeAll, describe, expect, it } from 'vitest'
import { addDays } from '../../core/days/day'
import { daysEnding, eachDay } from '../../core/periods/period'
import type { ClientDb } from '../../server/platform/database/clientDb'
import { addNote } from '../../server/figures/questions/notes'
import { allClients } from '../../server/clients/allClients'
import { listPosts } from '../../server/read/content/listPosts'
import { resolveScope } from '../../server/figures/resolveScope'
import { unusual } from '../../server/read/unusual/unusual'
import { why } from '../../server/read/why/why'
import type { Explanation } from '../../shared/read/why'
import { unit } from '../../demo/random'
import { addClient, addDaysOf, addProfile, useDatabase } from './support/database'

const { pool } = useDatabase('reading')
const END = '2026-10-28'
let db: ClientDb
let strong: number
let weak: number

/**
 * Two profiles over 100 days. In the last week the weak one has a planted fall of impressions, and on one day the
 * strong one a planted peak.
 */
beforeAll(async () => {
  db = await addClient('reading')
  strong = await addProfile(db, 'commons', '1')
  weak = await addProfile(db, 'tintype', '2')
  const days = eachDay(daysEnding(END, 100))
  await addDaysOf(
    db,
    days.flatMap((day) => {
      const isLast = day > addDays(END, -7)
      const noise = Math.floor(20 * unit(day, 'noise'))
      return [
        {
          profile: strong,
          day,
          impressions: 1000 + noise + (day === '2026-10-25' ? 4000 : 0),
          reactions: 20,
          comments: 0,
          shares: 0,
          posts: 1,
        },
        {
          profile: weak,
          day,
          impressions: isLast ? 200 : 800 + noise,
          reactions: 30,
          comments: 0,
          shares: 0,
          saves: 0,
          posts: 1,
        },
      ]
    }),
  )
  const posts = [
    ['a', '2026-10-25', 'photo', 1000, 100],
    ['b', '2026-10-24', 'text', 1000, 10],
    ['c', '2026-10-18', 'photo', 1000, 100],
    ['d', '2026-10-17', 'text', 3000, 30],
    ['e', '2026-10-26', 'photo', 3, 1],
  ] as const
  await db.insertRows(
    'post',
    ['profile_id', 'remote_id', 'published_at', 'day', 'format', 'text', 'impressions', 'reactions'],
    posts.map(([id, day, format, impressions, reactions]) => [
      strong,
      id,
      new Date(`${day}T12:00:00Z`),
      day,
      format,
      `Post ${id}`,
      impressions,
      reactions,
    ]),
  )
})
const scope = (period = 'last-7-days') => resolveScope(db, { who: [], sets: [], period, against: 'before' })
const sumOf = ({ parts }: Explanation) => parts.reduce((sum, { change }) => sum + change, 0)

describe('why it changed', () => {
  it('names the planted causes first, and its parts add up exactly to the change', async () => {
    const { explanations } = await why(db, await scope(), 'impressions')
    const [byProfile] = explanations
    expect(byProfile!.parts[0]).toMatchObject({ key: 'Profile 2, Tintype', profile: weak })
    expect(byProfile!.parts[0]!.change).toBeLessThan(-4000)
    expect(byProfile!.parts[1]!.change).toBeGreaterThan(3800)
    expect(sumOf(byProfile!)).toBe(byProfile!.to - byProfile!.from)
  })

  it('splits interactions into posts, impressions for each and interactions for each impression', async () => {
    const { explanations } = await why(db, await scope(), 'interactions')
    expect(explanations.map(({ title }) => title)).toEqual(['By profile', 'By what makes it'])
    const factors = explanations[1]!
    expect(factors.from).toBe(350)
    expect(sumOf(factors)).toBeCloseTo(factors.to - factors.from, 9)
  })

  it('counts only the posts of profiles that have impressions, and lets the others stand beside', async () => {
    const quiet = await addProfile(db, 'murmur', '9')
    await addDaysOf(
      db,
      eachDay(daysEnding(END, 14)).map((day) => ({
        profile: quiet,
        day,
        reactions: day > addDays(END, -7) ? 9 : 4,
        comments: 0,
        shares: 0,
        posts: 50,
      })),
    )
    const { explanations } = await why(db, await scope(), 'interactions')
    await pool().query('DELETE FROM profile WHERE profile_id = ?', [quiet])
    const [byProfile, factors] = explanations
    // 350 and 28 became 350 and 63; fifty posts a day of a profile without impressions move no factor
    expect([byProfile!.from, byProfile!.to]).toEqual([378, 413])
    expect([factors!.from, factors!.to]).toEqual([378, 413])
    expect(factors!.parts.find(({ key }) => key === 'the profile without impressions on these days')!.change).toBe(35)
    expect(factors!.parts.find(({ key }) => key === 'number of posts')!.change).toBeCloseTo(0, 9)
    expect(sumOf(factors!)).toBeCloseTo(35, 9)
  })

  it('splits a rate into mix and rate, by profile and by format', async () => {
    const { explanations } = await why(db, await scope(), 'engagement_by_impressions')
    const [byProfile, byFormat] = explanations
    if (byProfile?.kind !== 'mix and rate' || byFormat?.kind !== 'mix and rate')
      throw new Error('a rate has mix and rate')
    expect(byProfile.mix + byProfile.rate).toBeCloseTo(byProfile.to - byProfile.from, 12)
    // one change, one total, whichever way it is split
    expect([byFormat.from, byFormat.to]).toEqual([byProfile.from, byProfile.to])
    expect(sumOf(byFormat)).toBeCloseTo(byFormat.to - byFormat.from, 12)
    expect(sumOf(byProfile)).toBeCloseTo(byFormat.to - byFormat.from, 12)
    // 350 interactions of 12,809 impressions became 350 of 12,532, roughly: what the posts do not hold is a part of its
    // own
    expect(byFormat.parts.map(({ key }) => key).sort()).toEqual([
      'older posts, and what no post brought',
      'photo',
      'text',
    ])
    // texts keep their rate of 1 %, so they only move by their weight
    expect(byFormat.parts.find(({ key }) => key === 'text')!.rate).toBeCloseTo(0, 12)
    expect(byFormat.note).toContain('also after its day')
    expect(byProfile.note).toContain('mean of both periods')
  })

  it('keeps the unit of what it splits: a length of time is not a share', async () => {
    const clips = await addProfile(db, 'zoetrope', '3')
    await addDaysOf(
      db,
      eachDay(daysEnding(END, 14)).map((day) => ({
        profile: clips,
        day,
        views: 100,
        watch_seconds: day > addDays(END, -7) ? 1200 : 1000,
      })),
    )
    const {
      explanations: [average],
    } = await why(db, await scope(), 'average_watch')
    expect(average).toMatchObject({ unit: 'seconds', from: 10, to: 12 })
    const {
      explanations: [whole],
    } = await why(db, await scope(), 'watch_time')
    expect(whole).toMatchObject({ unit: 'seconds', from: 7000, to: 8400 })
  })

  it('says why there is nothing to split', async () => {
    expect((await why(db, await scope(), 'reach')).reason).toContain('never added')
    expect((await why(db, await scope(), 'engagement_by_reach')).reason).toContain('cannot be split exactly')
    const alone = await resolveScope(db, { who: [], sets: [], period: 'last-7-days', against: 'none' })
    expect((await why(db, alone, 'impressions')).reason).toContain('Choose a comparison')
  })
})

describe('unusual days', () => {
  it('finds the planted day with its posts, and counts a note as the reason', async () => {
    const before = await unusual(db, await scope(), 'impressions')
    const peak = before.find(({ from, profiles }) => from === '2026-10-25' && profiles[0]!.profile === strong)!
    expect(peak).toMatchObject({
      to: '2026-10-25',
      profiles: [{ name: 'Profile 1, Commons' }],
      posts: [{ text: 'Post a', format: 'photo' }],
      explainedBy: null,
    })
    // the week in which the weak one fell says more than one day: it is one finding, and it comes first
    expect(before[0]).toMatchObject({
      from: '2026-10-22',
      to: END,
      direction: 'down',
      profiles: [{ profile: weak, days: 7, value: 1400 }],
    })
    await addNote(db, { from: '2026-10-25', to: '2026-10-25', title: 'A fair.', body: '' }, null as never)
    const after = await unusual(db, await scope(), 'impressions')
    expect(
      after.find(({ from, profiles }) => from === '2026-10-25' && profiles[0]!.profile === strong)!.explainedBy,
    ).toEqual({ number: 1, title: 'A fair.' })
  })

  it('judges neither rates nor levels', async () => {
    expect(await unusual(db, await scope(), 'engagement_by_impressions')).toEqual([])
    expect(await unusual(db, await scope(), 'followers')).toEqual([])
  })
})

describe('content', () => {
  it('gives each post its rate with an interval, so that three views do not win', async () => {
    const posts = await listPosts(db, await scope())
    expect(posts.map(({ id }) => id)).toEqual(['e', 'a', 'b'])
    const [lucky, solid] = posts
    expect(lucky!.rate!.value).toBeGreaterThan(solid!.rate!.value)
    expect(lucky!.rate!.low).toBeLessThan(solid!.rate!.low)
  })
})

describe('all clients', () => {
  it('shows what a person may see, with what needs somebody', async () => {
    const [people] = await pool().query(
      "INSERT INTO person (agency_id, email, name, role, password_hash) SELECT agency_id, 'o@b.example', " +
        "'Somebody', 'owner', 'x' FROM client WHERE client_id = ?",
      [db.clientId],
    )
    const [rows] = await pool().query('SELECT agency_id FROM client WHERE client_id = ?', [db.clientId])
    const owner = {
      id: (people as { insertId: number }).insertId,
      agencyId: (rows as { agency_id: number }[])[0]!.agency_id,
      name: 'Somebody',
      email: 'o@b.example',
      role: 'owner' as const,
    }
    await addClient('somebody-elses')
    const found = await allClients(owner)
    expect(found.map(({ slug }) => slug)).toEqual(['reading'])
    expect(found[0]!.figures.map(({ figure }) => figure.metric)).toEqual([
      'impressions',
      'interactions',
      'followers_net',
    ])
    expect(found[0]!.troubles.map(({ sentence }) => sentence)).toContain(
      'Only public figures are there: its owner was not asked for consent yet.',
    )
    expect(await allClients({ ...owner, role: 'viewer' })).toEqual([])
  })
})
