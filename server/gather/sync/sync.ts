import { addDays, dayNumber, daysBetween, type Day } from '../../../core/days/day'
import { dayAt, lastCompleteDay } from '../../../core/days/lastCompleteDay'
import { hasBit } from '../../../core/metrics/columnBits'
import { FACT_COLUMNS, type FactColumn } from '../../../core/metrics/metric'
import { networkById } from '../../../core/networks/networks'
import { SPLITS } from '../../../core/splits/splits'
import { seal, unseal } from '../../platform/people/secrets'
import { now } from '../../platform/clock'
import { httpNetwork } from '../connectors/httpNetwork'
import {
  ConsentWithdrawn,
  NetworkTrouble,
  RateLimited,
  TokenRefused,
  type DaysPage,
  type NetworkConnector,
  type PartsPage,
  type PostsPage,
  type Tokens,
} from '../connectors/network'
import type { ClientDb } from '../../platform/database/clientDb'
import { profileForSync } from '../../figures/questions/profiles'
import type { ProfileRow } from '../../figures/questions/profiles'
import { raw, sql } from '../../platform/database/sql'
import { log } from '../../platform/log'
import { fetchVolume } from './networkVolume'
import { JobFailed, JobPostponed, type JobContext } from '../../platform/jobs/context'
import { jobModule } from '../../platform/jobs/job'
import { moreUrgentWaits } from '../../platform/jobs/queue'
import { SYNC } from './jobs'

/** Figures younger than this are asked for again: networks restate them. */
const RESTATED_DAYS = 7

/**
 * Fetches what a network has for a profile, oldest first: what it will soon forget is safe before anything else. Each
 * page is kept with the progress in one transaction, so that a sync that was killed goes on where it was.
 */
export async function sync(
  context: JobContext,
  connect: (network: string) => NetworkConnector = httpNetwork,
): Promise<void> {
  const { db, job } = context
  const profileId = Number(job.subject)
  const profile = await profileForSync(db, profileId)
  if (!profile) throw new JobFailed('The profile was removed.')
  if (!profile.is_active) throw new JobFailed('The profile is switched off.')
  if (profile.consent === 'withdrawn')
    throw new JobFailed('The owner has withdrawn the consent. Send the consent link.')
  const connector = connect(profile.network)
  try {
    if (profile.tokens) {
      const asOwner = await withTokens(context, connector, profileId, JSON.parse(unseal(profile.tokens)) as Tokens)
      await fetchAll(context, connect, profile, networkById(profile.network).historyDays, {
        days: (from) => asOwner((tokens) => connector.days(tokens, profile.remote_id, from)),
        posts: (from) => asOwner((tokens) => connector.posts(tokens, profile.remote_id, from)),
        ...(givesSplits(profile.network) && {
          parts: (from) => asOwner((tokens) => connector.parts(tokens, profile.remote_id, from)),
        }),
      })
    } else {
      await fetchAll(context, connect, profile, networkById(profile.network).publicDays, {
        days: (from) => connector.publicDays(profile.remote_id, from),
        posts: (from) => connector.publicPosts(profile.remote_id, from),
      })
    }
  } catch (error) {
    await explain(db, profileId, error)
  }
}

/** Says on the profile what went wrong, and decides whether waiting helps. */
async function explain(db: ClientDb, profileId: number, error: unknown): Promise<never> {
  const say = (message: string) =>
    db.run(sql`UPDATE profile SET sync_error = ${message} WHERE client_id = ${db.client} AND profile_id = ${profileId}`)
  if (error instanceof RateLimited) throw new JobPostponed(error.seconds, error.message, true)
  if (error instanceof JobPostponed) throw error
  if (error instanceof ConsentWithdrawn) {
    await db.run(
      sql`UPDATE profile SET consent = 'withdrawn', tokens = NULL WHERE client_id = ${db.client} AND profile_id = ${profileId}`,
    )
    await say(error.message)
    throw new JobFailed(error.message)
  }
  if (error instanceof NetworkTrouble) await say(`${error.message} It is tried again by itself.`)
  throw error
}

/**
 * Asks with the owner's tokens. They are made fresh before they end, and once more when the network does not take them:
 * some end early. Only a refusal to make them fresh means that the consent is gone.
 */
