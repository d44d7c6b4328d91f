import { clientRoute, idParam } from '../../../../../../platform/http/route'
import { notFound } from '../../../../../../platform/problems/problem'
import { removePlaceGroup } from '../../../../../../read/places/placeGroups'

export default clientRoute('write', async ({ event, db }) => {
  if (!(await removePlaceGroup(db, idParam(event, 'group', 'group of places'), true))) throw notFound('group of places')
  return { ok: true }
})
