import { request } from 'node:http'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { hashPassword } from '../../server/platform/people/password'
import { neighbourhood } from '../../server/platform/http/visitorAddress'
import { tableOf, useDatabase } from './support/database'
import { PASSWORD, addDemo } from './support/demo'
import { cookiesOf, startServer, type Server } from './support/server'

const { url, pool } = useDatabase('sign_in')
const EMAIL = 'ada@halyardrow.example'
/** One behind a proxy that it trusts, and one that trusts nobody. */
let behind: Server
let open: Server

beforeAll(async () => {
  await addDemo()
  ;[behind, open] = await Promise.all([
    startServer(url(), { ZAFFER_TRUSTED_PROXY: '127.0.0.1, ::1' }),
    startServer(url()),
  ])
})
afterAll(() => [behind, open].forEach((server) => server?.stop()))
beforeEach(async () => {
  for (const table of ['throttle', 'session', 'known_address']) await pool().query(`DELETE FROM ${table}`)
})

interface Asked {
  server?: Server
  from?: string
  cookie?: string
  body?: unknown
  headers?: Record<string, string>
}
const ask = (
  method: string,
  path: string,
  { server = behind, from = '203.0.113.9', cookie, body, headers }: Asked = {},
) =>
  fetch(`${server.base}/api/${path}`, {
    method,
    headers: {
      'origin': server.base,
      'content-type': 'application/json',
      'x-forwarded-for': from,
      'user-agent': 'a browser of the tests',
      ...(cookie && { cookie }),
      ...headers,
    },
    ...(body !== undefined && { body: JSON.stringify(body) }),
  })
const signIn = (password: string, asked: Asked & { email?: string } = {}) =>
  ask('POST', 'session', { ...asked, body: { email: asked.email ?? EMAIL, password } })
const who = async (cookie: string) =>
  ((await (await ask('GET', 'session', { cookie })).json()) as { person: { email: string } | null }).person?.email
const many = (count: number, work: (index: number) => Promise<Response>) =>
  Promise.all(Array.from({ length: count }, async (_, index) => (await work(index)).status))

describe('guessing a password', () => {
  it('is recorded before it is looked at: of 200 at once only the free ones go through', async () => {
    const answers = await many(200, () => signIn('wrong'))
    // five, and one more for every wait that was over while they were answered
    const looked = answers.filter((status) => status === 401).length
    expect([looked >= 5, looked < 9]).toEqual([true, true])
    // the rest was told to wait, or that there was too much at once
    expect(answers.filter((status) => status === 429 || status === 503).length).toBe(200 - looked)
  })

  it('is slower with every try, for the account wherever it comes from', async () => {
    const waits: number[] = []
    for (let index = 0; index < 8; index++) {
      await pool().query('UPDATE throttle SET free_at = NOW(3)')
      expect((await signIn('wrong', { from: `198.51.100.${index}` })).status).toBe(401)
      const answer = await signIn('wrong', { from: `198.51.100.${index}` })
      waits.push(answer.status === 429 ? Number(answer.headers.get('retry-after')) : 0)
    }
    expect(waits).toEqual([0, 0, 1, 2, 4, 8, 16, 32])
  })

  it('is slower for an address, whomever it tries', async () => {
    const answers: number[] = []
    for (let index = 0; index < 34; index++)
      answers.push((await signIn('wrong', { email: `nobody${index}@b.example` })).status)
    expect(answers.filter((status) => status === 401).length).toBe(30)
    expect((await signIn(PASSWORD, { from: '198.51.100.77' })).status).toBe(200)
  })

  it('does not keep those out who have signed in from their place before', async () => {
    expect((await signIn(PASSWORD, { from: '198.51.100.7' })).status).toBe(200)
    await many(30, () => signIn('wrong', { from: '203.0.113.66' }))
    // elsewhere also the right password has to wait
    expect((await signIn(PASSWORD, { from: '203.0.113.67' })).status).toBe(429)
    expect((await signIn(PASSWORD, { from: '198.51.100.7' })).status).toBe(200)
    // and guesses from their own place only make it slower
    for (let index = 0; index < 7; index++) expect((await signIn('wrong', { from: '198.51.100.7' })).status).toBe(401)
    expect((await signIn(PASSWORD, { from: '198.51.100.7' })).status).toBe(200)
  })

  it('is of the address on the line where no proxy is trusted', async () => {
    for (let index = 0; index < 35; index++)
      await signIn('wrong', { server: open, email: `x${index}@b.example`, from: `198.51.100.${index}` })
    expect(
      (await tableOf("throttle WHERE subject LIKE 'address:%'", 'subject, 1, 2')).map(
        (row) => (row as { subject: string }).subject,
      ),
    ).toEqual(['address:127.0.0.1'])
  })

  it('counts a household of version 6 as one', () => {
    expect([
      neighbourhood('2001:db8:1:2:3::4'),
      neighbourhood('2001:db8:1:2::9'),
      neighbourhood('::ffff:198.51.100.7'),
    ]).toEqual(['2001:db8:1:2::/64', '2001:db8:1:2::/64', '198.51.100.7'])
  })
})

