import type { RowDataPacket } from 'mysql2/promise'
import { beforeAll, describe, expect, it } from 'vitest'
import { addDays } from '../../core/days/day'
import { eachDay } from '../../core/periods/period'
import { reviewsIn } from '../../demo/reviews'
import { RIVAL_LISTINGS } from '../../demo/rivalListings'
import { resolveScope } from '../../server/figures/resolveScope'
import { addProfile } from '../../server/gather/profiles/addProfile'
import { clientDbForJob, type ClientDb } from '../../server/platform/database/clientDb'
import { listReviews } from '../../server/read/reviews/listReviews'
import { reviewsBlock } from '../../server/read/reviews/reviewsBlock'
import { reviewsOf } from '../../server/read/reviews/reviews'
import { waitingReviews } from '../../server/read/reviews/waiting'
import { parseScope } from '../../shared/figures/scope'
import { reviewFilterSchema } from '../../shared/read/reviews'
import { runJobs, useDatabase } from './support/database'
import { addDemo } from './support/demo'
import { useStandins } from './support/standins'

const { pool } = useDatabase('rival_reviews')
const standins = useStandins()
const [listing] = RIVAL_LISTINGS
const SEPTEMBER = '2026-09-01..2026-09-30'
let db: ClientDb
let profile: number
const scopeOf = (period: string) => resolveScope(db, parseScope({ period }))
const before: { waiting?: unknown } = {}

beforeAll(async () => {
  process.env.ZAFFER_NOW = '2026-10-29T06:00:00Z'
  Object.assign(standins.state, { isDown: false, lastComplete: '2026-10-28' })
  await addDemo()
  db = await clientDbForJob(1)
  before.waiting = await waitingReviews(db, '2026-10-28')
  profile = await addProfile(db, { network: 'waymark', handle: listing!.handle, rival: listing!.rival! }, 1)
  await runJobs()
})

describe('reviews of a rival’s listing', () => {
  it('are read as far back as anybody can read them, and come to what their rows say', async () => {
    const [rows] = await pool().query<RowDataPacket[]>(
      'SELECT remote_id AS id, stars, day, written_at AS writtenAt, answered_at AS answeredAt FROM review WHERE profile_id = ?',
      [profile],
    )
    const oldest = addDays('2026-10-28', -499)
    const all = reviewsIn(
      listing!.remoteId,
      eachDay({ from: oldest, to: '2026-10-28' }),
      '2026-10-28',
      Date.parse('2026-10-29T06:00:00Z'),
    )
    // of those that are older, only what was answered since is given
    const whole = rows.filter(({ day }) => String(day) >= oldest && String(day) <= '2026-10-28')
    expect(new Set(whole.map(({ id }) => String(id)))).toEqual(new Set(all.map(({ remote_id: id }) => id)))
    const { rivals, wantedHours } = await reviewsOf(db, await scopeOf(SEPTEMBER), true)
    const own = rows.filter(({ day }) => String(day) >= '2026-09-01' && String(day) <= '2026-09-30')
    const mean = (of: readonly RowDataPacket[]) => of.reduce((sum, { stars }) => sum + Number(stars), 0) / of.length
    const known = rows.filter(({ day }) => String(day) <= '2026-09-30')
    const inTime = own.filter(
      ({ writtenAt, answeredAt }) =>
        answeredAt !== null &&
        (answeredAt as Date).getTime() - (writtenAt as Date).getTime() <= wantedHours * 3_600_000,
    )
    expect(own.length).toBeGreaterThan(10)
    expect(rivals).toHaveLength(1)
    expect(rivals![0]).toMatchObject({
      profile,
      rival: 'Thornapple Park',
      rating: { count: own.length },
      ever: { count: known.length },
      answering: { reviews: own.length, inTime: { answered: inTime.length, of: own.length } },
    })
    expect(rivals![0]!.rating.mean).toBeCloseTo(mean(own), 10)
    expect(rivals![0]!.ever.mean).toBeCloseTo(mean(known), 10)
    expect(rivals![0]!.since).toBeUndefined()
    const since = [...rows].map(({ day }) => String(day)).sort()[0]
    expect((await reviewsOf(db, await scopeOf(`2025-01-01..2026-09-30`), true)).rivals![0]!.since).toBe(since)
  })

  it('are no reviews of the client, wait for nobody here, and are for those alone who may read of rivals', async () => {
    const scope = await scopeOf(SEPTEMBER)
    const { places } = await reviewsOf(db, scope, true)
    expect(places.map(({ profile: each }) => each)).not.toContain(profile)
    const { reviews } = await listReviews(db, scope, reviewFilterSchema.cast({}))
    expect(reviews.map(({ profile: each }) => each)).not.toContain(profile)
    expect(await waitingReviews(db, '2026-10-28')).toEqual(before.waiting)
    expect((await reviewsOf(db, scope, false)).rivals).toBeUndefined()
    const told = async (mayRivals: boolean) => {
      const view = await reviewsOf(db, scope, mayRivals)
      return reviewsBlock.tableOf!({ kind: 'reviews', view } as never, db.timeZone)!.rows.map((row) => row.at(-1))
    }
    expect((await told(true)).filter(Boolean)).toEqual(['Thornapple Park'])
    expect((await told(false)).filter(Boolean)).toEqual([])
  })

  it('of one that is switched off are not shown, and come back', async () => {
    const set = (isActive: number) =>
      pool().query('UPDATE profile SET is_active = ? WHERE profile_id = ?', [isActive, profile])
    await set(0)
    expect((await reviewsOf(db, await scopeOf(SEPTEMBER), true)).rivals).toEqual([])
    await set(1)
    expect((await reviewsOf(db, await scopeOf(SEPTEMBER), true)).rivals).toHaveLength(1)
  })
})
