import ICAL from 'ical.js'
import { beforeAll, describe, expect, it } from 'vitest'
import { addDays } from '../../core/days/day'
import { resolveScope } from '../../server/figures/resolveScope'
import type { ClientDb } from '../../server/platform/database/clientDb'
import { calendarFile } from '../../server/plan/calendar/calendarFile'
import { calendarOf } from '../../server/plan/calendar/postCalendar'
import { thisHour } from '../../server/read/times/times'
import type { PlannedHead } from '../../shared/plan/plannedPosts'
import { calendarSchema, type CalendarView } from '../../shared/plan/postCalendar'
import { parseScope } from '../../shared/figures/scope'
import { addClient, addDaysOf, addProfile, useDatabase } from './support/database'

const { pool } = useDatabase('calendar')
const END = '2026-10-28'
let db: ClientDb
let photos = 0
let words = 0

const calendar = async (asked: object = {}, query: Record<string, unknown> = {}): Promise<CalendarView> =>
  await calendarOf(db, await resolveScope(db, parseScope(query)), calendarSchema.validateSync(asked), thisHour())
const addPost = (client: ClientDb, profile: number, id: string, at: string, day: string, format = 'photo') =>
  pool().query('INSERT INTO post SET ?', [
    {
      client_id: client.clientId,
      profile_id: profile,
      remote_id: id,
      published_at: new Date(at),
      day,
      format,
      text: `Post ${id}`,
    },
  ])
const addTry = (client: ClientDb, profile: number, at: string, removed: Date | null = null) =>
  pool().query('INSERT INTO slot_try SET ?', [
    {
      client_id: client.clientId,
      profile_id: profile,
      planned_at: new Date(at),
      response: 'interactions',
      base: 'reach',
      before_mean: 0,
      before_spread: 0.2,
      removed_at: removed,
    },
  ])

beforeAll(async () => {
  db = await addClient('calendar')
  const other = await addClient('calendar-other')
  photos = await addProfile(db, 'tintype', '1', Buffer.from('{}'))
  words = await addProfile(db, 'murmur', '2', Buffer.from('{}'))
  const foreign = await addProfile(other, 'tintype', '3', Buffer.from('{}'))
  for (const [client, profile] of [
    [db, photos],
    [db, words],
    [other, foreign],
  ] as const)
    await addDaysOf(client, [{ profile, day: END, followers: 900, reactions: 1 }])
  // a post of each week of the summer, and of the last weeks some
  for (let week = 0; week < 16; week++) {
    const day = addDays('2026-07-06', week * 7)
    await addPost(db, photos, `w${week}`, `${day}T11:00:00Z`, day)
  }
  // eight in the evening and just before midnight of the clocks in summer, half past midnight of the next day
  await addPost(db, words, 'evening', '2026-10-20T19:00:00Z', '2026-10-20', 'text')
  await addPost(db, photos, 'late', '2026-10-20T22:59:00Z', '2026-10-20', 'story')
  await addPost(db, photos, 'next', '2026-10-20T23:30:00Z', '2026-10-21')
  // after the clocks went back
  await addPost(db, photos, 'winter', '2026-10-28T20:00:00Z', END)
  await addPost(other, foreign, 'foreign', '2026-10-20T12:00:00Z', '2026-10-20')
  await addTry(db, photos, '2026-10-30T20:00:00Z')
  await addTry(db, photos, '2026-10-31T20:00:00Z', new Date())
  await addTry(other, foreign, '2026-10-30T21:00:00Z')
  await pool().query("INSERT INTO tag (client_id, tag_id, name, colour) VALUES (?, 900, 'Moss', 1)", [db.clientId])
  await pool().query(
    'INSERT INTO post_tag (client_id, profile_id, remote_id, tag_id, rule_id) VALUES (?, ?, ?, 900, 0)',
    [db.clientId, photos, 'late'],
  )
})

