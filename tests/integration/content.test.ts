import type { RowDataPacket } from 'mysql2/promise'
import { beforeAll, expect, it } from 'vitest'
import { addDays } from '../../core/days/day'
import { unit } from '../../demo/random'
import { resolveScope } from '../../server/figures/resolveScope'
import { clientDbForJob, type ClientDb } from '../../server/platform/database/clientDb'
import { endsOf, formatsOf } from '../../server/read/content/ends'
import { postList, wholePostList } from '../../server/read/content/postList'
import type { ListedPost } from '../../shared/read/content'
import type { PostList } from '../../shared/read/postList'
import { postFilterOf } from '../../shared/read/postFilter'
import { POST_ORDERS } from '../../shared/read/postOrder'
import { fill } from '../../server/report/blocks/composeReport'
import { tableOf } from '../../server/report/blocks/tableOf'
import { asKept } from '../../shared/report/blocks'
import { useDatabase } from './support/database'
import { addDemo } from './support/demo'

const { pool } = useDatabase('content')
const END = '2026-10-18'
let db: ClientDb

beforeAll(async () => {
  await addDemo()
  db = await clientDbForJob(1)
})

type Raw = Record<(typeof COUNTS)[number], number | null> & {
  id: string
  profile: number
  format: string
  day: string
  text: string
  published: number
  interactions: number | null
}
const COUNTS = ['impressions', 'reach', 'clicks', 'shares', 'views', 'watch_seconds', 'paid_impressions'] as const

/** The posts of own profiles that are switched on, as the rows have them. */
async function rawPosts(from: string, to: string): Promise<Raw[]> {
  const [rows] = await pool().query<RowDataPacket[]>(
    `SELECT p.remote_id AS id, p.profile_id AS profile, p.format, p.text, ${COUNTS.map((count) => `p.${count}`).join(', ')},
            UNIX_TIMESTAMP(p.published_at) AS published, DATE_FORMAT(p.day, '%Y-%m-%d') AS day,
            IF(COALESCE(p.reactions, p.comments, p.shares, p.saves) IS NULL, NULL,
               COALESCE(p.reactions, 0) + COALESCE(p.comments, 0) + COALESCE(p.shares, 0) + COALESCE(p.saves, 0)) AS interactions
     FROM   post p JOIN profile f ON f.profile_id = p.profile_id
     WHERE  p.client_id = 1 AND f.is_active = 1 AND f.is_rival = 0 AND p.day BETWEEN ? AND ?`,
    [from, to],
  )
  return rows as Raw[]
}

/** The score interval of a proportion with 95 %, written down again. */
function interval(count: number, of: number): [low: number, high: number] {
  const z = 1.959963984540054
  const share = count / of
  const middle = (share + (z * z) / (2 * of)) / (1 + (z * z) / of)
  const half = (z * Math.sqrt((share * (1 - share)) / of + (z * z) / (4 * of * of))) / (1 + (z * z) / of)
  return [middle - half, middle + half]
}
const middleOf = (values: number[]) => {
  const sorted = [...values].sort((a, b) => a - b)
  const half = sorted.length >> 1
  return sorted.length % 2 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2
}

