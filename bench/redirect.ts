import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import autocannon from 'autocannon'
import type { Pool } from 'mysql2/promise'
import { clientDbForJob } from '../server/platform/database/clientDb'
import { addLink } from '../server/read/links/links'
import { startBuilt } from './built'
import { report, times } from './measure'

const AT_ONCE = 20
const SECONDS = 10

/** How many clicks of tracked links the built application sends on in a second, beside a server that only redirects. */
export async function benchRedirect(pool: Pool): Promise<void> {
  const [agency] = await pool.query("INSERT INTO agency (name) VALUES ('bench')")
  const [made] = await pool.query(
    "INSERT INTO client (agency_id, slug, name, time_zone) VALUES (?, 'redirect', 'redirect', 'Europe/London')",
    [(agency as { insertId: number }).insertId],
  )
  const db = await clientDbForJob((made as { insertId: number }).insertId)
  const link = { name: 'x', target: 'https://x.example/', source: '', medium: '', campaign: '', content: '' }
  const links = await Promise.all(Array.from({ length: 5 }, () => addLink(db, link, 1, '')))
  const plain = createServer((_, response) => response.writeHead(302, { location: link.target }).end())
  await new Promise<void>((resolve) => plain.listen(0, '127.0.0.1', resolve))
  const { base, stop } = await startBuilt()
  const run = (url: string) =>
    autocannon({
      url,
      connections: AT_ONCE,
      duration: SECONDS,
      requests: links.map(({ code }) => ({ path: `/l/${code}`, headers: { 'user-agent': 'Mozilla/5.0 Browser/1.0' } })),
    })
  try {
    const reference = await run(`http://127.0.0.1:${(plain.address() as AddressInfo).port}`)
    const found = await run(base)
    const [rows] = await pool.query('SELECT SUM(visits) AS counted FROM link_visit WHERE client_id = ?', [db.clientId])
    const counted = Number((rows as { counted: string }[])[0]!.counted)
    // those that were on their way when it ended are counted, and their answers are not waited for
    const isExact = counted >= found['3xx'] && counted <= found['3xx'] + AT_ONCE
    report(
      `Tracked links followed, ${AT_ONCE} at once`,
      {
        'a second': found.requests.average.toFixed(0),
        'p99': `${found.latency.p99} ms`,
        'a bare redirect': reference.requests.average.toFixed(0),
        'rate': times(found.requests.average / reference.requests.average),
        'answered': String(found['3xx']),
        'counted': String(counted),
      },
      {
        text: '1,500 a second, p99 20 ms, counts exact',
        met: found.requests.average >= 1500 && found.latency.p99 <= 20 && isExact,
      },
    )
  } finally {
    stop()
    plain.close()
  }
}
