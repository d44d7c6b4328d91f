import type { RowDataPacket } from 'mysql2/promise'
import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import readWorkbook from 'read-excel-file/node'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { PUBLIC_COLUMNS, STORED_FIGURES } from '../../core/metrics/storedFigures'
import { DECLARED_BLOCKS } from '../../shared/report/blocks'
import { shareEdition } from '../../server/report/editions/editions'
import { clientDbForJob } from '../../server/platform/database/clientDb'
import { root } from '../support/application'
import { tableOf, useDatabase } from './support/database'
import { PASSWORD, addDemo } from './support/demo'
import { startServer, type Server } from './support/server'

const { url, pool } = useDatabase('routes')
const people = {
  owner: 'ada@halyardrow.example',
  analyst: 'jory@halyardrow.example',
  viewer: 'senara@mossgate.example',
} as const
const cookies: Record<string, string> = {}
let server: Server
let base = ''
let token = ''

const CONTENT = JSON.stringify({
  title: 't',
  periodWords: 'p',
  period: { from: '2026-10-01', to: '2026-10-28' },
  blocks: [],
})

/** Asks as a browser would, from a page of the application itself. */
async function ask(method: string, path: string, who?: string, body?: unknown, origin = base) {
  const isForm = body !== undefined && typeof body !== 'string'
  return await fetch(`${base}${path}`, {
    method,
    redirect: 'manual',
    body: isForm ? JSON.stringify(body) : (body as string | undefined),
    headers: {
      ...(method !== 'GET' && origin && { origin }),
      ...(who && cookies[who] && { cookie: cookies[who] }),
      ...(isForm && { 'content-type': 'application/json' }),
    },
  })
}

beforeAll(async () => {
  await addDemo()
  server = await startServer(url())
  base = server.base
  for (const [role, email] of Object.entries(people)) {
    const answer = await ask('POST', '/api/session', undefined, { email, password: PASSWORD })
    expect(answer.status).toBe(200)
    cookies[role] = answer.headers
      .getSetCookie()
      .map((cookie) => cookie.split(';')[0])
      .join('; ')
  }
  const mossgate = await clientDbForJob(1)
  await pool().query(
    "INSERT INTO import (client_id, file_name, state) VALUES (1, 'x.csv', 'uploaded'), (2, 'y.csv', 'uploaded')",
  )
  await pool().query("INSERT INTO job (client_id, kind, subject) VALUES (1, 'sync', '1'), (2, 'sync', '5')")
  await pool().query(
    "INSERT INTO edition (client_id, report_id, number, request_key, content, sha256) VALUES (1, 1, 1, 'a', ?, " +
      "'x'), (2, 2, 1, 'b', ?, 'y')",
    [CONTENT, CONTENT],
  )
  await pool().query(
    'INSERT INTO slot_try (client_id, profile_id, response, base, before_mean, before_spread) VALUES (2, 5, "x", "x", 0, 1)',
  )
  await pool().query(
    `INSERT INTO rank_watch (client_id, watch_id, place_id, keyword, kind, rhythm, shape, spacing, rings, lat, lon)
     SELECT 2, 902, MIN(place_id), 'x', 'map', 'week', 'point', 500, 0, 1, 1 FROM place WHERE client_id = 2`,
  )
  await pool().query(
    `INSERT INTO directory_entry (client_id, entry_id, place_id, directory, remote_id, record)
     SELECT 2, 902, MIN(place_id), 'townbook', '902', '{}' FROM place WHERE client_id = 2`,
  )
  await pool().query(
    "INSERT INTO sighting (client_id, sighting_id, kind, profile_id, subject, day) VALUES (2, 902, 'hashtag', 5, 'x', '2026-10-20')",
  )
  await pool().query(
    'INSERT INTO industry_figure (client_id, reference_id, measure, middle_value, source, day) ' +
      "VALUES (2, 902, 'growth', 1, 'x', '2026-01-01')",
  )
  await pool().query("INSERT INTO planned_post (client_id, planned_id, post_key, content) VALUES (2, 902, 'b', '{}')")
  await pool().query(
    "INSERT INTO plan_file (client_id, file_id, name, type, size, sha256, content) VALUES (2, 2, 'x', 'image/png', 1, 'x', 'x')",
  )
  await pool().query("INSERT INTO saved_scope (client_id, name, parts) VALUES (1, 'x', '{}'), (2, 'y', '{}')")
  token = await shareEdition(mossgate, 1, new Date(Date.now() + 3_600_000), 'reader')
  await pool().query(
    'INSERT INTO share_link (client_id, edition_id, token_hash, ends_at) VALUES (2, 2, REPEAT("x", 32), NOW() + INTERVAL 1 DAY)',
  )
})
afterAll(() => server?.stop())

/** What is sent about a planned post: it is only then that whose it is decides. */
const OF_PLAN: readonly [RegExp, unknown][] = [
  [/places\/groups/, { name: 'x', places: [2] }],
  [/places\/people/, { places: [1] }],
  [/\[refill\]\/posts\/\[post\]$/, { isIn: true }],
  [/plan\/refills/, { name: 'x', slots: [{ weekday: 1, minutes: 0 }], daysApart: 1 }],
  [/plan\/texts/, { name: 'x', text: 'x' }],
  [/plan\/posts\/\[post\]$/, { text: 'x', version: 1 }],
  [/\[post\]\/state$/, { to: 'draft', version: 1 }],
  [/\[post\]\/time$/, { at: '2026-11-30T18:00' }],
  [/\[post\]\/remarks$/, { text: 'x' }],
  [/\[post\]\/repeats$/, { rule: 'FREQ=DAILY;COUNT=3' }],
  [/postings\/\[profile\]$/, { decision: 'published' }],
  [/approval-links$/, { reader: 'x' }],
  [/ranks\/\[watch\]$/, { rhythm: 'week' }],
  [/entries\/\[entry\]$/, { isOurs: true }],
  [/\[sighting\]$/, { isSettled: true }],
  [/\[reference\]$/, { measure: 'growth', middle: 0.1, source: 'x', day: '2026-01-01' }],
  [/\[question\]\/answer$/, { text: 'x' }],
]

