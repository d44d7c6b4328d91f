import type { RowDataPacket } from 'mysql2/promise'
import { beforeAll, describe, expect, it } from 'vitest'
import type { Mapping } from '../../core/imports/rowReader'
import { keepBreakdowns } from '../../server/gather/sync/keepBreakdowns'
import { QUESTIONS as QUESTION_DATASET, REVIEWS as REVIEW_DATASET } from '../../core/datasets/datasets'
import { keepRows } from '../../server/gather/sync/keepRows'
import { keepPosts } from '../../server/gather/sync/keepPosts'
import { badRowsOf, importById, startApply, startCheck, startUndo } from '../../server/gather/imports/store'
import { takeUpload } from '../../server/gather/imports/upload'
import { resolveScope } from '../../server/figures/resolveScope'
import type { ClientDb } from '../../server/platform/database/clientDb'
import { questionFigures } from '../../server/read/questions/questions'
import { addSite, changeSite, removeSite } from '../../server/read/traffic/sites'
import { trafficOf } from '../../server/read/traffic/traffic'
import { parseScope } from '../../shared/figures/scope'
import { addClient, addProfile, runJobs, tableOf, useDatabase } from './support/database'

const { pool } = useDatabase('import_datasets')
let db: ClientDb
let profile: number
let site: number
let person: number

beforeAll(async () => {
  db = await addClient('files')
  profile = await addProfile(db, 'tintype', '17841400518844102')
  site = await addSite(db, { name: 'The site', address: 'https://www.mossgate.example' })
  const [made] = await pool().query(
    "INSERT INTO person (agency_id, email, name, role, password_hash) VALUES (1, 'a@b.example', 'A', 'analyst', 'x')",
  )
  person = (made as { insertId: number }).insertId
})

async function* bytes(text: string) {
  yield Buffer.from(text)
}
/** Brings a file, with what was guessed of it and what is said besides, and has it checked. */
async function checked(text: string, said: Partial<Mapping> = {}) {
  const id = await takeUpload(db, person, 'file.csv', bytes(text))
  // what is no text yet is opened by a job
  await runJobs()
  const { mapping } = await importById(db, id)
  await startCheck(db, id, { dateOrder: 'year-month-day', ...mapping, ...said } as Mapping, person)
  await runJobs()
  const view = await importById(db, id)
  return { id, view, bad: await badRowsOf(db, id, 20) }
}
async function applied(text: string, said: Partial<Mapping> = {}) {
  const { id } = await checked(text, said)
  await startApply(db, id, person)
  await runJobs()
  expect((await importById(db, id)).state).toBe('applied')
  return id
}
async function undo(id: number) {
  await startUndo(db, id, person)
  await runJobs()
  expect((await importById(db, id)).state).toBe('undone')
}
const posts = () =>
  tableOf('post', 'profile_id, remote_id, published_at, day, format, text, impressions, comments, reach, import_id')

const POSTS = `Post ID,Published,Page ID,Type,Text,Impressions,Comments
p1,2026-10-20 09:15,17841400518844102,photo,Fern,1204,3
p2,2026-10-21 23:30,17841400518844102,clip,"Two lines,
and more",88,
p3,2026-10-22,17841400518844102,photo,No time,5,1
`

describe('posts from a file', () => {
  it('are checked, written beside what a network has given, and taken back whole', async () => {
    await keepPosts(db, profile, {
      data: [
        {
          remoteId: 'p1',
          publishedAt: '2026-10-20T08:15:00Z',
          day: '2026-10-20',
          format: 'photo',
          text: 'As the network has it',
          impressions: 1000,
          reach: 700,
        },
      ],
    })
    const before = await posts()
    const { view, bad } = await checked(POSTS)
    expect(view.dataset).toBe('post')
    expect(view.summary).toMatchObject({ rows: 3, good: 2, bad: 1, added: 1, changed: 1 })
    expect(bad[0]!.reason).toContain('says no time of day')
    expect(await posts()).toEqual(before)
    const id = await applied(POSTS)
    const written = await posts()
    expect(written).toMatchObject([
      { remote_id: 'p1', text: 'Fern', impressions: 1204, comments: 3, reach: 700, import_id: id },
      { remote_id: 'p2', text: 'Two lines,\nand more', day: '2026-10-21', impressions: 88, comments: null },
    ])
    // what a network says of it later does not touch what the file has said
    await keepPosts(db, profile, {
      data: [
        {
          remoteId: 'p1',
          publishedAt: '2026-10-20T08:15:00Z',
          day: '2026-10-20',
          format: 'photo',
          text: 'As the network has it',
          impressions: 1100,
          reach: 750,
        },
      ],
    })
    expect((await posts())[0]).toMatchObject({ text: 'Fern', impressions: 1204, reach: 750 })
    await undo(id)
    expect(await posts()).toMatchObject([
      {
        remote_id: 'p1',
        text: 'As the network has it',
        impressions: 1000,
        comments: null,
        reach: 750,
        import_id: null,
      },
    ])
    expect((await posts()).length).toBe(1)
  })

  it('that say nothing new change nothing', async () => {
    const id = await applied(POSTS)
    expect((await checked(POSTS)).view.summary).toMatchObject({ same: 2, added: 0, changed: 0 })
    await undo(id)
  })
})

