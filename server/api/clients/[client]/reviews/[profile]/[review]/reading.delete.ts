import { clientRoute } from '../../../../../../platform/http/route'
import { unreadReview } from '../../../../../../read/reviews/replies'
import { reviewKey } from '../../../../../../read/reviews/reviewKey'

export default clientRoute('write', async ({ event, db }) => {
  await unreadReview(db, reviewKey(event))
  return { ok: true }
})
