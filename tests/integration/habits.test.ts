import { DateTime } from 'luxon'
import type { RowDataPacket } from 'mysql2/promise'
import { group, median, rollup } from 'd3-array'
import { beforeAll, describe, expect, it } from 'vitest'
import { unit } from '../../demo/random'
import { fieldHabits } from '../../server/compare/habits/fieldHabits'
import { habitsBlock } from '../../server/compare/habits/habitsBlock'
import { resolveScope } from '../../server/figures/resolveScope'
import { clientDbForJob, type ClientDb } from '../../server/platform/database/clientDb'
import { HABIT_PARTS, habitsSchema, type HabitsView } from '../../shared/compare/habits'
import { parseScope } from '../../shared/figures/scope'
import type { Block } from '../../shared/report/blocks'
import { useDatabase } from './support/database'
import { addDemo } from './support/demo'

const { pool } = useDatabase('habits')
let db: ClientDb

/** A post as it is stored, and whose it is. */
type Raw = {
  profile: number
  network: string
  rival: string | null
  at: Date
  day: string
  format: string
  text: string
  reactions: number | null
  comments: number | null
  shares: number | null
}
let all: (Raw & { who: string })[] = []
let client = ''

beforeAll(async () => {
  await addDemo()
  db = await clientDbForJob(1)
  client = db.name
  const [rows] = await pool().query<(RowDataPacket & Raw)[]>(
    `SELECT p.profile_id AS profile, f.network, f.rival, p.published_at AS at, p.day, p.format, p.text, p.reactions,
            p.comments, p.shares
     FROM post p JOIN profile f USING (client_id, profile_id) WHERE p.client_id = 1 AND f.is_active`,
  )
  all = rows.map((row) => ({ ...row, who: row.rival ?? client }))
})

const habits = async (period: string, asked: object = {}): Promise<HabitsView> =>
  await fieldHabits(
    db,
    await resolveScope(db, parseScope({ period, against: 'none' })),
    habitsSchema.validateSync(asked),
  )
const shift = (day: string, days: number) => DateTime.fromISO(day, { zone: 'utc' }).plus({ days }).toISODate()!
const brought = ({ reactions, comments, shares }: Raw) =>
  reactions === null && comments === null && shares === null
    ? undefined
    : (reactions ?? 0) + (comments ?? 0) + (shares ?? 0)

/** How many times what is usual each post brought, by the plain definition. */
function timesOf(posts: readonly (Raw & { who: string })[]): Map<Raw, { withFormat: number; without: number }> {
  const known = posts.flatMap((post) => {
    const value = brought(post)
    // the demo stands at 29 October: a post of the last week is still gathering
    return value === undefined || post.day > '2026-10-21' ? [] : [{ post, level: Math.log(value + 0.5) }]
  })
  const ofProfile = group(known, ({ post }) => post.profile)
  const beside = known.flatMap(({ post, level }) => {
    const own = ofProfile.get(post.profile)!
    if (own.length < 5) return []
    const around = own.filter((other) => Math.abs(+other.post.at - +post.at) <= 45 * 86_400_000)
    return [{ post, value: level - median(around.length < 5 ? own : around, (other) => other.level)! }]
  })
  const formats = rollup(
    beside,
    (own) => (median(own, ({ value }) => value)! * own.length) / (own.length + 5),
    ({ post }) => `${post.profile} ${post.format}`,
  )
  return new Map(
    beside.map(({ post, value }) => [
      post,
      { withFormat: value, without: value - formats.get(`${post.profile} ${post.format}`)! },
    ]),
  )
}
/** The middle and its interval, by choosing the ends that leave at most a twentieth on either side. */
function middleOf(values: readonly number[]): { value: number; low: number; high: number } | undefined {
  const sorted = [...values].sort((a, b) => a - b)
  const chance = (below: number): number => {
    let [ways, sum] = [1, 0]
    for (let heads = 0; heads <= below; heads++) {
      sum += ways / 2 ** sorted.length
      ways = (ways * (sorted.length - heads)) / (heads + 1)
    }
    return sum
  }
  let end = 0
  while (end < sorted.length / 2 && chance(end) <= 0.05) end++
  if (end === 0) return undefined
  return {
    value: Math.exp(median(sorted)!),
    low: Math.exp(sorted[end - 1]!),
    high: Math.exp(sorted[sorted.length - end]!),
  }
}
const rounded = (times: { value: number; low: number; high: number } | undefined) =>
  times && [times.value, times.low, times.high].map((value) => Number(value.toPrecision(9)))

