import type { RowDataPacket } from 'mysql2/promise'
import { beforeAll, describe, expect, it } from 'vitest'
import { addDays } from '../../core/days/day'
import { breakdownById } from '../../core/breakdowns/breakdowns'
import { seeded } from '../../core/times/seeded'
import { resolveScope } from '../../server/figures/resolveScope'
import { partIds } from '../../server/figures/questions/breakdownParts'
import type { ClientDb } from '../../server/platform/database/clientDb'
import { keepPlanned, timesOf } from '../../server/read/times/times'
import { timesBlock } from '../../server/read/times/timesBlock'
import { removeTry } from '../../server/read/times/tries'
import { parseScope } from '../../shared/figures/scope'
import { keepTriesSchema, MOST_TRIES, timesSchema, type TimesView } from '../../shared/read/times'
import type { Block } from '../../shared/report/blocks'
import { addClient, addDaysOf, addProfile, useDatabase } from './support/database'

const { pool } = useDatabase('times')
const END = '2026-10-28'
let db: ClientDb
let other: ClientDb
let photos = 0
let clips = 0
let rival = 0
let foreign = 0

interface RawPost {
  profile: number
  at: number
  format: string
  reactions: number
  reach: number
}
const raw: RawPost[] = []
const scopeOf = async (query: object = {}) => await resolveScope(db, parseScope({ period: 'last-28-days', ...query }))
const times = async (asked: object = {}, query: object = {}): Promise<TimesView> =>
  await timesOf(db, await scopeOf(query), timesSchema.validateSync(asked))
const planned = async (asked: object, query: object = {}) =>
  await keepPlanned(db, await scopeOf(query), keepTriesSchema.validateSync(asked))

/** A post with its figures; those that are left out have none. */
const addPost = (
  to: ClientDb,
  profile: number,
  id: string,
  at: number,
  figures: Record<string, number | string | null> = {},
) =>
  pool().query('INSERT INTO post SET ?', [
    {
      client_id: to.clientId,
      profile_id: profile,
      remote_id: id,
      published_at: new Date(at),
      day: new Date(at).toISOString().slice(0, 10),
      format: 'photo',
      text: `Post ${id}`,
      ...figures,
    },
  ])

/** Followers there by hour of a day, of a breakdown. */
async function addHours(profile: number, breakdown: string, people: (hour: number, day: string) => number) {
  const parts = await partIds(
    db,
    Array.from({ length: 24 }, (_, hour) => String(hour)),
  )
  const days = Array.from({ length: 35 }, (_, back) => addDays(END, -back))
  await db.insertRows(
    'profile_day_breakdown',
    ['profile_id', 'breakdown', 'day', 'part_id', 'value'],
    days.flatMap((day) =>
      Array.from({ length: 24 }, (_, hour) => [
        profile,
        breakdownById(breakdown).code,
        day,
        parts(String(hour))!,
        people(hour, day),
      ]),
    ),
  )
}

