import { spawn, type ChildProcess } from 'node:child_process'
import { afterAll, beforeAll, expect, it, vi } from 'vitest'
import { clientDbForJob } from '../../server/platform/database/clientDb'
import { sql } from '../../server/platform/database/sql'
import { enqueue } from '../../server/platform/jobs/queue'
import { EDITION_ISSUE } from '../../server/report/editions/jobs'
import { addReport } from '../../server/report/reports/reports'
import { asKept } from '../../shared/report/blocks'
import type { Overview } from '../../shared/read/overview'
import type { TargetView } from '../../shared/read/targets'
import { programOf } from '../../server/platform/programs'
import { root } from '../support/application'
import { useDatabase } from './support/database'
import { PASSWORD, addDemo } from './support/demo'
import { cookiesOf, startServer, type Server } from './support/server'
import { useStandins } from './support/standins'

const { url, pool } = useDatabase('two_processes')
useStandins()
const CLIENT = '/api/clients/mossgate-gardens'
let servers: Server[] = []
let workers: ChildProcess[] = []
let cookie = ''
/** Where the two of them are asked in turn. */
const other = (index: number) => servers[index % 2]!

const ask = (server: Server, method: string, path: string, body?: unknown) =>
  fetch(`${server.base}${path}`, {
    method,
    headers: { 'origin': server.base, 'content-type': 'application/json', cookie },
    ...(body !== undefined && { body: JSON.stringify(body) }),
  })

beforeAll(async () => {
  await addDemo()
  const env = { ZAFFER_NOW: '2026-10-29T06:00:00Z', ZAFFER_NETWORKS_ADDRESS: process.env.ZAFFER_NETWORKS_ADDRESS! }
  servers = await Promise.all([startServer(url(), env), startServer(url(), env)])
  cookie = cookiesOf(
    await fetch(`${servers[0]!.base}/api/session`, {
      method: 'POST',
      headers: { 'origin': servers[0]!.base, 'content-type': 'application/json' },
      body: JSON.stringify({ email: 'ada@halyardrow.example', password: PASSWORD }),
    }),
  )
})
afterAll(() => {
  servers.forEach((server) => server.stop())
  workers.forEach((worker) => worker.kill('SIGKILL'))
})

it('no answer is stale after something was written in the other one, or by nobody of the two', async () => {
  const db = await clientDbForJob(1)
  const impressions = async (server: Server) =>
    (
      (await (await ask(server, 'GET', `${CLIENT}/overview?period=2026-09-01..2026-09-30`)).json()) as Overview
    ).figures.find(({ figure }) => figure.metric === 'impressions')!.figure.value!
  const first = await impressions(other(0))
  for (let round = 1; round <= 12; round++) {
    // both know the answer before it changes
    expect(await impressions(other(round))).toBe(await impressions(other(round + 1)))
    await db.run(sql`
      UPDATE profile_day SET impressions = impressions + 1000
      WHERE client_id = ${db.client} AND day = '2026-09-15' AND profile_id = 1`)
    expect(await impressions(other(round)), `round ${round}`).toBe(first + 1000 * round)
    expect(await impressions(other(round + 1)), `round ${round}`).toBe(first + 1000 * round)
  }
  const targets = async (server: Server) =>
    ((await (await ask(server, 'GET', `${CLIENT}/targets`)).json()) as { targets: TargetView[] }).targets.map(
      ({ id }) => id,
    )
  for (let round = 0; round < 6; round++) {
    await targets(other(round + 1))
    const made = await ask(other(round), 'POST', `${CLIENT}/targets`, {
      metric: 'interactions',
      who: 'all',
      wanted: 50_000 + round,
      from: '2026-10-01',
      by: '2026-12-31',
    })
    expect(made.status, await made.clone().text()).toBe(201)
    const { id } = (await made.json()) as { id: number }
    expect(await targets(other(round + 1)), `round ${round}`).toContain(id)
    expect((await ask(other(round + 1), 'DELETE', `${CLIENT}/targets/${id}`)).status).toBeLessThan(300)
    expect(await targets(other(round)), `round ${round}`).not.toContain(id)
  }
})

