import { isSought, joinFound, ranksOf, type FoundListing, type RankKind } from '../../../core/ranks/found'
import type { LatLon } from '../../../core/ranks/greatCircle'
import { gridPoints, middleOf } from '../../../core/ranks/rankGrid'
import { inFirst } from '../../../core/ranks/rankFigures'
import type { Day } from '../../../core/days/day'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { JobFailed, type JobContext } from '../../platform/jobs/context'
import { jobModule } from '../../platform/jobs/job'
import { Problem } from '../../platform/problems/problem'
import { RANK_CHECK } from './jobs'
import { giveBackPoints, takePoints } from './rankAllowance'
import { soughtFor, todayOf, watchById, type KeptWatch } from './rankWatches'

/** How many points are asked for at once. */
const TOGETHER = 50

/** Begins the check of a day, and takes its points from the allowance: once, also when it is begun again after a crash. */
async function begin(db: ClientDb, { id, points }: KeptWatch, sought: string, day: Day): Promise<boolean> {
  const known = await db.one<{ isDone: number }>(sql`
    SELECT checked_at IS NOT NULL AS isDone
    FROM   rank_check
    WHERE  client_id = ${db.client} AND watch_id = ${id} AND day = ${day}`)
  if (known) return known.isDone === 0
  await takePoints(db, points, day)
  await db.run(sql`
    INSERT INTO rank_check (client_id, watch_id, day, points, sought)
    VALUES (${db.client}, ${id}, ${day}, ${points}, ${sought.slice(0, 300)})`)
  return true
}

/** What a person can mend is a failure that says so; everything else is tried again. */
async function orFailed<T>(work: () => Promise<T>): Promise<T> {
  try {
    return await work()
  } catch (error) {
    if (error instanceof Problem) throw new JobFailed(error.message)
    throw error
  }
}

/** What finds something from each of some points. */
type Ask = (query: {
  keyword: string
  kind: RankKind
  day: Day
  points: readonly LatLon[]
}) => Promise<FoundListing[][]>

/** Looks where something stands in the results of a search, from each of its points. */
async function checkRanks({ db, job, step, finish }: JobContext, ask: Ask): Promise<void> {
  const watch = await orFailed(() => watchById(db, Number(job.subject)))
  const day = todayOf(db)
  const sought = await orFailed(() => soughtFor(db, watch.place.id, watch.kind))
  const isBegun = await orFailed(() => step((inside) => begin(inside, watch, sought, day)))
  if (!isBegun) return await finish(undefined, 'It was checked today already.')
  const points = gridPoints(watch, watch.grid)
  const found: FoundListing[][] = []
  for (let from = 0; from < points.length; from += TOGETHER) {
    const some = points.slice(from, from + TOGETHER)
    found.push(...(await ask({ keyword: watch.keyword, kind: watch.kind, day, points: some })))
    await step(
      async () => {},
      () => ({ done: found.length, total: points.length, message: `${found.length} of ${points.length} points` }),
    )
  }
  const joined = joinFound(found)
  const own = ranksOf(joined, (id) => isSought(watch.kind, sought, id))
  await finish(
    (inside) =>
      inside.run(sql`
        UPDATE rank_check
        SET    found = ${JSON.stringify(joined)}, here = ${own[middleOf(watch.grid)]!}, in_first = ${inFirst(own)},
               checked_at = ${new Date(now())}
        WHERE  client_id = ${inside.client} AND watch_id = ${watch.id} AND day = ${day}`),
    points.length === 1 ? 'Checked.' : `${points.length} points were checked.`,
  )
}

/** What came to nothing is not counted against the allowance. */
async function forgetBegun(db: ClientDb, subject: string): Promise<void> {
  await db.transaction(async (inside) => {
    const begun = await inside.rows<{ day: Day; points: number }>(sql`
      SELECT day, points
      FROM   rank_check
      WHERE  client_id = ${inside.client} AND watch_id = ${Number(subject)} AND checked_at IS NULL
      FOR    UPDATE`)
    for (const { day, points } of begun) await giveBackPoints(inside, points, day)
    await inside.run(sql`
      DELETE FROM rank_check
      WHERE  client_id = ${inside.client} AND watch_id = ${Number(subject)} AND checked_at IS NULL`)
  })
}

/** The job that looks, by what asks the source. */
export const checkRanksJob = (ask: Ask) => jobModule(RANK_CHECK, (context) => checkRanks(context, ask), forgetBegun)
