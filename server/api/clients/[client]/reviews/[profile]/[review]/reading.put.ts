import { readingSchema } from '../../../../../../../shared/read/reviews'
import { bodyOf, clientRoute, idParam, remoteIdParam } from '../../../../../../platform/http/route'
import { readReview } from '../../../../../../read/reviews/replies'

export default clientRoute('write', async ({ event, db, person }) => {
  await readReview(
    db,
    { profile: idParam(event, 'profile', 'review'), id: remoteIdParam(event, 'review', 'review') },
    await bodyOf(event, readingSchema),
    person.id,
  )
  return { ok: true }
})
