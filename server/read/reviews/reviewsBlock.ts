import type { FilledReviews } from '../../../shared/read/reviewsBlock'
import type { ReportBlock } from '../../figures/reportBlock'
import { count, number, share, text } from '../../platform/tables/columns'
import { reviewsOf } from './reviews'

export const reviewsBlock: ReportBlock<FilledReviews> = {
  fill: async ({ db, scope }) => ({ view: await reviewsOf(db, scope) }),
  tableOf: ({ view: { places } }) => ({
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
    ],
    rows: places.map(({ name, rating, shrunk, stars, answering }) => [
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
    ]),
  }),
  missingIn: ({ view }) => [
    ...(view.all.answering.reviews === 0 ? ['nobody wrote a review on these days.'] : []),
    ...(view.isCut ? ['only the newest 20,000 reviews were read.'] : []),
  ],
}
