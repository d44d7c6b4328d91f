import { removeNote } from '../../../../../db/questions/notes'
import { clientRoute, idParam } from '../../../../../http/route'
import { notFound } from '../../../../../problems/problem'

export default clientRoute('write', async ({ event, db }) => {
  if (!(await removeNote(db, idParam(event, 'note', 'note'), false))) throw notFound('note')
  return { ok: true }
})
