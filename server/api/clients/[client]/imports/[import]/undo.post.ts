import { clientRoute, idParam } from '../../../../../platform/http/route'
import { startUndo } from '../../../../../gather/imports/store'

export default clientRoute('write', async ({ event, db, person }) => ({
  job: await startUndo(db, idParam(event, 'import', 'import'), person.id),
}))