beforeAll(async () => {
  db = await addClient('times')
  other = await addClient('times-other')
  photos = await addProfile(db, 'tintype', '1', Buffer.from('{}'))
  clips = await addProfile(db, 'zoetrope', '2', Buffer.from('{}'))
  rival = await addProfile(db, 'tintype', '3')
  foreign = await addProfile(other, 'tintype', '4', Buffer.from('{}'))
  await pool().query("UPDATE profile SET is_rival = 1, rival = 'The others' WHERE profile_id = ?", [rival])
  for (const [client, profile, followers] of [
    [db, photos, 2000],
    [db, clips, 500],
    [db, rival, 900],
    [other, foreign, 700],
  ] as const)
    await addDaysOf(
      client,
      Array.from({ length: 60 }, (_, back) => ({ profile, day: addDays(END, -back), followers, reactions: 1 })),
    )
  const random = seeded(11)
  for (let index = 0; index < 260; index++) {
    const at = Date.parse('2025-11-03T00:00Z') + Math.floor(random() * 330) * 86_400_000
    const hour = 8 + Math.floor(random() * 13)
    const reach = 1000 + Math.floor(random() * 200)
    const weekday = (new Date(at).getUTCDay() + 6) % 7
    const more = weekday === 3 && hour >= 19 ? 1.7 : 1
    const post = {
      profile: index % 3 === 0 ? clips : photos,
      at: at + hour * 3_600_000 + 600_000,
      format: 'photo',
      reactions: Math.round(reach * 0.08 * more * (0.8 + 0.4 * random())),
      reach,
    }
    raw.push(post)
    const { profile, at: publishedAt, ...figures } = post
    await addPost(db, profile, `p${index}`, publishedAt, figures)
  }
  // left out: too young, with paid impressions, without its base; not of the client's own; before the weeks
  await addPost(db, photos, 'young', Date.parse('2026-10-25T12:00Z'), { reactions: 9, reach: 100 })
  await addPost(db, photos, 'paid', Date.parse('2026-09-25T12:00Z'), { reactions: 9, reach: 100, paid_impressions: 5 })
  await addPost(db, photos, 'unknown', Date.parse('2026-09-26T12:00Z'), { reactions: 9 })
  await addPost(db, rival, 'rival', Date.parse('2026-09-26T12:00Z'), { reactions: 900, reach: 100 })
  await addPost(other, foreign, 'foreign', Date.parse('2026-09-26T12:00Z'), { reactions: 900, reach: 1000 })
  await addPost(db, photos, 'old', Date.parse('2024-09-26T12:00Z'), { reactions: 900, reach: 1000 })
  await addHours(
    photos,
    'followers_by_hour',
    (hour, day) => (hour === 20 ? 400 : hour === 9 ? 200 : 20) + Number(day.slice(-1)),
  )
  await addHours(clips, 'followers_by_own_hour', (hour) => (hour === 20 ? 100 : 10))
  const [GB, DE] = ['GB', 'DE'].map(async (country) => (await partIds(db, [country]))(country)!)
  for (const [part, value] of [
    [await GB, 300],
    [await DE, 100],
  ])
    await db.insertRows(
      'profile_day_breakdown',
      ['profile_id', 'breakdown', 'day', 'part_id', 'value'],
      [[clips, breakdownById('followers_by_country').code, '2026-10-25', part, value]],
    )
}, 300_000)

const middleOf = (values: readonly number[]) => {
  const sorted = [...values].sort((a, b) => a - b)
  const half = sorted.length / 2
  return sorted.length % 2 === 1 ? sorted[Math.floor(half)]! : (sorted[half - 1]! + sorted[half]!) / 2
}
/** How far each post is from usual, worked out from the raw rows by hand. */
function besideByHand(posts: readonly RawPost[]): Map<RawPost, number> {
  const level = ({ reactions, reach }: RawPost) => Math.log((reactions + 0.5) / (reach + 1))
  const rest = new Map(
    posts.map((post) => {
      const near = posts.filter(
        ({ profile, at }) => profile === post.profile && Math.abs(at - post.at) <= 45 * 86_400_000,
      )
      const of = near.length >= 5 ? near : posts.filter(({ profile }) => profile === post.profile)
      return [post, level(post) - middleOf(of.map(level))] as const
    }),
  )
  for (const profile of new Set(posts.map((post) => post.profile))) {
    const own = posts.filter((post) => post.profile === profile)
    const effect = (middleOf(own.map((post) => rest.get(post)!)) * own.length) / (own.length + 5)
    for (const post of own) rest.set(post, rest.get(post)! - effect)
  }
  const middle = middleOf([...rest.values()])
  const limit = 3 * 1.4826 * middleOf([...rest.values()].map((value) => Math.abs(value - middle)))
  const held = new Map([...rest].map(([post, value]) => [post, Math.max(-limit, Math.min(limit, value - middle))]))
  const mean = [...held.values()].reduce((sum, value) => sum + value, 0) / held.size
  return new Map([...held].map(([post, value]) => [post, value - mean]))
}
/** The slot of an instant in London, as Intl has it. */
function slotByIntl(at: number, timeZone = 'Europe/London'): number {
  const parts = new Map(
    new Intl.DateTimeFormat('en-GB', { timeZone, weekday: 'short', hour: '2-digit', hourCycle: 'h23' })
      .formatToParts(at)
      .map(({ type, value }) => [type, value]),
  )
  return (
    ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'].indexOf(parts.get('weekday')!) * 24 + Number(parts.get('hour'))
  )
}

