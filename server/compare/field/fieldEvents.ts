import { addDays, daysBetween, type Day } from '../../../core/days/day'
import { lastCompleteDay } from '../../../core/days/lastCompleteDay'
import type { Period } from '../../../core/periods/period'
import {
  fieldEventsSchema,
  type EventPart,
  type FieldEvents,
  type FieldEventsQuery,
  type FilledFieldEvents,
} from '../../../shared/compare/fieldEvents'
import { ANY_OPEN, OPEN_INTERACTIONS } from '../../figures/questions/openInteractions'
import { tagNames } from '../../figures/questions/postTags'
import type { ProfileRow } from '../../figures/questions/profileRows'
import type { ReportBlock } from '../../figures/reportBlock'
import type { ResolvedScope } from '../../figures/resolveScope'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { forbidden, NOT_RELEASED } from '../../platform/problems/problem'
import { count, day, number, text } from '../../platform/tables/columns'
import { groupsOf } from './groups'

/**
 * An event that comes again, through the field: what each profile has posted with a tag around its days, this year and
 * the years before. Members that post in other rhythms are compared by the event and by the post, and not by the month.
 */
export async function fieldEvents(db: ClientDb, scope: ResolvedScope, query: FieldEventsQuery): Promise<FieldEvents> {
  const { before, after } = query
  const days = [...new Set(query.on.split(',').filter(Boolean))].sort()
  const tag = (await tagNames(db)).find(({ id }) => id === query.tag)
  if (!tag) return { before, after, days, rows: [] }
  const { groups } = await groupsOf(db, scope, query)
  const members = groups.flatMap(({ id: member, name, isOwn, profiles }) =>
    profiles.map((profile) => ({ member, name, isOwn, profile })),
  )
  const last = lastCompleteDay(now(), db.timeZone)
  const parts = new Map<Day, ReadonlyMap<number, Counted>>()
  for (const on of days)
    parts.set(
      on,
      await countedIn(
        db,
        members.map(({ profile }) => profile.profile_id),
        tag.id,
        { from: addDays(on, -before), to: addDays(on, after) },
      ),
    )
  return {
    tag,
    before,
    after,
    days,
    rows: members.map(({ profile, ...member }) => ({
      ...member,
      profile: profile.profile_id,
      profileName: profile.name,
      networkName: profile.networkName,
      parts: days.map((on): EventPart => {
        const end = addDays(on, after)
        const over = { from: addDays(on, -before), to: end < last ? end : last }
        const found = parts.get(on)!.get(profile.profile_id)
        return {
          on,
          posts: found?.posts ?? 0,
          counted: found?.counted ?? 0,
          ...(found && found.counted > 0 && { interactions: found.interactions }),
          known: lengthWithin(over, profile),
          of: Math.max(0, daysBetween(over.from, over.to) + 1),
        }
      }),
    })),
  }
}

/** Of how many days of a window a profile is known. */
function lengthWithin({ from, to }: Period, { oldest, synced_to: through }: ProfileRow): number {
  if (oldest === null || through === null) return 0
  const [first, last] = [from > oldest ? from : oldest, to < through ? to : through]
  return Math.max(0, daysBetween(first, last) + 1)
}

interface Counted {
  posts: number
  counted: number
  interactions: number
}

async function countedIn(
  db: ClientDb,
  profiles: readonly number[],
  tag: number,
  { from, to }: Period,
): Promise<ReadonlyMap<number, Counted>> {
  if (profiles.length === 0) return new Map()
  const rows = await db.rows<{ profile: number; posts: number; counted: number; interactions: number }>(sql`
    SELECT   p.profile_id AS profile, COUNT(*) AS posts,
             COUNT(${ANY_OPEN}) AS counted,
             SUM(${OPEN_INTERACTIONS}) AS interactions
    FROM     post p
    WHERE    p.client_id = ${db.client}
    AND      p.profile_id IN (${[...profiles]})
    AND      p.day BETWEEN ${from} AND ${to}
    AND      EXISTS (SELECT 1 FROM post_tag t WHERE t.client_id = p.client_id AND t.profile_id = p.profile_id
               AND t.remote_id = p.remote_id AND t.tag_id = ${tag})
    GROUP BY p.profile_id`)
  return new Map(
    rows.map(({ profile, posts, counted, interactions }) => [
      profile,
      { posts: Number(posts), counted: Number(counted), interactions: Number(interactions) },
    ]),
  )
}

export const fieldEventsBlock: ReportBlock<FilledFieldEvents> = {
  fill: async ({ db, scope, block, sight }) => {
    if (!sight.rivals) throw forbidden(NOT_RELEASED)
    return { events: await fieldEvents(db, scope, fieldEventsSchema.cast(block, { stripUnknown: true })) }
  },
  tableOf: ({ events: { tag, before, after, rows } }) => ({
    name: 'An event through the field',
    columns: [
      text('Tag'),
      day('Day of the event'),
      count('Days before'),
      count('Days after'),
      text('Member'),
      text('Profile'),
      text('Network'),
      count('Posts'),
      count('Interactions'),
      number('For each post'),
      count('Days known'),
      count('Days'),
    ],
    rows: rows.flatMap(({ name, profileName, networkName, parts }) =>
      parts.map(({ on, posts, interactions, counted, known, of }) => [
        tag?.name ?? '',
        on,
        before,
        after,
        name,
        profileName,
        networkName,
        known > 0 ? posts : null,
        interactions,
        interactions === undefined ? null : interactions / counted,
        known,
        of,
      ]),
    ),
  }),
}
