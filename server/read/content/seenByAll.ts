import { POST_COUNTS, type PostMeasure } from '../../../core/datasets/datasets'
import { isPublicColumn } from '../../../core/metrics/storedFigures'

const HIDDEN = Object.fromEntries(POST_COUNTS.filter((count) => !isPublicColumn(count)).map((count) => [count, null]))

/**
 * What everybody can see of a rival's post: whatever else is stored of it, such as from a file, is set aside.
 *
 * @example seenByAll({ reactions: 5, impressions: 900 }) // { reactions: 5, impressions: null, … }
 */
export const seenByAll = <Counted extends Partial<Record<PostMeasure, number | null>>>(counted: Counted): Counted => ({
  ...counted,
  ...HIDDEN,
})