it('the best and the worst are those of the raw rows, over two hundred scopes', async () => {
  let compared = 0
  for (let round = 0; round < 200; round++) {
    const random = (name: string, below: number) => Math.floor(unit(`ends ${name} ${round}`) * below)
    const to = addDays(END, -random('to', 300))
    const from = addDays(to, -random('length', 120))
    const by = (['interactions', 'impressions', 'rate', 'times'] as const)[round % 4]!
    const rows = 1 + random('rows', 10)
    const format = [undefined, 'photo', 'text', 'clip'][random('format', 4)]
    const scope = await resolveScope(db, { who: [], sets: [], period: `${from}..${to}`, against: 'none' })
    const ends = await endsOf(db, scope, { by, rows, filter: postFilterOf({ only: format }) })
    const past = await rawPosts(addDays(to, -89) < from ? addDays(to, -89) : from, to)
    const usualOf = ({ profile, id }: Raw) => {
      const others = past.filter((one) => one.profile === profile && one.id !== id && one.interactions !== null)
      return others.length >= 5 ? middleOf(others.map(({ interactions }) => interactions!)) : undefined
    }
    /** What the post is ranked by from above and from below. */
    const keys = (post: Raw): [number, number] | undefined => {
      const { interactions, impressions } = post
      if (by === 'impressions') return impressions === null ? undefined : [impressions, impressions]
      if (interactions === null) return undefined
      if (by === 'interactions') return [interactions, interactions]
      if (by === 'rate')
        return impressions !== null && impressions > 0 && interactions <= impressions
          ? interval(interactions, impressions)
          : undefined
      const usual = usualOf(post)
      return usual ? [interactions / usual, interactions / usual] : undefined
    }
    const posts = (await rawPosts(from, to)).filter((post) => !format || post.format === format)
    const known = posts.flatMap((post) => keys(post) ?? []).length / 2
    expect([ends.ranked, ends.unranked], `${by} ${from} ${to} ${format}`).toEqual([known, posts.length - known])
    const down = posts.flatMap((post) => (keys(post) ? [keys(post)![0]] : [])).sort((a, b) => b - a)
    const many = Math.min(rows, Math.ceil(known / 2))
    const key = (post: { id: string; profile: number }) =>
      keys(posts.find(({ id, profile }) => id === post.id && profile === post.profile)!)!
    ends.best.forEach((post, index) => expect(key(post)[0]).toBeCloseTo(down[index]!, 9))
    expect(ends.best).toHaveLength(many)
    const taken = new Set(ends.best.map(({ id, profile }) => `${profile} ${id}`))
    const up = posts
      .filter((post) => keys(post) && !taken.has(`${post.profile} ${post.id}`))
      .map((post) => keys(post)![1])
      .sort((a, b) => a - b)
    ends.worst.forEach((post, index) => expect(key(post)[1]).toBeCloseTo(up[index]!, 9))
    expect(ends.worst).toHaveLength(Math.min(rows, known - many))
    compared += ends.best.length + ends.worst.length
  }
  expect(compared).toBeGreaterThan(500)
})

it('a block of one format is of that format alone, and the format of a file is none of posts', async () => {
  const scope = await resolveScope(db, { who: [], sets: [], period: '2026-09-01..2026-09-30', against: 'none' })
  for (const kind of ['posts', 'ends'] as const) {
    const rows = tableOf(await fill(db, scope, asKept({ id: 'a', kind, rows: 3, format: 'clip' })), 'UTC')!.rows
    expect(rows.length).toBeGreaterThan(2)
    for (const row of rows) expect(row).toContain('clip')
  }
  const file = { order: 'newest', format: 'csv' }
  expect((await wholePostList(db, scope, file)).length).toBe((await rawPosts('2026-09-01', '2026-09-30')).length)
})

it('a block of them is filled as it was chosen, and has a table with both ends', async () => {
  const scope = await resolveScope(db, { who: [], sets: [], period: '2026-09-01..2026-09-30', against: 'none' })
  const block = asKept({ id: 'a', kind: 'ends', option: 'rate', rows: 2 })
  const filled = await fill(db, scope, block)
  expect(filled).toMatchObject({ kind: 'ends', heading: 'Best and worst posts, by interactions for each impression' })
  const table = tableOf(filled, 'Europe/London')!
  expect(table.rows.map(([end, place]) => [end, place])).toEqual([
    ['best', 1],
    ['best', 2],
    ['worst', 1],
    ['worst', 2],
  ])
  expect(table.rows.every((row) => row.length === table.columns.length)).toBe(true)
})

