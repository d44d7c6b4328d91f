import { clientRoute, idParam } from '../../../../../http/route'
import { startApply } from '../../../../../imports/store'

export default clientRoute('write', async ({ event, db, person }) => ({ job: await startApply(db, idParam(event, 'import', 'import'), person.id) }))
