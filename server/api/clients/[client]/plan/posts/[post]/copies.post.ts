import { setResponseStatus } from 'h3'
import { clientRoute, idParam } from '../../../../../../platform/http/route'
import { copyPlanned } from '../../../../../../plan/posts/plannedPosts'

export default clientRoute('write', async ({ event, db, person }) => {
  const id = await copyPlanned(db, idParam(event, 'post', 'planned post'), person)
  setResponseStatus(event, 201)
  return { id }
})
