import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { JobPostponed } from '../../platform/jobs/context'
import { jobModule } from '../../platform/jobs/job'
import { connectionOf } from '../../gather/connectors/connections'
import {
  ConsentWithdrawn,
  NetworkTrouble,
  RateLimited,
  TokenRefused,
  type Outgoing,
} from '../../gather/connectors/connector'
import { connectorFor } from '../../gather/connectors/connectorFor'
import { contentFor, fileIds } from '../posts/planChecks'
import { filesOf, heldById, postingsOf, type PlannedRow } from '../posts/plannedRows'
import { planSettings } from '../posts/planSettings'
import { settle } from '../posts/plannedStates'
import { NETWORK_RULES, textWithLink } from '../../../core/plan/networkRules'
import { PUBLISH } from './jobs'

/** How long to wait before a network that does not answer is asked again, in seconds: longer each time. */
const pauseAfter = (tries: number) => Math.min(300, 5 * 2 ** Math.min(tries, 6))

/** What a posting has come to. */
interface Ending {
  state: 'published' | 'late' | 'failed'
  remoteId?: string
  refusal?: string
  publishedAt?: number
}

/** A posting that this process gives to its network now. */
interface Claimed {
  post: PlannedRow
  tries: number
  outgoing: Outgoing
}

const partsOf = (subject: string) => subject.split(':').map(Number) as [number, number]

/**
 * Takes a posting for giving it to its network, if it is still to be given: what was called back or removed meanwhile
 * is not. That it was taken is kept before the network hears of it, so that whoever comes after a crash asks first.
 */
async function claim(db: ClientDb, id: number, profile: number): Promise<Claimed | undefined> {
  const known = await db.one(sql`
    SELECT planned_id FROM planned_post WHERE client_id = ${db.client} AND planned_id = ${id} AND removed_at IS NULL`)
  if (!known) return undefined
  const post = await heldById(db, id)
  const posting = (await postingsOf(db, [id])).find((each) => each.profile === profile)
  if (!posting || !['scheduled', 'publishing', 'late', 'failed'].includes(post.state)) return undefined
  if (posting.state !== '' && posting.state !== 'publishing') return undefined
  await db.run(sql`
    UPDATE planned_posting
    SET    state = 'publishing', tries = tries + 1
    WHERE  client_id = ${db.client}
    AND    planned_id = ${id}
    AND    profile_id = ${profile}`)
  await settle(db, id)
  const { network } = (await db.one<{ network: string }>(sql`
    SELECT network FROM profile WHERE client_id = ${db.client} AND profile_id = ${profile}`))!
  const content = contentFor(post, posting.text, await filesOf(db, fileIds(post.content)))
  return {
    post,
    tries: posting.tries,
    outgoing: {
      key: `${post.postKey}-${profile}`,
      text: NETWORK_RULES[network]!.takesLink ? textWithLink(content) : content.text,
      heading: content.heading,
      collection: content.collection,
      link: NETWORK_RULES[network]!.takesLink ? content.link : '',
      kind: content.kind,
      startsOn: content.startsOn,
      endsOn: content.endsOn,
      action: post.content.action,
      media: await contentsOf(db, post),
    },
  }
}

/** The pictures and videos of a post with what is in them, in their order. */
async function contentsOf(db: ClientDb, { content }: PlannedRow): Promise<Outgoing['media']> {
  const rows = await db.rows<{ id: number; type: string; content: Buffer }>(sql`
    SELECT file_id AS id, type, content
    FROM   plan_file
    WHERE  client_id = ${db.client}
    AND    file_id IN (${fileIds(content)})`)
  const of = new Map(rows.map((row) => [row.id, row]))
  return content.media.flatMap(({ file, alt }) => {
    const known = of.get(file)
    return known ? [{ type: known.type, alt, bytes: known.content }] : []
  })
}

/** Keeps what a posting has come to; the post follows. */
async function end(db: ClientDb, id: number, profile: number, ending: Ending): Promise<void> {
  const { state, remoteId = null, refusal = '', publishedAt } = ending
  await db.run(sql`
    UPDATE planned_posting
    SET    state = ${state}, remote_id = COALESCE(${remoteId}, remote_id), refusal = ${refusal.slice(0, 400)},
           published_at = ${publishedAt === undefined ? null : new Date(publishedAt)}
    WHERE  client_id = ${db.client}
    AND    planned_id = ${id}
    AND    profile_id = ${profile}
    AND    state = 'publishing'`)
  await settle(db, id)
}

/**
 * Gives a post to its network, exactly once: a key goes with it, and after any try whose end is not known the network is
 * asked for that key first. A refusal is the end, with the network's sentence. While the network does not answer it is
 * tried again, until the post is later than its client allows; then it waits for a decision.
 */
export const publishJob = jobModule(
  PUBLISH,
  async ({ db, job, step, finish }, { decidedAt = 0 }) => {
    const [id, profile] = partsOf(job.subject)
    const claimed = await step((inside) => claim(inside, id, profile))
    if (!claimed) return await finish()
    const { post, tries, outgoing } = claimed
    const publishing = await publisherOf(db, profile)
    if (!publishing) {
      const refusal =
        'The owner of the profile has given no consent, or has taken it back. Send the consent link, under Profiles.'
      return await finish((inside) => end(inside, id, profile, { state: 'failed', refusal }))
    }
    try {
      const found = tries > 0 ? await publishing.find(outgoing.key) : undefined
      const given = found ?? (await publishing.post(outgoing))
      await finish((inside) =>
        end(
          inside,
          id,
          profile,
          typeof given === 'string'
            ? { state: 'failed', refusal: given }
            : { state: 'published', remoteId: given.remoteId, publishedAt: given.publishedAt },
        ),
      )
    } catch (error) {
      if (error instanceof ConsentWithdrawn || error instanceof TokenRefused)
        return await finish((inside) => end(inside, id, profile, { state: 'failed', refusal: error.message }))
      if (!(error instanceof RateLimited || error instanceof NetworkTrouble)) throw error
      const wait = error instanceof RateLimited ? error.seconds : pauseAfter(tries)
      const { lateMinutes } = await planSettings(db)
      const since = Math.max(post.plannedAt!.getTime(), decidedAt)
      if (now() + wait * 1000 - since > lateMinutes * 60_000)
        return await finish((inside) =>
          end(inside, id, profile, {
            state: 'late',
            refusal: `${error.message} It is not known whether it went out; that is asked first.`,
          }),
        )
      throw new JobPostponed(wait, error.message, error instanceof RateLimited)
    }
  },
  async (db, subject) => {
    const [id, profile] = partsOf(subject)
    const refusal = 'Something went wrong here; the log has it. Whether it went out is asked before it is tried again.'
    await db.transaction((inside) => end(inside, id, profile, { state: 'failed', refusal }))
  },
)

async function publisherOf(db: ClientDb, profile: number) {
  const connection = await connectionOf(db, profile)
  return connection?.credentials && connectorFor(connection).publishing
}
