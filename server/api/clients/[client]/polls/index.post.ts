import { setResponseStatus } from 'h3'
import { pollSchema } from '../../../../../shared/read/polls'
import { bodyOf, clientRoute } from '../../../../platform/http/route'
import { addPoll } from '../../../../read/audience/polls'

export default clientRoute('write', async ({ event, db, person }) => {
  const poll = await bodyOf(event, pollSchema)
  setResponseStatus(event, 201)
  return { id: await addPoll(db, poll, person.id) }
})
