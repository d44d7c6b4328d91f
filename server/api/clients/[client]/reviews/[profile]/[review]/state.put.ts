import { replyStateSchema } from '../../../../../../../shared/read/reviews'
import { answerOnNetwork } from '../../../../../../gather/connectors/answerOnNetwork'
import { bodyOf, clientRoute, idParam, remoteIdParam } from '../../../../../../platform/http/route'
import { moveReply } from '../../../../../../read/reviews/replies'

/** Approves an answer, takes that back, or sends it to the network, which may refuse it. */
export default clientRoute('write', async ({ event, db, person }) => {
  const { state } = await bodyOf(event, replyStateSchema)
  return await moveReply(
    db,
    { profile: idParam(event, 'profile', 'review'), id: remoteIdParam(event, 'review', 'review') },
    state as 'draft' | 'approved' | 'sent',
    person.id,
    (inside, { profile, id }, text) => answerOnNetwork(inside, profile, 'reviews', id, text),
  )
})
