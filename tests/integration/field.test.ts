import type { RowDataPacket } from 'mysql2/promise'
import { beforeAll, describe, expect, it } from 'vitest'
import { PUBLIC_COLUMNS, STORED_FIGURES } from '../../core/metrics/storedFigures'
import { addDays, type Day } from '../../core/days/day'
import { daysEnding, eachDay } from '../../core/periods/period'
import { fieldOf } from '../../server/compare/field/field'
import { fieldBlock } from '../../server/compare/field/fieldBlock'
import { fieldEvents } from '../../server/compare/field/fieldEvents'
import { fieldLines } from '../../server/compare/field/fieldLines'
import { sightingsOf } from '../../server/compare/field/sightings'
import { watchField } from '../../server/compare/field/watchField'
import { fieldHabits } from '../../server/compare/habits/fieldHabits'
import { resolveScope } from '../../server/figures/resolveScope'
import type { ClientDb } from '../../server/platform/database/clientDb'
import { sql } from '../../server/platform/database/sql'
import { fieldEventsSchema } from '../../shared/compare/fieldEvents'
import { fieldLinesSchema, LINE_METRICS } from '../../shared/compare/fieldLines'
import { habitsSchema } from '../../shared/compare/habits'
import { fieldSchema, type Field, type FieldMetric } from '../../shared/compare/field'
import { parseScope } from '../../shared/figures/scope'
import type { Block } from '../../shared/report/blocks'
import { addClient, addDaysOf, addProfile, useDatabase } from './support/database'

const { pool } = useDatabase('field')
const END = '2026-10-28'
let db: ClientDb
const ids: Record<string, number> = {}

/** A profile whose following grows evenly, and which has the same interactions on every day. */
async function member(
  name: string,
  network: string,
  remoteId: string,
  { rival = '', followers = 0, growth = 0, reactions = 0, posts = 1, days = 220, without = [] as Day[] },
) {
  const id = (ids[name] = await addProfile(db, network, remoteId, rival ? null : Buffer.from('{}')))
  if (rival) await pool().query('UPDATE profile SET is_rival = 1, rival = ? WHERE profile_id = ?', [rival, id])
  await addDaysOf(
    db,
    eachDay(daysEnding(END, days))
      .filter((day) => !without.includes(day))
      .map((day, index, all) => ({
        profile: id,
        day,
        // the followers of the last day are those that are named
        followers: Math.round(followers * Math.exp((growth * (index + 1 - all.length)) / 7)),
        reactions,
        comments: 0,
        shares: 0,
        saves: 1000,
        posts,
      })),
  )
}
const field = async (query: object = {}, asked: object = {}): Promise<Field> =>
  await fieldOf(
    db,
    await resolveScope(db, parseScope({ period: 'last-28-days', ...query })),
    fieldSchema.validateSync(asked),
  )
const rowsOf = ({ tables, members }: Field, metric: FieldMetric) =>
  Object.fromEntries(
    tables
      .find((table) => table.metric === metric)!
      .rows.map((row) => [members.find(({ id }) => id === row.member)!.name, row]),
  )

beforeAll(async () => {
  db = await addClient('harbour')
  await member('own', 'commons', '1', { followers: 50_000, growth: 0.002, reactions: 200 })
  await member('own too', 'tintype', '2', { followers: 10_000, growth: 0.002, reactions: 100 })
  await member('small', 'tintype', '3', { rival: 'Small', followers: 30_000, growth: 0.02, reactions: 90, posts: 3 })
  await member('still', 'commons', '4', { rival: 'Still', followers: 80_000, growth: 0, reactions: 400, posts: 2 })
  await member('gaps', 'commons', '5', {
    rival: 'Gaps',
    followers: 20_000,
    reactions: 10,
    without: [addDays(END, -1), addDays(END, -2), addDays(END, -35)],
  })
})

