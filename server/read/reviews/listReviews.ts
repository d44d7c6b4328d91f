import { Unreadable } from '../../../core/unreadable'
import { REVIEWS_PER_PAGE, type Review, type ReviewFilter, type ReviewsPage } from '../../../shared/read/reviews'
import type { ResolvedScope } from '../../figures/resolveScope'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { aboutOf, answeredAt, reviewRows, type After, type ReviewRow } from './reviewRows'
import { listingsIn, placesByListing } from './reviews'
import { wantedHours } from './wantedHours'

/** So many rows are asked for together, and so many times at the most for one page. */
const TOGETHER = 200
const MOST_ASKED = 100
const HOUR = 3_600_000

const markOf = ({ writtenAt, profile, id }: ReviewRow): string => `${writtenAt.getTime()}.${profile}.${id}`

/** @throws Unreadable when a page cannot begin there */
function afterOf(mark: string): After | undefined {
  if (mark === '') return undefined
  const found = /^(\d{1,15})\.(\d{1,9})\.([\w.:-]{1,40})$/.exec(mark)
  if (!found) throw new Unreadable('The list cannot go on from there. Begin it anew.')
  return { writtenAt: new Date(Number(found[1])), profile: Number(found[2]), id: found[3]! }
}

/**
 * A page of the reviews of a scope, the newest first. Rows are asked for some at a time until the page is full: how a
 * review sounds is known only when it is read.
 *
 * @param withDrafts  whether what is written here and not sent is told: that is the agency's work
 */
export async function listReviews(
  db: ClientDb,
  scope: ResolvedScope,
  filter: ReviewFilter,
  withDrafts = true,
): Promise<ReviewsPage> {
  const listings = new Map((await listingsIn(db, scope)).map(({ id, name }) => [id, name]))
  const places = await placesByListing(db)
  const hours = await wantedHours(db)
  const wanted = [...listings.keys()].filter((id) => filter.place === '' || places.get(id)?.id === Number(filter.place))
  const found: Review[] = []
  let after = afterOf(filter.after)
  for (let asked = 0; asked < MOST_ASKED; asked++) {
    const rows = await reviewRows(db, wanted, scope.period, TOGETHER, after)
    for (const row of rows) {
      const review = viewOf(row, hours, withDrafts)
      if (!isMeant(review, filter)) continue
      if (found.length === REVIEWS_PER_PAGE) return { reviews: found, next: markOf(after as unknown as ReviewRow) }
      found.push({
        ...review,
        listing: listings.get(row.profile)!,
        ...(places.has(row.profile) && { place: places.get(row.profile)! }),
      })
      after = row
    }
    if (rows.length < TOGETHER) return { reviews: found }
    after = rows.at(-1)!
  }
  return { reviews: found, next: markOf(after as unknown as ReviewRow) }
}

function viewOf(row: ReviewRow, hours: number, withDrafts: boolean): Omit<Review, 'listing'> {
  const about = aboutOf(row)
  const at = answeredAt(row)
  return {
    profile: row.profile,
    id: row.id,
    writtenAt: row.writtenAt,
    author: row.author,
    language: row.language,
    stars: row.stars,
    text: row.text,
    ...(about && { about }),
    ...(at && { answeredAt: at }),
    ...(row.answer ? { answer: row.answer } : row.replyState === 'sent' ? { answer: row.replyText! } : {}),
    isLate: !at && now() - row.writtenAt.getTime() > hours * HOUR,
    ...(withDrafts &&
      row.replyState && {
        reply: {
          text: row.replyText!,
          state: row.replyState,
          refusal: row.refusal ?? '',
          changedAt: row.replyChangedAt!,
        },
      }),
  }
}

const isMeant = (review: Omit<Review, 'listing'>, { state, stars, mood, about }: ReviewFilter): boolean =>
  (state === '' || (state === 'answered' ? review.answeredAt !== undefined : review.answeredAt === undefined)) &&
  (state !== 'late' || review.isLate) &&
  (stars === '' || stars.split(',').includes(String(review.stars))) &&
  (mood === '' || review.about?.mood === mood) &&
  (about === '' || review.about?.subjects.some((subject) => subject === about) === true)