describe('habits of a field', () => {
  it('are as the raw rows have them, over twenty-four scopes', async () => {
    let judged = 0
    for (let scope = 0; scope < 24; scope++) {
      const key = ['habits', scope] as const
      const to = shift('2026-10-28', -Math.floor(unit(...key, 'to') * 90))
      const from = shift(to, -Math.floor(unit(...key, 'days') * 120))
      const network = unit(...key, 'one') < 0.4 ? (unit(...key, 'which') < 0.5 ? 'tintype' : 'commons') : ''
      const own = unit(...key, 'own') < 0.3 ? 'out' : ''
      const terms = unit(...key, 'terms') < 0.5 ? 'hashtags' : 'words'
      const corners = (['weekday', 'format', 'format-weekday', 'hashtag'] as const)[scope % 4]!
      const view = await habits(`${from}..${to}`, { network, own, terms, corners })
      const start = shift(to, -363)
      const first = shift(from < start ? from : start, -45)
      const given = all.filter(
        (post) =>
          post.day >= first &&
          post.day <= shift(to, 45) &&
          (network === '' || post.network === network) &&
          (own === '' || post.who !== client),
      )
      const times = timesOf(given)
      const inPeriod = given.filter(({ day }) => day >= from && day <= to)
      const inYear = given.filter(({ day }) => day >= start && day <= to)
      const name = (member: number) => view.members.find(({ id }) => id === member)!.name
      const label = `${from}..${to} ${network} ${own} ${terms} ${corners}`
      expect([view.posts, view.judged], label).toEqual([
        inPeriod.length,
        inPeriod.filter((post) => times.has(post)).length,
      ])

      // the weekdays on which each posts
      for (const { member, posts, weekdays } of view.rhythm) {
        const theirs = inYear.filter(({ who }) => who === name(member))
        expect([posts, ...weekdays], label).toEqual([
          theirs.length,
          ...[1, 2, 3, 4, 5, 6, 7].map(
            (day) => theirs.filter((post) => DateTime.fromISO(post.day).weekday === day).length,
          ),
        ])
      }
      // its formats, and how each does
      for (const { format, members } of view.formats)
        for (const own of members) {
          const theirs = inPeriod.filter(({ who }) => who === name(own.member))
          const of = theirs.filter((post) => post.format === format)
          expect([own.posts, own.share], label).toEqual([of.length, of.length / theirs.length])
          expect(rounded(own.times), label).toEqual(
            rounded(middleOf(of.flatMap((post) => times.get(post)?.withFormat ?? []))),
          )
        }
      // hashtags, and words by a plain look for them
      for (const { term, posts, users, times: did } of view.terms.slice(0, 12)) {
        const edge = '[^\\p{L}\\p{N}_]'
        const look = new RegExp(
          terms === 'hashtags'
            ? `(^|${edge})#${term}(${edge}|$)`
            : `(^|[^\\p{L}\\p{N}#'’-])${term}([^\\p{L}\\p{N}'’-]|$)`,
          'iu',
        )
        const of = inPeriod.filter(({ text }) => look.test(text.replace(/www\S+|\S+\.example\/\S*/g, ' ')))
        expect([term, posts], label).toEqual([term, of.length])
        expect(users.reduce((sum, user) => sum + user.posts, 0)).toBe(posts)
        for (const user of users) expect(user.posts).toBe(of.filter(({ who }) => who === name(user.member)).length)
        expect(rounded(did), `${label} ${term}`).toEqual(
          rounded(middleOf(of.flatMap((post) => times.get(post)?.without ?? []))),
        )
        if (did) judged++
      }
      // where rivals are quiet
      const weekday = (post: Raw) => DateTime.fromISO(post.day, { locale: 'en' }).weekdayLong!
      for (const corner of view.corners) {
        const isHere = (post: Raw) =>
          post.network === corner.network &&
          (corners === 'weekday'
            ? weekday(post) === corner.place
            : corners === 'format'
              ? post.format === corner.place
              : corners === 'format-weekday'
                ? `${post.format}, ${weekday(post)}` === corner.place
                : new RegExp(`#${corner.place}(?![\\p{L}\\p{N}_])`, 'iu').test(post.text))
        const here = inYear.filter(isHere)
        const rivals = here.filter(({ who }) => who !== client).length
        expect([corner.rivals, corner.own], `${label} ${corner.place}`).toEqual([rivals, here.length - rivals])
        if (corners === 'weekday')
          expect(corner.average).toBeCloseTo(
            inYear.filter((post) => post.network === corner.network && post.who !== client).length / 7,
            9,
          )
        expect(corner.isQuiet).toBe(rivals < corner.average / 2)
        const of = here.flatMap(
          (post) => times.get(post)?.[corners.startsWith('format') ? 'withFormat' : 'without'] ?? [],
        )
        expect(rounded(corner.times), `${label} ${corner.place}`).toEqual(rounded(middleOf(of)))
      }
    }
    expect(judged).toBeGreaterThan(100)
  })

  it('tell what nobody else uses, and one term over the year', async () => {
    const view = await habits('2026-08-01..2026-10-28', { term: 'Gardens' })
    for (const { member, terms } of view.only)
      for (const { term, posts } of terms) {
        const users = new Set(
          all
            .filter(({ day }) => day >= '2026-08-01' && day <= '2026-10-28')
            .filter(({ text }) => new RegExp(`#${term}(?![\\p{L}\\p{N}_])`, 'iu').test(text))
            .map(({ who }) => who),
        )
        expect([...users]).toEqual([view.members.find(({ id }) => id === member)!.name])
        expect(posts).toBeGreaterThanOrEqual(3)
      }
    expect(view.only.length).toBeGreaterThan(0)
    const of = all.filter(({ day, text }) => day >= '2025-10-30' && day <= '2026-10-28' && /#gardens(?!\w)/i.test(text))
    expect(view.term!.posts).toBe(of.length)
    expect(view.term!.weeks.reduce((sum, { posts }) => sum + posts, 0)).toBe(of.length)
    for (const { from, posts } of view.term!.weeks)
      expect(posts).toBe(of.filter(({ day }) => day >= from && day <= shift(from, 6)).length)
  })

  it('leave out rivals that are not looked at, and go into a report part by part, for those who may see rivals', async () => {
    const view = await habits('last-28-days')
    const gone = view.members.find(({ isOwn }) => !isOwn)!
    const without = await habits('last-28-days', { hide: String(gone.id) })
    expect(without.members.map(({ name }) => name)).not.toContain(gone.name)
    expect(without.hidden).toEqual([{ id: gone.id, name: gone.name }])
    const scope = await resolveScope(db, parseScope({ period: 'last-28-days' }))
    for (const { id: part } of HABIT_PARTS) {
      const asked = { db, scope, metric: 'interactions' as const, block: { kind: 'habits', part } as Block }
      await expect(habitsBlock.fill({ ...asked, sight: { rivals: false } })).rejects.toThrow(/not released/)
      const filled = await habitsBlock.fill({ ...asked, sight: { rivals: true } })
      const table = habitsBlock.tableOf!(filled, 'Europe/London')
      expect(table.rows.length, part).toBeGreaterThan(0)
      for (const row of table.rows) expect(row.length, part).toBe(table.columns.length)
    }
  })

  it('refuse what has no meaning, with a sentence', () => {
    for (const wrong of [{ terms: 'smileys' }, { corners: 'moods' }, { term: 'two words' }, { term: 'x'.repeat(61) }])
      expect(() => habitsSchema.validateSync(wrong)).toThrow(/\.$/)
    expect(habitsSchema.validateSync({ term: ' LanTerns ' }).term).toBe('lanterns')
  })
})
