import { replySchema } from '../../../../../../../shared/read/reviews'
import { bodyOf, clientRoute, idParam, remoteIdParam } from '../../../../../../platform/http/route'
import { writeReply } from '../../../../../../read/reviews/replies'

export default clientRoute('write', async ({ event, db, person }) => {
  await writeReply(
    db,
    { profile: idParam(event, 'profile', 'review'), id: remoteIdParam(event, 'review', 'review') },
    (await bodyOf(event, replySchema)).text,
    person.id,
  )
  return { ok: true }
})
