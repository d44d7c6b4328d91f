import { period } from '../../../../../core/periods/period'
import { noteSchema } from '../../../../../shared/scope'
import { addNote } from '../../../../db/questions/notes'
import { bodyOf, clientRoute } from '../../../../http/route'

export default clientRoute('write', async ({ event, db, person }) => {
  const note = await bodyOf(event, noteSchema)
  period(note.from, note.to)
  return { id: await addNote(db, note, person.id) }
})
