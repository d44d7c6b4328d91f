import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { addressOf } from '../../server/gather/connectors/addressOf'
import { connectorFor } from '../../server/gather/connectors/connectorFor'
import { secondsOf } from '../../server/gather/connectors/httpNetwork'
import { ConsentWithdrawn, NetworkTrouble, RateLimited, TokenRefused } from '../../server/gather/connectors/connector'
import { enqueueByTheClock, runNextJob, SCHEDULES } from '../../server/jobs'
import { keepSchedules } from '../../server/platform/jobs/schedule'
import { fetchVolume, fetchVolumes } from '../../server/gather/sync/networkVolume'
import { addClient, addProfile, tableOf, useDatabase } from './support/database'
import { useStandins } from './support/standins'

const { pool } = useDatabase('connector')

describe('a network that does not answer as agreed', () => {
  let server: Server
  let base = ''
  let answer: { status: number; headers?: Record<string, string>; body: string } = { status: 200, body: '' }
  beforeAll(async () => {
    server = createServer((_, response) => response.writeHead(answer.status, answer.headers).end(answer.body))
    await new Promise<void>((done) => server.listen(0, '127.0.0.1', done))
    base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
  })
  afterAll(() => void server.close())
  const ask = (given: typeof answer, path = base) => {
    answer = given
    return connectorFor({ connector: 'cork', address: path, remoteId: '1' }).figures!('2026-10-01')
  }

  it.each([
    [{ status: 500, body: '' }, NetworkTrouble, 'Cork answered 500.'],
    [{ status: 404, body: '' }, NetworkTrouble, 'no longer has this profile'],
    [{ status: 200, body: '<html>' }, NetworkTrouble, 'without data'],
    [{ status: 200, body: '{"data":{}}' }, NetworkTrouble, 'without data'],
    [{ status: 200, body: '{"data":[],"next":"2026-10-01"}' }, NetworkTrouble, 'the same page again'],
    [{ status: 401, body: '' }, TokenRefused, 'did not let us in'],
    [{ status: 429, headers: { 'retry-after': '7' }, body: '' }, RateLimited, 'wait 7 seconds'],
    [{ status: 429, body: '' }, RateLimited, 'wait 60 seconds'],
    [{ status: 429, headers: { 'retry-after': '7200' }, body: '' }, RateLimited, 'wait 7200 seconds'],
    [{ status: 302, headers: { location: 'http://127.0.0.1/' }, body: '' }, NetworkTrouble, 'does not answer'],
  ])('%j is said in a sentence', async (given, kind, sentence) => {
    const problem = await ask(given).catch((error: unknown) => error)
    expect(problem).toBeInstanceOf(kind)
    expect((problem as Error).message).toContain(sentence)
  })

  it('asks to wait a number of seconds, or until a time', () => {
    const at = Date.parse('2026-10-29T06:00:00Z')
    expect(
      ['7', '0', 'Thu, 29 Oct 2026 06:02:00 GMT', 'Thu, 29 Oct 2026 05:00:00 GMT', '999999999', 'soon', null].map(
        (text) => secondsOf(text, at),
      ),
    ).toEqual([7, 1, 120, 1, 86_400, 60, 60])
  })

  it('withdraws the consent only when it says that the grant is invalid', async () => {
    const refreshed = async (given: typeof answer) => {
      answer = { ...given, headers: { 'content-type': 'application/json' } }
      const credentials = { tokens: { access: 'a', refresh: 'r', until: 0 }, keep: () => Promise.resolve() }
      return await connectorFor({ connector: 'cork', address: base, remoteId: '1', credentials }).figures!(
        '2026-10-01',
      ).catch((error: unknown) => error)
    }
    expect(await refreshed({ status: 400, body: '{"error":"invalid_grant"}' })).toBeInstanceOf(ConsentWithdrawn)
    for (const error of ['invalid_client', 'temporarily_unavailable', 'server_error']) {
      const problem = await refreshed({ status: 400, body: JSON.stringify({ error }) })
      expect([problem instanceof ConsentWithdrawn, problem instanceof NetworkTrouble]).toEqual([false, true])
    }
    expect(await refreshed({ status: 503, body: '' })).toBeInstanceOf(NetworkTrouble)
  })

  it('is not read for ever', async () => {
    await expect(ask({ status: 200, body: `{"data":[${'0,'.repeat(9_000_000)}0]}` })).rejects.toThrow('more than 16 MB')
  })

  it('is found where its connection says, and otherwise where the networks are', () => {
    expect(addressOf({ connector: 'cork', address: 'https://cork.example/api' }, 'http://here/{network}')).toBe(
      'https://cork.example/api',
    )
    expect(addressOf({ connector: 'cork', address: null }, 'http://here/{network}')).toBe('http://here/cork')
    expect(() => addressOf({ connector: 'cork' }, '')).toThrow('ZAFFER_NETWORKS_ADDRESS')
    expect(() => connectorFor({ connector: 'nowhere', address: base })).toThrow('no connector "nowhere"')
  })

  it('gives without consent only what anybody can see', () => {
    const credentials = { tokens: { access: 'a', refresh: 'r', until: 0 }, keep: () => Promise.resolve() }
    const capable = (given: object) =>
      Object.keys(connectorFor({ connector: 'tintype', address: base, ...given })).sort()
    expect(capable({})).toEqual(['consent', 'estimate', 'lookup', 'search', 'volume'])
    expect(capable({ remoteId: '1' })).toEqual([
      'alsoFollowed',
      'consent',
      'estimate',
      'figures',
      'identity',
      'lookup',
      'picture',
      'posts',
      'search',
      'volume',
    ])
    expect(capable({ remoteId: '1', credentials })).toContain('breakdowns')
  })

  it.each(['../secret', 'http://127.0.0.1:9/x.svg', '//elsewhere.example/x.svg', 'a/../../b', 'a?b=c', ''])(
    'follows no picture that is not on the network itself: %s',
    async (place) => {
      const { picture } = connectorFor({ connector: 'tintype', address: base, remoteId: '1' })
      answer = { status: 200, headers: { 'content-type': 'image/svg+xml' }, body: '<svg/>' }
      expect(await picture!(place)).toBeUndefined()
    },
  )

  it('takes pictures alone for pictures, and none that is too large', async () => {
    const { picture } = connectorFor({ connector: 'tintype', address: base, remoteId: '1' })
    const give = (type: string, body: string, status = 200) => {
      answer = { status, headers: { 'content-type': type }, body }
      return picture!('pictures/1.svg')
    }
    expect(await give('image/svg+xml; charset=utf-8', '<svg/>')).toEqual({
      type: 'image/svg+xml',
      bytes: Buffer.from('<svg/>'),
    })
    expect(await give('text/html', '<script>')).toBeUndefined()
    expect(await give('image/png', 'gone', 404)).toBeUndefined()
    await expect(give('image/png', 'x'.repeat(1_000_001))).rejects.toThrow('more than 1 MB')
  })

  it('is told when it is down', async () => {
    await expect(ask({ status: 200, body: '' }, 'http://127.0.0.1:9')).rejects.toThrow('Cork does not answer.')
  })

  it('has no profile under a handle that is free', async () => {
    answer = { status: 404, body: '' }
    expect(await connectorFor({ connector: 'cork', address: base }).lookup!('free')).toBeUndefined()
  })
})

