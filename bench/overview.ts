import type { Pool } from 'mysql2/promise'
import { addDays } from '../core/days/day'
import type { ClientDb } from '../server/platform/database/clientDb'
import type { Query } from '../server/platform/database/sql'
import { overview } from '../server/read/overview/overview'
import { remembered } from '../server/figures/remembered'
import { enqueue } from '../server/platform/jobs/queue'
import { isLoading } from '../server/figures/warmFacts'
import { resolveScope } from '../server/figures/resolveScope'
import { largeClient, noting } from './database'
import { median, medians, ms, report, times } from './measure'
import { SYNC } from '../server/gather/sync/jobs'

const END = '2026-10-28'
const YEAR = { who: [], sets: [], period: '2025-10-29..2026-10-28', against: 'before' as const }

/**
 * The overview of 200 profiles over a year with its comparison, beside the SQL that it needs; and the same with ten
 * times the past.
 */
export async function benchOverview(pool: Pool): Promise<void> {
  const db = await largeClient(pool, 'two-years', 200, 730, END)
  const answer = async (handle: ClientDb) =>
    JSON.stringify(await overview(handle, await resolveScope(handle, YEAR), { metric: 'impressions' }))
  const queries: Query<true>[] = []
  // nothing is kept in memory while something is being written: a sync that waits keeps every answer cold
  const sync = await enqueue(db, SYNC, 1, {})
  await answer(noting(db, queries))
  const { whole, bare } = await medians(7, {
    bare: () => Promise.all(queries.map(({ text, values }) => pool.query(text, [...values]))),
    whole: () => answer(db),
  })
  report(
    'Overview of 200 profiles × 1 year with comparison',
    {
      'route': ms(whole),
      'its bare SQL': ms(bare),
      'route ÷ SQL': times(whole / bare),
      'queries': String(queries.length),
    },
    { text: 'within 2× of its bare SQL', met: whole <= 2 * bare },
  )

  await pool.query('DELETE FROM job WHERE job_id = ?', [sync])
  await answer(db)
  while (isLoading(db)) await new Promise((resolve) => setTimeout(resolve, 20))
  const METRICS = ['views', 'clicks', 'saves', 'comments', 'shares', 'posts', 'reactions']
  let asked = 0
  /** A question that was not asked before, about a year that ends so many days earlier. */
  const another = async (earlier: number) => {
    const period = `${addDays('2025-10-29', -earlier)}..${addDays(END, -earlier)}`
    const metric = METRICS[asked++ % METRICS.length]!
    return JSON.stringify(await overview(db, await resolveScope(db, { ...YEAR, period }), { metric }))
  }
  const sameYear = await median(METRICS.length, () => another(0))
  report(
    'Other questions about the same year from a warm process, each a new one',
    { 'route': ms(sameYear), 'of the first': times(sameYear / whole) },
    { text: 'at most 50 ms', met: sameYear <= 50 },
  )
  const otherYear = await median(14, () => another(asked))
  report(
    'The same, each about another year, of which nothing was worked out before',
    { 'route': ms(otherYear), 'of the first': times(otherYear / whole) },
    { text: 'at most 50 ms', met: otherYear <= 50 },
  )

  const key = JSON.stringify(YEAR)
  const again = await median(15, () =>
    remembered(db, key, async () => await overview(db, await resolveScope(db, YEAR), { metric: 'impressions' })),
  )
  report(
    'The same question again, nothing written meanwhile',
    { 'route': ms(again), 'of the first': times(again / whole) },
    { text: 'at most 50 ms', met: again <= 50 },
  )

  const month = { who: [], sets: [], period: 'last-28-days', against: 'before' as const }
  const ask = async (handle: ClientDb) =>
    JSON.stringify(await overview(handle, await resolveScope(handle, month), { metric: 'impressions' }))
  const short = await largeClient(pool, 'short', 40, 520, END)
  const long = await largeClient(pool, 'long', 40, 5200, END)
  const [little, much] = [await median(15, () => ask(short)), await median(15, () => ask(long))]
  report(
    'The same question with ten times the past (40 profiles, 28 days; what is usual takes the year before)',
    { '520 days kept': ms(little), '5,200 days kept': ms(much), 'ratio': times(much / little) },
    { text: 'at most 1.3×', met: much <= 1.3 * little },
  )
}
