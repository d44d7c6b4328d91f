import { removeNote } from '../../../../../figures/questions/notes'
import { clientRoute, idParam } from '../../../../../platform/http/route'
import { notFound } from '../../../../../platform/problems/problem'

export default clientRoute('write', async ({ event, db }) => {
  if (!(await removeNote(db, idParam(event, 'note', 'note'), false))) throw notFound('note')
  return { ok: true }
})