async function withTokens(context: JobContext, connector: NetworkConnector, profileId: number, known: Tokens) {
  let tokens = known
  const refresh = async () => {
    tokens = await connector.refresh(tokens)
    await context.step((db) =>
      db.run(
        sql`UPDATE profile SET tokens = ${seal(JSON.stringify(tokens))} WHERE client_id = ${db.client} AND profile_id = ${profileId}`,
      ),
    )
  }
  if (tokens.until <= now() + 60_000) await refresh()
  let isFresh = false
  return async <T>(ask: (tokens: Tokens) => Promise<T>): Promise<T> => {
    try {
      return await ask(tokens)
    } catch (error) {
      if (!(error instanceof TokenRefused) || isFresh) throw error
      isFresh = true
      await refresh()
      return await ask(tokens)
    }
  }
}

/** What a profile is asked for, page by page: everything, or what anybody can see. */
interface Source {
  days: (from: Day) => Promise<DaysPage>
  posts: (from: Day) => Promise<PostsPage>
  parts?: (from: Day) => Promise<PartsPage>
}

const givesSplits = (network: string): boolean => SPLITS.some(({ networks }) => networks[network] !== undefined)

async function fetchAll(
  context: JobContext,
  connect: (network: string) => NetworkConnector,
  profile: ProfileRow,
  historyDays: number,
  source: Source,
): Promise<void> {
  const last = lastCompleteDay(now(), context.db.timeZone)
  const oldest = addDays(last, 1 - historyDays)
  // each of the three goes on where it was, also when the sync was killed between them
  const since = (known: Day | null): Day => {
    const overlapping = known ? addDays(known, 1 - RESTATED_DAYS) : oldest
    return overlapping < oldest ? oldest : overlapping
  }
  const from = since(profile.synced_to)
  const total = Math.max(1, daysBetween(from, last) + 1)
  if (!profile.synced_to)
    await context.step((db) =>
      db.run(
        sql`UPDATE profile SET first_fetch = 1 WHERE client_id = ${db.client} AND profile_id = ${profile.profile_id}`,
      ),
    )
  const heard = { days: new Set<Day>(), twice: 0, restated: 0 }
  let next: Day | undefined = from
  while (next && next <= last) {
    const page: DaysPage = await source.days(next)
    for (const { day } of page.data) {
      if (heard.days.has(day)) heard.twice++
      heard.days.add(day)
    }
    heard.restated += await context.step(
      (db) => keepDays(db, profile.profile_id, page),
      () => ({
        total,
        done: page.through ? daysBetween(from, page.through) + 1 : total,
        mark: markOf(0, page.through),
        message: page.through ? `Figures up to ${page.through}` : 'No new figures',
      }),
    )
    next = page.next
    await giveWay(context.db)
  }
  next = since(profile.posts_to)
  while (next && next <= last) {
    const page: PostsPage = await source.posts(next)
    await context.step(
      (db) => keepPosts(db, profile.profile_id, page),
      () => ({ mark: markOf(1, page.through) }),
    )
    await giveWay(context.db)
    next = page.next
  }
  next = source.parts && since(profile.parts_to)
  while (next && next <= last) {
    const page: PartsPage = await source.parts!(next)
    await context.step(
      (db) => keepParts(db, profile.profile_id, page),
      () => ({ mark: markOf(2, page.through) }),
    )
    await giveWay(context.db)
    next = page.next
  }
  // the subject's own volume is a second thing: without it the profile's figures are complete all the same
  await fetchVolume(profile.network, last, connect).catch((error: unknown) =>
    log.warn({ err: error, network: profile.network }, 'volume not fetched'),
  )
  await context.finish(
    async (db) => {
      await db.run(
        sql`UPDATE profile SET synced_at = NOW(), first_fetch = 0, sync_error = NULL WHERE client_id = ${db.client}
          AND profile_id = ${profile.profile_id}`,
      )
    },
    outcome(last, { asked: total, absent: total - heard.days.size, twice: heard.twice, restated: heard.restated }),
  )
}

export const syncJob = jobModule(SYNC, (context) => sync(context))

/** How far a sync has come: first the days, then the posts, then the splits, each to its day. */
const markOf = (stage: number, through: Day | undefined): number =>
  stage * 1_000_000 + (through ? dayNumber(through) : 0)

/** Somebody waits for an import: a sync, which can be broken off after any page, goes on when that is written. */
async function giveWay(db: ClientDb): Promise<void> {
  if (await moreUrgentWaits(db, SYNC)) throw new JobPostponed(1, 'Goes on when the import is written.')
}

