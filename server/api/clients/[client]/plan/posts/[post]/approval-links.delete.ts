import { clientRoute, idParam } from '../../../../../../platform/http/route'
import { endApprovalLinks } from '../../../../../../plan/posts/planLinks'
import { plannedById } from '../../../../../../plan/posts/plannedRows'

export default clientRoute('write', async ({ event, db }) => {
  const { id } = await plannedById(db, idParam(event, 'post', 'planned post'))
  await endApprovalLinks(db, id)
  return { ok: true }
})
