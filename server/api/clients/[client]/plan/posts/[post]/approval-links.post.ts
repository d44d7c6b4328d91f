import { approvalLinkSchema } from '../../../../../../../shared/plan/plannedPosts'
import { bodyOf, clientRoute, idParam } from '../../../../../../platform/http/route'
import { approvalLink } from '../../../../../../plan/posts/planLinks'

export default clientRoute('write', async ({ event, db }) => {
  const { token, endsAt } = await approvalLink(
    db,
    idParam(event, 'post', 'planned post'),
    await bodyOf(event, approvalLinkSchema),
  )
  return { path: `/approve/${token}`, endsAt }
})