describe('posts over their life from a file', () => {
  const LIVES = `Post ID,Looked at,Page ID,Impressions,Reactions
p1,2026-10-20 10:15,17841400518844102,400,12
p1,2026-10-20 10:15,17841400518844102,401,12
p1,2026-10-21 09:15,17841400518844102,1000,30
p9,2026-10-21 09:15,17841400518844102,7,1
`
  const looks = (where = '') =>
    tableOf(`post_observation ${where}`, 'remote_id, observed_at, impressions, reactions, import_id')
  it('stand at their times, need their post, and are taken back', async () => {
    const ofPosts = await applied(POSTS)
    const before = await looks()
    const { id, view, bad } = await checked(LIVES)
    expect(view.dataset).toBe('post_observation')
    expect(view.summary).toMatchObject({ rows: 4, good: 2, bad: 2, added: 2, from: '2026-10-20', to: '2026-10-21' })
    expect(bad.map(({ reason }) => reason)).toEqual([
      'Row 3 is of the same as row 2',
      'There is no post of that profile with the id "p9"; import the posts before their lives',
    ])
    await startApply(db, id, person)
    await runJobs()
    // half past ten on the client’s clocks is an hour earlier in UTC, until they go back
    expect(await looks(`WHERE import_id = ${id}`)).toEqual([
      {
        remote_id: 'p1',
        observed_at: new Date('2026-10-20T09:15:00Z'),
        impressions: 400,
        reactions: 12,
        import_id: id,
      },
      {
        remote_id: 'p1',
        observed_at: new Date('2026-10-21T08:15:00Z'),
        impressions: 1000,
        reactions: 30,
        import_id: id,
      },
    ])
    const changed = await checked(LIVES.replace('400,12', '444,12'))
    expect(changed.view.summary).toMatchObject({ good: 2, changed: 1, same: 1 })
    await undo(id)
    expect(await looks()).toEqual(before)
    await undo(ofPosts)
  })
})

describe('JSON', () => {
  const day = (views: string, id = '17841400518844102') =>
    `{"date":"2026-10-2${views.length}","page":{"id":${id}},"figures":{"impressions":${views},"comments":2}}`
  it('of any shape is a table whose ids keep their digits', async () => {
    const { id, view } = await checked(`{"paging":{"next":null},"data":[${day('12')},${day('345')}]}`, {
      targets: ['day', 'profile_id', 'impressions', 'comments'],
      dateOrder: 'year-month-day',
    })
    expect(view.layout).toMatchObject({
      isJson: true,
      headings: ['date', 'page.id', 'figures.impressions', 'figures.comments'],
      contents: ['dates', 'ids', 'counts', 'counts'],
    })
    expect(view.summary).toMatchObject({ rows: 2, good: 2, bad: 0 })
    await startApply(db, id, person)
    await runJobs()
    expect(await tableOf(`profile_day WHERE import_id = ${id}`, 'day, impressions, comments')).toEqual([
      { day: '2026-10-22', impressions: 12, comments: 2 },
      { day: '2026-10-23', impressions: 345, comments: 2 },
    ])
    await undo(id)
  })

  it('of Activity Streams brings posts, their HTML as text', async () => {
    const note = {
      type: 'Note',
      id: 'https://isle.example/users/mossgate/statuses/112',
      content: '<p>Frost on the ferns &amp; <b>more</b></p><script>alert(1)</script>',
      likes: { type: 'Collection', totalItems: 41 },
    }
    const { id, view } = await checked(
      `\uFEFF ${JSON.stringify({
        '@context': ['https://www.w3.org/ns/activitystreams'],
        'type': 'OrderedCollection',
        'orderedItems': [{ type: 'Create', published: '2026-10-20T08:15:00Z', object: note }],
      })}`,
      { profile },
    )
    expect(view.summary).toMatchObject({ rows: 1, good: 1, added: 1 })
    await startApply(db, id, person)
    await runJobs()
    expect(await tableOf(`post WHERE import_id = ${id}`, 'remote_id, published_at, text, reactions, format')).toEqual([
      {
        remote_id: '112',
        published_at: new Date('2026-10-20T08:15:00Z'),
        text: 'Frost on the ferns & more',
        reactions: 41,
        format: 'text',
      },
    ])
    await undo(id)
  })

  it('is not what merely begins with a bracket: that is a table', async () => {
    const id = await takeUpload(db, person, 'file.csv', bytes('[Date],[Impressions]\n2026-10-20,5\n'))
    expect(await importById(db, id)).toMatchObject({
      state: 'uploaded',
      layout: { headings: ['[Date]', '[Impressions]'] },
    })
  })

  it.each([
    ['[{"a":1,', 'This is no JSON that can be read'],
    ['[]', 'holds no list of rows'],
    ['{"@context":"https://www.w3.org/ns/activitystreams","type":"Like"}', 'no post among them'],
  ])('that cannot be read says why: %s', async (text, reason) => {
    const id = await takeUpload(db, person, 'file.json', bytes(text))
    await runJobs()
    expect(await importById(db, id)).toMatchObject({ state: 'failed' })
    const [rows] = await pool().query<RowDataPacket[]>(
      "SELECT message FROM job WHERE kind = 'import.open' AND subject = ?",
      [String(id)],
    )
    expect(rows).toEqual([{ message: expect.stringContaining(reason) }])
  })
})