/** What a sync has brought, with everything that was out of the ordinary and how it ended. */
function outcome(
  last: Day,
  { asked, absent, twice, restated }: { asked: number; absent: number; twice: number; restated: number },
): string {
  const days = (count: number) => `${count} ${count === 1 ? 'day' : 'days'}`
  return [
    `Figures up to ${last}`,
    ...(absent > 0
      ? [
          `of the ${days(asked)} asked for last, ${absent} ${absent === 1 ? 'is' : 'are'} missing at the ` +
            'network; a gap stays a gap until it fills it',
        ]
      : []),
    ...(twice > 0 ? [`${days(twice)} came twice and count once`] : []),
    ...(restated > 0 ? [`${days(restated)} restated`] : []),
  ].join('; ')
}

type StoredDay = { day: Day; imported: number } & Record<FactColumn, number | null>

/**
 * Keeps a page of days. A figure that was imported stands; a figure that the network restates replaces the old one, and
 * the change is kept.
 *
 * @returns how many days were restated
 */
export async function keepDays(
  db: ClientDb,
  profileId: number,
  page: Pick<DaysPage, 'data' | 'through'>,
): Promise<number> {
  let restatedDays = 0
  if (page.data.length > 0) {
    const stored = await db.rows<StoredDay>(sql`
      SELECT day, imported, ${raw(FACT_COLUMNS.join(', '))}
      FROM   profile_day
      WHERE  client_id = ${db.client}
      AND    profile_id = ${profileId}
      AND    day BETWEEN ${page.data[0]!.day} AND ${page.data.at(-1)!.day}
      FOR UPDATE`)
    const before = new Map(stored.map((row) => [row.day, row]))
    const seenAt = new Date()
    const rows: unknown[][] = []
    const restated: unknown[][] = []
    for (const given of page.data) {
      const old = before.get(given.day)
      const values = FACT_COLUMNS.map((column) => {
        const kept = old?.[column] ?? null
        return old && kept !== null && hasBit(old.imported, column) ? kept : (given[column] ?? kept)
      })
      if (old && FACT_COLUMNS.every((column, index) => (old[column] ?? null) === values[index])) continue
      rows.push([profileId, given.day, ...values, seenAt])
      FACT_COLUMNS.forEach((column, index) => {
        const was = old?.[column] ?? null
        if (was !== null && was !== values[index]) restated.push([profileId, given.day, column, was, values[index]])
      })
    }
    await db.insertRows('profile_day', ['profile_id', 'day', ...FACT_COLUMNS, 'changed_at'], rows, [
      ...FACT_COLUMNS,
      'changed_at',
    ])
    restatedDays = new Set(restated.map(([, day]) => day)).size
    await db.insertRows('restatement', ['profile_id', 'day', 'metric', 'old_value', 'new_value'], restated)
  }
  if (page.through) {
    await db.run(sql`
      UPDATE profile
      SET    synced_to = GREATEST(COALESCE(synced_to, ${page.through}), ${page.through})
      WHERE  client_id = ${db.client}
      AND    profile_id = ${profileId}`)
  }
  return restatedDays
}

/** Notes how far posts or splits have come. */
async function reached(
  db: ClientDb,
  profileId: number,
  what: 'posts_to' | 'parts_to',
  through: Day | undefined,
): Promise<void> {
  if (!through) return
  await db.run(sql`
    UPDATE profile SET ${raw(what)} = GREATEST(COALESCE(${raw(what)}, ${through}), ${through})
    WHERE client_id = ${db.client} AND profile_id = ${profileId}`)
}

async function keepPosts(db: ClientDb, profileId: number, page: PostsPage): Promise<void> {
  const figures = ['impressions', 'reactions', 'comments', 'shares', 'saves'] as const
  await db.insertRows(
    'post',
    ['profile_id', 'remote_id', 'published_at', 'day', 'format', 'text', ...figures],
    page.data.map((post) => [
      // the client's day, whatever day it was where the network counts
      profileId,
      post.remoteId,
      new Date(post.publishedAt),
      dayAt(Date.parse(post.publishedAt), db.timeZone),
      post.format,
      post.text,
      ...figures.map((figure) => post[figure] ?? null),
    ]),
    ['day', 'text', ...figures],
  )
  await reached(db, profileId, 'posts_to', page.through)
}

/** Keeps a page of splits. What a network gives for a day replaces what it gave before. */
async function keepParts(db: ClientDb, profileId: number, { data, through }: PartsPage): Promise<void> {
  const known = data.filter(
    ({ split, value }) => SPLITS.some(({ id }) => id === split) && Number.isInteger(value) && value >= 0,
  )
  await db.insertRows(
    'profile_day_part',
    ['profile_id', 'split', 'day', 'part', 'value'],
    known.map(({ split, day, part, value }) => [profileId, split, day, part.slice(0, 80), value]),
    ['value'],
  )
  await reached(db, profileId, 'parts_to', through)
}
