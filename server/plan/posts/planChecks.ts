import {
  NETWORK_RULES,
  nearProblems,
  ruleProblems,
  type PlanContent,
  type RuleProblem,
} from '../../../core/plan/networkRules'
import { variedText } from '../../../core/plan/variations'
import type { PlanText } from '../../../shared/plan/plannedPosts'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { filesOf, mediaOf, otherTimes, type FileRow, type PlannedRow, type PostingRow } from './plannedRows'

const WIDEST_MINUTES = Math.max(...Object.values(NETWORK_RULES).map(({ minutesApart }) => minutesApart))

/**
 * What a profile’s network is given of a post: its own text or that of all, with the variations whose turn it is.
 */
export function contentFor(
  { content, id, turn, seriesKey }: Pick<PlannedRow, 'content' | 'id' | 'turn' | 'seriesKey'>,
  ownText: string | null,
  files: readonly FileRow[],
): PlanContent {
  return {
    ...content,
    text: variedText(ownText ?? content.text, content.variations, seedOf(seriesKey, id), turn),
    media: mediaOf(content, files),
  }
}

/** The same for all times of a series, so that each way of saying something has its turn. */
const seedOf = (series: string | null, id: number): number =>
  series === null ? id : Number.parseInt(series.slice(0, 8), 16)

/** What stands in the way of a post, by profile; 0 is the post itself. */
export async function problemsOf(
  db: ClientDb,
  post: PlannedRow,
  postings: readonly PostingRow[],
): Promise<{ profile: number; found: RuleProblem[] }[]> {
  const files = await filesOf(db, fileIds(post.content))
  const networks = await networksOf(db, postings)
  const near = post.plannedAt ? await timesNear(db, post, postings) : []
  const found = postings.map(({ profile, text }) => {
    const network = networks.get(profile)!
    const others = near.filter((each) => each.profile === profile).map(({ at }) => at.getTime())
    return {
      profile,
      found: [
        ...ruleProblems(contentFor(post, text, files), network),
        ...(post.plannedAt ? nearProblems(post.plannedAt.getTime(), others, network) : []),
      ],
    }
  })
  const own: RuleProblem[] = [
    ...(postings.length === 0 ? [{ field: 'text' as const, sentence: 'Choose at least one profile.' }] : []),
    ...(!post.plannedAt ? [{ field: 'time' as const, sentence: 'Say when.' }] : []),
    ...(post.plannedAt && post.plannedAt.getTime() < now()
      ? [{ field: 'time' as const, sentence: 'That time is over.' }]
      : []),
  ]
  return [{ profile: 0, found: own }, ...found].filter((each) => each.found.length > 0)
}

/** The pictures and videos of a post, and the picture of the page that it links to. */
export const fileIds = ({ media, preview }: PlanText): number[] => [
  ...media.map(({ file }) => file),
  ...(preview?.picture ? [preview.picture] : []),
]

async function networksOf(db: ClientDb, postings: readonly PostingRow[]): Promise<Map<number, string>> {
  const rows = await db.rows<{ id: number; network: string }>(sql`
    SELECT profile_id AS id, network
    FROM   profile
    WHERE  client_id = ${db.client}
    AND    profile_id IN (${postings.map(({ profile }) => profile)})`)
  return new Map(rows.map(({ id, network }) => [id, network]))
}

const timesNear = (db: ClientDb, { id, plannedAt }: PlannedRow, postings: readonly PostingRow[]) =>
  otherTimes(
    db,
    postings.map(({ profile }) => profile),
    id,
    new Date(plannedAt!.getTime() - WIDEST_MINUTES * 60_000),
    new Date(plannedAt!.getTime() + WIDEST_MINUTES * 60_000),
  )