it('formats are spread as the raw rows are, over a hundred scopes', async () => {
  /** Type 7 of Hyndman & Fan, written down again. */
  const at = (sorted: number[], share: number) => {
    const place = share * (sorted.length - 1)
    const [low, high] = [sorted[Math.floor(place)]!, sorted[Math.ceil(place)]!]
    return low + (place % 1) * (high - low)
  }
  let boxes = 0
  for (let round = 0; round < 100; round++) {
    const random = (name: string, below: number) => Math.floor(unit(`formats ${name} ${round}`) * below)
    const to = addDays(END, -random('to', 300))
    const from = addDays(to, -random('length', 60))
    const by = (['interactions', 'impressions', 'rate', 'times'] as const)[round % 4]!
    const scope = await resolveScope(db, { who: [], sets: [], period: `${from}..${to}`, against: 'none' })
    const { formats } = await formatsOf(db, scope, by)
    const posts = await rawPosts(from, to)
    const past = await rawPosts(addDays(to, -89) < from ? addDays(to, -89) : from, to)
    expect(formats.map(({ format }) => format).sort()).toEqual([...new Set(posts.map(({ format }) => format))].sort())
    for (const { format, posts: count, unknown, box } of formats) {
      const own = posts.filter((post) => post.format === format)
      const values = own
        .flatMap((post) => {
          const { interactions, impressions } = post
          if (by === 'times') return keyOf(post, 'times', past) ?? []
          if (by !== 'rate') return (by === 'interactions' ? interactions : impressions) ?? []
          const isShare =
            interactions !== null && impressions !== null && impressions > 0 && interactions <= impressions
          return isShare ? [interactions / impressions] : []
        })
        .sort((a, b) => a - b)
      expect([count, unknown], `${by} ${from} ${to} ${format}`).toEqual([values.length, own.length - values.length])
      expect(box === undefined).toBe(values.length < 5)
      if (!box) continue
      boxes++
      const wanted = [values[0]!, at(values, 0.25), at(values, 0.5), at(values, 0.75), values.at(-1)!]
      ;[box.least, box.lower, box.middle, box.upper, box.most].forEach((value, index) =>
        expect(value).toBeCloseTo(wanted[index]!, 9),
      )
    }
  }
  expect(boxes).toBeGreaterThan(100)
})

const ORDERS = [
  ...POST_ORDERS.map(({ value }) => value),
  'clicks',
  '-reach',
  'sure.click_rate',
  '-sure.pass_on',
  'watch_average',
  '-views',
]

/** What a post is ordered by, from its raw row; undefined where it has none. */
function keyOf(post: Raw, order: string, past: readonly Raw[]): number | undefined {
  const share = (top: number | null, bottom: number | null) =>
    top === null || !bottom || top > bottom ? undefined : ([top, bottom] as const)
  const { interactions, impressions, clicks, reach, shares, watch_seconds: watched, views } = post
  const near = (pair: readonly [number, number] | undefined, end: 0 | 1) => pair && interval(...pair)[end]
  const negative = (value: number | null | undefined) => (value === null || value === undefined ? undefined : -value)
  const times = () => {
    const others = past.filter(
      ({ profile, id, interactions: own }) => profile === post.profile && id !== post.id && own !== null,
    )
    const usual = others.length >= 5 ? middleOf(others.map((one) => one.interactions!)) : 0
    return usual > 0 && interactions !== null ? interactions / usual : undefined
  }
  const pair = share(interactions, impressions)
  const keys: Record<string, () => number | null | undefined> = {
    'newest': () => post.published,
    'oldest': () => -post.published,
    'interactions': () => interactions,
    'fewest_interactions': () => negative(interactions),
    times,
    'fewest_times': () => negative(times()),
    'impressions': () => impressions,
    'fewest_impressions': () => negative(impressions),
    'rate': () => pair && pair[0] / pair[1],
    'sure': () => near(pair, 0),
    'lowest': () => negative(near(pair, 1)),
    'clicks': () => clicks,
    '-reach': () => negative(reach),
    'sure.click_rate': () => near(share(clicks, impressions), 0),
    '-sure.pass_on': () => negative(near(share(shares, reach), 1)),
    'watch_average': () => (watched !== null && views ? watched / views : undefined),
    '-views': () => negative(views),
  }
  return keys[order]!() ?? undefined
}

/** Says of every third post that it was published from here; of one with its number on another profile it is not said. */
async function publishedFromHere(): Promise<Set<string>> {
  const posts = (await rawPosts('2025-01-01', END)).filter((_, index) => index % 3 === 0)
  for (const [index, { profile, id }] of posts.entries()) {
    await pool().query(
      "INSERT INTO planned_post (client_id, planned_id, post_key, state, content) VALUES (1, ?, UUID(), 'published', '{}')",
      [9000 + index],
    )
    await pool().query(
      'INSERT INTO planned_posting (client_id, planned_id, profile_id, remote_id) VALUES (1, ?, ?, ?)',
      [9000 + index, profile, id],
    )
  }
  return new Set(posts.map(({ profile, id }) => `${profile} ${id}`))
}

