import { clientRoute, idParam } from '../../../../../platform/http/route'
import { notFound } from '../../../../../platform/problems/problem'
import { removePoll } from '../../../../../read/audience/polls'

export default clientRoute('write', async ({ event, db }) => {
  if (!(await removePoll(db, idParam(event, 'poll', 'poll'), false))) throw notFound('poll')
  return { ok: true }
})
