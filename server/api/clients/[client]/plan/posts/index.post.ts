import { setResponseStatus } from 'h3'
import { plannedSchema } from '../../../../../../shared/plan/plannedPosts'
import { bodyOf, clientRoute, LARGE_BODY } from '../../../../../platform/http/route'
import { addPlanned } from '../../../../../plan/posts/plannedPosts'

export default clientRoute('write', async ({ event, db, person }) => {
  const id = await addPlanned(db, await bodyOf(event, plannedSchema, LARGE_BODY), person)
  setResponseStatus(event, 201)
  return { id }
})