describe('breakdowns from a file', () => {
  const FILE = `Date,Page ID,Breakdown,Part,Value
2026-10-25,17841400518844102,followers_by_country,GB,812
2026-10-25,17841400518844102,Followers by country,IE,40
2026-10-25,17841400518844102,by star sign,XX,1
`
  it('are written by their parts, stand against a sync, and are taken back', async () => {
    const parts = async () =>
      (
        await pool().query<RowDataPacket[]>(
          'SELECT n.part, b.value FROM profile_day_breakdown b JOIN breakdown_part n USING (client_id, part_id) ORDER BY n.part',
        )
      )[0].map(({ part, value }) => [part, value] as unknown)
    await keepBreakdowns(db, profile, {
      data: [{ day: '2026-10-25', breakdown: 'followers_by_country', part: 'GB', value: 800 }],
    })
    const { view } = await checked(FILE)
    expect(view.dataset).toBe('profile_day_breakdown')
    expect(view.summary).toMatchObject({ good: 2, bad: 1, added: 1, changed: 1 })
    const id = await applied(FILE)
    await keepBreakdowns(db, profile, {
      data: [
        { day: '2026-10-25', breakdown: 'followers_by_country', part: 'GB', value: 805 },
        { day: '2026-10-25', breakdown: 'followers_by_country', part: 'FR', value: 7 },
      ],
    })
    expect(await parts()).toEqual([
      ['FR', 7],
      ['GB', 812],
      ['IE', 40],
    ])
    await undo(id)
    expect(await parts()).toEqual([
      ['FR', 7],
      ['GB', 800],
    ])
  })
})

