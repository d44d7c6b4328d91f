import { setResponseStatus } from 'h3'
import { remarkSchema } from '../../../../../../../shared/plan/plannedPosts'
import { bodyOf, clientRoute, idParam } from '../../../../../../platform/http/route'
import { plannedById } from '../../../../../../plan/posts/plannedRows'
import { say } from '../../../../../../plan/posts/plannedStates'

export default clientRoute('write', async ({ event, db, person }) => {
  const { text } = await bodyOf(event, remarkSchema)
  await say(db, await plannedById(db, idParam(event, 'post', 'planned post')), person.name, '', text)
  setResponseStatus(event, 201)
  return { ok: true }
})
