import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { enqueue } from '../../platform/jobs/queue'
import { badRequest, conflict, notFound } from '../../platform/problems/problem'
import { isApproved, say, settle } from '../posts/plannedStates'
import { heldById, postingsOf } from '../posts/plannedRows'
import { planSettings } from '../posts/planSettings'
import { PUBLISH } from './jobs'

/**
 * Says what becomes of a post with one profile: that somebody has published it by hand, with its address; that it goes
 * out now, where it failed or is late; or that it is left out there.
 *
 * @throws Problem 404, 409 when there is nothing to decide, 400 when it was changed since it was approved
 */
export async function decide(
  db: ClientDb,
  id: number,
  profile: number,
  { decision, address }: { decision: string; address: string },
  who: string,
): Promise<void> {
  await db.transaction(async (inside) => {
    const post = await heldById(inside, id)
    const postings = await postingsOf(inside, [id])
    const posting = postings.find((each) => each.profile === profile)
    if (!posting) throw notFound('planned post')
    const isOpen = posting.state === 'failed' || posting.state === 'late' || posting.state === 'to do'
    const isByHand = posting.isByHand === 1 && posting.state !== 'published' && post.state !== 'publishing'
    if (!isOpen && !(decision === 'published' && isByHand))
      throw conflict('There is nothing to decide about it just now.')
    if (decision === 'again') {
      if (posting.isByHand === 1) throw badRequest('This one is published by hand. Say when that is done.')
      if ((await planSettings(inside)).needsApproval && !isApproved(post))
        throw badRequest('It was changed since it was approved. Ask for approval again.')
      await begin(inside, id, profile)
      await enqueue(inside, PUBLISH, profile, {})
    } else if (decision === 'leave') {
      if (postings.length === 1) throw badRequest('It is on this profile alone. Remove the post instead.')
      await inside.run(sql`
        DELETE FROM planned_posting
        WHERE  client_id = ${db.client}
        AND    planned_id = ${id}
        AND    profile_id = ${profile}`)
    } else {
      await inside.run(sql`
        UPDATE planned_posting
        SET    state = 'published', address = ${address || null}, refusal = '', published_at = ${publishedAt(post.plannedAt)}
        WHERE  client_id = ${db.client}
        AND    planned_id = ${id}
        AND    profile_id = ${profile}`)
      // what is published by hand may be so before its time, or without ever having been scheduled
      await inside.run(sql`
        UPDATE planned_post
        SET    planned_at = COALESCE(planned_at, ${new Date(now())}),
               state = IF(state IN ('idea', 'draft', 'waiting', 'approved'), 'scheduled', state)
        WHERE  client_id = ${db.client}
        AND    planned_id = ${id}`)
    }
    await settle(inside, id)
    await say(inside, post, who, decision)
  })
}

/** What was planned for a time that is over was published then, as far as anybody knows; anything else just now. */
const publishedAt = (plannedAt: Date | null): Date =>
  plannedAt && plannedAt.getTime() < now() ? plannedAt : new Date(now())

/** Takes a posting out of those that wait; its job tells the rest. */
const begin = (db: ClientDb, id: number, profile: number) =>
  db.run(sql`
    UPDATE planned_posting
    SET    state = 'publishing', refusal = '', decided_at = ${new Date(now())}
    WHERE  client_id = ${db.client}
    AND    planned_id = ${id}
    AND    profile_id = ${profile}`)