describe('a session', () => {
  const begin = async (asked: Asked = {}) => cookiesOf(await signIn(PASSWORD, asked))

  it('ends on the server when its person signs out: the cookie is worth nothing afterwards', async () => {
    const cookie = await begin()
    expect(await who(cookie)).toBe(EMAIL)
    expect((await ask('DELETE', 'session', { cookie })).status).toBe(200)
    expect(await who(cookie)).toBeUndefined()
    expect((await ask('GET', 'clients', { cookie })).status).toBe(401)
  })

  it.each([
    [
      'a changed password',
      async () =>
        pool().query('UPDATE person SET password_hash = ? WHERE email = ?', [await hashPassword(PASSWORD), EMAIL]),
    ],
    ['a changed role', () => pool().query("UPDATE person SET role = 'analyst' WHERE email = ?", [EMAIL])],
    ['a person switched off', () => pool().query('UPDATE person SET is_active = 0 WHERE email = ?', [EMAIL])],
    ['a day without use', () => pool().query('UPDATE session SET seen_at = NOW() - INTERVAL 25 HOUR')],
    ['two weeks', () => pool().query('UPDATE session SET created_at = NOW() - INTERVAL 15 DAY')],
  ])('ends with %s', async (_, change) => {
    const cookie = await begin()
    await change()
    expect(await who(cookie)).toBeUndefined()
    await pool().query("UPDATE person SET role = 'owner', is_active = 1 WHERE email = ?", [EMAIL])
  })

  it('that is switched off cannot be begun either', async () => {
    await pool().query('UPDATE person SET is_active = 0 WHERE email = ?', [EMAIL])
    expect((await signIn(PASSWORD)).status).toBe(401)
    await pool().query('UPDATE person SET is_active = 1 WHERE email = ?', [EMAIL])
  })

  it('is listed, and ended one by one or all but this', async () => {
    const [first, second, third] = [
      await begin({ from: '198.51.100.1' }),
      await begin({ from: '198.51.100.2' }),
      await begin({ from: '198.51.100.3' }),
    ]
    const list = (await (await ask('GET', 'me/sessions', { cookie: second })).json()) as {
      id: number
      isThis: boolean
      address: string
      browser: string
    }[]
    expect(list.map(({ address, isThis }) => [address, isThis])).toEqual([
      ['198.51.100.2', true],
      expect.anything(),
      expect.anything(),
    ])
    expect(list[0]!.browser).toBe('a browser of the tests')
    const other = list.find(({ address }) => address === '198.51.100.1')!
    const stranger = cookiesOf(await signIn(PASSWORD, { email: 'senara@mossgate.example' }))
    expect((await ask('DELETE', `me/sessions/${other.id}`, { cookie: stranger })).status).toBe(404)
    expect((await ask('DELETE', `me/sessions/${other.id}`, { cookie: second })).status).toBe(200)
    expect([await who(first), await who(second), await who(third)]).toEqual([undefined, EMAIL, EMAIL])
    expect((await ask('DELETE', 'me/sessions', { cookie: second })).status).toBe(200)
    expect([await who(second), await who(third), await who(stranger)]).toEqual([
      EMAIL,
      undefined,
      'senara@mossgate.example',
    ])
    for (const [method, path] of [
      ['GET', 'me/sessions'],
      ['DELETE', 'me/sessions'],
      ['DELETE', 'me/sessions/1'],
      ['PUT', 'me/password'],
    ] as const)
      expect((await ask(method, path, { body: method === 'GET' ? undefined : {} })).status).toBe(401)
  })

  it('goes on with a new cookie when its person changes the password, and every other ends', async () => {
    const [here, there] = [await begin(), await begin()]
    const put = (body: object, cookie = here) => ask('PUT', 'me/password', { cookie, body })
    expect((await put({ current: 'wrong', password: 'a new password 1' })).status).toBe(400)
    expect((await put({ current: PASSWORD, password: 'short' })).status).toBe(400)
    const answer = await put({ current: PASSWORD, password: 'a new password 1' })
    expect(answer.status).toBe(200)
    expect([await who(here), await who(there), await who(cookiesOf(answer))]).toEqual([undefined, undefined, EMAIL])
    expect((await signIn(PASSWORD)).status).toBe(401)
    expect((await put({ current: 'a new password 1', password: PASSWORD }, cookiesOf(answer))).status).toBe(200)
  })

  it('has a cookie that goes over no open line once it was begun over an encrypted one', async () => {
    const cookie = async (asked: Asked) => (await signIn(PASSWORD, asked)).headers.getSetCookie().join()
    expect(await cookie({ headers: { 'x-forwarded-proto': 'https' } })).toMatch(/Secure/i)
    expect(await cookie({})).not.toMatch(/Secure/i)
    // whoever is not trusted is not believed
    expect(await cookie({ server: open, headers: { 'x-forwarded-proto': 'https' } })).not.toMatch(/Secure/i)
    expect(await cookie({})).toMatch(/HttpOnly.*SameSite=Lax|SameSite=Lax.*HttpOnly/i)
  })
})

