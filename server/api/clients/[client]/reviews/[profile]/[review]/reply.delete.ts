import { clientRoute } from '../../../../../../platform/http/route'
import { removeReply } from '../../../../../../read/reviews/replies'
import { reviewKey } from '../../../../../../read/reviews/reviewKey'

export default clientRoute('write', async ({ event, db }) => {
  await removeReply(db, reviewKey(event))
  return { ok: true }
})