/** Every route of the interface, from the files that make them. */
function routes(folder = join(root, 'server/api'), path = '/api'): { method: string; path: string }[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    if (entry.isDirectory()) return routes(join(folder, entry.name), `${path}/${entry.name}`)
    if (entry.name.startsWith('[...')) return [{ method: 'ANY', path: `${path}/*` }]
    const [name, method = 'any'] = entry.name.replace(/\.ts$/, '').split('.') as [string, string?]
    return [{ method: method.toUpperCase(), path: name === 'index' ? path : `${path}/${name}` }]
  })
}

/** Routes that are not a client's, and who may use them: everybody, or whoever has signed in. */
const OPEN = [
  'ANY /api/*',
  'GET /api/health',
  'GET /api/all-clients',
  'GET /api/clients',
  'POST /api/clients',
  'GET /api/agency',
  'PUT /api/agency',
  'GET /api/begin',
  'POST /api/begin',
  'GET /api/session',
  'POST /api/session',
  'DELETE /api/session',
  'GET /api/me/sessions',
  'DELETE /api/me/sessions',
  'DELETE /api/me/sessions/[session]',
  'PUT /api/me/password',
  'GET /api/approve/[token]',
  'POST /api/approve/[token]',
  'GET /api/approve/[token]/pictures/[index]',
  'GET /api/calendars/[token]',
  'GET /api/shared/[token]',
  'GET /api/shared/[token]/pdf',
  'GET /api/consent/[token]',
  'POST /api/consent/[token]',
  'POST /api/consent/answer',
]

const POLL = {
  question: 'x',
  asked: 'y',
  from: '2026-10-01',
  to: '2026-10-01',
  answers: [
    { text: 'a', count: 1 },
    { text: 'b', count: 2 },
  ],
}
/** What is sent to routes of places and reviews. */
const OF_PLACES: readonly (readonly [RegExp, object])[] = [
  [/\[place\]$/, { name: 'x' }],
  [/active$/, { isActive: false }],
  [/\[template\]$/, { name: 'x', variants: ['x'] }],
  [/reply$/, { text: 'x' }],
  [/state$/, { state: 'draft' }],
  [/reading$/, { mood: 'bad', subjects: [] }],
]
const fill = (path: string, client: string, id: string) =>
  path
    .replace('[client]', client)
    .replace('[share]', client === 'mossgate-gardens' ? '1' : '2')
    .replace('[profile]', client === 'mossgate-gardens' ? '1' : '5')
    .replaceAll(/\[\w+\]/g, id)
const all = routes()
const ofClients = all.filter(({ path }) => path.includes('[client]'))

