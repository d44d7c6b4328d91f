import { profileById, restatementsOf } from '../../../../../../figures/questions/profileRows'
import { clientRoute, idParam } from '../../../../../../platform/http/route'
import { notFound } from '../../../../../../platform/problems/problem'

const MOST_SHOWN = 500

export default clientRoute('work', async ({ event, db }) => {
  const id = idParam(event, 'profile', 'profile')
  if (!(await profileById(db, id))) throw notFound('profile')
  return await restatementsOf(db, id, MOST_SHOWN)
})
