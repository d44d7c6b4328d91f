import { clientRoute, idParam } from '../../../../../http/route'
import { startUndo } from '../../../../../imports/store'

export default clientRoute('write', async ({ event, db, person }) => ({ job: await startUndo(db, idParam(event, 'import', 'import'), person.id) }))
