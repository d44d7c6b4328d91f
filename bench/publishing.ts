import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import type { Pool } from 'mysql2/promise'
import { plannedSchema } from '../shared/plan/plannedPosts'
import { connectorFor } from '../server/gather/connectors/connectorFor'
import { runNextJob } from '../server/jobs'
import { clientDbForJob } from '../server/platform/database/clientDb'
import { seal } from '../server/platform/people/secrets'
import { addPlanned } from '../server/plan/posts/plannedPosts'
import { publishDue } from '../server/plan/publishing/publishDue'
import { postedPosts } from '../standins/posted'
import { standinNetworks, tokensFor, type StandinSettings } from '../standins/networks'
import { ms, report, times } from './measure'

const POSTS = 1000
const LANES = 2
const REMOTE = { network: 'murmur', id: '61120930075418823' }

/** A thousand posts that are due in the same minute, beside giving them to the stand-in and doing nothing else. */
export async function benchPublishing(pool: Pool): Promise<void> {
  const posted = postedPosts()
  const settings: StandinSettings = {
    anchor: '2026-10-28',
    secret: 'secret of the stand-ins',
    requestsPerMinute: 1_000_000,
    lastComplete: () => '2026-10-28',
    now: () => Date.now(),
    posted,
  }
  const networks = standinNetworks(settings)
  const server = createServer((request, response) => {
    let body = ''
    request.on('data', (part) => (body += part))
    request.on('end', () => {
      const url = new URL(request.url!, 'http://127.0.0.1')
      const answer = networks.handle(request.method!, url, request.headers, new URLSearchParams(), body)
      response.writeHead(answer?.status ?? 404, answer?.headers).end(answer?.body)
    })
  })
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  process.env.ZAFFER_NETWORKS_ADDRESS = `http://127.0.0.1:${(server.address() as AddressInfo).port}/{network}`
  const { access_token: access, refresh_token: refresh } = tokensFor(REMOTE.network, REMOTE.id, settings)
  const tokens = { access, refresh, until: Date.now() + 3_000_000, mayPublish: true }
  const insert = async (text: string, values: unknown[]) =>
    ((await pool.query(text, values))[0] as { insertId: number }).insertId
  const agency = await insert('INSERT INTO agency (name) VALUES (?)', ['publishing'])
  const client = await insert('INSERT INTO client (agency_id, slug, name, time_zone) VALUES (?, ?, ?, ?)', [
    agency,
    'publishing',
    'publishing',
    'Europe/London',
  ])
  const profile = await insert(
    "INSERT INTO profile (client_id, network, handle, name, remote_id, consent) VALUES (?, ?, 'x', 'x', ?, 'given')",
    [client, REMOTE.network, REMOTE.id],
  )
  await insert(
    'INSERT INTO connection (client_id, connector, profile_id, credentials, may_publish) VALUES (?, ?, ?, ?, 1)',
    [client, REMOTE.network, profile, seal(JSON.stringify(tokens))],
  )
  const db = await clientDbForJob(client)
  for (let index = 0; index < POSTS; index++)
    await addPlanned(
      db,
      plannedSchema.validateSync({ text: `Post ${index}`, at: '2026-10-28T09:00', postings: [{ profile }] }),
      { id: 1, name: 'x' },
    )
  await pool.query("UPDATE planned_post SET state = 'scheduled', planned_at = '2026-10-29 05:59:00'")
  const credentials = { tokens, keep: () => Promise.resolve() }
  const { publishing } = connectorFor({ connector: REMOTE.network, remoteId: REMOTE.id, credentials })
  const content = { heading: '', collection: '', link: '', kind: '', startsOn: '', endsOn: '', action: '', media: [] }
  const begun = performance.now()
  const lane = async (from: number) => {
    for (let index = from; index < POSTS; index += LANES)
      await publishing!.post({ ...content, key: `alone-${index}-key`, text: `Alone ${index}` })
  }
  await Promise.all(Array.from({ length: LANES }, (_, from) => lane(from)))
  const alone = performance.now() - begun
  const start = performance.now()
  await publishDue()
  const queued = performance.now() - start
  const work = async () => {
    while (await runNextJob());
  }
  await Promise.all(Array.from({ length: LANES }, work))
  const whole = performance.now() - start
  server.close()
  const given = posted.all().filter(({ text }) => text.startsWith('Post '))
  const isOnce = given.length === POSTS && new Set(given.map(({ text }) => text)).size === POSTS
  report(
    `${POSTS.toLocaleString('en')} posts due in the same minute, in ${LANES} lanes${isOnce ? ', each given once' : ', NOT EACH ONCE'}`,
    { 'given': ms(whole), 'of it queued': ms(queued), 'the stand-in alone': ms(alone), 'rate': times(alone / whole) },
    { text: 'at least half the rate of the stand-in', met: isOnce && whole <= 2 * alone },
  )
}
