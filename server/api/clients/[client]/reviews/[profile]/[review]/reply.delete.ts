import { clientRoute, idParam, remoteIdParam } from '../../../../../../platform/http/route'
import { removeReply } from '../../../../../../read/reviews/replies'

export default clientRoute('write', async ({ event, db }) => {
  await removeReply(db, { profile: idParam(event, 'profile', 'review'), id: remoteIdParam(event, 'review', 'review') })
  return { ok: true }
})