describe('when posts did well', () => {
  it('counts the posts that can be judged, and says what became of the others', async () => {
    const { posts } = await times()
    expect(posts).toEqual({ counted: 260, paid: 1, young: 1, unknown: 1, isCut: false })
    expect((await times({ weeks: 13 })).posts.counted).toBe(
      raw.filter(({ at }) => at >= Date.parse('2026-07-30T00:00Z')).length,
    )
  })
  it('has each slot’s posts and their mean as they come from the raw rows', async () => {
    for (const [asked, own, zone] of [
      [{}, raw, 'Europe/London'],
      [{ network: 'tintype' }, raw.filter(({ profile }) => profile === photos), 'Europe/London'],
      [{ zone: 'DE' }, raw, 'Europe/Berlin'],
    ] as const) {
      const view = await times(asked)
      expect(view.zone).toBe(zone)
      const beside = besideByHand(own)
      for (const { slot, posts, raw: mean, missing } of view.lifts) {
        const here = own.filter(({ at }) => slotByIntl(at, zone) === slot)
        expect([slot, posts]).toEqual([slot, here.length])
        expect(missing).toBe(Math.max(0, 3 - here.length))
        if (here.length > 0)
          expect(mean).toBeCloseTo(Math.expm1(here.reduce((sum, post) => sum + beside.get(post)!, 0) / here.length), 9)
      }
      for (const mark of view.marks) {
        const post = raw[Number(mark.id.slice(1))]!
        expect(mark.beside).toBeCloseTo(Math.expm1(beside.get(post)!), 9)
      }
    }
  })
  it('finds what was planted, and suggests it first', async () => {
    const { chance, suggestions, byNetwork } = await times()
    expect(chance!.isBeyond).toBe(true)
    expect([91, 92]).toContain(suggestions[0]!.slot)
    expect(suggestions[0]!.by).toBe('posts')
    expect(byNetwork.map(({ name, posts }) => [name, posts])).toEqual([
      ['Tintype', raw.filter(({ profile }) => profile === photos).length],
      ['Zoetrope', raw.filter(({ profile }) => profile === clips).length],
    ])
  })
  it('changes with the response that is wanted', async () => {
    const { posts, suggestions } = await times({ response: 'clicks' })
    expect(posts).toMatchObject({ counted: 0, unknown: 261 })
    expect(suggestions.every(({ by }) => by === 'audience')).toBe(true)
  })
  it('refuses what it cannot look at, in a sentence', async () => {
    await expect(times({ network: 'cork' })).rejects.toThrow('None of these profiles is on Cork')
    await expect(times({ zone: 'XX' })).rejects.toThrow('no country “XX”')
    for (const wrong of [
      { response: 'joy' },
      { weeks: 7 },
      { zone: 'gb' },
      { wanted: 0 },
      { apart: 73 },
      { tries: 21 },
    ])
      expect(() => timesSchema.validateSync(wrong)).toThrow()
  })
})

describe('when the audience is there', () => {
  it('is the mean of the raw hours, of all followers and of the fullest', async () => {
    const { there } = await times({ network: 'tintype' })
    const [rows] = await pool().query<RowDataPacket[]>(
      `SELECT b.day, n.part AS hour, b.value FROM profile_day_breakdown b JOIN breakdown_part n ON n.part_id = b.part_id AND
         n.client_id = b.client_id WHERE b.profile_id = ? AND b.breakdown = 9`,
      [photos],
    )
    const means = Array.from({ length: 168 }, (_, slot) => {
      const own = rows.filter(
        ({ day, hour }) =>
          ((new Date(`${day}T12:00Z`).getUTCDay() + 6) % 7) * 24 + Number(hour) === slot &&
          // twice on that day, of which one hour is told: the first
          !(day === '2026-03-29' && hour === '1'),
      )
      return own.reduce((sum, { value }) => sum + Number(value), 0) / own.length
    })
    const fullest = Math.max(...means)
    there!.slots.forEach((slot, index) => {
      expect(slot!.people).toBeCloseTo(means[index]!, 9)
      expect(slot!.ofAll).toBeCloseTo(means[index]! / 2000, 9)
      expect(slot!.ofFullest).toBeCloseTo(means[index]! / fullest, 9)
    })
    expect(there).toMatchObject({
      followers: 2000,
      profiles: 1,
      days: 35,
      networks: [{ name: 'Tintype', isConverted: false }],
    })
  })
  it('is converted where a network tells the hours of people’s own day', async () => {
    const { there } = await times({ network: 'zoetrope' })
    // three quarters live in GB, the others an hour ahead
    expect(there!.networks).toEqual([{ name: 'Zoetrope', isConverted: true }])
    expect(there!.slots[20]!.people).toBeCloseTo(0.75 * 100 + 0.25 * 10, 9)
    expect(there!.slots[19]!.people).toBeCloseTo(0.25 * 100 + 0.75 * 10, 9)
    expect(there!.slots[12]!.people).toBeCloseTo(10, 9)
    expect((await times()).there).toMatchObject({ followers: 2500, profiles: 2 })
    expect((await times()).countries.map(({ name }) => name)).toEqual(['United Kingdom', 'Germany'])
  })
  it('is not known where nothing was told, and why', async () => {
    const view = await times({}, { period: '2026-07-01..2026-07-28' })
    expect(view.there).toBeUndefined()
    expect(view.whyNotThere).toContain('Too little was told of the 35 days up to 28 Jul 2026')
  })
})

