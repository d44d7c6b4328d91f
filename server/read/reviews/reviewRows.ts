import type { Mood, Subject } from '../../../core/reviews/reviewAbout'
import { reviewAbout } from '../../../core/reviews/reviewAbout'
import type { Review, ReplyState } from '../../../shared/read/reviews'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'

/** A review as its row has it, with what somebody has said of it and what is written here. */
export interface ReviewRow {
  profile: number
  id: string
  writtenAt: Date
  day: string
  author: string
  language: string
  stars: number | null
  text: string
  answeredAt: Date | null
  answer: string | null
  readMood: Mood | null
  readSubjects: string | null
  replyText: string | null
  replyState: ReplyState | null
  refusal: string | null
  replyChangedAt: Date | null
  sentAt: Date | null
}

/** Where a page of reviews begins: after one that was written at a time. */
export interface After {
  writtenAt: Date
  profile: number
  id: string
}

/** Reviews of listings over some days, the newest first. */
export const reviewRows = (
  db: ClientDb,
  profiles: readonly number[],
  { from, to }: { from: string; to: string },
  most: number,
  after?: After,
): Promise<ReviewRow[]> =>
  db.rows<ReviewRow>(sql`
    SELECT    r.profile_id AS profile, r.remote_id AS id, r.written_at AS writtenAt, r.day, r.author, r.language,
              r.stars, r.text, r.answered_at AS answeredAt, r.answer, g.mood AS readMood, g.subjects AS readSubjects,
              y.text AS replyText, y.state AS replyState, y.refusal, y.changed_at AS replyChangedAt, y.sent_at AS sentAt
    FROM      review r
    LEFT JOIN review_reading g
              ON g.client_id = r.client_id AND g.profile_id = r.profile_id AND g.remote_id = r.remote_id
    LEFT JOIN review_reply y
              ON y.client_id = r.client_id AND y.profile_id = r.profile_id AND y.remote_id = r.remote_id
    WHERE     r.client_id = ${db.client}
    AND       r.profile_id IN (${[...profiles]})
    AND       r.day BETWEEN ${from} AND ${to}
    AND       (${after ? 0 : 1} OR (r.written_at, r.profile_id, r.remote_id) <
                                   (${after?.writtenAt ?? null}, ${after?.profile ?? null}, ${after?.id ?? null}))
    ORDER BY  r.written_at DESC, r.profile_id DESC, r.remote_id DESC
    LIMIT     ${most}`)

/** What a review is about: as somebody has read it, or else by its words. */
export function aboutOf(row: ReviewRow): Review['about'] {
  if (row.readMood !== null)
    return {
      mood: row.readMood,
      subjects: (row.readSubjects ?? '').split(',').filter(Boolean) as Subject[],
      isByHand: true,
    }
  const about = row.text === '' ? undefined : reviewAbout(row.text, row.language)
  return about && { ...about, isByHand: false }
}

/** When a review was answered: as the network says, or by an answer that it has taken from here. */
export const answeredAt = ({ answeredAt: at, replyState, sentAt }: ReviewRow): Date | undefined =>
  at ?? (replyState === 'sent' ? (sentAt ?? undefined) : undefined)
