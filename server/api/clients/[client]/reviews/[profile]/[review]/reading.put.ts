import { readingSchema } from '../../../../../../../shared/read/reviews'
import { bodyOf, clientRoute } from '../../../../../../platform/http/route'
import { readReview } from '../../../../../../read/reviews/replies'
import { reviewKey } from '../../../../../../read/reviews/reviewKey'

export default clientRoute('write', async ({ event, db, person }) => {
  await readReview(db, reviewKey(event), await bodyOf(event, readingSchema), person.id)
  return { ok: true }
})
