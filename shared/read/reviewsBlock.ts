import { declareBlock } from '../report/declareBlock'
import type { ReviewsView } from './reviews'

export interface FilledReviews {
  kind: 'reviews'
  view: ReviewsView
}

export const reviewsBlock = declareBlock<FilledReviews>()({
  kind: 'reviews',
  name: 'Reviews and their answers',
  version: 1,
  isScoped: true,
  headingOf: () => 'Reviews',
})