describe('a field', () => {
  it('compares what everybody can see, from, to, difference and rate', async () => {
    const all = await field()
    expect(all.members.map(({ name, followers, profiles }) => [name, followers, profiles])).toEqual([
      ['Still', 80_000, 1],
      ['harbour', 60_000, 2],
      ['Small', 30_000, 1],
      ['Gaps', 20_000, 1],
    ])
    // four weeks before, at 2 % a week: 30,000 × e^−0.08
    expect(rowsOf(all, 'followers').Small).toMatchObject({
      from: 27_693,
      to: 30_000,
      difference: 2307,
      rate: expect.closeTo(2307 / 27_693, 9),
      standing: { rank: 3, index: expect.closeTo(100 * (30 / 45), 9) },
      rankBefore: 3,
    })
    // 28 days of 200 and 100 reactions; the 1,000 saves of each day are nobody else’s to see
    expect(rowsOf(all, 'interactions')).toMatchObject({
      harbour: { from: 8400, to: 8400, difference: 0, standing: { rank: 2 } },
      Still: { to: 11_200, standing: { rank: 1 } },
      Small: { to: 2520, standing: { rank: 3 } },
      // two days are missing now and one then: three are left out on both sides
      Gaps: { value: 260, from: 250, to: 250, days: { known: 26, of: 28 }, standing: { rank: 4 } },
    })
    expect(rowsOf(all, 'posts')).toMatchObject({ harbour: { to: 56 }, Small: { to: 84 }, Still: { to: 56 } })
    // by the post those who post in other rhythms can be compared; only the days on which both are known count
    expect(rowsOf(all, 'interactions_per_post')).toMatchObject({
      harbour: { to: 150, standing: { rank: 2 } },
      Still: { to: 200, standing: { rank: 1 } },
      Small: { to: 30, standing: { rank: 3 } },
      Gaps: { to: 10, standing: { rank: 4 } },
    })
    const band = all.tables.find(({ metric }) => metric === 'followers')!.band!
    expect(band).toEqual({ lower: 27_500, middle: 45_000, upper: 65_000 })
    expect(all.members.reduce((sum, { voice }) => sum + voice!.now, 0)).toBeCloseTo(1, 12)
  })

  it('says who is overtaken when, and what parts a rival from the client', async () => {
    const { members } = await field()
    const of = (name: string) => members.find((each) => each.name === name)!
    expect(of('Small').growth!.value).toBeCloseTo(Math.exp(0.08) - 1, 3)
    // ln 2 over 1.8 % a week: 38.5 weeks; only rounding makes the weeks differ
    expect(of('Small').meeting).toMatchObject({ isOvertaken: true, ratio: 2, weeks: expect.closeTo(38.5, 0) })
    expect(of('Small').meeting!.from).toBeGreaterThanOrEqual(37)
    expect(of('Small').meeting!.to).toBeLessThanOrEqual(40)
    // ln(4/3) over 0.2 % a week is further off than two years
    expect(of('Still').meeting).toMatchObject({ isOvertaken: false, weeks: expect.closeTo(143.8, 0) })
    expect(of('Still').meeting).not.toHaveProperty('from')
    expect(of('Gaps').meeting!.pace).toBeLessThan(0)
    expect(of('Still').separation).toMatchObject({ posts: 1, each: expect.closeTo(11_200 / 8400, 9) })
    expect(of('Small').separation).toMatchObject({ posts: 1.5, together: 0.3, each: expect.closeTo(0.2, 9) })
    expect(of('harbour')).not.toHaveProperty('meeting')
  })

  it('can be of one network, without the client, or without some rivals', async () => {
    const onTintype = await field({}, { network: 'tintype' })
    expect(onTintype.members.map(({ name, followers }) => [name, followers])).toEqual([
      ['Small', 30_000],
      ['harbour', 10_000],
    ])
    expect(onTintype.networks.map(({ id }) => id)).toEqual(['commons', 'tintype'])
    const others = await field({}, { own: 'out', hide: String(ids.still) })
    expect(others.members.map(({ name }) => name)).toEqual(['Small', 'Gaps'])
    expect(others.hidden).toEqual([{ id: ids.still, name: 'Still' }])
    expect(others.members.every(({ meeting, separation }) => !meeting && !separation)).toBe(true)
    expect(others.tables.every(({ band }) => band === undefined)).toBe(true)
    expect((await field({}, { network: 'cork' })).members).toEqual([])
    for (const wrong of [{ network: 'nowhere' }, { own: 'in' }, { hide: 'x' }, { hide: '1,'.repeat(200) }])
      expect(fieldSchema.isValidSync(wrong), JSON.stringify(wrong)).toBe(false)
  })

  it('keeps a rival that is switched off out of sight and its past whole', async () => {
    await pool().query('UPDATE profile SET is_active = 0 WHERE profile_id = ?', [ids.small])
    expect((await field()).members.map(({ name }) => name)).toEqual(['Still', 'harbour', 'Gaps'])
    await pool().query('UPDATE profile SET is_active = 1 WHERE profile_id = ?', [ids.small])
    expect((await field()).members.length).toBe(4)
  })

  it('parts a rival from the client by formats, from the raw posts of the period alone', async () => {
    const rows = [
      ...[10, 12, 14, 16].map((reactions) => ['own', 'photo', END, reactions]),
      ...[50, 54].map((reactions) => ['own', 'clip', END, reactions]),
      ...[20, 24].map((reactions) => ['still', 'photo', END, reactions]),
      ...[70, 74, 78].map((reactions) => ['still', 'clip', END, reactions]),
      // of another time, and of nobody can see what
      ['still', 'clip', addDays(END, -60), 9999],
      ['still', 'clip', END, null],
      ...[5, 5, 5, 5].map((reactions) => ['small', 'clip', END, reactions]),
    ] as [string, string, Day, number | null][]
    await db.insertRows(
      'post',
      ['profile_id', 'remote_id', 'published_at', 'day', 'format', 'text', 'reactions'],
      rows.map(([profile, format, day, reactions], index) => [
        ids[profile],
        `f${index}`,
        new Date(`${day}T12:00:00Z`),
        day,
        format,
        'x',
        reactions,
      ]),
    )
    const { members } = await field()
    const of = (name: string) => members.find((each) => each.name === name)!.formats
    // photos 13 and 22, clips 52 and 74; weights 4/6 and 2/6 against 2/5 and 3/5
    const [from, to] = [156 / 6, 266 / 5]
    const middle = (from + to) / 2
    const photo = (2 / 5 - 4 / 6) * ((13 + 22) / 2 - middle)
    const clip = (3 / 5 - 2 / 6) * ((52 + 74) / 2 - middle)
    expect(of('Still')).toMatchObject({
      from: expect.closeTo(from, 9),
      to: expect.closeTo(to, 9),
      mix: expect.closeTo(photo + clip, 9),
      rate: expect.closeTo(to - from - photo - clip, 9),
    })
    // four posts are too few
    expect(of('Small')).toBeUndefined()
    expect(of('harbour')).toBeUndefined()
    await pool().query("DELETE FROM post WHERE remote_id LIKE 'f%'")
  })

  it('tells the best posts of all beside the median of their profile', async () => {
    const post = (profile: string, id: string, day: Day, reactions: number) => [
      ids[profile],
      id,
      new Date(`${day}T12:00:00Z`),
      day,
      'photo',
      `Post ${id}`,
      reactions,
      5000,
    ]
    await db.insertRows(
      'post',
      ['profile_id', 'remote_id', 'published_at', 'day', 'format', 'text', 'reactions', 'saves'],
      [
        ...[10, 20, 30, 40, 90].map((reactions, index) => post('small', `s${index}`, addDays(END, -index), reactions)),
        post('own', 'o1', addDays(END, -3), 50),
        post('still', 'old', addDays(END, -60), 900),
      ],
    )
    await pool().query("UPDATE post SET picture_url = 'x.svg', alt = 'A fern' WHERE remote_id = 's4'")
    const { insertId: tag } = await db.run(
      sql`INSERT INTO tag (client_id, name, colour) VALUES (${db.client}, 'ferns', 2)`,
    )
    await db.insertRows('post_tag', ['profile_id', 'remote_id', 'tag_id', 'rule_id'], [[ids.small, 's4', tag, 0]])
    const { posts, members } = await field()
    expect(posts[1]).not.toHaveProperty('alt')
    expect(posts.slice(0, 3)).toMatchObject([
      {
        member: ids.small,
        profile: ids.small,
        id: 's4',
        text: 'Post s4',
        interactions: 90,
        times: 3,
        alt: 'A fern',
        tags: [{ id: tag, name: 'ferns', colour: 2 }],
      },
      { member: 0, text: 'Post o1', interactions: 50, networkName: 'Commons' },
      { member: ids.small, text: 'Post s3', interactions: 40 },
    ])
    expect(posts[1]).not.toHaveProperty('times')
    expect(posts).toHaveLength(6)
    expect(members.find(({ name }) => name === 'Still')!.lastPost).toBe(addDays(END, -60))
  })

  it('is nobody’s who may not see rivals, and says what is missing of it', async () => {
    const scope = await resolveScope(db, parseScope({}))
    const asked = { db, scope, metric: 'interactions', block: { kind: 'field' } as Block }
    await expect(fieldBlock.fill({ ...asked, sight: { rivals: false } })).rejects.toThrow(/not released/)
    const filled = await fieldBlock.fill({ ...asked, sight: { rivals: true } })
    expect(fieldBlock.missingIn!(filled)).toEqual(['Gaps: 2 of 28 days up to 28 Oct 2026 are not known.'])
    const table = fieldBlock.tableOf!(filled, 'Europe/London')
    expect(table.rows).toContainEqual(expect.arrayContaining(['Following', 'Followers', 'Small', 27_693, 30_000, 2307]))
    const alone = await addClient('alone')
    const empty = await fieldBlock.fill({
      ...asked,
      db: alone,
      scope: await resolveScope(alone, parseScope({})),
      sight: { rivals: true },
    })
    expect(fieldBlock.missingIn!(empty)).toEqual(['no rival of this client has figures.'])
  })

  it('is the same whatever is private: nothing of it moves when that does', async () => {
    const scope = await resolveScope(db, parseScope({ period: 'last-28-days', against: 'none' }))
    /** Every answer that sets rivals beside the client. */
    const everything = async () => ({
      field: await field(),
      lines: await Promise.all(LINE_METRICS.map((line) => fieldLines(db, scope, fieldLinesSchema.cast({ line })))),
      events: await fieldEvents(db, scope, fieldEventsSchema.cast({ tag: 1, on: END })),
      habits: await fieldHabits(db, scope, habitsSchema.cast({})),
      sightings: await sightingsOf(db, true, scope.period),
    })
    await watchField(db)
    const before = await everything()
    expect(before.events.rows.length).toBeGreaterThan(3)
    const [columns] = await pool().query<RowDataPacket[]>('SHOW COLUMNS FROM profile_day')
    // over the whole catalogue: all that is stored by the day and that a network does not show to everybody
    const hidden = STORED_FIGURES.map(({ column }) => column).filter((column) => !PUBLIC_COLUMNS.includes(column))
    expect(hidden).toEqual(
      expect.arrayContaining(['saves', 'impressions', 'reach_1d', 'clicks', 'new_followers', 'speakers_7d']),
    )
    expect(columns.map(({ Field: name }) => String(name))).toEqual(expect.arrayContaining(hidden))
    await pool().query(`UPDATE profile_day SET ${hidden.map((name) => `${name} = 77777`).join(', ')}`)
    await pool().query('UPDATE post SET saves = 3, impressions = 99999, clicks = 5')
    expect(await watchField(db)).toBe(0)
    expect(await everything()).toEqual(before)
  })
})