describe('the calendar', () => {
  it('has a week’s posts at the times of the client’s clocks', async () => {
    const { period, entries, posts, today } = await calendar({ on: '2026-10-22' })
    expect([period, today]).toEqual([{ from: '2026-10-19', to: '2026-10-25' }, '2026-10-29'])
    expect(entries.map(({ id, day, minutes, networkName }) => [id, day, minutes, networkName])).toEqual([
      ['w15', '2026-10-19', 720, 'Tintype'],
      ['evening', '2026-10-20', 1200, 'Murmur'],
      ['late', '2026-10-20', 1439, 'Tintype'],
      ['next', '2026-10-21', 30, 'Tintype'],
    ])
    expect(posts).toBe(4)
  })
  it('is of this week where nothing is said, with the tries that stand', async () => {
    const { period, entries } = await calendar()
    expect(period).toEqual({ from: '2026-10-26', to: '2026-11-01' })
    expect(entries.map(({ state, day, minutes }) => [state, day, minutes])).toEqual([
      ['published', END, 1200],
      ['tried', '2026-10-30', 1200],
    ])
  })
  it('names the days without a post up to the last complete one, and what is usual', async () => {
    const { silent, usual } = await calendar({ on: '2026-10-22' })
    expect(silent).toEqual([{ from: '2026-10-22', to: '2026-10-25', days: 4 }])
    expect(usual).toBe(1)
    // the days to come are not silent
    expect((await calendar()).silent).toEqual([{ from: '2026-10-26', to: '2026-10-27', days: 2 }])
    expect((await calendar({ on: '2026-12-10', span: 'month' })).silent).toEqual([])
  })
  it('shows those alone that are wanted, and then tells no silence', async () => {
    const ids = async (asked: object, query: Record<string, unknown> = {}) =>
      (await calendar({ on: '2026-10-20', span: 'month', ...asked }, query)).entries.map(({ id }) => id)
    const tried = (await calendar({ state: 'tried', span: 'month' })).entries
    expect(tried.map(({ state }) => state)).toEqual(['tried'])
    expect(await ids({ state: 'published' }, { who: String(words) })).toEqual(['evening'])
    expect(await ids({ only: 'story' })).toEqual(['late'])
    expect(await ids({ tags: '900' })).toEqual(['late'])
    expect(await ids({ on: '2026-10-20', span: 'day', tags: 'none' })).toEqual(['evening'])
    expect((await calendar({ only: 'story' })).silent).toBeUndefined()
  })
  it('tells how evenly each posts', async () => {
    const { rhythm } = await calendar()
    expect(rhythm.networks).toEqual([
      {
        group: 'Tintype',
        perWeek: 1.5,
        before: 1,
        longest: { from: '2026-10-22', to: '2026-10-27', days: 6 },
        last: END,
        silentDays: 0,
      },
      {
        group: 'Murmur',
        perWeek: 0.25,
        before: 0,
        longest: { from: '2026-10-21', to: END, days: 8 },
        last: '2026-10-20',
        silentDays: 8,
      },
    ])
    expect(rhythm.formats.map(({ group }) => group)).toEqual(['photo', 'story', 'text'])
    expect(rhythm.profiles[0]!.group).toBe('Profile 1, Tintype')
  })
  it('suggests nothing where nothing is known, and is empty for nobody', async () => {
    expect((await calendar()).slots).toEqual([])
    const empty = await addClient('calendar-empty')
    const view = await calendarOf(
      empty,
      await resolveScope(empty, parseScope({})),
      calendarSchema.getDefault(),
      thisHour(),
    )
    expect(view).toMatchObject({ entries: [], posts: 0, slots: [], rhythm: { networks: [] } })
  })
  it('refuses days that there are not', () => {
    for (const wrong of [
      { on: '2026-02-30' },
      { on: 'x' },
      { on: '9999-01-01' },
      { span: 'year' },
      { state: 'x' },
      { tags: 'x' },
    ])
      expect(() => calendarSchema.validateSync(wrong)).toThrow()
  })
  it('goes out as iCalendar, which another program reads as it stands here', async () => {
    const view = await calendar({ on: '2026-10-20', span: 'month' })
    const text = calendarFile(db, view, thisHour())
    const read = new ICAL.Component(ICAL.parse(text) as unknown[])
    expect(read.getAllSubcomponents('vtimezone').map((zone) => zone.getFirstPropertyValue('tzid'))).toEqual([
      'Europe/London',
    ])
    const zone = new ICAL.Timezone(read.getFirstSubcomponent('vtimezone')!)
    const events = read.getAllSubcomponents('vevent').map((component) => new ICAL.Event(component))
    expect(events.map(({ uid }) => uid)).toEqual(
      view.entries.map(({ state, profile, id }) => `${state}-${profile}-${id}@zaffer`),
    )
    // by the zone that the file itself defines: in summer and, from the 25th on, in winter
    events.forEach(({ startDate, endDate, description }, index) => {
      const entry = view.entries[index]!
      startDate.zone = zone
      endDate.zone = zone
      expect(startDate.toUnixTime() * 1000).toBe(entry.at)
      expect(endDate.toUnixTime() - startDate.toUnixTime()).toBe(entry.state === 'tried' ? 3600 : 900)
      expect(description).toContain(entry.text)
    })
    expect(text).toContain('DTSTART;TZID=Europe/London:20261028T200000')
    expect(text).toContain('DTSTART;TZID=Europe/London:20261020T200000')
  })

  it('has what is planned in its file, with its state, and what is out only once', async () => {
    const plan = (id: number, state: PlannedHead['state'], at?: number): PlannedHead => ({
      id,
      state,
      version: 1,
      ...(at !== undefined && { at }),
      text: `Plan ${id}; with, signs\nand lines`,
      heading: '',
      writtenName: 'Jory',
      postings: [],
    })
    const planned = [
      plan(1, 'scheduled', Date.parse('2026-10-30T18:00Z')),
      plan(2, 'published', Date.parse('2026-10-30T19:00Z')),
      plan(3, 'draft'),
    ]
    const read = new ICAL.Component(ICAL.parse(calendarFile(db, { entries: [], planned }, thisHour())) as unknown[])
    const events = read.getAllSubcomponents('vevent').map((component) => new ICAL.Event(component))
    expect(events.map(({ uid, summary, description }) => [uid, summary, description])).toEqual([
      ['planned-1@zaffer', 'scheduled: Plan 1; with, signs\nand lines', '\nPlan 1; with, signs\nand lines'],
    ])
    expect(read.toString()).toContain('DTSTART;TZID=Europe/London:20261030T180000')
  })
})
