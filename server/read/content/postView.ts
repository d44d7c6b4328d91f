import { addDays } from '../../../core/days/day'
import { dayAt } from '../../../core/days/lastCompleteDay'
import { POST_COUNTS } from '../../../core/datasets/datasets'
import { buildUp, timeToHalf, usualBuildUp, valueAtAge, type AgePoint } from '../../../core/posts/buildUp'
import { codesIn } from '../../../core/links/linkCode'
import { POST_FIGURE_KINDS, postFigureById, postValue, type PostCounts } from '../../../core/posts/postFigures'
import { median } from '../../../core/statistics/median'
import { LEAST_POSTS } from '../../../core/why/carryingPosts'
import type { PostFigureView, PostLife, PostView, TagReason } from '../../../shared/read/post'
import { looksAt, type PostLook } from '../../figures/questions/postLives'
import { notesIn } from '../../figures/questions/notes'
import { POST_COLUMNS, postById, type PostRow } from '../../figures/questions/posts'
import { profileById } from '../../figures/questions/profileRows'
import { ruleRows } from '../../figures/tagging'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { notFound } from '../../platform/problems/problem'
import { clicksOfCodes } from '../links/visits'
import { listedPost, withTags } from './listPosts'
import { retentionOf } from './retentionOf'
import { seenByAll } from './seenByAll'

/** With how many others, and of how many days before it, a post is compared. */
const MOST_OTHERS = 200
const PAST_DAYS = 364
/** After how many hours posts are no longer told apart by their age. */
const OLD_HOURS = 168
/** At which ages the usual build-up is told, in hours: closer while posts are young. */
const AGES = [1, 2, 3, 4, 6, 8, 12, 16, 20, 24, 30, 36, 48, 60, 72, 96, 120, 144, 168]
/** For how many days after it the notes of a post are of its days. */
const NOTE_DAYS = 7

/**
 * Everything that is known of a post: what it has brought, how that came, beside the other posts of its profile and
 * format at the same age, and why it has its tags.
 *
 * @throws Problem 404 when the client has no such post
 */
export async function postView(db: ClientDb, profileId: number, id: string): Promise<PostView> {
  const [stored, profile] = [await postById(db, profileId, id), await profileById(db, profileId)]
  if (!stored || !profile) throw notFound('post')
  const isRival = profile.is_rival === 1
  const shown = <Counted extends PostCounts>(counted: Counted) => (isRival ? seenByAll(counted) : counted)
  const row = shown(stored)
  const others = (await othersOf(db, row)).map(shown)
  const ids = [id, ...others.map(({ remote_id: other }) => other)]
  const looks = groupById((await looksAt(db, profileId, ids)).map(shown))
  const own = looks.get(id) ?? []
  const isWatched = own.length > 0
  const newest = own.at(-1)?.at ?? new Date(now())
  const ageHours = Math.min(OLD_HOURS, Math.max(0, (newest.getTime() - row.published_at.getTime()) / 3_600_000))
  const isOld = ageHours >= OLD_HOURS
  // those that were looked at at that age; where they are too few, also what those that are old have now
  const watched = others.flatMap((other) => countsAtAge(other, looks.get(other.remote_id) ?? [], ageHours) ?? [])
  const peers =
    watched.length >= LEAST_POSTS || !isOld
      ? watched
      : others.filter(({ published_at: at }) => now() - at.getTime() >= OLD_HOURS * 3_600_000)
  const there = isWatched && isOld ? (countsAtAge(row, own, ageHours) ?? row) : row
  const [post] = await withTags(db, [listedPost({ allProfiles: [profile] }, row)])
  const retention = isRival ? undefined : await retentionOf(db, row, others)
  const day = dayAt(row.published_at.getTime(), db.timeZone)
  return {
    post: post!,
    profile: { id: profileId, name: profile.name, networkName: profile.networkName },
    ageHours,
    others: peers.length,
    figures: figuresOf(row, there, peers),
    life: {
      interactions: lifeOf(row, own, others, looks, 'interactions'),
      impressions: lifeOf(row, own, others, looks, 'impressions'),
    },
    ...(retention && { retention }),
    isPaid: (row.paid_impressions ?? 0) > 0,
    links: await clicksOfCodes(db, codesIn(row.text)),
    tags: await reasonsOf(db, profileId, id),
    notes: await notesIn(db, { from: day, to: addDays(day, NOTE_DAYS) }),
  }
}

