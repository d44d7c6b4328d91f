import { addDays, dayNumber, daysBetween, weekday, type Day } from '../../../core/days/day'
import { lastCompleteDay } from '../../../core/days/lastCompleteDay'
import { networkById } from '../../../core/networks/networks'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { JobFailed, JobPostponed, type JobContext } from '../../platform/jobs/context'
import { jobModule } from '../../platform/jobs/job'
import { moreUrgentWaits } from '../../platform/jobs/queue'
import { applyRules } from '../../figures/tagging'
import { profileById } from '../../figures/questions/profileRows'
import { isThere } from './isThere'
import { connectionOf, keepCredentials, reached, type ProfileConnection } from '../connectors/connections'
import { ConsentWithdrawn, NetworkTrouble, RateLimited, type Connector } from '../connectors/connector'
import { connectorFor } from '../connectors/connectorFor'
import { SYNC } from './jobs'
import { log } from '../../platform/log'
import { keepPictures } from './keepPictures'
import { oneAhead } from './oneAhead'
import { outcome } from './outcome'
import { FIGURES, STREAMS, type Page, type Stream } from './streams'

/** Figures younger than this are asked for again: networks restate them. */
const RESTATED_DAYS = 7
/** Posts are asked about again while they are young; once a week, those of five weeks. */
const YOUNG_DAYS = 10
const WEEKLY_DAYS = 35
const againDays = (stream: string, last: Day): number =>
  stream !== 'posts' ? RESTATED_DAYS : weekday(last) === 7 ? WEEKLY_DAYS : YOUNG_DAYS

/**
 * Fetches what a network has for a profile, stream by stream, oldest first: what it will soon forget is safe before
 * anything else. Each page is kept with the progress in one transaction, so that a sync that was killed goes on where
 * it was; the next one is asked for meanwhile.
 */
export async function sync(context: JobContext): Promise<void> {
  const { db, job } = context
  const profileId = Number(job.subject)
  const profile = await profileById(db, profileId)
  const connection = await connectionOf(db, profileId)
  if (!profile || !connection) throw new JobFailed('The profile was removed.')
  if (!profile.is_active) throw new JobFailed('The profile is switched off.')
  if (profile.consent === 'withdrawn')
    throw new JobFailed('The owner has withdrawn the consent. Send the consent link.')
  try {
    if (await isThere(context, profile, connection)) await fetchAll(context, profileId, connection)
  } catch (error) {
    await explain(db, profileId, connection.id, error)
  }
}

/** Says on the profile what went wrong, and decides whether waiting helps. */
async function explain(db: ClientDb, profileId: number, connectionId: number, error: unknown): Promise<never> {
  const say = (message: string) =>
    db.run(sql`UPDATE profile SET sync_error = ${message} WHERE client_id = ${db.client} AND profile_id = ${profileId}`)
  if (error instanceof RateLimited) throw new JobPostponed(error.seconds, error.message, true)
  if (error instanceof JobPostponed) throw error
  if (error instanceof ConsentWithdrawn) {
    await db.transaction(async (inside) => {
      await keepCredentials(inside, connectionId, undefined)
      await inside.run(
        sql`UPDATE profile SET consent = 'withdrawn' WHERE client_id = ${inside.client} AND profile_id = ${profileId}`,
      )
    })
    await say(error.message)
    throw new JobFailed(error.message)
  }
  if (error instanceof NetworkTrouble) await say(`${error.message} It is tried again by itself.`)
  throw error
}

async function fetchAll(context: JobContext, profileId: number, connection: ProfileConnection): Promise<void> {
  const connector = connectorFor(connection)
  const { historyDays, publicDays } = networkById(connection.connector)
  const last = lastCompleteDay(now(), context.db.timeZone)
  // each stream goes on where it was, also when the sync was killed between them
  const since = ({ id, isOpenWhole }: Stream): Day => {
    const oldest = addDays(last, 1 - (connection.credentials || isOpenWhole ? historyDays : publicDays))
    const known = connection.cursors[id]
    const overlapping = known ? addDays(known, 1 - againDays(id, last)) : oldest
    return overlapping < oldest ? oldest : overlapping
  }
  if (!connection.cursors.figures)
    await context.step((db) =>
      db.run(sql`UPDATE profile SET first_fetch = 1 WHERE client_id = ${db.client} AND profile_id = ${profileId}`),
    )
  const from = since(FIGURES)
  const total = Math.max(1, daysBetween(from, last) + 1)
  const heard = { days: new Set<Day>(), twice: 0, restated: 0 }
  for await (const { stage, stream, page } of oneAhead(pagesOf(connector, connection.connector, since, last))) {
    if (stream.id === 'figures')
      for (const { day } of page.data as { day: Day }[]) {
        if (heard.days.has(day)) heard.twice++
        heard.days.add(day)
      }
    heard.restated += await context.step(
      async (db) => {
        const restated = await stream.keep(db, profileId, page)
        if (page.through) await reached(db, connection.id, stream.id, page.through)
        return restated
      },
      () => ({
        mark: markOf(stage, page.through),
        ...(stream.id === 'figures' && {
          total,
          done: page.through ? daysBetween(from, page.through) + 1 : total,
          message: page.through ? `Figures up to ${page.through}` : 'No new figures',
        }),
      }),
    )
    await giveWay(context.db)
  }
  // what a post shows is a second thing: without it the figures are complete all the same
  if (connector.picture)
    await keepPictures(context.db, profileId, connector.picture).catch((error: unknown) =>
      log.warn({ err: error, profile: profileId }, 'pictures not fetched'),
    )
  await context.finish(
    async (db) => {
      await applyRules(db, { profile: profileId })
      await db.run(sql`
        UPDATE profile
        SET    synced_at = NOW(), first_fetch = 0, sync_error = NULL
        WHERE  client_id = ${db.client}
        AND    profile_id = ${profileId}`)
    },
    outcome(last, { asked: total, absent: total - heard.days.size, twice: heard.twice, restated: heard.restated }),
  )
}

export const syncJob = jobModule(SYNC, sync)

interface StreamPage {
  stage: number
  stream: Stream
  page: Page
}

/** The pages of all streams up to a day, one stream after the other, each from where it goes on. */
async function* pagesOf(
  connector: Connector,
  network: string,
  since: (stream: Stream) => Day,
  last: Day,
): AsyncGenerator<StreamPage> {
  for (const [stage, stream] of STREAMS.entries()) {
    const ask = stream.from(connector, network)
    let next: Day | undefined = ask && since(stream)
    while (ask && next && next <= last) {
      const page: Page = await ask(next)
      yield { stage, stream, page }
      next = page.next
    }
  }
}

/** How far a sync has come: stream by stream, each to its day. */
const markOf = (stage: number, through: Day | undefined): number =>
  stage * 1_000_000 + (through ? dayNumber(through) : 0)

/** Somebody waits for an import: a sync, which can be broken off after any page, goes on when that is written. */
async function giveWay(db: ClientDb): Promise<void> {
  if (await moreUrgentWaits(db, SYNC)) throw new JobPostponed(1, 'Goes on when the import is written.')
}