describe('site traffic from files', () => {
  const days = ['2026-10-20', '2026-10-21', '2026-10-22']
  const PAGES = [
    'Date,Page,Views,Unique views,Seconds,Timed views,Entrances,Exits',
    ...days.flatMap((day, index) => [
      `${day},/visit,${100 + index},${80 + index},6000,60,40,30`,
      `${day},/,50,45,,,60,20`,
    ]),
    '2026-10-13,/visit,90,70,5000,50,40,30',
  ].join('\n')
  const DAYS = [
    'Date,Visits,Consented visits,Visitors of the day,Visitors of 7 days',
    ...days.map((day, index) => `${day},200,${140 + index},${120 + index},${300 + index}`),
  ].join('\n')
  const SOURCES = [
    'Date,Source,Medium,Visits,Visitors of the day',
    ...days.flatMap((day) => [`${day},letter,mail,30,28`, `${day},(direct),none,70,60`]),
  ].join('\n')

  it('say who came to which pages, from where, with who consented', async () => {
    const ids = []
    for (const file of [PAGES, DAYS, SOURCES]) ids.push(await applied(`${file}\n`, { site }))
    const scope = await resolveScope(
      db,
      parseScope({ period: '2026-10-20..2026-10-22', against: '2026-10-13..2026-10-13' }),
    )
    const { sites } = await trafficOf(db, scope)
    expect(sites).toHaveLength(1)
    expect(sites[0]).toMatchObject({
      days: { known: 3, of: 3 },
      views: 453,
      visits: 600,
      consented: { visits: 423, of: 600 },
      // three single days bound it; the windows of seven days reach over the beginning
      visitors: { low: 122, high: 302 },
      viewsChange: { from: 90, to: 453, isPerDay: true },
      allPages: 2,
    })
    expect(sites[0]!.pages).toMatchObject([
      {
        page: '/visit',
        views: 303,
        people: { low: 82, high: 243 },
        meanSeconds: 100,
        entrances: 120,
        exits: 90,
        change: { from: 90, to: 303, relative: expect.closeTo(101 / 90 - 1, 9) },
      },
      { page: '/', views: 150, people: { low: 45, high: 135 }, entrances: 180, exits: 60 },
    ])
    expect(sites[0]!.pages[1]).not.toHaveProperty('meanSeconds')
    expect(sites[0]!.sources).toMatchObject([
      { source: '(direct)', medium: 'none', visits: 210, people: { low: 60, high: 180 } },
      { source: 'letter', visits: 90 },
    ])
    await undo(ids[2]!)
    expect((await trafficOf(db, scope)).sites[0]!.sources).toEqual([])
  })

  it('need a site of the client, which can be renamed, taken away and brought back', async () => {
    await expect(checked(`${PAGES}\n`, { site: null })).rejects.toThrow(/Say which site/)
    await expect(checked(`${PAGES}\n`, { site: 999 })).rejects.toThrow(/not one of this client/)
    await changeSite(db, site, { name: 'Renamed', address: 'https://x.example' })
    const names = async () =>
      (await trafficOf(db, await resolveScope(db, parseScope({})))).sites.map((each) => each.site.name)
    expect(await names()).toEqual(['Renamed'])
    expect(await removeSite(db, site, true)).toBe(true)
    expect(await names()).toEqual([])
    await expect(changeSite(db, site, { name: 'x', address: 'https://x.example' })).rejects.toThrow(/no such site/)
    expect(await removeSite(db, site, false)).toBe(true)
  })
})

const REVIEWS = `Review ID,Written at,Page ID,Stars,Author,Language,Review text,Answered at,Reply
r1,2026-10-20 09:15,80010402277519102,5,Oona K.,en,"Lovely tea, and a view",2026-10-21 10:00,Thank you.
r2,2026-10-21 23:30,80010402277519102,2,Bram,de,Kalt.,,
r3,2026-10-22 10:00,80010402277519102,6,Mael,en,Six stars,,
r4,2026-10-22 10:00,80010402277519102,,,,Only words,,
r5,2026-10-22 10:00,80010402277519102,4,Sil,en,x,yesterday,
`

describe('reviews from a file', () => {
  const reviews = () =>
    tableOf('review', 'remote_id, written_at, day, stars, author, language, text, answered_at, answer, import_id')
  it('are checked, written beside what a network has given, and taken back whole', async () => {
    const listing = await addProfile(db, 'waymark', '80010402277519102')
    const given = {
      remote_id: 'r1',
      written_at: '2026-10-20T08:15:00Z',
      day: '2026-10-20',
      stars: 4,
      author: 'O.',
      language: 'en',
      text: 'As the network has it',
      answered_at: null,
      answer: null,
    }
    await keepRows(db, REVIEW_DATASET, listing, [given])
    const before = await reviews()
    const { view, bad } = await checked(REVIEWS)
    expect(view.dataset).toBe('review')
    expect(view.summary).toMatchObject({ rows: 5, good: 3, bad: 2, added: 2, changed: 1 })
    expect(bad.map(({ reason }) => reason)).toEqual([
      expect.stringContaining('6 does not lie between 1 and 5') as string,
      expect.stringContaining('yesterday') as string,
    ])
    expect(await reviews()).toEqual(before)
    const id = await applied(REVIEWS)
    expect(await reviews()).toMatchObject([
      { remote_id: 'r1', stars: 5, author: 'Oona K.', answer: 'Thank you.', import_id: id },
      { remote_id: 'r2', day: '2026-10-21', stars: 2, language: 'de', answered_at: null, answer: null },
      { remote_id: 'r4', stars: null, author: '', language: 'en', text: 'Only words' },
    ])
    // what the network says later does not touch what the file has said
    await keepRows(db, REVIEW_DATASET, listing, [{ ...given, stars: 1 }])
    expect((await reviews())[0]).toMatchObject({ stars: 5, text: 'Lovely tea, and a view' })
    await undo(id)
    expect(await reviews()).toMatchObject([{ remote_id: 'r1', stars: 4, text: 'As the network has it', answer: null }])
  })

  it('of a network are refused where they cannot be read', async () => {
    const [found] = await pool().query<RowDataPacket[]>("SELECT profile_id FROM profile WHERE network = 'waymark'")
    const listing = Number(found[0]!.profile_id)
    for (const [part, sentence] of [
      [{ stars: 6 }, 'is no count'],
      [{ stars: 0 }, 'is no count'],
      [{ written_at: 'soon' }, 'is no time'],
      [{ remote_id: '' }, 'without its remote id'],
      [{ day: 'soon' }, 'is no day'],
      [{ day: '2026-02-30' }, 'is no day'],
      [{ day: undefined }, 'without its day'],
      [{ written_at: null }, 'without its written at'],
    ] as const)
      await expect(
        keepRows(db, REVIEW_DATASET, listing, [
          { remote_id: 'r9', written_at: '2026-10-20T08:15:00Z', day: '2026-10-20', ...part },
        ]),
      ).rejects.toThrow(sentence)
    // who has written it and in which language need not be known
    await keepRows(db, REVIEW_DATASET, listing, [
      { remote_id: 'r9', written_at: '2026-10-20T08:15:00Z', day: '2026-10-20', author: null },
    ])
    expect((await tableOf('review', 'remote_id, author, language, stars')).at(-1)).toMatchObject({
      remote_id: 'r9',
      author: '',
      language: 'en',
      stars: null,
    })
  })
})

