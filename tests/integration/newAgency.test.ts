import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { hashPassword } from '../../server/platform/people/password'
import { useDatabase } from './support/database'
import { cookiesOf, startServer, type Server } from './support/server'

const { url, pool } = useDatabase('new_agency')
const KEY = 'the key that the start has printed'
const PASSWORD = 'a password for the tests'
const AGENCY = { name: 'Spindrift Desk', address: '', contact: '', colour: '#23409A' }
const OWNER = { name: 'Wenna', email: 'wenna@spindrift.example', password: PASSWORD }
let server: Server
const cookies: Record<string, string> = {}

const ask = (method: string, path: string, who?: string, body?: unknown, origin = server.base) =>
  fetch(`${server.base}${path}`, {
    method,
    headers: {
      ...(method !== 'GET' && { origin }),
      ...(who && { cookie: cookies[who]! }),
      'content-type': 'application/json',
    },
    ...(body !== undefined && { body: typeof body === 'string' ? body : JSON.stringify(body) }),
  })
const count = async (table: string) =>
  Number(((await pool().query(`SELECT COUNT(*) AS count FROM ${table}`))[0] as { count: number }[])[0]!.count)

beforeAll(async () => {
  server = await startServer(url(), { ZAFFER_BEGIN_KEY: KEY })
})
afterAll(() => server?.stop())

describe('a new agency', () => {
  it('is named with the key of the start alone, from the application’s own page, and as a whole', async () => {
    expect(await (await ask('GET', '/api/begin')).json()).toEqual({ isUnnamed: true })
    const whole = { key: KEY, agency: AGENCY, owner: OWNER }
    expect((await ask('POST', '/api/begin', undefined, { ...whole, key: 'guessed' })).status).toBe(403)
    expect((await ask('POST', '/api/begin', undefined, whole, 'http://elsewhere.example')).status).toBe(403)
    for (const part of [
      { key: '' },
      { agency: { ...AGENCY, name: ' ' } },
      { agency: { ...AGENCY, colour: 'red' } },
      { owner: { ...OWNER, email: 'nobody' } },
      { owner: { ...OWNER, password: 'short' } },
      { owner: { ...OWNER, name: ['x'] } },
      { owner: null },
      { agency: { ...AGENCY, name: 'x'.repeat(121) } },
    ]) {
      expect((await ask('POST', '/api/begin', undefined, { ...whole, ...part })).status, JSON.stringify(part)).toBe(400)
    }
    expect(await count('agency')).toBe(0)
  })

  it('is made once by ten who name it at the same moment', async () => {
    const answers = await Promise.all(
      Array.from({ length: 10 }, (_, index) =>
        ask('POST', '/api/begin', undefined, {
          key: KEY,
          agency: { ...AGENCY, name: `Desk ${index}` },
          owner: { ...OWNER, email: `owner${index}@spindrift.example` },
        }),
      ),
    )
    // one makes it; the others are told that it is made, or that too much is going on at the moment
    const [made, ...others] = answers.map(({ status }) => status).sort()
    expect(made).toBe(201)
    expect(others.filter((status) => status !== 409 && status !== 503)).toEqual([])
    expect([await count('agency'), await count('person')]).toEqual([1, 1])
    cookies.owner = cookiesOf(answers.find(({ status }) => status === 201)!)
    expect(await (await ask('GET', '/api/begin')).json()).toEqual({ isUnnamed: false })
    expect(await (await ask('GET', '/api/session', 'owner')).json()).toMatchObject({
      person: { role: 'owner' },
      clients: [],
    })
    expect((await ask('POST', '/api/begin', undefined, { key: KEY, agency: AGENCY, owner: OWNER })).status).toBe(409)
  })

  it('gets clients from its owner alone, each with an address of its own', async () => {
    const hash = await hashPassword(PASSWORD)
    for (const role of ['analyst', 'viewer']) {
      await pool().query(
        'INSERT INTO person (agency_id, email, name, role, password_hash) SELECT agency_id, ?, ?, ?, ? FROM agency',
        [`${role}@spindrift.example`, role, role, hash],
      )
      cookies[role] = cookiesOf(
        await ask('POST', '/api/session', undefined, { email: `${role}@spindrift.example`, password: PASSWORD }),
      )
    }
    const client = { name: 'Thornapple Park', timeZone: 'Europe/London' }
    for (const [method, path, body] of [
      ['POST', '/api/clients', client],
      ['GET', '/api/agency'],
      ['PUT', '/api/agency', AGENCY],
    ] as const) {
      expect((await ask(method, path, undefined, body)).status, `nobody, ${method} ${path}`).toBe(401)
      for (const who of ['analyst', 'viewer'])
        expect((await ask(method, path, who, body)).status, `${who}, ${method} ${path}`).toBe(403)
    }
    for (const bad of [
      { ...client, name: '' },
      { ...client, timeZone: 'Mars/Base' },
      { ...client, timeZone: 7 },
      { name: {}, timeZone: 'UTC' },
    ])
      expect((await ask('POST', '/api/clients', 'owner', bad)).status, JSON.stringify(bad)).toBe(400)
    const slugs = await Promise.all(
      ['Thornapple Park', 'Thornapple Park', 'API', '漢字', '../../etc'].map(
        async (name) =>
          ((await (await ask('POST', '/api/clients', 'owner', { name, timeZone: 'UTC' })).json()) as { slug: string })
            .slug,
      ),
    )
    expect(slugs.sort()).toEqual(['api-2', 'client', 'etc', 'thornapple-park', 'thornapple-park-2'])
    expect((await ask('GET', '/api/clients/api-2/scope', 'owner')).status).toBe(200)
    expect((await ask('GET', '/api/clients/api-2/scope', 'viewer')).status).toBe(404)
  })

  it('is changed later, and a report says so at once', async () => {
    const { id } = (await (
      await ask('POST', '/api/clients/thornapple-park/reports', 'owner', { title: 'October' })
    ).json()) as { id: number }
    const agencyOfReport = async () =>
      (
        (await (await ask('GET', `/api/clients/thornapple-park/reports/${id}`, 'owner')).json()) as {
          content: { agency: { name: string } }
        }
      ).content.agency.name
    expect(await agencyOfReport()).toMatch(/^Desk \d$/)
    expect((await ask('PUT', '/api/agency', 'owner', { ...AGENCY, contact: 'desk@spindrift.example' })).status).toBe(
      200,
    )
    expect(await agencyOfReport()).toBe('Spindrift Desk')
    expect(await (await ask('GET', '/api/agency', 'owner')).json()).toEqual({
      ...AGENCY,
      contact: 'desk@spindrift.example',
    })
  })
})
