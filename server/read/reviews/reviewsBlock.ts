import type { PlaceReviews } from '../../../shared/read/reviews'
import type { FilledReviews } from '../../../shared/read/reviewsBlock'
import type { ReportBlock } from '../../figures/reportBlock'
import { count, number, share, text } from '../../platform/tables/columns'
import type { Table } from '../../platform/tables/table'
import { reviewsOf } from './reviews'

/** A listing as a row; how far its mean is drawn to all is said of the client’s own alone. */
const rowOf = (
  { name, rating, stars, shrunk, answering }: Omit<PlaceReviews, 'profile'>,
  rival: string,
): Table['rows'][number] => [
  name,
  answering.reviews,
  rating.mean,
  rating.spread,
  shrunk,
  ...stars,
  answering.waiting,
  answering.inTime?.answered,
  answering.inTime?.of,
  answering.inTime?.share,
  answering.medianHours,
  rival,
]

export const reviewsBlock: ReportBlock<FilledReviews> = {
  fill: async ({ db, scope, sight }) => ({ view: await reviewsOf(db, scope, sight.rivals) }),
  tableOf: ({ view: { places, rivals = [] } }) => ({
    name: 'Reviews',
    columns: [
      text('Place'),
      count('Reviews'),
      number('Mean of the stars'),
      number('Spread'),
      number('Drawn to all'),
      ...[1, 2, 3, 4, 5].map((stars) => count(stars === 1 ? '1 star' : `${stars} stars`)),
      count('Waiting'),
      count('Answered in time'),
      count('Of those whose time is over'),
      share('Share answered in time'),
      number('Median hours to an answer'),
      text('Rival'),
    ],
    rows: [...places.map((place) => rowOf(place, '')), ...rivals.map(({ rival, ...listing }) => rowOf(listing, rival))],
  }),
  missingIn: ({ view }) => [
    ...(view.all.answering.reviews === 0 ? ['nobody wrote a review on these days.'] : []),
    ...(view.isCut ? ['only the newest 20,000 reviews were read.'] : []),
    ...(view.isRivalsCut ? ['only the newest 20,000 reviews of rivals were read.'] : []),
  ],
}