describe('every route', () => {
  it('is known here: it belongs to a client, or is one of the few that do not', () => {
    expect(ofClients.length).toBeGreaterThan(25)
    expect(
      all
        .filter(({ path }) => !path.includes('[client]'))
        .map(({ method, path }) => `${method} ${path}`)
        .sort(),
    ).toEqual([...OPEN].sort())
  })

  it.each(ofClients)('$method $path, as nobody, is refused', async ({ method, path }) => {
    const answer = await ask(method, fill(path, 'mossgate-gardens', '1'))
    expect(answer.status).toBe(401)
    expect(answer.headers.get('content-type')).toContain('application/problem+json')
  })

  it.each(ofClients)(
    '$method $path, as a person of another client, is as if it were not there',
    async ({ method, path }) => {
      for (const id of ['1', '2']) {
        const answer = await ask(method, fill(path, 'kittiwake-line', id), 'viewer', method === 'GET' ? undefined : {})
        expect(answer.status).toBe(404)
        expect(await answer.text()).not.toContain('Kittiwake')
      }
    },
  )

  it.each(ofClients.filter(({ path }) => /\[(?!client|kind)/.test(path)))(
    '$method $path, with the id of another client’s thing, finds nothing',
    async ({ method, path }) => {
      // the second client's import, job, edition, report and share, asked for under the first client
      const foreign = path
        .replace('[client]', 'mossgate-gardens')
        .replace('[profile]', '5')
        .replace(/\[(set|target)\]/, '3')
        .replace(/\[(tag|rule)\]/, '4')
        .replace('[link]', '5')
        .replace('[poll]', '3')
        .replace('[site]', '2')
        .replace('[place]', '6')
        .replace('[template]', '3')
        .replace('plan/posts/[post]', 'plan/posts/902')
        .replace('[watch]', '902')
        .replace('[entry]', '902')
        .replace('[sighting]', '902')
        .replace('[reference]', '902')
        .replace('[try]', '1')
        .replace('[kept]', '1')
        .replaceAll(/\[\w+\]/g, '2')
      const ofPlan = OF_PLAN.find(([pattern]) => pattern.test(path))?.[1]
      const body = ofPlan
        ? ofPlan
        : /notes/.test(path)
          ? { from: '2026-10-01', to: '2026-10-01', title: 'x' }
          : /reports\/\[report\]$/.test(path)
            ? { title: 'x', period: 'last-28-days', against: 'before', blocks: [], version: 1 }
            : /check$/.test(path)
              ? { targets: ['day', 'impressions'], dateOrder: 'year-month-day', decimal: 'point', profile: 1 }
              : /editions$/.test(path)
                ? { requestKey: crypto.randomUUID() }
                : /superseded$/.test(path)
                  ? { by: null }
                  : /\[profile\]$/.test(path)
                    ? { isActive: false }
                    : /\[set\]$/.test(path)
                      ? { name: 'x', profiles: [1] }
                      : /\[target\]$/.test(path)
                        ? { metric: 'posts', wanted: 1, from: '2026-10-01', by: '2026-11-01' }
                        : /rules/.test(path)
                          ? { any: 'x' }
                          : /\[tag\]\/posts$/.test(path)
                            ? { posts: [{ profile: 1, id: 'x' }] }
                            : /\[tag\]$/.test(path)
                              ? { name: 'x' }
                              : /\[site\]$/.test(path)
                                ? { name: 'x', address: 'https://x.example' }
                                : /\[poll\]$/.test(path)
                                  ? POLL
                                  : /\[link\]$/.test(path)
                                    ? { name: 'x', target: 'https://x.example/' }
                                    : /ended$/.test(path)
                                      ? { isEnded: true }
                                      : /\[page\]$/.test(path)
                                        ? { title: 'x' }
                                        : (OF_PLACES.find(([pattern]) => pattern.test(path))?.[1] ?? {})
      // notes of the first client itself have the ids 1 and 2
      const answer = await ask(
        method,
        path.includes('[note]') ? foreign.replace(/notes\/2/, 'notes/3') : foreign,
        path.includes('places/people') ? 'owner' : 'analyst',
        method === 'GET' ? undefined : body,
      )
      expect(answer.status).toBeGreaterThanOrEqual(404)
      expect(answer.status).toBeLessThan(500)
    },
  )

  it.each(ofClients.filter(({ method }) => method !== 'GET'))(
    '$method $path, as a viewer, is refused',
    async ({ method, path }) => {
      const answer = await ask(method, fill(path, 'mossgate-gardens', '1'), 'viewer', {})
      expect(answer.status).toBe(403)
      expect(await answer.json()).toMatchObject({
        title: 'Not allowed',
        detail: expect.stringContaining('not change anything'),
      })
    },
  )

  it('shows a viewer the editions, and beside them what the owner has released and nothing else', async () => {
    const client = (path: string) => path.replace('/api/clients/[client]/', '')
    const reads = ofClients.filter(({ method }) => method === 'GET')
    const readable = async () => {
      const found: string[] = []
      for (const { path } of reads) {
        const answer = await ask(
          'GET',
          fill(path, 'mossgate-gardens', '1').replace('/downloads/1', '/downloads/table?metrics=reach&format=csv'),
          'viewer',
        )
        if (answer.status !== 403) found.push(client(path))
        else
          expect(((await answer.json()) as { detail: string }).detail).toMatch(
            /not released to you|not change anything/,
          )
      }
      return found.sort()
    }
    const release = async (released: string[]) =>
      expect((await ask('PUT', '/api/clients/mossgate-gardens/released', 'owner', { released })).status).toBe(200)
    const editions = ['editions', 'editions/[edition]', 'editions/[edition]/pdf', 'editions/[edition]/tables']
    const figures = [
      'audience',
      'audience/over-time',
      'calendar',
      'calendar/file',
      'directories',
      'directories/places/[place]',
      'downloads/[kind]',
      'industry',
      'link-pages',
      'links',
      'links/[link]',
      'listings/[profile]/pictures/[picture]',
      'notes',
      'overview',
      'places',
      'places/[place]',
      'places/file',
      'polls',
      'breakdown',
      'posts',
      'posts/ends',
      'posts/[profile]/[post]',
      'posts/[profile]/[post]/picture',
      'posts/formats',
      'posts/table',
      'questions',
      'ranks',
      'ranks/[watch]',
      'references/file',
      'reviews',
      'reviews/figures',
      'scope',
      'sites',
      'subject',
      'tags',
      'tags/figures',
      'tags/occasions',
      'targets',
      'times',
      'traffic',
      'unusual',
      'why',
      'workings',
    ]
    const reports = ['reports', 'reports/[report]', 'reports/[report]/tables']
    await release([])
    expect(await readable()).toEqual(editions)
    await release(['reports'])
    expect(await readable()).toEqual([...editions, ...reports])
    const field = async (who: string) =>
      (
        (await (await ask('GET', '/api/clients/mossgate-gardens/subject?metric=interactions', who)).json()) as {
          field?: { competitors: string[] }
        }
      ).field
    await release(['figures', 'rivals'])
    expect(await readable()).toEqual(
      [...editions, ...figures, 'field', 'field/events', 'field/lines', 'field/members', 'habits', 'sightings'].sort(),
    )
    expect((await field('viewer'))!.competitors.length).toBeGreaterThan(0)
    await release(['figures'])
    expect(await readable()).toEqual([...editions, ...figures].sort())
    expect(await field('viewer')).toBeUndefined()
    expect(await field('analyst')).toBeDefined()
    for (const kind of ['open', 'profiles', 'found'])
      expect((await ask('GET', `/api/clients/mossgate-gardens/downloads/${kind}?format=csv`, 'viewer')).status).toBe(
        403,
      )
    expect(
      await (
        await ask('GET', '/api/clients/mossgate-gardens/downloads/subject?format=csv&metrics=interactions', 'viewer')
      ).text(),
    ).not.toContain('Thornapple')
    expect(((await (await ask('GET', '/api/clients', 'viewer')).json()) as object[])[0]).toMatchObject({
      due: [],
      troubles: [],
    })
    expect((await ask('PUT', '/api/clients/mossgate-gardens/released', 'analyst', { released: [] })).status).toBe(403)
    expect(
      await (await ask('PUT', '/api/clients/mossgate-gardens/released', 'owner', { released: ['allowance'] })).json(),
    ).toMatchObject({ status: 400, detail: expect.stringContaining('Only figures, rivals and reports') })
  })

  it('shows a viewer of single places those, and nothing else of the client', async () => {
    const base = '/api/clients/mossgate-gardens'
    const answerOf = async <T>(path: string, who = 'viewer') => (await (await ask('GET', path, who)).json()) as T
    const [viewer] = await answerOf<{ id: number; places: number[] | null }[]>(`${base}/places/people`, 'owner')
    expect(viewer!.places).toBeNull()
    const assign = (places: number[] | null, who = 'owner', id = viewer!.id) =>
      ask('PUT', `${base}/places/people/${id}`, who, { places })
    const { places: all } = await answerOf<{ places: { id: number; name: string; listing: number | null }[] }>(
      `${base}/places`,
      'analyst',
    )
    const [own, ...others] = all.filter(({ listing }) => listing !== null)
    expect((await assign([own!.id], 'analyst')).status).toBe(403)
    expect((await assign([6])).status, 'a place of another client').toBe(400)
    expect((await assign([])).status).toBe(400)
    expect((await assign([own!.id], 'owner', 1)).status, 'somebody who is no viewer').toBe(404)
    await ask('PUT', `${base}/released`, 'owner', { released: ['figures', 'rivals', 'reports'] })
    expect((await assign([own!.id])).status).toBe(200)
    expect((await answerOf<{ places: number[] }[]>(`${base}/places/people`, 'owner'))[0]!.places).toEqual([own!.id])

    // each route that can be asked for anything, with what it says of the others: nothing
    const readable: string[] = []
    const asked = (path: string, place: { id: number; listing: number | null }) =>
      path
        .replace('[client]', 'mossgate-gardens')
        .replace('[place]', String(place.id))
        .replace('[profile]', String(place.listing))
        .replaceAll(/\[\w+\]/g, '1')
    for (const { path } of ofClients.filter(({ method }) => method === 'GET')) {
      if (path.includes('[kind]')) continue
      const answer = await ask('GET', asked(path, own!), 'viewer')
      const text = await answer.text()
      for (const { name } of others) expect(text, path).not.toContain(name)
      if (answer.status === 403) continue
      readable.push(path.replace('/api/clients/[client]/', ''))
      if (/\[(place|profile)\]/.test(path))
        for (const other of others) expect((await ask('GET', asked(path, other), 'viewer')).status, path).toBe(404)
    }
    expect(readable.sort()).toEqual([
      'directories',
      'directories/places/[place]',
      'listings/[profile]/pictures/[picture]',
      'places',
      'places/[place]',
      'places/file',
      'questions',
      'reviews',
      'reviews/figures',
      'scope',
    ])
    for (const kind of ['places', 'place', 'reviews', 'questions', 'directories']) {
      const answer = await ask('GET', `${base}/downloads/${kind}?format=csv&period=2026&shows=record`, 'viewer')
      expect(answer.status, kind).toBe(200)
      const text = await answer.text()
      expect(text, kind).toContain(own!.name)
      for (const { name } of others) expect(text, kind).not.toContain(name)
    }
    for (const kind of ['table', 'overview', 'ranks', 'posts'])
      expect((await ask('GET', `${base}/downloads/${kind}?format=csv&metrics=reach`, 'viewer')).status, kind).toBe(403)
    expect((await ask('GET', `${base}/places?who=${others[0]!.listing}`, 'viewer')).status).toBe(400)
    const { clients } = await answerOf<{ clients: object[] }>('/api/session')
    expect(clients[0]).toMatchObject({ isOfPlaces: true, released: ['figures'] })
    expect((await answerOf<{ figures: unknown[]; lastEdition: unknown }[]>('/api/clients'))[0]).toMatchObject({
      figures: [],
      lastEdition: null,
      profiles: 0,
    })
    // what somebody else has asked before is not what they get, and the other way round
    expect((await answerOf<{ places: object[] }>(`${base}/places`)).places).toHaveLength(1)
    expect((await answerOf<{ places: object[] }>(`${base}/places`, 'analyst')).places).toHaveLength(all.length)
    await ask('PUT', `${base}/released`, 'owner', { released: [] })
    expect((await ask('GET', `${base}/places`, 'viewer')).status).toBe(403)
    expect((await ask('GET', `${base}/editions`, 'viewer')).status).toBe(403)

    expect((await assign(null)).status).toBe(200)
    await ask('PUT', `${base}/released`, 'owner', { released: ['figures'] })
    expect((await answerOf<{ places: object[] }>(`${base}/places`)).places).toHaveLength(all.length)
    expect((await ask('GET', `${base}/editions`, 'viewer')).status).toBe(200)
  })

  it.each(all.filter(({ method }) => method !== 'GET' && method !== 'ANY'))(
    '$method $path, from a foreign page, is refused',
    async ({ method, path }) => {
      for (const origin of ['https://elsewhere.example', ''])
        expect((await ask(method, fill(path, 'mossgate-gardens', '1'), 'owner', {}, origin)).status).toBe(403)
    },
  )

  it('says nothing of a rival that is not to be seen by everybody: no answer and no file moves with it', async () => {
    const ids = async (text: string) =>
      (await pool().query<RowDataPacket[]>(text))[0].map(({ id }) => String((id as number | string).toString()))
    const [rival] = await ids('SELECT profile_id AS id FROM profile WHERE client_id = 1 AND is_rival = 1')
    const [post] = await ids(`SELECT remote_id AS id FROM post WHERE client_id = 1 AND profile_id = ${rival} LIMIT 1`)
    const paths = [
      ...ofClients
        .filter(({ method, path }) => method === 'GET' && !/\[kind\]|data\/package|pdf$/.test(path))
        .map(({ path }) =>
          path.replace('[profile]', rival!).replace('[post]', post!).replace('[client]', 'mossgate-gardens'),
        )
        .map((path) => path.replaceAll(/\[\w+\]/g, '1')),
      ...DECLARED_BLOCKS.filter(({ kind }) => kind !== 'text' && kind !== 'page').map(
        (declared) =>
          `/api/clients/mossgate-gardens/downloads/${declared.kind}?format=csv` +
          ('metrics' in declared ? '&metrics=interactions' : '') +
          (declared.kind === 'occasions' || declared.kind === 'fieldEvents' ? '&tag=1&on=2026-10-21' : ''),
      ),
    ]
    const everything = async () => {
      await pool().query('UPDATE client_version SET version = version + 1')
      const answers: Record<string, string> = {}
      for (const path of paths) {
        const answer = await ask('GET', path, 'analyst')
        // 502 where the networks, which do not run here, are asked
        expect([200, 204, 400, 403, 404, 409, 502], path).toContain(answer.status)
        // when it was made is another each time
        answers[path] =
          `${answer.status} ${(await answer.text()).replaceAll(/\d{4}-\d\d-\d\dT[\d:.]+(Z|[+-][\d:]+)?/g, '')}`
      }
      return answers
    }
    const write = (table: string, set: string) =>
      pool().query(
        `UPDATE ${table} SET ${set} WHERE client_id = 1 AND profile_id IN (SELECT profile_id FROM profile WHERE is_rival = 1)`,
      )
    const hidden = STORED_FIGURES.map(({ column }) => column).filter((column) => !PUBLIC_COLUMNS.includes(column))
    const before = await everything()
    expect(Object.values(before).filter((text) => text.startsWith('200')).length).toBeGreaterThan(80)
    await write('profile_day', hidden.map((column) => `${column} = 77777`).join(', '))
    await write('post', 'saves = 77777, impressions = 77777, clicks = 77777, reach = 77777')
    const after = await everything()
    expect(paths.filter((path) => after[path] !== before[path])).toEqual([])
    // what everybody sees does move what is said: the answers are not those of before
    await write('profile_day', 'reactions = reactions + 1')
    const moved = await everything()
    const client = '/api/clients/mossgate-gardens'
    expect(paths.filter((path) => moved[path] !== before[path])).toEqual(
      expect.arrayContaining([`${client}/field`, `${client}/downloads/field?format=csv`]),
    )
    await write('profile_day', `reactions = reactions - 1, ${hidden.map((column) => `${column} = NULL`).join(', ')}`)
    await write('post', 'saves = NULL, impressions = NULL, clicks = NULL, reach = NULL')
  }, 300_000)

  it('left everything as it was', async () => {
    expect((await tableOf('report', 'report_id, title, version')).length).toBe(3)
    expect(await tableOf('import', 'import_id, file_name, state')).toEqual([
      { import_id: 1, file_name: 'x.csv', state: 'uploaded' },
      { import_id: 2, file_name: 'y.csv', state: 'uploaded' },
    ])
    for (const table of ['profile_set', 'target', 'saved_scope', 'tag', 'tag_rule'])
      expect(await tableOf(`${table} WHERE removed_at IS NOT NULL`, '1, 2, 3')).toEqual([])
    expect(await tableOf('note WHERE removed_at IS NOT NULL', 'note_id, title, body')).toEqual([])
    expect(await tableOf('share_link WHERE revoked_at IS NOT NULL', 'share_id, client_id, edition_id')).toEqual([])
  })
})

describe('a picture of a post', () => {
  it('is shown as a picture alone, and can run nothing', async () => {
    const [[post]] = await pool().query<RowDataPacket[]>(
      'SELECT profile_id AS profile, remote_id AS id FROM post_picture WHERE client_id = 1 LIMIT 1',
    )
    const path = `/api/clients/mossgate-gardens/posts/${post!.profile}/${post!.id}/picture`
    const answer = await ask('GET', path, 'analyst')
    expect([answer.status, answer.headers.get('content-type'), answer.headers.get('x-content-type-options')]).toEqual([
      200,
      'image/svg+xml',
      'nosniff',
    ])
    expect(answer.headers.get('content-security-policy')).toBe("default-src 'none'; style-src 'unsafe-inline'; sandbox")
    expect(await answer.text()).toContain('<svg')
    expect((await ask('GET', path.replace(post!.id, `${post!.id}x`), 'analyst')).status).toBe(404)
    // a rival's post is none to whom rivals were not released, with its picture and its number under a tag
    const [[rival]] = await pool().query<RowDataPacket[]>(
      `SELECT k.profile_id AS profile, k.remote_id AS id FROM post_picture k JOIN profile f ON f.profile_id = k.profile_id
       WHERE k.client_id = 1 AND f.is_rival = 1 LIMIT 1`,
    )
    for (const part of ['', '/picture']) {
      const theirs = `/api/clients/mossgate-gardens/posts/${rival!.profile}/${rival!.id}${part}`
      expect([(await ask('GET', theirs, 'viewer')).status, (await ask('GET', theirs, 'analyst')).status]).toEqual([
        404, 200,
      ])
    }
    const tags = async (who: string) =>
      (await (await ask('GET', '/api/clients/mossgate-gardens/tags', who)).json()) as { rivals?: number }[]
    expect((await tags('analyst'))[0]!.rivals).toBeGreaterThan(0)
    expect((await tags('viewer'))[0]!.rivals).toBeUndefined()
    expect((await ask('GET', path.replace(post!.id, encodeURIComponent('ä/../x')), 'analyst')).status).toBe(404)
  })
})

describe('what is taken away', () => {
  const base = '/api/clients/mossgate-gardens'
  const sheets = async (answer: Response) => await readWorkbook(Buffer.from(await answer.arrayBuffer()))

  it('is CSV or a workbook, with a name that can be kept', async () => {
    const csv = await ask('GET', `${base}/downloads/table?format=csv&metrics=followers,reach`, 'viewer')
    expect([csv.status, csv.headers.get('content-type'), csv.headers.get('content-disposition')]).toEqual([
      200,
      'text/csv; charset=utf-8',
      'attachment; filename="Mossgate Gardens, by profile, 1 Oct ? 28 Oct 2026.csv"; ' +
        `filename*=UTF-8''Mossgate%20Gardens%2C%20by%20profile%2C%201%20Oct%20%E2%80%93%2028%20Oct%202026.csv`,
    ])
    const bytes = Buffer.from(await csv.arrayBuffer())
    expect([...bytes.subarray(0, 3)]).toEqual([0xef, 0xbb, 0xbf])
    const text = bytes.subarray(3).toString()
    expect(text.split('\r\n')[0]).toContain(
      '"Profile","Network","Id","Followers","Followers, now","Followers, then","Followers, difference","Followers, percent"',
    )
    expect(text.split('\r\n')[0]).toContain('"Client","Of whom","Period","Against","Time zone of the days","Made at"')
    expect(text.split('\r\n')[1]).toContain(
      '"Mossgate Gardens","All 13 profiles","1 to 28 October 2026","the 28 days before, 3 Sep – 30 Sep 2026","Europe/London"',
    )
    // a name that a spreadsheet would take for a formula
    expect(text).toContain('"\'@mossgate","Tintype"')
    const [sheet] = await sheets(await ask('GET', `${base}/downloads/profiles?format=xlsx`, 'analyst'))
    expect(sheet!.data[1]![2]).toBe('10220431877650213')
  })

  it('is one workbook of all that the overview shows, that says what it is about, with the columns that were chosen', async () => {
    const answer = await ask(
      'GET',
      `${base}/downloads/overview?format=xlsx&by=network&columns=posts,impressions&period=2026-09&against=none`,
      'analyst',
    )
    expect(answer.headers.get('content-disposition')).toContain('Mossgate%20Gardens%2C%20overview%2C%201%20Sep')
    const found = await sheets(answer)
    expect(found.map(({ sheet }) => sheet)).toEqual([
      'Figures',
      'Impressions a day',
      'By network',
      'Impressions and everybody else',
      'Targets',
      'Impressions organic, paid, thro',
      'Why impressions changed',
      'Unusual days',
      'Posts',
      'About this file',
    ])
    const table = found.find(({ sheet }) => sheet === 'By network')!.data
    expect(table[0]!.filter((title) => /^(Posts|Impressions|Followers|Reach)$/.test(String(title)))).toEqual([
      'Posts',
      'Impressions',
    ])
    expect(table.slice(1).map(([network]) => network)).toContain('Tintype')
    expect(Object.fromEntries(found.at(-1)!.data.slice(1) as [string, string][])).toMatchObject({
      'Client': 'Mossgate Gardens',
      'Period': '1 to 30 September 2026',
      'Against': 'nothing',
      'Time zone of the days': 'Europe/London',
    })
    for (const wrong of ['columns=magic', 'metric=magic', 'second=magic'])
      expect((await ask('GET', `${base}/downloads/overview?format=xlsx&${wrong}`, 'analyst')).status, wrong).toBe(400)
    expect((await ask('GET', `${base}/overview?columns=magic`, 'analyst')).status).toBe(400)
  })

  it.each([
    ['downloads/table?format=pdf&metrics=reach', 'Ask for csv or xlsx.'],
    ['downloads/pie?format=csv', 'kind must be one of'],
    ['downloads/text?format=csv', 'no table to take here'],
    ['downloads/chart?format=csv&metrics=magic', 'there is no metric'],
    ['downloads/breakdown?format=csv&option=by_magic', 'cannot be chosen'],
    ['downloads/table?format=csv&metrics=impressions&option=planet', 'cannot be chosen'],
    ['downloads/chart?format=csv&metrics=impressions,reach,followers', 'can have 2 metrics'],
    ['editions/1/tables?format=csv', 'no table to take here'],
    ['reports/1/tables?format=csv', 'CSV holds one table'],
    ['overview?metric=magic', 'there is no metric'],
    ['overview?who=s99', 'names a set'],
    ['posts?order=magic', 'not ordered by “magic”'],
    ['posts?any=a+b+c+d+e+f+g+h+i+j+k+l+m', '12 words at the most'],
    ['posts?none=' + 'x'.repeat(61), 'longer than 60 letters'],
    ['posts?after=%7B%7D', 'cannot go on from there'],
    ['posts/table?format=csv&order=magic', 'not ordered by “magic”'],
    ['posts/formats?by=magic', 'not compared by “magic”'],
    ['posts/ends?all=a+b+c+d+e+f+g+h+i+j+k+l+m', '12 words at the most'],
  ])('%s is refused with a sentence', async (path, sentence) => {
    const answer = await ask('GET', `${base}/${path}`, 'owner')
    expect(answer.status).toBe(400)
    expect(((await answer.json()) as { detail: string }).detail).toContain(sentence)
  })

  it('is a workbook of a whole report, and one table of it as CSV', async () => {
    expect(
      (await sheets(await ask('GET', `${base}/reports/1/tables?format=xlsx`, 'analyst'))).map(({ sheet }) => sheet),
    ).toEqual(['The period at a glance', 'Impressions a day', 'By profile', 'About this file'])
    expect((await ask('GET', `${base}/reports/1/tables?format=csv&block=line`, 'analyst')).status).toBe(200)
  })

  it('over all clients holds nothing of a client that the person may not see', async () => {
    const of = async (who: string) =>
      (await sheets(await ask('GET', '/api/all-clients?format=xlsx', who)))[0]!.data.slice(1).map(([client]) => client)
    expect(await of('viewer')).toEqual(['Mossgate Gardens'])
    expect([...(await of('owner'))].sort()).toEqual(['Kittiwake Line', 'Mossgate Gardens', 'Orrery Press'])
    expect((await ask('GET', '/api/all-clients?format=csv&part=due')).status).toBe(401)
    expect((await ask('GET', '/api/all-clients?format=csv&part=magic', 'viewer')).status).toBe(400)
  })
})

describe('what a person may write', () => {
  const write = async (method: string, path: string, body: object) => {
    const answer = await ask(method, `/api/clients/mossgate-gardens/${path}`, 'analyst', body)
    return { status: answer.status, ...((await answer.json()) as { id?: number; detail?: string }) }
  }

  it('are sets of the client’s own profiles', async () => {
    expect(await write('POST', 'sets', { name: '', profiles: [] })).toMatchObject({
      status: 400,
      detail: expect.stringContaining('A set needs a name.'),
    })
    expect(await write('POST', 'sets', { name: 'Foreign', profiles: [5] })).toMatchObject({
      status: 400,
      detail: expect.stringContaining('not the client’s own'),
    })
    const { id } = await write('POST', 'sets', { name: 'Two', profiles: [1, 2, 2] })
    expect(await write('PUT', `sets/${id}`, { name: 'One', profiles: [1] })).toMatchObject({ status: 200 })
    expect((await ask('GET', `/api/clients/mossgate-gardens/overview?who=s${id}`, 'viewer')).status).toBe(200)
    expect((await ask('DELETE', `/api/clients/mossgate-gardens/sets/${id}`, 'analyst')).status).toBe(200)
  })

  it('are reports of the client’s own profiles', async () => {
    const block = (who: string) => ({
      title: 'Blocks',
      blocks: [{ id: 'a', kind: 'figures', metrics: ['posts'], who }],
    })
    expect(await write('POST', 'reports', block('5'))).toMatchObject({
      status: 400,
      detail: expect.stringContaining('not the client’s own'),
    })
    expect(await write('POST', 'reports', block('everybody'))).toMatchObject({
      status: 400,
      detail: expect.stringContaining('Choose profiles from the list.'),
    })
    const { id } = await write('POST', 'reports', block('1,2'))
    expect(
      await write('PUT', `reports/${id}`, { ...block('5'), period: 'last-7-days', against: 'before', version: 1 }),
    ).toMatchObject({ status: 400 })
    expect((await ask('DELETE', `/api/clients/mossgate-gardens/reports/${id}`, 'analyst')).status).toBe(200)
  })

  it('are opened while their period has no day yet, and say why they are empty', async () => {
    const [before] = (await tableOf('report', 'report_id, client_id, period')) as { period: string }[]
    await pool().query("UPDATE report SET period = '2031' WHERE report_id = 1")
    const answer = await ask('GET', '/api/clients/mossgate-gardens/reports/1', 'analyst')
    expect(answer.status).toBe(200)
    expect(await answer.json()).toMatchObject({
      report: { id: 1 },
      content: null,
      problem: expect.stringContaining('no complete day yet'),
    })
    await pool().query('UPDATE report SET period = ? WHERE report_id = 1', [before!.period])
  })

  it('are targets that make sense', async () => {
    const target = { metric: 'posts', who: '1', wanted: 10, from: '2026-10-01', by: '2026-11-01' }
    expect(await write('POST', 'targets', { ...target, wanted: -1 })).toMatchObject({
      status: 400,
      detail: expect.stringContaining('zero at least'),
    })
    expect(await write('POST', 'targets', { ...target, wanted: 'many' })).toMatchObject({
      status: 400,
      detail: expect.stringContaining('as a number'),
    })
    expect(await write('POST', 'targets', { ...target, by: '2026-09-01' })).toMatchObject({
      status: 400,
      detail: expect.stringContaining('ends before it begins'),
    })
    const { id, status } = await write('POST', 'targets', target)
    expect(status).toBe(201)
    expect(
      (
        (await (await ask('GET', '/api/clients/mossgate-gardens/targets', 'viewer')).json()) as {
          targets: { id: number }[]
        }
      ).targets.map((one) => one.id),
    ).toContain(id)
  })

  it('are kept scopes of at least one part', async () => {
    expect(await write('POST', 'scopes', { name: 'Nothing', parts: {} })).toMatchObject({
      status: 400,
      detail: expect.stringContaining('at least one part'),
    })
    expect(await write('POST', 'scopes', { name: 'Weekly', parts: { period: 'last-7-days' } })).toMatchObject({
      status: 201,
    })
  })
})

describe('who sees what', () => {
  it('an owner sees every client, others their own', async () => {
    const clients = async (who: string) =>
      ((await (await ask('GET', '/api/session', who)).json()) as { clients: { slug: string }[] }).clients.map(
        ({ slug }) => slug,
      )
    expect(await clients('owner')).toEqual(['kittiwake-line', 'mossgate-gardens', 'orrery-press'])
    expect(await clients('analyst')).toEqual(['mossgate-gardens', 'orrery-press'])
    expect(await clients('viewer')).toEqual(['mossgate-gardens'])
  })

  it('a role that is taken away is gone at the next request', async () => {
    await pool().query(
      "DELETE FROM person_client WHERE client_id = (SELECT client_id FROM client WHERE slug = 'orrery-press')",
    )
    expect((await ask('GET', '/api/clients/orrery-press/overview', 'analyst')).status).toBe(404)
  })

  it('a shared link is for no search engine, and tells nothing of who worked on it', async () => {
    for (const path of [`/api/shared/${token}`, `/shared/${token}`, '/'])
      expect((await ask('GET', path)).headers.get('x-robots-tag'), path).toBe('noindex, nofollow')
    expect(await (await ask('GET', '/robots.txt')).text()).toContain('Disallow: /')
    const { edition } = (await (await ask('GET', `/api/shared/${token}`)).json()) as { edition: object }
    expect(Object.keys(edition).sort()).toEqual([
      'content',
      'hasPdf',
      'isIntact',
      'issuedAt',
      'number',
      'pdfSha256',
      'sha256',
      'supersededBy',
      'supersedes',
      'title',
    ])
  })

  it.each([
    ['from', '2026-00-10'],
    ['by', '9999-12-31'],
    ['from', '2026-02-30'],
    ['by', '0001-01-01'],
    ['by', '2099-01-01'],
  ])('a target with %s %s is refused with a sentence, and the first page stands', async (field, day) => {
    const answer = await ask('POST', '/api/clients/mossgate-gardens/targets', 'analyst', {
      metric: 'posts',
      who: 'all',
      wanted: 10,
      from: '2026-10-01',
      by: '2026-11-01',
      [field]: day,
    })
    expect(answer.status).toBe(400)
    expect(JSON.stringify(await answer.json())).toMatch(/There is no day|Choose a day from 1970 to 2100|ten years long/)
    expect((await ask('GET', '/api/clients', 'analyst')).status).toBe(200)
  })

  it('a shared link shows its edition to anybody, and opens nothing else', async () => {
    expect((await ask('GET', `/api/shared/${token}`)).status).toBe(200)
    expect((await ask('GET', `/api/shared/${token.slice(1)}x`)).status).toBe(404)
    const head = await ask('HEAD', `/api/shared/${token}`)
    expect([head.status, await head.text()]).toEqual([200, ''])
    expect((await ask('HEAD', `/api/shared/${token.slice(1)}x`)).status).toBe(404)
    expect((await ask('GET', `/api/clients/mossgate-gardens/editions/1?token=${token}`)).status).toBe(401)
  })

  it('the pages carry a strict policy', async () => {
    const { headers } = await ask('GET', '/sign-in')
    const policy = headers.get('content-security-policy')!
    expect(policy).toContain("default-src 'self'")
    expect(policy).not.toMatch(/script-src[^;]*unsafe/)
    expect(policy).toContain("frame-ancestors 'none'")
    // each page names its own scripts, and is let through by no name that another page had
    const names = new Set<string>()
    const pages = ['/sign-in', '/mossgate-gardens/overview', '/mossgate-gardens/overview', '/mossgate-gardens/content']
    for (const page of pages) {
      expect((await ask('GET', '/api/clients', 'analyst')).headers.get('x-powered-by')).toBe(null)
      const answer = await ask('GET', page, 'analyst')
      const own = /script-src[^;]*'nonce-([^']+)'/.exec(answer.headers.get('content-security-policy')!)![1]!
      const scripts = [...(await answer.text()).matchAll(/<script\b[^>]*>/g)].map(([tag]) => tag)
      expect(scripts.length).toBeGreaterThan(0)
      expect(scripts.filter((tag) => !tag.includes(`nonce="${own}"`))).toEqual([])
      names.add(own)
    }
    expect(names.size).toBe(pages.length)
  })

  it('an answer that was not understood is a problem with a sentence', async () => {
    const answer = await ask('GET', '/api/clients/mossgate-gardens/overview?against=whenever', 'analyst')
    expect(answer.status).toBe(400)
    expect(await answer.json()).toMatchObject({
      title: 'That cannot be read',
      detail: expect.stringContaining('Write a period such as') as string,
    })
    expect(
      (await ask('GET', '/api/clients/mossgate-gardens/overview?period=q3-2026&against=q3-2026', 'analyst')).status,
    ).toBe(400)
    expect(
      (await ask('GET', '/api/clients/mossgate-gardens/overview?period=q3-2026&against=q3-2025', 'analyst')).status,
    ).toBe(200)
    expect((await ask('GET', '/api/clients/mossgate-gardens/overview?metric=magic', 'analyst')).status).toBe(400)
    expect((await ask('GET', '/api/clients/mossgate-gardens/overview?who=5', 'analyst')).status).toBe(400)
    expect((await ask('GET', '/api/nothing')).status).toBe(404)
  })

  it.each([
    ['POST', 'notes', { from: '2026-10-01', to: '2026-10-02', title: 'x', body: '' }],
    ['POST', 'sets', { name: 'x', profiles: [1] }],
    ['POST', 'targets', { metric: 'posts', who: '1', wanted: 10, from: '2026-10-01', by: '2026-11-01' }],
    ['POST', 'profiles', { network: 'commons', handle: '@x', rival: '' }],
    ['POST', 'profiles/lookup', { what: '@x', network: 'commons' }],
    ['POST', 'search', { address: 'https://x.invalid/', handle: '' }],
    ['POST', 'scopes', { name: 'x', parts: {} }],
    ['POST', 'reports', { title: 'x', blocks: [] }],
    [
      'POST',
      'places',
      { name: 'x', categories: ['x'], lat: 1, lon: 1, phone: '', country: 'GB', web: '', hours: '', listing: null },
    ],
    [
      'PUT',
      'places/2',
      { name: 'x', categories: ['x'], lat: 1, lon: 1, phone: '', country: 'GB', hours: '', listing: null },
    ],
    ['PUT', 'places/2/active', { isActive: true }],
    ['PUT', 'profiles/1', { rival: 'Somebody' }],
    ['POST', 'places/groups', { name: 'x', places: [2] }],
    ['POST', 'places/changes', { changes: [{ places: [2], field: 'web', way: 'set', value: '' }], isTaken: false }],
    ['PUT', 'plan/slots', { slots: [{ weekday: 1, minutes: 0 }] }],
    ['POST', 'plan/posts/place', { ids: [1], by: 'own', apart: 1, isTaken: false }],
    ['POST', 'plan/posts/times', { times: [{ id: 1, at: '2026-11-01T10:00' }] }],
    ['POST', 'plan/refills', { name: 'x', slots: [{ weekday: 1, minutes: 0 }], daysApart: 1 }],
    ['POST', 'plan/texts', { name: 'x', text: 'x' }],
    ['POST', 'places/file', { name: 'x', text: 'name\nx', isTaken: false }],
    ['POST', 'ranks', { place: 2, keyword: 'x', kind: 'map', rhythm: 'week', shape: 'square', spacing: 500, rings: 1 }],
    ['PUT', 'ranks/1', { rhythm: 'week' }],
    ['PUT', 'questions/58/x/answer', { text: 'x' }],
    ['POST', 'directories/requests', { items: [{ place: 2, directory: 'townbook' }] }],
    ['POST', 'directories/corrections', { items: [{ entry: 1, field: 'name' }] }],
    ['POST', 'directories/changes', { changes: [1], what: 'keep' }],
    ['PUT', 'directories/entries/1', { isOurs: true }],
    ['PUT', 'sightings/1', { isSettled: true }],
    ['POST', 'references', { measure: 'growth', middle: 0.1, source: 'x', day: '2026-01-01' }],
    ['PUT', 'references/1', { measure: 'growth', middle: 0.1, source: 'x', day: '2026-01-01' }],
    ['POST', 'references/file', { text: 'Measure,Median,Source,Date', isTaken: false }],
    ['PUT', 'reviews/wanted', { hours: 48 }],
    ['POST', 'reply-templates', { name: 'x', variants: ['x'] }],
    [
      'POST',
      'times/tries',
      {
        profile: 1,
        response: 'clicks',
        base: 'reach',
        weeks: 13,
        network: '',
        zone: 'GB',
        wanted: 1,
        apart: 1,
        tries: 1,
      },
    ],
    ['PUT', 'reviews/58/x/reply', { text: 'x' }],
    ['PUT', 'reviews/58/x/state', { state: 'draft' }],
    ['PUT', 'reviews/58/x/reading', { mood: 'bad', subjects: [] }],
    ['PUT', 'reports/1', { title: 'x', period: 'last-7-days', against: 'before', blocks: [], version: 1 }],
    ['POST', 'reports/1/editions', { requestKey: 'x' }],
    ['POST', 'editions/1/shares', { days: 1 }],
  ] as const)('%s %s: whatever stands in a field, it is answered with a sentence', async (method, path, body) => {
    for (const field of Object.keys(body)) {
      for (const odd of [
        [],
        ['x'],
        {},
        { x: 1 },
        { toString: 1 },
        { __proto__: null, length: 3 },
        null,
        -1,
        1e300,
        true,
        '',
        ' ',
        '\u0000',
        '=1+1',
        'x'.repeat(30_000),
      ]) {
        const answer = await ask(method, `/api/clients/mossgate-gardens/${path}`, 'analyst', { ...body, [field]: odd })
        expect([field, odd, answer.status === 500]).toEqual([field, odd, false])
      }
    }
  })
})
