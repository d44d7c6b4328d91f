import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import type { Pool } from 'mysql2/promise'
import { EMPTY_PLACE } from '../core/places/place'
import { askDirectory } from '../server/gather/connectors/askDirectory'
import { runNextJob } from '../server/jobs'
import { clientDbForJob } from '../server/platform/database/clientDb'
import { enqueue } from '../server/platform/jobs/queue'
import { ENTRIES_POLL } from '../server/read/directories/jobs'
import { standinDirectories } from '../standins/directories'
import { ms, report, times } from './measure'

const PLACES = 200
const DIRECTORY = 'islepages'
/** How many places are asked for at once, as the poll does. */
const TOGETHER = 50

/** A look at a directory for 200 places, compared and kept, beside asking its stand-in for the same and nothing else. */
export async function benchPoll(pool: Pool): Promise<void> {
  const directories = standinDirectories({ now: () => Date.now() })
  const server = createServer((request, response) => {
    let body = ''
    request.on('data', (part) => (body += part))
    request.on('end', () => {
      const answer = directories(request.method!, new URL(request.url!, 'http://127.0.0.1'), body)
      response.writeHead(answer?.status ?? 404, answer?.headers).end(answer?.body)
    })
  })
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  process.env.ZAFFER_NETWORKS_ADDRESS = `http://127.0.0.1:${(server.address() as AddressInfo).port}/{network}`
  const insert = async (text: string, values: unknown[]) =>
    ((await pool.query(text, values))[0] as { insertId: number }).insertId
  const agency = await insert('INSERT INTO agency (name) VALUES (?)', ['poll'])
  const client = await insert('INSERT INTO client (agency_id, slug, name, time_zone) VALUES (?, ?, ?, ?)', [
    agency,
    'poll',
    'poll',
    'Europe/London',
  ])
  const db = await clientDbForJob(client)
  // each far enough from the others to be found by itself, and every third with other hours than its entry
  const places = Array.from({ length: PLACES }, (_, index) => ({
    ...EMPTY_PLACE,
    name: `Pier ${index}`,
    street: `${index} Quay Street`,
    town: 'Skarle',
    country: 'GB',
    lat: 40 + 0.05 * index,
    lon: -8,
    phone: `+4416329${60_000 + index}`,
    web: `https://www.mossgate.example/${index}`,
    hours: 'Mo-Fr 09:00-17:00; Sa 10:00-16:00',
    description: 'A pier.',
  }))
  await db.insertRows(
    'place',
    [
      'name',
      'categories',
      'street',
      'town',
      'country',
      'lat',
      'lon',
      'phone',
      'web',
      'hours',
      'attributes',
      'description',
    ],
    places.map((place, index) => [
      place.name,
      '[]',
      place.street,
      place.town,
      place.country,
      place.lat,
      place.lon,
      place.phone,
      place.web,
      index % 3 === 0 ? 'Mo-Fr 09:00-18:00' : place.hours,
      '[]',
      place.description,
    ]),
  )
  for (const [index, record] of places.entries())
    await askDirectory.request(DIRECTORY, { key: `poll-${index}`, record })
  const queries = places.map(({ name, lat, lon, phone }) => ({ name, lat, lon, phone, ids: [] }))
  const begun = performance.now()
  for (let from = 0; from < PLACES; from += TOGETHER)
    await askDirectory.find(DIRECTORY, queries.slice(from, from + TOGETHER))
  const alone = performance.now() - begun
  const poll = async () => {
    const start = performance.now()
    await enqueue(db, ENTRIES_POLL, DIRECTORY, {})
    while (await runNextJob());
    return performance.now() - start
  }
  const first = await poll()
  const again = await poll()
  server.close()
  const [[kept]] = (await pool.query('SELECT COUNT(*) AS many FROM directory_entry WHERE client_id = ?', [
    client,
  ])) as unknown as [[{ many: number }]]
  const isWhole = kept.many === PLACES
  report(
    `${PLACES} places looked at in a directory, compared and kept${isWhole ? '' : `, NOT ALL: ${kept.many}`}`,
    {
      'the first time': ms(first),
      'again': ms(again),
      'the stand-in alone': ms(alone),
      'rate': times(alone / Math.max(first, again)),
    },
    { text: 'at least half the rate of the stand-in', met: isWhole && Math.max(first, again) <= 2 * alone },
  )
}
