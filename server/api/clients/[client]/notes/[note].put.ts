import { period } from '../../../../../core/periods/period'
import { noteSchema } from '../../../../../shared/scope'
import { changeNote } from '../../../../db/questions/notes'
import { bodyOf, clientRoute, idParam } from '../../../../http/route'
import { notFound } from '../../../../problems/problem'

export default clientRoute('write', async ({ event, db }) => {
  const note = await bodyOf(event, noteSchema)
  period(note.from, note.to)
  if (!(await changeNote(db, idParam(event, 'note', 'note'), note))) throw notFound('note')
  return { ok: true }
})
