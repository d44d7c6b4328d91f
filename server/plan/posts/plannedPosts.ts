import { randomUUID } from 'node:crypto'
import { repeatsOf } from '../../../core/plan/repeats'
import { movedByDays, zonedInstant, zonedTime } from '../../../core/plan/zonedInstant'
import { contentSchema, MOST_PLANNED_AHEAD, type PlannedInput, type PlanText } from '../../../shared/plan/plannedPosts'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { badRequest, conflict, notFound } from '../../platform/problems/problem'
import { fileIds, problemsOf } from './planChecks'
import { filesOf, heldById, plannedById, postingsOf, type PlannedRow } from './plannedRows'
import { planSettings } from './planSettings'
import { refuseForeignTargets } from './planTargets'

/** Who writes; somebody who is gone has no number. */
export interface Writer {
  id: number | null
  name: string
}

/** States in which a post can still be changed. */
const CLOSED = ['publishing', 'published']

/** What a post says and shows, of all that was written of it. */
const contentOf = ({ at: _at, isIdea: _isIdea, postings: _postings, ...content }: PlannedInput): PlanText => content

/** @throws Problem 400 when there are too many ahead */
async function refuseMore(db: ClientDb, more = 1): Promise<void> {
  const { ahead } = (await db.one<{ ahead: number }>(sql`
    SELECT COUNT(*) AS ahead
    FROM   planned_post
    WHERE  client_id = ${db.client}
    AND    removed_at IS NULL
    AND    state <> 'published'`))!
  if (Number(ahead) + more > MOST_PLANNED_AHEAD)
    throw badRequest(`${MOST_PLANNED_AHEAD.toLocaleString('en')} posts are planned at the most. Remove some first.`)
}

/** @throws Problem 400 when a picture is not there */
async function refuseForeignFiles(db: ClientDb, content: PlanText): Promise<void> {
  const ids = [...new Set(fileIds(content))]
  if (ids.length > 0 && (await filesOf(db, ids)).length !== ids.length)
    throw badRequest('One of the pictures is not there any more. Take it away and choose another.')
}

const instantOf = (db: ClientDb, at: string): Date | null =>
  at === '' ? null : new Date(zonedInstant(at, db.timeZone))

/**
 * Writes a post down, as an idea or a draft.
 *
 * @returns its number
 * @throws Problem 400 when a profile, a picture or the time is none
 */
export async function addPlanned(db: ClientDb, input: PlannedInput, writer: Writer): Promise<number> {
  return await db.transaction(async (inside) => {
    await refuseMore(inside)
    const content = contentOf(input)
    await refuseForeignFiles(inside, content)
    await refuseForeignTargets(
      inside,
      input.postings.map(({ profile }) => profile),
    )
    const { insertId } = await inside.run(sql`
      INSERT INTO planned_post (client_id, post_key, state, content, planned_at, written_by, written_name)
      VALUES (${db.client}, ${randomUUID()}, ${input.isIdea ? 'idea' : 'draft'}, ${JSON.stringify(content)},
              ${instantOf(db, input.at)}, ${writer.id}, ${writer.name})`)
    await keepPostings(inside, insertId, input)
    return insertId
  })
}

/** Keeps whom a post is for; what has become of it with a profile that stays is kept, and so is where it is out. */
async function keepPostings(db: ClientDb, id: number, { postings }: Pick<PlannedInput, 'postings'>): Promise<void> {
  await db.run(sql`
    DELETE FROM planned_posting
    WHERE  client_id = ${db.client}
    AND    planned_id = ${id}
    AND    profile_id NOT IN (${[0, ...postings.map(({ profile }) => profile)]})
    AND    state <> 'published'`)
  await db.insertRows(
    'planned_posting',
    ['planned_id', 'profile_id', 'own_text', 'is_by_hand'],
    postings.map(({ profile, text, isByHand }) => [id, profile, text, isByHand]),
    ['own_text', 'is_by_hand'],
  )
}

/**
 * Changes a post. What was approved is asked for again; only a change of the time alone leaves it as it was.
 *
 * @returns its new version, and whether it has to be approved again
 * @throws Problem 404, 409 when somebody else has changed it meanwhile or it is out already, 400 when it cannot be
 */