it('the list of posts, page by page, is every post once and in the order that it says, over a hundred scopes', async () => {
  const words = ['garden', 'the', 'tonight', '100%', 'o', '_', '"open late"', "'"]
  const fromHere = await publishedFromHere()
  let seen = 0
  let filtered = 0
  let here = 0
  for (let round = 0; round < 102; round++) {
    const random = (name: string, below: number) => Math.floor(unit(`list ${name} ${round}`) * below)
    const to = addDays(END, -random('to', 300))
    const from = addDays(to, -random('length', 90))
    const order = ORDERS[round % ORDERS.length]!
    const pick = (name: string) => (random(`${name}?`, 3) === 0 ? words[random(name, words.length)]! : '')
    const query = {
      order,
      only: ['', '', 'photo', 'clip'][random('only', 4)]!,
      any: random('any?', 3) === 0 ? `${words[random('any', 3)]!}, ${words[random('other', 3)]!}` : '',
      all: pick('all'),
      none: pick('none'),
      paid: ['', '', '', 'paid', 'organic'][random('paid', 5)]! as '' | 'paid' | 'organic',
      published: ['', '', '', 'here', 'elsewhere'][random('published', 5)]! as '' | 'here' | 'elsewhere',
    }
    const scope = await resolveScope(db, { who: [], sets: [], period: `${from}..${to}`, against: 'none' })
    const paged: ListedPost[] = []
    let total: number | undefined
    for (let after: string | null = ''; after !== null; ) {
      const list: PostList = await postList(db, scope, { ...query, after }, 1 + random('page', 60))
      if (after === '') total = list.total
      paged.push(...list.posts)
      after = list.next
    }
    const has = (text: string, word: string) => text.toLowerCase().includes(word.replaceAll('"', ''))
    const each = (list: string) => list.split(',').flatMap((word) => word.trim() || [])
    const whole = (await rawPosts(from, to)).filter(
      ({ profile, id, text, format, paid_impressions: paid }) =>
        (!query.only || format === query.only) &&
        (query.paid === '' || (query.paid === 'paid') === (paid ?? 0) > 0) &&
        (query.published === '' || (query.published === 'here') === fromHere.has(`${profile} ${id}`)) &&
        (each(query.any).length === 0 || each(query.any).some((word) => has(text, word))) &&
        each(query.all).every((word) => has(text, word)) &&
        !each(query.none).some((word) => has(text, word)),
    )
    const place = ({ profile, id }: { profile: number; id: string }) => `${profile} ${id}`
    expect(paged.map(place).sort(), JSON.stringify([from, to, query])).toEqual(whole.map(place).sort())
    expect(total).toBe(whole.length)
    // the largest first, and what has none of it last
    const past = await rawPosts(addDays(to, -89) < from ? addDays(to, -89) : from, to)
    const known = new Map(whole.map((post) => [place(post), post]))
    const keys = paged.map((post) => keyOf(known.get(place(post))!, order, past) ?? -Infinity)
    keys.forEach((key, index) => {
      if (index > 0 && !(key === -Infinity && keys[index - 1] === -Infinity))
        expect(keys[index - 1]! - key, `${order} at ${index}`).toBeGreaterThan(-1e-9)
    })
    for (const post of paged) {
      expect(post.interactions).toBe(known.get(place(post))!.interactions)
      if (order === 'times') expect(post.times).toBe(keyOf(known.get(place(post))!, 'times', past))
    }
    seen += paged.length
    if (query.any || query.all || query.none) filtered += paged.length
    if (query.published === 'here') here += paged.length
  }
  expect([seen > 3000, filtered > 500, here > 20]).toEqual([true, true, true])
  const scope = await resolveScope(db, { who: [], sets: [], period: 'last-28-days', against: 'none' })
  for (const after of ['{}', '[1,2]', 'x', '["a",1,"b"]', `[1,1,"${'x'.repeat(50)}"]`, '[1e999,1,"a"]'])
    await expect(postList(db, scope, { order: 'newest', after })).rejects.toThrow('cannot go on from there')
})
