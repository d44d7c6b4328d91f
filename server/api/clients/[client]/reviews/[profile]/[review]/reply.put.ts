import { replySchema } from '../../../../../../../shared/read/reviews'
import { bodyOf, clientRoute } from '../../../../../../platform/http/route'
import { writeReply } from '../../../../../../read/reviews/replies'
import { reviewKey } from '../../../../../../read/reviews/reviewKey'

export default clientRoute('write', async ({ event, db, person }) => {
  await writeReply(db, reviewKey(event), (await bodyOf(event, replySchema)).text, person.id)
  return { ok: true }
})