export async function changePlanned(
  db: ClientDb,
  id: number,
  input: PlannedInput,
  version: number,
  writer: Writer,
): Promise<{ version: number; state: PlannedRow['state'] }> {
  const content = contentOf(input)
  return await db.transaction(async (inside) => {
    const before = await heldById(inside, id)
    refuseClosed(before)
    if (before.version !== version)
      throw conflict(
        `${before.writtenName || 'Somebody'} has changed this post meanwhile. Open it again to see what is there now.`,
      )
    const postings = await postingsOf(inside, [id])
    const says = (
      text: PlanText,
      all: readonly { profile: number; text: string | null; isByHand: boolean | number }[],
    ) =>
      JSON.stringify([
        // what was kept before a field came is as if that were empty
        contentSchema.cast(text),
        all.map((each) => [each.profile, each.text, Number(each.isByHand)]).sort((a, b) => Number(a[0]) - Number(b[0])),
      ])
    const isSame = says(before.content, postings) === says(content, input.postings)
    await refuseForeignFiles(inside, content)
    const kept = new Set(postings.map(({ profile }) => profile))
    await refuseForeignTargets(
      inside,
      input.postings.flatMap(({ profile }) => (kept.has(profile) ? [] : [profile])),
    )
    const { needsApproval } = await planSettings(inside)
    const state = stateAfter(before.state, isSame, input.isIdea, needsApproval)
    await inside.run(sql`
      UPDATE planned_post
      SET    content = ${JSON.stringify(content)}, planned_at = ${instantOf(db, input.at)}, state = ${state},
             version = version + ${isSame ? 0 : 1}, changed_at = ${new Date(now())},
             written_by = IF(${isSame ? 1 : 0}, written_by, ${writer.id}),
             written_name = IF(${isSame ? 1 : 0}, written_name, ${writer.name})
      WHERE  client_id = ${db.client}
      AND    planned_id = ${id}`)
    await keepPostings(inside, id, input)
    if (state === 'scheduled') await refuseProblems(inside, await plannedById(inside, id))
    return { version: isSame ? version : version + 1, state }
  })
}

function stateAfter(state: PlannedRow['state'], isSame: boolean, isIdea: boolean, needsApproval: boolean) {
  if (state === 'idea' || state === 'draft') return isIdea ? 'idea' : 'draft'
  if (isSame) return state
  if (state === 'waiting') return 'waiting'
  if (state === 'late' || state === 'failed') return 'draft'
  return needsApproval ? 'waiting' : state
}

function refuseClosed({ state }: PlannedRow): void {
  if (CLOSED.includes(state))
    throw conflict(
      state === 'published'
        ? 'This post is out: what was published is not changed from here.'
        : 'This post is just going out.',
    )
}

/** @throws Problem 400 when something stands in the way of a post */
export async function refuseProblems(db: ClientDb, post: PlannedRow): Promise<void> {
  const problems = await problemsOf(db, post, await postingsOf(db, [post.id]))
  const sentences = [...new Set(problems.flatMap(({ found }) => found.map(({ sentence }) => sentence)))]
  if (sentences.length > 0) throw badRequest(sentences.slice(0, 5).join(' '), { problems })
}

/**
 * Puts a post at another time; what it says, and who has approved that, stays.
 *
 * @throws Problem 404, 409 when it is out, 400 when a scheduled post cannot be then
 */
export async function placePlanned(db: ClientDb, id: number, at: string): Promise<void> {
  await db.transaction(
    async (inside) => await moveTo(inside, await heldById(inside, id), zonedInstant(at, db.timeZone)),
  )
}

/**
 * Puts a post at a time, or takes its time from it, within a transaction.
 *
 * @param at milliseconds since 1970 UTC; undefined for none
 */
export async function moveTo(db: ClientDb, post: PlannedRow, at: number | undefined): Promise<void> {
  refuseClosed(post)
  const plannedAt = at === undefined ? null : new Date(at)
  await db.run(sql`
    UPDATE planned_post
    SET    planned_at = ${plannedAt}, expected = NULL, changed_at = ${new Date(now())}
    WHERE  client_id = ${db.client}
    AND    planned_id = ${post.id}`)
  if (post.state === 'scheduled') await refuseProblems(db, { ...post, plannedAt })
}

/**
 * Puts each of several posts at its time, or takes it from it: all of them or none.
 *
 * @throws Problem 404, 409 when one is out, 400 when one cannot be then
 */
export const setTimes = (db: ClientDb, times: readonly { id: number; at: string }[]): Promise<void> =>
  db.transaction(async (inside) => {
    for (const { id, at } of [...times].sort((a, b) => a.id - b.id))
      await moveTo(inside, await heldById(inside, id), at === '' ? undefined : zonedInstant(at, db.timeZone))
  })

/**
 * Moves many posts by days on the clock, and to a time of the day where one is said: all of them or none.
 *
 * @returns when each was before, to move them back
 * @throws Problem 404, 409 when one is out, 400 when one cannot be then
 */