describe('when interactions arrive', () => {
  it('is told from looks that lie close enough', async () => {
    expect((await times()).arrivals).toBeUndefined()
    const at = Date.parse('2026-09-24T19:10:00Z')
    await addPost(db, photos, 'watched', at, { reactions: 90, reach: 900 })
    for (const [hours, reactions] of [
      [1, 30],
      [2, 40],
      [30, 90],
    ])
      await pool().query('INSERT INTO post_observation SET ?', [
        {
          client_id: db.clientId,
          profile_id: photos,
          remote_id: 'watched',
          observed_at: new Date(at + hours! * 3_600_000),
          reactions,
        },
      ])
    const { arrivals } = await times()
    // Thursday 20:10 of the clocks: fifty minutes of thirty before nine, ten minutes after it and fifty of ten
    expect(arrivals).toMatchObject({ posts: 1, placed: 40 / 90 })
    expect(arrivals!.slots[92]).toBeCloseTo((30 * 50) / 60 / 40, 9)
    expect(arrivals!.slots[93]).toBeCloseTo(((30 * 10) / 60 + (10 * 50) / 60) / 40, 9)
    await pool().query("DELETE FROM post WHERE remote_id = 'watched'")
  })
})

describe('tries', () => {
  it('are kept once, are kept away from, and are shown with what came of them', async () => {
    const before = await times({ tries: 3 })
    const ids = await planned({ tries: 3, profile: photos })
    expect(ids).toHaveLength(3)
    const { tries, planned: next, suggestions, taken, takenBy } = await times({ tries: 3 })
    expect(tries.map(({ plannedAt }) => plannedAt.getTime()).sort()).toEqual(before.planned.map(({ at }) => at).sort())
    expect(tries.every(({ isAhead, now, post }) => isAhead && now && !post)).toBe(true)
    for (const { at } of next)
      for (const { plannedAt } of tries)
        expect(Math.abs(at - plannedAt.getTime())).toBeGreaterThanOrEqual(12 * 3_600_000)
    const soon = tries.filter(({ plannedAt }) => plannedAt.getTime() < Date.parse('2026-11-05T06:00Z'))
    expect(taken).toBe(soon.length)
    // they are tries of the photos alone: free for the other profiles, and said
    for (const { slot, near = [], isTaken } of suggestions) {
      const beside = soon.filter(
        (other) => Math.min(Math.abs(slot - other.slot), 168 - Math.abs(slot - other.slot)) < 12,
      )
      expect(isTaken).toBeUndefined()
      expect(near.map((index) => takenBy![index]!.at)).toEqual(
        beside.map(({ plannedAt }) => plannedAt.getTime()).sort((a, b) => a - b),
      )
    }
    const alone = await times({ tries: 3, network: 'tintype' })
    expect(alone.suggestions.every(({ near, isTaken }) => (near !== undefined) === (isTaken === true))).toBe(true)
    expect(alone.suggestions.filter(({ isTaken }) => !isTaken).length).toBeGreaterThan(0)
    for (const id of ids) expect(await removeTry(db, id, true)).toBe(true)
    expect(await removeTry(db, ids[0]!, true)).toBe(false)
    expect((await times()).tries).toEqual([])
    // the same again is the same rows
    expect((await planned({ tries: 3, profile: photos })).sort()).toEqual([...ids].sort())
    const [rows] = await pool().query<RowDataPacket[]>('SELECT COUNT(*) AS many FROM slot_try')
    expect(rows[0]!.many).toBe(3)
  })
  it('are one each, also when two ask at once', async () => {
    await pool().query('DELETE FROM slot_try')
    await Promise.all([planned({ tries: 4, profile: clips }), planned({ tries: 4, profile: clips })])
    const [rows] = await pool().query<RowDataPacket[]>(
      'SELECT COUNT(*) AS many, COUNT(DISTINCT planned_at) AS times FROM slot_try',
    )
    expect(rows[0]!.many).toBe(rows[0]!.times)
  })
  it('are told by the post of their hour', async () => {
    await pool().query('DELETE FROM slot_try')
    const post = raw.find(({ profile }) => profile === photos)!
    const hour = Math.floor(post.at / 3_600_000) * 3_600_000
    for (const [at, response] of [
      [hour, 'interactions'],
      [Date.parse('2026-09-01T03:00Z'), 'clicks'],
    ] as const)
      await pool().query('INSERT INTO slot_try SET ?', [
        {
          client_id: db.clientId,
          profile_id: photos,
          planned_at: new Date(at),
          response,
          base: 'reach',
          before_mean: 0.1,
          before_spread: 0.2,
        },
      ])
    const { tries } = await times()
    const [empty, told] = tries
    expect(told!.post!.beside).toBeCloseTo(Math.expm1(besideByHand(raw).get(post)!), 9)
    expect(told!.before.low).toBeCloseTo(Math.expm1(0.1 - 1.2815515655 * 0.2), 6)
    expect(told!.now).toBeDefined()
    expect([empty!.post, empty!.now, empty!.isAhead]).toEqual([undefined, undefined, false])
    // by another response it is neither judged nor thought of, and for other profiles it is not shown
    const [, other] = (await times({ response: 'comments' })).tries
    expect(other!.post).toEqual({ id: told!.post!.id })
    expect(other!.now).toBeUndefined()
    expect((await times({ network: 'zoetrope' })).tries).toEqual([])
  })
  it('are refused for a profile that is not shown, and when there are too many', async () => {
    for (const profile of [foreign, rival, 99])
      await expect(planned({ profile })).rejects.toThrow('Choose one of the profiles that are shown')
    await expect(planned({ profile: clips }, { who: String(photos) })).rejects.toThrow('Choose one of the profiles')
    await pool().query('DELETE FROM slot_try')
    for (let index = 0; index < MOST_TRIES; index++)
      await pool().query('INSERT INTO slot_try SET ?', [
        {
          client_id: db.clientId,
          profile_id: photos,
          planned_at: new Date(Date.parse('2027-06-01T00:00Z') + index * 3_600_000),
          response: 'interactions',
          base: 'reach',
          before_mean: 0,
          before_spread: 0.2,
        },
      ])
    await expect(planned({ profile: photos })).rejects.toThrow('200 tries ahead at the most')
    await pool().query('DELETE FROM slot_try')
  })
})

describe('the block', () => {
  it('has every slot in its table, and says what is missing', async () => {
    const filled = await timesBlock.fill({
      db,
      scope: await scopeOf(),
      block: { kind: 'times', wanted: 3 } as Block,
      metric: 'impressions',
      sight: { rivals: false },
    })
    expect(filled).toMatchObject({ response: 'interactions', base: 'for each person reached' })
    expect(filled.view.suggestions).toHaveLength(3)
    // what the agency tries is none of a reader's business
    expect([filled.view.planned, filled.view.tries]).toEqual([[], []])
    const { rows, columns } = timesBlock.tableOf!(filled, 'Europe/London')
    expect([rows.length, columns.length]).toEqual([168, 11])
    expect(rows[filled.view.suggestions[0]!.slot]!.at(-1)).toBe(1)
    expect(timesBlock.missingIn!(filled)).toEqual([])
    const without = { ...filled, view: await times({ response: 'clicks' }, { period: '2026-07-01..2026-07-28' }) }
    expect(timesBlock.missingIn!(without)[0]).toContain('no post of these weeks')
  })
})
