import { NETWORK_RULES, textWithLink } from '../../../core/plan/networkRules'
import { settledState } from '../../../core/plan/postStates'
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
  type Capabilities,
  type Outgoing,
} from '../../gather/connectors/connector'
import { connectorFor } from '../../gather/connectors/connectorFor'
import { contentFor, fileIds } from '../posts/planChecks'
import { filesOf, heldByIds, postingsOf, type FileRow, type PlannedRow, type PostingRow } from '../posts/plannedRows'
import { planSettings } from '../posts/planSettings'
import { setStates } from '../posts/plannedStates'
import { PUBLISH } from './jobs'

/** How many posts are taken together, and how many of them are given at a time. */
const [TOGETHER, AT_A_TIME] = [25, 4]
/** How long to wait before a network that does not answer is asked again, in seconds: longer each time. */
const pauseAfter = (tries: number) => Math.min(300, 5 * 2 ** Math.min(tries, 6))

/** A post that is given to its network now. */
interface Claimed {
  post: PlannedRow
  posting: PostingRow
  files: readonly FileRow[]
}

/** What a posting has come to; nothing where it goes on being tried. */
interface Ending {
  claimed: Claimed
  state: 'published' | 'late' | 'failed'
  remoteId?: string
  refusal?: string
  publishedAt?: number
}

/**
 * Takes the posts of a profile that are to be given to its network now: what was called back or removed meanwhile is
 * not. That they were taken is kept before the network hears of them, so that whoever comes after a crash asks first.
 */
async function claim(db: ClientDb, profile: number, lateMs: number): Promise<Claimed[]> {
  const due = await db.rows<{ id: number }>(sql`
    SELECT   p.planned_id AS id
    FROM     planned_posting y
    JOIN     planned_post p ON p.client_id = y.client_id AND p.planned_id = y.planned_id
    WHERE    y.client_id = ${db.client}
    AND      y.profile_id = ${profile}
    AND      (y.state = 'publishing' OR (y.state = '' AND y.is_by_hand = 0 AND p.planned_at > ${new Date(now() - lateMs)}))
    AND      p.planned_at <= ${new Date(now())}
    AND      p.state IN ('scheduled', 'publishing', 'late', 'failed')
    AND      p.removed_at IS NULL
    ORDER BY p.planned_at, p.planned_id
    LIMIT    ${TOGETHER}`)
  if (due.length === 0) return []
  // read again once nobody else can change them
  const held = await heldByIds(
    db,
    due.map(({ id }) => id),
  )
  const posts = held.filter(({ state }) => ['scheduled', 'publishing', 'late', 'failed'].includes(state))
  const postings = await postingsOf(
    db,
    posts.map(({ id }) => id),
  )
  const files = await filesOf(db, [...new Set(posts.flatMap(({ content }) => fileIds(content)))])
  const claimed = posts.flatMap((post) => {
    const posting = postings.find((each) => each.planned === post.id && each.profile === profile)
    return posting && (posting.state === '' || posting.state === 'publishing') ? [{ post, posting, files }] : []
  })
  const ids = claimed.map(({ post }) => post.id)
  await db.run(sql`
    UPDATE planned_posting
    SET    state = 'publishing', tries = tries + 1
    WHERE  client_id = ${db.client}
    AND    profile_id = ${profile}
    AND    planned_id IN (${ids})`)
  await setStates(
    db,
    new Map(
      claimed.map(({ post }) => [
        post.id,
        settledState(
          postings
            .filter(({ planned }) => planned === post.id)
            .map((each) => (each.profile === profile ? 'publishing' : each.state)),
        ),
      ]),
    ),
  )
  return claimed
}

/** A post as its network is given it. */
async function outgoingOf(db: ClientDb, network: string, { post, posting, files }: Claimed): Promise<Outgoing> {
  const content = contentFor(post, posting.text, files)
  const { takesLink } = NETWORK_RULES[network]!
  return {
    key: keyOf(post, posting),
    text: takesLink ? textWithLink(content) : content.text,
    heading: content.heading,
    collection: content.collection,
    link: takesLink ? content.link : '',
    kind: content.kind,
    startsOn: content.startsOn,
    endsOn: content.endsOn,
    action: post.content.action,
    ...(await shownOf(db, post, takesLink)),
  }
}

/** The same for a post and a profile, however often it is given. */
const keyOf = ({ postKey }: PlannedRow, { profile }: PostingRow): string => `${postKey}-${profile}`

/** What a post shows, with what is in it: its pictures and videos in their order, or the page that it links to. */
async function shownOf(
  db: ClientDb,
  { content }: PlannedRow,
  takesLink: boolean | undefined,
): Promise<Pick<Outgoing, 'media' | 'preview'>> {
  const ids = fileIds(content)
  const rows =
    ids.length === 0
      ? []
      : await db.rows<{ id: number; type: string; bytes: Buffer }>(sql`
          SELECT file_id AS id, type, content AS bytes
          FROM   plan_file
          WHERE  client_id = ${db.client}
          AND    file_id IN (${ids})`)
  const of = new Map(rows.map(({ id, ...file }) => [id, file]))
  const media = content.media.flatMap(({ file, alt }) => (of.has(file) ? [{ ...of.get(file)!, alt }] : []))
  const { preview } = content
  if (!preview || !takesLink || content.link === '' || media.length > 0) return { media }
  const picture = preview.picture === null ? undefined : of.get(preview.picture)
  return { media, preview: { title: preview.title, description: preview.description, ...(picture && { picture }) } }
}