export async function movePlanned(
  db: ClientDb,
  ids: readonly number[],
  { days, time }: { days: number; time: string },
): Promise<{ id: number; at: string }[]> {
  return await db.transaction(async (inside) => {
    const before: { id: number; at: string }[] = []
    for (const id of [...ids].sort((a, b) => a - b)) {
      const post = await heldById(inside, id)
      if (!post.plannedAt) throw badRequest('One of these has no time yet. Give it one first.')
      const local = zonedTime(movedByDays(post.plannedAt.getTime(), days, db.timeZone), db.timeZone)
      before.push({ id, at: zonedTime(post.plannedAt.getTime(), db.timeZone) })
      await moveTo(inside, post, zonedInstant(time === '' ? local : `${local.slice(0, 10)}T${time}`, db.timeZone))
    }
    return before
  })
}

/** Takes posts away that are not going out just now, or brings them back. @returns how many */
export async function removePlanned(db: ClientDb, ids: readonly number[], isRemoved: boolean): Promise<number> {
  const { affectedRows } = await db.run(sql`
    UPDATE planned_post
    SET    removed_at = ${isRemoved ? new Date() : null}
    WHERE  client_id = ${db.client}
    AND    planned_id IN (${[...ids]})
    AND    (removed_at IS NULL) = ${isRemoved ? 1 : 0}
    AND    state NOT IN (${CLOSED})`)
  return affectedRows
}

/**
 * Writes a post once more, as a draft of its own.
 *
 * @param times  when, in milliseconds since 1970 UTC; null for one without a time
 * @param series the series that they are part of, and the turn that the first of them has
 * @returns      their numbers
 */
export async function writeAgain(
  db: ClientDb,
  post: PlannedRow,
  times: readonly (number | null)[],
  writer: Writer,
  series?: { key: string; turn: number },
): Promise<number[]> {
  await refuseMore(db, times.length)
  const postings = await postingsOf(db, [post.id])
  const ids: number[] = []
  for (const [index, at] of times.entries()) {
    const { insertId } = await db.run(sql`
      INSERT INTO planned_post (client_id, post_key, state, content, planned_at, written_by, written_name, series_key, turn)
      VALUES (${db.client}, ${randomUUID()}, 'draft', ${JSON.stringify(post.content)},
              ${at === null ? null : new Date(at)}, ${writer.id}, ${writer.name}, ${series?.key ?? null},
              ${series ? series.turn + index : 0})`)
    ids.push(insertId)
    await db.insertRows(
      'planned_posting',
      ['planned_id', 'profile_id', 'own_text', 'is_by_hand'],
      postings.map(({ profile, text, isByHand }) => [insertId, profile, text, isByHand]),
    )
  }
  return ids
}

/** A copy of a post, as a draft without a time. */
export const copyPlanned = (db: ClientDb, id: number, writer: Writer): Promise<number> =>
  db.transaction(async (inside) => (await writeAgain(inside, await plannedById(inside, id), [null], writer))[0]!)

/**
 * Repeats a post by a rule: the post is the first of the series, the others are drafts of their own.
 *
 * @returns the numbers of those that are new
 * @throws Problem 400 when it has no time or the rule none that is still to come, 409 when it is part of a series
 */
export async function repeatPlanned(db: ClientDb, id: number, rule: string, writer: Writer): Promise<number[]> {
  return await db.transaction(async (inside) => {
    const post = await heldById(inside, id)
    if (post.seriesKey) throw conflict('This post is part of a series already. Copy it to begin another.')
    if (!post.plannedAt) throw badRequest('Say when the first one is; then it can be repeated.')
    const times = repeatsOf(rule, zonedTime(post.plannedAt.getTime(), db.timeZone), db.timeZone).slice(1)
    if (times.length === 0) throw badRequest('By this rule it comes once, which it does already.')
    const key = randomUUID()
    await inside.run(sql`
      UPDATE planned_post SET series_key = ${key}, turn = 0 WHERE client_id = ${db.client} AND planned_id = ${id}`)
    return await writeAgain(inside, post, times, writer, { key, turn: 1 })
  })
}

/** How many posts a series has. */
export async function seriesLength(db: ClientDb, key: string): Promise<number> {
  const { many } = (await db.one<{ many: number }>(sql`
    SELECT COUNT(*) AS many
    FROM   planned_post
    WHERE  client_id = ${db.client}
    AND    series_key = ${key}
    AND    removed_at IS NULL`))!
  return Number(many)
}

/** @throws Problem 404 when there is none of that number */
export async function removeOne(db: ClientDb, id: number, isRemoved: boolean): Promise<void> {
  if ((await removePlanned(db, [id], isRemoved)) === 0) throw notFound('planned post')
}
