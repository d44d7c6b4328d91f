import { addDays, daysBetween, type Day } from '../../core/days/day'
import { lastCompleteDay } from '../../core/days/lastCompleteDay'
import { FACT_COLUMNS, type FactColumn } from '../../core/metrics/metric'
import { networkById } from '../../core/networks/networks'
import { seal, unseal } from '../auth/secrets'
import { now } from '../clock'
import { httpNetwork } from '../connectors/httpNetwork'
import { ConsentWithdrawn, NetworkTrouble, RateLimited, type DaysPage, type NetworkConnector, type PostsPage, type Tokens } from '../connectors/network'
import type { ClientDb } from '../db/clientDb'
import { profileForSync, type ProfileRow } from '../db/questions/profiles'
import { raw, sql } from '../db/sql'
import { JobFailed, JobPostponed, type JobContext } from './context'

/** Figures younger than this are asked for again: networks restate them. */
const RESTATED_DAYS = 7

/**
 * Fetches what a network has for a profile, oldest first: what it will soon forget is safe before anything else. Each page is kept with the
 * progress in one transaction, so that a sync that was killed goes on where it was.
 */
export async function sync(context: JobContext, connect: (network: string) => NetworkConnector = httpNetwork): Promise<void> {
  const { db, job } = context
  const profileId = Number(job.subject)
  const profile = await profileForSync(db, profileId)
  if (!profile) throw new JobFailed('The profile was removed.')
  if (!profile.is_active) throw new JobFailed('The profile is switched off.')
  if (!profile.tokens) throw new JobFailed('The owner has not given consent yet. Send the consent link.')
  const connector = connect(profile.network)
  try {
    const tokens = await freshTokens(context, connector, profileId, JSON.parse(unseal(profile.tokens)) as Tokens)
    await fetchAll(context, connector, profile, tokens)
  } catch (error) {
    await explain(db, profileId, error)
  }
}

/** Says on the profile what went wrong, and decides whether waiting helps. */
async function explain(db: ClientDb, profileId: number, error: unknown): Promise<never> {
  const say = (message: string) => db.run(sql`UPDATE profile SET sync_error = ${message} WHERE client_id = ${db.client} AND profile_id = ${profileId}`)
  if (error instanceof RateLimited) throw new JobPostponed(error.seconds, error.message)
  if (error instanceof ConsentWithdrawn) {
    await db.run(sql`UPDATE profile SET consent = 'withdrawn', tokens = NULL WHERE client_id = ${db.client} AND profile_id = ${profileId}`)
    await say(error.message)
    throw new JobFailed(error.message)
  }
  if (error instanceof NetworkTrouble) await say(`${error.message} It is tried again by itself.`)
  throw error
}

async function freshTokens(context: JobContext, connector: NetworkConnector, profileId: number, tokens: Tokens): Promise<Tokens> {
  if (tokens.until > now() + 60_000) return tokens
  const fresh = await connector.refresh(tokens)
  await context.step((db) => db.run(sql`UPDATE profile SET tokens = ${seal(JSON.stringify(fresh))} WHERE client_id = ${db.client} AND profile_id = ${profileId}`))
  return fresh
}

async function fetchAll(context: JobContext, connector: NetworkConnector, profile: ProfileRow, tokens: Tokens): Promise<void> {
  const last = lastCompleteDay(now(), context.db.timeZone)
  const oldest = addDays(last, 1 - networkById(profile.network).historyDays)
  const overlapping = profile.synced_to ? addDays(profile.synced_to, 1 - RESTATED_DAYS) : oldest
  const from = overlapping < oldest ? oldest : overlapping
  const total = Math.max(1, daysBetween(from, last) + 1)
  if (!profile.synced_to) await context.step((db) => db.run(sql`UPDATE profile SET first_fetch = 1 WHERE client_id = ${db.client} AND profile_id = ${profile.profile_id}`))
  let next: Day | undefined = from
  while (next) {
    const page: DaysPage = await connector.days(tokens, profile.remote_id, next)
    await context.step((db) => keepDays(db, profile.profile_id, page), () => ({
      total, done: page.through ? daysBetween(from, page.through) + 1 : total, message: page.through ? `Figures up to ${page.through}` : 'No new figures',
    }))
    next = page.next
  }
  next = from
  while (next) {
    const page: PostsPage = await connector.posts(tokens, profile.remote_id, next)
    await context.step((db) => keepPosts(db, profile.profile_id, page))
    next = page.next
  }
  await context.finish(async (db) => {
    await db.run(sql`UPDATE profile SET synced_at = NOW(), first_fetch = 0, sync_error = NULL WHERE client_id = ${db.client} AND profile_id = ${profile.profile_id}`)
  }, `Figures up to ${last}`)
}

type StoredDay = { day: Day; import_id: number | null } & Record<FactColumn, number | null>

/** Keeps a page of days. A figure that was imported stands; a figure that the network restates replaces the old one, and the change is kept. */
export async function keepDays(db: ClientDb, profileId: number, page: Pick<DaysPage, 'data' | 'through'>): Promise<void> {
  if (page.data.length > 0) {
    const stored = await db.rows<StoredDay>(sql`
      SELECT day, import_id, ${raw(FACT_COLUMNS.join(', '))}
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
        return old?.import_id && kept !== null ? kept : given[column] ?? kept
      })
      if (old && FACT_COLUMNS.every((column, index) => (old[column] ?? null) === values[index])) continue
      rows.push([profileId, given.day, ...values, seenAt])
      FACT_COLUMNS.forEach((column, index) => {
        const was = old?.[column] ?? null
        if (was !== null && was !== values[index]) restated.push([profileId, given.day, column, was, values[index]])
      })
    }
    await db.insertRows('profile_day', ['profile_id', 'day', ...FACT_COLUMNS, 'changed_at'], rows, [...FACT_COLUMNS, 'changed_at'])
    await db.insertRows('restatement', ['profile_id', 'day', 'metric', 'old_value', 'new_value'], restated)
  }
  if (page.through) {
    await db.run(sql`
      UPDATE profile
      SET    synced_to = GREATEST(COALESCE(synced_to, ${page.through}), ${page.through})
      WHERE  client_id = ${db.client}
      AND    profile_id = ${profileId}`)
  }
}

async function keepPosts(db: ClientDb, profileId: number, page: PostsPage): Promise<void> {
  const figures = ['impressions', 'reactions', 'comments', 'shares', 'saves'] as const
  await db.insertRows('post', ['profile_id', 'remote_id', 'published_at', 'day', 'format', 'text', ...figures], page.data.map((post) => [
    profileId, post.remoteId, new Date(post.publishedAt), post.day, post.format, post.text, ...figures.map((figure) => post[figure] ?? null),
  ]), ['text', ...figures])
}
