import { pollSchema } from '../../../../../../shared/read/polls'
import { bodyOf, clientRoute, idParam } from '../../../../../platform/http/route'
import { changePoll } from '../../../../../read/audience/polls'

export default clientRoute('write', async ({ event, db }) => {
  await changePoll(db, idParam(event, 'poll', 'poll'), await bodyOf(event, pollSchema))
  return { ok: true }
})