describe('the volume of a network', () => {
  const { state } = useStandins()
  const volume = () =>
    tableOf("network_day WHERE network = 'murmur'", 'day, posts, interactions') as Promise<
      { day: string; posts: number }[]
    >

  it('is fetched once up to a day, goes on from there, and belongs to no client', async () => {
    await fetchVolume('murmur', '2026-10-20')
    // the stand-in knows more than was asked for
    const first = await volume()
    expect([first[0]!.day, first.at(-1)!.day]).toEqual(['2025-09-16', '2026-10-28'])
    state.requests = 0
    await fetchVolume('murmur', '2026-10-28')
    expect(state.requests).toBe(0)
    state.lastComplete = '2026-10-30'
    await fetchVolume('murmur', '2026-10-30')
    expect(state.requests).toBe(1)
    expect((await volume()).at(-1)!.day).toBe('2026-10-30')
    expect((await volume()).slice(0, first.length)).toEqual(first)
  })

  it('keeps what was fetched when the network goes down meanwhile', async () => {
    await pool().query("DELETE FROM network_day WHERE network = 'cork'")
    let pages = 0
    state.onRequest = () => (state.isDown = ++pages > 3)
    await expect(fetchVolume('cork', '2026-10-28')).rejects.toThrow('Cork answered 503.')
    expect((await tableOf("network_day WHERE network = 'cork'", 'COUNT(*) AS days, 1, 2'))[0]).toMatchObject({
      days: 90,
    })
    Object.assign(state, { isDown: false, onRequest: () => {} })
    await fetchVolume('cork', '2026-10-30')
    expect(
      (await tableOf("network_day WHERE network = 'cork'", 'COUNT(*) AS days, MAX(day) AS last, 2'))[0],
    ).toMatchObject({ last: '2026-10-30' })
  })

  it('comes of every network that a profile is measured on, and one that is down keeps no other from its turn', async () => {
    await pool().query('DELETE FROM network_day')
    const client = await addClient('measured')
    await addProfile(client, 'zoetrope', '1', Buffer.from('x'))
    await addProfile(client, 'guildhall', '2', Buffer.from('x'))
    const days = () => tableOf('network_day GROUP BY network', 'network, MAX(day) AS last, COUNT(*) AS days')
    state.onRequest = (path) => (state.isDown = path.includes('zoetrope'))
    await expect(fetchVolumes()).rejects.toThrow('The whole volume is missing of Zoetrope (Zoetrope answered 503.)')
    expect(await days()).toMatchObject([{ network: 'guildhall' }])
    Object.assign(state, { isDown: false, onRequest: () => {} })
    await fetchVolumes()
    expect(await days()).toMatchObject([{ network: 'guildhall' }, { network: 'zoetrope' }])
  })

  it('is fetched by the clock', async () => {
    await pool().query('DELETE FROM network_day')
    await keepSchedules(SCHEDULES)
    await enqueueByTheClock()
    for (let turn = 0; turn < 9 && (await runNextJob()); turn++);
    expect(await tableOf("job WHERE kind = 'volume'", 'state, client_id, 3')).toMatchObject([
      { state: 'done', client_id: null },
    ])
    expect(await tableOf('network_day GROUP BY network', 'network, 2, 3')).toHaveLength(2)
  })
})
