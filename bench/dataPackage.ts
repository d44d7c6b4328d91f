import type { Pool } from 'mysql2/promise'
import { asOfNow } from '../server/platform/database/clientDb'
import { dataPackage } from '../server/gather/data/dataPackage'
import { largeClient } from './database'
import { report } from './measure'

const PROFILES = 200
const DAYS = 3 * 365
const MEGABYTE = 1_048_576

/** Everything of a client with 200 profiles and three years, as a package that nobody keeps: how long, and in what room. */
export async function benchDataPackage(pool: Pool): Promise<void> {
  const db = await largeClient(pool, 'package', PROFILES, DAYS, '2026-10-28')
  const before = process.memoryUsage().rss
  let peak = before
  const watch = setInterval(() => (peak = Math.max(peak, process.memoryUsage().rss)), 20)
  const began = performance.now()
  let bytes = 0
  await asOfNow(db, async (inside) => {
    for await (const part of dataPackage(inside, Date.parse('2026-10-29T06:00:00Z'))) bytes += part.length
  })
  const seconds = (performance.now() - began) / 1000
  clearInterval(watch)
  const more = Math.round((peak - before) / MEGABYTE)
  report(
    `Everything of a client with ${PROFILES} profiles and ${DAYS} days of figures, as a package`,
    {
      'seconds': seconds.toFixed(1),
      'packed': `${Math.round(bytes / MEGABYTE)} MB`,
      'memory beside what was used': `${more} MB`,
    },
    { text: 'flat memory: at most 150 MB more', met: more <= 150 },
  )
}