it('a session is one in both, and tries to sign in are counted together', async () => {
  for (const server of servers)
    expect((await (await ask(server, 'GET', '/api/session')).json()) as object).toMatchObject({
      person: { email: 'ada@halyardrow.example' },
    })
  const tries = await Promise.all(
    Array.from({ length: 40 }, (_, index) =>
      fetch(`${other(index).base}/api/session`, {
        method: 'POST',
        headers: { 'origin': other(index).base, 'content-type': 'application/json' },
        body: JSON.stringify({ email: 'jory@halyardrow.example', password: 'wrong' }),
      }),
    ),
  )
  const looked = tries.filter(({ status }) => status === 401).length
  // five are free, whoever is asked; and one more for every wait that was over meanwhile
  expect([looked >= 5, looked < 9]).toEqual([true, true])
})

it('the last place of the allowance is given once', async () => {
  const [[{ used }]] = (await pool().query('SELECT COUNT(*) AS used FROM profile WHERE is_active = 1')) as unknown as [
    [{ used: number }],
  ]
  await pool().query('UPDATE agency SET active_profiles = ?', [used + 1])
  await pool().query('DELETE FROM profile WHERE client_id = 2 AND network IN (?)', [['murmur', 'commons', 'tintype']])
  await pool().query('UPDATE agency SET active_profiles = (SELECT COUNT(*) + 1 FROM profile WHERE is_active = 1)')
  const answers = await Promise.all(
    ['murmur', 'commons', 'tintype'].flatMap((network, index) =>
      ['mossgate', 'mossgategardens'].map((handle) =>
        ask(other(index), 'POST', '/api/clients/kittiwake-line/profiles', { network, handle: `@${handle}` }),
      ),
    ),
  )
  const made = answers.filter(({ status }) => status < 300).length
  expect(made, (await Promise.all(answers.map((answer) => answer.text()))).join(' ')).toBe(1)
})

it('two workers do every job once, and one edition is made of one wish', async () => {
  const db = await clientDbForJob(1)
  const block = asKept({ id: 'a', kind: 'figures', metrics: ['impressions'] })
  const report = await addReport(db, 'For two', [block])
  workers = [0, 1].map(() =>
    spawn(process.execPath, [programOf('server/worker.ts')], {
      cwd: root,
      env: {
        ...process.env,
        ZAFFER_DATABASE_URL: url(),
        ZAFFER_APP_URL: 'http://127.0.0.1:9',
        ZAFFER_NOW: '2026-10-29T06:00:00Z',
      },
      stdio: 'ignore',
    }),
  )
  const wishes = Array.from({ length: 10 }, () => crypto.randomUUID())
  // each wish is sent three times, through whichever of the two
  const sent = await Promise.all(
    wishes.flatMap((requestKey) =>
      [0, 1, 2].map((index) => ask(other(index), 'POST', `${CLIENT}/reports/${report}/editions`, { requestKey })),
    ),
  )
  for (const answer of sent) expect([200, 503]).toContain(answer.status)
  for (const requestKey of wishes)
    await enqueue(db, EDITION_ISSUE, `${report}:${requestKey}`, { reportId: report, requestKey, person: 1 })
  await vi.waitFor(
    async () =>
      expect(
        (
          (await pool().query(
            "SELECT COUNT(*) AS left_over FROM job WHERE kind = 'edition.issue' AND state IN ('queued', 'running')",
          )) as unknown as [[{ left_over: number }]]
        )[0][0].left_over,
      ).toBe(0),
    { timeout: 90_000, interval: 300 },
  )
  const [editions] = (await pool().query(
    'SELECT number, request_key FROM edition WHERE report_id = ? ORDER BY number',
    [report],
  )) as unknown as [{ number: number; request_key: string }[]]
  expect(editions.map(({ number }) => number)).toEqual(wishes.map((_, index) => index + 1))
  expect(new Set(editions.map(({ request_key: key }) => key))).toEqual(new Set(wishes))
  const [twice] = await pool().query(
    'SELECT live_key FROM job WHERE live_key IS NOT NULL GROUP BY live_key HAVING COUNT(*) > 1',
  )
  expect(twice).toEqual([])
})
