import { period } from '../../../../../core/periods/period'
import { noteSchema } from '../../../../../shared/figures/notes'
import { changeNote } from '../../../../figures/questions/notes'
import { bodyOf, clientRoute, idParam } from '../../../../platform/http/route'
import { notFound } from '../../../../platform/problems/problem'

export default clientRoute('write', async ({ event, db }) => {
  const note = await bodyOf(event, noteSchema)
  period(note.from, note.to)
  if (!(await changeNote(db, idParam(event, 'note', 'note'), note))) throw notFound('note')
  return { ok: true }
})