describe('the secret of a link', () => {
  it('is guessed slowly, and whoever holds a right one is not kept waiting', async () => {
    const answers: number[] = []
    for (let index = 0; index < 24; index++)
      answers.push((await ask('GET', `shared/${String(index).padStart(43, 'x')}`)).status)
    expect([answers.filter((status) => status === 404).length, answers.at(-1)]).toEqual([20, 429])
    expect((await ask('GET', `consent/${'y'.repeat(43)}`)).status).toBe(429)
    expect((await ask('GET', `consent/${'y'.repeat(43)}`, { from: '198.51.100.30' })).status).toBe(404)
    await pool().query(
      "INSERT INTO edition (client_id, report_id, number, request_key, content, sha256) VALUES (1, 1, 1, 'a', ?, 'x')",
      [JSON.stringify({ title: 't', periodWords: 'p', period: { from: '2026-10-01', to: '2026-10-28' }, blocks: [] })],
    )
    const { clientDbForJob } = await import('../../server/platform/database/clientDb')
    const { shareEdition } = await import('../../server/report/editions/editions')
    const token = await shareEdition(await clientDbForJob(1), 1, new Date(Date.now() + 60_000), 'reader')
    expect((await ask('GET', `shared/${token}`)).status).toBe(200)
  })
})

describe('a body', () => {
  /** Sends more and more, as somebody who never stops, and tells what was answered and how much was taken. */
  const flood = (path: string, headers: Record<string, string>, most: number) =>
    new Promise<{ status: number; sent: number }>((resolve, reject) => {
      const { hostname, port } = new URL(behind.base)
      let sent = 0
      let isOver = false
      const asked = request(
        {
          hostname,
          port,
          method: 'POST',
          path: `/api/${path}`,
          headers: { 'origin': behind.base, 'content-type': 'application/json', ...headers },
        },
        (answer) => {
          isOver = true
          answer.resume()
          resolve({ status: answer.statusCode!, sent })
        },
      )
      asked.on('error', (error) => (isOver ? undefined : reject(error)))
      const piece = Buffer.alloc(64 * 1024, 'x')
      const more = () => {
        while (!isOver && sent < most) {
          sent += piece.length
          if (!asked.write(piece)) return void asked.once('drain', more)
        }
        if (!isOver) asked.end()
      }
      more()
    })

  it('of 100 MB is refused before it is taken, and nobody else waits', async () => {
    const before = Date.now()
    const flooded = flood('session', {}, 100_000_000)
    expect((await ask('GET', 'health')).status).toBe(200)
    expect((await signIn(PASSWORD)).status).toBe(200)
    const { status, sent } = await flooded
    expect([status, sent < 20_000_000]).toEqual([413, true])
    expect(Date.now() - before).toBeLessThan(5000)
    expect((await flood('session', { 'content-length': '100000000' }, 64 * 1024)).status).toBe(413)
  })

  it.each([
    '[]',
    '"x"',
    '{',
    'null',
    '{"email":{"toString":1},"password":[]}',
    '{"email":["a@b.example"],"password":{"length":3}}',
  ])('%s is answered with a sentence', async (body) => {
    const answer = await fetch(`${behind.base}/api/session`, {
      method: 'POST',
      body,
      headers: { 'origin': behind.base, 'content-type': 'application/json' },
    })
    expect(answer.status).toBe(400)
    expect(((await answer.json()) as { detail: string }).detail).toMatch(/\.$/)
  })
})
