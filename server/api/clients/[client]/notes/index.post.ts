import { period } from '../../../../../core/periods/period'
import { noteSchema } from '../../../../../shared/figures/notes'
import { addNote } from '../../../../figures/questions/notes'
import { bodyOf, clientRoute } from '../../../../platform/http/route'

export default clientRoute('write', async ({ event, db, person }) => {
  const note = await bodyOf(event, noteSchema)
  period(note.from, note.to)
  return { id: await addNote(db, note, person.id) }
})