/** Keeps what postings have come to; their posts follow. */
async function end(db: ClientDb, endings: readonly Ending[]): Promise<void> {
  if (endings.length === 0) return
  for (const { claimed, state, remoteId = null, refusal = '', publishedAt } of endings)
    await db.run(sql`
      UPDATE planned_posting
      SET    state = ${state}, remote_id = COALESCE(${remoteId}, remote_id), refusal = ${refusal.slice(0, 400)},
             published_at = ${publishedAt === undefined ? null : new Date(publishedAt)}
      WHERE  client_id = ${db.client}
      AND    planned_id = ${claimed.post.id}
      AND    profile_id = ${claimed.posting.profile}
      AND    state = 'publishing'`)
  const ids = endings.map(({ claimed }) => claimed.post.id)
  const postings = await postingsOf(db, ids)
  await setStates(
    db,
    new Map(
      ids.map((id) => [id, settledState(postings.filter(({ planned }) => planned === id).map(({ state }) => state))]),
    ),
  )
}

/** Gives one post; after a try whose end is not known, the network is asked for it first. */
async function give(
  db: ClientDb,
  { network, publishing }: { network: string; publishing: Capabilities['publishing'] },
  claimed: Claimed,
): Promise<Ending> {
  const { post, posting } = claimed
  const found = posting.tries > 0 ? await publishing.find(keyOf(post, posting)) : undefined
  const given = found ?? (await publishing.post(await outgoingOf(db, network, claimed)))
  return typeof given === 'string'
    ? { claimed, state: 'failed', refusal: given }
    : { claimed, state: 'published', remoteId: given.remoteId, publishedAt: given.publishedAt }
}

/** What follows where the network is in trouble: it is tried again, until the post is later than its client allows. */
function afterTrouble(claimed: Claimed, error: RateLimited | NetworkTrouble, lateMs: number): Ending | number {
  const { post, posting } = claimed
  const wait = error instanceof RateLimited ? error.seconds : pauseAfter(posting.tries)
  const since = Math.max(post.plannedAt!.getTime(), posting.decidedAt?.getTime() ?? 0)
  if (now() + wait * 1000 - since <= lateMs) return wait
  const refusal = `${error.message} Whether it went out is not known; that is asked before it is given again.`
  return { claimed, state: 'late', refusal }
}

/**
 * Gives posts to the network of a profile, each exactly once: a key goes with it, and after any try whose end is not
 * known the network is asked for that key first. A refusal is the end, with the network's sentence. While the network
 * does not answer it is tried again, until a post is later than its client allows; then it waits for a decision.
 */
export const publishJob = jobModule(
  PUBLISH,
  async ({ db, job, step, finish }) => {
    const profile = Number(job.subject)
    const lateMs = (await planSettings(db)).lateMinutes * 60_000
    for (;;) {
      const batch = await step((inside) => claim(inside, profile, lateMs))
      if (batch.length === 0) return await finish()
      const endings: Ending[] = []
      let trouble: { error: RateLimited | NetworkTrouble; wait: number } | undefined
      const publisher = await publisherOf(db, profile)
      const lane = async (from: number) => {
        for (let index = from; index < batch.length && !trouble; index += AT_A_TIME) {
          const claimed = batch[index]!
          if (!publisher) {
            endings.push({ claimed, state: 'failed', refusal: NO_CONSENT })
            continue
          }
          try {
            endings.push(await give(db, publisher, claimed))
          } catch (error) {
            if (error instanceof ConsentWithdrawn || error instanceof TokenRefused)
              endings.push({ claimed, state: 'failed', refusal: error.message })
            else if (error instanceof RateLimited || error instanceof NetworkTrouble) {
              const after = afterTrouble(claimed, error, lateMs)
              if (typeof after === 'number') trouble = { error, wait: after }
              else endings.push(after)
            } else throw error
          }
        }
      }
      await Promise.all(Array.from({ length: AT_A_TIME }, (_, from) => lane(from)))
      await step((inside) => end(inside, endings))
      if (trouble) throw new JobPostponed(trouble.wait, trouble.error.message, trouble.error instanceof RateLimited)
    }
  },
  async (db, subject) => {
    const refusal = 'Something went wrong here; the log has it. Whether it went out is asked before it is given again.'
    await db.transaction(async (inside) => {
      const rows = await inside.rows<{ id: number }>(sql`
        SELECT planned_id AS id
        FROM   planned_posting
        WHERE  client_id = ${db.client}
        AND    profile_id = ${Number(subject)}
        AND    state = 'publishing'`)
      const postings = await postingsOf(
        inside,
        rows.map(({ id }) => id),
      )
      const own = postings.filter(({ profile, state }) => profile === Number(subject) && state === 'publishing')
      const posts = await heldByIds(
        inside,
        own.map(({ planned }) => planned),
      )
      await end(
        inside,
        own.flatMap((posting): Ending[] => {
          const post = posts.find(({ id }) => id === posting.planned)
          return post ? [{ claimed: { post, posting, files: [] }, state: 'failed', refusal }] : []
        }),
      )
    })
  },
)

const NO_CONSENT =
  'The profile is switched off, or its owner has given no consent. Switch it on or send the consent link, under Profiles.'

async function publisherOf(db: ClientDb, profile: number) {
  const row = await db.one<{ isActive: number }>(sql`
    SELECT is_active AS isActive FROM profile WHERE client_id = ${db.client} AND profile_id = ${profile}`)
  if (row?.isActive !== 1) return undefined
  const connection = await connectionOf(db, profile)
  const publishing = connection?.credentials && connectorFor(connection).publishing
  return publishing && { network: connection.connector, publishing }
}
