import { getQuery } from 'h3'
import { clientRoute, idParam, remoteIdParam } from '../../../../../../platform/http/route'
import { notFound } from '../../../../../../platform/problems/problem'
import { proposeReply } from '../../../../../../read/reviews/replies'

/** What a template says to a review. */
export default clientRoute('work', async ({ event, db }) => {
  const template = String(getQuery(event).template ?? '')
  if (!/^\d{1,10}$/.test(template)) throw notFound('template')
  return {
    text: await proposeReply(
      db,
      { profile: idParam(event, 'profile', 'review'), id: remoteIdParam(event, 'review', 'review') },
      Number(template),
    ),
  }
})
