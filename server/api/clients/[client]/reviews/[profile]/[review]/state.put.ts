import { replyStateSchema } from '../../../../../../../shared/read/reviews'
import { bodyOf, clientRoute } from '../../../../../../platform/http/route'
import { moveReply } from '../../../../../../read/reviews/replies'
import { reviewKey } from '../../../../../../read/reviews/reviewKey'

/** Approves an answer, takes that back, or sends it to the network, which may refuse it. */
export default clientRoute('write', async ({ event, db, person }) => {
  const { state } = await bodyOf(event, replyStateSchema)
  return await moveReply(db, reviewKey(event), state as 'draft' | 'approved' | 'sent', person.id)
})