/** The posts that a post is compared with: of its profile and format, unpaid, of the year before it and since. */
const othersOf = (db: ClientDb, post: PostRow): Promise<PostRow[]> =>
  db.rows<PostRow>(sql`
    SELECT   ${POST_COLUMNS}
    FROM     post p
    WHERE    p.client_id = ${db.client}
    AND      p.profile_id = ${post.profile_id}
    AND      p.format = ${post.format}
    AND      p.day BETWEEN ${addDays(post.day, -PAST_DAYS)} AND ${addDays(post.day, PAST_DAYS)}
    AND      COALESCE(p.paid_impressions, 0) = 0
    AND      p.remote_id <> ${post.remote_id}
    ORDER BY ABS(DATEDIFF(p.day, ${post.day})), p.remote_id
    LIMIT    ${MOST_OTHERS}`)

function groupById(looks: readonly PostLook[]): ReadonlyMap<string, PostLook[]> {
  const groups = new Map<string, PostLook[]>()
  for (const look of looks) {
    const own = groups.get(look.id)
    if (own) own.push(look)
    else groups.set(look.id, [look])
  }
  return groups
}

/** What was counted of a post at an age; undefined where nobody looked around it. */
function countsAtAge(post: PostRow, looks: readonly PostLook[], hours: number): PostCounts | undefined {
  const counts: PostCounts = {}
  for (const count of POST_COUNTS) {
    const value = valueAtAge(pointsOf(post, looks, [count]), hours)
    if (value !== undefined) counts[count] = value
  }
  return Object.keys(counts).length > 0 ? counts : undefined
}

function pointsOf(post: PostRow, looks: readonly PostLook[], columns: readonly (keyof PostCounts)[]): AgePoint[] {
  return buildUp(
    post.published_at,
    looks.map((look) => {
      const known = columns.map((column) => look[column]).filter((value) => value !== null)
      return { at: look.at, value: known.length === 0 ? null : known.reduce((sum, value) => sum + value, 0) }
    }),
  )
}

/** Every figure that a post has, and the median of the others at its age where there are enough of them. */
const figuresOf = (now: PostCounts, then: PostCounts, peers: readonly PostCounts[]): PostFigureView[] =>
  POST_FIGURE_KINDS.flatMap((kind) => {
    const value = postValue(now, kind)
    if (!value) return []
    const own = postValue(then, kind)?.value
    const others = peers.flatMap((peer) => postValue(peer, kind)?.value ?? [])
    const isComparable = own !== undefined && others.length >= LEAST_POSTS
    return [
      {
        id: kind.id,
        ...value,
        ...(isComparable && { usual: { own, value: median(others)!, posts: others.length } }),
      },
    ]
  })

function lifeOf(
  post: PostRow,
  own: readonly PostLook[],
  others: readonly PostRow[],
  looks: ReadonlyMap<string, PostLook[]>,
  figure: 'interactions' | 'impressions',
): PostLife {
  const { top } = postFigureById(figure)
  const points = pointsOf(post, own, top)
  const half = timeToHalf(points)
  return {
    points,
    usual: usualBuildUp(
      others.map((other) => pointsOf(other, looks.get(other.remote_id) ?? [], top)),
      AGES,
      LEAST_POSTS,
    ),
    ...(half && { half }),
  }
}

/** Why a post has its tags. */
async function reasonsOf(db: ClientDb, profile: number, id: string): Promise<TagReason[]> {
  const rows = await db.rows<{
    tag: number
    name: string
    colour: number
    rule: number
    by: string | null
    at: Date
  }>(sql`
    SELECT   t.tag_id AS tag, g.name, g.colour, t.rule_id AS rule, w.name AS \`by\`, t.tagged_at AS at
    FROM     post_tag t
    JOIN     tag g ON g.client_id = t.client_id AND g.tag_id = t.tag_id AND g.removed_at IS NULL
    LEFT JOIN person w ON w.person_id = t.tagged_by
    WHERE    t.client_id = ${db.client}
    AND      t.profile_id = ${profile}
    AND      t.remote_id = ${id}
    ORDER BY g.name, t.rule_id`)
  const rules = rows.some(({ rule }) => rule > 0) ? await ruleRows(db) : []
  const reasons = new Map<number, TagReason>()
  for (const { tag, name, colour, rule, by, at } of rows) {
    const reason = reasons.get(tag) ?? { tag, name, colour, rules: [] }
    reasons.set(tag, reason)
    const known = rules.find((each) => each.id === rule)
    if (rule === 0) reason.byHand = { by, at }
    else if (known) reason.rules.push({ id: rule, words: ruleWords(known) })
  }
  return [...reasons.values()]
}

/** What a rule asks for, in words. */
const ruleWords = ({
  any,
  all,
  none,
  hashtags,
  formats,
}: Record<'any' | 'all' | 'none' | 'hashtags' | 'formats', string>) =>
  [
    any && `any of ${any}`,
    all && `all of ${all}`,
    none && `none of ${none}`,
    hashtags && `hashtag ${hashtags}`,
    formats && `format ${formats.replaceAll(',', ' or ')}`,
  ]
    .filter(Boolean)
    .join('; ')
