import { addDays, type Day } from '../../../core/days/day'
import { lastCompleteDay } from '../../../core/days/lastCompleteDay'
import { farPosts, newHashtags, PAST_DAYS, silenceIn, type SeenPost } from '../../../core/field/rivalWatch'
import type { SightingKind } from '../../../shared/compare/sightings'
import { OPEN_OR_NONE } from '../../figures/questions/openInteractions'
import { profilesOf, type ProfileRow } from '../../figures/questions/profileRows'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { jobModule } from '../../platform/jobs/job'
import { rivalsAmong, type Group } from './groups'
import { FIELD_WATCH } from './jobs'

/** A post is looked at for so many days after it; it can come to be far above usual later than on its first. */
const NEW_POST_DAYS = 14
/** New hashtags are told of four weeks, before which a year is looked at. */
const LOOK_BACK_DAYS = PAST_DAYS + 28
/** Of how many posts of one rival at most, the newest. */
const MOST_POSTS = 20_000
/** So much of a text is kept. */
const LONGEST_TEXT = 300
/** A hashtag that is longer is none that anybody would look for. */
const LONGEST_TAG = 100
/** What an entry is about takes no more room than this. */
const LONGEST_SUBJECT = 120

/** An entry as it is kept. */
export interface NewSighting {
  kind: SightingKind
  profile: number
  subject: string
  day: Day
  from?: Day
  amount?: number
  usual?: number
  text?: string
}

/** Looks what the rivals of a client did that is not as usual, and keeps each once. @returns how many are new */
export async function watchField(db: ClientDb): Promise<number> {
  const last = lastCompleteDay(now(), db.timeZone)
  let many = 0
  for (const rival of rivalsAmong(await profilesOf(db))) many += await keepSightings(db, await seenOf(db, rival, last))
  return many
}

/** What is to be said of one rival. */
async function seenOf(db: ClientDb, { id: lead, profiles }: Group, last: Day): Promise<NewSighting[]> {
  const posts = await postsOf(
    db,
    profiles.map(({ profile_id: id }) => id),
    last,
  )
  const known = identitiesOf(profiles)
  const far = farPosts(posts, addDays(last, 1 - NEW_POST_DAYS), last).map(
    ({ post, profile, day, interactions, usual }): NewSighting => ({
      kind: 'post',
      profile,
      subject: post,
      day,
      amount: interactions,
      usual,
      text: posts.find((each) => each.profile === profile && each.id === post)!.text,
    }),
  )
  // where a profile could not be fetched, its posts are missing, and nobody is silent for that
  const there = profiles.filter(({ gone_on: gone }) => gone === null)
  if (there.length === 0 || there.some(({ synced_to: through }) => through === null)) return [...known, ...far]
  const to = there.reduce((first, { synced_to: through }) => (through! < first ? through! : first), last)
  const silence = silenceIn(posts, to)
  return [
    ...known,
    ...far,
    ...(silence
      ? [
          {
            kind: 'silence' as const,
            profile: lead,
            subject: silence.since,
            day: silence.day,
            from: silence.since,
            amount: silence.longest,
          },
        ]
      : []),
    ...newHashtags(posts, to)
      .filter(({ tag }) => [...tag].length <= LONGEST_TAG)
      .map(
        ({ tag, from, day }): NewSighting => ({ kind: 'hashtag', profile: lead, subject: tag, day, from, text: tag }),
      ),
  ]
}

/** Profiles that have another handle than before, and those that their network no longer has. */
const identitiesOf = (profiles: readonly ProfileRow[]): NewSighting[] =>
  profiles.flatMap(({ profile_id: profile, handle, former_handle: former, renamed_on: renamed, gone_on: gone }) => [
    ...(former !== null && renamed !== null
      ? [
          {
            kind: 'renamed' as const,
            profile,
            subject: `${former} ${handle}`.slice(0, LONGEST_SUBJECT),
            day: renamed,
            text: `${former}\n${handle}`,
          },
        ]
      : []),
    ...(gone !== null ? [{ kind: 'gone' as const, profile, subject: gone, day: gone, text: handle }] : []),
  ])

async function postsOf(db: ClientDb, profiles: readonly number[], last: Day): Promise<SeenPost[]> {
  const rows = await db.rows<{ id: string; profile: number; day: Day; text: string; interactions: number | null }>(sql`
    SELECT   p.remote_id AS id, p.profile_id AS profile, p.day, p.text,
             ${OPEN_OR_NONE} AS interactions
    FROM     post p
    WHERE    p.client_id = ${db.client}
    AND      p.profile_id IN (${[...profiles]})
    AND      p.day BETWEEN ${addDays(last, -LOOK_BACK_DAYS)} AND ${last}
    ORDER BY p.published_at DESC, p.profile_id, p.remote_id
    LIMIT    ${MOST_POSTS}`)
  return rows.map(({ interactions, ...post }) => ({
    ...post,
    ...(interactions !== null && { interactions: Number(interactions) }),
  }))
}

/** Keeps entries, each once: what was seen before stays as it was then. @returns how many are new */
export async function keepSightings(db: ClientDb, seen: readonly NewSighting[]): Promise<number> {
  if (seen.length === 0) return 0
  const known = new Set(
    (
      await db.rows<{ kind: string; profile: number; subject: string }>(sql`
        SELECT kind, profile_id AS profile, subject
        FROM   sighting
        WHERE  client_id = ${db.client}
        AND    profile_id IN (${[...new Set(seen.map(({ profile }) => profile))]})`)
    ).map(keyOf),
  )
  const fresh = seen.filter((one) => !known.has(keyOf(one)))
  await db.insertRows(
    'sighting',
    ['kind', 'profile_id', 'subject', 'day', 'from_day', 'amount', 'usual', 'text', 'seen_at'],
    fresh.map(({ kind, profile, subject, day, from, amount, usual, text = '' }) => [
      kind,
      profile,
      subject,
      day,
      from ?? null,
      amount ?? null,
      usual ?? null,
      [...text].slice(0, LONGEST_TEXT).join(''),
      new Date(now()),
    ]),
  )
  return fresh.length
}

const keyOf = ({ kind, profile, subject }: { kind: string; profile: number; subject: string }): string =>
  `${kind} ${profile} ${subject}`

/** The job that looks. */
export const watchFieldJob = jobModule(FIELD_WATCH, ({ finish }) => finish(watchField, 'The rivals were looked at.'))