const QUESTIONS = `Question ID,Asked at,Page ID,Asked by,Question,Upvotes,Answered at,Reply,Answered by
q1,2026-10-20 09:15,80010402277519103,Oona K.,"Is there a lift, and until when?",4,2026-10-21 10:00,Until six.,Owner
q2,2026-10-21 23:30,80010402277519103,Bram,Are dogs let in?,,2026-10-22 08:00,I think so.,Sil
q3,2026-10-22 10:00,80010402277519103,Mael,Who knows?,,,Nobody,
q4,2026-10-22 10:00,80010402277519103,,Is it open today?,2,,,
q5,2026-10-22 10:00,80010402277519103,Ina,Where is the gate?,,2026-10-21 10:00,Here.,owner
`

describe('questions from a file', () => {
  const questions = () =>
    tableOf('question', 'remote_id, day, author, text, wanted, answered_at, answer, answered_by, import_id')
  it('are checked, counted with those of the network, and taken back whole', async () => {
    const listing = await addProfile(db, 'waymark', '80010402277519103')
    const given = {
      remote_id: 'q1',
      asked_at: '2026-10-20T08:15:00Z',
      day: '2026-10-20',
      author: 'O.',
      text: 'As the network has it',
      wanted: 3,
    }
    await keepRows(db, QUESTION_DATASET, listing, [given])
    const before = await questions()
    const { view, bad } = await checked(QUESTIONS)
    expect(view.dataset).toBe('question')
    expect(view.summary).toMatchObject({ rows: 5, good: 3, bad: 2, added: 2, changed: 1 })
    expect(bad.map(({ reason }) => reason)).toEqual([
      'Row 4 has an answer, but not when it was given',
      'Row 6 was answered before it was written',
    ])
    expect(await questions()).toEqual(before)
    const id = await applied(QUESTIONS)
    expect(await questions()).toMatchObject([
      { remote_id: 'q1', author: 'Oona K.', wanted: 4, answer: 'Until six.', answered_by: 'owner', import_id: id },
      { remote_id: 'q2', day: '2026-10-21', wanted: null, answered_by: 'Sil' },
      { remote_id: 'q4', author: '', wanted: 2, answered_at: null, answer: null },
    ])
    const scope = await resolveScope(db, parseScope({ period: '2026-10-01..2026-10-25' }))
    expect((await questionFigures(db, scope)).find(({ profile: each }) => each === listing)).toMatchObject({
      asked: 3,
      byOwner: 1,
      byVisitors: 1,
      waiting: 1,
    })
    // what the network says later does not touch what the file has said
    await keepRows(db, QUESTION_DATASET, listing, [{ ...given, wanted: 9 }])
    expect((await questions())[0]).toMatchObject({ wanted: 4, text: 'Is there a lift, and until when?' })
    await undo(id)
    expect(await questions()).toMatchObject([
      { remote_id: 'q1', wanted: 3, text: 'As the network has it', answer: null },
    ])
  })
})
