import type { Pool } from 'mysql2/promise'
import { addDays } from '../core/days/day'
import { unit } from '../demo/random'
import { resolveScope } from '../server/figures/resolveScope'
import { enqueue } from '../server/platform/jobs/queue'
import { isLoading } from '../server/figures/warmFacts'
import { SYNC } from '../server/gather/sync/jobs'
import { placesIn } from '../server/read/places/insights'
import { reviewsOf } from '../server/read/reviews/reviews'
import type { Query } from '../server/platform/database/sql'
import { largeClient, noting } from './database'
import { median, medians, ms, report, times } from './measure'

const END = '2026-10-28'
const PLACES = 200
const REVIEWS = 20_000
const TEXTS = ['Lovely tea, friendly crew.', 'An hour in the queue, and cold.', 'Schöner Garten, leider teuer.', '']

/** 200 places with two years of figures beside each other, and their reviews; beside the bare SQL that they need. */
export async function benchPlaces(pool: Pool): Promise<void> {
  const db = await largeClient(pool, 'places', PLACES, 730, END)
  await pool.query("UPDATE profile SET network = 'waymark' WHERE client_id = ?", [db.clientId])
  const asked = { who: [], sets: [], period: '2026-10-01..2026-10-28', against: 'before' }
  const profiles = (await resolveScope(db, asked)).profiles.map(({ profile_id: profile }) => profile)
  await db.insertRows(
    'place',
    ['name', 'categories', 'attributes', 'profile_id'],
    profiles.map((profile) => [`Place ${profile}`, '[]', '[]', profile]),
  )
  for (let first = 0; first < REVIEWS; first += 5000)
    await db.insertRows(
      'review',
      ['profile_id', 'remote_id', 'written_at', 'day', 'stars', 'text', 'answered_at'],
      Array.from({ length: 5000 }, (_, index) => {
        const number = first + index
        const day = addDays(END, -Math.floor(unit(number, 'day') * 365))
        const text = TEXTS[number % TEXTS.length]!
        return [
          profiles[number % PLACES],
          String(number),
          `${day} 12:00:00`,
          day,
          1 + (number % 5),
          text,
          `${day} 20:00:00`,
        ]
      }),
    )
  const scope = await resolveScope(db, asked)
  const queries: Query<true>[] = []
  // nothing is kept in memory while something is being written: a sync that waits keeps every answer cold
  const sync = await enqueue(db, SYNC, 1, {})
  await placesIn(noting(db, queries), scope)
  const { cold, own, bare } = await medians(25, {
    bare: () =>
      pool.query(
        'SELECT profile_id, SUM(searches), SUM(listing_views), SUM(site_clicks), SUM(directions), SUM(calls), SUM(messages), ' +
          'SUM(bookings), SUM(picture_views), COUNT(site_clicks) FROM profile_day WHERE client_id = ? AND day BETWEEN ? AND ? ' +
          'AND profile_id IN (?) GROUP BY profile_id',
        [db.clientId, addDays(END, -55), END, profiles],
      ),
    own: () => Promise.all(queries.map(({ text, values }) => pool.query(text, [...values]))),
    cold: () => placesIn(db, scope),
  })
  report(
    '200 places beside each other, 28 days against the 28 before, from two years',
    {
      'worked out': ms(cold),
      'its own questions alone': ms(own),
      'rate': times(cold / own),
      'one sum over both periods': ms(bare),
      'rate of that': times(cold / bare),
    },
    { text: 'at most twice that sum', met: cold <= 2 * bare },
  )
  await pool.query('DELETE FROM job WHERE job_id = ?', [sync])
  await placesIn(db, scope)
  while (isLoading(db)) await new Promise((resolve) => setTimeout(resolve, 20))
  let earlier = 0
  const warm = await median(25, async () => {
    const period = `${addDays('2026-10-01', -++earlier)}..${addDays(END, -earlier)}`
    return await placesIn(db, await resolveScope(db, { ...asked, period }))
  })
  report(
    'The same from a warm process, each about other days, of which nothing was worked out before',
    { 'worked out': ms(warm) },
    { text: 'at most 50 ms', met: warm <= 50 },
  )
  const year = await resolveScope(db, { ...asked, period: '2025-10-29..2026-10-28' })
  const reviews = await median(3, () => reviewsOf(db, year, true))
  const rows = await median(3, () =>
    pool.query('SELECT * FROM review WHERE client_id = ? AND day BETWEEN ? AND ?', [
      db.clientId,
      year.period.from,
      year.period.to,
    ]),
  )
  report('20,000 reviews of a year, read for what they are about', {
    'worked out': ms(reviews),
    'bare SQL': ms(rows),
    'rate': times(reviews / rows),
  })
}
