import { setResponseStatus } from 'h3'
import { repeatSchema } from '../../../../../../../shared/plan/plannedPosts'
import { bodyOf, clientRoute, idParam } from '../../../../../../platform/http/route'
import { repeatPlanned } from '../../../../../../plan/posts/plannedPosts'

export default clientRoute('write', async ({ event, db, person }) => {
  const { rule } = await bodyOf(event, repeatSchema)
  const ids = await repeatPlanned(db, idParam(event, 'post', 'planned post'), rule, person)
  setResponseStatus(event, 201)
  return { ids }
})
